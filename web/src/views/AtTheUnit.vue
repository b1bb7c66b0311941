<script setup lang="ts">
// At the unit: one step at a time, readable at arm's length; gates, counts, dwell clock and parts tray in view.
import type { Step } from '@yastik/core/procedure'
import {
  changeOf,
  exceptionFor,
  nextSteps,
  progressOf,
  reasonsToHold,
  reasonsToWait,
  runningWaits,
  pauseOf,
  stageOf,
  withCounts,
  type Asker,
  type LedgerEntry,
} from '@yastik/core/run'
import { partNames, type Part } from '@yastik/core/units'
import { rinseFlowLMin, usualPumpBar } from '@yastik/core/wash'
import { computed, reactive, ref } from 'vue'
import { RouterLink } from 'vue-router'
import DwellClock from '../components/DwellClock.vue'
import Elsewhere from '../components/Elsewhere.vue'
import FastenerCount from '../components/FastenerCount.vue'
import LeaveOut from '../components/LeaveOut.vue'
import LedgerShortfall from '../components/LedgerShortfall.vue'
import PartsTray from '../components/PartsTray.vue'
import LedgerState from '../components/LedgerState.vue'
import PauseBar from '../components/PauseBar.vue'
import SameStepTwice from '../components/SameStepTwice.vue'
import StepHelp from '../components/StepHelp.vue'
import ProductUsed from '../components/ProductUsed.vue'
import PhotoLeftOut from '../components/PhotoLeftOut.vue'
import PhotoSlot from '../components/PhotoSlot.vue'
import WaitEnd from '../components/WaitEnd.vue'
import { useKeys } from '../components/keys.ts'
import { useNow } from '../components/useNow.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { sentence } = useMeasures()
const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const now = useNow()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const session = useSession()
/** What the person at this screen is trained for; undefined where they do not belong to the crew of this visit. */
const trained = computed(() => job.record?.crew.find(({ id }) => id === session.me?.id)?.trained)
const asker = computed<Asker>(() => ({ ...(session.me ? { id: session.me.id } : {}), ...(trained.value ? { trained: trained.value } : {}) }))
const ready = computed(() => nextSteps(state.value, now.value, asker.value))
const paused = computed(() => session.me !== undefined && pauseOf(state.value, session.me.id) !== undefined)
const waits = computed(() => runningWaits(state.value, now.value))
const progress = computed(() => progressOf(state.value))
const pickedId = ref<string>()
const step = computed(() => ready.value.find(({ id }) => id === pickedId.value) ?? ready.value[0])
const finished = computed(() => state.value.steps !== undefined && ['proof', 'handed-over'].includes(stageOf(state.value)))
const waiting = computed(() =>
  (state.value.steps ?? []).filter(({ id }) => state.value.progress[id]?.doneAtMs === undefined && !ready.value.some((other) => other.id === id)),
)
const nameOf = (id: number) => job.record?.people.find((person) => person.id === id)?.name ?? ''

const counts = reactive<Record<string, number>>({})
const countKey = (of: Step, kind: string) => `${of.id}/${kind}`
const outOf = (of: Step, kind: string) => state.value.ledger.find((entry) => entry.kind === kind && entry.item === (of.takesOff ?? of.putsBack))
const counted = (of: Step, kind: string, planned: number) => {
  const entry = outOf(of, kind)
  // What goes back starts at none: nobody confirms what nobody counted.
  return counts[countKey(of, kind)] ?? (of.takesOff ? (entry?.out ?? planned) : (entry?.in ?? 0))
}
const confirmed = computed(() => (step.value ? state.value.progress[step.value.id]?.gateConfirmed === true : false))
/** What keeps the step from being done, counts as they stand on the screen included. */
const holds = computed(() => {
  const own = step.value
  if (!own) return []
  const onScreen = (own.fasteners ?? [])
    .filter(({ kind }) => own.takesOff !== undefined || countKey(own, kind) in counts)
    .map(({ kind, count }) => ({ kind, count: counted(own, kind, count) }))
  return reasonsToHold(withCounts(state.value, own, onScreen), own, now.value)
})

