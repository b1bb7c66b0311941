// What is due when, after this job?
import { clamp, estimate, round } from '../quantities/index.ts'
import { firmRisk, foulingRate, weeksUntil, type Surrounding } from './fouling.ts'

/** Filters: weeks at eight hours a day in a clean home; shorter with use and dirt, within two to eight. */
const filterWeeks = { usual: estimate(6, 'weeks'), least: estimate(2, 'weeks'), most: estimate(8, 'weeks') }
const fineFilterWeeks = estimate(13, 'weeks (quarterly wash; change yearly)')
/** Light cleaning at this index. */
export const lightIndex = estimate(1.3, 'grade index')
/** Index of coil and wheel after each scope. */
const indexAfter = { 'strip-down': 0.1, 'bench-clean': 0.1, 'open-clean': 0.5, 'clean-in-place': 0.7 } as const

export const dueKinds = ['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean'] as const
export interface Due {
  what: (typeof dueKinds)[number]
  weeks: number
  low?: number
  high?: number
}

export interface UpkeepInput {
  readonly surroundings: readonly Surrounding[]
  readonly hoursPerDay: number
  readonly fineFilter: boolean
  readonly panTreatmentWeeks?: number
  readonly scope: string
  /** Worst grade of coil and wheel as they are now. */
  readonly indexNow: number
}

/** Index of coil and wheel as a scope leaves them; never worse than they were found. */
export const indexLeft = (scope: string, indexFound: number): number =>
  scope in indexAfter ? Math.min(indexFound, indexAfter[scope as keyof typeof indexAfter]) : indexFound

/** What follows its own rule, not the forecast: filters by use and dirt, fine filters by the quarter, pan treatment by its label. */
export function ruledDues(rate: number, fineFilter: boolean, panTreatmentWeeks: number | undefined): Due[] {
  return [
    { what: 'filter', weeks: round(clamp(filterWeeks.usual.value / Math.sqrt(rate), filterWeeks.least.value, filterWeeks.most.value)) },
    ...(fineFilter ? [{ what: 'fine-filter' as const, weeks: fineFilterWeeks.value }] : []),
    ...(panTreatmentWeeks ? [{ what: 'pan-treatment' as const, weeks: panTreatmentWeeks }] : []),
  ]
}

/** Due dates in weeks from today; deep and light cleaning by the fouling forecast, low and high at 10 % and 50 % chance. */
export function dueAfter({ surroundings, hoursPerDay, fineFilter, panTreatmentWeeks, scope, indexNow }: UpkeepInput): Due[] {
  const rate = foulingRate(surroundings, hoursPerDay)
  const start = indexLeft(scope, indexNow)
  const forecast = (what: 'light-clean' | 'deep-clean', threshold?: number): Due => ({
    what,
    weeks: round(weeksUntil(firmRisk.value, rate, start, threshold)),
    low: round(weeksUntil(firmRisk.value / 2, rate, start, threshold)),
    high: round(weeksUntil(0.5, rate, start, threshold)),
  })
  return [...ruledDues(rate, fineFilter, panTreatmentWeeks), forecast('light-clean', lightIndex.value), forecast('deep-clean')]
}
