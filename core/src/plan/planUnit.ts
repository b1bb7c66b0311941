// What is the plan for one unit? Calls the rooms in order.
import { indoorAirFrom, type AirState } from '../air/index.ts'
import { believedAir, diagnose, gradeOf, measuredUnit, seenFrom, worstOf, type LookOver } from '../lookover/index.ts'
import {
  decide,
  decideAnew,
  decidingOrder,
  redecide,
  factsOf,
  notReached,
  referralsFor,
  troughLitres,
  usualCarriedL,
  type ChoiceOf,
  type Facts,
  type Hand,
  type KnownHouseRules,
  type NotReached,
  type SettledFacts,
  type Topic,
} from '../method/index.ts'
import { findEquipment, piecesIn, type Equipment, type EquipmentKind, type Product } from '../products/index.ts'
import {
  afterRunOf,
  draftSteps,
  pouredAt,
  partVisit,
  stepsFor,
  whatComesOff,
  withUses,
  type AfterRun,
  type Drafting,
  type Step,
} from '../procedure/index.ts'
import { coilAreaM2, knownDesign, type KnownDesign } from '../units/index.ts'
import {
  caughtLitres,
  rinseMinutes,
  simulateWash,
  washLitres,
  type Catcher,
  type WashJob,
  type WashWater,
  washRunOf,
  type WashRun,
} from '../wash/index.ts'
import type { Message } from '../words/index.ts'
import { complaintsAnswered, findingsAnswered } from './answers.ts'
import { comesDown, rinseOf } from './comesDown.ts'
import { totalsOf } from './compare.ts'
import { customerText, keptOffRoof } from './customerText.ts'
import { dryingTimes } from './dryingTimes.ts'
import { expectedOf } from './expected.ts'
import { duesOf, type PlanMemory } from './dues.ts'
import type { Site, UnitJob } from './jobFile.ts'
import { mixesFor, type PlannedMix } from './mixes.ts'
import { spreadOf } from './minutes.ts'
import { offersFor, type Instead } from './offers.ts'
import type { UnitPlan } from './planFile.ts'
import { warningsFor } from './warnings.ts'

export interface UnitContext {
  readonly site: Site
  readonly crew: readonly Hand[]
  readonly houseRules: KnownHouseRules
  readonly products: readonly Product[]
  readonly equipment: readonly Equipment[]
  /** What each unit of the visit is isolated and powered with, by its id. */
  readonly supplies: ReadonlyMap<string, string>
  /** Units that are not the first of their family in the visit. */
  readonly further: ReadonlySet<string>
  /** Whether two of the crew work at one unit together. */
  readonly isShared: boolean
  /** How many units hang on the supply of each, by its id. */
  readonly onSupply: ReadonlyMap<string, number>
}

/** What is known about a unit before anything is decided. */
interface Settled {
  readonly site: Site
  readonly unit: UnitJob
  readonly design: KnownDesign
  readonly assumed: readonly Message[]
  readonly lookOver: LookOver
  readonly facts: SettledFacts
  readonly room: AirState
  readonly washJob: (rinse: ChoiceOf<'rinse'>) => WashJob
  readonly isFurtherOfKind: boolean
  readonly isShared: boolean
  /** Whether there are fewer of what catches the water than units on the supply. */
  readonly isLentOut: (containment: string) => boolean
}

/** What follows from a set of choices: enough to compare them. */
export interface WorkedOut {
  readonly facts: Facts
  readonly mixes: readonly PlannedMix[]
  readonly steps: readonly Step[]
  readonly washL: number
  readonly notReached: NotReached[]
  readonly afterRun?: AfterRun
}

export interface PlannedUnit {
  readonly plan: UnitPlan
  readonly warnings: Message[]
  readonly facts: Facts
  readonly mixes: readonly PlannedMix[]
  /** What it asks of the visit, and all of its work as one list. */
  readonly visitSteps: readonly Step[]
  readonly allSteps: readonly Step[]
  /** How the wash water goes through bag or sheet, where something fills up. */
  readonly washRun?: WashRun
  /** What would follow if this topic were decided otherwise by hand. */
  readonly alternative: (topic: Topic, choice: string) => WorkedOut
}

