<script setup lang="ts">
// The label of one product as a card: what it is, what it may touch, how it is mixed, what is left of it.
import type { Product } from '@yastik/core/products'
import { durationWords } from '@yastik/core/quantities'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ product: Product; mayEdit: boolean }>()
const { quantity, say } = useMeasures()
const { money } = usePlace()
const emit = defineEmits<{ edit: [] }>()

const range = (limits: readonly [number, number] | undefined, unit = '') =>
  limits === undefined
    ? t('screen.stores.not-label')
    : limits[0] === limits[1]
      ? `${limits[0]}${unit}`
      : t('screen.stores.to', { limits: limits[0], limits2: limits[1], unit })
const rinses: Record<Product['label']['rinse'], string> = {
  required: t('screen.stores.rinsed-off'),
  optional: t('screen.stores.rinse-draw-off'),
  'self-rinsing': t('screen.stores.condensate-carries-off'),
  none: t('screen.stores.stays-laid'),
}
const lines = computed(() => {
  const { label, packLitres, pricePerPack } = props.product
  const ready = label.dilution === undefined || (label.dilution[0] === 0 && label.dilution[1] === 0)
  return [
    ['pH', range(label.pH)],
    [t('screen.stores.parts-water'), ready ? t('screen.stores.ready-use') : range(label.dilution)],
    [t('screen.stores.part'), range(label.dwellMin, ' min')],
    [t('screen.stores.rinse'), rinses[label.rinse]],
    [t('screen.stores.room-again-after'), label.reentryMin ? durationWords(label.reentryMin) : t('screen.stores.once')],
    ...(label.lifeWeeks ? [[t('screen.stores.lasts'), t('screen.stores.weeks', { weeks: label.lifeWeeks })]] : []),
    [
      t('screen.stores.pack-2'),
      packLitres
        ? `${quantity(packLitres, 'L')}${pricePerPack === undefined ? '' : ` ${t('screen.stores.at', { money: money(pricePerPack) })}`}`
        : t('screen.stores.not-noted'),
    ],
    [t('screen.stores.cost-per-litre'), packLitres && pricePerPack !== undefined ? money(pricePerPack / packLitres) : t('screen.stores.not-known')],
  ]
})
const allowed = computed(() => {
  const { label, household } = props.product
  return [
    { says: t('screen.stores.indoors'), holds: label.indoorSafe },
    { says: t('screen.stores.bare-aluminium'), holds: label.aluminiumSafe },
    { says: t('screen.stores.coated-fins'), holds: label.coatedFinsSafe === true },
    { says: t('screen.stores.food-areas'), holds: label.foodAreaAllowed === true },
    { says: t('screen.stores.sensitive-people-about'), holds: label.fragranced !== true },
    ...(household ? [{ says: t('screen.stores.household-product'), holds: true }] : []),
  ]
})
</script>

<template>
  <article class="card" :data-product="product.id">
    <header class="spread">
      <div>
        <h3>{{ say(product.name) }}</h3>
        <small>{{ t(`names.class.${product.class}`) }}</small>
      </div>
      <Tap v-if="mayEdit" bare @click="emit('edit')">{{ t('screen.stores.change-label') }}</Tap>
    </header>
    <dl>
      <div v-for="[what, value] in lines" :key="what">
        <dt>{{ what }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <ul class="plain marks">
      <li v-for="mark in allowed" :key="mark.says" :class="{ never: !mark.holds }">
        <span aria-hidden="true">{{ mark.holds ? '●' : '○' }}</span> {{ mark.holds ? '' : `${t('screen.stores.not')} ` }}{{ mark.says }}
      </li>
    </ul>
    <p class="spread">
      <span>{{
        product.inStockLitres === undefined
          ? t('screen.stores.not-counted')
          : t('screen.stores.van-3', { inStockLitres: quantity(product.inStockLitres, 'L') })
      }}</span>
      <RouterLink :to="{ name: 'stock', query: { product: product.id } }" class="small">{{ t('screen.stores.count-2') }}</RouterLink>
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
