<script setup lang="ts">
// What an accepted quote really took and earned, beside what was reckoned with.
import { durationWords } from '@yastik/core/quantities'
import type { QuoteRecord } from '@yastik/core/wire'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { usePlace } from '../measures/usePlace.ts'

const props = defineProps<{ outcome: NonNullable<QuoteRecord['outcome']> }>()
const emit = defineEmits<{ visit: [] }>()
const place = usePlace()
const minutesMore = (minutes: number) => `${minutes < 0 ? '−' : '+'}${durationWords(Math.abs(minutes))}`
const rows = computed(() => {
  const { plannedMin, realMin, plannedProduct, realProduct, plannedMargin, realMargin } = props.outcome
  return [
    { says: 'Time of hands', planned: plannedMin, real: realMin, words: durationWords, difference: minutesMore },
    { says: 'Product', planned: plannedProduct, real: realProduct, words: place.money, difference: place.change },
    { says: 'Left after people and product', planned: plannedMargin, real: realMargin, words: place.money, difference: place.change },
  ]
})
const columns = [
  { key: 'says', says: 'What' },
  { key: 'planned', says: 'Reckoned', number: true },
  { key: 'real', says: 'Really', number: true },
  { key: 'more', says: 'Difference', number: true },
]
const isDone = computed(() => props.outcome.done === props.outcome.units)
</script>

<template>
  <section class="stack outcome" data-outcome>
    <div class="spread">
      <h2>{{ isDone ? 'What came of it' : `Accepted: ${outcome.done} of ${outcome.units} units handed over` }}</h2>
      <Tap class="no-print" @click="emit('visit')">Open the visit</Tap>
    </div>
    <Ledger v-if="isDone" title="What it took, beside what was reckoned" :rows="rows" :columns="columns" :row-key="({ says }) => says">
      <template #planned="{ row }">{{ row.words(row.planned) }}</template>
      <template #real="{ row }"
        ><b>{{ row.words(row.real) }}</b></template
      >
      <template #more="{ row }">{{ row.difference(row.real - row.planned) }}</template>
    </Ledger>
    <p v-if="isDone" class="small">
      {{ Math.round(outcome.measuredShare * 100) }} % of the minutes were timed; the rest counts as planned. Travel and overheads are not in it.
    </p>
  </section>
</template>

<style scoped>
.outcome {
  border: 2px solid var(--ink);
  padding: 0.8rem;
}
</style>
