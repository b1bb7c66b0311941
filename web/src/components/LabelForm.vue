<script setup lang="ts">
// Writing a product down from its label. What the label does not say stays open.
import { productClasses, type Product } from '@yastik/core/products'
import { computed } from 'vue'
import { optionsOf } from '../kit/option.ts'
import NumberField from '../kit/NumberField.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Pick from '../kit/Pick.vue'
import Ticks from '../kit/Ticks.vue'
import Choice from '../kit/Choice.vue'

const product = defineModel<Product>({ required: true })
const props = defineProps<{ isNew: boolean }>()
type Label = Product['label']
type Flag = 'indoorSafe' | 'aluminiumSafe' | 'coatedFinsSafe' | 'foodAreaAllowed' | 'fragranced' | 'household'
type Range = 'pH' | 'dilution' | 'dwellMin'

const ranges: { field: Range; says: string }[] = [
  { field: 'pH', says: 'pH' },
  { field: 'dilution', says: 'Parts of water per part; 0 is ready to use' },
  { field: 'dwellMin', says: 'Minutes on the part' },
]
const flags: { value: Flag; says: string }[] = [
  { value: 'indoorSafe', says: 'allowed indoors' },
  { value: 'aluminiumSafe', says: 'allowed on aluminium' },
  { value: 'coatedFinsSafe', says: 'allowed on coated fins' },
  { value: 'foodAreaAllowed', says: 'allowed in food areas' },
  { value: 'fragranced', says: 'scented' },
  { value: 'household', says: 'household product' },
]
const classes = optionsOf(productClasses, (kind) => kind.replaceAll('-', ' '))
const rinses: { value: Label['rinse']; says: string }[] = [
  { value: 'required', says: 'has to be rinsed off' },
  { value: 'optional', says: 'rinse or draw off' },
  { value: 'self-rinsing', says: 'self-rinsing' },
  { value: 'none', says: 'stays' },
]
const numbers: { field: 'packLitres' | 'pricePerPack' | 'inStockLitres'; says: string; si?: 'L' }[] = [
  { field: 'packLitres', says: 'Pack', si: 'L' },
  { field: 'pricePerPack', says: 'Price of a pack' },
  // Later on it is counted in the stock.
  ...(props.isNew ? [{ field: 'inStockLitres' as const, says: 'In the van', si: 'L' as const }] : []),
]

const { unit } = useMeasures()
const place = usePlace()
const setLabel = (change: Partial<Label>) => (product.value = { ...product.value, label: { ...product.value.label, ...change } })
const isOn = (flag: Flag) => (flag === 'household' ? product.value.household : product.value.label[flag]) === true
const allowed = computed(() => flags.flatMap(({ value }) => (isOn(value) ? [value] : [])))
function setFlag(flag: Flag, on: boolean) {
  if (flag === 'household') product.value = { ...product.value, household: on }
  else setLabel({ [flag]: on })
}
/** Either end alone counts for both, so that a label with one figure is written as one. */
function setEnd(field: Range, end: 0 | 1, value: number | undefined) {
  const before = product.value.label[field]
  if (value === undefined) return setLabel({ [field]: undefined })
  const next: [number, number] = before ? [...before] : [value, value]
  next[end] = value
  return setLabel({ [field]: next })
}
</script>

<template>
  <div class="fields">
    <Field where="name" label="Name"><TextField v-model="product.name" name="product-name" /></Field>
    <Field label="Class"><Pick v-model="product.class" name="product-class" :options="classes" /></Field>
    <Field v-for="{ field, says } in ranges" :key="field" :where="`label.${field}`" :label="says">
      <div class="range">
        <NumberField
          :name="`${field}-least`"
          :label="`${says}, least`"
          :model-value="product.label[field]?.[0]"
          @update:model-value="setEnd(field, 0, $event)"
        />
        <span>to</span>
        <NumberField
          :name="`${field}-most`"
          :label="`${says}, most`"
          :model-value="product.label[field]?.[1]"
          @update:model-value="setEnd(field, 1, $event)"
        /></div
    ></Field>
    <Field where="label.reentryMin" label="Room used again after" unit="min"
      ><NumberField name="reentryMin" :model-value="product.label.reentryMin" @update:model-value="setLabel({ reentryMin: $event })"
    /></Field>
    <Field where="label.lifeWeeks" label="Lasts" unit="weeks"
      ><NumberField name="lifeWeeks" :model-value="product.label.lifeWeeks" @update:model-value="setLabel({ lifeWeeks: $event })"
    /></Field>
    <Field
      v-for="{ field, says, si } in numbers"
      :key="field"
      :where="field"
      :label="says"
      :unit="si ? unit(si) : field === 'pricePerPack' ? place.currency.value : undefined"
      ><NumberField v-model="product[field]" :si="si" :name="field"
    /></Field>
    <Field class="whole" label="What the label allows">
      <Ticks mark="allows" :model-value="allowed" :options="flags" @tick="setFlag" />
    </Field>
    <Field class="whole" label="Rinse">
      <Choice mark="rinse" :model-value="product.label.rinse" :options="rinses" @update:model-value="setLabel({ rinse: $event })" />
    </Field>
  </div>
</template>

<style scoped>
.range {
  display: grid;
  grid-template-columns: 1fr auto 1fr;
  gap: 0.5rem;
  align-items: center;
}
</style>
