<script setup lang="ts">
// How long a unit dries in this air, what to bear in mind, and its steps.
import { dryingSentence, type UnitPlan } from '@yastik/core/plan'
import { workOrder, type Step } from '@yastik/core/procedure'
import { dryingWays, type DryingWay } from '@yastik/core/wash'
import { computed } from 'vue'
import Fold from '../kit/Fold.vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import type { Sentence } from '@yastik/core/words'
import { t } from '../words/words.ts'

const props = defineProps<{ plan: UnitPlan; visitSteps: readonly Step[]; warnings: readonly Sentence[] }>()
/** All of its work, what it shares with its visit included. */
const steps = computed(() => workOrder(props.plan.id, props.plan.steps, props.visitSteps).map(({ step }) => step))
const { say } = useMeasures()
const drying = computed(() => {
  const parts = [...new Set(props.plan.drying.map(({ part }) => part))]
  return parts.map((part) => {
    const own = props.plan.drying.filter((entry) => entry.part === part)
    return { part, minutes: Object.fromEntries(own.map(({ how, minutes }) => [how, minutes])) as Partial<Record<DryingWay, number>> }
  })
})
const wayNames: Record<DryingWay, string> = {
  'still-air': t('screen.method.still-air'),
  fan: t('screen.method.fan'),
  'unit-fan': t('screen.method.own-fan'),
}
const columns = [{ key: 'part', says: t('screen.method.part') }, ...dryingWays.map((how) => ({ key: how, says: wayNames[how], number: true }))]
</script>

<template>
  <Fold v-if="plan.drying.length > 0" :title="t('screen.method.drying-air')">
    <Ledger :title="t('screen.method.drying-air')" data-drying :rows="drying" :columns="columns" :row-key="({ part }) => part">
      <template #part="{ row }">{{ t(`names.part.${row.part}`) }}</template>
      <template v-for="how in dryingWays" #[how]="{ row }" :key="how">{{
        row.minutes[how] === undefined ? '–' : `${row.minutes[how]} min`
      }}</template>
    </Ledger>
    <p v-if="plan.afterRun" class="small" data-after-run>{{ say(dryingSentence(plan.afterRun)) }}</p>
  </Fold>
  <h3>{{ t('screen.method.bear-mind') }}</h3>
  <ul class="small">
    <li v-for="(warning, at) in warnings" :key="at">{{ say(warning) }}</li>
  </ul>
  <Fold :title="t('screen.method.steps', { steps: steps.length })">
    <ol class="small">
      <li v-for="entry in steps" :key="entry.id">
        {{ say(entry.title) }}
        <span v-if="entry.wait">{{ t('screen.method.min', { leastMin: entry.wait.leastMin, for: say(entry.wait.for) }) }}</span>
      </li>
    </ol>
  </Fold>
</template>
