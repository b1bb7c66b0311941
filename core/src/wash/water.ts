// How much wash water comes down, and does what catches it cope?
import { findEquipment, type Equipment } from '../products/index.ts'
import { estimate, round, type Grade } from '../quantities/index.ts'
import type { ChoiceOf } from '../method/index.ts'
import { overflowOf, washSums, type WashRun } from './level.ts'
import type { WashPlan } from './washPlan.ts'

/** Minutes of rinsing one face of a coil of the reference area, by grade. */
const rinseMinByGrade = [1, 1.2, 1.8, 2.6, 3.5].map((value) => estimate(value, 'min per face'))
const referenceAreaM2 = estimate(0.2, 'm²')
/** Washing a wheel where it sits. */
const wheelMin = estimate(2.5, 'min')
/** Rinsing the condenser of a one-box unit from the fan side out. */
export const condenserRinseMin = estimate(3, 'min')
const pumpFlow = estimate(1.6, 'L/min')
const hoseFlow = estimate(6, 'L/min')
const sprayBottleFlow = estimate(0.25, 'L/min')
const pumpSprayerFlow = estimate(0.6, 'L/min')
/** Poured for a flow test; on a roof a cup; and for what else goes into a pan. */
export const pourL = estimate(1, 'L')
export const roofCupL = estimate(0.2, 'L')
const panFlushL = estimate(2, 'L')
const drainFlushL = estimate(2, 'L')
const usualBag = { litres: estimate(10, 'L'), outletMm: estimate(22, 'mm') }
const usualBucketL = estimate(15, 'L')
/** Nobody rinses for less. */
const leastRinseMin = estimate(0.5, 'min')
/** No wash goes on longer without a look. */
const longestLookMin = 60

type Rinse = ChoiceOf<'rinse'>

export interface WashJob {
  readonly rinse: Rinse
  readonly areaM2: number
  /** Grade of the worse face. */
  readonly grade: Grade
  readonly faces: number
  /** No more than this is at hand for the coil, L: what the van brings where there is no tap. */
  readonly atHandL?: number
  /** What catches it takes no more than this, L. */
  readonly catchesL?: number
  /** Put on from a sprayer before that, and carried off by it, L. */
  readonly sprayedL?: number
  /** Rinsed twice: what degreases is rinsed off before another agent goes on. */
  readonly rinsedFirst?: { readonly coil: boolean; readonly wheel: boolean }
  /** What washes the wheel where it sits; undefined where it is not washed there. */
  readonly wheelBy?: Rinse
  /** What rinses the condenser of a one-box unit; undefined where nothing does. */
  readonly condenserBy?: Rinse
  /** Whatever else is poured: into the pan, into the drain, for the flow test (L), and for the lift pump. */
  readonly flushesPan?: boolean
  readonly flushesDrain?: boolean
  readonly flowTestL?: number
  readonly testsPump?: boolean
  readonly equipment: readonly Equipment[]
  /** As somebody chose it by hand; what is missing follows from the rest. */
  readonly chosen?: WashPlan
}

/** Flow (L/min) of a way of rinsing with what is in the van; the pump's and the hose's may be chosen. */
export function rinseFlowLMin(rinse: Rinse, equipment: readonly Equipment[], chosenLMin?: number): number {
  if (chosenLMin !== undefined && (rinse === 'pump-wand' || rinse === 'hose')) return chosenLMin
  switch (rinse) {
    case 'pump-wand':
      return findEquipment(equipment, 'pump-wand')?.flowLMin ?? pumpFlow.value
    case 'hose':
      return findEquipment(equipment, 'hose')?.flowLMin ?? hoseFlow.value
    case 'spray-bottle':
      return findEquipment(equipment, 'pump-sprayer') ? pumpSprayerFlow.value : sprayBottleFlow.value
    default:
      return 0
  }
}

/** Minutes of rinsing the coil: faces × time by grade, in proportion to the area; what somebody chose, less the wheel's. */
export function rinseMinutes(job: WashJob): number {
  const { areaM2, grade, faces, wheelBy, rinse, chosen, atHandL = Infinity, catchesL = Infinity, sprayedL = 0, rinsedFirst, equipment } = job
  if (rinse === 'none' || rinse === 'condensate') return 0
  if (chosen?.washMin !== undefined) return Math.max(leastRinseMin.value, chosen.washMin - (wheelBy ? wheelMin.value : 0))
  const asked = faces * rinseMinByGrade[grade].value * Math.max(0.5, areaM2 / referenceAreaM2.value)
  const most = Math.min(atHandL, Math.max(0, catchesL - sprayedL) / (rinsedFirst?.coil ? 2 : 1))
  return Math.min(asked, most / rinseFlowLMin(rinse, equipment))
}

