// What is the plan for one unit? Calls the rooms in order.
import { airflowShare, coilAt, indoorAirFrom, type AirState } from '../air/index.ts'
import { diagnose, doubtfulReadings, gradeOf, seenFrom, ungraded, worstOf, type LookOver } from '../lookover/index.ts'
import {
  decide,
  redecide,
  factsOf,
  notReached,
  referralsFor,
  usualHoursPerDay,
  type Choice,
  type ChoiceOf,
  type Facts,
  type KnownHouseRules,
  type NotReached,
  type SettledFacts,
  type Topic,
} from '../method/index.ts'
import { dilutionFor, mix, type Equipment, type Product, type ProductClass } from '../products/index.ts'
import { draftSteps, stepsFor, whatComesOff, type MixFor, type Step } from '../procedure/index.ts'
import { estimate, round } from '../quantities/index.ts'
import { coilAreaM2, knownDesign, partNames, type KnownDesign, type Part } from '../units/index.ts'
import { dueAfter } from '../upkeep/index.ts'
import { dryingMinutes, dryingWays, rinseMinutes, simulateWash, washLitres, type WashJob, type WashWater } from '../wash/index.ts'
import type { Site, UnitJob } from './jobFile.ts'
import type { UnitPlan } from './planFile.ts'

export interface UnitContext {
  readonly site: Site
  readonly trained: readonly string[]
  readonly houseRules: KnownHouseRules
  readonly products: readonly Product[]
  readonly equipment: readonly Equipment[]
}

/** Blower wheel's surface as a share of the coil's face, for mixing. */
const wheelAreaShare = estimate(0.6, 'share of coil face')
/** One dose of pan treatment. */
const panDoseL = estimate(0.05, 'L')
const hoursPerYear = 365

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
  /** What would follow if this topic were decided otherwise by hand. */
  readonly alternative: (topic: Topic, choice: string) => WorkedOut
}

function settle(unit: UnitJob, { site, trained, houseRules, products, equipment }: UnitContext): Settled {
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
    houseRules,
    products,
    equipment,
    hoursPerDay: unit.hoursPerDay,
    site: { ...site, sensitiveOccupants: site.sensitiveOccupants ?? false },
    washLitres: (rinse) => washLitres(washJob(rinse, false)),
  })
  return { unit, design, assumed, lookOver, facts, washJob, room: indoorAirFrom(site.outdoorAir, site.altitudeM ?? 0, unit.readings) }
}

const washJobOf = ({ washJob }: Settled, decided: Facts['decided']) => washJob(decided.rinse as ChoiceOf<'rinse'>, decided.wheel === 'wash-in-place')

function workOut(settled: Settled, facts: Facts, finish: typeof stepsFor, washWater?: (job: WashJob) => WashWater | undefined): WorkedOut {
  const { decided } = facts
  const mixes = mixesFor(facts)
  const washJob = washJobOf(settled, decided)
  const steps = finish({
    facts,
    decided,
    strip: whatComesOff(facts, decided),
    coilMix: mixes.find(({ part }) => part === 'coilFace'),
    rinseMin: rinseMinutes(washJob),
    washWater: washWater?.(washJob),
    room: settled.room,
  })
  return { facts, mixes, steps, washL: washLitres(washJob), notReached: notReached(facts) }
}

/** Plan of one unit; what other choices would change is added by `compare.ts`. Pure. */
export function planUnit(unit: UnitJob, context: UnitContext): PlannedUnit {
  const settled = settle(unit, context)
  const { design, lookOver, room, assumed } = settled
  const { site } = context
  let washWater: WashWater | undefined
  const { decisions, facts } = decide(settled.facts, unit.choices ?? {})
  const {
    mixes,
    steps,
    notReached: left,
  } = workOut(settled, facts, stepsFor, (job) => (washWater = rinseMinutes(job) > 0 ? simulateWash(job) : undefined))
  const { decided } = facts
  const diagnosis = diagnose(seenFrom(lookOver, design, { altitudeM: site.altitudeM, outdoorC: site.outdoorAir?.dryBulbC }))
  const plan: UnitPlan = {
    id: unit.id,
    diagnosis,
    decisions,
    referrals: referralsFor(lookOver, diagnosis),
    steps: [...steps],
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
    drying: dryingList(decided, design, room),
    expected: expectedOf(facts, design, lookOver, site, room, unit),
    notReached: left,
    due: dueAfter({
      surroundings: site.surroundings ?? [],
      hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value,
      fineFilter: design.fineFilter,
      scope: String(decided.scope),
      indexNow: worstOf(lookOver, 'coilFace', 'coilBack', 'wheel'),
      panTreatmentWeeks: decided['pan-treatment'] === 'slow-release' ? facts.product('pan-treatment').product?.label.lifeWeeks : undefined,
    }),
  }
  return {
    plan,
    facts,
    warnings: warningsFor(unit, assumed, lookOver, facts, mixes, washWater),
    alternative: (topic, choice) => workOut(settled, redecide(settled.facts, { ...unit.choices, [topic]: choice }, decided, topic), draftSteps),
  }
}

export interface PlannedMix extends MixFor {
  readonly part: Part
  readonly cost?: number
}

const agentClasses: readonly Choice[] = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam']

