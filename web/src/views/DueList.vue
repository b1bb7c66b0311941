<script setup lang="ts">
// What is due when, over all units, and how sure that is.
import { dueKinds, type Due, type DuePage } from '@yastik/core'
import dayjs from 'dayjs'
import { ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import { serverNow } from '../api/clock.ts'
import FaultNote from '../components/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import { useJob } from '../stores/job.ts'

useJob().close()
const entries = ref<DuePage['entries']>([])
const next = ref<string | null>(null)
const rates = ref<DuePage['rates']>()
const error = ref<unknown>()
const kind = ref<Due['what']>()
const names: Record<Due['what'], string> = {
  filter: 'filters',
  'fine-filter': 'fine filter',
  'pan-treatment': 'pan treatment',
  'light-clean': 'light clean',
  'deep-clean': 'deep clean',
}

async function load(after?: string) {
  error.value = undefined
  try {
    const query = new URLSearchParams({ ...(kind.value ? { what: kind.value } : {}), ...(after ? { after } : {}) })
    const page = await ask<DuePage>('GET', `/api/due?${query.toString()}`)
    entries.value = after ? [...entries.value, ...page.entries] : page.entries
    next.value = page.next
    rates.value = page.rates
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(kind, () => load())
const today = dayjs(serverNow())
const weeksLeft = (day: string) => Math.round(dayjs(day).diff(today, 'day') / 7)
const says = (day: string) => {
  const weeks = weeksLeft(day)
  return weeks < 0 ? `${-weeks} weeks over` : weeks === 0 ? 'this week' : `in ${weeks} weeks`
}
const faster = () => Math.round((Math.exp(rates.value!.shift) - 1) * 100)
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>What is due</h1>
      <LogbookPages />
    </div>
    <div class="chips" role="group" aria-label="Kinds">
      <button class="tap" :aria-pressed="kind === undefined" @click="kind = undefined">everything</button>
      <button v-for="name in dueKinds" :key="name" class="tap" :aria-pressed="kind === name" :data-due-kind="name" @click="kind = name">
        {{ names[name] }}
      </button>
    </div>
    <p v-if="rates && rates.units > 0" class="small">
      Learned from {{ rates.units }} units of the firm: they foul {{ Math.abs(faster()) }} % {{ faster() < 0 ? 'slower' : 'faster' }} than
      surroundings and use alone would say.
    </p>
    <FaultNote :error="error" />
    <p v-if="!error && entries.length === 0">Nothing is due: no unit was handed over yet.</p>
    <table v-else class="ledger" data-due>
      <thead>
        <tr>
          <th>Due</th>
          <th>What</th>
          <th>Unit</th>
          <th>Between</th>
          <th>Last cleaned</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in entries" :key="entry.unitId + entry.what" :data-due-entry="entry.what">
          <td>
            <b>{{ dayjs(entry.dueOn).format('D MMM YYYY') }}</b><br /><small
              >{{ weeksLeft(entry.dueOn) < 0 ? '! ' : '' }}{{ says(entry.dueOn) }}</small
            >
          </td>
          <td>{{ names[entry.what] }}</td>
          <td>
            <RouterLink :to="{ name: 'logbook', query: { unit: entry.unitId } }"
              ><b>{{ entry.unitName }}</b></RouterLink
            ><br />
            <RouterLink :to="{ name: 'site', params: { siteId: entry.siteId } }" class="small">{{ entry.siteName }}</RouterLink>
          </td>
          <td>
            <template v-if="entry.lowOn && entry.highOn"
              >{{ dayjs(entry.lowOn).format('MMM YYYY') }} – {{ dayjs(entry.highOn).format('MMM YYYY') }}</template
            >
            <template v-else>by rule</template>
          </td>
          <td>{{ entry.lastCleanedAt ? dayjs(entry.lastCleanedAt).format('D MMM YYYY') : 'never here' }}</td>
        </tr>
      </tbody>
    </table>
    <button v-if="next" class="tap" @click="load(next)">Later ones</button>
  </div>
</template>
