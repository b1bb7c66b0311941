<script setup lang="ts">
// Start values of step times against the firm's own finished runs: what they say, and taking it over.
import { counted } from '@yastik/core/quantities'
import type { HouseRules } from '@yastik/core/method'
import { endpoints, type StepTimesRecord } from '@yastik/core/wire'
import { computed, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'

const { say } = useMeasures()

const props = defineProps<{ inUse: NonNullable<HouseRules['stepTimes']> }>()
const emit = defineEmits<{ use: [factors: NonNullable<HouseRules['stepTimes']>] }>()
const record = shallowRef<StepTimesRecord>()
const { busy, error, run } = useDoing()

const look = () => run(async () => void (record.value = await ask(endpoints.stepTimes)))
const moved = computed(() => record.value?.steps.filter(({ factor, stepId }) => factor !== 1 || props.inUse[stepId] !== undefined) ?? [])
const columns: Column<StepTimesRecord['steps'][number]>[] = [
  { key: 'title', says: 'Step', sort: ({ title }) => say(title) },
  { key: 'runs', says: 'Runs', number: true, sort: ({ runs }) => runs },
  { key: 'setAside', says: 'Set aside', number: true },
  { key: 'now', says: 'Now', number: true },
  { key: 'factor', says: 'By your runs', number: true, sort: ({ factor }) => factor },
]
const percent = (factor: number | undefined) =>
  factor === undefined || factor === 1 ? 'as it is' : `${factor > 1 ? '+' : '−'}${Math.abs(Math.round((factor - 1) * 100))} %`
const use = () => emit('use', Object.fromEntries(moved.value.flatMap(({ stepId, factor }) => (factor === 1 ? [] : [[stepId, factor]]))))
</script>

<template>
  <section class="stack ruled-top" data-step-times>
    <h2>Step times from your own runs</h2>
    <p>
      Plans start from estimates. Finished runs say how long steps take your people; pauses are taken out, and a tap in passing or a day in a pocket
      does not count. {{ Object.keys(inUse).length > 0 ? `${Object.keys(inUse).length} steps are corrected now.` : 'No step is corrected yet.' }}
    </p>
    <div class="row">
      <Tap :disabled="busy" data-look-through @click="look">
        {{ busy ? 'Looking through them …' : 'Look through finished runs' }}
      </Tap>
      <Tap v-if="Object.keys(inUse).length > 0" bare data-back-to-start @click="emit('use', {})">Back to the estimates</Tap>
    </div>
    <FaultNote :error="error" />
    <template v-if="record">
      <p v-if="moved.length === 0" role="status">Looked through: {{ counted(record.units, 'unit') }}. Nothing that would move an estimate.</p>
      <template v-else>
        <Ledger
          title="Steps that your own runs would move"
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
        <Tap now data-use-times @click="use">Plan with these from now on</Tap>
      </template>
    </template>
  </section>
</template>
