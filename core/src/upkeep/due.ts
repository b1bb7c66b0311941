// What is due when, after this job?
import type { Grades } from '../lookover/index.ts'
import { allGrades, clamp, estimate, round, type Grade } from '../quantities/index.ts'
import type { Part } from '../units/index.ts'
import type { Sentence } from '../words/index.ts'

/** Filters: weeks at eight hours a day in a clean home; shorter with use and dirt, within two to eight. */
const filterWeeks = { usual: estimate(6, 'weeks'), least: estimate(2, 'weeks'), most: estimate(8, 'weeks') }
const fineFilterWeeks = estimate(13, 'weeks (quarterly wash; change yearly)')
/** Light cleaning at this index. */
export const lightIndex = estimate(1.3, 'grade index')
/** Index of coil and wheel after each scope, where they were reached. */
const indexAfter = {
  'strip-down': estimate(0.1, 'grade index'),
  'bench-clean': estimate(0.1, 'grade index'),
  'open-clean': estimate(0.15, 'grade index'),
  'clean-in-place': estimate(0.2, 'grade index'),
} as const
/** However little it runs: it is looked at and cleaned lightly once a year. */
export const mostLightWeeks = estimate(52, 'weeks')

export const dueKinds = ['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean'] as const
export interface Due {
  what: (typeof dueKinds)[number]
  /** Weeks from the visit, never none: what was left dirty is come back to. */
  weeks: number
  low?: number
  high?: number
  /** What makes it so soon, where it is. */
  because?: Sentence
}
/** The kinds from the least to the deepest work, as they cover one another: a deep clean washes the filters too. */
export const fromLeastToDeepest: readonly Due['what'][] = ['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean']

/** A part that is left at this grade or worse makes the whole index. */
const staysIndex = estimate(3, 'grade index')

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
  const clean = indexAfter[scope as keyof typeof indexAfter].value
  const left = found.map(({ part, grade }) => (missed.includes(part) ? grade : Math.min(grade, clean)))
  const mean = left.reduce<number>((sum, index) => sum + index, 0) / left.length
  // A mat or worse that stays is what the unit is left with, however clean the rest.
  return Math.max(mean, ...left.filter((index) => index >= staysIndex.value))
}

/** What follows its own rule, not the forecast: filters by use and dirt, fine filters by the quarter, pan treatment by its label. */
export function ruledDues(rate: number, fineFilter: boolean, panTreatmentWeeks: number | undefined): Due[] {
  return [
    { what: 'filter', weeks: round(clamp(filterWeeks.usual.value / Math.sqrt(rate), filterWeeks.least.value, filterWeeks.most.value)) },
    ...(fineFilter ? [{ what: 'fine-filter' as const, weeks: fineFilterWeeks.value }] : []),
    ...(panTreatmentWeeks ? [{ what: 'pan-treatment' as const, weeks: panTreatmentWeeks }] : []),
  ]
}