/** Who is at the step, and to whom it was given, where that is somebody. */
const whose = computed(() => {
  const id = step.value?.id
  if (id === undefined) return []
  const { begunAtMs, begunBy } = state.value.progress[id] ?? {}
  const given = state.value.given[id]
  const who = (person: number) => (person === session.me?.id ? 'you' : nameOf(person))
  const sinceMin = begunAtMs === undefined ? 0 : Math.floor((now.value - begunAtMs) / 60_000)
  return [
    ...(given === undefined ? [] : [`given to ${who(given)}`]),
    ...(begunBy === undefined || begunAtMs === undefined ? [] : [`begun by ${who(begunBy)}, ${sinceMin < 1 ? 'just now' : `${sinceMin} min ago`}`]),
  ]
})
async function begin() {
  if (step.value && state.value.progress[step.value.id]?.begunBy === undefined)
    await job.add(props.unitId, { type: 'step-begun', stepId: step.value.id })
}
/** Fasteners that the count on the screen leaves out, as the ledger would have them. */
const short = computed<LedgerEntry[]>(() => {
  const own = step.value
  if (!own?.putsBack) return []
  return (own.fasteners ?? []).flatMap(({ kind, count }) => {
    const entry = outOf(own, kind)
    const back = counted(own, kind, count)
    return entry && back < entry.out && countKey(own, kind) in counts ? [{ ...entry, in: back }] : []
  })
})
const titleOf = (stepId: string) => state.value.steps?.find(({ id }) => id === stepId)?.title ?? stepId
/** The count goes on record before the word that it may stay so. */
async function except({ item, kind, out, in: back }: LedgerEntry, text: string) {
  if (step.value) await countStep(step.value)
  await job.add(props.unitId, { type: 'exception-written', item, kind, short: out - back, text })
}
async function confirmGate() {
  if (step.value?.gate && !confirmed.value) await job.add(props.unitId, { type: 'gate-confirmed', stepId: step.value.id })
}
async function countStep(of: Step) {
  for (const { kind, count } of of.fasteners ?? []) {
    const value = counted(of, kind, count)
    const entry = outOf(of, kind)
    const direction = of.takesOff ? 'out' : 'in'
    if (entry?.[direction] !== value || (direction === 'out' ? !entry : !entry?.backCounted))
      await job.add(props.unitId, { type: 'fasteners-counted', stepId: of.id, kind, count: value, direction })
  }
}
/** Litres as they stand on the screen, by product; what is planned where nobody says otherwise. */
const used = ref<Record<string, number | undefined>>({})
const usedOf = (of: Step) =>
  (of.uses ?? []).flatMap(({ productId, litres }) => {
    const said = productId in used.value ? (used.value[productId] ?? 0) : litres
    return [{ productId, litres: said }]
  })
/** What is typed as an amount and is none. */
const badAmount = computed(() => step.value !== undefined && usedOf(step.value).some(({ litres }) => !(litres >= 0 && litres <= mostLitres)))
const mostLitres = 1000
async function done() {
  const own = step.value
  if (!own || paused.value || badAmount.value) return
  await countStep(own)
  if (holds.value.length > 0) return
  for (const { productId, litres } of usedOf(own)) await job.add(props.unitId, { type: 'product-used', stepId: own.id, productId, litres })
  used.value = {}
  await job.add(props.unitId, { type: 'step-done', stepId: own.id })
  pickedId.value = undefined
  for (const key of Object.keys(counts)) delete counts[key]
}
function pick(direction: 1 | -1) {
  const index = ready.value.findIndex(({ id }) => id === step.value?.id)
  used.value = {}
  pickedId.value = ready.value[(index + direction + ready.value.length) % ready.value.length]?.id
}
/** Whether what was found since asks for other work than what was agreed. */
const changes = computed(() => changeOf(state.value, job.planFor(props.unitId)?.units[0].steps ?? []) !== undefined)
const design = computed(() => job.designFor(props.unitId))
/** What the pump in the van gives, for sums about its jet. */
const jet = computed(() => {
  const equipment = job.record?.equipment ?? []
  const { pressureBar = usualPumpBar.value } = equipment.find(({ kind }) => kind === 'pump-wand') ?? {}
  return { flowLMin: rinseFlowLMin('pump-wand', equipment), pressureBar }
})
const photosOf = (stepId: string) => state.value.photos.filter((photo) => photo.stepId === stepId)
/** A step that is done by something else opens it: ticking would prove nothing. */
const opens = computed(() => {
  if (step.value?.doneBy === 'before-readings')
    return { station: 'proof', hash: '#before', what: 'Enter the before readings', taken: state.value.readings.before !== undefined }
  if (step.value?.doneBy === 'after-readings')
    return { station: 'proof', hash: '#after', what: 'Enter the after readings', taken: state.value.readings.after !== undefined }
  return undefined
})
const noteText = ref('')
async function note() {
  if (noteText.value.trim() === '') return
  await job.add(props.unitId, { type: 'note', text: noteText.value.trim() })
  noteText.value = ''
}

const offParts = computed<Part[]>(() =>
  (state.value.steps ?? []).flatMap(({ takesOff, part }) =>
    takesOff && part && state.value.tray.some(({ item }) => item === takesOff) ? [part] : [],
  ),
)
const isDone = (id: string) => state.value.progress[id]?.doneAtMs !== undefined
const wetParts = computed<Part[]>(() => (isDone('apply-coil') && !isDone('run-unit') ? ['coilFace', 'coilBack'] : []))
const bagged = computed(() => isDone('set-containment') && !isDone('take-down'))

