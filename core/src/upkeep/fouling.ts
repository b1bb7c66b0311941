// How does soil grow over time, and when will a unit need cleaning again?
import gammaCdf from '@stdlib/stats-base-dists-gamma-cdf'
import { clamp, estimate } from '../quantities/index.ts'

export const surroundings = ['kitchen', 'flour', 'pets', 'pollen', 'desert-dust', 'sea-air', 'smoke', 'building-dust'] as const
export type Surrounding = (typeof surroundings)[number]

/** Grade index per year at eight hours a day in a clean home. */
const baseRate = estimate(1.0, 'grade index per year')
const rateFactor: Record<Surrounding, ReturnType<typeof estimate>> = {
  kitchen: estimate(1.8, 'times'),
  flour: estimate(2.6, 'times'),
  pets: estimate(1.4, 'times'),
  pollen: estimate(1.2, 'times'),
  'desert-dust': estimate(1.7, 'times'),
  'sea-air': estimate(1.2, 'times'),
  smoke: estimate(1.6, 'times'),
  'building-dust': estimate(2, 'times'),
}
/** Scale of the gamma increments: how uneven fouling is. */
const scale = estimate(0.35, 'grade index')
/** Index at which a unit is due. */
export const dueIndex = estimate(2.5, 'grade index')
/** Chance of having passed it at which the firm comes. */
export const firmRisk = estimate(0.2, 'chance')
export const weeksPerYear = 52.18
/** Forecasts end after ten years. */
export const mostWeeks = 520

/** Grade index per year from surroundings and hours of use. */
export function foulingRate(around: readonly Surrounding[], hoursPerDay: number): number {
  const factor = around.reduce((product, surrounding) => product * rateFactor[surrounding].value, 1)
  return baseRate.value * Math.min(factor, 6) * clamp(hoursPerDay / 8, 0.25, 3)
}

/** Increments of the index over so many years at a rate of index per year: a Gamma distribution of this shape and scale. */
export const increments = (rate: number, years: number) => ({ shape: (rate * years) / scale.value, scale: scale.value })

/** Chance that the index passed `threshold` after `weeks`, from `startIndex`, with increments Gamma(rate·t/scale, scale). */
export function chancePassed(weeks: number, rate: number, startIndex: number, threshold = dueIndex.value): number {
  if (startIndex >= threshold) return 1
  if (weeks <= 0) return 0
  const { shape, scale } = increments(rate, weeks / weeksPerYear)
  return 1 - gammaCdf(threshold - startIndex, shape, 1 / scale)
}

/** Weeks until the chance of having passed reaches `chance`; bisection to a quarter of a week, at most ten years. */
export function weeksUntil(chance: number, rate: number, startIndex: number, threshold = dueIndex.value): number {
  if (chancePassed(mostWeeks, rate, startIndex, threshold) < chance) return mostWeeks
  let low = 0
  let high = mostWeeks
  while (high - low > 0.25) {
    const middle = (low + high) / 2
    if (chancePassed(middle, rate, startIndex, threshold) < chance) low = middle
    else high = middle
  }
  return high
}
