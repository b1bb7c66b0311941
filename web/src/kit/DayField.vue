<script setup lang="ts">
// A day: typed as it is written everywhere, or tapped on a sheet of the month.
import { ElDatePicker } from 'element-plus/es/components/date-picker/index'
import './day.css'
import { useId } from 'vue'
import { useField } from './field.ts'
import { dayFormat } from '../measures/days.ts'

const props = defineProps<{
  /** As 2027-03-01; empty where none is set. */ modelValue: string | undefined
  name: string
  clearable?: boolean
  label?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [day: string]; commit: [day: string] }>()
const { described } = useField()
const popper = `month-${useId()}`
/** The month that opens says what it is: as soon as it is drawn, which may take some frames. */
function opened(isOpen: boolean, frames = 60) {
  const month = document.querySelector(`.${popper}`)
  month?.setAttribute('aria-label', props.label ?? 'Days of a month')
  if (isOpen && !month && frames > 0) requestAnimationFrame(() => opened(true, frames - 1))
}
function set(day: unknown) {
  const value = typeof day === 'string' ? day : ''
  emit('update:modelValue', value)
  emit('commit', value)
}
</script>

<template>
  <ElDatePicker
    v-bind="described"
    class="day"
    :model-value="modelValue || null"
    :name="name"
    :aria-label="label"
    :format="dayFormat"
    value-format="YYYY-MM-DD"
    :placeholder="dayFormat"
    :clearable="clearable ?? false"
    :popper-class="popper"
    :validate-event="false"
    @visible-change="(isOpen: boolean) => opened(isOpen)"
    @update:model-value="set"
  />
</template>
