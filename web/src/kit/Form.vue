<script setup lang="ts">
// A form: what is wrong with it by the schema of what it sends is said at its fields before anything is sent, and what the server says after it there too.
import { Fault, linesOf, type FaultLine } from '@yastik/core/faults'
import { ElForm } from 'element-plus/es/components/form/index'
import { computed, nextTick, provide, reactive, ref, useTemplateRef } from 'vue'
import type { z } from 'zod'
import FaultNote from './FaultNote.vue'
import { formKey } from './field.ts'
import { isMissing } from './faultWords.ts'
import { says, type Sentence } from '@yastik/core/words'

const props = defineProps<{
  /** What it would send as it stands now, and the schema that judges it. */
  sends?: unknown
  schema?: z.ZodType
  /** What came back. */
  fault?: unknown
  /** In one line, where it is short. */
  inline?: boolean
}>()
const emit = defineEmits<{ submit: [] }>()

const fields = reactive(new Map<string, number>())
const leftOnes = reactive(new Set<string>())
/** Whether it was tried to send it: from then on everything that is wrong is said. */
const tried = ref(false)
const root = useTemplateRef<InstanceType<typeof ElForm>>('root')

const own = computed<FaultLine[]>(() => {
  const result = props.schema?.safeParse(props.sends)
  return result && !result.success ? linesOf(result.error.issues, props.sends) : []
})
/** The field that stands for a place: the nearest one that holds it, as a range holds both of its ends. */
function standsFor(place: Sentence): string | undefined {
  if (typeof place !== 'string') return undefined
  const holds = (where: string) => place === where || (place.startsWith(where) && /^[.[]/.test(place.slice(where.length)))
  const holding = [...fields].flatMap(([where, count]) => (count > 0 && holds(where) ? [where] : []))
  return holding.reduce<string | undefined>((nearest, where) => (where.length > (nearest?.length ?? -1) ? where : nearest), undefined)
}
const answered = computed(() => (props.fault instanceof Fault ? props.fault.lines : []))
provide(formKey, {
  lineAt: (where) =>
    own.value.find((line) => standsFor(line.where) === where && (tried.value || (leftOnes.has(where) && !isMissing(line)))) ??
    answered.value.find((line) => standsFor(line.where) === where),
  stands: (where) => {
    fields.set(where, (fields.get(where) ?? 0) + 1)
    return () => fields.set(where, (fields.get(where) ?? 1) - 1)
  },
  left: (where) => leftOnes.add(where),
})
const hasField = ({ where }: FaultLine) => standsFor(where) !== undefined
/** What no field stands for is said below all of them. */
const rest = computed<unknown>(() => {
  if (tried.value && own.value.length > 0) {
    const lines = own.value.filter((line) => !hasField(line))
    return lines.length > 0 ? new Fault('does-not-hold-up', { sentence: says('screen.frame.cannot-sent-like'), lines }) : undefined
  }
  const { fault } = props
  if (!(fault instanceof Fault)) return fault
  const lines = fault.lines.filter((line) => !hasField(line))
  return lines.length === 0 && fault.lines.length > 0 ? undefined : new Fault(fault.code, { sentence: fault.sentence, lines })
})

function submit() {
  tried.value = true
  if (own.value.length === 0) {
    // What is entered next, after this went well, nobody tried yet.
    tried.value = false
    leftOnes.clear()
    emit('submit')
    return
  }
  // Whoever cannot see what is wrong is led there, at once: nobody who writes on already is taken away from where they are.
  void nextTick(() => (root.value?.$el as HTMLElement | undefined)?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus())
}
</script>

<template>
  <ElForm ref="root" :class="inline ? ['row', 'inline'] : 'stack'" label-position="top" :model="{}" @submit.prevent="submit">
    <slot />
    <FaultNote :error="rest" />
    <slot name="doings" />
  </ElForm>
</template>
