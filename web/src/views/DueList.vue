<script setup lang="ts">
// What is due when, over all units, and how sure that is.
import { counted, dayWords } from '@yastik/core/quantities'
import { dueKinds, type Due } from '@yastik/core/upkeep'
import { endpoints, type DuePage, type DueWorth, type HoldReason } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAsked, usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import { optionsOf } from '../kit/option.ts'
import FaultNote from '../kit/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import MessageDialog from '../components/MessageDialog.vue'
import { messageStateWords } from '../components/messages.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import Choice from '../kit/Choice.vue'
import Ledger from '../kit/Ledger.vue'
import { usePlace } from '../measures/usePlace.ts'

useJob().close()
const session = useSession()
const place = usePlace()
const isOwner = computed(() => session.me?.role === 'owner')
/** The site whose customer is being written to. */
const writing = ref<DuePage['entries'][number]>()
const kind = ref<Due['what'] | 'everything'>('everything')
const names: Record<Due['what'], string> = {
  filter: 'filters',
  'fine-filter': 'fine filter',
  'pan-treatment': 'pan treatment',
  'light-clean': 'light clean',
  'deep-clean': 'deep clean',
}

const kinds = [{ value: 'everything' as const, says: 'everything' }, ...optionsOf(dueKinds, (name) => names[name])]
type Entry = DuePage['entries'][number]
const columns = computed<Column<Entry>[]>(() => [
  { key: 'due', says: 'Due' },
  { key: 'what', says: 'What' },
  { key: 'unit', says: 'Unit' },
  { key: 'between', says: 'Between' },
  { key: 'good', says: 'A good time' },
  { key: 'worth', says: 'Worth', number: true },
  { key: 'customer', says: 'The customer', hidden: !isOwner.value },
])

const due = usePages(endpoints.due, () => ({ what: kind.value === 'everything' ? undefined : kind.value }))
const { entries, hasMore, more } = due
const all = useAsked(endpoints.dueWorth, () => ({}))
const worth = computed<DueWorth>(() => all.said.value ?? [])
const rates = computed(() => due.said.value?.rates)
const error = computed(() => due.error.value ?? all.error.value)
await Promise.all([due.ready(), all.ready()])
const today = dayjs(place.today())
const weeksLeft = (day: string) => Math.round(dayjs(day).diff(today, 'day') / 7)
const says = (day: string) => {
  const weeks = weeksLeft(day)
  return weeks < 0 ? `${counted(-weeks, 'week')} over` : weeks === 0 ? 'this week' : `in ${counted(weeks, 'week')}`
}
const horizons: Record<DueWorth[number]['weeks'], string> = { 0: 'overdue', 4: 'within four weeks', 13: 'within a quarter' }
const holdWords: Record<HoldReason, string> = { 'no-consent': 'not to be written to', stopped: 'ended it', lately: 'reminded lately' }
/** The first few days, in words; the rest is a count. */
function roofWords(days: readonly string[]): string {
  if (days.length === 0) return 'roof: no fit day in the next ten'
  const shown = days.slice(0, 3).map((day) => dayjs(day).format('ddd D MMM'))
  return `roof: ${shown.join(', ')}${days.length > 3 ? ` and ${days.length - 3} more` : ''}`
}
async function wasSent() {
  writing.value = undefined
  await due.reload()
}
const faster = () => Math.round((Math.exp(rates.value?.shift ?? 0) - 1) * 100)
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>What is due</h1>
      <LogbookPages />
    </div>
    <div v-if="worth.some(({ cleanings }) => cleanings > 0)" class="figures" data-worth>
      <div v-for="{ weeks, cleanings, money } in worth" :key="weeks">
        <span class="figure"
          >{{ place.money(money) }}<small>{{ counted(cleanings, 'cleaning') }} {{ horizons[weeks] }}</small></span
        >
      </div>
    </div>
    <Choice v-model="kind" label="Kinds" mark="due-kind" :options="kinds" />
    <p v-if="rates && rates.units > 0" class="small">
      Learned from {{ rates.units }} units of the firm: they foul {{ Math.abs(faster()) }} % {{ faster() < 0 ? 'slower' : 'faster' }} than
      surroundings and use alone would say.
    </p>
    <FaultNote :error="error" />
    <Ledger
      data-due
      title="What is due"
      :rows="entries"
      :columns="columns"
      :row-key="(row) => row.unitId + row.what"
      :row-attrs="({ what }) => ({ 'data-due-entry': what })"
      :empty="error ? '' : 'Nothing is due: no unit was handed over yet.'"
    >
      <template #due="{ row }">
        <b>{{ dayWords(row.dueOn) }}</b><br /><small>{{ weeksLeft(row.dueOn) < 0 ? '! ' : '' }}{{ says(row.dueOn) }}</small>
      </template>
      <template #what="{ row }">{{ names[row.what] }}</template>
      <template #unit="{ row }">
        <RouterLink :to="{ name: 'logbook', query: { unit: row.unitId } }"
          ><b>{{ row.unitName }}</b></RouterLink
        ><br />
        <RouterLink :to="{ name: 'site', params: { siteId: row.siteId } }" class="small">{{ row.siteName }}</RouterLink>
      </template>
      <template #between="{ row }">
        <template v-if="row.lowOn && row.highOn">{{ dayjs(row.lowOn).format('MMM YYYY') }} – {{ dayjs(row.highOn).format('MMM YYYY') }}</template>
        <template v-else>by rule</template>
      </template>
      <template #good="{ row }">
        <template v-if="row.before">before {{ dayjs(row.before).format('MMM YYYY') }}, when cooling begins</template>
        <small v-if="row.roofDays" class="each" data-roof-days>{{ roofWords(row.roofDays) }}</small>
      </template>
      <template #worth="{ row }">{{ row.worth === null ? '' : place.about(row.worth) }}</template>
      <template #customer="{ row }">
        <template v-if="row.worth !== null || row.what === 'pan-treatment'">
          <small v-if="row.reminded" class="each" data-reminded
            >{{ dayjs(row.reminded.at).format('D MMM') }}: {{ messageStateWords[row.reminded.state] }}</small
          >
          <small v-if="row.hold && row.hold !== 'lately'" class="each">{{ holdWords[row.hold] }}</small>
          <Tap v-else-if="row.hold === null" bare :data-write="row.siteName" @click="writing = row">Write</Tap>
        </template>
      </template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">Later ones</Tap>
    <p class="small">
      Worth is work and product at an ordinary unit of its family; travel belongs to the visit. Roofs: wind within the house rule, dry, no frost.
    </p>
    <Suspense>
      <MessageDialog
        v-if="writing"
        :key="writing.siteId"
        :site-id="writing.siteId"
        :site-name="writing.siteName"
        @close="writing = undefined"
        @sent="wasSent"
      />
    </Suspense>
  </div>
</template>

<style scoped>
.each {
  display: block;
}
</style>
