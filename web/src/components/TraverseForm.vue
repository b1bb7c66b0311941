<script setup lang="ts">
// Airflow from readings over the outlet: velocities at the centres of equal parts, their mean, and how sure it is.
import { traverse } from '@yastik/core/air'
import type { Readings } from '@yastik/core/lookover'
import { computed, ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import NumberField from './NumberField.vue'

type Traverse = NonNullable<Readings['traverse']>
const props = defineProps<{ label: string; value?: Traverse }>()
const emit = defineEmits<{ take: [taken: Traverse] }>()
const { quantity } = useMeasures()
const isOpen = ref(false)
const widthMm = ref(props.value?.widthMm)
const heightMm = ref(props.value?.heightMm)
const columns = ref(6)
const rows = ref(2)
const cells = ref<(number | undefined)[]>(props.value ? [...props.value.velocitiesMs] : [])
const cellCount = computed(() => Math.max(1, Math.min(60, Math.round(columns.value || 1) * Math.round(rows.value || 1))))
const isNumber = (value: number | undefined): value is number => value !== undefined && Number.isFinite(value) && value >= 0
const velocities = computed(() => cells.value.slice(0, cellCount.value).filter(isNumber))
const wrong = computed(() => cells.value.slice(0, cellCount.value).some((value) => value !== undefined && !isNumber(value)))
const taken = computed<Traverse | undefined>(() =>
  isNumber(widthMm.value) && widthMm.value > 0 && isNumber(heightMm.value) && heightMm.value > 0 && velocities.value.length > 0
    ? { widthMm: widthMm.value, heightMm: heightMm.value, velocitiesMs: velocities.value }
    : undefined,
)
const result = computed(() => (taken.value && velocities.value.some((velocity) => velocity > 0) ? traverse(taken.value) : undefined))
const percent = (share: number) => `${Math.round(share * 100)} %`
</script>

<template>
  <details class="traverse" :open="isOpen" :data-traverse="label" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>Airflow from readings over the outlet</summary>
    <div class="stack inside">
      <div class="fields">
        <label class="field"><span>Outlet width, mm</span><NumberField v-model="widthMm" name="outlet-width" /></label>
        <label class="field"><span>Outlet height, mm</span><NumberField v-model="heightMm" name="outlet-height" /></label>
        <label class="field"><span>Points across</span><NumberField v-model="columns" name="outlet-columns" /></label>
        <label class="field"><span>Points down</span><NumberField v-model="rows" name="outlet-rows" /></label>
      </div>
      <p class="small">Hold the vane at the centre of each part, square to the air, fan on high. Metres per second:</p>
      <div class="grid" :style="{ gridTemplateColumns: `repeat(${Math.max(1, Math.round(columns || 1))}, minmax(3.2rem, 1fr))` }">
        <NumberField
          v-for="index in cellCount"
          :key="index"
          v-model="cells[index - 1]"
          :name="`point-${index}`"
          :aria-label="`point ${index}, m/s`"
        />
      </div>
      <p v-if="wrong" role="alert">A velocity is a number from 0 on.</p>
      <p v-else-if="taken && !result" role="alert">No air comes out at any of these points: is the fan on?</p>
      <p v-else-if="result" data-traverse-result>
        <b>{{ quantity(Math.round(result.airflowM3h), 'm³/h') }}</b>
        <template v-if="result.toleranceShare !== undefined">
          ± {{ percent(result.toleranceShare) }} from {{ result.points }} points that spread by {{ percent(result.spread) }};
          {{ result.toleranceShare <= 0.1 ? 'enough for ±10 %.' : `for ±10 % about ${result.pointsForTenth} points are needed.` }}
        </template>
        <template v-else>from one point: nobody knows how far that may be off.</template>
      </p>
      <button type="button" class="tap" :disabled="!result || wrong" @click="taken && emit('take', taken)">Use this airflow</button>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 44px;
  padding-top: 0.5rem;
  cursor: pointer;
}
.inside {
  padding: 0.4rem 0 0.8rem;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
  gap: 0.6rem;
}
.grid {
  display: grid;
  gap: 0.3rem;
  overflow-x: auto;
}
</style>
