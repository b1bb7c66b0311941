// How much wash water comes down, and does what catches it cope?
import { findEquipment, type Equipment } from '../products/index.ts'
import { z } from 'zod'
import { closed } from '../faults/index.ts'
import { estimate, positiveUpTo, round, type Grade } from '../quantities/index.ts'
import type { ChoiceOf } from '../method/index.ts'
import { bucketFill, overflowOf, washSums, type WashRun } from './level.ts'

/** Minutes of rinsing one face of a coil of the reference area, by grade. */
const rinseMinByGrade = [1, 1.2, 1.8, 2.6, 3.5].map((value) => estimate(value, 'min per face'))
const referenceAreaM2 = estimate(0.2, 'm²')
/** Washing a wheel where it sits. */
const wheelMin = estimate(2.5, 'min')
/** Rinsing the condenser of a one-box unit from the fan side out. */
export const condenserRinseMin = estimate(5, 'min')
const pumpFlow = estimate(1.6, 'L/min')
const hoseFlow = estimate(6, 'L/min')
const sprayBottleFlow = estimate(0.25, 'L/min')
const usualBag = { litres: estimate(10, 'L'), outletMm: estimate(22, 'mm') }
const usualBucketL = estimate(15, 'L')
/** No wash goes on longer without a look. */
const longestLookMin = 60

type Rinse = ChoiceOf<'rinse'>

export interface WashJob {
  readonly rinse: Rinse
  readonly areaM2: number
  /** Grade of the worse face. */
  readonly grade: Grade
  readonly faces: number
  readonly wheelInPlace: boolean
  /** Whether the condenser of a one-box unit is rinsed too. */
  readonly condenser?: boolean
  readonly equipment: readonly Equipment[]
  /** As somebody chose it by hand; what is missing follows from the rest. */
  readonly chosen?: WashPlan
}

/** How somebody wants to wash: the pump's flow, the minutes, and when to pause and clear the outlet (minutes of washing). */
export const washPlanSchema = closed({
  flowLMin: positiveUpTo(30).optional(),
  washMin: positiveUpTo(60).optional(),
  pausesAtMin: z.array(positiveUpTo(60)).max(12).optional(),
})
export type WashPlan = z.infer<typeof washPlanSchema>

/** Flow (L/min) of a way of rinsing with what is in the van; the pump's and the hose's may be chosen. */
export function rinseFlowLMin(rinse: Rinse, equipment: readonly Equipment[], chosenLMin?: number): number {
  if (chosenLMin !== undefined && (rinse === 'pump-wand' || rinse === 'hose')) return chosenLMin
  switch (rinse) {
    case 'pump-wand':
      return findEquipment(equipment, 'pump-wand')?.flowLMin ?? pumpFlow.value
    case 'hose':
      return findEquipment(equipment, 'hose')?.flowLMin ?? hoseFlow.value
    case 'spray-bottle':
      return sprayBottleFlow.value
    default:
      return 0
  }
}

/** Minutes of rinsing: faces × time by grade, in proportion to the area, plus the wheel where it is washed in place. */
export function rinseMinutes({ areaM2, grade, faces, wheelInPlace, rinse, chosen }: WashJob): number {
  if (rinse === 'none' || rinse === 'condensate') return 0
  if (chosen?.washMin !== undefined) return chosen.washMin
  return faces * rinseMinByGrade[grade].value * Math.max(0.5, areaM2 / referenceAreaM2.value) + (wheelInPlace ? wheelMin.value : 0)
}

/** Wash water of both sides, L. */
export const washLitres = (job: WashJob): number =>
  rinseFlowLMin(job.rinse, job.equipment, job.chosen?.flowLMin) * (rinseMinutes(job) + (job.condenser ? condenserRinseMin.value : 0))

export interface WashWater {
  litres: number
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
    flowLMin: rinseFlowLMin(job.rinse, job.equipment, job.chosen?.flowLMin),
    washMin: rinseMinutes(job),
    pausesAtMin: job.chosen?.pausesAtMin ?? [],
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
  const litres = washLitres(job)
  if (!catcher) return { litres: round(litres, 1), peakLevelShare: 0, overflowsAtMin: null, bucketChanges: 0, longestWashMin: longestLookMin }
  const run = washRunOf(job, catcher)
  const { peakL, overflowsAtMin } = washSums(run)
  return {
    litres: round(litres, 1),
    peakLevelShare: round(Math.min(1, peakL / run.holdsL), 3),
    overflowsAtMin: overflowsAtMin === null ? null : round(overflowsAtMin, 1),
    bucketChanges: Math.max(0, Math.ceil(litres / (run.bucketL * bucketFill.value)) - 1),
    longestWashMin: round(longestWashOf(run), 1),
    ...(run.pausesAtMin.length > 0 ? { pausesAtMin: [...run.pausesAtMin] } : {}),
  }
}
