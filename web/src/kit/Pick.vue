<script setup lang="ts" generic="Value extends string | number">
// One of many, on a list that opens.
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import './pick.css'
import { nextTick, useTemplateRef } from 'vue'
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
const own = useTemplateRef<InstanceType<typeof ElSelect>>('own')
/** A list that scrolls can be reached by keys. */
async function opened(isOpen: boolean) {
  await nextTick()
  const id = (own.value?.$el as HTMLElement | undefined)?.querySelector('[aria-controls]')?.getAttribute('aria-controls')
  if (isOpen && id) document.getElementById(id)?.closest('.el-scrollbar__wrap')?.setAttribute('tabindex', '0')
}
const emit = defineEmits<{ 'update:modelValue': [value: Value] }>()
</script>

<template>
  <ElSelect
    ref="own"
    append-to="main"
    :persistent="false"
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
    @visible-change="opened"
    @update:model-value="emit('update:modelValue', $event as Value)"
  >
    <ElOption v-for="option in options" :key="option.value" :value="option.value" :label="option.says" :disabled="option.disabled ?? false" />
  </ElSelect>
</template>
