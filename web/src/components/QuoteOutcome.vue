<script setup lang="ts">
// What an accepted quote really took and earned, beside what was reckoned with.
import { durationWords } from '@yastik/core/quantities'
import type { QuoteRecord } from '@yastik/core/wire'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ outcome: NonNullable<QuoteRecord['outcome']> }>()
const emit = defineEmits<{ visit: [] }>()
const place = usePlace()
const minutesMore = (minutes: number) => `${minutes < 0 ? '−' : '+'}${durationWords(Math.abs(minutes))}`
const rows = computed(() => {
  const { plannedMin, realMin, plannedWaitMin, realWaitMin, plannedProduct, realProduct, plannedMargin, realMargin } = props.outcome
  return [
    { says: t('screen.quotes.time-hands'), planned: plannedMin, real: realMin, words: durationWords, difference: minutesMore },
    { says: t('screen.quotes.waiting-on-site'), planned: plannedWaitMin, real: realWaitMin, words: durationWords, difference: minutesMore },
    { says: t('screen.quotes.product'), planned: plannedProduct, real: realProduct, words: place.money, difference: place.change },
    { says: t('screen.quotes.left-after-people-product'), planned: plannedMargin, real: realMargin, words: place.money, difference: place.change },
  ]
})
const columns = [
  { key: 'says', says: t('screen.quotes.what') },
  { key: 'planned', says: t('screen.quotes.reckoned'), number: true },
  { key: 'real', says: t('screen.quotes.really'), number: true },
  { key: 'more', says: t('screen.quotes.difference'), number: true },
]
const isDone = computed(() => props.outcome.done === props.outcome.units)
</script>

<template>
  <section class="stack outcome" data-outcome>
    <div class="spread">
      <h2>{{ isDone ? t('screen.quotes.came') : t('screen.quotes.accepted-units-handed-over', { done: outcome.done, units: outcome.units }) }}</h2>
      <Tap class="no-print" @click="emit('visit')">{{ t('screen.quotes.open-visit') }}</Tap>
    </div>
    <Ledger v-if="isDone" :title="t('screen.quotes.took-beside-reckoned')" :rows="rows" :columns="columns" :row-key="({ says }) => says">
      <template #planned="{ row }">{{ row.words(row.planned) }}</template>
      <template #real="{ row }"
        ><b>{{ row.words(row.real) }}</b></template
      >
      <template #more="{ row }">{{ row.difference(row.real - row.planned) }}</template>
    </Ledger>
    <p v-if="isDone" class="small">
      {{ t('screen.quotes.minutes-timed-rest-counts-planned', { measuredShare: Math.round(outcome.measuredShare * 100) }) }}
    </p>
  </section>
</template>

<style scoped>
.outcome {
  border: 2px solid var(--ink);
  padding: 0.8rem;
}
</style>
