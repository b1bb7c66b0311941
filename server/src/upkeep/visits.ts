// What falls due by visit: a site each, with all that is due there, what it is worth, and whether somebody is already going.
import { cleaningOf } from '@yastik/core/upkeep'
import type { DueVisits } from '@yastik/core/wire'
import { parsed, type Db } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import type { Firm } from '../db/models.ts'
import { pageOf } from '../db/paging.ts'
import { dayMs, dayOf } from '../days.ts'
import type { WeatherSource } from '../weather/source.ts'
import { adviceFor } from './advice.ts'
import { duesAt, dueSiteMark, dueSites, plannedAt, type PlannedUnit } from './queries.ts'

type Entry = DueVisits['entries'][number]
const firstOf = <Value>(values: readonly (Value | null)[]): Value | null => values.find((value) => value !== null) ?? null
const leastOf = (days: readonly (string | null)[]): string | null => firstOf(days.toSorted((one, other) => ((one ?? '9') < (other ?? '9') ? -1 : 1)))

/** @param asked how many weeks ahead is looked, and the mark of the page before */
export async function dueVisits(
  db: Db,
  firm: Firm,
  { weeks, after }: { weeks: number; after?: string },
  weather: WeatherSource | undefined,
  nowMs: number,
): Promise<DueVisits> {
  const until = dayOf(nowMs + weeks * 7 * dayMs, firm)
  const rows = await dueSites(db, firm.id, until, after)
  const siteIds = rows.map(({ siteId }) => siteId)
  const siteBy = new Map(rows.map((row) => [row.siteId, row]))
  const [dues, planned] = await Promise.all([duesAt(db, siteIds, until), plannedAt(db, siteIds, dayOf(nowMs, firm))])
  const asked = dues.map((due) => {
    const { altitudeM = null, reminders = null } = siteBy.get(due.siteId) ?? {}
    return { ...due, altitudeM, reminders }
  })
  const adviceOf = await adviceFor(db, asked, firm, weather, nowMs)
  const duesBy = groupBy(asked, ({ siteId }) => siteId)
  const plannedBy = groupBy(planned, ({ siteId }) => siteId)
  return pageOf(rows, dueSiteMark, ({ siteId, siteName, address, dueOn, lastCrewIds }): Entry => {
    const own = duesBy.get(siteId) ?? []
    const byUnit = [...groupBy(own, ({ unitId }) => unitId).values()]
    const advice = own.map((due) => ({ unitId: due.unitId, what: due.what, ...adviceOf(due) }))
    const worths = byUnit.flatMap((dues) => {
      const cleaning = cleaningOf(dues)
      return advice.find(({ unitId, what }) => unitId === dues[0].unitId && what === cleaning)?.worth ?? []
    })
    return {
      siteId,
      siteName,
      address,
      dueOn,
      units: byUnit.map((dues) => ({
        unitId: dues[0].unitId,
        unitName: dues[0].unitName,
        family: dues[0].family,
        dues: dues.map(({ what, dueOn: on, lowOn, highOn }) => ({ what, dueOn: on, lowOn, highOn })),
      })),
      worth: worths.length === 0 ? null : worths.reduce((sum, worth) => sum + worth, 0),
      before: leastOf(advice.map(({ before }) => before)),
      roofDays: firstOf(advice.map(({ roofDays }) => roofDays)),
      hold: firstOf(advice.map(({ hold }) => hold)),
      reminded: firstOf(advice.map(({ reminded }) => reminded)),
      planned: visitsIn(plannedBy.get(siteId) ?? []),
      lastCrewIds: lastCrewIds === null ? [] : parsed<number[]>(lastCrewIds),
    }
  })
}

const visitsIn = (units: readonly PlannedUnit[]): Entry['planned'] =>
  [...groupBy(units, ({ jobId }) => jobId)].map(([jobId, own]) => ({ jobId, onDate: own[0].onDate, unitIds: own.map(({ unitId }) => unitId) }))
