<script setup lang="ts">
// Small sums at the step where they matter: the load before power goes on, the jet before it meets the fins.
import type { Step } from '@yastik/core/procedure'
import { round } from '@yastik/core/quantities'
import { electricLoad, type KnownDesign } from '@yastik/core/units'
import { finsStandKPa, jetOnFins } from '@yastik/core/wash'
import { computed, ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import Fold from '../kit/Fold.vue'
import Notice from '../kit/Notice.vue'

const props = defineProps<{ step: Step; design: KnownDesign; flowLMin: number; pressureBar: number }>()
const { unit } = useMeasures()
const isLoad = computed(() => props.step.id === 'power-on' || props.step.id === 'isolate')
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
  <Fold v-if="isLoad" data-step-help="load" title="Does the supply carry it?">
    <div class="fields narrow">
      <Field label="Nameplate" unit="A"><NumberField v-model="amps" name="load-amps" /></Field>
      <Field label="Supply" unit="V"><NumberField v-model="volts" name="load-volts" /></Field>
      <Field label="Breaker" unit="A"><NumberField v-model="breaker" name="load-breaker" /></Field>
      <Field label="Cord, mm² each"><NumberField v-model="cordMm2" name="load-cord" /></Field>
      <Field label="Cord, m long"><NumberField v-model="cordM" name="load-length" /></Field>
    </div>
    <p v-if="load" role="status">
      <b>{{ percent(load.loadShare) }} of the breaker</b>:
      {{ load.carries ? 'it carries that for hours.' : 'too much for hours on end (80 % at most).' }}
      <template v-if="load.dropV > 0">
        <b>{{ round(load.dropV, 1) }} V</b> drop along the cord, {{ percent(load.dropShare)
        }}{{ load.dropsTooMuch ? ': motors start badly, take a shorter or thicker one.' : '.' }}
      </template>
    </p>
    <Notice v-else kind="now">Amps, volts and breaker are numbers above zero.</Notice>
    <p class="small">A figure only: the local code and whoever is licensed for it decide.</p>
  </Fold>
  <Fold v-else-if="isJet" data-step-help="jet" title="What does the jet do to the fins?">
    <div class="fields narrow">
      <Field label="Pressure" unit="bar"><NumberField v-model="pressure" name="jet-bar" /></Field>
      <Field label="Flow" :unit="unit('L/min')"><NumberField v-model="flow" si="L/min" name="jet-flow" /></Field>
      <Field label="Distance" unit="cm"><NumberField v-model="distance" name="jet-distance" /></Field>
      <Field label="Fan tip" unit="degrees"><NumberField v-model="angle" name="jet-angle" /></Field>
    </div>
    <p v-if="jet" role="status">
      <b>{{ round(jet.kPa, 2) }} kPa</b> where it lands; fins stand about {{ finsStandKPa.value }}.
      <b v-if="!jet.stands">Do not: {{ jet.reasons.join('; ') }}.</b>
      <template v-else>Along the fins, never across.</template>
    </p>
    <Notice v-else kind="now">Pressure, flow and distance are numbers above zero, the angle lies between 0 and 120.</Notice>
  </Fold>
</template>
