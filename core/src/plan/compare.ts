// What would the other choice cost or save? Minutes, money, water, reach and risk against the plan.
import type { Choice, KnownHouseRules, SchoolName, Topic } from '../method/index.ts'
import type { Step } from '../procedure/index.ts'
import { round } from '../quantities/index.ts'
import { partNames } from '../units/index.ts'
import type { Comparison, UnitPlan } from './planFile.ts'
import type { UnitJob } from './jobFile.ts'
import { planUnit, type PlannedUnit, type UnitContext, type WorkedOut } from './planUnit.ts'

/** What a choice risks, in a sentence for its topic. */
const risks: Partial<Record<`${Topic}:${Choice}`, string>> = {
  'rinse:condensate': 'what the condensate does not carry off dries on the coil',
  'rinse:none': 'soil on back and upper faces stays',
  'rinse:spray-bottle': 'little water: heavy soil may not come off',
  'rinse:hose': 'much water: pressure bends fins, and electronics have to be off',
  'rinse:pump-wand': 'wash water indoors: it has to be caught',
  'wheel:remove-and-wash': 'the coil is lifted and the set screw loosened: a bent pipe or a lost screw',
  'wheel:wash-in-place': 'the back of the blades is hard to reach; the first spin throws water',
  'wheel:leave': 'the wheel goes on throwing what it has collected',
  'coil-agent:water': 'grease and slime stay',
  'coil-agent:mild-detergent': 'heavy soil may need a second pass',
  'pan:flush-in-place': 'slime in the corners may stay',
  'drying:long-air-dry': 'the unit stays off for longer',
  'drying:fan-run': 'damp soil that was missed is blown out',
  'scope:open-clean': 'what sits behind pan and wheel is not reached',
  'scope:strip-down': 'more parts are handled',
  'scope:bench-clean': 'a heavy unit is carried: backs, sash and what holds it up',
  'condenser-rinse:none': 'what a brush leaves in the outdoor coil stays',
  'wheel-agent:water': 'grease and slime stay on the blades',
  'condenser-agent:water': 'grease and matted dirt stay deep in the outdoor coil',
  'condenser-agent:outdoor-foam': 'an outdoor product: nothing of it may reach the coil whose air is breathed',
  'condenser-agent:alkaline-degreaser': 'it burns skin and attacks bare aluminium past its time',
  'dry-pass:low-pressure-air': 'a jet held close bends fins',
  'electrics:unplug-and-remove': 'plugs are parted: a wrong seat on the way back',
  'drain:disconnect-and-flush': 'a joint is opened: it has to be tight again',
  'drain:flush': 'what blocks the line may be pushed further in',
  'pan-treatment:none': 'slime comes back sooner',
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

/** Totals of a unit's plan, as the comparisons count them. */
export const planTotals = (plan: UnitPlan, rules: KnownHouseRules): Totals => totalsOf({ ...plan, washL: plan.washWater?.litres ?? 0 }, rules)

/** Adds to every choice that was turned down, and is possible, what it would change. */
export function withComparisons({ plan, alternative }: PlannedUnit, { houseRules }: UnitContext): UnitPlan {
  const own = planTotals(plan, houseRules)
  const decisions = plan.decisions.map((decision) => ({
    ...decision,
    turnedDown: decision.turnedDown.map((other) => {
      if (other.standing !== 'possible') return other
      const instead = alternative(decision.topic, other.choice)
      const taken = instead.facts.decided[decision.topic] === other.choice
      return taken
        ? { ...other, instead: comparison(decision.topic, other.choice as Choice, plan, own, instead, totalsOf(instead, houseRules)) }
        : other
    }),
  }))
  return { ...plan, decisions }
}

/** What one choice by hand would change in the plan of a unit; undefined where a bar or a safety rule keeps it out. */
export function compareChoice({ plan, alternative }: PlannedUnit, houseRules: KnownHouseRules, topic: Topic, choice: Choice): Comparison | undefined {
  const instead = alternative(topic, choice)
  if (instead.facts.decided[topic] !== choice) return undefined
  return comparison(topic, choice, plan, planTotals(plan, houseRules), instead, totalsOf(instead, houseRules))
}

/** What it would change at a unit to follow another school: minutes, money, water and reach against the plan. */
export function compareSchool(unit: UnitJob, context: UnitContext, plan: UnitPlan, school: SchoolName, value: string): Comparison {
  const houseRules = { ...context.houseRules, [school]: value } as KnownHouseRules
  const { plan: other } = planUnit(unit, { ...context, houseRules })
  const [own, totals] = [planTotals(plan, context.houseRules), planTotals(other, houseRules)]
  const reach = reachDifference(plan, other)
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

function reachDifference(plan: UnitPlan, other: Pick<WorkedOut, 'notReached'>): string | undefined {
  const here = plan.notReached.map(({ part }) => part)
  const there = other.notReached.map(({ part }) => part)
  const lost = there.filter((part) => !here.includes(part)).map((part) => partNames[part])
  const won = here.filter((part) => !there.includes(part)).map((part) => partNames[part])
  const said = [...(lost.length > 0 ? [`does not reach: ${lost.join(', ')}`] : []), ...(won.length > 0 ? [`also reaches: ${won.join(', ')}`] : [])]
  return said.length > 0 ? said.join('; ') : undefined
}
