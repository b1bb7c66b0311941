// How is "when" said and tested in one piece? Conditions that carry their own words.
import type { Facts } from './facts.ts'

export interface Condition {
  readonly words: string
  readonly holds: (facts: Facts) => boolean
  /** Made of several conditions. */
  readonly joined?: boolean
}

export const when = (words: string, holds: (facts: Facts) => boolean): Condition => ({ words, holds })
/** Words of a part; brackets where it is itself made of several, so that "and" and "or" cannot be misread. */
const part = ({ words, joined }: Condition): string => (joined ? `(${words})` : words)
export const all = (...conditions: Condition[]): Condition => ({
  words: conditions.map(part).join(' and '),
  holds: (facts) => conditions.every(({ holds }) => holds(facts)),
  joined: conditions.length > 1,
})
export const any = (...conditions: Condition[]): Condition => ({
  words: conditions.map(part).join(' or '),
  holds: (facts) => conditions.some(({ holds }) => holds(facts)),
  joined: conditions.length > 1,
})
export const not = (condition: Condition): Condition => when(`not (${condition.words})`, (facts) => !condition.holds(facts))
export const otherwise: Condition = when('in every other case', () => true)