function mixesFor(facts: Facts): PlannedMix[] {
  const { decided, areaM2, coilGrade } = facts
  const agent = decided['coil-agent']
  const mixes: PlannedMix[] = []
  if (agent !== undefined && agentClasses.includes(agent)) {
    const product = facts.product(agent as ProductClass).product
    if (product) {
      const passes = coilGrade >= 3 ? 2 : 1
      const dilution = dilutionFor(product, coilGrade >= 3)
      mixes.push({ product, part: 'coilFace', passes, ...mix(product, areaM2, passes, dilution) })
      if (decided.wheel === 'remove-and-wash' || decided.wheel === 'wash-in-place')
        mixes.push({ product, part: 'wheel', passes: 1, ...mix(product, areaM2 * wheelAreaShare.value, 1, dilution) })
    }
  }
  const treatment = decided['pan-treatment'] === 'slow-release' ? facts.product('pan-treatment').product : undefined
  if (treatment) {
    const cost =
      treatment.pricePerPack !== undefined && treatment.packLitres
        ? round((treatment.pricePerPack / treatment.packLitres) * panDoseL.value, 2)
        : undefined
    mixes.push({
      product: treatment,
      part: 'pan',
      dilution: 0,
      productL: panDoseL.value,
      waterL: 0,
      passes: 1,
      ...(cost === undefined ? {} : { cost }),
    })
  }
  return mixes
}

function dryingList(decided: Facts['decided'], design: KnownDesign, room: AirState): UnitPlan['drying'] {
  if (decided.scope === 'decline') return []
  const inUnit: Part[] = decided.rinse === 'none' ? [] : ['coilFace']
  const wetParts: Part[] = [
    'filter',
    ...(decided.wheel === 'remove-and-wash' || decided.wheel === 'wash-in-place' ? (['wheel'] as const) : []),
    ...(decided.pan === 'remove-and-wash' ? (['pan'] as const) : []),
    ...inUnit,
  ]
  return wetParts.flatMap((part) =>
    dryingWays
      .filter((how) => how !== 'unit-fan' || part === 'coilFace' || (part === 'wheel' && decided.wheel === 'wash-in-place'))
      .map((how) => ({ part, how, minutes: Math.ceil(dryingMinutes(part, how, room, design.filter)) }))
      .filter(({ minutes }) => Number.isFinite(minutes)),
  )
}

function expectedOf(facts: Facts, design: KnownDesign, lookOver: LookOver, site: Site, room: AirState, unit: UnitJob): UnitPlan['expected'] {
  const share = airflowShare({
    filter: gradeOf(lookOver, 'filter'),
    coilFace: gradeOf(lookOver, 'coilFace'),
    coilBack: gradeOf(lookOver, 'coilBack'),
    wheel: gradeOf(lookOver, 'wheel'),
  })
  const conditions = {
    ratedCoolingKw: design.ratedCoolingKw,
    ratedAirflowM3h: design.ratedAirflowM3h,
    returnAir: room,
    outdoorC: site.outdoorAir?.dryBulbC,
  }
  const clean = coilAt(conditions)
  const coolingShareNow = coilAt(conditions, share).totalKw / clean.totalKw
  const hours = (unit.hoursPerDay ?? usualHoursPerDay.value) * hoursPerYear
  const price = site.electricityPricePerKwh
  return {
    airflowShareNow: round(share, 3),
    coolingShareNow: round(coolingShareNow, 3),
    condensateLPerDay: round(facts.condensateLDay, 1),
    cleanSplitK: round(clean.splitK, 1),
    cleanCoolingKw: round(clean.totalKw, 2),
    ...(price === undefined ? {} : { fouledCostPerYear: round((1 / coolingShareNow - 1) * hours * (design.ratedPowerW / 1000) * price, 2) }),
  }
}

function warningsFor(
  unit: UnitJob,
  assumed: readonly string[],
  lookOver: LookOver,
  facts: Facts,
  mixes: readonly PlannedMix[],
  washWater: UnitPlan['washWater'],
): string[] {
  const name = unit.name ?? unit.id
  const unseen = ungraded(lookOver).filter((part) => part !== 'housing')
  const short = [...new Set(mixes.map(({ product }) => product))].flatMap((product) => {
    const needed = mixes.filter((entry) => entry.product === product).reduce((sum, { productL }) => sum + productL, 0)
    return product.inStockLitres !== undefined && needed > product.inStockLitres
      ? [`${product.name}: ${round(needed, 2)} L needed, ${product.inStockLitres} L in the van`]
      : []
  })
  const noAgent =
    facts.decided['coil-agent'] === 'water' && facts.product('mild-detergent').product === undefined
      ? ['no suitable agent in the van: plain water is second best and leaves grease and slime']
      : []
  const said = [
    ...assumed,
    ...(unseen.length > 0 ? [`not graded yet, so no rule counts on it: ${unseen.map((part) => partNames[part]).join(', ')}`] : []),
    ...(unit.readings ? doubtfulReadings(unit.readings).map(({ what, allowed }) => `${what}; ${allowed}`) : []),
    ...short,
    ...noAgent,
    ...(washWater && washWater.overflowsAtMin !== null
      ? [`the bag would overflow after ${washWater.overflowsAtMin} min: stop and clear its outlet every ${washWater.longestWashMin} min`]
      : []),
    ...(facts.site.foulDrainOnSite ? [] : ['no foul drain on site: wash water is taken along in closed cans']),
  ]
  return said.map((sentence) => `${name}: ${sentence}`)
}
