<script setup lang="ts">
// At the unit: one step at a time; waits that run, what is to come, and the parts tray in view.
import { nextSteps, pauseOf, progressOf, reasonsToWait, runningWaits, stageOf, type Asker } from '@yastik/core/run'
import type { Part } from '@yastik/core/units'
import { computed, defineAsyncComponent, ref } from 'vue'
import DwellClock from '../components/DwellClock.vue'
import Elsewhere from '../components/Elsewhere.vue'
import LedgerState from '../components/LedgerState.vue'
import PartsTray from '../components/PartsTray.vue'
import PauseBar from '../components/PauseBar.vue'
import SameStepTwice from '../components/SameStepTwice.vue'
import StepNow from '../components/StepNow.vue'
import WaitEnd from '../components/WaitEnd.vue'
import { useKeys } from '../components/keys.ts'
import { useNow } from '../components/useNow.ts'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import Field from '../kit/Field.vue'
import Fold from '../kit/Fold.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
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
/** What is to come: what could be begun, then what waits, with why. */
const toCome = computed(() => {
  const isReady = (id: string) => ready.value.some((other) => other.id === id)
  const waiting = (state.value.steps ?? []).filter(({ id }) => state.value.progress[id]?.doneAtMs === undefined && !isReady(id))
  return [...ready.value, ...waiting].map(({ id, title, ...entry }) => ({
    id,
    title,
    because: reasonsToWait(state.value, { id, title, ...entry }, now.value)[0],
  }))
})
function pick(direction: 1 | -1) {
  const index = ready.value.findIndex(({ id }) => id === step.value?.id)
  pickedId.value = ready.value[(index + direction + ready.value.length) % ready.value.length]?.id
}
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
  { key: 'ArrowRight', does: t('screen.work.show-next-step-can-begun'), run: () => pick(1) },
  { key: 'ArrowLeft', does: t('screen.work.show-one-before'), run: () => pick(-1) },
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
      <div v-for="wait in waits" :key="wait.step.id" class="stack">
        <DwellClock :wait="wait" :now-ms="now" /><WaitEnd :unit-id="unitId" :wait="wait" />
      </div>
      <StepNow
        v-if="step && !paused"
        :job-id="jobId"
        :unit-id="unitId"
        :step="step"
        :others="ready.length - 1"
        :asker="asker"
        :now-ms="now"
        @other="pick(1)"
        @done="pickedId = undefined"
      />
      <div v-else-if="finished" class="stack" data-finished>
        <h2 class="title">{{ t('screen.work.all-steps-done') }}</h2>
        <Tap now big :to="{ name: 'proof', params: { jobId, unitId } }">{{ t('screen.work.prove') }}</Tap>
      </div>
      <template v-else-if="!paused">
        <p class="title" role="status">{{ t('screen.work.only-waiting-left-now') }}</p>
        <Elsewhere :job-id="jobId" :unit-id="unitId" :asker="asker" :now-ms="now" />
      </template>
      <PauseBar v-if="!finished" :unit-id="unitId" :state="state" :waits="waits" :now-ms="now" />
    </section>
    <aside class="stack">
      <SectionDrawing :family="unit.family" :grades="state.grades" readonly :off="offParts" :wet="wetParts" :bagged="bagged" />
      <p class="spread">
        <span class="figure"
          >{{ progress.done }}<small>{{ t('screen.work.steps', { all: progress.all }) }}</small></span
        ><LedgerState :state="state" />
      </p>
      <SameStepTwice :state="state" />
      <Fold :title="t('screen.work.steps-come', { toCome: toCome.length })">
        <ol class="small">
          <li v-for="entry in toCome" :key="entry.id">
            {{ say(entry.title)
            }}<template v-if="entry.because"
              ><br /><em>{{ say(entry.because) }}</em></template
            >
          </li>
        </ol>
      </Fold>
      <Form inline @submit="note">
        <Field :label="t('screen.work.note-record')"><TextField v-model="noteText" name="note" maxlength="2000" /></Field>
        <Tap type="submit" data-note>{{ t('screen.work.note') }}</Tap>
      </Form>
    </aside>
    <PartsTray class="whole" :job-id="jobId" :unit-id="unitId" :state="state" />
  </div>
</template>

<style scoped>
.title {
  font-size: 1.9rem;
  line-height: 1.15;
  font-weight: 600;
}
</style>
