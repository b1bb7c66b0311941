// How is "when" said and tested in one piece? Conditions that carry their own words.
import type { Facts } from './facts.ts'

export interface Condition {
  readonly words: string
  readonly holds: (facts: Facts) => boolean
}

export const when = (words: string, holds: (facts: Facts) => boolean): Condition => ({ words, holds })
export const all = (...conditions: Condition[]): Condition =>
  when(conditions.map(({ words }) => words).join(', and '), (facts) => conditions.every(({ holds }) => holds(facts)))
export const any = (...conditions: Condition[]): Condition =>
  when(conditions.map(({ words }) => words).join(', or '), (facts) => conditions.some(({ holds }) => holds(facts)))
export const not = (condition: Condition): Condition => when(`not (${condition.words})`, (facts) => !condition.holds(facts))
export const otherwise: Condition = when('in every other case', () => true)
