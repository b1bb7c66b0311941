<script setup lang="ts">
// A figure set by sliding along a line, or with the arrow keys.
import { ElSlider } from 'element-plus/es/components/slider/index'
import './slide.css'

defineProps<{
  modelValue: number
  label: string
  min: number
  max: number
  step?: number
  disabled?: boolean
  /** The figure in words. */ says?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()
</script>

<template>
  <div class="slide">
    <span class="label" aria-hidden="true"
      >{{ label
      }}<template v-if="says"
        >, <b>{{ says }}</b></template
      ></span
    >
    <ElSlider
      :model-value="modelValue"
      :aria-label="label"
      :min="min"
      :max="max"
      :step="step ?? 1"
      :disabled="disabled"
      :show-tooltip="false"
      :format-value-text="(value: number) => says ?? String(value)"
      :validate-event="false"
      @update:model-value="emit('update:modelValue', Number($event))"
    />
  </div>
</template>
