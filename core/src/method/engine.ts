// Which choice is made on each topic, by which rule, and why was every other one turned down?
import type { Facts, SettledFacts } from './facts.ts'
import { against } from './against.ts'
import { levels, type Bar, type Rule } from './rule.ts'
import { ruleBook } from './rules/index.ts'
import { choicesOf, decidingOrder, topics, type Choice, type Topic } from './topics.ts'
import type { SchoolName } from './houseRules.ts'
import { joined, says, type Message } from '../words/index.ts'

/** `barred`: ruled out here, whoever wants it; `possible`: a rule speaks for it too; `uncalled`: nothing calls for it. */
export const standings = ['barred', 'possible', 'uncalled'] as const
export type Standing = (typeof standings)[number]

export interface Decision {
  topic: Topic
  choice: Choice
  rule: string
  because: Message[]
  /** The house rule that decided, where one did. */
  school?: SchoolName
  /** What the rules would rather have taken, were it not barred here. */
  better?: Choice
  turnedDown: { choice: Choice; because: Message; standing: Standing }[]
}

/** Rule name of a choice made by hand. */
export const byHand = 'by-hand'

/**
 * Decides every topic. A choice that a bar rules out is never made; among the rest the first matching rule wins, by level
 * (safety, need, school, usual) and then in the order of the book. A choice by hand wins over every rule, never over a bar
 * or a safety rule. Pure: the same input gives the same decisions.
 */
export function decide(settled: SettledFacts, chosenByHand: Facts['chosenByHand']): { decisions: Decision[]; facts: Facts } {
  // One object for all topics: each decision is written into it for the topics that follow.
  const decided: Partial<Record<Topic, Choice>> = {}
  const facts: Facts = { ...settled, chosenByHand, decided }
  const made = new Map<Topic, Decision>()
  for (const topic of decidingOrder) {
    const decision = decideTopic(topic, facts)
    made.set(topic, decision)
    decided[topic] = decision.choice
  }
  return { decisions: topics.map((topic) => made.get(topic)!), facts }
}

/** The facts after every topic is decided, without reasons; for comparing. */
export const decideAnew = (settled: SettledFacts): Facts => redecide(settled, {}, {}, decidingOrder[0])

/**
 * The facts after the choices by hand for `changed` are others: earlier topics stay as `known`, since no topic looks ahead.
 * Without reasons; for comparing.
 */
export function redecide(settled: SettledFacts, chosenByHand: Facts['chosenByHand'], known: Facts['decided'], changed: Topic): Facts {
  // Built up in the order of `decide`, never deleted from: the engine of the language keeps such objects fast.
  const decided: Partial<Record<Topic, Choice>> = {}
  const facts: Facts = { ...settled, chosenByHand, decided }
  const from = decidingOrder.indexOf(changed)
  decidingOrder.forEach((topic, place) => (decided[topic] = place < from ? known[topic] : choiceOn(topic, facts)))
  return facts
}

/** The choice alone: asks no further than the first rule that holds and is not barred. */
function choiceOn(topic: Topic, facts: Facts): Choice {
  const { rules, bars } = ruleBook[topic]
  const isBarred = (choice: Choice) => bars.some((bar) => bar.choice === choice && bar.when.holds(facts))
  const inOrder = byLevel(rules)
  const wanted = choicesOf[topic].find((choice) => choice === facts.chosenByHand[topic])
  if (wanted && !isBarred(wanted) && inOrder.find((rule) => rule.when.holds(facts))?.level !== 'safety') return wanted
  const winner = inOrder.find((rule) => rule.when.holds(facts) && !isBarred(rule.then))
  if (!winner) throw new Error(`no rule of the book decides ${topic}`)
  return winner.then
}

