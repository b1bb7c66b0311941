<script setup lang="ts">
// What was offered to customers, newest first, and what came of it.
import { endpoints, type QuotePage } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import { serverNow } from '../api/clock.ts'
import FaultNote from '../components/FaultNote.vue'
import { quoteStateWords } from '../components/quotes.ts'
import { useJob } from '../stores/job.ts'

useJob().close()
const entries = ref<QuotePage['entries']>([])
const next = ref<string | null>(null)
const error = ref<unknown>()
const today = dayjs(serverNow()).format('YYYY-MM-DD')

async function load(after?: string) {
  error.value = undefined
  try {
    const page = await ask(endpoints.quotes, { query: { after } })
    entries.value = after ? [...entries.value, ...page.entries] : page.entries
    next.value = page.next
  } catch (caught) {
    error.value = caught
  }
}
await load()
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>Quotes</h1>
    <FaultNote :error="error" />
    <p v-if="!error && entries.length === 0">No quotes yet: open a site, choose its units, and make one.</p>
    <table v-else class="ledger" data-quotes>
      <thead>
        <tr>
          <th>Made</th>
          <th>Site</th>
          <th class="number">Units</th>
          <th class="number">To pay</th>
          <th>How it stands</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="quote in entries" :key="quote.id">
          <td>{{ dayjs(quote.madeOn).format('D MMM YYYY') }}</td>
          <td>
            <RouterLink :to="{ name: 'quote', params: { quoteId: quote.id } }"
              ><b>{{ quote.siteName }}</b></RouterLink
            >
          </td>
          <td class="number">{{ quote.units }}</td>
          <td class="number">{{ quote.total.toFixed(2) }}</td>
          <td>{{ quoteStateWords(quote, today) }}</td>
        </tr>
      </tbody>
    </table>
    <button v-if="next" class="tap" @click="load(next)">Older ones</button>
  </div>
</template>
