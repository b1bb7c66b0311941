// How much air comes out, by readings over the outlet? A traverse: velocities at points of equal area, and how sure their mean is.
import quantile from '@stdlib/stats-base-dists-t-quantile'
import { estimate } from '../quantities/index.ts'

/** Velocities (m/s) at the centres of equal parts of an outlet of so many millimetres. */
export interface Traverse {
  readonly widthMm: number
  readonly heightMm: number
  readonly velocitiesMs: readonly number[]
}

export interface TraverseResult {
  readonly airflowM3h: number
  readonly points: number
  readonly meanMs: number
  /** Standard deviation of the velocities as a share of their mean. */
  readonly spread: number
  /** Half width of the 95 % interval of the mean, anemometer included, as a share; undefined for a single point. */
  readonly toleranceShare?: number
  /** Points that would bring the mean to ±10 %, at this spread; undefined for a single point. */
  readonly pointsForTenth?: number
}

/** A vane anemometer's own error, as a share of the reading; it does not average out. */
export const anemometerShare = estimate(0.03, 'share')
/** What a traverse is wanted to reach. */
const wanted = 0.1
const mostPoints = 200

/** Half width of the 95 % interval of a mean of `points` readings that spread by `spread`: Student's t times the standard error. */
const halfWidth = (points: number, spread: number): number =>
  Math.hypot((quantile(0.975, points - 1) * spread) / Math.sqrt(points), anemometerShare.value)

/**
 * Airflow = mean velocity × area. The spread of the readings tells how far the mean may be off (Student's t, 95 %).
 * @throws RangeError without a velocity, or with a mean that is not above zero.
 */
export function traverse({ widthMm, heightMm, velocitiesMs }: Traverse): TraverseResult {
  const points = velocitiesMs.length
  const meanMs = velocitiesMs.reduce((sum, velocity) => sum + velocity, 0) / points
  if (!(meanMs > 0)) throw new RangeError('no air comes out at any of these points')
  const airflowM3h = meanMs * (widthMm / 1000) * (heightMm / 1000) * 3600
  if (points < 2) return { airflowM3h, points, meanMs, spread: 0 }
  const variance = velocitiesMs.reduce((sum, velocity) => sum + (velocity - meanMs) ** 2, 0) / (points - 1)
  const spread = Math.sqrt(variance) / meanMs
  let pointsForTenth = 2
  while (pointsForTenth < mostPoints && halfWidth(pointsForTenth, spread) > wanted) pointsForTenth++
  return { airflowM3h, points, meanMs, spread, toleranceShare: halfWidth(points, spread), pointsForTenth }
}
