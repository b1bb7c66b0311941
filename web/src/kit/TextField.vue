<script setup lang="ts">
// A line to write on, or several.
import { ElInput } from 'element-plus/es/components/input/index'
import { useId } from 'vue'
import { useField } from './field.ts'

defineOptions({ inheritAttrs: false })
withDefaults(
  defineProps<{
    modelValue: string | undefined
    name: string
    /** So many lines are seen; one where nothing is said. */
    lines?: number
    type?: 'text' | 'password' | 'search'
    disabled?: boolean
    clearable?: boolean
    /** What is known already: offered while somebody writes. */
    suggestions?: readonly string[]
  }>(),
  { type: 'text', lines: 1, suggestions: undefined },
)
const emit = defineEmits<{ 'update:modelValue': [text: string]; commit: [text: string] }>()
const { described } = useField()
const list = useId()
</script>

<template>
  <ElInput
    v-bind="{ ...described, ...$attrs }"
    :model-value="modelValue ?? ''"
    :name="name"
    :type="lines > 1 ? 'textarea' : type"
    :rows="lines"
    :disabled="disabled"
    :clearable="clearable"
    :validate-event="false"
    :list="suggestions ? list : undefined"
    @update:model-value="emit('update:modelValue', String($event))"
    @change="emit('commit', String($event))"
  />
  <datalist v-if="suggestions" :id="list"><option v-for="text in suggestions" :key="text" :value="text" /></datalist>
</template>
