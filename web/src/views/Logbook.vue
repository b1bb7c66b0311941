<script setup lang="ts">
// The firm's memory: what was handed over, newest first; or one unit's life.
import { soilKinds, type SoilKind } from '@yastik/core/lookover'
import { type Choice } from '@yastik/core/method'
import { type Grade } from '@yastik/core/quantities'
import { verdicts, verdictName } from '@yastik/core/run'
import { families, type Family } from '@yastik/core/units'
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
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'
import { inWords } from '../words/names.ts'

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
  { name: 'family', says: t('screen.logbook.family'), options: optionsOf(families, (family) => t(`names.family.${family}`)) },
  { name: 'soil', says: t('screen.logbook.soil'), options: optionsOf(soilKinds, inWords) },
  { name: 'by', says: t('screen.logbook.by'), options: people.value.map(({ id, name }) => ({ value: id, says: name })) },
  { name: 'verdict', says: t('screen.logbook.verdict'), options: optionsOf(verdicts, (verdict) => say(verdictName(verdict))) },
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
  { key: 'at', says: t('screen.logbook.handed-over-2') },
  { key: 'unit', says: t('screen.logbook.unit-2') },
  { key: 'scope', says: t('screen.logbook.method') },
  { key: 'worst', says: t('screen.logbook.worst-found') },
  { key: 'cooling', says: t('screen.logbook.cooling-before-after', { unit: unit('kW') }), number: true },
  { key: 'verdict', says: t('screen.logbook.verdict') },
  { key: 'by', says: t('screen.logbook.by') },
])
const kw = (value: number | null) => (value === null ? '–' : String(figure(Math.round(value * 100) / 100, 'kW')))
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ unitId ? t('screen.logbook.life-of', { unit: outlook?.unitName ?? t('screen.logbook.unit') }) : t('screen.frame.logbook') }}</h1>
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
      {{ t('screen.logbook.alone', { siteName: entries[0]?.siteName ?? t('screen.logbook.site') }) }}
      <RouterLink :to="{ name: 'logbook' }">{{ t('screen.logbook.all-sites') }}</RouterLink>
    </p>
    <div v-if="!unitId" class="fields narrow" role="group" :aria-label="t('screen.logbook.filters')" data-log-filters>
      <Field :label="t('screen.logbook.site-unit')"
        ><TextField v-model="find" type="search" name="find" clearable @commit="filter.find = $event"
      /></Field>
      <Field v-for="{ name, says, options } in filters" :key="name" :label="says">
        <Pick
          :model-value="filter[name] ?? ''"
          :name="name"
          :options="[{ value: '', says: t('screen.logbook.all-of-them') }, ...options]"
          @update:model-value="setFilter(name, $event)"
        />
      </Field>
    </div>
    <Ledger
      data-logbook
      :title="t('screen.logbook.handed-over')"
      :rows="entries"
      :columns="columns"
      :row-key="(row) => row.jobId + row.unitId"
      :empty="error ? '' : isFiltered ? t('screen.logbook.nothing-logbook-like') : t('screen.logbook.nothing-handed-over-yet')"
    >
      <template #at="{ row }">{{ dayWords(row.handedOverAt) }}</template>
      <template #unit="{ row }">
        <RouterLink :to="{ name: 'record', params: { jobId: row.jobId, unitId: row.unitId } }"
          ><b>{{ row.unitName }}</b></RouterLink
        ><br /><small>{{ row.siteName }}</small>
        <RouterLink v-if="!unitId" :to="{ name: 'logbook', query: { unit: row.unitId } }" class="small" data-life
          >{{ ' ' }}{{ t('screen.logbook.life') }}</RouterLink
        >
      </template>
      <template #scope="{ row }">{{ t(`names.choice.${row.scope as Choice}`) ?? '–' }}</template>
      <template #worst="{ row }">{{ row.worstGrade === null ? '–' : `${row.worstGrade} ${t(`names.grade.${row.worstGrade as Grade}`)}` }}</template>
      <template #cooling="{ row }">
        {{ kw(row.coolingBeforeKw) }} → <b>{{ kw(row.coolingAfterKw) }}</b>
      </template>
      <template #verdict="{ row }">{{ say(verdictName(row.verdict)) }}</template>
    </Ledger>
    <Tap v-if="!unitId && log.hasMore.value" @click="log.more">{{ t('screen.logbook.older-ones') }}</Tap>
  </div>
</template>
