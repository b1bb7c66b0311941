<script setup lang="ts">
// The crew's day as a list: who does what from when to when; what can be done on the chart can be done here.
import type { CrewDay, TimelineTask, UnitSteps } from '@yastik/core/crew'
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
  picked: TimelineTask | undefined
  /** When the day begins, minutes from midnight. */ fromMin: number
}>()
const emit = defineEmits<{ pick: [task: TimelineTask] }>()
const { unitName } = useNames()
const { say } = useMeasures()
const keyOf = ({ unitId, step }: TimelineTask): string => `${unitId}/${step}`
const chain = computed(() => new Set(props.day.chain.map(keyOf)))
const titles = computed(
  () => new Map(props.units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}` as string, step.title] as const))),
)
const rows = computed(() => [...props.day.timeline.tasks].sort((one, other) => one.startMin - other.startMin))
const columns: Column<TimelineTask>[] = [
  { key: 'when', says: t('screen.crew.from'), oneLine: true, sort: ({ startMin }) => startMin },
  { key: 'who', says: t('screen.crew.who'), sort: ({ who }) => who.join() },
  { key: 'unit', says: t('screen.crew.unit'), sort: ({ unitId }) => unitName(unitId) },
  { key: 'step', says: t('screen.crew.what') },
  { key: 'doings', says: '' },
]
</script>

<template>
  <Ledger :title="t('screen.crew.does-when')" :rows="rows" :columns="columns" :row-key="keyOf" data-crew-tasks>
    <template #when="{ row }">{{ clockWords(fromMin + row.startMin) }}–{{ clockWords(fromMin + row.endMin) }}</template>
    <template #who="{ row }">{{ row.who.join(', ') }}</template>
    <template #unit="{ row }">{{ unitName(row.unitId) }}</template>
    <template #step="{ row }"
      >{{ say(titles.get(keyOf(row)) ?? '') }} <small v-if="chain.has(keyOf(row))">{{ t('screen.crew.sets-end') }}</small></template
    >
    <template #doings="{ row }">
      <Tap small :pressed="picked === row" :data-pick-task="keyOf(row)" @click="emit('pick', row)">{{ t('screen.crew.give-2') }}</Tap>
    </template>
  </Ledger>
</template>
