// What is the plan for one unit? Calls the rooms in order.
import { indoorAirFrom, type AirState } from '../air/index.ts'
import { diagnose, gradeOf, seenFrom, worstOf, type LookOver } from '../lookover/index.ts'
import {
  decide,
  redecide,
  factsOf,
  notReached,
  referralsFor,
  usualHoursPerDay,
  type ChoiceOf,
  type Facts,
  type KnownHouseRules,
  type NotReached,
  type SettledFacts,
  type Topic,
} from '../method/index.ts'
import type { Equipment, Product } from '../products/index.ts'
import { draftSteps, stepsFor, whatComesOff, withUses, type Step } from '../procedure/index.ts'
import { coilAreaM2, knownDesign, type KnownDesign } from '../units/index.ts'
import { dueAfter, duesAfterVisit, indexFound, indexLeft, type UnitMemory } from '../upkeep/index.ts'
import { rinseMinutes, simulateWash, washLitres, type Catcher, type WashJob, type WashWater, washRunOf, type WashRun } from '../wash/index.ts'
import { customerText } from './customerText.ts'
import { dryingTimes } from './dryingTimes.ts'
import { expectedOf } from './expected.ts'
import type { Site, UnitJob } from './jobFile.ts'
import { mixesFor, type PlannedMix } from './mixes.ts'
import type { UnitPlan } from './planFile.ts'
import { warningsFor } from './warnings.ts'

export interface UnitContext {
  readonly site: Site
  readonly trained: readonly string[]
  /** What each of the crew may lift, kg. */
  readonly liftKg: readonly number[]
  readonly houseRules: KnownHouseRules
  readonly products: readonly Product[]
  readonly equipment: readonly Equipment[]
}

/** What is remembered of units, and whether their grades were seen or are only expected. */
export interface PlanMemory extends UnitMemory {
  readonly isSeen: boolean
}

/** What is known about a unit before anything is decided. */
interface Settled {
  readonly unit: UnitJob
  readonly design: KnownDesign
  readonly assumed: readonly string[]
  readonly lookOver: LookOver
  readonly facts: SettledFacts
  readonly room: AirState
  readonly washJob: (rinse: ChoiceOf<'rinse'>, wheelInPlace: boolean) => WashJob
}

/** What follows from a set of choices: enough to compare them. */
export interface WorkedOut {
  readonly facts: Facts
  readonly mixes: readonly PlannedMix[]
  readonly steps: readonly Step[]
  readonly washL: number
  readonly notReached: NotReached[]
}

export interface PlannedUnit {
  readonly plan: UnitPlan
  readonly warnings: string[]
  readonly facts: Facts
  /** How the wash water goes through bag or sheet, where something fills up. */
  readonly washRun?: WashRun
  /** What would follow if this topic were decided otherwise by hand. */
  readonly alternative: (topic: Topic, choice: string) => WorkedOut
}

function settle(unit: UnitJob, { site, trained, liftKg, houseRules, products, equipment }: UnitContext): Settled {
  const { design, assumed } = knownDesign(unit.family, unit.design)
  const lookOver: LookOver = {
    family: unit.family,
    complaints: unit.complaints,
    grades: unit.grades,
    findings: unit.findings ?? [],
    readings: unit.readings,
  }
  const areaM2 = coilAreaM2(design)
  const washJob = (rinse: ChoiceOf<'rinse'>, wheelInPlace: boolean): WashJob => ({
    ...(unit.wash ? { chosen: unit.wash } : {}),
    rinse,
    wheelInPlace,
    equipment,
    areaM2,
    grade: worstOf(lookOver, 'coilFace', 'coilBack'),
    faces: gradeOf(lookOver, 'coilBack') > 0 ? 2 : 1,
  })
  const facts = factsOf({
    lookOver,
    design,
    trained,
    liftKg,
    houseRules,
    products,
    equipment,
    hoursPerDay: unit.hoursPerDay,
    site: { ...site, sensitiveOccupants: site.sensitiveOccupants ?? false },
    washLitres: (rinse) => washLitres(washJob(rinse, false)),
  })
  return { unit, design, assumed, lookOver, facts, washJob, room: indoorAirFrom(site.outdoorAir, site.altitudeM ?? 0, unit.readings) }
}

