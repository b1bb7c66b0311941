<script setup lang="ts">
// A field for a number: takes comma or point, keeps what is typed, empty means not noted. What is no number stays visible and is turned down on saving.
import { asEntered, asRead, type SiUnit } from '@yastik/core/quantities'
import { ElInput } from 'element-plus/es/components/input/index'
import { computed, ref, watch } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useField } from './field.ts'

const props = withDefaults(
  defineProps<{
    modelValue: number | undefined
    name: string
    disabled?: boolean
    /** What it is, where no field around it says so. */ label?: string
    /** Shown = value × times; 100 shows a share in percent. */ times?: number
    /** Unit in which the value is stored: it is shown and entered as this person reads it. */ si?: SiUnit
  }>(),
  { disabled: false, times: 1, si: undefined, label: undefined },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | undefined]; commit: [value: number | undefined] }>()

const { measures } = useMeasures()
const read = (value: number) => (props.si ? asRead(value, props.si, measures.value) : value * props.times)
const stored = (value: number) => (props.si && !Number.isNaN(value) ? asEntered(value, props.si, measures.value) : value / props.times)
/** Converted figures are as fine as anybody measures. */
const digits = computed(() => (props.si ? 1e3 : 1e6))
const shown = (value: number | undefined) =>
  value === undefined || Number.isNaN(value) ? '' : String(Math.round(read(value) * digits.value) / digits.value)
const parse = (typed: string) => (typed.trim() === '' ? undefined : stored(Number(typed.replace(',', '.').replace('−', '-'))))
const text = ref(shown(props.modelValue))
// What a fault says of a stored figure is said as it is read here.
const { described } = useField((value) => Number(shown(value)))
watch(
  () => props.modelValue,
  (value) => {
    if (!Object.is(value, parse(text.value))) text.value = shown(value)
  },
)
</script>

<template>
  <ElInput
    v-bind="described"
    v-model="text"
    :name="name"
    :aria-label="label"
    :disabled="disabled"
    inputmode="decimal"
    :validate-event="false"
    @input="emit('update:modelValue', parse(text))"
    @change="emit('commit', parse(text))"
  />
</template>
