// In which ways can this work be offered? Options side by side: light or deep, and the schools, each with its price and what is due after it.
import { schools, type ChoiceOf, type HouseRules, type SchoolName } from '../method/index.ts'
import { priceOf } from '../money/index.ts'
import { round } from '../quantities/index.ts'
import { isCarried } from '../units/index.ts'
import { isNotCleanYet, weeksPerYear, type UnitMemory } from '../upkeep/index.ts'
import { planTotals } from './compare.ts'
import { worthNotes } from './offers.ts'
import { offerSentences, speckSentence, throwsSpecks } from './customerText.ts'
import type { JobFile, UnitJob } from './jobFile.ts'
import { contextOf } from './planJob.ts'
import { planUnit, type PlannedUnit } from './planUnit.ts'
import { visitPlanOf } from './visitPlan.ts'
import type { QuoteOption } from './quoteOption.ts'
import { isSame, joined, says, type Message } from '../words/index.ts'

interface Way {
  readonly key: string
  readonly scopeFor?: (unit: UnitJob) => string
  readonly school?: { name: SchoolName; value: string }
}

const rinseSchools = schools.rinseSchool
const ways: readonly Way[] = [
  { key: 'usual' },
  { key: 'deep', scopeFor: ({ family }) => (isCarried(family) ? 'bench-clean' : 'strip-down') },
  { key: 'light', scopeFor: () => 'clean-in-place' },
  ...rinseSchools.map((value) => ({ key: `rinse-${value}`, school: { name: 'rinseSchool' as const, value } })),
]

const depthNames: Readonly<Record<ChoiceOf<'scope'>, Message>> = {
  'filter-service': says('plan.depthNames.filter-service'),
  'clean-in-place': says('plan.depthNames.clean-in-place'),
  'open-clean': says('plan.depthNames.open-clean'),
  'strip-down': says('plan.depthNames.strip-down'),
  'bench-clean': says('plan.depthNames.strip-down'),
  decline: says('plan.depthNames.decline'),
}
const rinseNames: Readonly<Record<ChoiceOf<'rinse'>, Message>> = {
  condensate: says('plan.rinseNames.condensate'),
  'spray-bottle': says('plan.rinseNames.spray-bottle'),
  'pump-wand': says('plan.rinseNames.pump-wand'),
  hose: says('plan.rinseNames.pump-wand'),
  none: says('plan.rinseNames.none'),
}
/** One word for all units, or undefined where they differ. */
const oneOf = (all: readonly Message[]): Message | undefined => (all.every((one) => isSame(one, all[0])) ? all[0] : undefined)

/** What a school is in the customer's words, where it cannot be the same at every unit. */
const schoolWords: Readonly<Record<string, Message>> = {
  rinse: says('plan.rinseNames.pump-wand'),
  'self-rinsing': says('plan.schoolWords.self-rinsing'),
  dry: says('plan.schoolWords.dry'),
}

function nameOf(planned: readonly PlannedUnit[], { school }: Way): Message {
  const depth = oneOf(planned.map(({ facts }) => depthNames[facts.decided.scope as ChoiceOf<'scope'>])) ?? says('plan.nameOf.each-unit-needs')
  if (depth === depthNames.decline || depth === depthNames['filter-service']) return depth
  const rinse = oneOf(planned.map(({ facts }) => rinseNames[facts.decided.rinse as ChoiceOf<'rinse'>])) ?? (school && schoolWords[school.value])
  return rinse ? joined({ comma: [depth, rinse] }) : depth
}

/** Weeks until the deep clean; none where the way leaves it dirty, since it does not last then. */
function deepWeeks({ due }: QuoteOption['units'][number]): number {
  const deep = due.find(({ what }) => what === 'deep-clean')
  return deep && isNotCleanYet(deep) ? 0 : (deep?.weeks ?? Infinity)
}

