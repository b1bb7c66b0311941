// How does soil grow over time, and when will a unit need cleaning again?
import { clamp, estimate } from '../quantities/index.ts'
import { chanceBelow } from './rise.ts'
import type { Surrounding } from './surroundings.ts'

/** Grade index per year at eight hours a day in a clean home. */
export const cleanHomeRate = estimate(1.0, 'grade index per year')
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
  return cleanHomeRate.value * Math.min(factor, 6) * clamp(hoursPerDay / 8, 0.25, 3)
}

/** Chance that the index rises by less than `by` (in grades), as a function of index per year and years: increments are Gamma(rate · years / scale, scale). */
export function risesBelow(by: number): (rate: number, years: number) => number {
  if (by <= 0) return () => 0
  const below = chanceBelow(by / scale.value)
  return (rate, years) => below((rate * years) / scale.value)
}

/** Chance of having passed `threshold` from `startIndex`, as a function of index per year and weeks. */
export function passing(startIndex: number, threshold: number): (rate: number, weeks: number) => number {
  if (startIndex >= threshold) return () => 1
  const below = risesBelow(threshold - startIndex)
  return (rate, weeks) => (weeks <= 0 ? 0 : 1 - below(rate, weeks / weeksPerYear))
}

/** First week at which a chance that only grows reaches `chance`, at most `latest`; to a quarter of a week. */
export function weeksUntil(chance: number, chanceAfter: (weeks: number) => number, latest = mostWeeks): number {
  if (chanceAfter(0) >= chance) return 0
  let low = 0
  // Most are due within a year or two: from a few months on, twice as far each time.
  let high = Math.min(latest, 26)
  while (high < latest && chanceAfter(high) < chance) [low, high] = [high, Math.min(latest, high * 2)]
  if (high === mostWeeks && chanceAfter(mostWeeks) < chance) return mostWeeks
  while (high - low > 0.25) {
    const middle = (low + high) / 2
    if (chanceAfter(middle) < chance) low = middle
    else high = middle
  }
  return high
}
