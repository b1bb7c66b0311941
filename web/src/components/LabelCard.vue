<script setup lang="ts">
// The label of one product as a card: what it is, what it may touch, how it is mixed, what is left of it.
import type { Product } from '@yastik/core/products'
import { counted, durationWords } from '@yastik/core/quantities'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ product: Product; mayEdit: boolean }>()
const { quantity } = useMeasures()
const { money } = usePlace()
const emit = defineEmits<{ edit: [] }>()

const range = (limits: readonly [number, number] | undefined, unit = '') =>
  limits === undefined ? 'not on the label' : limits[0] === limits[1] ? `${limits[0]}${unit}` : `${limits[0]} to ${limits[1]}${unit}`
const rinses: Record<Product['label']['rinse'], string> = {
  required: 'has to be rinsed off',
  optional: 'rinse or draw off',
  'self-rinsing': 'condensate carries it off',
  none: 'stays where it is laid',
}
const lines = computed(() => {
  const { label, packLitres, pricePerPack } = props.product
  const ready = label.dilution === undefined || (label.dilution[0] === 0 && label.dilution[1] === 0)
  return [
    ['pH', range(label.pH)],
    ['Parts of water', ready ? 'ready to use' : range(label.dilution)],
    ['On the part', range(label.dwellMin, ' min')],
    ['Rinse', rinses[label.rinse]],
    ['Room again after', label.reentryMin ? durationWords(label.reentryMin) : 'at once'],
    ...(label.lifeWeeks ? [['Lasts', counted(label.lifeWeeks, 'week')]] : []),
    ['Pack', packLitres ? `${quantity(packLitres, 'L')}${pricePerPack === undefined ? '' : ` at ${money(pricePerPack)}`}` : 'not noted'],
    ['Cost per litre', packLitres && pricePerPack !== undefined ? money(pricePerPack / packLitres) : 'not known'],
  ]
})
const allowed = computed(() => {
  const { label, household } = props.product
  return [
    { says: 'indoors', holds: label.indoorSafe },
    { says: 'bare aluminium', holds: label.aluminiumSafe },
    { says: 'coated fins', holds: label.coatedFinsSafe === true },
    { says: 'food areas', holds: label.foodAreaAllowed === true },
    { says: 'sensitive people about', holds: label.fragranced !== true },
    ...(household ? [{ says: 'household product', holds: true }] : []),
  ]
})
</script>

<template>
  <article class="card" :data-product="product.id">
    <header class="spread">
      <div>
        <h3>{{ product.name }}</h3>
        <small>{{ product.class.replaceAll('-', ' ') }}</small>
      </div>
      <Tap v-if="mayEdit" bare @click="emit('edit')">Change the label</Tap>
    </header>
    <dl>
      <div v-for="[what, value] in lines" :key="what">
        <dt>{{ what }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <ul class="plain marks">
      <li v-for="mark in allowed" :key="mark.says" :class="{ never: !mark.holds }">
        <span aria-hidden="true">{{ mark.holds ? '●' : '○' }}</span> {{ mark.holds ? '' : 'not ' }}{{ mark.says }}
      </li>
    </ul>
    <p class="spread">
      <span>{{ product.inStockLitres === undefined ? 'not counted' : `${quantity(product.inStockLitres, 'L')} in the van` }}</span>
      <RouterLink :to="{ name: 'stock', query: { product: product.id } }" class="small">Count it</RouterLink>
    </p>
  </article>
</template>

<style scoped>
.card {
  border: var(--rule-width) solid var(--ink);
  padding: 0.8rem 0.9rem;
  display: flex;
  flex-direction: column;
  gap: 0.6rem;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.12rem 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
  text-align: right;
}
.marks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 0.8rem;
  font-size: 0.9rem;
}
.never {
  color: var(--ink-soft);
}
</style>
