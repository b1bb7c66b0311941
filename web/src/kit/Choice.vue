<script setup lang="ts" generic="Value extends string | number | boolean">
// One of a few, side by side: arrow keys go from one to the next.
import { ElRadioButton, ElRadioGroup } from 'element-plus/es/components/radio/index'
import { marked, type Option } from './option.ts'

defineProps<{
  modelValue: Value | undefined
  options: readonly Option<Value>[]
  /** What is chosen, for who does not see it; inside a field its label says it. */
  label?: string
  disabled?: boolean
  /** By which attribute each option is found on the page: `family` for `data-family`. */
  mark?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Value] }>()
</script>

<template>
  <ElRadioGroup
    class="chips"
    :model-value="modelValue"
    :aria-label="label"
    :disabled="disabled"
    :validate-event="false"
    @update:model-value="emit('update:modelValue', $event as Value)"
  >
    <ElRadioButton
      v-for="option in options"
      :key="String(option.value)"
      :value="option.value"
      :disabled="disabled || option.disabled"
      v-bind="marked(mark, option)"
    >
      <slot :option="option">{{ option.says }}</slot>
    </ElRadioButton>
  </ElRadioGroup>
</template>
