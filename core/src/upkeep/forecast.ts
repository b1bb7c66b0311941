// When will this unit need cleaning, and how sure is that? From its surroundings, its firm, and its own past.
import { airOf, airflowShare, coilAt, pressureAt } from '../air/index.ts'
import { allGrades, estimate, round } from '../quantities/index.ts'
import type { KnownDesign } from '../units/index.ts'
import { dueIndex, firmRisk, foulingRate, passing, risesBelow, weeksPerYear, weeksUntil } from './fouling.ts'
import type { Surrounding } from './surroundings.ts'
import type { FirmRates } from './firmRates.ts'
import { priorWeights } from './learnRates.ts'
import { evidenceOf, ratios } from './history.ts'
import type { Visit } from './pastVisit.ts'

/** Loss of delivered cooling at which a unit is due, whatever its index. */
export const dueLoss = estimate(0.12, 'share of clean cooling')
/** Room air of ratings, 27 °C and 19 °C wet bulb at sea level (ISO 5151, condition T1). */
const ratedRoom = { dryBulbC: 27, relativeHumidity: 0.47 }
/** A filter washed every month keeps so much of the soil from the coil. */
const monthlyFilterFactor = estimate(0.75, 'times')

export interface UnitUse {
  readonly surroundings: readonly Surrounding[]
  readonly hoursPerDay: number
  readonly filterWashedMonthly?: boolean
}
export interface Forecast {
  /** Chance of having passed the threshold after so many weeks from today. */
  chanceAfter(weeks: number): number
  /** Index that is not passed with a chance of `share`, after so many weeks from today. */
  indexAfter(weeks: number, share: number): number
  /** Weeks from today at which the chance reaches the firm's risk; half of it; and one half. Zero is now, `mostWeeks` is not within ten years. */
  readonly dueWeeks: number
  readonly lowWeeks: number
  readonly highWeeks: number
  /** Expected index per year. */
  readonly ratePerYear: number
}

/** Index per year from surroundings and use alone. */
export const priorRateOf = ({ surroundings, hoursPerDay, filterWashedMonthly }: UnitUse): number =>
  foulingRate(surroundings, hoursPerDay) * (filterWashedMonthly ? monthlyFilterFactor.value : 1)

/** Index of coil and wheel at which delivered cooling has lost {@link dueLoss}, at rated conditions: between whole grades as if in a straight line. */
export function lossIndex(design: Pick<KnownDesign, 'ratedCoolingKw' | 'ratedAirflowM3h'>): number {
  const key = `${design.ratedCoolingKw} ${design.ratedAirflowM3h}`
  const known = lossIndices.get(key) ?? reckonLossIndex(design)
  if (lossIndices.size < mostRemembered) lossIndices.set(key, known)
  return known
}
/** Units of one rating are asked again and again. */
const lossIndices = new Map<string, number>()
const mostRemembered = 10_000

function reckonLossIndex({ ratedCoolingKw, ratedAirflowM3h }: Pick<KnownDesign, 'ratedCoolingKw' | 'ratedAirflowM3h'>): number {
  const returnAir = airOf(ratedRoom.dryBulbC, ratedRoom.relativeHumidity, pressureAt(0))
  const coolingAt = allGrades.map((grade) => {
    const share = airflowShare({ filter: 0, coilFace: grade, coilBack: grade, wheel: grade })
    return coilAt({ ratedCoolingKw, ratedAirflowM3h, returnAir }, share).totalKw
  })
  const losses = coolingAt.map((kw) => 1 - kw / coolingAt[0])
  const above = losses.findIndex((loss) => loss >= dueLoss.value)
  if (above <= 0) return 4
  return above - 1 + (dueLoss.value - losses[above - 1]) / (losses[above] - losses[above - 1])
}

