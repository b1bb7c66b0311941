<script setup lang="ts">
// The mixing calculator on its own: product, area, passes and strength → litres, cost, what is left; and what must not be mixed or used here.
import { dilutionFor, mix, reasonsAgainst, unrinsedClash, type Mix, type Product, type UseWay } from '@yastik/core/products'
import { round } from '@yastik/core/quantities'
import { coilAreaM2 } from '@yastik/core/units'
import { computed, ref, watch } from 'vue'
import NumberField from '../kit/NumberField.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Field from '../kit/Field.vue'
import Pick from '../kit/Pick.vue'
import Choice from '../kit/Choice.vue'
import Ticks from '../kit/Ticks.vue'
import Tick from '../kit/Tick.vue'

const { reading, unit, say } = useMeasures()
const { money } = usePlace()
const props = defineProps<{ products: readonly Product[]; householdAllowed: boolean }>()
type Place = 'coatedFins' | 'foodArea' | 'sensitiveOccupants'
const productId = ref(props.products[0]?.id ?? '')
const beforeId = ref('')
const rinsedBetween = ref(false)
const coolingKw = ref<number | undefined>(3.5)
const areaM2 = ref<number | undefined>(coilAreaM2({ ratedCoolingKw: 3.5 }))
const passes = ref<number | undefined>(1)
const dilution = ref<number>()
const side = ref<UseWay>('rinsed')
const here = ref<Place[]>([])
const place = computed(() => ({
  coatedFins: here.value.includes('coatedFins'),
  foodArea: here.value.includes('foodArea'),
  sensitiveOccupants: here.value.includes('sensitiveOccupants'),
}))
const choices = computed(() => props.products.map(({ id, name }) => ({ value: id, says: name })))
const sides: { value: UseWay; says: string }[] = [
  { value: 'rinsed', says: 'breathed-air coil, rinsed' },
  { value: 'unrinsed', says: 'breathed-air coil, not rinsed' },
  { value: 'outdoors', says: 'condenser' },
]
const places: { value: Place; says: string }[] = [
  { value: 'coatedFins', says: 'coated fins' },
  { value: 'foodArea', says: 'food area' },
  { value: 'sensitiveOccupants', says: 'sensitive people' },
]

const product = computed(() => props.products.find(({ id }) => id === productId.value))
const before = computed(() => props.products.find(({ id }) => id === beforeId.value))
watch(product, (next) => (dilution.value = next && dilutionFor(next, false)), { immediate: true })
watch(coolingKw, (kw) => {
  if (kw !== undefined && kw > 0) areaM2.value = Math.round(coilAreaM2({ ratedCoolingKw: kw }) * 1000) / 1000
})

const stops = computed(() => {
  if (!product.value) return []
  const use = { ...place.value, neutralOnly: place.value.coatedFins, householdAllowed: props.householdAllowed }
  const clash = before.value && unrinsedClash(before.value, product.value, rinsedBetween.value)
  return [
    ...(clash ? [`${product.value.name} after ${before.value?.name}: ${say(clash)}`] : []),
    ...reasonsAgainst(product.value, use, side.value).map(say),
  ]
})
const result = computed<{ mix?: Mix; wrong?: string }>(() => {
  const wrong = (what: string) => ({ wrong: what })
  if (!product.value) return wrong('no product is chosen')
  if (!(areaM2.value !== undefined && areaM2.value > 0 && areaM2.value <= 20)) return wrong('area: more than 0, at most 20 m²')
  if (!(passes.value !== undefined && Number.isInteger(passes.value) && passes.value >= 1 && passes.value <= 5)) return wrong('passes: 1 to 5')
  if (dilution.value === undefined || Number.isNaN(dilution.value)) return wrong('parts of water: a number from the label')
  try {
    return { mix: mix(product.value, areaM2.value, passes.value, dilution.value) }
  } catch (error) {
    return wrong(error instanceof Error ? error.message : String(error))
  }
})
const left = computed(() => {
  const { inStockLitres } = product.value ?? {}
  return inStockLitres === undefined || !result.value.mix ? undefined : Math.round((inStockLitres - result.value.mix.productL) * 1000) / 1000
})
</script>

<template>
  <section class="mixer ruled" aria-label="Mixing calculator">
    <h2>Mix</h2>
    <div class="fields">
      <Field label="Product"><Pick v-model="productId" name="mix-product" :options="choices" /></Field>
      <Field label="On this part before"><Pick v-model="beforeId" name="mix-before" :options="[{ value: '', says: 'nothing' }, ...choices]" /></Field>
      <Field label="Rated cooling" :unit="unit('kW')"><NumberField v-model="coolingKw" si="kW" name="mix-kw" /></Field>
      <Field label="Area" unit="m²"><NumberField v-model="areaM2" name="mix-area" /></Field>
      <Field label="Passes"><NumberField v-model="passes" name="mix-passes" /></Field>
      <Field :label="`Parts of water${product?.label.dilution ? `, ${product.label.dilution.join(' to ')}` : ''}`"
        ><NumberField v-model="dilution" name="mix-dilution"
      /></Field>
    </div>
    <Choice v-model="side" label="Where it goes" mark="side" :options="sides" />
    <div class="row">
      <Ticks v-model="here" label="What there is" mark="place" :options="places" />
      <Tick v-if="beforeId" v-model="rinsedBetween" data-rinsed>rinsed clear between</Tick>
    </div>
    <div v-if="stops.length > 0" class="stop" role="alert" data-stop>
      <b>Stop.</b>
      <ul>
        <li v-for="stop in stops" :key="stop">{{ stop }}</li>
      </ul>
    </div>
    <p v-else-if="result.wrong" role="alert" data-wrong>{{ result.wrong }}</p>
    <div v-else-if="result.mix && product" class="figures" data-mix>
      <div>
        <span class="figure"
          >{{ reading(result.mix.productL, 'L').figure }}<small>{{ reading(result.mix.productL, 'L').unit }} of product</small></span
        >
      </div>
      <div>
        <span class="figure"
          >{{ reading(round(result.mix.waterL, 3), 'L').figure }}<small>{{ reading(result.mix.waterL, 'L').unit }} of water</small></span
        >
      </div>
      <div v-if="result.mix.cost !== undefined">
        <span class="figure">{{ money(result.mix.cost) }}<small>cost</small></span>
      </div>
      <div v-if="left !== undefined">
        <span class="figure"
          >{{ reading(left, 'L').figure }}<small>{{ reading(left, 'L').unit }} left in the van{{ left < 0 ? ': too little' : '' }}</small></span
        >
      </div>
    </div>
    <p class="small">Gloves and goggles, windows open. The label in your hand comes before what is written here.</p>
  </section>
</template>

<style scoped>
.mixer {
  padding: 0.9rem;
  display: flex;
  flex-direction: column;
  gap: 0.8rem;
}
.stop {
  border-left: 6px double var(--now);
  padding-left: 0.8rem;
}
.stop ul {
  margin: 0;
}
</style>