/** When each unit of a way needs it again, and its share of the price by its work; nothing for a way that does not last. */
export function returnsOf({ units }: Pick<QuoteOption, 'units'>): { weeks: number; share: number }[] {
  const handsMin = units.reduce((sum, unit) => sum + unit.handsMin, 0)
  const returns = units.map((unit) => ({ weeks: deepWeeks(unit), share: handsMin > 0 ? unit.handsMin / handsMin : 1 / units.length }))
  return returns.some(({ weeks }) => weeks <= 0) ? [] : returns
}
/** What a way costs a year, each unit done again when it needs it; undefined for a way that does not last. */
export function costPerYear(option: Pick<QuoteOption, 'units'>, toPay: number): number | undefined {
  const returns = returnsOf(option)
  return returns.length === 0 ? undefined : round(toPay * returns.reduce((sum, { weeks, share }) => sum + (share * weeksPerYear) / weeks, 0), 2)
}

/** Enough to tell five minutes apart. */
const optionEffort = 400

/**
 * Ways in which the work of a job can be offered, the usual one first; ways that come to the same are said once, ways that safety or the
 * design bars are left out. Prices are amounts in the firm's money.
 * @param job units with grades, as found or as expected; has passed `checkJob`
 * @param memory of the units, for the day of the work; their grades count as expected, not as seen
 */
export function quoteOptions(job: JobFile, memory: UnitMemory): QuoteOption[] {
  const said = new Set<string>()
  return ways.flatMap((way) => {
    const { key, scopeFor, school } = way
    const rules: HouseRules = { ...job.houseRules, ...(school ? { [school.name]: school.value } : {}) }
    const wanted = job.units.map((unit) => (scopeFor ? { ...unit, choices: { ...unit.choices, scope: scopeFor(unit) } } : unit))
    const context = contextOf({ ...job, houseRules: rules })
    const planned = wanted.map((unit) => planUnit(unit, context, { ...memory, isSeen: false }))
    const signature = JSON.stringify(planned.map(({ facts }) => facts.decided))
    if (said.has(signature)) return []
    // Asked for and not possible at any unit: no way of its own.
    if (scopeFor && !planned.some(({ facts }, at) => facts.decided.scope === wanted[at].choices?.scope)) return []
    said.add(signature)
    const visit = visitPlanOf(planned, job.crew, context.equipment, optionEffort)
    const units = planned.map((one, at) => unitOf(wanted[at], one))
    const { lines, total } = priceOf(
      units.map(({ name, handsMin, products, scope }) => ({
        name,
        work: joined({ lower: depthNames[scope as ChoiceOf<'scope'>] }),
        handsMin,
        productCost: products.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
      })),
      context.houseRules,
      { handsMin: visit.visitHands, waitingMin: visit.waitingMin },
    )
    const againWeeks = Math.min(...units.map(deepWeeks))
    const scopes = scopeFor && Object.fromEntries(units.map(({ unitId, scope }) => [unitId, scope]))
    return [
      {
        key,
        name: nameOf(planned, way),
        usual: key === 'usual',
        differs: { ...(scopes ? { scopes } : {}), ...(school ? { school } : {}) },
        units,
        lines,
        total,
        handsMin: round(visit.hands),
        waitingMin: round(visit.waitingMin),
        onSiteMin: { usual: round(visit.onSite), low: visit.low, high: visit.high },
        waterL: round(
          planned.reduce((sum, one) => sum + planTotals(one, context.houseRules).waterL, 0),
          1,
        ),
        againWeeks: round(againWeeks),
      },
    ]
  })
}

function unitOf(unit: UnitJob, { plan, facts }: PlannedUnit): QuoteOption['units'][number] {
  return {
    unitId: unit.id,
    name: unit.name ?? unit.id,
    scope: String(facts.decided.scope),
    says: [
      ...offerSentences(facts.decided, facts.design.filter === 'disposable'),
      ...(throwsSpecks(facts.decided) ? [speckSentence] : []),
      ...worthNotes(plan.offers),
    ],
    notReached: plan.notReached,
    handsMin: round(plan.steps.reduce((sum, { handsMin, people }) => sum + handsMin * people, 0)),
    products: plan.mixes.map(({ productId, productL, cost }) => ({ productId, litres: productL, ...(cost === undefined ? {} : { cost }) })),
    due: plan.due,
  }
}
