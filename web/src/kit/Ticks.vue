<script setup lang="ts" generic="Value extends string | number">
// Any of a few, side by side.
import { ElCheckboxButton, ElCheckboxGroup } from 'element-plus/es/components/checkbox/index'
import { marked, type Option } from './option.ts'

const props = defineProps<{
  modelValue: readonly Value[]
  options: readonly Option<Value>[]
  /** What is ticked, for who does not see it; inside a field its label says it. */
  label?: string
  disabled?: boolean
  /** By which attribute each option is found on the page: `finding` for `data-finding`. */
  mark?: string
}>()
const emit = defineEmits<{
  'update:modelValue': [values: Value[]]
  /** What was tapped, and whether it is ticked now. */
  tick: [value: Value, on: boolean]
}>()

/** In the order in which they are offered, whichever was tapped first. */
function set(values: Value[]) {
  const ordered = props.options.flatMap(({ value }) => (values.includes(value) ? [value] : []))
  for (const { value } of props.options) {
    const on = ordered.includes(value)
    if (on !== props.modelValue.includes(value)) emit('tick', value, on)
  }
  emit('update:modelValue', ordered)
}
</script>

<template>
  <ElCheckboxGroup
    class="chips"
    :model-value="[...modelValue]"
    :aria-label="label"
    :disabled="disabled"
    :validate-event="false"
    @update:model-value="set($event as Value[])"
  >
    <ElCheckboxButton
      v-for="option in options"
      :key="String(option.value)"
      :value="option.value"
      :disabled="disabled || option.disabled"
      v-bind="marked(mark, option)"
    >
      {{ option.says }}
    </ElCheckboxButton>
  </ElCheckboxGroup>
</template>
