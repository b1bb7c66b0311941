// What do a form, its fields and the controls in them know of each other?
import type { FaultLine } from '@yastik/core/faults'
import { computed, inject, onBeforeUnmount, type ComputedRef, type InjectionKey, type Ref } from 'vue'
import type { Read } from './faultWords.ts'

/** What a form tells its fields. */
export interface FormContext {
  /** What is wrong at a place of what is sent; undefined while nothing is, or nobody tried. */
  lineAt(where: string): FaultLine | undefined
  /** A field stands for a place: what is wrong there is said there and nowhere else. */
  stands(where: string): () => void
  /** Somebody left the field: what is wrong with what was entered may be said. */
  left(where: string): void
}
export const formKey: InjectionKey<FormContext> = Symbol('form')

/** What a field tells the control in it. */
export interface FieldContext {
  readonly saidBy: ComputedRef<string | undefined>
  readonly isWrong: ComputedRef<boolean>
  /** How the control shows a stored number. */
  readonly read: Ref<Read | undefined>
  /** What the control itself could make nothing of. */
  readonly complaint: Ref<string>
}
export const fieldKey: InjectionKey<FieldContext | undefined> = Symbol('field')

/** For a control: what a screen reader is told of it by the field around it. @param read how it shows a stored number, where it does not show it as it is */
export function useField(read?: Read): { described: ComputedRef<Record<string, string | boolean>>; complain: (of: string) => void } {
  const field = inject(fieldKey, undefined)
  if (field && read) {
    field.read.value = read
    onBeforeUnmount(() => (field.read.value = undefined))
  }
  const described = computed(() => ({
    ...(field?.saidBy.value === undefined ? {} : { 'aria-describedby': field.saidBy.value }),
    ...(field?.isWrong.value ? { 'aria-invalid': true } : {}),
  }))
  const complain = (of: string) => {
    if (field) field.complaint.value = of
  }
  return { described, complain }
}
