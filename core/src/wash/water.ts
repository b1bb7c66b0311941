// How much wash water comes down, and does what catches it cope?
import { findEquipment, type Equipment } from '../products/index.ts'
import { estimate, round, type Grade } from '../quantities/index.ts'
import type { ChoiceOf } from '../method/index.ts'

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
/** Floor area of the sump that a bag or sheet forms at its outlet. */
const sumpAreaM2 = estimate(0.05, 'm²')
const usualBag = { litres: estimate(10, 'L'), outletMm: estimate(22, 'mm') }
const usualBucketL = estimate(15, 'L')
/** A bucket is changed before it is brim-full. */
const bucketFill = estimate(0.8, 'share')
/** Dirt that a litre of wash water carries, by grade. */
const debrisByGrade = [0.1, 0.5, 2, 5, 9].map((value) => estimate(value, 'g/L'))
/** Dirt that closes an outlet of 22 mm when nobody clears it; grows with the outlet's area. */
const blockingDebris = estimate(60, 'g')
const dischargeCoefficient = estimate(0.6, '-')
const gravity = 9.81
const stepS = 1
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
}

/** Flow (L/min) of a way of rinsing with what is in the van. */
export function rinseFlowLMin(rinse: Rinse, equipment: readonly Equipment[]): number {
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
export function rinseMinutes({ areaM2, grade, faces, wheelInPlace, rinse }: WashJob): number {
  if (rinse === 'none' || rinse === 'condensate') return 0
  return faces * rinseMinByGrade[grade].value * Math.max(0.5, areaM2 / referenceAreaM2.value) + (wheelInPlace ? wheelMin.value : 0)
}

/** Wash water of both sides, L. */
export const washLitres = (job: WashJob): number =>
  rinseFlowLMin(job.rinse, job.equipment) * (rinseMinutes(job) + (job.condenser ? condenserRinseMin.value : 0))

export interface WashWater {
  litres: number
  /** Highest level as a share of what the bag or sheet holds. */
  peakLevelShare: number
  overflowsAtMin: number | null
  bucketChanges: number
  /** Longest washing before the outlet has to be cleared. */
  longestWashMin: number
}

export type Catcher = 'wash-bag' | 'funnel-sheet'

/**
 * What becomes of the wash water. In a bag or funnel sheet the level is stepped through time: dV/dt = q_in − q_out,
 * q_out = C_d·A(t)·sqrt(2 g h) (Torricelli), with the outlet's open area A shrinking in proportion to the debris that has
 * passed. Without a catcher (outdoors, on rags, in a trough) nothing can overflow in this way: only the litres count.
 */
export function simulateWash(job: WashJob, catcher?: Catcher): WashWater {
  const flowLMin = rinseFlowLMin(job.rinse, job.equipment)
  const washMin = rinseMinutes(job)
  const litres = washLitres(job)
  if (!catcher) return { litres: round(litres, 1), peakLevelShare: 0, overflowsAtMin: null, bucketChanges: 0, longestWashMin: longestLookMin }
  const bag = findEquipment(job.equipment, catcher)
  const holdsL = bag?.litres ?? usualBag.litres.value
  const outletMm = bag?.outletMm ?? usualBag.outletMm.value
  const bucketL = findEquipment(job.equipment, 'bucket')?.litres ?? usualBucketL.value
  const level = levelOver(flowLMin, job.grade, holdsL, outletMm)
  let peakL = 0
  let overflowMin: number | null = null
  let longestMin = longestLookMin
  for (let minute = 0; minute <= longestLookMin; minute += stepS / 60) {
    const standingL = level()
    if (minute <= washMin) peakL = Math.max(peakL, standingL)
    if (standingL < holdsL) continue
    if (minute <= washMin) overflowMin = minute
    longestMin = minute
    break
  }
  return {
    litres: round(litres, 1),
    peakLevelShare: round(Math.min(1, peakL / holdsL), 3),
    overflowsAtMin: overflowMin === null ? null : round(overflowMin, 1),
    bucketChanges: Math.max(0, Math.ceil(litres / (bucketL * bucketFill.value)) - 1),
    longestWashMin: round(longestMin, 1),
  }
}

/** Each call is one second of washing; returns litres standing in the sump. */
function levelOver(flowLMin: number, grade: Grade, holdsL: number, outletMm: number): () => number {
  const openArea = Math.PI * (outletMm / 2000) ** 2
  const blocking = blockingDebris.value * (outletMm / usualBag.outletMm.value) ** 2
  let standingM3 = 0
  let debris = 0
  return () => {
    const area = openArea * Math.max(0, 1 - debris / blocking)
    const inflow = (flowLMin / 60_000) * stepS
    const outflow = Math.min(
      standingM3 + inflow,
      dischargeCoefficient.value * area * Math.sqrt((2 * gravity * standingM3) / sumpAreaM2.value) * stepS,
    )
    standingM3 = Math.min(holdsL / 1000, standingM3 + inflow - outflow)
    debris += outflow * 1000 * debrisByGrade[grade].value
    return standingM3 * 1000
  }
}
