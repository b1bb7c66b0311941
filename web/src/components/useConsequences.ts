// What would each way of working bring on the same round? Reckoned one rule at a time between paints: all of it at once would stop the page.
import { schools, type HouseRules, type SchoolName } from '@yastik/core/method'
import { consequencesOf, type Consequence } from '@yastik/core/plan'
import type { StoresRecord } from '@yastik/core/wire'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { afterPaint } from '../kit/afterPaint.ts'

export type Consequences = Partial<Record<SchoolName, readonly Consequence[]>>
export const schoolList = Object.keys(schools) as SchoolName[]

/** @returns what is reckoned so far, by rule; it starts anew when the rules change, and what stood there stays until then */
export function useConsequences(rules: () => HouseRules | undefined, stores: () => StoresRecord | undefined): Readonly<ShallowRef<Consequences>> {
  const found = shallowRef<Consequences>({})
  let callOff: (() => void) | undefined
  function reckon([name, ...rest]: readonly SchoolName[], own: HouseRules, of: StoresRecord | undefined): void {
    if (name === undefined) return
    callOff = afterPaint(() => {
      found.value = { ...found.value, [name]: consequencesOf(name, own, of?.products, of?.equipment) }
      reckon(rest, own, of)
    })
  }
  watch(
    () => [rules(), stores()] as const,
    ([own, of]) => {
      callOff?.()
      if (own) reckon(schoolList, own, of)
    },
    { immediate: true },
  )
  onScopeDispose(() => callOff?.())
  return found
}