useKeys([
  { key: 'Enter', does: 'this step is done', run: () => void done() },
  { key: 'b', does: 'begin this step, so that others see who is at it', run: () => void begin() },
  { key: 'g', does: 'confirm the gate of this step', run: () => void confirmGate() },
  { key: 'ArrowRight', does: 'show the next step that can be begun', run: () => pick(1) },
  { key: 'ArrowLeft', does: 'show the one before', run: () => pick(-1) },
])
</script>

<template>
  <div v-if="!state.steps" class="stack">
    <p>No method is agreed yet.</p>
    <RouterLink class="tap now big" :to="{ name: 'method', params: { jobId, unitId } }">Go to the method</RouterLink>
  </div>
  <div v-else class="two-up">
    <section class="work stack" aria-label="The step to do now">
      <p v-if="changes && !finished" class="found" role="status" data-found>
        What was found since changes the work.
        <RouterLink class="tap" :to="{ name: 'method', params: { jobId, unitId } }">See the change</RouterLink>
      </p>
      <div v-for="wait in waits" :key="wait.step.id" class="stack">
        <DwellClock :wait="wait" :now-ms="now" /><WaitEnd :unit-id="unitId" :wait="wait" />
      </div>
      <article v-if="step && !paused" class="step" :data-step="step.id">
        <p class="eyebrow">
          {{ step.phase.replaceAll('-', ' ') }} · {{ step.part ? partNames[step.part] : 'the unit' }} · about {{ step.handsMin }} min
        </p>
        <h2 class="title">{{ sentence(step.title) }}</h2>
        <p v-if="step.skill" class="how" data-skill>
          <b>{{ trained?.includes(step.skill) ? 'For somebody trained, such as you:' : 'For somebody trained:' }}</b>
          {{ step.skill.replace('-', ' ') }}.
        </p>
        <p v-if="step.how" class="how">{{ sentence(step.how) }}</p>
        <p v-if="whose.length > 0" class="how" data-whose>{{ whose.join(', ') }}</p>
        <PhotoSlot
          v-if="step.photo || step.takesOff || photosOf(step.id).length > 0"
          :key="step.id"
          :job-id="jobId"
          :unit-id="unitId"
          :subject="{ stepId: step.id }"
          :photos="photosOf(step.id)"
          :wanted="step.photo"
          :name-of="nameOf"
        />
        <PhotoLeftOut
          v-if="step.needsPhoto && photosOf(step.id).length === 0"
          :unit-id="unitId"
          :step-id="step.id"
          :because="state.progress[step.id]?.photoLeftOut"
        />
        <p v-if="step.takesOff" class="how"><b>Goes to:</b> {{ step.slot }}.</p>
        <ul v-if="step.cautions.length > 0" class="cautions plain">
          <li v-for="caution in step.cautions" :key="caution"><span class="sign" aria-hidden="true">!</span>{{ caution }}</li>
        </ul>
        <FastenerCount
          v-for="fastener in step.fasteners ?? []"
          :key="fastener.kind"
          :kind="fastener.kind"
          :direction="step.takesOff ? 'out' : 'back'"
          :all="step.putsBack ? (outOf(step, fastener.kind)?.out ?? fastener.count) : undefined"
          :beside="step.takesOff ? `expected ${fastener.count}` : `${outOf(step, fastener.kind)?.out ?? fastener.count} came out`"
          :model-value="counted(step, fastener.kind, fastener.count)"
          @update:model-value="(value: number) => (counts[countKey(step!, fastener.kind)] = value)"
        />
        <LedgerShortfall
          v-for="entry in short"
          :key="entry.kind"
          :entry="entry"
          :taken-at="titleOf(entry.takenAt)"
          :exception="exceptionFor(state, entry)"
          :name-of="nameOf"
          :draft="state.ledger.some((other) => other.item === entry.item && other.kind === entry.kind && other.in !== entry.in)"
          @write="(text) => except(entry, text)"
          @record="countStep(step!)"
        />
        <template v-if="step.uses">
          <ProductUsed :key="step.id" v-model="used" :uses="step.uses" />
          <p v-if="badAmount" role="alert">What was used is a number from 0 to {{ mostLitres }}.</p>
        </template>
        <button v-if="step.gate" class="tap gate" role="checkbox" :aria-checked="confirmed" data-gate @click="confirmGate">
          <span class="box" aria-hidden="true">{{ confirmed ? '✓' : '' }}</span>{{ step.gate }}
        </button>
        <RouterLink
          v-if="opens"
          class="tap big"
          :class="{ now: !opens.taken }"
          data-opens
          :to="{ name: opens.station, params: { jobId, unitId }, hash: opens.hash }"
          >{{ opens.taken ? `${opens.what}: taken` : opens.what }}</RouterLink
        >
        <div class="row">
          <button class="tap now big finish" data-done :disabled="holds.length > 0 || badAmount" @click="done">Done</button>
          <button v-if="state.progress[step.id]?.begunBy === undefined" class="tap big" data-begin @click="begin">Begin</button>
          <button v-if="ready.length > 1" class="tap big" data-other @click="pick(1)">Another step ({{ ready.length - 1 }})</button>
        </div>
        <StepHelp v-if="design" :key="`${step.id}-help`" :step="step" :design="design" :flow-l-min="jet.flowLMin" :pressure-bar="jet.pressureBar" />
        <LeaveOut v-if="step.optional" :key="step.id" :unit-id="unitId" :step="step" />
        <ul v-if="holds.length > 0" class="holds" role="status" data-holds>
          <li v-for="reason in holds" :key="reason">{{ reason }}</li>
        </ul>
      </article>
      <div v-else-if="finished" class="stack" data-finished>
        <h2 class="title">All steps are done.</h2>
        <RouterLink class="tap now big" :to="{ name: 'proof', params: { jobId, unitId } }">Prove it</RouterLink>
      </div>
      <template v-else-if="!paused">
        <p class="title" role="status">Only waiting is left for now.</p>
        <Elsewhere :job-id="jobId" :unit-id="unitId" :asker="asker" :now-ms="now" />
      </template>
      <PauseBar v-if="!finished" :unit-id="unitId" :state="state" :waits="waits" :now-ms="now" :name-of="nameOf" />
    </section>
    <aside class="stack">
      <SectionDrawing :family="unit.family" :grades="state.grades" readonly :off="offParts" :wet="wetParts" :bagged="bagged" />
      <p class="spread">
        <span class="figure"
          >{{ progress.done }}<small>of {{ progress.all }} steps</small></span
        ><LedgerState :state="state" />
      </p>
      <SameStepTwice :state="state" :name-of="nameOf" />
      <details>
        <summary>Steps to come ({{ waiting.length + ready.length }})</summary>
        <ol class="small">
          <li v-for="entry in [...ready, ...waiting]" :key="entry.id">
            {{ sentence(entry.title) }}<br v-if="reasonsToWait(state, entry, now).length > 0" /><em
              v-if="reasonsToWait(state, entry, now).length > 0"
              >{{ reasonsToWait(state, entry, now)[0] }}</em
            >
          </li>
        </ol>
      </details>
      <form class="row" @submit.prevent="note">
        <input
          v-model="noteText"
          class="line"
          name="note"
          maxlength="2000"
          placeholder="Note for the record"
          aria-label="Note for the record"
        /><button class="tap" type="submit">Note</button>
      </form>
    </aside>
    <PartsTray class="whole" :job-id="jobId" :unit-id="unitId" :state="state" :name-of="nameOf" />
  </div>
