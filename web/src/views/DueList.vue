<script setup lang="ts">
// What is due when, over all units, and how sure that is.
import { dueKinds, type Due } from '@yastik/core/upkeep'
import { endpoints, type DuePage, type DueWorth, type HoldReason } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import { serverNow } from '../api/clock.ts'
import FaultNote from '../components/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import MessageDialog from '../components/MessageDialog.vue'
import { messageStateWords } from '../components/messages.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'

useJob().close()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const worth = ref<DueWorth>([])
/** The site whose customer is being written to. */
const writing = ref<DuePage['entries'][number]>()
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
    const page = await ask(endpoints.due, { query: { what: kind.value, after } })
    entries.value = after ? [...entries.value, ...page.entries] : page.entries
    next.value = page.next
    rates.value = page.rates
  } catch (caught) {
    error.value = caught
  }
}
await load()
try {
  worth.value = await ask(endpoints.dueWorth)
} catch (caught) {
  error.value = caught
}
watch(kind, () => load())
const today = dayjs(serverNow())
const weeksLeft = (day: string) => Math.round(dayjs(day).diff(today, 'day') / 7)
const says = (day: string) => {
  const weeks = weeksLeft(day)
  return weeks < 0 ? `${-weeks} weeks over` : weeks === 0 ? 'this week' : `in ${weeks} weeks`
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
  await load()
}
const faster = () => Math.round((Math.exp(rates.value!.shift) - 1) * 100)
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
          >{{ money }}<small>{{ cleanings }} {{ cleanings === 1 ? 'cleaning' : 'cleanings' }} {{ horizons[weeks] }}</small></span
        >
      </div>
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
          <th>A good time</th>
          <th class="number">Worth</th>
          <th v-if="isOwner">The customer</th>
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
          <td>
            <template v-if="entry.before">before {{ dayjs(entry.before).format('MMM YYYY') }}, when cooling begins</template>
            <small v-if="entry.roofDays" class="each" data-roof-days>{{ roofWords(entry.roofDays) }}</small>
          </td>
          <td class="number">{{ entry.worth === null ? '' : `about ${Math.round(entry.worth)}` }}</td>
          <td v-if="isOwner">
            <template v-if="entry.worth !== null || entry.what === 'pan-treatment'">
              <small v-if="entry.reminded" class="each" data-reminded
                >{{ dayjs(entry.reminded.at).format('D MMM') }}: {{ messageStateWords[entry.reminded.state] }}</small
              >
              <small v-if="entry.hold && entry.hold !== 'lately'" class="each">{{ holdWords[entry.hold] }}</small>
              <button v-else-if="entry.hold === null" class="tap bare" :data-write="entry.siteName" @click="writing = entry">Write</button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="next" class="tap" @click="load(next)">Later ones</button>
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
/* On a phone each entry is a block: when, what and where on top, the rest below. */
@media (max-width: 700px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: 7.5rem minmax(0, 1fr);
    gap: 0.1rem 0.8rem;
    border-bottom: var(--rule-width) solid var(--rule);
    padding: 0.5rem 0;
  }
  table.ledger td {
    border: 0;
    padding: 0;
    text-align: left;
  }
  td {
    grid-column: 2;
  }
  td:first-child {
    grid-column: 1;
    grid-row: span 5;
  }
  td:empty {
    display: none;
  }
}
</style>
