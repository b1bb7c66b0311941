<script setup lang="ts">
// How the count of fasteners stands: what the owner lets stay out is still short.
import { exceptionFor, shortfalls, type UnitState } from '@yastik/core/run'
import { computed } from 'vue'
import { t } from '../words/words.ts'

const props = defineProps<{ state: UnitState }>()
const words = computed(() => {
  const open = shortfalls(props.state).length
  // While parts are off, counts are open as they should be; once all is back, power waits for them.
  if (open > 0) return props.state.tray.length === 0 ? t('screen.work.counts-open-power-waits', { open }) : t('screen.work.counts-open', { open })
  const excepted = props.state.ledger.filter((entry) => entry.out > entry.in && entry.backCounted && exceptionFor(props.state, entry))
  const short = excepted.reduce((sum, { out, in: back }) => sum + out - back, 0)
  return short > 0 ? t('screen.work.short-owners-exception', { short }) : t('screen.work.ledger-balances-far')
})
</script>

<template>
  <span class="small" data-ledger>{{ words }}</span>
</template>
