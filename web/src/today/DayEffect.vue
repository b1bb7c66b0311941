<script setup lang="ts">
// What a change makes of the day of those who go: each of their visits, when it was and when it would be.
import type { DayStop } from '@yastik/core/rounds'
import { durationWords } from '@yastik/core/quantities'
import { spanWords } from './stopWords.ts'
import { t } from '../words/words.ts'

defineProps<{ rows: readonly { id: string; name: string; isOwn: boolean; before?: DayStop; after: DayStop }[] }>()
</script>

<template>
  <ol class="plain" data-effect>
    <li v-for="{ id, name, isOwn, before, after } in rows" :key="id" :class="{ own: isOwn }">
      <span>{{ name }}</span>
      <span>
        <s v-if="before && spanWords(before) !== spanWords(after)" class="small">{{ spanWords(before) }}</s>
        <b>{{ spanWords(after) }}</b>
        <small v-if="after.isLate" class="late">{{ t('screen.today.late', { lateMin: durationWords(after.lateMin) }) }}</small>
      </span>
    </li>
  </ol>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0.2rem 1rem;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.35rem 0;
}
.own {
  border-left: 4px solid var(--ink);
  padding-left: 0.5rem;
}
li b {
  margin: 0 0.4rem;
}
.late {
  text-decoration: underline wavy var(--now) 1px;
  text-underline-offset: 0.3em;
}
</style>
