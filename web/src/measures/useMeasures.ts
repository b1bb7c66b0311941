// The units of the person who is signed in, for views.
import { figureOf, isSiUnit, type Measures, metric, sentenceOf, type SiUnit, unitFor } from '@yastik/core/quantities'
import { computed, type ComputedRef } from 'vue'
import { useSession } from '../stores/session.ts'

export interface InMeasures {
  readonly measures: ComputedRef<Measures>
  /** Figure, and unit, as this person reads them; what has no other unit stays as it is. */
  figure(value: number, unit: string): number
  unit(unit: string): string
  /** Figure and unit in one. */
  quantity(value: number, unit: SiUnit): string
  sentence(text: string): string
}

export function useMeasures(): InMeasures {
  const session = useSession()
  const measures = computed(() => session.me?.measures ?? metric)
  const figure = (value: number, unit: string) => (isSiUnit(unit) ? figureOf(value, unit, measures.value) : value)
  const unit = (name: string) => (isSiUnit(name) ? unitFor(name, measures.value) : name)
  return {
    measures,
    figure,
    unit,
    quantity: (value, name) => `${figure(value, name)} ${unit(name)}`,
    sentence: (text) => sentenceOf(text, measures.value),
  }
}
