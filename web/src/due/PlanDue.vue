<script setup lang="ts">
// A visit for what is due at a site: its units, a day that suits, and who was there last are filled in.
import { dayAfter } from '@yastik/core/quantities'
import { suitedDay } from '@yastik/core/upkeep'
import { endpoints, type DueVisits, type JobCard } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { useAsked } from '../api/useServer.ts'
import VisitPlan from '../components/VisitPlan.vue'
import Drawer from '../kit/Drawer.vue'
import FaultNote from '../kit/FaultNote.vue'
import Field from '../kit/Field.vue'
import Ticks from '../kit/Ticks.vue'
import { usePlace } from '../measures/usePlace.ts'
import { workWords } from './dueWords.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ entry: DueVisits['entries'][number]; /** That nobody is going to yet. */ dueUnitIds: readonly string[] }>()
const emit = defineEmits<{ planned: [job: JobCard]; close: [] }>()
const isOpen = ref(true)
const site = useAsked(endpoints.site, () => ({ params: { id: props.entry.siteId } }))
const dues = new Map(props.entry.units.map(({ unitId, dues: own }) => [unitId, workWords(own)]))
/** What is due comes first; the others of the site can be taken along. */
const units = computed(() =>
  (site.said.value?.units ?? [])
    .map(({ id, name }) => ({ value: id, says: dues.has(id) ? `${name}: ${dues.get(id)}` : name }))
    .toSorted((one, other) => Number(dues.has(other.value)) - Number(dues.has(one.value))),
)
const unitIds = ref<string[]>([...props.dueUnitIds])
const onDate = suitedDay(props.entry, dayAfter(usePlace().today(), 1 / 7))
</script>

<template>
  <Drawer v-model="isOpen" :title="t('screen.logbook.visit-2', { siteName: entry.siteName })" width="36rem" @closed="emit('close')">
    <div class="stack" data-plan-visit>
      <FaultNote :error="site.error.value" />
      <Field :label="t('screen.logbook.units-2')"><Ticks v-model="unitIds" :options="units" mark="plan-unit" /></Field>
      <Suspense>
        <VisitPlan
          :site-id="entry.siteId"
          :unit-ids="unitIds"
          :start="{ onDate, crewIds: entry.lastCrewIds }"
          :says="t('screen.logbook.plan-visit-2')"
          :may-quote="false"
          now
          @planned="emit('planned', $event)"
        />
      </Suspense>
    </div>
  </Drawer>
</template>
