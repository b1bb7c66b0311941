<script setup lang="ts">
// How much product was really used at this step: as planned unless somebody says otherwise.
import type { Step } from '@yastik/core/procedure'
import { useMeasures } from '../measures/useMeasures.ts'
import NumberField from '../kit/NumberField.vue'
import Field from '../kit/Field.vue'
import { t } from '../words/words.ts'

defineProps<{ uses: NonNullable<Step['uses']>; modelValue: Record<string, number | undefined> }>()
const emit = defineEmits<{ 'update:modelValue': [litres: Record<string, number | undefined>] }>()
const { unit, quantity } = useMeasures()
</script>

<template>
  <div class="used" data-product-used>
    <Field
      v-for="{ productId, name, litres } in uses"
      :key="productId"
      :label="t('screen.work.used', { name })"
      :unit="unit('L')"
      :hint="t('screen.work.planned', { litres: quantity(litres, 'L') })"
    >
      <NumberField
        si="L"
        :name="`used-${productId}`"
        :model-value="productId in modelValue ? modelValue[productId] : litres"
        @update:model-value="emit('update:modelValue', { ...modelValue, [productId]: $event })"
      />
    </Field>
  </div>
</template>

<style scoped>
.used {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
  gap: 0.8rem;
}
</style>
