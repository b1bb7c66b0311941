<script setup lang="ts">
// At the unit: stage by stage, one step at a time; waits that run, what is to come, and the parts tray in view.
import { visitId } from '@yastik/core/procedure'
import { atOnce, nextOfUnit, openForUnit, openIn, pauseOf, reasonsToWait, runningWaits, stagesOfUnit, stationOf, suppliesNow } from '@yastik/core/run'
import type { Part } from '@yastik/core/units'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import DwellClock from '../components/DwellClock.vue'
import Elsewhere from '../components/Elsewhere.vue'
import LedgerState from '../components/LedgerState.vue'
import NoteForm from '../components/NoteForm.vue'
import PartsTray from '../components/PartsTray.vue'
import PauseBar from '../components/PauseBar.vue'
import SameStepTwice from '../components/SameStepTwice.vue'
import StageNow from '../components/StageNow.vue'
import StepNow from '../components/StepNow.vue'
import WaitEnd from '../components/WaitEnd.vue'
import { useKeys } from '../components/keys.ts'
import { useNow } from '../components/useNow.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import Fold from '../kit/Fold.vue'
import Tap from '../kit/Tap.vue'
import { useAsker } from '../job/useAsker.ts'
import { useNames } from '../job/useNames.ts'
import { timeWords } from '../words/when.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import { t } from '../words/words.ts'

// Further down, or opened on demand: loaded then.
const FoundSince = defineAsyncComponent(() => import('../components/FoundSince.vue'))

const { say } = useMeasures()
const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const now = useNow()
const session = useSession()
const unit = computed(() => job.unitFor(props.unitId)!)
const state = computed(() => job.stateFor(props.unitId))
const asker = useAsker()
/** What could be begun, at the unit and of what it shares with the visit. */
const ready = computed(() => nextOfUnit(props.unitId, now.value, asker.value, job.lists))
const visit = computed(() => job.lists[visitId])
const supply = computed(() => suppliesNow(job.lists).find(({ unitIds }) => unitIds.includes(props.unitId)))
const { personName, unitName } = useNames()
const paused = computed(() => session.me !== undefined && pauseOf(state.value, session.me.id) !== undefined)
const waits = computed(() => [
  ...runningWaits(state.value, now.value, job.lists).map((wait) => ({ list: props.unitId, wait })),
  ...(visit.value ? runningWaits(visit.value, now.value, job.lists) : [])
    .filter(({ step: { unitIds } }) => unitIds?.includes(props.unitId))
    .map((wait) => ({ list: visitId, wait })),
])
const stages = computed(() => stagesOfUnit(props.unitId, job.lists))
const stagesDone = computed(() => stages.value.filter((stage) => openIn(stage, job.lists).length === 0).length)
const pickedId = ref<string>()
const readyBy = (id: string | undefined) => ready.value.find(({ step: own }) => own.id === id)
/** What was shown last: it stays under the finger, whatever can be begun besides; only what must not run over goes before it. */
const shownId = ref<string>()
const step = computed(() => {
  const [first] = ready.value
  const shown = readyBy(shownId.value)
  return readyBy(pickedId.value) ?? (shown && !shown.isForOthers && !first.presses ? shown : first)
})
watch(step, (now) => (shownId.value = now?.step.id), { immediate: true })
// What was taken back is to be done again: it comes first.
watch(
  () => job.events.at(-1),
  (last) => {
    if (last?.happening.type === 'undone' && last.by === session.me?.id) [shownId.value, pickedId.value] = [undefined, undefined]
  },
  { flush: 'sync' },
)
/** What the visit still asks for at this unit, and nobody else holds up. */
const asked = computed(() => openForUnit(props.unitId, job.lists))
const finished = computed(
  () => state.value.handedOver !== undefined || (state.value.steps !== undefined && stationOf(state.value) === 'proof' && asked.value.length === 0),
)
/** The stage of the step that is shown. */
const stage = computed(() => stages.value.find(({ steps }) => steps.some(({ step: own }) => own.id === step.value?.step.id)))
/** What one tap would say is done, with the list that it belongs to. */
const together = computed(() => stage.value && atOnce(stage.value, now.value, asker.value, job.lists))
async function finishStage() {
  // Whoever pauses sees no stage: a key ticks nothing then.
  if (paused.value || !together.value) return
  const { list, steps } = together.value
  await job.add(list, { type: 'steps-done', stepIds: steps.map(({ id }) => id) })
  pickedId.value = undefined
}
/** What is to come, stage by stage, with why it waits. */
const toCome = computed(() =>
  stages.value.flatMap((own) => {
    const open = openIn(own, job.lists)
    if (open.length === 0) return []
    return [
      {
        name: own.name,
        steps: open.map(({ list, step: entry }) => ({
          id: entry.id,
          title: entry.title,
          because: reasonsToWait(job.stateFor(list), entry, now.value, job.lists)[0],
        })),
      },
    ]
  }),
)
function pick(direction: 1 | -1) {
  const index = ready.value.findIndex((other) => other.step.id === step.value?.step.id)
  pickedId.value = ready.value[(index + direction + ready.value.length) % ready.value.length]?.step.id
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
  { key: 'ArrowRight', does: t('screen.work.show-next-step-can-begun'), run: () => pick(1) },
  { key: 'ArrowLeft', does: t('screen.work.show-one-before'), run: () => pick(-1) },
  { key: 's', does: t('screen.work.stage-done'), run: () => void finishStage() },
])
</script>

