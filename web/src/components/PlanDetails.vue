<script setup lang="ts">
// How long a unit dries in this air, what to bear in mind, and its steps.
import type { UnitPlan } from '@yastik/core/plan'
import { partNames } from '@yastik/core/units'
import { dryingAdvice, dryingWays, type DryingWay } from '@yastik/core/wash'
import { computed } from 'vue'
import Fold from '../kit/Fold.vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import type { Sentence } from '@yastik/core/words'

const props = defineProps<{ plan: UnitPlan; warnings: readonly Sentence[] }>()
const { say } = useMeasures()
const drying = computed(() => {
  const parts = [...new Set(props.plan.drying.map(({ part }) => part))]
  return parts.map((part) => {
    const own = props.plan.drying.filter((entry) => entry.part === part)
    return { part, minutes: Object.fromEntries(own.map(({ how, minutes }) => [how, minutes])) as Partial<Record<DryingWay, number>> }
  })
})
const dryingSays = computed(() => dryingAdvice(drying.value.map(({ minutes }) => Math.min(...Object.values(minutes)))).advice)
const wayNames: Record<DryingWay, string> = { 'still-air': 'Still air', fan: 'Fan', 'unit-fan': 'Its own fan' }
const columns = [{ key: 'part', says: 'Part' }, ...dryingWays.map((how) => ({ key: how, says: wayNames[how], number: true }))]
</script>

<template>
  <Fold v-if="plan.drying.length > 0" title="Drying, in this air">
    <Ledger title="Drying, in this air" data-drying :rows="drying" :columns="columns" :row-key="({ part }) => part">
      <template #part="{ row }">{{ partNames[row.part] }}</template>
      <template v-for="how in dryingWays" #[how]="{ row }" :key="how">{{
        row.minutes[how] === undefined ? '–' : `${row.minutes[how]} min`
      }}</template>
    </Ledger>
    <p class="small">{{ dryingSays }}</p>
  </Fold>
  <h3>To bear in mind</h3>
  <ul class="small">
    <li v-for="(warning, at) in warnings" :key="at">{{ say(warning) }}</li>
  </ul>
  <Fold :title="`The ${plan.steps.length} steps`">
    <ol class="small">
      <li v-for="entry in plan.steps" :key="entry.id">
        {{ say(entry.title) }} <span v-if="entry.wait">({{ entry.wait.leastMin }} min for {{ say(entry.wait.for) }})</span>
      </li>
    </ol>
  </Fold>
</template>
