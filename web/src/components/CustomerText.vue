<script setup lang="ts">
// What the customer is told in writing about this unit, ready to be copied or read aloud.
import { ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import Tap from '../kit/Tap.vue'
import type { Language, Sentence } from '@yastik/core/words'
import { sayError, t } from '../words/words.ts'

const { say } = useMeasures()
const props = defineProps<{
  text: Sentence
  /** Whether it was handed over with this text; before that it is what will be said once all is done. */
  given: boolean
  /** In which language it is said. */
  language: Language
}>()
const said = ref('')
async function copy() {
  try {
    await navigator.clipboard.writeText(say(props.text))
    said.value = t('screen.report.copied')
  } catch (error) {
    said.value = t('screen.report.not-copied-mark-text-copy', { message: sayError(error) })
  }
}
</script>

<template>
  <section class="stack customer" :aria-label="t('screen.report.customer')">
    <h3>{{ given ? t('screen.report.customer-told') : t('screen.report.customer-once-done') }}</h3>
    <blockquote data-customer-text :lang="language">{{ say(text) }}</blockquote>
    <div class="row no-print">
      <Tap @click="copy">{{ t('screen.report.copy-text') }}</Tap><span role="status" class="small">{{ said }}</span>
    </div>
  </section>
</template>

<style scoped>
blockquote {
  margin: 0;
  padding: 0.2rem 0 0.2rem 0.9rem;
  border-left: var(--rule-width) solid var(--ink);
  max-width: 46rem;
}
</style>
