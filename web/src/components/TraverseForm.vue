<script setup lang="ts">
// Airflow from readings over the outlet: velocities at the centres of equal parts, their mean, and how sure it is.
import { traverse } from '@yastik/core/air'
import type { Readings } from '@yastik/core/lookover'
import { computed, ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import Tap from '../kit/Tap.vue'
import Fold from '../kit/Fold.vue'
import Notice from '../kit/Notice.vue'

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
  <Fold v-model="isOpen" :data-traverse="label" title="Airflow from readings over the outlet">
    <div class="stack">
      <div class="fields narrow">
        <Field label="Outlet width" unit="mm"><NumberField v-model="widthMm" name="outlet-width" /></Field>
        <Field label="Outlet height" unit="mm"><NumberField v-model="heightMm" name="outlet-height" /></Field>
        <Field label="Points across"><NumberField v-model="columns" name="outlet-columns" /></Field>
        <Field label="Points down"><NumberField v-model="rows" name="outlet-rows" /></Field>
      </div>
      <p class="small">Hold the vane at the centre of each part, square to the air, fan on high. Metres per second:</p>
      <div class="grid" :style="{ gridTemplateColumns: `repeat(${Math.max(1, Math.round(columns || 1))}, minmax(3.2rem, 1fr))` }">
        <NumberField v-for="index in cellCount" :key="index" v-model="cells[index - 1]" :name="`point-${index}`" :label="`point ${index}, m/s`" />
      </div>
      <Notice v-if="wrong" kind="now">A velocity is a number from 0 on.</Notice>
      <Notice v-else-if="taken && !result" kind="now">No air comes out at any of these points: is the fan on?</Notice>
      <p v-else-if="result" data-traverse-result>
        <b>{{ quantity(Math.round(result.airflowM3h), 'm³/h') }}</b>
        <template v-if="result.toleranceShare !== undefined">
          ± {{ percent(result.toleranceShare) }} from {{ result.points }} points that spread by {{ percent(result.spread) }};
          {{ result.toleranceShare <= 0.1 ? 'enough for ±10 %.' : `for ±10 % about ${result.pointsForTenth} points are needed.` }}
        </template>
        <template v-else>from one point: nobody knows how far that may be off.</template>
      </p>
      <Tap :off="result && !wrong ? '' : 'enter the speeds first'" @click="taken && emit('take', taken)">Use this airflow</Tap>
    </div>
  </Fold>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 0.3rem;
  overflow-x: auto;
}
</style>
