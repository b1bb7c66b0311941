<script setup lang="ts">
// What is due when at each unit, and how sure that is.
import { dueKinds, type Due } from '@yastik/core/upkeep'
import { endpoints, type DuePage } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { usePages } from '../api/useServer.ts'
import { optionsOf } from '../kit/option.ts'
import type { Column } from '../kit/column.ts'
import Choice from '../kit/Choice.vue'
import FaultNote from '../kit/FaultNote.vue'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import DueCustomer from './DueCustomer.vue'
import { betweenWords, farWords, roofWords, seasonWords } from './dueWords.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

const props = defineProps<{ /** Customers are written to by owners. */ mayWrite: boolean }>()
const emit = defineEmits<{ write: [site: { siteId: string; siteName: string }] }>()
const place = usePlace()
const kind = ref<Due['what'] | 'everything'>('everything')
const kinds = [{ value: 'everything' as const, says: t('screen.logbook.everything') }, ...optionsOf(dueKinds, (name) => t(`names.due.${name}`))]
const due = usePages(endpoints.due, () => ({ what: kind.value === 'everything' ? undefined : kind.value }))
const { entries, error, hasMore, more } = due
await due.ready()
const rates = computed(() => due.said.value?.rates)
const faster = () => Math.round((Math.exp(rates.value?.shift ?? 0) - 1) * 100)
const columns: Column<DuePage['entries'][number]>[] = [
  { key: 'due', says: t('screen.logbook.due-2') },
  { key: 'what', says: t('screen.logbook.what') },
  { key: 'unit', says: t('screen.logbook.unit-2') },
  { key: 'between', says: t('screen.logbook.between') },
  { key: 'good', says: t('screen.logbook.good-time') },
  { key: 'worth', says: t('screen.logbook.worth'), number: true },
  { key: 'customer', says: t('screen.logbook.customer'), hidden: !props.mayWrite },
]
const today = place.today()
</script>

<template>
  <div class="stack">
    <Choice v-model="kind" :label="t('screen.logbook.kinds')" mark="due-kind" :options="kinds" />
    <p v-if="rates && rates.units > 0" class="small">
      {{
        t('screen.logbook.learned-units-firm-they-foul', {
          units: rates.units,
          faster: Math.abs(faster()),
          slower: faster() < 0 ? t('screen.logbook.slower') : t('screen.logbook.faster'),
        })
      }}
    </p>
    <FaultNote :error="error" />
    <Ledger
      data-due
      :title="t('screen.logbook.due-each-unit')"
      :rows="entries"
      :columns="columns"
      :row-key="(row) => row.unitId + row.what"
      :row-attrs="({ what }) => ({ 'data-due-entry': what })"
      :empty="error ? '' : t('screen.logbook.nothing-due-no-unit-handed')"
    >
      <template #due="{ row }">
        <b>{{ dayWords(row.dueOn) }}</b><br /><small>{{ farWords(row.dueOn, today) }}</small>
      </template>
      <template #what="{ row }">{{ t(`names.due.${row.what}`) }}</template>
      <template #unit="{ row }">
        <RouterLink :to="{ name: 'logbook', query: { unit: row.unitId } }"
          ><b>{{ row.unitName }}</b></RouterLink
        ><br />
        <RouterLink :to="{ name: 'site', params: { siteId: row.siteId } }" class="small">{{ row.siteName }}</RouterLink>
      </template>
      <template #between="{ row }">{{ betweenWords(row) }}</template>
      <template #good="{ row }">
        <small v-if="row.plannedOn" class="each">{{ t('screen.logbook.planned', { plannedOn: dayWords(row.plannedOn) }) }}</small>
        <template v-else-if="row.before">{{ seasonWords(row.before) }}</template>
        <small v-if="row.roofDays" class="each" data-roof-days>{{ roofWords(row.roofDays) }}</small>
      </template>
      <template #worth="{ row }">{{ row.worth === null ? '' : place.about(row.worth) }}</template>
      <template #customer="{ row }">
        <DueCustomer
          v-if="row.worth !== null || row.what === 'pan-treatment'"
          v-bind="row"
          :may-write="row.plannedOn === null"
          @write="emit('write', row)"
        />
      </template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">{{ t('screen.logbook.later-ones') }}</Tap>
  </div>
</template>

<style scoped>
.each {
  display: block;
}
</style>
