// What is due when, after this job?
import type { Grades } from '../lookover/index.ts'
import { allGrades, clamp, estimate, round, type Grade } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'
import { dueIndex, firmRisk, foulingRate, passing, weeksUntil, type Surrounding } from './fouling.ts'

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
  /** Index of coil and wheel as the work leaves them. */
  readonly startIndex: number
}

/** Parts whose soil costs air: they make the index. */
export const indexParts = ['coilFace', 'coilBack', 'wheel'] as const
/** What a scope does not come to, where no plan says it better. */
const missedBy: Readonly<Record<string, readonly Part[]>> = { 'clean-in-place': ['coilBack', 'wheel'], 'open-clean': ['coilBack'] }

/** Index of coil and wheel as they were found: the worst of them; undefined where none was graded. */
export function indexFound(grades: Grades): Grade | undefined {
  const found = indexParts.flatMap((part) => grades[part]?.grade ?? [])
  return found.length === 0 ? undefined : allGrades[Math.max(...found)]
}

/**
 * Index of coil and wheel as the work leaves them: the mean of what was reached, which is as the scope leaves it, and of what was not, which
 * stays; never worse than found. Without cleaning it stays as it was found. @param missed parts that were not reached
 */
export function indexLeft(scope: string, grades: Grades, missed: readonly Part[] = missedBy[scope] ?? []): number {
  const found = indexParts.flatMap((part) => (grades[part] ? [{ part, grade: grades[part].grade }] : []))
  if (found.length === 0) return 0
  if (!(scope in indexAfter)) return Math.max(...found.map(({ grade }) => grade))
  const clean = indexAfter[scope as keyof typeof indexAfter]
  const left = found.map(({ part, grade }) => (missed.includes(part) ? grade : Math.min(grade, clean)))
  return left.reduce<number>((sum, index) => sum + index, 0) / left.length
}

/** What follows its own rule, not the forecast: filters by use and dirt, fine filters by the quarter, pan treatment by its label. */
export function ruledDues(rate: number, fineFilter: boolean, panTreatmentWeeks: number | undefined): Due[] {
  return [
    { what: 'filter', weeks: round(clamp(filterWeeks.usual.value / Math.sqrt(rate), filterWeeks.least.value, filterWeeks.most.value)) },
    ...(fineFilter ? [{ what: 'fine-filter' as const, weeks: fineFilterWeeks.value }] : []),
    ...(panTreatmentWeeks ? [{ what: 'pan-treatment' as const, weeks: panTreatmentWeeks }] : []),
  ]
}

/** Due dates in weeks from today for a unit of which nothing is remembered, by its surroundings and use alone; deep and light cleaning by the fouling forecast, low and high at 10 % and 50 % chance. */
export function dueAfter({ surroundings, hoursPerDay, fineFilter, panTreatmentWeeks, startIndex }: UpkeepInput): Due[] {
  const rate = foulingRate(surroundings, hoursPerDay)
  const forecast = (what: 'light-clean' | 'deep-clean', threshold: number): Due => {
    const passed = passing(startIndex, threshold)
    const weeks = (chance: number) => round(weeksUntil(chance, (after) => passed(rate, after)))
    return { what, weeks: weeks(firmRisk.value), low: weeks(firmRisk.value / 2), high: weeks(0.5) }
  }
  return [...ruledDues(rate, fineFilter, panTreatmentWeeks), forecast('light-clean', lightIndex.value), forecast('deep-clean', dueIndex.value)]
}
