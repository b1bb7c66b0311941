<script setup lang="ts">
// The crew's day as a list: who does which stage from when to when, its steps as lines; what can be done on the chart can be done here.
import type { CrewDay, StageWork, UnitSteps } from '@yastik/core/crew'
import { clockWords } from '@yastik/core/quantities'
import { computed } from 'vue'
import type { Column } from '../kit/column.ts'
import Ledger from '../kit/Ledger.vue'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useNames } from '../job/useNames.ts'
import { t } from '../words/words.ts'

const props = defineProps<{
  day: CrewDay
  units: readonly UnitSteps[]
  works: readonly StageWork[]
  picked: StageWork | undefined
  /** When the day begins, minutes from midnight. */ fromMin: number
}>()
const emit = defineEmits<{ pick: [work: StageWork] }>()
const { unitName } = useNames()
const { say } = useMeasures()
const keysOf = ({ unitId, tasks }: StageWork): string[] => tasks.map(({ step }) => `${unitId}/${step}`)
const chain = computed(() => new Set(props.day.chain.map(({ unitId, step }) => `${unitId}/${step}`)))
const titles = computed(
  () => new Map(props.units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}` as string, step.title] as const))),
)
const columns: Column<StageWork>[] = [
  { key: 'when', says: t('screen.crew.from'), oneLine: true, sort: ({ startMin }) => startMin },
  { key: 'who', says: t('screen.crew.who'), sort: ({ who }) => who.join() },
  { key: 'unit', says: t('screen.crew.unit'), sort: ({ unitId }) => unitName(unitId) },
  { key: 'step', says: t('screen.crew.what') },
  { key: 'doings', says: '' },
]
</script>

<template>
  <Ledger :title="t('screen.crew.does-when')" :rows="works" :columns="columns" :row-key="(work) => keysOf(work)[0]" data-crew-tasks>
    <template #when="{ row }">{{ clockWords(fromMin + row.startMin) }}–{{ clockWords(fromMin + row.endMin) }}</template>
    <template #who="{ row }">{{ row.who.join(', ') }}</template>
    <template #unit="{ row }">{{ unitName(row.unitId) }}</template>
    <template #step="{ row }">
      <b>{{ say(row.stage) }}</b>
      <small v-if="keysOf(row).some((key) => chain.has(key))">{{ ' ' }}{{ t('screen.crew.sets-end') }}</small>
      <ul class="plain small">
        <li v-for="key in keysOf(row)" :key="key">{{ say(titles.get(key) ?? '') }}</li>
      </ul>
    </template>
    <template #doings="{ row }">
      <Tap small :pressed="picked?.tasks[0] === row.tasks[0]" :data-pick-task="keysOf(row).join(' ')" @click="emit('pick', row)">{{
        t('screen.crew.give-2')
      }}</Tap>
    </template>
  </Ledger>
</template>
