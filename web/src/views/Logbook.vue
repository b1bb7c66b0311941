<script setup lang="ts">
// The firm's memory: what was handed over, newest first; or one unit's life.
import { choiceNames, gradeNames, type Choice, type Grade, type LogEntry, type LogPage, type UnitOutlook } from '@yastik/core'
import dayjs from 'dayjs'
import { computed, ref, shallowRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import UnitLife from '../components/UnitLife.vue'
import { verdictWords } from '../components/stages.ts'
import { useJob } from '../stores/job.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { figure, unit } = useMeasures()
useJob().close()
const route = useRoute()
const router = useRouter()
const entries = ref<LogEntry[]>([])
const next = ref<string | null>(null)
const outlook = shallowRef<UnitOutlook>()
const error = ref<unknown>()
const unitId = computed(() => (typeof route.query.unit === 'string' ? route.query.unit : undefined))

async function load(after?: string) {
  error.value = undefined
  try {
    const page = await ask<LogPage>(
      'GET',
      unitId.value ? `/api/units/${unitId.value}/life` : `/api/logbook${after ? `?after=${encodeURIComponent(after)}` : ''}`,
    )
    outlook.value = unitId.value ? await ask<UnitOutlook>('GET', `/api/units/${unitId.value}/outlook`) : undefined
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
      <h1>{{ unitId ? `Life of ${outlook?.unitName ?? 'a unit'}` : 'Logbook' }}</h1>
      <LogbookPages />
    </div>
    <p v-if="outlook">{{ outlook.siteName }}</p>
    <UnitLife
      v-if="outlook && unitId"
      :key="unitId"
      :outlook="outlook"
      :entries="entries"
      @open="router.push({ name: 'record', params: { jobId: $event, unitId } })"
    />
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
            <RouterLink v-if="!unitId" :to="{ name: 'logbook', query: { unit: entry.unitId } }" class="small" data-life> its life</RouterLink>
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
