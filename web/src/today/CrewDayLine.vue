<script setup lang="ts">
// The day of people who go together: their visits in order, and where on it the clock stands.
import { clockWords } from '@yastik/core/quantities'
import { isLongDay } from '@yastik/core/rounds'
import { computed } from 'vue'
import type { Crew } from './useDay.ts'
import VisitSheet from './VisitSheet.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ crew: Crew; nowMin: number }>()
const emit = defineEmits<{ changed: [] }>()
/** The clock stands above the first visit that is not over. */
const endMin = computed(() => props.crew.cards.at(-1)?.stop?.endMin)
const isLong = computed(() => endMin.value !== undefined && isLongDay(endMin.value))
const nowAt = computed(() => {
  const at = props.crew.cards.findIndex(({ stop }) => stop?.state !== 'done')
  return at < 0 ? props.crew.cards.length : at
})
</script>

<template>
  <section class="line" :aria-label="crew.people.join(', ')" data-crew-line>
    <header class="spread">
      <h2>{{ crew.people.join(', ') }}</h2>
      <span v-if="endMin !== undefined" class="small" :class="{ long: isLong }" data-until
        >{{ t('screen.today.until', { endMin: clockWords(endMin) }) }}<template v-if="isLong">{{ t('screen.today.longer-than-day') }}</template></span
      >
    </header>
    <template v-for="(card, index) in crew.cards" :key="card.job.id">
      <p v-if="index === nowAt" class="now" data-now>{{ t('screen.today.now', { nowMin: clockWords(nowMin) }) }}</p>
      <VisitSheet :card="card" @changed="emit('changed')" />
    </template>
    <p v-if="nowAt === crew.cards.length" class="now" data-now>{{ t('screen.today.now-all-handed-over', { nowMin: clockWords(nowMin) }) }}</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-direction: column;
  gap: 0.7rem;
  min-width: 0;
}
.long {
  text-decoration: underline wavy var(--now) 1px;
  text-underline-offset: 0.3em;
  color: var(--ink);
}
.now {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  font-size: 0.9rem;
  white-space: nowrap;
}
.now::after {
  content: '';
  flex: 1;
  border-top: 2px dashed var(--now);
}
</style>
