// What is a rule?
import type { Message } from '../words/index.ts'
import type { Condition } from './condition.ts'
import type { Facts } from './facts.ts'
import type { SchoolName } from './houseRules.ts'
import type { Choice, ChoiceOf, Topic } from './topics.ts'

/** Rules of an earlier level win: safety, then what soil and design need, then the firm's school, then the usual way. */
export const levels = ['safety', 'need', 'school', 'usual'] as const
export type Level = (typeof levels)[number]

/** Proposes a choice. */
export interface Rule {
  readonly id: string
  readonly topic: Topic
  readonly level: Level
  readonly school?: SchoolName
  readonly when: Condition
  readonly then: Choice
  readonly because: (facts: Facts) => Message[]
}

/** Rules a choice out, whoever wants it. */
export interface Bar {
  readonly id: string
  readonly topic: Topic
  readonly choice: Choice
  readonly when: Condition
  readonly because: (facts: Facts) => Message[]
}

export interface RuleSet {
  readonly rules: readonly Rule[]
  readonly bars: readonly Bar[]
}

type Reasons = Message | Message[] | ((facts: Facts) => Message | Message[])
const asList =
  (reasons: Reasons) =>
  (facts: Facts): Message[] => {
    const said = typeof reasons === 'function' ? reasons(facts) : reasons
    return Array.isArray(said) ? said : [said]
  }

/** The rules of one topic, written in the order in which they are asked within a level. */
export function rulesOn<T extends Topic>(topic: T) {
  return {
    rule: (id: string, level: Level, condition: Condition, then: ChoiceOf<T>, because: Reasons, school?: SchoolName): Rule => ({
      id,
      topic,
      level,
      when: condition,
      then,
      because: asList(because),
      ...(school ? { school } : {}),
    }),
    bar: (id: string, choice: ChoiceOf<T>, condition: Condition, because: Reasons): Bar => ({
      id,
      topic,
      choice,
      when: condition,
      because: asList(because),
    }),
  }
}
