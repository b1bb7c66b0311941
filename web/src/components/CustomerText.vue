<script setup lang="ts">
// What the customer is told in writing about this unit, ready to be copied or read aloud.
import { ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import Tap from '../kit/Tap.vue'
import type { Sentence } from '@yastik/core/words'

const { say } = useMeasures()
const props = defineProps<{
  text: Sentence
  /** Whether it was handed over with this text; before that it is what will be said once all is done. */
  given: boolean
}>()
const said = ref('')
async function copy() {
  try {
    await navigator.clipboard.writeText(say(props.text))
    said.value = 'Copied.'
  } catch (error) {
    said.value = `Not copied (${error instanceof Error ? error.message : String(error)}): mark the text and copy it by hand.`
  }
}
</script>

<template>
  <section class="stack customer" aria-label="For the customer">
    <h3>{{ given ? 'What the customer was told' : 'For the customer, once it is done' }}</h3>
    <blockquote data-customer-text>{{ say(text) }}</blockquote>
    <div class="row no-print">
      <Tap @click="copy">Copy the text</Tap><span role="status" class="small">{{ said }}</span>
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
