// The units of the person who is signed in, for views.
import { figureOf, isSiUnit, type Measures, metric, quantityWords, reading, type SiUnit, unitFor } from '@yastik/core/quantities'
import type { Sentence } from '@yastik/core/words'
import { computed, type ComputedRef } from 'vue'
import { useSession } from '../stores/session.ts'
import { locale, say } from '../words/words.ts'

export interface InMeasures {
  readonly measures: ComputedRef<Measures>
  /** Figure, and unit, as this person reads them; what has no other unit stays as it is. */
  figure(value: number, unit: string): number
  unit(unit: string): string
  /** Figure and unit in which it reads best: small volumes in the smaller one. */
  reading(value: number, unit: SiUnit): { readonly figure: number; readonly unit: string }
  /** The same in one. */
  quantity(value: number, unit: SiUnit): string
  /** A sentence in words, with every quantity as this person reads it. */
  say(sentence: Sentence): string
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
    reading: (value, name) => reading(value, name, measures.value),
    quantity: (value, name) => quantityWords(value, name, measures.value, locale.value),
    say,
  }
}
