// What would the other choice cost or save? Minutes, money, water, reach and risk against the plan.
import type { Choice, KnownHouseRules, SchoolName, Topic } from '../method/index.ts'
import type { Step } from '../procedure/index.ts'
import { round } from '../quantities/index.ts'
import { partName, type Part } from '../units/index.ts'
import type { Comparison, UnitPlan } from './planFile.ts'
import type { UnitJob } from './jobFile.ts'
import { planUnit, type PlannedUnit, type UnitContext, type WorkedOut } from './planUnit.ts'
import { joined, says, type Message } from '../words/index.ts'

/** What a choice risks, in a sentence for its topic. */
const risks: Partial<Record<`${Topic}:${Choice}`, Message>> = {
  'rinse:condensate': says('plan.risks.rinse:condensate'),
  'rinse:none': says('plan.risks.rinse:none'),
  'rinse:spray-bottle': says('plan.risks.rinse:spray-bottle'),
  'rinse:hose': says('plan.risks.rinse:hose'),
  'rinse:pump-wand': says('plan.risks.rinse:pump-wand'),
  'wheel:remove-and-wash': says('plan.risks.wheel:remove-and-wash'),
  'wheel:wash-in-place': says('plan.risks.wheel:wash-in-place'),
  'wheel:leave': says('plan.risks.wheel:leave'),
  'coil-agent:water': says('plan.risks.coil-agent:water'),
  'coil-agent:mild-detergent': says('plan.risks.coil-agent:mild-detergent'),
  'pan:flush-in-place': says('plan.risks.pan:flush-in-place'),
  'drying:long-air-dry': says('plan.risks.drying:long-air-dry'),
  'drying:fan-run': says('plan.risks.drying:fan-run'),
  'scope:open-clean': says('plan.risks.scope:open-clean'),
  'scope:strip-down': says('plan.risks.scope:strip-down'),
  'scope:bench-clean': says('plan.risks.scope:bench-clean'),
  'condenser-rinse:none': says('plan.risks.condenser-rinse:none'),
  'wheel-agent:water': says('plan.risks.wheel-agent:water'),
  'condenser-agent:water': says('plan.risks.condenser-agent:water'),
  'condenser-agent:outdoor-foam': says('plan.risks.condenser-agent:outdoor-foam'),
  'condenser-agent:alkaline-degreaser': says('plan.risks.condenser-agent:alkaline-degreaser'),
  'dry-pass:low-pressure-air': says('plan.risks.dry-pass:low-pressure-air'),
  'electrics:unplug-and-remove': says('plan.risks.electrics:unplug-and-remove'),
  'drain:disconnect-and-flush': says('plan.risks.drain:disconnect-and-flush'),
  'drain:flush': says('plan.risks.drain:flush'),
  'pan-treatment:none': says('plan.risks.pan-treatment:none'),
}

export interface Totals {
  readonly minutes: number
  readonly money: number
  readonly waterL: number
}

interface Sums {
  readonly steps: readonly Pick<Step, 'handsMin' | 'wait' | 'people'>[]
  readonly mixes: readonly { cost?: number; waterL: number }[]
  readonly washL: number
}

/** Hands-on and waiting minutes of one person, work and product at the firm's rate, and water. */
export function totalsOf({ steps, mixes, washL }: Sums, rules: KnownHouseRules): Totals {
  const hands = steps.reduce((sum, { handsMin }) => sum + handsMin, 0)
  const waits = steps.reduce((sum, { wait }) => sum + (wait?.leastMin ?? 0), 0)
  const product = mixes.reduce((sum, { cost }) => sum + (cost ?? 0), 0)
  return {
    minutes: round(hands + waits),
    money: round((hands / 60) * rules.hourlyRate + product, 2),
    waterL: round(washL + mixes.reduce((sum, { waterL }) => sum + waterL, 0), 1),
  }
}

/** Totals of a unit's plan, what it asks of the visit included, as the comparisons count them. */
export const planTotals = ({ plan, allSteps }: Pick<PlannedUnit, 'plan' | 'allSteps'>, rules: KnownHouseRules): Totals =>
  totalsOf({ mixes: plan.mixes, steps: allSteps, washL: plan.washWater?.litres ?? 0 }, rules)