const washJobOf = ({ washJob }: Settled, decided: Facts['decided']): WashJob => ({
  ...washJob(decided.rinse as ChoiceOf<'rinse'>, decided.wheel === 'wash-in-place'),
  condenser: decided['condenser-agent'] !== 'none',
})

/** What fills up, for the ways of containment in which something does. */
const catchers: Readonly<Record<string, Catcher>> = { 'wash-bag-to-bucket': 'wash-bag', 'funnel-sheet-to-bucket': 'funnel-sheet' }

function workOut(
  settled: Settled,
  facts: Facts,
  finish: typeof stepsFor,
  washWater?: (job: WashJob, catcher?: Catcher) => WashWater | undefined,
): WorkedOut {
  const { decided } = facts
  const mixes = mixesFor(facts)
  const washJob = washJobOf(settled, decided)
  const steps = finish({
    facts,
    decided,
    strip: whatComesOff(facts, decided),
    coilMix: mixes.find(({ part }) => part === 'coilFace'),
    condenserMix: mixes.find(({ part }) => part === 'condenserFace'),
    rinseMin: rinseMinutes(washJob),
    washWater: washWater?.(washJob, catchers[decided.containment as string]),
    room: settled.room,
  })
  return { facts, mixes, steps, washL: washLitres(washJob), notReached: notReached(facts) }
}

/** Plan of one unit, its due dates by `memory` where something is remembered; what other choices would change is added by `compare.ts`. Pure. */
export function planUnit(unit: UnitJob, context: UnitContext, memory?: PlanMemory): PlannedUnit {
  const settled = settle(unit, context)
  const { design, lookOver, room, assumed } = settled
  const { site } = context
  let washWater: WashWater | undefined
  let washRun: WashRun | undefined
  const { decisions, facts } = decide(settled.facts, unit.choices ?? {})
  const {
    mixes,
    steps,
    notReached: left,
  } = workOut(settled, facts, stepsFor, (job, catcher) => {
    if (rinseMinutes(job) <= 0) return undefined
    washRun = catcher && washRunOf(job, catcher)
    return (washWater = simulateWash(job, catcher))
  })
  const { decided } = facts
  const diagnosis = diagnose(seenFrom(lookOver, design, { altitudeM: site.altitudeM, outdoorC: site.outdoorAir?.dryBulbC }))
  const referrals = referralsFor(facts, diagnosis)
  const panTreatmentWeeks = decided['pan-treatment'] === 'slow-release' ? facts.product('pan-treatment').product?.label.lifeWeeks : undefined
  const startIndex = indexLeft(
    String(decided.scope),
    lookOver.grades,
    left.map(({ part }) => part),
  )
  const past = memory?.pastOf.get(unit.id)
  const found = indexFound(lookOver.grades)
  const due =
    memory && past && found !== undefined
      ? duesAfterVisit(past, memory, { found, left: startIndex, isSeen: memory.isSeen, panTreatmentWeeks })
      : dueAfter({
          surroundings: site.surroundings ?? [],
          hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value,
          fineFilter: design.fineFilter,
          startIndex,
          panTreatmentWeeks,
        })
  const plan: UnitPlan = {
    id: unit.id,
    diagnosis,
    decisions,
    referrals,
    customerText: customerText({ unit, facts, decisions, referrals, notReached: left, due, mixes }),
    steps: withUses(steps, mixes),
    mixes: mixes.map(({ product, part, dilution, productL, waterL, passes, cost }) => ({
      productId: product.id,
      part,
      dilution,
      productL,
      waterL,
      passes,
      ...(cost === undefined ? {} : { cost }),
    })),
    ...(washWater ? { washWater } : {}),
    drying: dryingTimes(facts, room),
    expected: expectedOf(facts, room),
    notReached: left,
    due,
  }
  return {
    plan,
    facts,
    ...(washRun ? { washRun } : {}),
    warnings: warningsFor({ unit, assumed, facts, decisions, mixes, washWater }),
    alternative: (topic, choice) => workOut(settled, redecide(settled.facts, { ...unit.choices, [topic]: choice }, decided, topic), draftSteps),
  }
}
