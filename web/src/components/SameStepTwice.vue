<script setup lang="ts">
// What came of it where two people did the same, or something on record does not count.
import type { UnitState } from '@yastik/core/run'
import { computed } from 'vue'
import { useNames } from '../job/useNames.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { timeWords } from '../words/when.ts'

const { say } = useMeasures()

const props = defineProps<{ state: UnitState }>()
const { personName } = useNames()
const at = (ms: number | undefined) => (ms === undefined ? '' : timeWords(ms))
const notes = computed(() =>
  (props.state.steps ?? []).flatMap(({ id, title }) => {
    const { by, doneAtMs, alsoBy = [], takenBackBy } = props.state.progress[id] ?? {}
    if (by === undefined) return []
    const first = t('screen.work.s', { by: personName(by), at: at(doneAtMs) })
    return [
      ...(takenBackBy === undefined
        ? []
        : [{ key: `${id}/back`, says: t('screen.work.took-back-stands', { title: say(title), takenBackBy: personName(takenBackBy), first }) }]),
      ...alsoBy.map((other) => ({
        key: `${id}/${other.by}/${other.atMs}`,
        says: t('screen.work.did-too-counts', { title: say(title), by: personName(other.by), at: at(other.atMs), first }),
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
      {{
        t('screen.work.record-not-count-record-says', {
          held,
        })
      }}
    </li>
  </ul>
</template>