/** What fills up, for the ways of containment in which something does. */
const catchers: Readonly<Record<string, Catcher>> = { 'wash-bag-to-bucket': 'wash-bag', 'funnel-sheet-to-bucket': 'funnel-sheet' }

function settle(unit: UnitJob, { site, crew, houseRules, products, equipment, further, isShared, onSupply }: UnitContext): Settled {
  const { design, assumed, isNoted } = knownDesign(unit.family, unit.design)
  const air = unit.readings && believedAir(unit.readings, measuredUnit(unit, site))
  const lookOver: LookOver = {
    family: unit.family,
    complaints: unit.complaints,
    grades: unit.grades,
    findings: unit.findings ?? [],
    extent: unit.findingExtent,
    readings: air,
    flowTest: unit.readings?.flowTest,
    levelMmPerM: unit.readings?.levelMmPerM,
  }
  const areaM2 = coilAreaM2(design)
  const has = (kind: EquipmentKind) => findEquipment(equipment, kind) !== undefined
  const hasOnlyTrough = unit.family === 'wall-head' && !has('wash-bag') && !has('funnel-sheet')
  const washJob = (rinse: ChoiceOf<'rinse'>): WashJob => ({
    ...(unit.wash ? { chosen: unit.wash } : {}),
    rinse,
    equipment,
    areaM2,
    grade: worstOf(lookOver, 'coilFace', 'coilBack'),
    faces: gradeOf(lookOver, 'coilBack') > 0 ? 2 : 1,
    ...(site.waterOnSite ? {} : { atHandL: site.carriedWaterL ?? usualCarriedL.value }),
    // Where nothing but a trough catches it, no more is rinsed than it takes.
    ...(hasOnlyTrough ? { catchesL: troughLitres.value } : {}),
  })
  const litres = new Map<string, number>()
  const facts = factsOf({
    lookOver,
    design,
    isNoted,
    crew,
    houseRules,
    products,
    equipment,
    hoursPerDay: unit.hoursPerDay,
    site: { ...site, sensitiveOccupants: site.sensitiveOccupants ?? false, carriedWaterL: site.carriedWaterL ?? usualCarriedL.value },
    caughtLitres: (deciding) => {
      const { decided } = deciding
      const key = [decided.rinse, decided.wheel, decided['coil-agent'], decided['wheel-agent']].join()
      const known = litres.get(key) ?? caughtLitres({ ...washJob(rinseOf(decided.rinse)), ...comesDown(deciding, mixesFor(deciding)) })
      litres.set(key, known)
      return known
    },
  })
  return {
    site,
    unit,
    design,
    assumed,
    lookOver,
    facts,
    washJob,
    room: indoorAirFrom(site.outdoorAir, site.altitudeM ?? 0, air),
    isFurtherOfKind: further.has(unit.id),
    isShared,
    isLentOut: (containment) => {
      const kind = catchers[containment]
      const many = onSupply.get(unit.id) ?? 1
      return kind !== undefined && many > 1 && piecesIn(equipment)(kind) < many
    },
  }
}

/** All water that these decisions use at the unit. */
function washJobOf({ washJob }: Settled, facts: Facts, mixes: readonly PlannedMix[], drafting: Drafting): WashJob {
  const { decided } = facts
  const by = decided['condenser-rinse'] as ChoiceOf<'condenser-rinse'> | undefined
  return {
    ...washJob(decided.rinse as ChoiceOf<'rinse'>),
    ...comesDown(facts, mixes),
    ...(by && by !== 'none' ? { condenserBy: by } : {}),
    flushesPan: decided.pan === 'flush-in-place',
    ...pouredAt(drafting),
  }
}