export interface ForecastOptions {
  readonly threshold?: number
  readonly risk?: number
  /** Use under which the visits were made, where it is asked what another use would change. */
  readonly learnedUnder?: UnitUse
  /** Of the visits, where it is known already. */
  readonly evidence?: Float64Array
}

/**
 * The forecast of one unit.
 * Its rate is unknown: each of a grid of rates is weighed by the firm's own units and by what this unit's visits showed; for each, soil grows
 * by Gamma increments from what the last visit left. Chances are means over the rates.
 * @param visits oldest first or in any order; with none the unit counts as clean `yearsNow` = 0
 * @param yearsNow today, on the same scale as the visits
 * @param threshold index at which the unit is due: 2.5, or where cooling has lost 12 %, whichever is less
 */
export function forecastOf(
  visits: readonly Visit[],
  yearsNow: number,
  use: UnitUse,
  rates: FirmRates,
  {
    threshold = dueIndex.value,
    risk = firmRisk.value,
    learnedUnder = use,
    evidence = evidenceOf(visits, priorRateOf(learnedUnder)),
  }: ForecastOptions = {},
): Forecast {
  const kept = ratesWeighed(priorWeights(rates), evidence, priorRateOf(use))
  const last = visits.reduce<Visit | undefined>((latest, visit) => (!latest || visit.atYears > latest.atYears ? visit : latest), undefined)
  const startIndex = last?.left ?? 0
  const sinceWeeks = last ? Math.max(0, (yearsNow - last.atYears) * weeksPerYear) : 0
  const passed = passing(startIndex, threshold)
  const chanceAfter = (weeks: number) => meanOver(kept, (rate) => passed(rate, sinceWeeks + weeks))
  const dueWeeks = weeksUntil(risk, chanceAfter)
  return {
    chanceAfter,
    indexAfter: (weeks, share) => indexAt(kept, startIndex, (sinceWeeks + weeks) / weeksPerYear, share),
    dueWeeks,
    lowWeeks: weeksUntil(risk / 2, chanceAfter, dueWeeks),
    highWeeks: weeksUntil(Math.max(0.5, risk), chanceAfter),
    ratePerYear: round(
      meanOver(kept, (rate) => rate),
      3,
    ),
  }
}

interface WeighedRate {
  /** Index per year. */
  readonly rate: number
  readonly weight: number
}
/** Rates of less weight cost time and change nothing. */
const leastWeight = 1e-3

/** The rates of {@link ratios} with their weights after what was seen, summing to one; those of next to no weight are left out. */
function ratesWeighed(prior: Float64Array, evidence: Float64Array, priorRate: number): WeighedRate[] {
  const best = Math.max(...evidence)
  const raw = prior.map((weight, at) => weight * Math.exp(evidence[at] - best))
  const sumOf = (weights: Float64Array) => weights.reduce((sum, weight) => sum + weight, 0)
  const least = leastWeight * sumOf(raw)
  const sum = sumOf(raw.filter((weight) => weight > least))
  return ratios.flatMap((ratio, at) => (raw[at] > least ? [{ rate: priorRate * Math.exp(ratio), weight: raw[at] / sum }] : []))
}

/** Mean of a quantity over the rates. */
function meanOver(rates: readonly WeighedRate[], of: (rate: number) => number): number {
  let mean = 0
  for (const { rate, weight } of rates) mean += weight * of(rate)
  return mean
}

/** No unit is followed beyond this index: it is choked long before. */
const mostIndex = 12

/** Index that the mixture of rates stays below with a chance of `share`. */
function indexAt(kept: readonly WeighedRate[], startIndex: number, years: number, share: number): number {
  if (years <= 0) return startIndex
  let low = 0
  let high = mostIndex
  const below = (index: number) => {
    const rises = risesBelow(index)
    return meanOver(kept, (rate) => rises(rate, years))
  }
  while (high - low > 0.005) {
    const middle = (low + high) / 2
    if (below(middle) < share) low = middle
    else high = middle
  }
  return startIndex + high
}
