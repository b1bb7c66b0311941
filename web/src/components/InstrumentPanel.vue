<script setup lang="ts">
// Instruments held to the unit: what each shows, which has settled, and those taken into the form.
import type { Readings } from '@yastik/core/lookover'
import { flowTestLitres, settledOf, type InstrumentReading, type MeasuredQuantity, type Settled } from '@yastik/core/proof'
import { addressOf, endpoints, instrumentMessageSchema } from '@yastik/core/wire'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import Tap from '../kit/Tap.vue'
import Notice from '../kit/Notice.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ jobId: string; unitId: string; when: 'before' | 'after' }>()
const emit = defineEmits<{ take: [taken: Partial<Readings>] }>()
const { figure, unit } = useMeasures()

const rows: { quantity: MeasuredQuantity; says: string; unit: string; times?: number; digits: number }[] = [
  { quantity: 'returnC', says: t('screen.proof.return-air'), unit: '°C', digits: 1 },
  { quantity: 'returnRh', says: t('screen.proof.return-humidity'), unit: '%', times: 100, digits: 1 },
  { quantity: 'supplyC', says: t('screen.proof.supply-air'), unit: '°C', digits: 1 },
  { quantity: 'supplyRh', says: t('screen.proof.supply-humidity'), unit: '%', times: 100, digits: 1 },
  { quantity: 'airflowM3h', says: t('screen.frame.airflow'), unit: 'm³/h', digits: 0 },
  { quantity: 'amps', says: t('screen.proof.current'), unit: 'A', digits: 2 },
  { quantity: 'levelMmPerM', says: t('screen.proof.fall-towards-drain'), unit: 'mm/m', digits: 1 },
  { quantity: 'flowTestS', says: t('screen.proof.flow-test-l', { flowTestLitres }), unit: 's', digits: 0 },
]
/** Readings of the last while; older ones say nothing. */
const keptMs = 30_000
const readings = shallowRef<readonly InstrumentReading[]>([])
const trouble = ref('')
const stream = shallowRef<EventSource>()
const isOn = computed(() => stream.value !== undefined)
/** By the instruments' own clock. */
const newestMs = computed(() => readings.value.at(-1)?.atMs ?? 0)

function connect() {
  trouble.value = ''
  readings.value = []
  const opened = new EventSource(addressOf(endpoints.instruments, { params: { id: props.jobId, unitId: props.unitId } }))
  stream.value = opened
  opened.onmessage = ({ data }: MessageEvent<string>) => {
    const fresh = instrumentMessageSchema.parse(JSON.parse(data)).readings
    const sinceMs = (fresh.at(-1)?.atMs ?? 0) - keptMs
    readings.value = [...readings.value.filter(({ atMs }) => atMs >= sinceMs), ...fresh]
    trouble.value = ''
  }
  opened.onerror = () => {
    trouble.value = t('screen.proof.instruments-do-not-answer-no')
    if (opened.readyState === EventSource.CLOSED) disconnect()
  }
}
function disconnect() {
  stream.value?.close()
  stream.value = undefined
}
onBeforeUnmount(() => {
  disconnect()
  removeEventListener('pagehide', disconnect)
})
// A page that the browser keeps aside must not hold a connection: there are only a few.
addEventListener('pagehide', disconnect)

const shown = computed(() =>
  rows.map((row) => {
    const latest = readings.value.findLast(({ quantity }) => quantity === row.quantity)
    const settled = settledOf(readings.value, row.quantity, newestMs.value)
    const figureOf = (value: number) => figure(Number((value * (row.times ?? 1)).toFixed(row.digits)), row.unit)
    return { ...row, latest: latest && figureOf(latest.value), tolerance: latest && figureOfSpan(row, latest.tolerance), settled }
  }),
)
/** A tolerance of temperature is a difference, not a temperature. */
const figureOfSpan = (row: (typeof rows)[number], tolerance: number) =>
  figure(Number((tolerance * (row.times ?? 1)).toFixed(Math.max(1, row.digits))), row.unit === '°C' ? 'K' : row.unit)
const settledCount = computed(() => shown.value.filter(({ settled }) => settled).length)

function take() {
  const of = (quantity: MeasuredQuantity): Settled | undefined => shown.value.find((row) => row.quantity === quantity)?.settled
  const [returnC, returnRh, supplyC, supplyRh] = [of('returnC'), of('returnRh'), of('supplyC'), of('supplyRh')]
  const [airflow, amps, level, flowTest] = [of('airflowM3h'), of('amps'), of('levelMmPerM'), of('flowTestS')]
  const to = (settled: Settled | undefined, digits: number) => settled && Number(settled.value.toFixed(digits))
  const temperatureK = Math.max(returnC?.tolerance ?? 0, supplyC?.tolerance ?? 0)
  const humidity = Math.max(returnRh?.tolerance ?? 0, supplyRh?.tolerance ?? 0)
  emit('take', {
    ...(returnC ? { returnC: to(returnC, 1) } : {}),
    ...(returnRh ? { returnRh: to(returnRh, 3) } : {}),
    ...(supplyC ? { supplyC: to(supplyC, 1) } : {}),
    ...(supplyRh ? { supplyRh: to(supplyRh, 3) } : {}),
    ...(airflow && airflow.value > 0 ? { airflowM3h: to(airflow, 0) } : {}),
    ...(amps ? { amps: to(amps, 2) } : {}),
    ...(level ? { levelMmPerM: to(level, 1) } : {}),
    ...(flowTest ? { flowTest: { litres: flowTestLitres, seconds: Math.max(1, Math.round(flowTest.value)) } } : {}),
    tolerance: {
      ...(temperatureK > 0 ? { temperatureK } : {}),
      ...(humidity > 0 ? { humidity } : {}),
      ...(airflow && airflow.value > 0 ? { airflowShare: Number((airflow.tolerance / airflow.value).toFixed(3)) } : {}),
    },
  })
  disconnect()
}
</script>

<template>
  <div class="stack" :data-instruments="when">
    <div class="row">
      <Tap v-if="!isOn" data-connect @click="connect">{{ t('screen.proof.read-instruments') }}</Tap>
      <template v-else>
        <Tap now data-take :off="settledCount === 0 ? t('screen.proof.nothing-settled-yet') : ''" @click="take">
          {{ t('screen.proof.take-settled', { settledCount, rows: rows.length }) }}
        </Tap>
        <Tap bare @click="disconnect">{{ t('screen.proof.put-them-away') }}</Tap>
      </template>
    </div>
    <Notice v-if="trouble" kind="now">{{ trouble }}</Notice>
    <ul v-if="isOn && readings.length > 0" class="plain live">
      <li v-for="row in shown" :key="row.quantity" :class="{ settled: row.settled }" :data-live="row.quantity">
        <span>{{ row.says }}</span>
        <b class="value"
          >{{ row.latest }} <small>{{ unit(row.unit) }} ± {{ row.tolerance }}</small></b
        >
        <small>{{ row.settled ? t('screen.proof.settled') : t('screen.proof.still-moving') }}</small>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.live {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 0.4rem 1rem;
}
.live li {
  display: flex;
  flex-direction: column;
  border-left: 3px dotted var(--rule);
  padding-left: 0.6rem;
  line-height: 1.2;
}
.live .settled {
  border-left: 3px solid var(--ink);
}
.value {
  font-size: 1.3rem;
}
</style>
