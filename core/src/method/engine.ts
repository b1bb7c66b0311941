// Which choice is made on each topic, by which rule, and why was every other one turned down?
import type { Facts, SettledFacts } from './facts.ts'
import { levels, type Rule, type RuleSet } from './rule.ts'
import { ruleBook } from './rules/index.ts'
import { choiceNames, choicesOf, decidingOrder, topics, type Choice, type Topic } from './topics.ts'
import type { SchoolName } from './houseRules.ts'

/** `barred`: ruled out here, whoever wants it; `possible`: a rule speaks for it too; `uncalled`: nothing calls for it. */
export const standings = ['barred', 'possible', 'uncalled'] as const
export type Standing = (typeof standings)[number]

export interface Decision {
  topic: Topic
  choice: Choice
  rule: string
  because: string[]
  /** The house rule that decided, where one did. */
  school?: SchoolName
  turnedDown: { choice: Choice; because: string; standing: Standing }[]
}

/** Rule name of a choice made by hand. */
export const byHand = 'by-hand'

/**
 * Decides every topic. A choice that a bar rules out is never made; among the rest the first matching rule wins, by level
 * (safety, need, school, usual) and then in the order of the book. A choice by hand wins over every rule, never over a bar
 * or a safety rule. Pure: the same input gives the same decisions. Without `trace` the reasons are left out.
 */
export function decide(settled: SettledFacts, chosenByHand: Facts['chosenByHand'], trace = true): { decisions: Decision[]; facts: Facts } {
  let facts: Facts = { ...settled, chosenByHand, decided: {} }
  const made = new Map<Topic, Decision>()
  for (const topic of decidingOrder) {
    const decision = decideTopic(topic, ruleBook[topic], facts, trace)
    made.set(topic, decision)
    facts = { ...facts, decided: { ...facts.decided, [topic]: decision.choice } }
  }
  return { decisions: topics.map((topic) => made.get(topic)!), facts }
}

function decideTopic(topic: Topic, { rules, bars }: RuleSet, facts: Facts, trace: boolean): Decision {
  const barred = new Map<Choice, string[]>()
  for (const bar of bars) {
    if (bar.when.holds(facts)) barred.set(bar.choice, [...(barred.get(bar.choice) ?? []), ...(trace ? bar.because(facts) : [])])
  }
  const inOrder = byLevel(rules)
  const matching = inOrder.filter((rule) => rule.when.holds(facts))
  const winner = handRule(topic, matching, barred, facts) ?? matching.find((rule) => !barred.has(rule.then))
  if (!winner) throw new Error(`no rule of the book decides ${topic}`)
  if (!trace) return { topic, choice: winner.then, rule: winner.id, because: [], turnedDown: [] }
  const because = winner.because(facts)
  const turnedDown = choicesOf[topic]
    .filter((choice) => choice !== winner.then)
    .map((choice) => ({ choice, ...whyNot(choice, barred, matching, inOrder, winner) }))
  return { topic, choice: winner.then, rule: winner.id, because, ...(winner.school ? { school: winner.school } : {}), turnedDown }
}

const ordered = new WeakMap<readonly Rule[], readonly Rule[]>()
function byLevel(rules: readonly Rule[]): readonly Rule[] {
  const known = ordered.get(rules) ?? levels.flatMap((level) => rules.filter((rule) => rule.level === level))
  ordered.set(rules, known)
  return known
}

function handRule(topic: Topic, matching: readonly Rule[], barred: ReadonlyMap<Choice, string[]>, facts: Facts): Rule | undefined {
  const wanted = choicesOf[topic].find((choice) => choice === facts.chosenByHand[topic])
  if (!wanted || barred.has(wanted) || matching[0]?.level === 'safety') return undefined
  return {
    id: byHand,
    topic,
    level: 'safety',
    when: { words: 'chosen by hand', holds: () => true },
    then: wanted,
    because: () => ['chosen by hand for this job'],
  }
}

function whyNot(
  choice: Choice,
  barred: ReadonlyMap<Choice, string[]>,
  matching: readonly Rule[],
  all: readonly Rule[],
  winner: Rule,
): { because: string; standing: Standing } {
  const bars = barred.get(choice)
  if (bars) return { standing: 'barred', because: bars.join('; ') }
  if (matching.some((rule) => rule.then === choice))
    return { standing: 'possible', because: `possible, but ${choiceNames[winner.then]} comes before it` }
  const conditions = all.filter((rule) => rule.then === choice).map((rule) => rule.when.words)
  return {
    standing: 'uncalled',
    because: conditions.length > 0 ? `would be right for: ${conditions.join('; or ')}` : 'not a way for this kind of unit',
  }
}
