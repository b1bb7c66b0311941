// How is "when" said and tested in one piece? Conditions that carry their own words.
import { joined, says, type Message } from '../words/index.ts'
import type { Facts } from './facts.ts'

export interface Condition {
  readonly words: Message
  readonly holds: (facts: Facts) => boolean
  /** Made of several conditions. */
  readonly joined?: boolean
}

export const when = (words: Message, holds: (facts: Facts) => boolean): Condition => ({ words, holds })
/** Words of a part; brackets where it is itself made of several, so that "and" and "or" cannot be misread. */
const part = ({ words, joined }: Condition): Message => (joined ? says('when.bracketed', { condition: words }) : words)
export const all = (...conditions: Condition[]): Condition => ({
  words: joined({ allOf: conditions.map(part) }),
  holds: (facts) => conditions.every(({ holds }) => holds(facts)),
  joined: conditions.length > 1,
})
export const any = (...conditions: Condition[]): Condition => ({
  words: joined({ anyOf: conditions.map(part) }),
  holds: (facts) => conditions.some(({ holds }) => holds(facts)),
  joined: conditions.length > 1,
})
export const not = (condition: Condition): Condition => when(says('when.not', { condition: condition.words }), (facts) => !condition.holds(facts))
export const otherwise: Condition = when(says('when.otherwise'), () => true)
