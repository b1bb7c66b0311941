<script setup lang="ts" generic="Value extends string | number">
// One of many, on a list that opens.
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import './pick.css'
import type { Option } from './option.ts'

defineProps<{
  modelValue: Value | undefined
  options: readonly Option<Value>[]
  name: string
  label?: string
  placeholder?: string
  disabled?: boolean
  clearable?: boolean
  /** Whether typing narrows the list. */
  filterable?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Value] }>()
</script>

<template>
  <ElSelect
    class="pick"
    :model-value="modelValue"
    :name="name"
    :aria-label="label"
    :placeholder="placeholder ?? ''"
    :disabled="disabled"
    :clearable="clearable ?? false"
    :empty-values="[undefined, null]"
    :value-on-clear="null"
    :filterable="filterable ?? false"
    :validate-event="false"
    @update:model-value="emit('update:modelValue', $event as Value)"
  >
    <ElOption v-for="option in options" :key="option.value" :value="option.value" :label="option.says" :disabled="option.disabled ?? false" />
  </ElSelect>
</template>
