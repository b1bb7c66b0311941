<script setup lang="ts">
// The visit itself: which supplies are isolated, who is there, what is done once for all units, and what happened.
import { visitId, type Step } from '@yastik/core/procedure'
import { nextSteps, reasonsToWait, suppliesNow } from '@yastik/core/run'
import { computed, ref } from 'vue'
import EventLog from '../components/EventLog.vue'
import NoteForm from '../components/NoteForm.vue'
import StepNow from '../components/StepNow.vue'
import { useNow } from '../components/useNow.ts'
import { useAsker } from '../job/useAsker.ts'
import { useNames } from '../job/useNames.ts'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'
import { timeWords } from '../words/when.ts'

defineProps<{ jobId: string; unitId: string }>()
const { say } = useMeasures()
const job = useJob()
const now = useNow()
const names = useNames(() => visitId)
const state = computed(() => job.stateFor(visitId))
const steps = computed(() => state.value.steps ?? [])
const supplies = computed(() => suppliesNow(job.lists))
const unitNames = (ids: readonly string[]) => ids.map(names.unitName).join(', ')

const asker = useAsker()
const ready = computed(() => nextSteps(state.value, now.value, asker.value, job.lists))
const pickedId = ref<string>()
const step = computed(() => ready.value.find(({ id }) => id === pickedId.value) ?? ready.value[0])
function another() {
  const at = ready.value.findIndex(({ id }) => id === step.value?.id)
  pickedId.value = ready.value[(at + 1) % ready.value.length]?.id
}
function statusOf(one: Step): string {
  const { doneAtMs, by, skippedBecause } = state.value.progress[one.id] ?? {}
  if (skippedBecause !== undefined) return t('screen.visit.left-out', { because: skippedBecause })
  if (doneAtMs !== undefined) return t('screen.visit.done', { atMs: timeWords(doneAtMs), by: by === undefined ? '' : names.personName(by) })
  const [reason] = reasonsToWait(state.value, one, now.value, job.lists)
  return reason ? say(reason) : t('screen.visit.can-begin')
}

const isHere = (id: number) => state.value.people.some(({ who, wentAtMs }) => who === id && wentAtMs === undefined)
const timesOf = (id: number) =>
  state.value.people
    .filter(({ who }) => who === id)
    .map(({ cameAtMs, wentAtMs }) => `${timeWords(cameAtMs)}–${wentAtMs === undefined ? '' : timeWords(wentAtMs)}`)
    .join(', ')
/** Whom a step serves is said where there is more than one. */
const stepColumns = computed(() => [
  { key: 'title', says: t('screen.visit.step') },
  { key: 'units', says: t('screen.visit.for'), hidden: (job.record?.unitIds.length ?? 0) < 2 },
  { key: 'status', says: t('screen.visit.state') },
])
</script>

<template>
  <div class="two-up" data-visit>
    <section class="stack">
      <h2>{{ t('screen.visit.title') }}</h2>
      <p v-if="steps.length === 0">{{ t('screen.visit.nothing-agreed') }}</p>
      <template v-else>
        <section class="stack" data-supplies>
          <h3>{{ t('screen.visit.power') }}</h3>
          <ul class="plain">
            <li v-for="one in supplies" :key="one.stepId" :class="{ isolated: one.isolated }" data-supply>
              <b>{{ unitNames(one.unitIds) }}</b>
              <span>{{
                one.isolated
                  ? t('screen.visit.isolated', {
                      atMs: timeWords(one.isolated.atMs),
                      by: one.isolated.by === undefined ? '' : names.personName(one.isolated.by),
                    })
                  : t('screen.visit.live')
              }}</span>
              <small v-if="one.isolated && one.openUnitIds.length > 0">{{
                t('screen.visit.still-open', { units: unitNames(one.openUnitIds) })
              }}</small>
            </li>
          </ul>
        </section>
        <StepNow
          v-if="step"
          :job-id="jobId"
          :unit-id="unitId"
          :list="visitId"
          :step="step"
          :others="ready.length - 1"
          :asker="asker"
          :now-ms="now"
          @other="another"
          @done="pickedId = undefined"
        />
        <h3>{{ t('screen.visit.steps') }}</h3>
        <Ledger
          data-visit-steps
          :title="t('screen.visit.steps')"
          :rows="steps"
          :columns="stepColumns"
          :row-key="({ id }) => id"
          :empty="t('screen.visit.nothing-agreed')"
        >
          <template #title="{ row }">{{ say(row.title) }}</template>
          <template #units="{ row }">{{ unitNames(row.unitIds ?? []) }}</template>
          <template #status="{ row }">{{ statusOf(row) }}</template>
        </Ledger>
      </template>
    </section>
    <aside class="stack">
      <h3>{{ t('screen.visit.who') }}</h3>
      <ul class="plain" data-people>
        <li v-for="person in job.record?.crew ?? []" :key="person.id" class="spread">
          <span
            ><b>{{ person.name }}</b> <small>{{ timesOf(person.id) }}</small></span
          >
          <Tap small :data-came="person.id" @click="job.add(visitId, { type: isHere(person.id) ? 'went' : 'came', who: person.id })">{{
            isHere(person.id) ? t('screen.visit.went') : t('screen.visit.came')
          }}</Tap>
        </li>
      </ul>
      <NoteForm :list="visitId" :label="t('screen.visit.note')" name="visit-note" />
      <h3>{{ t('screen.visit.log') }}</h3>
      <EventLog data-visit-log :job-id="jobId" :unit-id="unitId" :lists="[visitId]" :title="t('screen.visit.log')" />
      <Tap :to="{ name: 'at-the-unit', params: { jobId, unitId } }">{{ names.unitName(unitId) }}</Tap>
    </aside>
  </div>
</template>

<style scoped>
li {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.4rem 0;
}
[data-supply] {
  display: flex;
  flex-direction: column;
}
.isolated {
  border-left: 6px double var(--now);
  padding-left: 0.6rem;
}
</style>
