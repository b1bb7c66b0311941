// What falls due at a unit, counted from its last visit: by its forecast, and by the rules of filters and treatments.
import { round } from '../quantities/index.ts'
import { lightIndex, ruledDues, type Due } from './due.ts'
import type { FirmRates } from './firmRates.ts'
import { forecastOf, priorRateOf, type UnitUse } from './forecast.ts'
import { dueIndex } from './fouling.ts'
import { evidenceOf, type Visit } from './history.ts'

export interface UnitPast {
  readonly visits: readonly Visit[]
  readonly use: UnitUse
  readonly fineFilter: boolean
  /** Of the treatment that the last visit left in the pan. */
  readonly panTreatmentWeeks?: number
  /** Index at which cooling has lost what a customer notices; the lesser of it and the grade counts. */
  readonly lossIndex: number
}

/** What is remembered of units: their past, the firm's rates, and today on the scale of the visits. */
export interface UnitMemory {
  readonly pastOf: ReadonlyMap<string, UnitPast>
  readonly rates: FirmRates
  readonly yearsNow: number
}

/**
 * Due dates in weeks from a visit that is planned for today, as the list of what is due will have them once it is handed over.
 * @param visit grade as found and index as the work will leave it; what is only expected is no evidence of how fast the unit fouls
 */
export function duesAfterVisit(
  past: UnitPast,
  { rates, yearsNow }: UnitMemory,
  visit: Omit<Visit, 'atYears'> & { isSeen: boolean; panTreatmentWeeks?: number },
): Due[] {
  const { found, left, isSeen, panTreatmentWeeks } = visit
  const visits = [...past.visits, { atYears: yearsNow, found, left }]
  return unitDues({ ...past, panTreatmentWeeks, visits }, rates, evidenceOf(isSeen ? visits : past.visits, priorRateOf(past.use)))
}

/** Due dates in weeks from the last visit, most pressing first. None without a visit. */
export function unitDues(
  { visits, use, fineFilter, panTreatmentWeeks, lossIndex }: UnitPast,
  rates: FirmRates,
  evidence = evidenceOf(visits, priorRateOf(use)),
): Due[] {
  const lastYears = Math.max(...visits.map(({ atYears }) => atYears))
  if (!Number.isFinite(lastYears)) return []
  const forecast = (what: 'light-clean' | 'deep-clean', threshold: number): Due => {
    const { dueWeeks, lowWeeks, highWeeks } = forecastOf(visits, lastYears, use, rates, { threshold, evidence })
    return { what, weeks: round(dueWeeks), low: round(lowWeeks), high: round(highWeeks) }
  }
  return [
    ...ruledDues(priorRateOf(use), fineFilter, panTreatmentWeeks),
    forecast('light-clean', lightIndex.value),
    forecast('deep-clean', Math.min(dueIndex.value, lossIndex)),
  ].sort((a, b) => a.weeks - b.weeks)
}
