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
import { t } from '../words/words.ts'

type Traverse = NonNullable<Readings['traverse']>
const props = defineProps<{ when: 'before' | 'after'; value?: Traverse }>()
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
  <Fold v-model="isOpen" :data-traverse="when" :title="t('screen.proof.airflow-readings-over-outlet')">
    <div class="stack">
      <div class="fields narrow">
        <Field :label="t('screen.proof.outlet-width')" unit="mm"><NumberField v-model="widthMm" name="outlet-width" /></Field>
        <Field :label="t('screen.proof.outlet-height')" unit="mm"><NumberField v-model="heightMm" name="outlet-height" /></Field>
        <Field :label="t('screen.proof.points-across')"><NumberField v-model="columns" name="outlet-columns" /></Field>
        <Field :label="t('screen.proof.points-down')"><NumberField v-model="rows" name="outlet-rows" /></Field>
      </div>
      <p class="small">{{ t('screen.proof.hold-vane-centre-each-part') }}</p>
      <div class="grid" :style="{ gridTemplateColumns: `repeat(${Math.max(1, Math.round(columns || 1))}, minmax(3.2rem, 1fr))` }">
        <NumberField
          v-for="index in cellCount"
          :key="index"
          v-model="cells[index - 1]"
          :name="`point-${index}`"
          :label="t('screen.proof.point-m-s', { index })"
        />
      </div>
      <Notice v-if="wrong" kind="now">{{ t('screen.proof.velocity-number-0') }}</Notice>
      <Notice v-else-if="taken && !result" kind="now">{{ t('screen.proof.no-air-comes-out-any') }}</Notice>
      <p v-else-if="result" data-traverse-result>
        <b>{{ quantity(Math.round(result.airflowM3h), 'm³/h') }}</b>
        <template v-if="result.toleranceShare !== undefined"
          >{{ ' '
          }}{{
            t('screen.proof.points-spread', {
              toleranceShare: percent(result.toleranceShare),
              points: result.points,
              spread: percent(result.spread),
              enough:
                result.toleranceShare <= 0.1
                  ? t('screen.proof.enough-10')
                  : t('screen.proof.10-about-points-needed', { pointsForTenth: result.pointsForTenth ?? 0 }),
            })
          }}
        </template>
        <template v-else>{{ t('screen.proof.one-point-nobody-knows-how') }}</template>
      </p>
      <Tap :off="result && !wrong ? '' : t('screen.proof.enter-speeds-first')" @click="taken && emit('take', taken)">{{
        t('screen.proof.use-airflow')
      }}</Tap>
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
