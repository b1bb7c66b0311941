<script setup lang="ts">
// A field: what it is for above, how to fill it in and what is wrong with it below, said to who sees it and to who listens.
import { ElFormItem } from 'element-plus/es/components/form/index'
import { computed, inject, provide, ref, shallowRef, useId, watch } from 'vue'
import { fieldKey, formKey } from './field.ts'
import { sayAtField, type Read } from './faultWords.ts'

const props = defineProps<{
  label: string
  /** The unit in which it is entered. */
  unit?: string
  hint?: string
  /** The place of what is sent that it stands for, as a fault names it: `design.ratedCoolingKw`. */
  where?: string
  /** What is wrong, where no form says it. */
  error?: string
  /** How a stored number reads here, where the control in it does not know. */
  read?: Read
}>()
const id = useId()
const form = inject(formKey, undefined)
const shows = shallowRef<Read>()
const complaint = ref('')
// A field may come to stand for another place, as a name does for the first of several.
watch(
  () => props.where,
  (where, _, onCleanup) => {
    if (form && where !== undefined) onCleanup(form.stands(where))
  },
  { immediate: true },
)
const line = computed(() => (props.where === undefined ? undefined : form?.lineAt(props.where)))
const wrong = computed(() => complaint.value || props.error || (line.value ? sayAtField(line.value, props.read ?? shows.value, props.unit) : ''))
const saidBy = computed(() => {
  const said = [...(wrong.value === '' ? [] : [`${id}-wrong`]), ...(props.hint === undefined ? [] : [`${id}-hint`])]
  return said.length > 0 ? said.join(' ') : undefined
})
provide(fieldKey, { saidBy, isWrong: computed(() => wrong.value !== ''), read: shows, complaint })
function leave() {
  if (props.where !== undefined) form?.left(props.where)
}
</script>

<template>
  <ElFormItem class="field" label-position="top" :error="wrong" @focusout="leave">
    <template #label
      >{{ label }}<span v-if="unit">, {{ unit }}</span></template
    >
    <slot />
    <small v-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</small>
    <template #error="{ error: said }"
      ><p :id="`${id}-wrong`" class="wrong" role="alert">{{ said }}</p></template
    >
  </ElFormItem>
</template>
