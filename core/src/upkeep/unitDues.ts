// What falls due at a unit, counted from its last visit: by its forecast, and by the rules of filters and treatments.
import { estimate, round } from '../quantities/index.ts'
import { lightIndex, mostLightWeeks, ruledDues, type Due } from './due.ts'
import type { FirmRates } from './firmRates.ts'
import { forecastOf, priorRateOf, type UnitUse } from './forecast.ts'
import { cleanHomeRate, dueIndex, weeksPerYear } from './fouling.ts'
import { evidenceOf } from './history.ts'
import type { Visit } from './pastVisit.ts'
import { isMessage, nameOf, says, type Message } from '../words/index.ts'

/** Left dirty on purpose or for want of reach: somebody comes back by then. */
export const comeBackWeeks = estimate(2, 'weeks')
/** What is said of a unit that was left dirty, as far as anybody knows what of it. */
const notCleanYet = says('upkeep.notCleanYet.clean-yet-come-back')
/** The same with what was left, and why. */
export const notCleanBecause = (left: readonly Message[]): Message =>
  left.length === 0 ? notCleanYet : says('upkeep.notCleanYet.because', { left: { semicolon: left } })
/** Whether a date is soon because the unit was left dirty. */
export const isNotCleanYet = ({ because }: Due): boolean => isMessage(because) && (because.key as string).startsWith('upkeep.notCleanYet.')
/** From so many times the soil of a clean home on, what makes it so fast is said. */
const fastFrom = estimate(1.5, 'times')

export interface UnitPast {
  readonly visits: readonly Visit[]
  readonly use: UnitUse
  readonly fineFilter: boolean
  /** Of the treatment that the last visit left in the pan. */
  readonly panTreatmentWeeks?: number
  /** Index at which cooling has lost what a customer notices; the lesser of it and the grade counts. */
  readonly lossIndex: number
}

/** What somebody else's cleaning leaves. */
const leftByOthers = estimate(0.2, 'grade index')
/**
 * A cleaning that somebody else did, before this firm came: with what is found then it tells how fast the unit fouls.
 * @param atYears when, on the scale of the visits
 */
export const cleanedByOthers = (atYears: number): Visit => ({ atYears, found: 0, left: leftByOthers.value })

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
  const { isSeen, panTreatmentWeeks, ...seen } = visit
  const visits = [...past.visits, { atYears: yearsNow, ...seen }]
  return unitDues({ ...past, panTreatmentWeeks, visits }, rates, evidenceOf(isSeen ? visits : past.visits, priorRateOf(past.use)))
}

/** Due dates in weeks from the last visit, most pressing first. None without a visit. */
export function unitDues(
  { visits, use, fineFilter, panTreatmentWeeks, lossIndex }: UnitPast,
  rates: FirmRates,
  evidence = evidenceOf(visits, priorRateOf(use)),
): Due[] {
  const last = visits.reduce<Visit | undefined>((latest, visit) => (!latest || visit.atYears > latest.atYears ? visit : latest), undefined)
  if (!last) return []
  const fast = whyFast(use)
  const forecast = (what: 'light-clean' | 'deep-clean', threshold: number): Due => {
    const { dueWeeks, lowWeeks, highWeeks } = forecastOf(visits, last.atYears, use, rates, { threshold, evidence })
    // Never told later than the chance allows.
    const most = what === 'light-clean' ? mostLightWeeks.value : Infinity
    const [soon, low, late] = [dueWeeks, lowWeeks, highWeeks].map((told) => Math.min(most, Math.max(1, Math.floor(told))))
    // Who left it clean does not come back at once, however fast it soils.
    const weeks = Math.max(soon, comeBackWeeks.value + 1)
    const high = Math.max(late, weeks)
    return { what, weeks, low, high, ...(fast ? { because: fast } : {}) }
  }
  const deepAt = Math.min(dueIndex.value, lossIndex)
  const deep: Due =
    last.left >= deepAt ||
    (last.left >= lightIndex.value && forecastOf(visits, last.atYears, use, rates, { threshold: deepAt, evidence }).dueWeeks <= comeBackWeeks.value)
      ? { what: 'deep-clean', weeks: comeBackWeeks.value, low: 1, high: 2 * comeBackWeeks.value, because: notCleanYet }
      : forecast('deep-clean', deepAt)
  return [
    ...ruledDues(priorRateOf(use), fineFilter, panTreatmentWeeks),
    // What is left above the mark of a light clean is not helped by one.
    ...(last.left >= lightIndex.value ? [] : [forecast('light-clean', lightIndex.value)]),
    deep,
  ].sort((a, b) => a.weeks - b.weeks)
}

/** What makes a unit soil fast, in words; undefined where it does not. */
function whyFast(use: UnitUse): Message | undefined {
  const times = priorRateOf(use) / cleanHomeRate.value
  if (times < fastFrom.value) return undefined
  const around = use.surroundings.map((word) => nameOf('surroundings', word))
  return says('upkeep.whyFast.soils-about-times-fast', {
    around: { comma: [...around, says('upkeep.whyFast.hours-day', { hours: { h: use.hoursPerDay } })] },
    times: { n: round(times, 1) },
  })
}

/**
 * Due dates in weeks from `yearsNow` for a unit that is not looked over now: cleaning counted from its last one, what goes by rule from today
 * where that is seen to. Without a past, what goes by rule. What is overdue by then is not clean.
 */
export function duesWithoutLook(past: UnitPast, { rates, yearsNow }: UnitMemory, filtersSeenTo: boolean): Due[] {
  const ruled = ruledDues(priorRateOf(past.use), past.fineFilter, past.panTreatmentWeeks)
  if (past.visits.length === 0) return ruled
  const sinceWeeks = (yearsNow - Math.max(...past.visits.map(({ atYears }) => atYears))) * weeksPerYear
  const left = (weeks: number) => Math.max(1, Math.floor(weeks - sinceWeeks))
  return unitDues(past, rates)
    .map((due): Due => {
      const fromToday = filtersSeenTo ? ruled.find(({ what }) => what === due.what) : undefined
      if (fromToday) return fromToday
      const weeks = left(due.weeks)
      if (isByLook(due) && weeks <= comeBackWeeks.value)
        return { what: due.what, weeks: comeBackWeeks.value, low: 1, high: 2 * comeBackWeeks.value, because: overdue(sinceWeeks) }
      return {
        ...due,
        weeks,
        ...(due.low === undefined ? {} : { low: left(due.low) }),
        ...(due.high === undefined ? {} : { high: left(due.high) }),
      }
    })
    .sort((a, b) => a.weeks - b.weeks)
}
const isByLook = ({ what }: Due): boolean => what === 'light-clean' || what === 'deep-clean'
const overdue = (sinceWeeks: number): Message => says('upkeep.notCleanYet.overdue', { since: { weeks: Math.round(sinceWeeks) } })
