<script setup lang="ts">
// What an accepted quote really took and earned, beside what was reckoned with.
import type { QuoteRecord } from '@yastik/core/wire'
import { computed } from 'vue'

const props = defineProps<{ outcome: NonNullable<QuoteRecord['outcome']> }>()
const emit = defineEmits<{ visit: [] }>()
const rows = computed(() => {
  const { plannedMin, realMin, plannedProduct, realProduct, plannedMargin, realMargin } = props.outcome
  return [
    { says: 'Minutes of hands', planned: plannedMin, real: realMin, digits: 0 },
    { says: 'Product', planned: plannedProduct, real: realProduct, digits: 2 },
    { says: 'Left after people and product', planned: plannedMargin, real: realMargin, digits: 2 },
  ]
})
const isDone = computed(() => props.outcome.done === props.outcome.units)
const signed = (value: number, digits: number) => `${value > 0 ? '+' : value < 0 ? '−' : ''}${Math.abs(value).toFixed(digits)}`
</script>

<template>
  <section class="stack outcome" data-outcome>
    <div class="spread">
      <h2>{{ isDone ? 'What came of it' : `Accepted: ${outcome.done} of ${outcome.units} units handed over` }}</h2>
      <button class="tap no-print" @click="emit('visit')">Open the visit</button>
    </div>
    <table v-if="isDone" class="ledger">
      <thead>
        <tr>
          <th></th>
          <th class="number">Reckoned</th>
          <th class="number">Really</th>
          <th class="number">Difference</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ says, planned, real, digits } in rows" :key="says">
          <td>{{ says }}</td>
          <td class="number">{{ planned.toFixed(digits) }}</td>
          <td class="number">
            <b>{{ real.toFixed(digits) }}</b>
          </td>
          <td class="number">{{ signed(real - planned, digits) }}</td>
        </tr>
      </tbody>
    </table>
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
