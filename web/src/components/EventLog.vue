<script setup lang="ts">
// What happened, event by event: of a unit, or of the visit; what was taken back is struck, and what does not count says why.
import { visitId } from '@yastik/core/procedure'
import { effective, happeningInWords, inOrder, photoIdOf, stagesOfUnit, timeOf, type Happening, type JobEvent } from '@yastik/core/run'
import { computed } from 'vue'
import { useNames } from '../job/useNames.ts'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'
import { secondWords } from '../words/when.ts'
import PhotoThumb from './PhotoThumb.vue'

/** Whose events are shown: a unit's and the visit's, or the visit's alone. */
const props = defineProps<{ jobId: string; unitId: string; lists: readonly string[]; title: string }>()
const { say } = useMeasures()
const job = useJob()
const ofUnit = useNames(() => props.unitId)
const ofVisit = useNames(() => visitId)
const own = computed(() => job.events.filter(({ happening }) => props.lists.includes(happening.unitId)))
const entries = computed(() => inOrder(own.value))
/** The stage that begins with an event, where it is about another one than the last that was about any. */
const begins = computed(() => {
  const stages = stagesOfUnit(props.unitId, job.lists)
  const found = new Map<string, string>()
  let last = ''
  for (const { id, happening } of entries.value) {
    const stepId = 'stepId' in happening ? happening.stepId : 'stepIds' in happening ? happening.stepIds[0] : undefined
    const stage = stages.find(({ steps }) => steps.some(({ list, step }) => list === happening.unitId && step.id === stepId))
    if (!stage) continue
    const name = say(stage.name)
    if (name !== last) found.set(id, name)
    last = name
  }
  return found
})
const counting = computed(() => new Set(effective(own.value).map(({ id }) => id)))
const held = computed(() => new Map(props.lists.flatMap((list) => job.stateFor(list).held).map(({ eventId, because }) => [eventId, because])))
const says = (happening: Happening) => say(happeningInWords(happening, happening.unitId === visitId ? ofVisit : ofUnit))
const columns = [
  { key: 'at', says: t('screen.report.when'), oneLine: true },
  { key: 'by', says: t('screen.report.who'), oneLine: true },
  { key: 'what', says: t('screen.report.what') },
]
const sinceMin = (event: JobEvent) => Math.round(Math.abs(event.aheadMs ?? 0) / 60_000)
const counts = ({ id, happening }: JobEvent) => counting.value.has(id) || happening.type === 'undone'
</script>

<template>
  <Ledger
    :title="title"
    :rows="entries"
    :columns="columns"
    :row-key="({ id }) => id"
    :row-attrs="(event) => ({ class: { struck: !counts(event) } })"
    :empty="t('screen.report.nothing-happened-yet')"
  >
    <template #at="{ row }">{{ secondWords(timeOf(row)) }}</template>
    <template #by="{ row }">{{ ofUnit.personName(row.by) }}</template>
    <template #what="{ row: event }">
      <b v-if="begins.has(event.id)" class="stage" data-stage-begins>{{ begins.get(event.id) }}</b><span class="said">{{
        says(event.happening)
      }}</span
      ><PhotoThumb
        v-if="photoIdOf(event.happening)"
        :photo-id="photoIdOf(event.happening)!"
        :job-id="jobId"
        :unit-id="unitId"
        :says="says(event.happening)"
      /><small v-if="sinceMin(event) > 1"
        >{{ ' '
        }}{{
          t('screen.report.devices-clock-min', {
            sinceMin: sinceMin(event),
            ahead: (event.aheadMs ?? 0) > 0 ? t('screen.report.ahead') : t('screen.report.behind'),
          })
        }}</small
      ><small v-if="!counts(event)">{{ ' ' }}{{ t('screen.report.undone') }}</small
      ><small v-if="held.has(event.id)"
        ><br />{{ t('screen.report.does-not-count', { because: held.get(event.id)?.map(say).join('; ') ?? '' }) }}</small
      >
    </template>
  </Ledger>
</template>

<style scoped>
.stage {
  display: block;
}
.struck .said {
  text-decoration: line-through;
  color: var(--ink-soft);
}
</style>