/**
 * Adds to every choice that was turned down, and is possible, what it would change. Each is worked out when it is read for the first time: that takes
 * about as long as all the rest of a plan, and while somebody taps, nobody reads any of them.
 */
export function withComparisons(planned: PlannedUnit, { houseRules }: UnitContext): UnitPlan {
  let ownTotals: Totals | undefined
  const { plan, alternative } = planned
  const own = () => (ownTotals ??= planTotals(planned, houseRules))
  const compared = (topic: Topic, choice: Choice): Comparison | undefined => {
    const instead = alternative(topic, choice)
    return instead.facts.decided[topic] === choice ? comparison(topic, choice, plan, own(), instead, totalsOf(instead, houseRules)) : undefined
  }
  const decisions = plan.decisions.map((decision) => ({
    ...decision,
    turnedDown: decision.turnedDown.map((other) =>
      other.standing === 'possible' ? whenRead(other, () => compared(decision.topic, other.choice as Choice)) : other,
    ),
  }))
  return { ...plan, decisions }
}

type TurnedDown = UnitPlan['decisions'][number]['turnedDown'][number]
/** A choice with its comparison, which is worked out once, when it is read. */
function whenRead(other: TurnedDown, compared: () => Comparison | undefined): TurnedDown {
  let read: { readonly instead: Comparison | undefined } | undefined
  return {
    ...other,
    get instead() {
      read ??= { instead: compared() }
      return read.instead
    },
  }
}

/** What one choice by hand would change in the plan of a unit; undefined where a bar or a safety rule keeps it out. */
export function compareChoice(planned: PlannedUnit, houseRules: KnownHouseRules, topic: Topic, choice: Choice): Comparison | undefined {
  const { plan, alternative } = planned
  const instead = alternative(topic, choice)
  if (instead.facts.decided[topic] !== choice) return undefined
  return comparison(topic, choice, plan, planTotals(planned, houseRules), instead, totalsOf(instead, houseRules))
}

/** What it would change at a unit to follow another school: minutes, money, water and reach against the plan. */
export function compareSchool(unit: UnitJob, context: UnitContext, planned: PlannedUnit, school: SchoolName, value: string): Comparison {
  const houseRules = { ...context.houseRules, [school]: value } as KnownHouseRules
  const other = planUnit(unit, { ...context, houseRules })
  const [own, totals] = [planTotals(planned, context.houseRules), planTotals(other, houseRules)]
  const reach = reachDifference(planned.plan, other.plan)
  return { ...differenceOf(own, totals), ...(reach ? { reach } : {}) }
}

const differenceOf = (own: Totals, other: Totals) => ({
  minutes: round(other.minutes - own.minutes),
  money: round(other.money - own.money, 2),
  waterL: round(other.waterL - own.waterL, 1),
})

function comparison(topic: Topic, choice: Choice, plan: UnitPlan, own: Totals, other: WorkedOut, totals: Totals): Comparison {
  const reach = reachDifference(plan, other)
  const risk = risks[`${topic}:${choice}`]
  return {
    ...differenceOf(own, totals),
    ...(reach ? { reach } : {}),
    ...(risk ? { risk } : {}),
  }
}

function reachDifference(plan: UnitPlan, other: { readonly notReached: readonly { readonly part: Part }[] }): Message | undefined {
  const here = plan.notReached.map(({ part }) => part)
  const there = other.notReached.map(({ part }) => part)
  const lost = there.filter((part) => !here.includes(part)).map((part) => partName(part))
  const won = here.filter((part) => !there.includes(part)).map((part) => partName(part))
  const said = [
    ...(lost.length > 0 ? [says('plan.reachDifference.does-reach', { parts: { comma: lost } })] : []),
    ...(won.length > 0 ? [says('plan.reachDifference.also-reaches', { parts: { comma: won } })] : []),
  ]
  return said.length > 0 ? joined({ semicolon: said }) : undefined
}
