<script setup lang="ts">
// The one step to do now, readable at arm's length: what it needs, what is counted, what keeps it from being done, and its button.
import { plainId, type Step } from '@yastik/core/procedure'
import { durationWords } from '@yastik/core/quantities'
import { exceptionFor, reasonsToHold, withCounts, type Asker, type LedgerEntry } from '@yastik/core/run'
import { rinseFlowLMin, usualPumpBar } from '@yastik/core/wash'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import Fold from '../kit/Fold.vue'
import Notice from '../kit/Notice.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import CautionLine from './CautionLine.vue'
import FastenerCount from './FastenerCount.vue'
import LeaveOut from './LeaveOut.vue'
import LedgerShortfall from './LedgerShortfall.vue'
import PhotoLeftOut from './PhotoLeftOut.vue'
import ProductUsed from './ProductUsed.vue'
import { useKeys } from './keys.ts'
import { useCounts } from './useCounts.ts'
import { useNames } from '../job/useNames.ts'
import { t } from '../words/words.ts'

// Further down, or opened on demand: loaded then.
const StepHelp = defineAsyncComponent(() => import('./StepHelp.vue'))
const PhotoSlot = defineAsyncComponent(() => import('./PhotoSlot.vue'))

const props = defineProps<{
  jobId: string
  unitId: string
  /** Whose step it is: the unit's, or the visit's. */
  list: string
  step: Step
  /** How many other steps could be begun as well. */
  others: number
  /** Who is at this screen. */
  asker: Asker
  nowMs: number
}>()
const { personName, titleOf } = useNames(() => props.list)
const emit = defineEmits<{ other: []; done: [] }>()

const { say } = useMeasures()
const job = useJob()
const session = useSession()
const state = computed(() => job.stateFor(props.list))
const trained = computed(() => props.asker.trained)

const counting = useCounts(
  state,
  () => props.step,
  (happening) => job.add(props.list, happening),
)
const confirmed = computed(() => state.value.progress[props.step.id]?.gateConfirmed === true)
/** What keeps the step from being done, counts as they stand on the screen included. */
const holds = computed(() => reasonsToHold(withCounts(state.value, props.step, counting.onScreen.value), props.step, props.nowMs, job.lists))

/** Who is at the step, and to whom it was given, where that is somebody. */
const whose = computed(() => {
  const { id } = props.step
  const { begunAtMs, begunBy } = state.value.progress[id] ?? {}
  const given = state.value.given[id]
  const who = (person: number) => (person === session.me?.id ? t('screen.work.you') : personName(person))
  const sinceMin = begunAtMs === undefined ? 0 : Math.floor((props.nowMs - begunAtMs) / 60_000)
  return [
    ...(given === undefined ? [] : [t('screen.work.given', { who: who(given) })]),
    ...(begunBy === undefined || begunAtMs === undefined
      ? []
      : [
          t('screen.work.begun', {
            who: who(begunBy),
            justNow: sinceMin < 1 ? t('screen.work.just-now') : t('screen.work.ago', { sinceMin: durationWords(sinceMin) }),
          }),
        ]),
  ]
})
async function begin() {
  if (state.value.progress[props.step.id]?.begunBy === undefined) await job.add(props.list, { type: 'step-begun', stepId: props.step.id })
}
/** The count goes on record before the word that it may stay so. */
async function except({ item, kind, out, in: back }: LedgerEntry, text: string) {
  await counting.record()
  await job.add(props.list, { type: 'exception-written', item, kind, short: out - back, text })
}
async function confirmGate() {
  if (props.step.gate && !confirmed.value) await job.add(props.list, { type: 'gate-confirmed', stepId: props.step.id })
}
/** Whether its gate is all that keeps the step from being done: to confirm it is to say that it is done. */
const isGateAlone = computed(() => {
  const { step } = props
  if (!step.gate || confirmed.value || badAmount.value) return false
  const own = state.value.progress[step.id]
  const asConfirmed = { ...state.value, progress: { ...state.value.progress, [step.id]: { ...own, gateConfirmed: true } } }
  return reasonsToHold(withCounts(asConfirmed, step, counting.onScreen.value), step, props.nowMs, job.lists).length === 0
})
async function confirmAndDone() {
  await confirmGate()
  await done()
}
/** Litres as they stand on the screen, by product; what is planned where nobody says otherwise. */
const used = ref<Record<string, number | undefined>>({})
watch(
  () => props.step.id,
  () => (used.value = {}),
)
const usedOf = (of: Step) =>
  (of.uses ?? []).flatMap(({ productId, litres }) => {
    const said = productId in used.value ? (used.value[productId] ?? 0) : litres
    return [{ productId, litres: said }]
  })
