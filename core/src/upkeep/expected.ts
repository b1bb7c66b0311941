// What will a unit look like when it is seen next? For reckoning before anybody has looked.
import type { Grades, SoilKind } from '../lookover/index.ts'
import { allGrades, clamp, estimate, type Grade } from '../quantities/index.ts'
import { partsOf, type Family, type Part } from '../units/index.ts'
import type { FirmRates } from './firmRates.ts'
import { forecastOf } from './forecast.ts'
import type { UnitPast } from './unitDues.ts'

/** A unit of which nothing is known: whoever calls has waited long. */
export const unseenGrade = estimate(3, 'grade')
/** How other parts are found beside coil and wheel: so many grades cleaner, and filters as customers leave them. */
const cleanerBy: Partial<Record<Part, ReturnType<typeof estimate>>> = {
  pan: estimate(1, 'grades'),
  drainLine: estimate(2, 'grades'),
  outlet: estimate(1, 'grades'),
  housing: estimate(2, 'grades'),
  condenserFace: estimate(1, 'grades'),
  condenserInside: estimate(1, 'grades'),
  rearFan: estimate(1, 'grades'),
  basePan: estimate(1, 'grades'),
}
const usualFilterGrade = estimate(2, 'grade')

const nearestGrade = (index: number): Grade => allGrades[clamp(Math.round(index), 0, 4)]

/** Grade of coil and wheel on a day, by the forecast's middle; undefined for a unit without a visit. `yearsThen` is on the scale of the visits. */
export function expectedGrade({ visits, use }: UnitPast, rates: FirmRates, yearsThen: number): Grade | undefined {
  return visits.length === 0 ? undefined : nearestGrade(forecastOf(visits, yearsThen, use, rates).indexAfter(0, 0.5))
}

/** Grades of all parts that go with a grade of coil and wheel; kinds of soil stand at coil and wheel. */
export function gradesWith(family: Family, coilGrade: Grade, kinds: readonly SoilKind[] = []): Grades {
  return Object.fromEntries(
    partsOf[family].map((part) => {
      if (part === 'filter') return [part, { grade: nearestGrade(usualFilterGrade.value) }]
      const cleaner = cleanerBy[part]
      if (cleaner) return [part, { grade: nearestGrade(coilGrade - cleaner.value) }]
      return [part, { grade: coilGrade, ...(kinds.length > 0 ? { kinds: [...kinds] } : {}) }]
    }),
  )
}
