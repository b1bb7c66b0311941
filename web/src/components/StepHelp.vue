<script setup lang="ts">
// Small sums at the step where they matter: the load before power goes on, the jet before it meets the fins.
import { plainId, type Step } from '@yastik/core/procedure'
import { round } from '@yastik/core/quantities'
import { electricLoad, type KnownDesign } from '@yastik/core/units'
import { finsStandKPa, jetOnFins } from '@yastik/core/wash'
import { computed, ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import Fold from '../kit/Fold.vue'
import Notice from '../kit/Notice.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ step: Step; design: KnownDesign; flowLMin: number; pressureBar: number }>()
const { unit } = useMeasures()
const isLoad = computed(() => ['power-on', 'isolate'].includes(plainId(props.step.id)))
const isJet = computed(() => props.step.id.startsWith('rinse-'))

const amps = ref<number | undefined>(props.design.nameplateAmps ?? round(props.design.ratedPowerW / (props.design.volts ?? 230), 1))
const volts = ref<number | undefined>(props.design.volts ?? 230)
const breaker = ref<number | undefined>(16)
const cordMm2 = ref<number>()
const cordM = ref<number>()
const above = (value: number | undefined): value is number => value !== undefined && value > 0
const load = computed(() => {
  if (!above(amps.value) || !above(volts.value) || !above(breaker.value)) return undefined
  const cord = above(cordMm2.value) && above(cordM.value) ? { mm2: cordMm2.value, lengthM: cordM.value } : undefined
  return electricLoad({ amps: amps.value, volts: volts.value, breakerAmps: breaker.value, ...(cord ? { cord } : {}) })
})
const pressure = ref<number | undefined>(props.pressureBar)
const flow = ref<number | undefined>(props.flowLMin)
const distance = ref<number | undefined>(30)
const angle = ref<number | undefined>(40)
const jet = computed(() =>
  above(pressure.value) && above(flow.value) && above(distance.value) && angle.value !== undefined && angle.value >= 0 && angle.value <= 120
    ? jetOnFins({ pressureBar: pressure.value, flowLMin: flow.value, distanceCm: distance.value, fanDegrees: angle.value })
    : undefined,
)
const percent = (share: number) => `${round(share * 100, 1)} %`
</script>

<template>
  <Fold v-if="isLoad" data-step-help="load" :title="t('screen.work.does-supply-carry')">
    <div class="fields narrow">
      <Field :label="t('screen.work.nameplate')" unit="A"><NumberField v-model="amps" name="load-amps" /></Field>
      <Field :label="t('screen.work.supply')" unit="V"><NumberField v-model="volts" name="load-volts" /></Field>
      <Field :label="t('screen.work.breaker')" unit="A"><NumberField v-model="breaker" name="load-breaker" /></Field>
      <Field :label="t('screen.work.cord-mm-each')"><NumberField v-model="cordMm2" name="load-cord" /></Field>
      <Field :label="t('screen.work.cord-m-long')"><NumberField v-model="cordM" name="load-length" /></Field>
    </div>
    <p v-if="load" role="status">
      <b>{{ t('screen.work.breaker-2', { loadShare: percent(load.loadShare) }) }}</b>:
      {{ load.carries ? t('screen.work.carries-hours') : t('screen.work.too-much-hours-end-80') }}
      <template v-if="load.dropV > 0">
        <b>{{ round(load.dropV, 1) }} V</b>
        {{
          t('screen.work.drop-along-cord', {
            dropShare: percent(load.dropShare),
            motorsStartBadlyTakeShorter: load.dropsTooMuch ? t('screen.work.motors-start-badly-take-shorter') : '.',
          })
        }}
      </template>
    </p>
    <Notice v-else kind="now">{{ t('screen.work.amps-volts-breaker-numbers-above') }}</Notice>
    <p class="small">{{ t('screen.work.figure-only-local-code-whoever') }}</p>
  </Fold>
  <Fold v-else-if="isJet" data-step-help="jet" :title="t('screen.work.does-jet-do-fins')">
    <div class="fields narrow">
      <Field :label="t('screen.work.pressure')" unit="bar"><NumberField v-model="pressure" name="jet-bar" /></Field>
      <Field :label="t('screen.work.flow')" :unit="unit('L/min')"><NumberField v-model="flow" si="L/min" name="jet-flow" /></Field>
      <Field :label="t('screen.work.distance')" unit="cm"><NumberField v-model="distance" name="jet-distance" /></Field>
      <Field :label="t('screen.work.fan-tip')" unit="°"><NumberField v-model="angle" name="jet-angle" /></Field>
    </div>
    <p v-if="jet" role="status">
      <b>{{ t('screen.work.kpa', { kPa: round(jet.kPa, 2) }) }}</b>
      {{ t('screen.work.lands-fins-stand-about', { finsStandKPa: finsStandKPa.value }) }}
      <b v-if="!jet.stands">{{ t('screen.work.do-not', { reasons: { semicolon: jet.reasons } }) }}</b>
      <template v-else>{{ t('screen.work.along-fins-never-across') }}</template>
    </p>
    <Notice v-else kind="now">{{ t('screen.work.pressure-flow-distance-numbers-above') }}</Notice>
  </Fold>
</template>
