<script setup lang="ts">
// The firm's memory: what was handed over, newest first; or one unit's life.
import { inWords, soilKinds, type SoilKind } from '@yastik/core/lookover'
import { choiceNames, type Choice } from '@yastik/core/method'
import { gradeNames, type Grade } from '@yastik/core/quantities'
import { verdicts } from '@yastik/core/run'
import { families, familyNames, type Family } from '@yastik/core/units'
import { endpoints, type CrewRecord, type LogEntry, type UnitOutlook } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
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

/** One site alone, as its sheet asks for. */
const siteId = computed(() => (typeof route.query.site === 'string' ? route.query.site : undefined))
const people = ref<CrewRecord[]>([])
const filter = reactive<{ find: string; family?: Family; soil?: SoilKind; by?: number; verdict?: LogEntry['verdict'] }>({ find: '' })
const isFiltered = computed(() => siteId.value !== undefined || Object.values(filter).some((value) => value !== undefined && value !== ''))
const query = (after?: string) => ({ ...filter, find: filter.find.trim() || undefined, siteId: siteId.value, after })
/** The newest question counts: answers may overtake each other. */
let asked = 0

async function load(after?: string) {
  const asking = ++asked
  error.value = undefined
  try {
    const page = unitId.value
      ? await ask(endpoints.unitLife, { params: { id: unitId.value } })
      : await ask(endpoints.logbook, { query: query(after) })
    if (asking !== asked) return
    if (people.value.length === 0) people.value = await ask(endpoints.crew)
    outlook.value = unitId.value ? await ask(endpoints.unitOutlook, { params: { id: unitId.value } }) : undefined
    entries.value = after ? [...entries.value, ...page.entries] : page.entries
    next.value = unitId.value ? null : page.next
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch([unitId, siteId], () => load())
watch(filter, () => load())
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
    <p v-if="siteId && !unitId" data-one-site>
      {{ entries[0]?.siteName ?? 'This site' }} alone. <RouterLink :to="{ name: 'logbook' }">All sites</RouterLink>
    </p>
    <div v-if="!unitId" class="row filters" role="group" aria-label="Filters" data-log-filters>
      <label><small>site or unit</small><input v-model.lazy="filter.find" type="search" name="find" /></label>
      <label
        ><small>family</small
        ><select v-model="filter.family" name="family">
          <option :value="undefined">all</option>
          <option v-for="family in families" :key="family" :value="family">{{ familyNames[family] }}</option>
        </select></label
      >
      <label
        ><small>soil</small
        ><select v-model="filter.soil" name="soil">
          <option :value="undefined">all</option>
          <option v-for="kind in soilKinds" :key="kind" :value="kind">{{ inWords(kind) }}</option>
        </select></label
      >
      <label
        ><small>by</small
        ><select v-model="filter.by" name="by">
          <option :value="undefined">all</option>
          <option v-for="person in people" :key="person.id" :value="person.id">{{ person.name }}</option>
        </select></label
      >
      <label
        ><small>verdict</small
        ><select v-model="filter.verdict" name="verdict">
          <option :value="undefined">all</option>
          <option v-for="verdict in verdicts" :key="verdict" :value="verdict">{{ verdictWords[verdict] }}</option>
        </select></label
      >
    </div>
    <p v-if="!error && entries.length === 0">{{ isFiltered ? 'Nothing in the logbook is like this.' : 'Nothing was handed over yet.' }}</p>
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

<style scoped>
.filters {
  align-items: end;
}
.filters label {
  display: flex;
  flex-direction: column;
}
.filters select,
.filters input {
  min-height: 44px;
  max-width: 12rem;
  padding: 0 0.5rem;
  font-size: 1rem;
  background: var(--paper);
  color: var(--ink);
  border: var(--rule-width) solid var(--ink);
  border-radius: 0;
}
</style>
