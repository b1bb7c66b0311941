<script setup lang="ts">
// The firm's memory: what was handed over, newest first; or one unit's life.
import { inWords, soilKinds, type SoilKind } from '@yastik/core/lookover'
import { choiceNames, type Choice } from '@yastik/core/method'
import { dayWords, type Grade, gradeNames } from '@yastik/core/quantities'
import { verdicts, verdictName } from '@yastik/core/run'
import { families, familyNames, type Family } from '@yastik/core/units'
import { endpoints, type LogEntry } from '@yastik/core/wire'
import { computed, reactive, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useAsked, usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import { optionsOf, type Option } from '../kit/option.ts'
import FaultNote from '../kit/FaultNote.vue'
import LogbookPages from '../components/LogbookPages.vue'
import UnitLife from '../components/UnitLife.vue'
import { useJob } from '../stores/job.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Pick from '../kit/Pick.vue'
import Ledger from '../kit/Ledger.vue'

const { figure, unit, say } = useMeasures()
useJob().close()
const route = useRoute()
const router = useRouter()
const unitId = computed(() => (typeof route.query.unit === 'string' ? route.query.unit : undefined))

/** One site alone, as its sheet asks for. */
const siteId = computed(() => (typeof route.query.site === 'string' ? route.query.site : undefined))
const crew = useAsked(endpoints.crew, () => ({}))
const people = computed(() => crew.said.value ?? [])
const find = ref('')
const filter = reactive<{ find: string; family?: Family; soil?: SoilKind; by?: number; verdict?: LogEntry['verdict'] }>({ find: '' })
type Filter = 'family' | 'soil' | 'by' | 'verdict'
const filters = computed<{ name: Filter; says: string; options: Option<string | number>[] }[]>(() => [
  { name: 'family', says: 'Family', options: optionsOf(families, (family) => familyNames[family]) },
  { name: 'soil', says: 'Soil', options: optionsOf(soilKinds, inWords) },
  { name: 'by', says: 'By', options: people.value.map(({ id, name }) => ({ value: id, says: name })) },
  { name: 'verdict', says: 'Verdict', options: optionsOf(verdicts, (verdict) => say(verdictName(verdict))) },
])
const setFilter = (name: Filter, value: string | number) => Object.assign(filter, { [name]: value === '' ? undefined : value })
const isFiltered = computed(() => siteId.value !== undefined || Object.values(filter).some((value) => value !== undefined && value !== ''))
/** All of the firm, narrowed down; or one unit's life and what is to be expected of it. */
const log = usePages(endpoints.logbook, () => ({ ...filter, find: filter.find.trim() || undefined, siteId: siteId.value }))
const own = () => (unitId.value === undefined ? undefined : { params: { id: unitId.value } })
const life = useAsked(endpoints.unitLife, own)
const outlookOf = useAsked(endpoints.unitOutlook, own)
const outlook = computed(() => (unitId.value === undefined ? undefined : outlookOf.said.value))
const entries = computed(() => (unitId.value === undefined ? log.entries.value : (life.said.value?.entries ?? [])))
const error = computed(() => [crew, log, life, outlookOf].map((one) => one.error.value).find((one) => one !== undefined))
await Promise.all([crew, log, life, outlookOf].map((one) => one.ready()))
const columns = computed<Column<LogEntry>[]>(() => [
  { key: 'at', says: 'Handed over' },
  { key: 'unit', says: 'Unit' },
  { key: 'scope', says: 'Method' },
  { key: 'worst', says: 'Worst found' },
  { key: 'cooling', says: `Cooling, ${unit('kW')}, before → after`, number: true },
  { key: 'verdict', says: 'Verdict' },
  { key: 'by', says: 'By' },
])
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
    <div v-if="!unitId" class="fields narrow" role="group" aria-label="Filters" data-log-filters>
      <Field label="Site or unit"><TextField v-model="find" type="search" name="find" clearable @commit="filter.find = $event" /></Field>
      <Field v-for="{ name, says, options } in filters" :key="name" :label="says">
        <Pick
          :model-value="filter[name] ?? ''"
          :name="name"
          :options="[{ value: '', says: 'all' }, ...options]"
          @update:model-value="setFilter(name, $event)"
        />
      </Field>
    </div>
    <Ledger
      data-logbook
      title="What was handed over"
      :rows="entries"
      :columns="columns"
      :row-key="(row) => row.jobId + row.unitId"
      :empty="error ? '' : isFiltered ? 'Nothing in the logbook is like this.' : 'Nothing was handed over yet.'"
    >
      <template #at="{ row }">{{ dayWords(row.handedOverAt) }}</template>
      <template #unit="{ row }">
        <RouterLink :to="{ name: 'record', params: { jobId: row.jobId, unitId: row.unitId } }"
          ><b>{{ row.unitName }}</b></RouterLink
        ><br /><small>{{ row.siteName }}</small>
        <RouterLink v-if="!unitId" :to="{ name: 'logbook', query: { unit: row.unitId } }" class="small" data-life> its life</RouterLink>
      </template>
      <template #scope="{ row }">{{ choiceNames[row.scope as Choice] ?? '–' }}</template>
      <template #worst="{ row }">{{ row.worstGrade === null ? '–' : `${row.worstGrade} ${gradeNames[row.worstGrade as Grade]}` }}</template>
      <template #cooling="{ row }">
        {{ kw(row.coolingBeforeKw) }} → <b>{{ kw(row.coolingAfterKw) }}</b>
      </template>
      <template #verdict="{ row }">{{ say(verdictName(row.verdict)) }}</template>
    </Ledger>
    <Tap v-if="!unitId && log.hasMore.value" @click="log.more">Older ones</Tap>
  </div>
</template>
