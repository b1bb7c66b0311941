<script setup lang="ts">
// A field for a number: takes comma or point, keeps what is typed, empty means not noted. What is no number stays visible and is turned down on saving.
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import { ref, watch } from 'vue'

const props = withDefaults(
  defineProps<{
    modelValue: number | undefined
    name: string
    disabled?: boolean
    /** Shown = value × times; 100 shows a share in percent. */ times?: number
  }>(),
  { disabled: false, times: 1 },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | undefined]; commit: [value: number | undefined] }>()

const shown = (value: number | undefined) => (value === undefined || Number.isNaN(value) ? '' : String(Math.round(value * props.times * 1e6) / 1e6))
const parse = (typed: string) => (typed.trim() === '' ? undefined : Number(typed.replace(',', '.')) / props.times)
const text = ref(shown(props.modelValue))
watch(
  () => props.modelValue,
  (value) => {
    if (!Object.is(value, parse(text.value))) text.value = shown(value)
  },
)
</script>

<template>
  <ElInput
    v-model="text"
    :name="name"
    :disabled="disabled"
    inputmode="decimal"
    @input="emit('update:modelValue', parse(text))"
    @change="emit('commit', parse(text))"
  />
</template>
