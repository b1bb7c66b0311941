<script setup lang="ts">
// Readings by hand, with what cannot be true said at once.
import { traverse } from '@yastik/core/air'
import { Fault, linesOf, type FaultLine } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import { doubtfulReadings, readingsSchema, type Readings } from '@yastik/core/lookover'
import { asEntered, asRead, isSiUnit } from '@yastik/core/quantities'
import { computed, reactive, ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import InstrumentPanel from './InstrumentPanel.vue'
import TraverseForm from './TraverseForm.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Form from '../kit/Form.vue'
import Notice from '../kit/Notice.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ jobId: string; unitId: string; when: 'before' | 'after'; value?: Readings }>()
const emit = defineEmits<{ take: [readings: Readings] }>()

const fields = [
  { name: 'returnC', says: t('screen.proof.return-air'), unit: '°C', of: (r: Readings) => r.returnC },
  { name: 'returnRh', says: t('screen.proof.return-humidity'), unit: '%', of: (r: Readings) => r.returnRh * 100 },
  { name: 'supplyC', says: t('screen.proof.supply-air'), unit: '°C', of: (r: Readings) => r.supplyC },
  {
    name: 'supplyRh',
    says: t('screen.proof.supply-humidity'),
    unit: '%',
    of: (r: Readings) => (r.supplyRh === undefined ? undefined : r.supplyRh * 100),
  },
  { name: 'airflowM3h', says: t('screen.frame.airflow'), unit: 'm³/h', of: (r: Readings) => r.airflowM3h },
  { name: 'amps', says: t('screen.proof.current'), unit: 'A', of: (r: Readings) => r.amps },
  { name: 'levelMmPerM', says: t('screen.proof.fall-towards-drain'), unit: 'mm/m', of: (r: Readings) => r.levelMmPerM },
  { name: 'litres', says: t('screen.proof.flow-test-poured'), unit: 'L', of: (r: Readings) => r.flowTest?.litres },
  { name: 'seconds', says: t('screen.proof.flow-test-took'), unit: 's', of: (r: Readings) => r.flowTest?.seconds },
] as const
type FieldName = (typeof fields)[number]['name']

const { measures, unit, say } = useMeasures()
const job = useJob()
const unitOf = (name: FieldName) => fields.find((field) => field.name === name)!.unit
const read = (value: number, name: FieldName) => {
  const si = unitOf(name)
  return isSiUnit(si) ? asRead(value, si, measures.value) : value
}
const stored = (value: number, name: FieldName) => {
  const si = unitOf(name)
  // A hundredth of what is stored is finer than any instrument; it keeps a figure what it was over there and back.
  return isSiUnit(si) ? Math.round(asEntered(value, si, measures.value) * 1e4) / 1e4 : value
}
const shown = (value: number | undefined, name: FieldName) => (value === undefined ? '' : String(Math.round(read(value, name) * 100) / 100))
const texts = reactive(
  Object.fromEntries(fields.map(({ name, of }) => [name, props.value ? shown(of(props.value), name) : ''])) as Record<FieldName, string>,
)
/** What instruments said of themselves, as long as their figures stand in the form. */
const measured = ref<Partial<Readings>>(props.value?.tolerance && !props.value.traverse ? { ...props.value } : {})
function fromInstruments(taken: Partial<Readings>) {
  for (const { name, of } of fields) {
    const value = of(taken as Readings)
    if (value !== undefined && !Number.isNaN(value)) texts[name] = shown(value, name)
  }
  measured.value = taken
  if (taken.airflowM3h !== undefined) points.value = undefined
}
/** Their tolerances hold for figures that nobody changed afterwards. */
function toleranceOf(): NonNullable<Readings['tolerance']> {
  const own = measured.value
  const still = (...names: FieldName[]) =>
    names.every((name) => {
      const value = fields.find((field) => field.name === name)!.of(own as Readings)
      return value === undefined || Number.isNaN(value) || shown(value, name) === texts[name]
    })
  const { temperatureK, humidity, airflowShare } = own.tolerance ?? {}
  return {
    ...(temperatureK !== undefined && still('returnC', 'supplyC') ? { temperatureK } : {}),
    ...(humidity !== undefined && still('returnRh', 'supplyRh') ? { humidity } : {}),
    ...(airflowShare !== undefined && still('airflowM3h') ? { airflowShare } : {}),
  }
}
const points = ref(props.value?.traverse)
function fromTraverse(taken: NonNullable<Readings['traverse']>) {
  points.value = taken
  texts.airflowM3h = shown(Math.round(traverse(taken).airflowM3h), 'airflowM3h')
}
/** Shares are entered in percent. */
const readAs = (value: number, name: FieldName) => Math.round(read(unitOf(name) === '%' ? value * 100 : value, name) * 100) / 100
const error = ref<unknown>()
const doubts = ref<FaultLine[]>([])

const number = (name: FieldName) => (texts[name].trim() === '' ? undefined : stored(Number(texts[name].replace(',', '.')), name))
const share = (name: FieldName) => {
  const value = number(name)
  return value === undefined ? undefined : value / 100
}
const draft = computed(() => {
  const [litres, seconds] = [number('litres'), number('seconds')]
  const entries = {
    returnC: number('returnC'),
    returnRh: share('returnRh'),
    supplyC: number('supplyC'),
    supplyRh: share('supplyRh'),
    airflowM3h: number('airflowM3h'),
    amps: number('amps'),
    levelMmPerM: number('levelMmPerM'),
    ...traverseOf(),
    flowTest: litres === undefined && seconds === undefined ? undefined : { litres, seconds },
  }
  return Object.fromEntries(Object.entries(entries).filter(([, value]) => value !== undefined))
})
/** The traverse counts only as long as the airflow is the one that it gave. */
function traverseOf(): Pick<Readings, 'traverse' | 'tolerance'> {
  const tolerance = toleranceOf()
  const withOwn = Object.keys(tolerance).length > 0 ? { tolerance } : {}
  if (!points.value) return withOwn
  const { airflowM3h, toleranceShare } = traverse(points.value)
  if (shown(Math.round(airflowM3h), 'airflowM3h') !== texts.airflowM3h) return withOwn
  if (toleranceShare === undefined) return { ...withOwn, traverse: points.value }
  return { traverse: points.value, tolerance: { ...tolerance, airflowShare: Math.min(0.5, toleranceShare) } }
}
/** Where what is entered goes, if it is not by its own name. */
const whereOf: Partial<Record<FieldName, string>> = { litres: 'flowTest.litres', seconds: 'flowTest.seconds' }

function take(inSpiteOfDoubts: boolean) {
  const parsed = readingsSchema.safeParse(draft.value)
  if (!parsed.success) {
    doubts.value = []
    const lines = linesOf(parsed.error.issues, draft.value)
    error.value = new Fault('does-not-hold-up', { sentence: says('screen.proof.these-readings-cannot-taken-like'), lines })
    return
  }
  error.value = undefined
  doubts.value = doubtfulReadings(parsed.data, job.measuredFor(props.unitId))
  if (doubts.value.length > 0 && !inSpiteOfDoubts) return
  doubts.value = []
  emit('take', parsed.data)
}
function swap() {
  ;[texts.returnC, texts.supplyC] = [texts.supplyC, texts.returnC]
  ;[texts.returnRh, texts.supplyRh] = [texts.supplyRh || texts.returnRh, texts.supplyRh ? texts.returnRh : '']
  take(false)
}
</script>

<template>
  <Form :data-readings="when" :fault="error" @submit="take(false)">
    <InstrumentPanel :job-id="jobId" :unit-id="unitId" :when="when" @take="fromInstruments" />
    <div class="fields narrow">
      <Field
        v-for="field in fields"
        :key="field.name"
        :where="whereOf[field.name] ?? field.name"
        :label="field.says"
        :read="(stored) => readAs(stored, field.name)"
        :unit="unit(field.unit)"
        ><TextField v-model="texts[field.name]" :name="field.name" inputmode="decimal"
      /></Field>
    </div>
    <TraverseForm :when="when" :value="points" @take="fromTraverse" />
    <Notice v-if="doubts.length > 0" kind="now">
      <p v-for="doubt in doubts" :key="say(doubt.where)">
        <b>{{ say(doubt.what) }}.</b> {{ t('screen.proof.expected', { allowed: doubt.allowed }) }}
      </p>
      <div class="row">
        <Tap now @click="swap">{{ t('screen.proof.swap-probes') }}</Tap><Tap @click="take(true)">{{ t('screen.proof.keep-them-they') }}</Tap>
      </div></Notice
    >
    <Tap type="submit">{{
      value
        ? t('screen.proof.correct-readings', { when: t(`screen.proof.${when}-2`) })
        : t('screen.proof.take-readings', { when: t(`screen.proof.${when}-2`) })
    }}</Tap>
  </Form>
</template>
