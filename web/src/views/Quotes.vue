<script setup lang="ts">
// What was offered to customers, newest first, and what came of it.
import { dayWords } from '@yastik/core/quantities'
import { endpoints, type QuotePage } from '@yastik/core/wire'
import { RouterLink } from 'vue-router'
import { usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import FaultNote from '../kit/FaultNote.vue'
import { quoteStateWords } from '../components/quotes.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { usePlace } from '../measures/usePlace.ts'

useJob().close()
const { entries, error, hasMore, more, ready } = usePages(endpoints.quotes)
const place = usePlace()
const today = place.today()
const columns: Column<QuotePage['entries'][number]>[] = [
  { key: 'madeOn', says: 'Made' },
  { key: 'site', says: 'Site' },
  { key: 'units', says: 'Units', number: true },
  { key: 'total', says: 'To pay', number: true },
  { key: 'state', says: 'How it stands' },
]

await ready()
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>Quotes</h1>
    <FaultNote :error="error" />
    <Ledger
      data-quotes
      title="Quotes"
      :rows="entries"
      :columns="columns"
      :row-key="({ id }) => id"
      :empty="error ? '' : 'No quotes yet: open a site, choose its units, and make one.'"
    >
      <template #madeOn="{ row }">{{ dayWords(row.madeOn) }}</template>
      <template #site="{ row }">
        <RouterLink :to="{ name: 'quote', params: { quoteId: row.id } }"
          ><b>{{ row.siteName }}</b></RouterLink
        >
      </template>
      <template #total="{ row }">{{ place.money(row.total) }}</template>
      <template #state="{ row }">{{ quoteStateWords(row, today) }}</template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">Older ones</Tap>
  </div>
</template>
