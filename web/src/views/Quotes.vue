<script setup lang="ts">
// What was offered to customers, newest first, and what came of it.
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
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

useJob().close()
const { entries, error, hasMore, more, ready } = usePages(endpoints.quotes)
const place = usePlace()
const today = place.today()
const columns: Column<QuotePage['entries'][number]>[] = [
  { key: 'madeOn', says: t('screen.quotes.made') },
  { key: 'site', says: t('screen.quotes.site') },
  { key: 'units', says: t('screen.frame.units'), number: true },
  { key: 'total', says: t('screen.quotes.pay'), number: true },
  { key: 'state', says: t('screen.quotes.how-stands') },
]

await ready()
</script>

<template>
  <div class="page stack">
    <p>
      <RouterLink to="/sites">{{ t('screen.frame.sites') }}</RouterLink>
    </p>
    <h1>{{ t('screen.quotes.quotes') }}</h1>
    <FaultNote :error="error" />
    <Ledger
      data-quotes
      :title="t('screen.quotes.quotes')"
      :rows="entries"
      :columns="columns"
      :row-key="({ id }) => id"
      :empty="error ? '' : t('screen.quotes.no-quotes-yet-open-site')"
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
    <Tap v-if="hasMore" @click="more">{{ t('screen.quotes.older-ones') }}</Tap>
  </div>
</template>
