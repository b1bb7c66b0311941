<script setup lang="ts">
// What is mixed for a unit, how much water comes of it, what is to be expected once it is clean, and what stays as it is.
import type { UnitPlan } from '@yastik/core/plan'
import type { Product } from '@yastik/core/products'
import { round } from '@yastik/core/quantities'
import { type Part } from '@yastik/core/units'
import { computed } from 'vue'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ plan: UnitPlan; products: readonly Product[] }>()
const { quantity, say } = useMeasures()
const productName = (id: string) => props.products.find((product) => product.id === id)?.name ?? id
const partWords = (part: Part) =>
  part === 'coilFace' ? t('screen.method.coil') : part === 'condenserFace' ? t('screen.method.condenser') : t(`names.part.${part}`)
const percent = (share: number) => (share < 0.01 ? t('screen.method.less-than-1') : `${Math.round(share * 100)} %`)
const columns = computed(() => [
  { key: 'product', says: t('screen.method.product') },
  { key: 'dilution', says: t('screen.method.parts'), number: true },
  { key: 'productL', says: t('screen.method.product'), number: true },
  { key: 'waterL', says: t('screen.method.water-2'), number: true },
])
</script>

<template>
  <template v-if="plan.mixes.length > 0">
    <h2 class="ruled-top">{{ t('screen.method.mix') }}</h2>
    <Ledger :title="t('screen.method.mix')" :rows="plan.mixes" :columns="columns" :row-key="(mix) => mix.productId + mix.part">
      <template #product="{ row }">
        {{ say(productName(row.productId)) }}<br /><small>{{ partWords(row.part) }}</small>
      </template>
      <template #dilution="{ row }">{{ row.dilution ? `1:${row.dilution}` : t('screen.method.ready') }}</template>
      <template #productL="{ row }">{{ quantity(round(row.productL, 3), 'L') }}</template>
      <template #waterL="{ row }">{{ quantity(round(row.waterL, 3), 'L') }}</template>
    </Ledger>
  </template>
  <p v-if="plan.washWater">
    {{ t('screen.method.about-water-all', { litres: quantity(plan.washWater.litres, 'L') })
    }}<template v-if="plan.washWater.caughtL">{{ t('screen.method.comes-down-unit', { caughtL: quantity(plan.washWater.caughtL, 'L') }) }}</template
    >.
    <template v-if="plan.washWater.peakLevelShare > 0">{{
      t('screen.method.catches-fills', {
        peakLevelShare: percent(plan.washWater.peakLevelShare),
        changeBucket:
          plan.washWater.bucketChanges > 0
            ? t('screen.method.change-bucket', { bucketChanges: plan.washWater.bucketChanges })
            : t('screen.method.one-bucket-takes'),
      })
    }}</template>
  </p>
  <p>
    {{
      t('screen.method.expected-once-clean-split-air', {
        cleanSplitK: quantity(plan.expected.cleanSplitK ?? 0, 'K'),
        cleanCoolingKw: quantity(plan.expected.cleanCoolingKw ?? 0, 'kW'),
        condensateLPerDay: quantity(plan.expected.condensateLPerDay, 'L'),
      })
    }}
  </p>
  <div v-if="plan.notReached.length > 0">
    <h3>{{ t('screen.method.not-reached-not-clean') }}</h3>
    <ul>
      <li v-for="left in plan.notReached" :key="left.part">{{ t(`names.part.${left.part}`) }}: {{ say(left.because) }}</li>
    </ul>
  </div>
</template>
