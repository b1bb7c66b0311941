// What does the forecast of a unit rest on, and how is it reckoned with years and weeks?
import { usualHoursPerDay } from '@yastik/core/method'
import { knownDesign } from '@yastik/core/units'
import { cleanedByOthers, lossIndex, type UnitPast, type Visit } from '@yastik/core/upkeep'
import type { Plate, SiteForm } from '@yastik/core/wire'
import type { Unit } from '../db/models.ts'
import { dayMs, utcDay } from '../days.ts'

const yearMs = 365.25 * dayMs
export const yearsOf = (atMs: number): number => atMs / yearMs
/** @param day 2027-03-01 @returns the day so many weeks later */
export const dayAfter = (day: string, weeks: number): string => utcDay(Date.parse(day) + Math.round(weeks * 7) * dayMs)

/** A visit as the forecast needs it. */
export interface VisitRow {
  readonly jobId: string
  readonly unitId: string
  readonly handedOverAt: Date
  readonly coilGrade: Visit['found']
  readonly coilChances: string | null
  readonly leftIndex: number
  readonly panTreatmentWeeks: number | null
  readonly soilKinds: string
}
/** What the forecast takes from the visits of a unit. */
export type PastVisit = Pick<VisitRow, 'handedOverAt' | 'coilGrade' | 'coilChances' | 'leftIndex' | 'panTreatmentWeeks'>

const visitOf = ({ handedOverAt, coilGrade, coilChances, leftIndex }: PastVisit): Visit => ({
  atYears: yearsOf(handedOverAt.getTime()),
  found: coilGrade,
  ...(coilChances === null ? {} : { chances: coilChances.split(' ').map(Number) }),
  left: leftIndex,
})

/** What somebody else did before this firm came; what is noted of a later day says nothing beside the firm's own visits. */
const cleanedBefore = (day: string | undefined, rows: readonly PastVisit[]): Visit[] =>
  day === undefined || rows.some(({ handedOverAt }) => handedOverAt.getTime() <= Date.parse(day)) ? [] : [cleanedByOthers(yearsOf(Date.parse(day)))]

/** What the forecast of a unit needs. */
export function pastOf(
  unit: Pick<Unit, 'family' | 'design' | 'hoursPerDay'> & { readonly plate?: Plate | null },
  site: SiteForm['site'],
  rows: readonly PastVisit[],
): UnitPast {
  const { design } = knownDesign(unit.family, unit.design)
  return {
    visits: [...cleanedBefore(unit.plate?.othersCleanedOn, rows), ...rows.map(visitOf)],
    use: { surroundings: site.surroundings ?? [], hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value },
    fineFilter: design.fineFilter,
    panTreatmentWeeks: rows.at(-1)?.panTreatmentWeeks ?? undefined,
    lossIndex: lossIndex(design),
  }
}
