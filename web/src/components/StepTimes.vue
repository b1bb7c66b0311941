<script setup lang="ts">
// Start values of step times, and each one's pace, against the firm's own finished runs: what they say, and taking it over.
import type { HouseRules } from '@yastik/core/method'
import { endpoints, type PersonRecord, type StepTimesRecord } from '@yastik/core/wire'
import { computed, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ inUse: NonNullable<HouseRules['stepTimes']> }>()
const emit = defineEmits<{ use: [factors: NonNullable<HouseRules['stepTimes']>] }>()
const record = shallowRef<StepTimesRecord>()
const { busy, error, run } = useDoing()

/** People as they stand, by number. */
const people = shallowRef<ReadonlyMap<number, PersonRecord>>(new Map())
async function askPeople() {
  people.value = new Map((await ask(endpoints.people)).map((person) => [person.id, person]))
}
const look = () =>
  run(async () => {
    await askPeople()
    record.value = await ask(endpoints.stepTimes)
  })
const moved = computed(() => record.value?.steps.filter(({ factor, stepId }) => factor !== 1 || props.inUse[stepId] !== undefined) ?? [])
const columns: Column<StepTimesRecord['steps'][number]>[] = [
  { key: 'title', says: t('screen.house.step'), sort: ({ title }) => say(title) },
  { key: 'runs', says: t('screen.house.runs'), number: true, sort: ({ runs }) => runs },
  { key: 'setAside', says: t('screen.house.set-aside'), number: true },
  { key: 'now', says: t('screen.house.now'), number: true },
  { key: 'factor', says: t('screen.house.your-runs'), number: true, sort: ({ factor }) => factor },
]
/** What their plans reckon with now, %. */
const paceNow = (id: number) => people.value.get(id)?.pacePercent ?? 100
const otherPaces = computed(() => record.value?.people.filter(({ id, pacePercent }) => people.value.has(id) && pacePercent !== paceNow(id)) ?? [])
const paceColumns: Column<StepTimesRecord['people'][number]>[] = [
  { key: 'name', says: t('screen.house.name'), sort: ({ name }) => name },
  { key: 'runs', says: t('screen.house.steps'), number: true, sort: ({ runs }) => runs },
  { key: 'setAside', says: t('screen.house.set-aside'), number: true },
  { key: 'now', says: t('screen.house.now'), number: true },
  { key: 'pace', says: t('screen.house.your-runs'), number: true, sort: ({ pacePercent }) => pacePercent },
]
const usePaces = () =>
  run(async () => {
    for (const { id, pacePercent } of otherPaces.value) {
      const person = people.value.get(id)
      if (!person) continue
      const { name, role, trained, liftKg, active } = person
      await ask(endpoints.savePerson, { params: { id }, body: { name, role, trained, liftKg, active, pacePercent } })
    }
    await askPeople()
  })
const percent = (factor: number | undefined) =>
  factor === undefined || factor === 1 ? t('screen.house.as-it-is') : `${factor > 1 ? '+' : '−'}${Math.abs(Math.round((factor - 1) * 100))} %`
const use = () => emit('use', Object.fromEntries(moved.value.flatMap(({ stepId, factor }) => (factor === 1 ? [] : [[stepId, factor]]))))
</script>

<template>
  <section class="stack ruled-top" data-step-times>
    <h2>{{ t('screen.house.step-times-your-own-runs') }}</h2>
    <p>
      {{
        t('screen.house.plans-start-estimates-finished-runs', {
          stepsCorrectedNow:
            Object.keys(inUse).length > 0
              ? t('screen.house.steps-corrected-now', { inUse: Object.keys(inUse).length })
              : t('screen.house.no-step-corrected-yet'),
        })
      }}
    </p>
    <div class="row">
      <Tap :disabled="busy" data-look-through @click="look">
        {{ busy ? t('screen.house.looking-through-them') : t('screen.house.look-through-finished-runs') }}
      </Tap>
      <Tap v-if="Object.keys(inUse).length > 0" bare data-back-to-start @click="emit('use', {})">{{ t('screen.house.back-estimates') }}</Tap>
    </div>
    <FaultNote :error="error" />
    <template v-if="record">
      <p v-if="moved.length === 0" role="status">{{ t('screen.house.looked-through-units-nothing-would', { units: record.units }) }}</p>
      <template v-else>
        <Ledger
          :title="t('screen.house.steps-your-own-runs-would')"
          :rows="moved"
          :columns="columns"
          :row-key="({ stepId }) => stepId"
          :row-attrs="({ stepId }) => ({ 'data-step-time': stepId })"
        >
          <template #title="{ row }">{{ say(row.title) }}</template>
          <template #now="{ row }">{{ percent(inUse[row.stepId]) }}</template>
          <template #factor="{ row }"
            ><b>{{ percent(row.factor) }}</b></template
          >
        </Ledger>
        <Tap now data-use-times @click="use">{{ t('screen.house.plan-these-now') }}</Tap>
      </template>
      <template v-if="otherPaces.length > 0">
        <Ledger
          :title="t('screen.house.paces')"
          :rows="otherPaces"
          :columns="paceColumns"
          :row-key="({ id }) => id"
          :row-attrs="({ id }) => ({ 'data-pace': id })"
        >
          <template #now="{ row }">{{ percent(paceNow(row.id) / 100) }}</template>
          <template #pace="{ row }"
            ><b>{{ percent(row.pacePercent / 100) }}</b></template
          >
        </Ledger>
        <Tap now data-use-paces :disabled="busy" @click="usePaces">{{ t('screen.house.use-paces') }}</Tap>
      </template>
    </template>
  </section>
</template>
