<script setup lang="ts">
// A day: typed as it is written everywhere, or tapped on a sheet of the month.
import { dayFormat, dayTakenFor, dayTyped } from '@yastik/core/quantities'
import { ElDatePicker } from 'element-plus/es/components/date-picker/index'
import './day.css'
import { useId } from 'vue'
import { useField } from './field.ts'
import { locale, t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

defineProps<{
  /** As 2027-03-01; empty where none is set. */ modelValue: string | undefined
  name: string
  clearable?: boolean
  label?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [day: string]; commit: [day: string] }>()
const { described, complain } = useField()
const popper = `month-${useId()}`
/**
 * The month that opens says what it is: as soon as it is drawn, which may take some frames. By an element that names it,
 * since the library takes an `aria-label` away whenever what opens it changes.
 */
function opened(isOpen: boolean, frames = 60) {
  const month = document.querySelector(`.${popper}`)
  month?.setAttribute('aria-labelledby', `${popper}-name`)
  if (isOpen && !month && frames > 0) requestAnimationFrame(() => opened(true, frames - 1))
}
/** What was typed since the field was entered: a day that is in no calendar is not taken for another one. */
let typed = ''
function type(event: Event) {
  typed = (event.target as HTMLInputElement).value
  complain('')
}
function leave() {
  if (typed.trim() !== '' && dayTyped(typed, locale.value) === undefined)
    complain(t('screen.frame.no-day-write-like', { trim: typed.trim(), day: dayWords('2027-03-01') }))
  // What the library makes of it comes right after.
  setTimeout(() => (typed = ''))
}
function set(day: unknown) {
  const given = typeof day === 'string' ? day : ''
  const isTyped = typed.trim() !== '' && given === dayTakenFor(typed)
  const value = isTyped ? dayTyped(typed, locale.value) : given
  if (value === undefined) {
    leave()
    return
  }
  complain('')
  emit('update:modelValue', value)
  emit('commit', value)
}
</script>

<template>
  <div class="day-frame" @input="type" @focusout="leave">
    <span :id="`${popper}-name`" hidden>{{ label ?? t('screen.frame.days-month') }}</span>
    <ElDatePicker
      v-bind="described"
      class="day"
      :model-value="modelValue || null"
      :name="name"
      :aria-label="label"
      :format="dayFormat"
      value-format="YYYY-MM-DD"
      :placeholder="t('screen.frame.day-for-example', { day: dayWords('2027-03-01') })"
      :clearable="clearable ?? false"
      :popper-class="popper"
      :validate-event="false"
      @visible-change="(isOpen: boolean) => opened(isOpen)"
      @update:model-value="set"
    />
  </div>
</template>