</template>

<style scoped>
.found {
  border: 2px dashed var(--now);
  padding: 0.4rem 0.8rem;
}
.step {
  display: flex;
  flex-direction: column;
  gap: 0.8rem;
}
.title {
  font-size: 1.9rem;
  line-height: 1.15;
  font-weight: 600;
}
.how {
  font-size: 1.15rem;
  max-width: 46rem;
}
.cautions li {
  display: flex;
  gap: 0.6rem;
  align-items: flex-start;
  padding: 0.25rem 0;
  font-size: 1.05rem;
}
.sign {
  flex: none;
  width: 1.5rem;
  height: 1.5rem;
  border: 2px solid var(--ink);
  border-radius: 50%;
  display: inline-grid;
  place-items: center;
  font-weight: 600;
  line-height: 1;
}
.gate {
  min-height: 64px;
  justify-content: flex-start;
  text-align: left;
  font-size: 1.1rem;
  border-width: 2px;
}
.box {
  flex: none;
  width: 2rem;
  height: 2rem;
  border: 2px solid currentColor;
  display: inline-grid;
  place-items: center;
  font-size: 1.3rem;
}
.finish {
  min-width: 12rem;
}
.holds {
  margin: 0;
  padding-left: 1.1rem;
  font-size: 1.05rem;
}
.line {
  font: inherit;
  min-height: 44px;
  flex: 1;
  border: var(--rule-width) solid var(--rule);
  background: transparent;
  color: inherit;
  padding: 0 0.6rem;
}
summary {
  cursor: pointer;
  min-height: 44px;
  padding-top: 0.5rem;
}
@media (max-width: 900px) {
  .title {
    font-size: 1.6rem;
  }
  .finish {
    flex: 1;
  }
}
.gate[aria-checked='false'] {
  border-color: var(--now);
}
</style>
