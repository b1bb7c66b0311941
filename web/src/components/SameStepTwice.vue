<script setup lang="ts">
// What came of it where two people did the same, or something on record does not count.
import type { UnitState } from '@yastik/core/run'
import dayjs from 'dayjs'
import { computed } from 'vue'
import { useNames } from '../job/useNames.ts'
import { useMeasures } from '../measures/useMeasures.ts'

const { say } = useMeasures()

const props = defineProps<{ state: UnitState }>()
const { personName } = useNames()
const at = (ms: number | undefined) => (ms === undefined ? '' : dayjs(ms).format('HH:mm'))
const notes = computed(() =>
  (props.state.steps ?? []).flatMap(({ id, title }) => {
    const { by, doneAtMs, alsoBy = [], takenBackBy } = props.state.progress[id] ?? {}
    if (by === undefined) return []
    const first = `${personName(by)}’s, at ${at(doneAtMs)}`
    return [
      ...(takenBackBy === undefined
        ? []
        : [{ key: `${id}/back`, says: `“${say(title)}”: ${personName(takenBackBy)} took it back; ${first}, stands.` }]),
      ...alsoBy.map((other) => ({
        key: `${id}/${other.by}/${other.atMs}`,
        says: `“${say(title)}”: ${personName(other.by)} did it too, at ${at(other.atMs)}; ${first}, counts.`,
      })),
    ]
  }),
)
const held = computed(() => props.state.held.length)
</script>

<template>
  <ul v-if="notes.length > 0 || held > 0" class="plain small" role="status" data-same-step>
    <li v-for="note in notes" :key="note.key">{{ note.says }}</li>
    <li v-if="held > 0">
      {{ held === 1 ? 'One entry' : `${held} entries` }} on record {{ held === 1 ? 'does' : 'do' }} not count: the record says why.
    </li>
  </ul>
</template>
