// How do water in the bag, water in the bucket and water on the floor go through time while one washes, pauses and clears the outlet?
import { estimate, type Grade } from '../quantities/index.ts'

/** Floor area of the sump that a bag or sheet forms at its outlet. */
const sumpAreaM2 = estimate(0.05, 'm²')
/** Dirt that a litre of wash water carries, by grade. */
const debrisByGrade = [0.1, 0.5, 2, 5, 9].map((value) => estimate(value, 'g/L'))
/** Dirt that closes an outlet of 22 mm when nobody clears it; grows with the outlet's area. */
const blockingDebris = { grams: estimate(60, 'g'), outletMm: 22 }
const dischargeCoefficient = estimate(0.6, '-')
const gravity = 9.81
/** A bucket is changed before it is brim-full. */
export const bucketFill = estimate(0.8, 'share')
/** A pause: the jet stops, a hand keeps the outlet clear, the bag drains. */
export const pauseMin = estimate(1.5, 'min')
const stepS = 1
/** Watched for so long at least, and until no more than this stands in it. */
const leastRestS = 180
const emptyL = 0.02
/** Between two moments that are kept for drawing. */
const keptEveryS = 3
/** So long the bag is watched after the washing: a hand keeps its outlet clear, and then it is empty. */
const afterMin = 15

export interface WashRun {
  readonly flowLMin: number
  /** Minutes of washing, pauses not counted. */
  readonly washMin: number
  /** In the bucket already when the washing begins, L: what was sprayed on and ran down. */
  readonly beforeL?: number
  /** Minutes of washing after which one pauses and clears the outlet. */
  readonly pausesAtMin: readonly number[]
  /** Grade of the worse face: how much dirt comes with the water. */
  readonly grade: Grade
  readonly holdsL: number
  readonly outletMm: number
  readonly bucketL: number
}

export interface WashMoment {
  readonly minute: number
  /** In the bag or sheet, L. */
  readonly standingL: number
  readonly bucketL: number
  /** Over its edge so far, L. */
  readonly overflowL: number
  /** Share of the outlet that is open. */
  readonly openShare: number
  readonly doing: 'washing' | 'pause' | 'over'
}

export interface WashCourse {
  readonly moments: readonly WashMoment[]
  readonly peakL: number
  readonly overflowsAtMin: number | null
  readonly overflowL: number
  readonly inL: number
  /** Into buckets, all of them, L; and what still stands at the end. */
  readonly drainedL: number
  readonly standingL: number
  readonly bucketChangesAtMin: readonly number[]
  /** From the first drop to the end of washing, pauses counted. */
  readonly endMin: number
}

/**
 * Steps dV/dt = q_in − q_out − q_over through time; q_out = C_d·A(t)·sqrt(2 g h) (Torricelli), with the outlet's open area A shrinking in
 * proportion to the debris that has passed since it was last cleared; what rises above the edge runs over.
 */
export const washCourse = (run: WashRun): WashCourse => course(run, true, false)
/** The same without the moments: enough for sums. */
export const washSums = (run: WashRun): Omit<WashCourse, 'moments'> => course(run, false, false)
/** When it first runs over, minutes; null where it never does. */
export const overflowOf = (run: WashRun): number | null => course(run, false, true).overflowsAtMin

function course(
  { flowLMin, washMin, beforeL = 0, pausesAtMin, grade, holdsL, outletMm, bucketL }: WashRun,
  keeps: boolean,
  untilOverflow: boolean,
): WashCourse {
  const outletM2 = Math.PI * (outletMm / 2000) ** 2
  const blocking = blockingDebris.grams.value * (outletMm / blockingDebris.outletMm) ** 2
  const pauses = [...new Set(pausesAtMin)].filter((at) => at > 0 && at < washMin).sort((a, b) => a - b)
  const moments: WashMoment[] = []
  const bucketChangesAtMin: number[] = []
  let standing = 0
  let bucket = beforeL
  let drained = 0
  let overflow = 0
  let came = 0
  let debris = 0
  let washedS = 0
  let pausedS = 0
  let restedS = 0
  let peakL = 0
  let overflowsAtMin: number | null = null
  let endMin = 0
  const doingNow = (): WashMoment['doing'] => (washedS >= washMin * 60 - 1e-9 ? 'over' : pausedS > 0 ? 'pause' : 'washing')
  for (let second = 0; restedS < afterMin * 60 && !(restedS > leastRestS && standing < emptyL); second += stepS) {
    const doing = doingNow()
    const openShare = Math.max(0, 1 - debris / blocking)
    if (keeps && second % keptEveryS === 0)
      moments.push({ minute: second / 60, standingL: standing, bucketL: bucket, overflowL: overflow, openShare, doing })
    // The last step of washing may be shorter than the others.
    const stepWashS = doing === 'washing' ? Math.min(stepS, washMin * 60 - washedS) : 0
    const inL = (flowLMin / 60) * stepWashS
    const outL = Math.min(
      standing + inL,
      dischargeCoefficient.value * outletM2 * openShare * Math.sqrt((2 * gravity * (standing / 1000)) / sumpAreaM2.value) * 1000 * stepS,
    )
    const overL = Math.max(0, standing + inL - outL - holdsL)
    standing = Math.max(0, standing + inL - outL - overL)
    came += inL
    drained += outL
    bucket += outL
    overflow += overL
    debris += outL * debrisByGrade[grade].value
    peakL = Math.max(peakL, standing)
    if (overL > 0) overflowsAtMin ??= second / 60
    if (untilOverflow && (overflowsAtMin !== null || doing === 'over')) break
    while (bucket > bucketL * bucketFill.value) {
      bucketChangesAtMin.push(second / 60)
      bucket -= bucketL * bucketFill.value
    }
    if (doing === 'over') restedS += stepS
    else endMin = (second + stepS) / 60
    if (doing === 'washing') {
      washedS += stepWashS
      if (pauses.length > 0 && washedS >= pauses[0] * 60 - 1e-9) {
        pauses.shift()
        pausedS = pauseMin.value * 60
      }
    } else if (doing === 'pause') pausedS -= stepS
    // A hand keeps it clear while the bag drains.
    if (doing !== 'washing') debris = 0
  }
  return { moments, peakL, overflowsAtMin, overflowL: overflow, inL: came, drainedL: drained, standingL: standing, bucketChangesAtMin, endMin }
}
