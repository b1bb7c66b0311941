<script setup lang="ts">
// Writing a product down from its label. What the label does not say stays open.
import { productClasses, treatmentForms, type Product } from '@yastik/core/products'
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
import { t } from '../words/words.ts'

const product = defineModel<Product>({ required: true })
const props = defineProps<{ isNew: boolean }>()
type Label = Product['label']
type Flag = 'indoorSafe' | 'aluminiumSafe' | 'coatedFinsSafe' | 'foodAreaAllowed' | 'fragranced' | 'household'
type Range = 'pH' | 'dilution' | 'dwellMin'

const ranges: { field: Range; says: string }[] = [
  { field: 'pH', says: 'pH' },
  { field: 'dilution', says: t('screen.stores.parts-water-per-part-0') },
  { field: 'dwellMin', says: t('screen.stores.minutes-part') },
]
const flags: { value: Flag; says: string }[] = [
  { value: 'indoorSafe', says: t('screen.stores.allowed-indoors') },
  { value: 'aluminiumSafe', says: t('screen.stores.allowed-aluminium') },
  { value: 'coatedFinsSafe', says: t('screen.stores.allowed-coated-fins') },
  { value: 'foodAreaAllowed', says: t('screen.stores.allowed-food-areas') },
  { value: 'fragranced', says: t('screen.stores.scented') },
  { value: 'household', says: t('screen.stores.household-product') },
]
const classes = optionsOf(productClasses, (kind) => t(`names.class.${kind}`))
const forms = optionsOf(treatmentForms, (form) => t(`screen.stores.form.${form}`))
const rinses: { value: Label['rinse']; says: string }[] = [
  { value: 'required', says: t('screen.stores.rinsed-off') },
  { value: 'optional', says: t('screen.stores.rinse-draw-off') },
  { value: 'self-rinsing', says: t('screen.stores.self-rinsing') },
  { value: 'none', says: t('screen.stores.stays') },
]
const numbers: { field: 'packLitres' | 'pricePerPack' | 'inStockLitres'; says: string; si?: 'L' }[] = [
  { field: 'packLitres', says: t('screen.stores.pack-2'), si: 'L' },
  { field: 'pricePerPack', says: t('screen.stores.price-pack') },
  // Later on it is counted in the stock.
  ...(props.isNew ? [{ field: 'inStockLitres' as const, says: t('screen.stores.van-4'), si: 'L' as const }] : []),
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
    <Field where="name" :label="t('screen.stores.name')"><TextField v-model="product.name" name="product-name" /></Field>
    <Field :label="t('screen.stores.class')"><Pick v-model="product.class" name="product-class" :options="classes" /></Field>
    <Field v-for="{ field, says } in ranges" :key="field" :where="`label.${field}`" :label="says">
      <div class="range">
        <NumberField
          :name="`${field}-least`"
          :label="t('screen.stores.least', { says })"
          :model-value="product.label[field]?.[0]"
          @update:model-value="setEnd(field, 0, $event)"
        />
        <span>{{ t('screen.stores.to-2') }}</span>
        <NumberField
          :name="`${field}-most`"
          :label="t('screen.stores.most', { says })"
          :model-value="product.label[field]?.[1]"
          @update:model-value="setEnd(field, 1, $event)"
        /></div
    ></Field>
    <Field where="label.reentryMin" :label="t('screen.stores.room-used-again-after')" unit="min"
      ><NumberField name="reentryMin" :model-value="product.label.reentryMin" @update:model-value="setLabel({ reentryMin: $event })"
    /></Field>
    <Field where="label.lifeWeeks" :label="t('screen.stores.lasts')" unit="weeks"
      ><NumberField name="lifeWeeks" :model-value="product.label.lifeWeeks" @update:model-value="setLabel({ lifeWeeks: $event })"
    /></Field>
    <Field v-if="product.class === 'pan-treatment'" where="label.form" :label="t('screen.stores.treatment-form')"
      ><Pick
        name="treatment-form"
        clearable
        :placeholder="t('screen.sites.not-noted')"
        :model-value="product.label.form ?? ''"
        :options="forms"
        @update:model-value="setLabel({ form: treatmentForms.find((form) => form === $event) })"
    /></Field>
    <Field
      v-for="{ field, says, si } in numbers"
      :key="field"
      :where="field"
      :label="says"
      :unit="si ? unit(si) : field === 'pricePerPack' ? place.currency.value : undefined"
      ><NumberField v-model="product[field]" :si="si" :name="field"
    /></Field>
    <Field class="whole" :label="t('screen.stores.label-allows')">
      <Ticks mark="allows" :model-value="allowed" :options="flags" @tick="setFlag" />
    </Field>
    <Field class="whole" :label="t('screen.stores.rinse')">
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