<template>
  <div v-if="!state.steps" class="stack">
    <p>{{ t('screen.work.no-method-agreed-yet') }}</p>
    <Tap now big :to="{ name: 'method', params: { jobId, unitId } }">{{ t('screen.work.go-method') }}</Tap>
  </div>
  <div v-else class="two-up">
    <section class="work stack" :aria-label="t('screen.work.step-do-now')">
      <FoundSince v-if="!finished" :job-id="jobId" :unit-id="unitId" />
      <div v-for="{ list, wait } in waits" :key="wait.step.id" class="stack">
        <DwellClock :wait="wait" :now-ms="now" /><WaitEnd :unit-id="list" :wait="wait" />
      </div>
      <StageNow
        v-if="step && stage && !paused"
        :stage="stage"
        :place="stages.indexOf(stage) + 1"
        :all="stages.length"
        :shown-id="step.step.id"
        :together="together?.steps.map(({ id }) => id) ?? []"
        :now-ms="now"
        @pick="pickedId = $event"
      >
        <StepNow
          :job-id="jobId"
          :unit-id="unitId"
          :list="step.list"
          :step="step.step"
          :others="ready.length - 1"
          :asker="asker"
          :now-ms="now"
          @other="pick(1)"
          @done="pickedId = undefined"
        >
          <template v-if="together" #beside>
            <Tap big data-stage-done @click="finishStage">{{ t('screen.work.stage-done-all', { steps: together.steps.length }) }}</Tap>
          </template>
        </StepNow>
      </StageNow>
      <div v-else-if="finished" class="stack" data-finished>
        <h2 class="title">{{ t('screen.work.all-steps-done') }}</h2>
        <Tap now big :to="{ name: 'proof', params: { jobId, unitId } }">{{ t('screen.work.prove') }}</Tap>
      </div>
      <template v-else-if="!paused">
        <p class="title" role="status">{{ t('screen.work.only-waiting-left-now') }}</p>
        <Elsewhere :job-id="jobId" :unit-id="unitId" :asker="asker" :now-ms="now" />
      </template>
      <PauseBar v-if="!finished" :unit-id="unitId" :state="state" :waits="waits.map(({ wait }) => wait)" :now-ms="now" />
    </section>
    <aside class="stack">
      <SectionDrawing :family="unit.family" :grades="state.grades" readonly :off="offParts" :wet="wetParts" :bagged="bagged" />
      <p class="spread">
        <span class="figure"
          >{{ stagesDone }}<small>{{ t('screen.work.stages', { all: stages.length }) }}</small></span
        ><LedgerState :state="state" />
      </p>
      <p v-if="supply?.isolated" class="supply" data-isolated>
        {{ t('screen.visit.isolated', { atMs: timeWords(supply.isolated.atMs), by: personName(supply.isolated.by ?? 0) }) }}
        <small v-if="supply.unitIds.length > 1">{{
          t('screen.visit.with', {
            units: supply.unitIds
              .filter((id) => id !== unitId)
              .map(unitName)
              .join(', '),
          })
        }}</small>
      </p>
      <SameStepTwice :state="state" />
      <p v-if="visit">
        <Tap :to="{ name: 'visit', params: { jobId, unitId } }" data-to-visit>{{ t('screen.visit.title') }}</Tap>
      </p>
      <Fold :title="t('screen.work.stages-come', { toCome: toCome.length })" data-to-come>
        <ol class="small">
          <li v-for="(own, at) in toCome" :key="at">
            <b>{{ say(own.name) }}</b>
            <ul class="plain">
              <li v-for="entry in own.steps" :key="entry.id">
                {{ say(entry.title)
                }}<template v-if="entry.because"
                  ><br /><em>{{ say(entry.because) }}</em></template
                >
              </li>
            </ul>
          </li>
        </ol>
      </Fold>
      <NoteForm :list="unitId" :label="t('screen.work.note-record')" name="note" />
    </aside>
    <PartsTray class="whole" :job-id="jobId" :unit-id="unitId" :state="state" />
  </div>
</template>

<style scoped>
.supply {
  border-left: 6px double var(--now);
  padding-left: 0.6rem;
}
.title {
  font-size: 1.9rem;
  line-height: 1.15;
  font-weight: 600;
}
</style>
