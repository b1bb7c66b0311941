// What is due when, by unit and by visit; and what one unit's forecast rests on.
import { ratesAtFirst } from '@yastik/core/upkeep'
import { dueHorizons, endpoints, type DuePage, type DueWorth } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { pageOf } from '../db/paging.ts'
import { dayOf } from '../days.ts'
import { serverOf } from '../http/serve.ts'
import type { WeatherSource } from '../weather/source.ts'
import { adviceFor, worthOf } from './advice.ts'
import { learnAndRenew } from './doings.ts'
import { dueCounts, dueMark, dueRows, outlookOf, plannedAt } from './queries.ts'
import { dueVisits } from './visits.ts'

export const upkeepRoutes =
  (house: Db, weather: WeatherSource | undefined) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, serves } = serverOf(app, house)

    reads(endpoints.dueVisits, ({ db, query, firm }) => dueVisits(db, firm, query, weather, Date.now()))
    reads(endpoints.due, async ({ db, query, firm }): Promise<DuePage> => {
      const rows = await dueRows(db, firm.id, query)
      const now = Date.now()
      const [adviceOf, planned] = await Promise.all([
        adviceFor(db, rows, firm, weather, now),
        plannedAt(db, [...new Set(rows.map(({ siteId }) => siteId))], dayOf(now, firm)),
      ])
      // The soonest comes last, and stays.
      const plannedOn = new Map(planned.toReversed().map(({ unitId, onDate }) => [unitId, onDate]))
      // Written out: copying what is left of a row costs more than all the rest, and this is asked for all day.
      const page = pageOf(rows, dueMark, (row) => {
        const { worth, before, roofDays, hold, reminded } = adviceOf(row)
        return {
          unitId: row.unitId,
          unitName: row.unitName,
          siteId: row.siteId,
          siteName: row.siteName,
          family: row.family,
          what: row.what,
          dueOn: row.dueOn,
          lowOn: row.lowOn,
          highOn: row.highOn,
          lastCleanedAt: row.lastCleanedAt?.toISOString() ?? null,
          plannedOn: plannedOn.get(row.unitId) ?? null,
          worth,
          before,
          roofDays,
          hold,
          reminded,
        }
      })
      return { ...page, rates: firm.foulingRates ?? ratesAtFirst }
    })

    reads(endpoints.dueWorth, async ({ db, firm }): Promise<DueWorth> => {
      const counts = await dueCounts(db, firm.id, dayOf(Date.now(), firm))
      return dueHorizons.map((weeks) => {
        const own = counts.filter(({ horizon }) => Number(horizon) === weeks)
        const worth = own.reduce(
          (sum, { family, isDeep, units }) => sum + worthOf(firm, family, isDeep === 1 ? 'deep-clean' : 'light-clean') * Number(units),
          0,
        )
        return { weeks, cleanings: own.reduce((sum, { units }) => sum + Number(units), 0), money: Math.round(worth) }
      })
    })

    // In steps: all units of a firm would be held for long.
    serves(endpoints.learn, ({ db, firm }) => learnAndRenew(db, firm))
    reads(endpoints.unitOutlook, ({ db, params, firm }) => outlookOf(db, params.id, firm))
  }
