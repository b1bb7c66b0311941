<script setup lang="ts">
// The units of a site: which of them the next visit is for, their traits, and more of them.
import { counted, dayWords } from '@yastik/core/quantities'
import { familyNames } from '@yastik/core/units'
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
  const { id, version, name, family, design, hoursPerDay, maker, model, serialNumber, platePhoto } = unit
  const traits = { family, design: { ...design }, hoursPerDay, maker, model }
  // Each has a serial number of its own.
  editing.value = alike ? { form: { name: '', ...traits } } : { id, version, form: { name, ...traits, serialNumber }, platePhoto }
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
  { key: 'picked', says: 'On this visit', hidden: props.site.retiredAt !== null },
  { key: 'name', says: 'Unit', sort: ({ name }) => name },
  { key: 'family', says: 'Family', sort: ({ family }) => familyNames[family] },
  { key: 'cooling', says: 'Cooling', number: true, sort: ({ design }) => design.ratedCoolingKw },
  { key: 'last', says: 'Last cleaned', number: true, sort: ({ lastCleanedAt }) => lastCleanedAt ?? undefined },
  { key: 'doings', says: '' },
])
</script>

<template>
  <section class="stack">
    <div class="spread">
      <h2>
        Units <small><RouterLink :to="{ name: 'logbook', query: { site: site.id } }" data-site-log>its logbook</RouterLink></small>
      </h2>
      <Tap @click="edit()">Add a unit</Tap>
    </div>
    <FaultNote :error="doing.error.value" />
    <Notice v-if="gone" data-unit-gone>
      <p>{{ gone.name }} is retired. <Tap small data-unit-back @click="retire(gone, false)">Take it back</Tap></p>
    </Notice>
    <Ledger
      data-units
      title="Units of this site"
      :rows="inUse"
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
        ><Tap bare data-alike :aria-label="`Add one like it: ${row.name}`" @click="edit(row, true)">Add one like it</Tap
        ><Tap bare :disabled="doing.busy.value" :data-retire-unit="row.name" :aria-label="`Retire ${row.name}`" @click="retire(row, true)"
          >Retire</Tap
        >
      </template>
    </Ledger>
    <Fold v-if="retired.length > 0" :title="counted(retired.length, 'retired unit')" data-retired-units>
      <ul class="plain">
        <li v-for="unit in retired" :key="unit.id" class="row">
          <span
            ><b>{{ unit.name }}</b
            ><br /><small
              >{{ familyNames[unit.family] }}, <RouterLink :to="{ path: '/logbook', query: { unit: unit.id } }">its life</RouterLink></small
            ></span
          >
          <Tap small :disabled="doing.busy.value" :data-unit-in-use="unit.name" @click="retire(unit, false)">Take into use again</Tap>
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
