<script setup lang="ts">
// What is mixed for a unit, how much water comes of it, what is to be expected once it is clean, and what stays as it is.
import type { UnitPlan } from '@yastik/core/plan'
import type { Product } from '@yastik/core/products'
import { round } from '@yastik/core/quantities'
import { partNames, type Part } from '@yastik/core/units'
import { computed } from 'vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'

const props = defineProps<{ plan: UnitPlan; products: readonly Product[] }>()
const { quantity, say } = useMeasures()
const productName = (id: string) => props.products.find((product) => product.id === id)?.name ?? id
const partWords = (part: Part) => (part === 'coilFace' ? 'coil' : part === 'condenserFace' ? 'condenser' : partNames[part])
const percent = (share: number) => (share < 0.01 ? 'less than 1 %' : `${Math.round(share * 100)} %`)
const columns = computed(() => [
  { key: 'product', says: 'Product' },
  { key: 'dilution', says: 'Parts', number: true },
  { key: 'productL', says: 'Product', number: true },
  { key: 'waterL', says: 'Water', number: true },
])
</script>

<template>
  <template v-if="plan.mixes.length > 0">
    <h2 class="ruled-top">To mix</h2>
    <Ledger title="To mix" :rows="plan.mixes" :columns="columns" :row-key="(mix) => mix.productId + mix.part">
      <template #product="{ row }">
        {{ productName(row.productId) }}<br /><small>{{ partWords(row.part) }}</small>
      </template>
      <template #dilution="{ row }">{{ row.dilution ? `1:${row.dilution}` : 'ready' }}</template>
      <template #productL="{ row }">{{ quantity(round(row.productL, 3), 'L') }}</template>
      <template #waterL="{ row }">{{ quantity(round(row.waterL, 3), 'L') }}</template>
    </Ledger>
  </template>
  <p v-if="plan.washWater">
    About {{ quantity(plan.washWater.litres, 'L') }} of water in all<template v-if="plan.washWater.caughtL"
      >, {{ quantity(plan.washWater.caughtL, 'L') }} of it comes down at the unit</template
    >.
    <template v-if="plan.washWater.peakLevelShare > 0"
      >What catches it fills to {{ percent(plan.washWater.peakLevelShare) }}.
      {{ plan.washWater.bucketChanges > 0 ? `Change the bucket ${plan.washWater.bucketChanges}×.` : 'One bucket takes it.' }}</template
    >
  </p>
  <p>
    Expected once clean: a split of {{ quantity(plan.expected.cleanSplitK ?? 0, 'K') }} and {{ quantity(plan.expected.cleanCoolingKw ?? 0, 'kW') }} at
    this air; {{ quantity(plan.expected.condensateLPerDay, 'L') }} of condensate a day.
  </p>
  <div v-if="plan.notReached.length > 0">
    <h3>Not reached, or not clean</h3>
    <ul>
      <li v-for="left in plan.notReached" :key="left.part">{{ partNames[left.part] }}: {{ say(left.because) }}</li>
    </ul>
  </div>
</template>
