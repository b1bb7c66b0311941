<script setup lang="ts">
// The units of a site: which of them the next visit is for, their traits, and more of them.
import { dayWords } from '@yastik/core/quantities'
import { familyNames } from '@yastik/core/units'
import type { JobCard, SiteRecord, UnitForm, UnitRecord } from '@yastik/core/wire'
import { ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import Later from '../kit/Later.vue'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import type { Column } from '../kit/column.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import UnitEditor from './UnitEditor.vue'
import VisitPlan from './VisitPlan.vue'

const props = defineProps<{ site: SiteRecord; mayQuote: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const { quantity } = useMeasures()
const picked = ref<string[]>([])
watch(
  () => props.site.units.map(({ id }) => id),
  (ids) => (picked.value = ids),
  { immediate: true },
)
const pick = (id: string, on: boolean) => (picked.value = on ? [...picked.value, id] : picked.value.filter((other) => other !== id))

const editing = ref<{ id?: string; version?: number; form: UnitForm }>()
/** Counts openings, so that each is a form of its own. */
const opened = ref(0)
function edit(unit?: UnitRecord, alike = false) {
  opened.value++
  if (!unit) {
    editing.value = { form: { name: '', family: props.site.units.at(-1)?.family ?? 'wall-head', design: {} } }
    return
  }
  const { id, version, name, family, design, hoursPerDay, maker, model, serialNumber } = unit
  const traits = { family, design: { ...design }, hoursPerDay, maker, model }
  // Each has a serial number of its own.
  editing.value = alike ? { form: { name: '', ...traits } } : { id, version, form: { name, ...traits, serialNumber } }
}
function saved() {
  editing.value = undefined
  emit('changed')
}
const router = useRouter()
const start = (job: JobCard) => router.push({ name: 'look-over', params: { jobId: job.id, unitId: job.units[0].unitId } })
const columns: Column<UnitRecord>[] = [
  { key: 'picked', says: 'On this visit' },
  { key: 'name', says: 'Unit', sort: ({ name }) => name },
  { key: 'family', says: 'Family', sort: ({ family }) => familyNames[family] },
  { key: 'cooling', says: 'Cooling', number: true, sort: ({ design }) => design.ratedCoolingKw },
  { key: 'last', says: 'Last cleaned', number: true, sort: ({ lastCleanedAt }) => lastCleanedAt ?? undefined },
  { key: 'doings', says: '' },
]
</script>

<template>
  <section class="stack">
    <div class="spread">
      <h2>
        Units <small><RouterLink :to="{ name: 'logbook', query: { site: site.id } }" data-site-log>its logbook</RouterLink></small>
      </h2>
      <Tap @click="edit()">Add a unit</Tap>
    </div>
    <Ledger
      data-units
      title="Units of this site"
      :rows="site.units"
      :columns="columns"
      :row-key="({ id }) => id"
      empty="No units yet. Add the first one, then plan a visit."
    >
      <template #picked="{ row }">
        <Tick :model-value="picked.includes(row.id)" :label="`${row.name} on this visit`" @update:model-value="pick(row.id, $event)" />
      </template>
      <template #name="{ row }">
        <b>{{ row.name }}</b><br /><small><RouterLink :to="{ path: '/logbook', query: { unit: row.id } }">its life</RouterLink></small>
      </template>
      <template #family="{ row }">{{ familyNames[row.family] }}</template>
      <template #cooling="{ row }">{{ row.design.ratedCoolingKw === undefined ? '–' : quantity(row.design.ratedCoolingKw, 'kW') }}</template>
      <template #last="{ row }">{{ row.lastCleanedAt ? dayWords(row.lastCleanedAt) : 'never' }}</template>
      <template #doings="{ row }">
        <Tap bare :aria-label="`Traits of ${row.name}`" @click="edit(row)">Traits</Tap
        ><Tap bare data-alike :aria-label="`Add one like it: ${row.name}`" @click="edit(row, true)">Add one like it</Tap>
      </template>
    </Ledger>
    <UnitEditor
      v-if="editing"
      :id="editing.id"
      :key="opened"
      :site-id="site.id"
      :version="editing.version"
      :start="editing.form"
      @saved="saved"
      @leave="editing = undefined"
    />
    <Later v-if="site.units.length > 0"
      ><Suspense><VisitPlan :site-id="site.id" :unit-ids="picked" :may-quote="mayQuote" :now="!editing" @planned="start" /></Suspense
    ></Later>
  </section>
</template>