function decideTopic(topic: Topic, facts: Facts): Decision {
  const { winner, matching, barring, inOrder } = winnerOf(topic, facts)
  const turnedDown = choicesOf[topic]
    .filter((choice) => choice !== winner.then)
    .map((choice) => {
      const bars = barring.filter((bar) => bar.choice === choice).flatMap((bar) => bar.because(facts))
      return { choice, ...whyNot(topic, choice, { bars, matching, all: inOrder, winner, facts }) }
    })
  return {
    topic,
    choice: winner.then,
    rule: winner.id,
    because: winner.because(facts),
    ...(winner.school ? { school: winner.school } : {}),
    ...(winner.id !== byHand && matching[0].then !== winner.then ? { better: matching[0].then } : {}),
    turnedDown,
  }
}

function winnerOf(topic: Topic, facts: Facts): { winner: Rule; matching: readonly Rule[]; barring: readonly Bar[]; inOrder: readonly Rule[] } {
  const { rules, bars } = ruleBook[topic]
  const barring = bars.filter((bar) => bar.when.holds(facts))
  const isBarred = (choice: Choice) => barring.some((bar) => bar.choice === choice)
  const inOrder = byLevel(rules)
  const matching = inOrder.filter((rule) => rule.when.holds(facts))
  const winner = handRule(topic, matching, isBarred, facts) ?? matching.find((rule) => !isBarred(rule.then))
  if (!winner) throw new Error(`no rule of the book decides ${topic}`)
  return { winner, matching, barring, inOrder }
}

const ordered = new WeakMap<readonly Rule[], readonly Rule[]>()
function byLevel(rules: readonly Rule[]): readonly Rule[] {
  const known = ordered.get(rules) ?? levels.flatMap((level) => rules.filter((rule) => rule.level === level))
  ordered.set(rules, known)
  return known
}

function handRule(topic: Topic, matching: readonly Rule[], isBarred: (choice: Choice) => boolean, facts: Facts): Rule | undefined {
  const wanted = choicesOf[topic].find((choice) => choice === facts.chosenByHand[topic])
  if (!wanted || isBarred(wanted) || matching[0]?.level === 'safety') return undefined
  return {
    id: byHand,
    topic,
    level: 'safety',
    when: { words: says('method.handRule.chosen-hand'), holds: () => true },
    then: wanted,
    because: () => [says('method.handRule.chosen-hand-job')],
  }
}

interface Weighed {
  readonly bars: readonly Message[]
  readonly matching: readonly Rule[]
  readonly all: readonly Rule[]
  readonly winner: Rule
  readonly facts: Facts
}
/** What keeps a choice out; else what speaks against it here, by what speaks for the one that is taken. */
function whyNot(topic: Topic, choice: Choice, { bars, matching, all, winner, facts }: Weighed): { because: Message; standing: Standing } {
  if (bars.length > 0) return { standing: 'barred', because: bars.length === 1 ? bars[0] : joined({ semicolon: bars }) }
  const words = against(topic, choice, winner.then)
  if (matching.some((rule) => rule.then === choice))
    return { standing: 'possible', because: says('method.whyNot.here', { against: words, here: { semicolon: winner.because(facts) } }) }
  return { standing: 'uncalled', because: says('method.whyNot.uncalled', { against: words, right: rightFor(all, choice) }) }
}

const saidOnce = new WeakMap<readonly Rule[], Map<Choice, Message>>()
/** What the rules that propose a choice ask for; the same for every unit, so put together once. */
function rightFor(rules: readonly Rule[], choice: Choice): Message {
  const said = saidOnce.get(rules) ?? new Map<Choice, Message>()
  saidOnce.set(rules, said)
  const known = said.get(choice)
  if (known !== undefined) return known
  const conditions = rules.filter((rule) => rule.then === choice).map((rule) => rule.when.words)
  const words =
    conditions.length > 0 ? says('method.rightFor.would-right', { conditions: { semicolon: conditions } }) : says('method.rightFor.way-kind-unit')
  said.set(choice, words)
  return words
}