/** Comes down before the wash itself, L: what was sprayed on, and the rinse of what degreased. */
function caughtBefore(job: WashJob): number {
  const { sprayedL = 0, rinsedFirst } = job
  return (
    sprayedL +
    (rinsedFirst?.coil ? rinseFlowLMin(job.rinse, job.equipment, job.chosen?.flowLMin) * rinseMinutes(job) : 0) +
    (rinsedFirst?.wheel && job.wheelBy ? rinseFlowLMin(job.wheelBy, job.equipment, job.chosen?.flowLMin) * wheelMin.value : 0)
  )
}

/** All that comes down where the unit hangs, L: off coil and wheel. */
export const caughtLitres = (job: WashJob): number =>
  caughtBefore(job) +
  rinseFlowLMin(job.rinse, job.equipment, job.chosen?.flowLMin) * rinseMinutes(job) +
  (job.wheelBy ? rinseFlowLMin(job.wheelBy, job.equipment, job.chosen?.flowLMin) * wheelMin.value : 0)

/** All water that is used at the unit, L: washing of both sides, flushing, and tests. */
export const washLitres = (job: WashJob): number =>
  caughtLitres(job) +
  (job.condenserBy ? rinseFlowLMin(job.condenserBy, job.equipment) * condenserRinseMin.value : 0) +
  (job.flushesPan ? panFlushL.value : 0) +
  (job.flushesDrain ? drainFlushL.value : 0) +
  (job.flowTestL ?? 0) +
  (job.testsPump ? pourL.value : 0)

export interface WashWater {
  /** All water that is used at the unit. */
  litres: number
  /** What of it comes down where the unit hangs, L. */
  caughtL: number
  /** Highest level as a share of what the bag or sheet holds. */
  peakLevelShare: number
  overflowsAtMin: number | null
  bucketChanges: number
  /** Longest washing before the outlet has to be cleared. */
  longestWashMin: number
  /** When to pause and clear it, minutes of washing, where somebody chose so. */
  pausesAtMin?: number[]
}

export type Catcher = 'wash-bag' | 'funnel-sheet'

/** The course of washing into a bag or sheet, as it would be by the decisions or as somebody chose it. */
export function washRunOf(job: WashJob, catcher: Catcher): WashRun {
  const bag = findEquipment(job.equipment, catcher)
  return {
    flowLMin: rinseFlowLMin(rinseMinutes(job) > 0 ? job.rinse : (job.wheelBy ?? job.rinse), job.equipment, job.chosen?.flowLMin),
    washMin: rinseMinutes(job) + (job.wheelBy ? wheelMin.value : 0),
    pausesAtMin: job.chosen?.pausesAtMin ?? [],
    beforeL: caughtBefore(job),
    grade: job.grade,
    holdsL: bag?.litres ?? usualBag.litres.value,
    outletMm: bag?.outletMm ?? usualBag.outletMm.value,
    bucketL: findEquipment(job.equipment, 'bucket')?.litres ?? usualBucketL.value,
  }
}

/** How long one may wash without a pause before it runs over, minutes; an hour where it never does. */
export const longestWashOf = (run: WashRun): number => overflowOf({ ...run, washMin: longestLookMin, pausesAtMin: [] }) ?? longestLookMin

/** How near to running over one washes before a pause. */
const pauseBefore = estimate(0.85, 'share of the longest washing')

/** Pauses (minutes of washing) that keep this washing from running over; none where it does not. */
export function pausesFor(run: WashRun): number[] {
  const every = Math.floor(longestWashOf(run) * pauseBefore.value * 4) / 4
  if (longestWashOf(run) >= run.washMin || every <= 0) return []
  return Array.from({ length: Math.ceil(run.washMin / every) - 1 }, (_, index) => round((index + 1) * every, 2))
}

/**
 * What becomes of the wash water. In a bag or funnel sheet the level is stepped through time (`washCourse`). Without a catcher
 * (outdoors, on rags, in a trough) nothing can overflow in this way: only the litres count.
 */
export function simulateWash(job: WashJob, catcher?: Catcher): WashWater {
  const sums = { litres: round(washLitres(job), 1), caughtL: round(caughtLitres(job), 1) }
  if (!catcher) return { ...sums, peakLevelShare: 0, overflowsAtMin: null, bucketChanges: 0, longestWashMin: longestLookMin }
  const run = washRunOf(job, catcher)
  const { peakL, overflowsAtMin, bucketChangesAtMin } = washSums(run)
  // Nobody lets it run over: with the pauses that keep it in, all of it goes through the bucket.
  const changes =
    overflowsAtMin === null ? bucketChangesAtMin : washSums({ ...run, pausesAtMin: [...run.pausesAtMin, ...pausesFor(run)] }).bucketChangesAtMin
  return {
    ...sums,
    peakLevelShare: round(Math.min(1, peakL / run.holdsL), 3),
    overflowsAtMin: overflowsAtMin === null ? null : round(overflowsAtMin, 1),
    bucketChanges: changes.length,
    longestWashMin: round(longestWashOf(run), 1),
    ...(run.pausesAtMin.length > 0 ? { pausesAtMin: [...run.pausesAtMin] } : {}),
  }
}
