<script setup lang="ts">
// A code that sets a password once: shown this one time, to be read out or handed over.
import { t } from '../words/words.ts'
import { dayAndTimeWords } from '../words/when.ts'

defineProps<{ name: string; signIn: string; code: string; until: string }>()
</script>

<template>
  <div class="code" role="status" data-code>
    <p>
      {{ t('screen.frame.for') }} <b>{{ name }}</b>{{ t('screen.frame.signs') }} <b>{{ signIn }}</b>:
    </p>
    <p class="figure" data-code-itself>{{ code }}</p>
    <p class="small">
      {{ t('screen.frame.shown-once-sign-they-choose', { until: dayAndTimeWords(until) }) }}
    </p>
  </div>
</template>

<style scoped>
.code {
  border: 2px solid var(--ink);
  padding: 0.8rem 1.1rem;
  display: grid;
  gap: 0.4rem;
}
.figure {
  letter-spacing: 0.08em;
  user-select: all;
}
</style>
