<script setup lang="ts">
// Who did what that matters to trust, newest first, for owners.
import { endpoints, type AuditEntry } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import HousePages from '../components/HousePages.vue'
import { auditWords, stateInWords } from '../components/trust.ts'
import { useJob } from '../stores/job.ts'

useJob().close()
const entries = ref<AuditEntry[]>([])
const next = ref<string | null>(null)
const error = ref<unknown>()

async function load(after?: string) {
  error.value = undefined
  try {
    const page = await ask(endpoints.audit, { query: { after } })
    entries.value = after === undefined ? page.entries : [...entries.value, ...page.entries]
    next.value = page.next
  } catch (caught) {
    error.value = caught
  }
}
await load()
const moment = (at: string) => dayjs(at).format('D MMM YYYY, HH:mm:ss')
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>Who did what</h1>
      <HousePages />
    </div>
    <div class="row">
      <a :href="endpoints.auditTable.path" download class="tap">All of it as a table</a>
      <small>Sign-ins and failures, what was taken out or in, what a role turned down, changes of people, prices, labels and rules.</small>
    </div>
    <FaultNote :error="error" />
    <p v-if="entries.length === 0 && !error">Nothing is on record yet.</p>
    <div v-else class="scroll">
      <table data-audit>
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>From</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="entry in entries" :key="entry.id" :data-audit-what="entry.what">
            <td class="when">{{ moment(entry.at) }}</td>
            <td>{{ entry.by || 'the server itself' }}</td>
            <td>
              {{ auditWords[entry.what] }}<template v-if="entry.about">: {{ entry.about }}</template>
              <small v-if="entry.before && Object.keys(entry.before).length > 0">before: {{ stateInWords(entry.before) }}</small>
              <small v-if="entry.after && Object.keys(entry.after).length > 0">after: {{ stateInWords(entry.after) }}</small>
            </td>
            <td>{{ entry.from }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="next" class="row"><button class="tap" data-more @click="load(next)">Older</button></div>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink-soft);
}
th,
td {
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.35rem 1.2rem 0.35rem 0;
  vertical-align: top;
}
td small {
  display: block;
  overflow-wrap: anywhere;
  max-height: 6.5rem;
  overflow-y: auto;
}
.when {
  white-space: nowrap;
}
@media (max-width: 700px) {
  tr {
    display: block;
    border-top: var(--rule-width) solid var(--rule);
    padding: 0.4rem 0;
  }
  thead {
    display: none;
  }
  td {
    display: block;
    border: 0;
    padding: 0;
  }
}
</style>
