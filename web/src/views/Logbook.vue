<script setup lang="ts">
// The firm's memory: what was handed over, newest first; or one unit's life.
import { choiceNames, gradeNames, type Choice, type Grade, type LogEntry, type LogPage } from '@yastik/core'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import { verdictWords } from '../components/stages.ts'
import { useJob } from '../stores/job.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { figure, unit } = useMeasures()
useJob().close()
const route = useRoute()
const entries = ref<LogEntry[]>([])
const next = ref<string | null>(null)
const error = ref<unknown>()
const unitId = computed(() => (typeof route.query.unit === 'string' ? route.query.unit : undefined))

async function load(after?: string) {
  error.value = undefined
  try {
    const page = await ask<LogPage>(
      'GET',
      unitId.value ? `/api/units/${unitId.value}/life` : `/api/logbook${after ? `?after=${encodeURIComponent(after)}` : ''}`,
    )
    entries.value = after ? [...entries.value, ...page.entries] : page.entries
    next.value = unitId.value ? null : page.next
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(unitId, () => load())
const kw = (value: number | null) => (value === null ? '–' : String(figure(Math.round(value * 100) / 100, 'kW')))
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ unitId ? `Life of ${entries[0]?.unitName ?? 'a unit'}` : 'Logbook' }}</h1>
      <RouterLink v-if="unitId" to="/logbook" class="tap">All units</RouterLink>
    </div>
    <FaultNote :error="error" />
    <p v-if="!error && entries.length === 0">Nothing was handed over yet.</p>
    <table v-else class="ledger" data-logbook>
      <thead>
        <tr>
          <th>Handed over</th>
          <th>Unit</th>
          <th>Method</th>
          <th>Worst found</th>
          <th class="number">Cooling, {{ unit('kW') }}<br />before → after</th>
          <th>Verdict</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in entries" :key="entry.jobId + entry.unitId">
          <td>{{ dayjs(entry.handedOverAt).format('D MMM YYYY') }}</td>
          <td>
            <RouterLink :to="{ name: 'record', params: { jobId: entry.jobId, unitId: entry.unitId } }"
              ><b>{{ entry.unitName }}</b></RouterLink
            ><br /><small>{{ entry.siteName }}</small>
          </td>
          <td>{{ choiceNames[entry.scope as Choice] ?? '–' }}</td>
          <td>{{ entry.worstGrade === null ? '–' : `${entry.worstGrade} ${gradeNames[entry.worstGrade as Grade]}` }}</td>
          <td class="number">
            {{ kw(entry.coolingBeforeKw) }} → <b>{{ kw(entry.coolingAfterKw) }}</b>
          </td>
          <td>{{ verdictWords[entry.verdict] }}</td>
          <td>{{ entry.by }}</td>
        </tr>
      </tbody>
    </table>
    <button v-if="next" class="tap" @click="load(next)">Older ones</button>
  </div>
</template>
