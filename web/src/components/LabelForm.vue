<script setup lang="ts">
// Writing a product down from its label. What the label does not say stays open.
import { productClasses, type Product } from '@yastik/core/products'
import { ElInput } from 'element-plus/es/components/input/index'
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import 'element-plus/theme-chalk/el-input.css'
import 'element-plus/theme-chalk/el-option.css'
import 'element-plus/theme-chalk/el-popper.css'
import 'element-plus/theme-chalk/el-scrollbar.css'
import 'element-plus/theme-chalk/el-select.css'
import 'element-plus/theme-chalk/el-tag.css'
import NumberField from './NumberField.vue'
import { useMeasures } from '../measures/useMeasures.ts'

const product = defineModel<Product>({ required: true })
const props = defineProps<{ isNew: boolean }>()
type Label = Product['label']
type Flag = 'indoorSafe' | 'aluminiumSafe' | 'coatedFinsSafe' | 'foodAreaAllowed' | 'fragranced'
type Range = 'pH' | 'dilution' | 'dwellMin'

const ranges: { field: Range; says: string }[] = [
  { field: 'pH', says: 'pH' },
  { field: 'dilution', says: 'Parts of water per part; 0 is ready to use' },
  { field: 'dwellMin', says: 'Minutes on the part' },
]
const flags: { field: Flag; says: string }[] = [
  { field: 'indoorSafe', says: 'allowed indoors' },
  { field: 'aluminiumSafe', says: 'allowed on aluminium' },
  { field: 'coatedFinsSafe', says: 'allowed on coated fins' },
  { field: 'foodAreaAllowed', says: 'allowed in food areas' },
  { field: 'fragranced', says: 'scented' },
]
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
const setLabel = (change: Partial<Label>) => (product.value = { ...product.value, label: { ...product.value.label, ...change } })
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
    <label class="field"><span>Name</span><ElInput v-model="product.name" name="product-name" /></label>
    <label class="field"
      ><span>Class</span
      ><ElSelect v-model="product.class" name="product-class"
        ><ElOption v-for="kind in productClasses" :key="kind" :value="kind" :label="kind.replaceAll('-', ' ')" /></ElSelect
    ></label>
    <div v-for="{ field, says } in ranges" :key="field" class="field" role="group" :aria-label="says">
      <span>{{ says }}</span>
      <div class="range">
        <NumberField :name="`${field}-least`" :model-value="product.label[field]?.[0]" @update:model-value="setEnd(field, 0, $event)" />
        <span>to</span>
        <NumberField :name="`${field}-most`" :model-value="product.label[field]?.[1]" @update:model-value="setEnd(field, 1, $event)" />
      </div>
    </div>
    <label class="field"
      ><span>Room used again after, min</span
      ><NumberField name="reentryMin" :model-value="product.label.reentryMin" @update:model-value="setLabel({ reentryMin: $event })"
    /></label>
    <label class="field"
      ><span>Lasts, weeks</span
      ><NumberField name="lifeWeeks" :model-value="product.label.lifeWeeks" @update:model-value="setLabel({ lifeWeeks: $event })"
    /></label>
    <label v-for="{ field, says, si } in numbers" :key="field" class="field"
      ><span>{{ says }}{{ si ? `, ${unit(si)}` : '' }}</span
      ><NumberField v-model="product[field]" :si="si" :name="field"
    /></label>
    <div class="field whole">
      <span>What the label allows</span>
      <div class="chips">
        <button
          v-for="{ field, says } in flags"
          :key="field"
          type="button"
          class="tap"
          :aria-pressed="product.label[field] === true"
          @click="setLabel({ [field]: product.label[field] !== true })"
        >
          {{ says }}
        </button>
        <button type="button" class="tap" :aria-pressed="product.household === true" @click="product = { ...product, household: !product.household }">
          household product
        </button>
      </div>
    </div>
    <div class="field whole" role="radiogroup" aria-label="Rinse">
      <span>Rinse</span>
      <div class="chips">
        <button
          v-for="{ value, says } in rinses"
          :key="value"
          type="button"
          class="tap"
          role="radio"
          :aria-checked="product.label.rinse === value"
          @click="setLabel({ rinse: value })"
        >
          {{ says }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.8rem 1.2rem;
}
.range {
  display: grid;
  grid-template-columns: 1fr auto 1fr;
  gap: 0.5rem;
  align-items: center;
}
.whole {
  grid-column: 1 / -1;
}
</style>
