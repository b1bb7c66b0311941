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
import { t } from '../words/words.ts'

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
const choices = computed(() => props.products.map(({ id, name }) => ({ value: id, says: say(name) })))
const sides: { value: UseWay; says: string }[] = [
  { value: 'rinsed', says: t('screen.method.breathed-air-coil-rinsed') },
  { value: 'unrinsed', says: t('screen.method.breathed-air-coil-not-rinsed') },
  { value: 'outdoors', says: t('screen.method.condenser') },
]
const places: { value: Place; says: string }[] = [
  { value: 'coatedFins', says: t('screen.method.coated-fins') },
  { value: 'foodArea', says: t('screen.method.food-area') },
  { value: 'sensitiveOccupants', says: t('screen.method.sensitive-people') },
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
    ...(clash ? [t('screen.method.after', { product: product.value.name, before: before.value?.name, clash: say(clash) })] : []),
    ...reasonsAgainst(product.value, use, side.value).map(say),
  ]
})
const result = computed<{ mix?: Mix; wrong?: string }>(() => {
  const wrong = (what: string) => ({ wrong: what })
  if (!product.value) return wrong(t('screen.method.no-product-chosen'))
  if (!(areaM2.value !== undefined && areaM2.value > 0 && areaM2.value <= 20)) return wrong(t('screen.method.wrong-area'))
  if (!(passes.value !== undefined && Number.isInteger(passes.value) && passes.value >= 1 && passes.value <= 5))
    return wrong(t('screen.method.wrong-passes'))
  if (dilution.value === undefined || Number.isNaN(dilution.value)) return wrong(t('screen.method.wrong-parts-of-water'))
  const [least, most] = product.value.label.dilution ?? [0, 0]
  if (dilution.value < least || dilution.value > most)
    return wrong(
      t('screen.method.outside-label', { product: product.value.name, dilution: { n: dilution.value }, least: { n: least }, most: { n: most } }),
    )
  return { mix: mix(product.value, areaM2.value, passes.value, dilution.value) }
})
const left = computed(() => {
  const { inStockLitres } = product.value ?? {}
  return inStockLitres === undefined || !result.value.mix ? undefined : Math.round((inStockLitres - result.value.mix.productL) * 1000) / 1000
})
</script>

<template>
  <section class="mixer ruled" :aria-label="t('screen.method.mixing-calculator')">
    <h2>{{ t('screen.method.mix-2') }}</h2>
    <div class="fields">
      <Field :label="t('screen.method.product')"><Pick v-model="productId" name="mix-product" :options="choices" /></Field>
      <Field :label="t('screen.method.part-before')"
        ><Pick v-model="beforeId" name="mix-before" :options="[{ value: '', says: t('screen.method.nothing-before') }, ...choices]"
      /></Field>
      <Field :label="t('screen.method.rated-cooling')" :unit="unit('kW')"><NumberField v-model="coolingKw" si="kW" name="mix-kw" /></Field>
      <Field :label="t('screen.method.area')" unit="m²"><NumberField v-model="areaM2" name="mix-area" /></Field>
      <Field :label="t('screen.method.passes')"><NumberField v-model="passes" name="mix-passes" /></Field>
      <Field
        :label="
          t('screen.method.parts-water', {
            dilution: product?.label.dilution
              ? t('screen.method.parts-from-to', { least: product.label.dilution[0], most: product.label.dilution[1] })
              : '',
          })
        "
        ><NumberField v-model="dilution" name="mix-dilution"
      /></Field>
    </div>
    <Choice v-model="side" :label="t('screen.method.goes')" mark="side" :options="sides" />
    <div class="row">
      <Ticks v-model="here" :label="t('screen.method.what-there-is')" mark="place" :options="places" />
      <Tick v-if="beforeId" v-model="rinsedBetween" data-rinsed>{{ t('screen.method.rinsed-clear-between') }}</Tick>
    </div>
    <div v-if="stops.length > 0" class="stop" role="alert" data-stop>
      <b>{{ t('screen.method.stop') }}</b>
      <ul>
        <li v-for="stop in stops" :key="stop">{{ stop }}</li>
      </ul>
    </div>
    <p v-else-if="result.wrong" role="alert" data-wrong>{{ result.wrong }}</p>
    <div v-else-if="result.mix && product" class="figures" data-mix>
      <div>
        <span class="figure"
          >{{ reading(result.mix.productL, 'L').figure
          }}<small>{{ t('screen.method.product-2', { unit: reading(result.mix.productL, 'L').unit }) }}</small></span
        >
      </div>
      <div>
        <span class="figure"
          >{{ reading(round(result.mix.waterL, 3), 'L').figure
          }}<small>{{ t('screen.method.water-4', { unit: reading(result.mix.waterL, 'L').unit }) }}</small></span
        >
      </div>
      <div v-if="result.mix.cost !== undefined">
        <span class="figure"
          >{{ money(result.mix.cost) }}<small>{{ t('screen.method.cost') }}</small></span
        >
      </div>
      <div v-if="left !== undefined">
        <span class="figure"
          >{{ reading(left, 'L').figure
          }}<small>{{
            t('screen.method.left-van', { unit: reading(left, 'L').unit, tooLittle: left < 0 ? t('screen.method.too-little') : '' })
          }}</small></span
        >
      </div>
    </div>
    <p class="small">{{ t('screen.method.gloves-goggles-windows-open-label') }}</p>
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
