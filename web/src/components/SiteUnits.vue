<script setup lang="ts">
// The units of a site: which of them the next visit is for, their traits, and more of them.
import { endpoints, type JobCard, type SiteRecord, type UnitForm, type UnitRecord } from '@yastik/core/wire'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Fold from '../kit/Fold.vue'
import Later from '../kit/Later.vue'
import Ledger from '../kit/Ledger.vue'
import Notice from '../kit/Notice.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import type { Column } from '../kit/column.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import UnitEditor from './UnitEditor.vue'
import VisitPlan from './VisitPlan.vue'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

const props = defineProps<{ site: SiteRecord; mayQuote: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const { quantity } = useMeasures()
const picked = ref<string[]>([])
const inUse = computed(() => props.site.units.filter(({ retiredAt }) => retiredAt === null))
const retired = computed(() => props.site.units.filter(({ retiredAt }) => retiredAt !== null))
watch(
  () => inUse.value.map(({ id }) => id),
  (ids) => (picked.value = ids),
  { immediate: true },
)
const pick = (id: string, on: boolean) => (picked.value = on ? [...picked.value, id] : picked.value.filter((other) => other !== id))

const editing = ref<{ id?: string; version?: number; form: UnitForm; platePhoto?: UnitRecord['platePhoto'] }>()
/** Counts openings, so that each is a form of its own. */
const opened = ref(0)
function edit(unit?: UnitRecord, alike = false) {
  opened.value++
  if (!unit) {
    editing.value = { form: { name: '', family: props.site.units.at(-1)?.family ?? 'wall-head', design: {} } }
    return
  }
  const { id, version, name, family, design, hoursPerDay, maker, model, serialNumber, supply, outdoorUnit, othersCleanedOn, platePhoto } = unit
  const traits = { family, design: { ...design }, hoursPerDay, maker, model, supply, outdoorUnit }
  // Each has a serial number of its own.
  editing.value = alike ? { form: { name: '', ...traits } } : { id, version, form: { name, ...traits, serialNumber, othersCleanedOn }, platePhoto }
}
function saved() {
  editing.value = undefined
  emit('changed')
}
const router = useRouter()
const start = (job: JobCard) => router.push({ name: 'look-over', params: { jobId: job.id, unitId: job.units[0].unitId } })
const doing = useDoing()
/** What was retired last: it can be taken back at once. */
const gone = ref<UnitRecord>()
const retire = (unit: UnitRecord, isRetired: boolean) =>
  doing.run(async () => {
    await ask(endpoints.retireUnit, { params: { id: unit.id }, body: { retired: isRetired } })
    gone.value = isRetired ? unit : undefined
    emit('changed')
  })
const columns = computed<Column<UnitRecord>[]>(() => [
  { key: 'picked', says: t('screen.sites.visit-2'), hidden: props.site.retiredAt !== null },
  { key: 'name', says: t('screen.sites.unit'), sort: ({ name }) => name },
  { key: 'family', says: t('screen.sites.family'), sort: ({ family }) => t(`names.family.${family}`) },
  { key: 'cooling', says: t('screen.frame.cooling'), number: true, sort: ({ design }) => design.ratedCoolingKw },
  { key: 'last', says: t('screen.sites.last-cleaned'), number: true, sort: ({ lastCleanedAt }) => lastCleanedAt ?? undefined },
  { key: 'doings', says: '' },
])
</script>

<template>
  <section class="stack">
    <div class="spread">
      <h2>
        {{ t('screen.frame.units') }}
        <small
          ><RouterLink :to="{ name: 'logbook', query: { site: site.id } }" data-site-log>{{ t('screen.sites.logbook') }}</RouterLink></small
        >
      </h2>
      <Tap data-add-unit @click="edit()">{{ t('screen.sites.add-unit') }}</Tap>
    </div>
    <FaultNote :error="doing.error.value" />
    <Notice v-if="gone" data-unit-gone>
      <p>
        {{ t('screen.sites.retired', { gone: gone.name }) }}
        <Tap small data-unit-back @click="retire(gone, false)">{{ t('screen.sites.take-back') }}</Tap>
      </p>
    </Notice>
    <Ledger
      data-units
      :title="t('screen.sites.units-site')"
      :rows="inUse"
      :columns="columns"
      :row-key="({ id }) => id"
      :empty="t('screen.sites.no-units-yet-add-first')"
    >
      <template #picked="{ row }">
        <Tick :model-value="picked.includes(row.id)" :label="t('screen.sites.visit', { row: row.name })" @update:model-value="pick(row.id, $event)" />
      </template>
      <template #name="{ row }">
        <b>{{ row.name }}</b><br /><small
          ><RouterLink :to="{ path: '/logbook', query: { unit: row.id } }">{{ t('screen.sites.life') }}</RouterLink></small
        >
      </template>
      <template #family="{ row }">{{ t(`names.family.${row.family}`) }}</template>
      <template #cooling="{ row }">{{ row.design.ratedCoolingKw === undefined ? '–' : quantity(row.design.ratedCoolingKw, 'kW') }}</template>
      <template #last="{ row }">{{ row.lastCleanedAt ? dayWords(row.lastCleanedAt) : t('screen.sites.never') }}</template>
      <template #doings="{ row }">
        <Tap bare :aria-label="t('screen.sites.traits', { row: row.name })" @click="edit(row)">{{ t('screen.sites.traits-2') }}</Tap><Tap
          bare
          data-alike
          :aria-label="t('screen.sites.add-one-like', { row: row.name })"
          @click="edit(row, true)"
          >{{ t('screen.sites.add-one-like-2') }}</Tap
        ><Tap
          bare
          :disabled="doing.busy.value"
          :data-retire-unit="row.name"
          :aria-label="t('screen.sites.retire', { row: row.name })"
          @click="retire(row, true)"
          >{{ t('screen.sites.retire-2') }}</Tap
        >
      </template>
    </Ledger>
    <Fold v-if="retired.length > 0" :title="t('screen.sites.retired-units', { retiredUnits: retired.length })" data-retired-units>
      <ul class="plain">
        <li v-for="unit in retired" :key="unit.id" class="row">
          <span
            ><b>{{ unit.name }}</b
            ><br /><small
              >{{ t(`names.family.${unit.family}`) }},
              <RouterLink :to="{ path: '/logbook', query: { unit: unit.id } }">{{ t('screen.sites.life') }}</RouterLink></small
            ></span
          >
          <Tap small :disabled="doing.busy.value" :data-unit-in-use="unit.name" @click="retire(unit, false)">{{
            t('screen.sites.take-into-use-again-2')
          }}</Tap>
        </li>
      </ul>
    </Fold>
    <UnitEditor
      v-if="editing"
      :id="editing.id"
      :key="opened"
      :site-id="site.id"
      :version="editing.version"
      :start="editing.form"
      :plate-photo="editing.platePhoto"
      @saved="saved"
      @leave="editing = undefined"
    />
    <Later v-if="inUse.length > 0 && site.retiredAt === null"
      ><Suspense><VisitPlan :site-id="site.id" :unit-ids="picked" :may-quote="mayQuote" :now="!editing" @planned="start" /></Suspense
    ></Later>
  </section>
</template>