function workOut(
  settled: Settled,
  facts: Facts,
  finish: typeof stepsFor,
  washWater?: (job: WashJob, catcher?: Catcher) => WashWater | undefined,
): WorkedOut {
  const { decided } = facts
  const mixes = mixesFor(facts)
  const mixFor = (part: PlannedMix['part'], goesFirst = false) => mixes.find((mix) => mix.part === part && (mix.goesFirst ?? false) === goesFirst)
  const basic: Drafting = {
    facts,
    decided,
    strip: whatComesOff(facts, decided),
    coilMix: mixFor('coilFace'),
    coilFirst: mixFor('coilFace', true),
    wheelMix: mixFor('wheel'),
    wheelFirst: mixFor('wheel', true),
    condenserMix: mixFor('condenserFace'),
    rinseMin: 0,
    extras: settled.unit.extras ?? [],
    isFurtherOfKind: settled.isFurtherOfKind,
    isShared: settled.isShared,
    isLentOut: settled.isLentOut(String(decided.containment)),
    room: settled.room,
  }
  const washJob = washJobOf(settled, facts, mixes, basic)
  const steps = finish({
    ...basic,
    rinseMin: rinseMinutes(washJob),
    washWater: washWater?.(washJob, catchers[decided.containment as string]),
  })
  return { facts, mixes, steps, washL: washLitres(washJob), notReached: notReached(facts), afterRun: afterRunOf(basic) }
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
    steps: drafted,
    washL,
    notReached: left,
    afterRun,
  } = workOut(settled, facts, stepsFor, (job, catcher) => {
    if (washLitres(job) <= 0) return undefined
    washRun = catcher && caughtLitres(job) > 0 ? washRunOf(job, catcher) : undefined
    return (washWater = simulateWash(job, washRun ? catcher : undefined))
  })
  const { decided } = facts
  const diagnosis = diagnose(seenFrom(lookOver, design, { altitudeM: site.altitudeM, outdoorC: site.outdoorAir?.dryBulbC }))
  const referrals = referralsFor(facts, diagnosis)
  const due = duesOf(settled, facts, left, memory)
  const steps = withUses(drafted, mixes)
  const answered = { facts, steps, referrals, diagnosis }
  const findings = findingsAnswered(answered)
  const complaints = complaintsAnswered(answered)
  const ownTotals = totalsOf({ steps, mixes, washL }, context.houseRules)
  /** The same unit under other circumstances; offers ask it seldom. */
  const instead: Instead = (changed, choices) => {
    const otherSettled = settle(unit, { ...context, ...changed })
    const otherFacts = choices ? redecide(otherSettled.facts, choices, {}, decidingOrder[0]) : decideAnew(otherSettled.facts)
    const other = workOut(otherSettled, otherFacts, draftSteps)
    const totals = totalsOf(other, context.houseRules)
    const { scope, rinse } = other.facts.decided
    return {
      minutes: totals.minutes - ownTotals.minutes,
      money: totals.money - ownTotals.money,
      scope: String(scope),
      reaches: rinse !== 'none',
      left: other.notReached.map(({ part }) => part),
    }
  }
  const { steps: own, visitSteps } = partVisit(steps, unit.id, context.supplies.get(unit.id) ?? unit.id)
  const plan: UnitPlan = {
    id: unit.id,
    diagnosis,
    decisions,
    referrals,
    customerText: customerText({
      unit,
      facts,
      decisions,
      referrals,
      notReached: left,
      due,
      mixes,
      steps,
      findings,
      complaints,
      afterRun,
      dayAfter: memory?.dayAfter,
    }),
    steps: own,
    minutes: spreadOf(own),
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
    ...(afterRun ? { afterRun } : {}),
    drying: dryingTimes(facts, room),
    expected: expectedOf(facts, room),
    notReached: left,
    due,
    findings,
    complaints,
    offers: offersFor({
      unit,
      facts,
      context,
      instead,
      staysWet: afterRun?.how === 'none',
      left,
      money: ownTotals.money,
      combMinutes: steps.reduce((sum, { id, handsMin }) => sum + (id.startsWith('comb-fins') ? handsMin : 0), 0),
      keptDown: keptOffRoof.includes(decisions[0].rule),
    }),
  }
  const known = new Map<string, WorkedOut>()
  return {
    plan,
    facts,
    mixes,
    visitSteps,
    allSteps: steps,
    ...(washRun ? { washRun } : {}),
    warnings: warningsFor({ unit, assumed, facts, decisions, steps, washWater }),
    alternative: (topic, choice) => {
      const other = redecide(settled.facts, { ...unit.choices, [topic]: choice }, decided, topic)
      // Many ways come to the same work: it is worked out once.
      const key = Object.values(other.decided).join()
      const worked = known.get(key) ?? workOut(settled, other, draftSteps)
      known.set(key, worked)
      return worked.facts === other ? worked : { ...worked, facts: other }
    },
  }
}