const mostLitres = 1000
/** What is typed as an amount and is none. */
const badAmount = computed(() => usedOf(props.step).some(({ litres }) => !(litres >= 0 && litres <= mostLitres)))
async function done() {
  const own = props.step
  if (badAmount.value) return
  await counting.record()
  if (holds.value.length > 0) return
  for (const { productId, litres } of usedOf(own)) await job.add(props.list, { type: 'product-used', stepId: own.id, productId, litres })
  used.value = {}
  await job.add(props.list, { type: 'step-done', stepId: own.id })
  counting.forget()
  emit('done')
}
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
  if (props.step.doneBy === 'before-readings')
    return { station: 'proof', hash: '#before', what: t('screen.work.enter-before-readings'), taken: state.value.readings.before !== undefined }
  if (props.step.doneBy === 'after-readings')
    return { station: 'proof', hash: '#after', what: t('screen.work.enter-after-readings'), taken: state.value.readings.after !== undefined }
  return undefined
})

useKeys([
  { key: 'Enter', does: t('screen.work.step-done'), run: () => void done() },
  { key: 'b', does: t('screen.work.begin-step-others-see'), run: () => void begin() },
  { key: 'g', does: t('screen.work.confirm-gate-step'), run: () => void confirmGate() },
])
</script>

<template>
  <article class="step" :data-step="plainId(step.id)">
    <p class="eyebrow">
      {{
        t('screen.work.part-minutes', {
          part: list !== unitId ? t('screen.work.visit') : step.part ? t(`names.part.${step.part}`) : t('screen.work.unit'),
          handsMin: Math.max(1, Math.round(step.handsMin)),
        })
      }}
    </p>
    <h3 class="title">{{ say(step.title) }}</h3>
    <p v-if="step.skill" class="how" data-skill>
      <b>{{ trained?.includes(step.skill) ? t('screen.work.somebody-trained-such-you') : t('screen.work.somebody-trained') }}</b>
      {{ t(`names.skill.${step.skill}`) }}.
    </p>
    <p v-if="step.how" class="how">{{ say(step.how) }}</p>
    <p v-if="whose.length > 0" class="how" data-whose>{{ whose.join(', ') }}</p>
    <PhotoSlot
      v-if="step.photo || step.takesOff || photosOf(step.id).length > 0"
      :key="step.id"
      :job-id="jobId"
      :unit-id="unitId"
      :subject="{ stepId: step.id }"
      :photos="photosOf(step.id)"
      :wanted="step.photo === undefined ? undefined : say(step.photo)"
    />
    <PhotoLeftOut
      v-if="step.needsPhoto && photosOf(step.id).length === 0"
      :unit-id="list"
      :step-id="step.id"
      :because="state.progress[step.id]?.photoLeftOut"
    />
    <p v-if="step.takesOff" class="how">
      <b>{{ t('screen.work.goes') }}</b> {{ say(step.slot ?? '') }}.
    </p>
    <ul v-if="step.cautions.length > 0" class="cautions plain">
      <CautionLine v-for="(caution, at) in step.cautions" :key="`${step.id} ${at}`" :words="say(caution)" />
    </ul>
    <LedgerShortfall
      v-for="entry in counting.short.value"
      :key="entry.kind"
      :entry="entry"
      :taken-at="say(titleOf(entry.takenAt))"
      :exception="exceptionFor(state, entry)"
      :draft="state.ledger.some((other) => other.item === entry.item && other.kind === entry.kind && other.in !== entry.in)"
      @write="(text) => except(entry, text)"
      @record="counting.record()"
    />
    <template v-if="step.uses">
      <ProductUsed :key="step.id" v-model="used" :uses="step.uses" />
      <Notice v-if="badAmount" kind="now">{{ t('screen.work.used-number-0', { mostLitres }) }}</Notice>
    </template>
    <Tick v-if="step.gate" big :class="{ open: !confirmed }" :model-value="confirmed" data-gate @update:model-value="confirmGate">{{
      say(step.gate)
    }}</Tick>
    <!-- What is counted and tapped stays in reach. -->
    <div class="doing" data-doing>
      <FastenerCount
        v-for="fastener in step.fasteners ?? []"
        :key="fastener.kind"
        :kind="fastener.kind"
        :direction="step.takesOff ? 'out' : 'back'"
        :all="step.putsBack ? counting.outOf(fastener) : undefined"
        :beside="
          step.takesOff ? t('screen.work.expected', { count: fastener.count }) : t('screen.work.came-out', { outOf: counting.outOf(fastener) })
        "
        :model-value="counting.counted(fastener)"
        @update:model-value="counting.set(fastener, $event)"
      />
      <Tap v-if="opens" big :now="!opens.taken" data-opens :to="{ name: opens.station, params: { jobId, unitId }, hash: opens.hash }">{{
        opens.taken ? t('screen.work.taken', { what: opens.what }) : opens.what
      }}</Tap>
      <div v-if="holds.length > 0" role="status" data-holds>
        <ul class="holds">
          <li v-for="(reason, at) in holds" :key="at">{{ say(reason) }}</li>
        </ul>
      </div>
      <div class="row">
        <Tap v-if="isGateAlone" now big class="finish" data-confirm-done @click="confirmAndDone">{{ t('screen.work.done') }}</Tap>
        <Tap
          :now="!isGateAlone"
          big
          :class="{ finish: !isGateAlone }"
          data-done
          :off="holds.length > 0 ? t('screen.work.not-yet-see-above') : badAmount ? t('screen.work.amount-not-allowed') : ''"
          @click="done"
          >{{ t('screen.work.done-2') }}</Tap
        >
        <slot name="beside" />
        <Tap v-if="state.progress[step.id]?.begunBy === undefined" big data-begin @click="begin">{{ t('screen.work.begin') }}</Tap>
      </div>
    </div>
    <p v-if="others > 0">
      <Tap data-other @click="emit('other')">{{ t('screen.work.another-step', { others }) }}</Tap>
    </p>
    <Fold v-if="step.stuck" :key="`${step.id}-stuck`" data-stuck>
      <template #title>{{ t('screen.work.does-not-come-off') }}</template>
      <p>{{ say(step.stuck) }}</p>
      <p>
        <Tap v-if="list === unitId" :to="{ name: 'method', params: { jobId, unitId } }">{{ t('screen.work.open-method') }}</Tap>
      </p>
    </Fold>
    <StepHelp v-if="design" :key="`${step.id}-help`" :step="step" :design="design" :flow-l-min="jet.flowLMin" :pressure-bar="jet.pressureBar" />
    <LeaveOut v-if="step.optional" :key="step.id" :unit-id="list" :step="step" />
  </article>
</template>

<style scoped>
.step {
  display: flex;
  flex-direction: column;
  gap: 0.8rem;
}
.title {
  font-size: clamp(1.6rem, 3vw, 1.9rem);
  line-height: 1.15;
  font-weight: 600;
}
.how {
  font-size: 1.15rem;
  max-width: 46rem;
}
.tick.open {
  border-color: var(--now);
}
.finish {
  min-width: 12rem;
}
.holds {
  margin: 0;
  padding-left: 1.1rem;
  font-size: 1.05rem;
}
.doing {
  display: flex;
  flex-direction: column;
  gap: 0.8rem;
}
@media (max-width: 900px) {
  .finish {
    flex: 1;
  }
  .doing {
    position: sticky;
    bottom: 0;
    z-index: 2;
    gap: 0.4rem;
    max-height: 60vh;
    overflow-y: auto;
    background: var(--paper);
    border-top: 2px solid var(--ink);
    padding: 0.4rem 0;
  }
  .holds {
    font-size: 0.95rem;
  }
}
</style>
