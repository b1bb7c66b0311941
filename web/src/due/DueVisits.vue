<script setup lang="ts">
// What is due by visit: a line a site, with what is due there, whether somebody is going, and the way to plan it.
import { dueHorizons, endpoints, type DueVisits } from '@yastik/core/wire'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import { optionsOf } from '../kit/option.ts'
import Choice from '../kit/Choice.vue'
import FaultNote from '../kit/FaultNote.vue'
import Ledger from '../kit/Ledger.vue'
import Notice from '../kit/Notice.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import DueCustomer from './DueCustomer.vue'
import { betweenWords, farWords, roofWords, seasonWords, workWords } from './dueWords.ts'
import PlanDue from './PlanDue.vue'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

const props = defineProps<{ /** Customers are written to by owners. */ mayWrite: boolean }>()
const emit = defineEmits<{ write: [site: { siteId: string; siteName: string }] }>()
type Entry = DueVisits['entries'][number]
const place = usePlace()
const weeks = ref<(typeof dueHorizons)[number]>(4)
const horizons = optionsOf(dueHorizons, (own) => t(`screen.logbook.horizon.${own}`))
const due = usePages(endpoints.dueVisits, () => ({ weeks: weeks.value }))
const { entries, error, hasMore, more } = due
await due.ready()
const columns: Column<Entry>[] = [
  { key: 'due', says: t('screen.logbook.due-2') },
  { key: 'site', says: t('screen.logbook.site-2') },
  { key: 'units', says: t('screen.logbook.due-3') },
  { key: 'good', says: t('screen.logbook.good-time') },
  { key: 'worth', says: t('screen.logbook.worth'), number: true },
  { key: 'customer', says: t('screen.logbook.customer'), hidden: !props.mayWrite },
  { key: 'plan', says: '' },
]
const today = place.today()
/** Units of which nobody has planned anything. */
const unplanned = ({ units, planned }: Entry) => units.filter(({ unitId }) => !planned.some(({ unitIds }) => unitIds.includes(unitId)))
const plannedWords = (entry: Entry, visit: Entry['planned'][number]) => {
  const covered = entry.units.filter(({ unitId }) => visit.unitIds.includes(unitId)).length
  return covered === entry.units.length
    ? t('screen.logbook.all')
    : covered === 0
      ? t('screen.logbook.none')
      : t('screen.logbook.units', { covered, units: entry.units.length })
}
/** The surest span is that of what is due first and foretold. */
const sure = ({ units }: Entry) => {
  const foretold = units.flatMap(({ dues }) => dues).filter(({ lowOn }) => lowOn !== null)
  return foretold.length === 0 ? t('screen.logbook.rule') : betweenWords(foretold.reduce((first, own) => (own.dueOn < first.dueOn ? own : first)))
}

const planning = ref<Entry>()
const done = ref<{ siteName: string; jobId: string; unitId: string; onDate: string }>()
async function planned(job: { id: string; onDate: string; units: readonly { unitId: string }[] }) {
  const { siteName = '' } = planning.value ?? {}
  done.value = { siteName, jobId: job.id, unitId: job.units[0].unitId, onDate: job.onDate }
  planning.value = undefined
  await due.reload()
}
</script>

<template>
  <div class="stack">
    <Choice v-model="weeks" :label="t('screen.logbook.how-far-ahead')" mark="due-weeks" :options="horizons" />
    <FaultNote :error="error" />
    <Notice v-if="done" data-planned-note>
      <p>
        {{ t('screen.logbook.planned-2', { siteName: done.siteName }) }}
        <RouterLink :to="{ name: 'look-over', params: { jobId: done.jobId, unitId: done.unitId } }">{{ dayWords(done.onDate) }}</RouterLink>.
      </p>
    </Notice>
    <Ledger
      data-due-visits
      :title="t('screen.logbook.due-visit')"
      :rows="entries"
      :columns="columns"
      :row-key="({ siteId }) => siteId"
      :row-attrs="({ siteName }) => ({ 'data-due-site': siteName })"
      :empty="
        error
          ? ''
          : weeks === 0
            ? t('screen.logbook.nothing-overdue')
            : t('screen.logbook.nobody-come-anywhere', { horizon: t(`screen.logbook.horizon.${weeks}`) })
      "
    >
      <template #due="{ row }">
        <b>{{ dayWords(row.dueOn) }}</b><br /><small>{{ farWords(row.dueOn, today) }}</small
        ><br /><small>{{ sure(row) }}</small>
      </template>
      <template #site="{ row }">
        <RouterLink :to="{ name: 'site', params: { siteId: row.siteId } }"
          ><b>{{ row.siteName }}</b></RouterLink
        ><br /><small>{{ row.address }}</small>
      </template>
      <template #units="{ row }">
        <span v-for="unit in row.units" :key="unit.unitId" class="each">
          <RouterLink :to="{ name: 'logbook', query: { unit: unit.unitId } }">{{ unit.unitName }}</RouterLink><small>{{
            workWords(unit.dues)
          }}</small>
        </span>
      </template>
      <template #good="{ row }">
        <span v-for="visit in row.planned" :key="visit.jobId" class="each planned" data-due-planned>
          <span
            ><RouterLink :to="{ name: 'look-over', params: { jobId: visit.jobId, unitId: visit.unitIds[0] } }">{{
              t('screen.logbook.planned-3', { onDate: dayWords(visit.onDate) })
            }}</RouterLink
            >, {{ plannedWords(row, visit) }}</span
          >
        </span>
        <template v-if="unplanned(row).length > 0">
          <span v-if="row.before" class="each">{{ seasonWords(row.before) }}</span>
          <small v-if="row.roofDays" class="each" data-roof-days>{{ roofWords(row.roofDays) }}</small>
        </template>
      </template>
      <template #worth="{ row }">{{ row.worth === null ? '' : place.about(row.worth) }}</template>
      <template #customer="{ row }">
        <DueCustomer v-bind="row" :may-write="unplanned(row).length > 0" @write="emit('write', row)" />
      </template>
      <template #plan="{ row }">
        <Tap v-if="unplanned(row).length > 0" small :data-plan-due="row.siteName" @click="planning = row">{{ t('screen.logbook.plan-visit') }}</Tap>
      </template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">{{ t('screen.logbook.later-ones') }}</Tap>
    <PlanDue
      v-if="planning"
      :key="planning.siteId"
      :entry="planning"
      :due-unit-ids="unplanned(planning).map(({ unitId }) => unitId)"
      @planned="planned"
      @close="planning = undefined"
    />
  </div>
</template>

<style scoped>
.each {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.6rem;
  align-items: baseline;
}
/* High enough to be tapped, where several stand below each other. */
.each a {
  display: inline-block;
  padding: 2px 0;
}
</style>
