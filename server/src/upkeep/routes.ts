// What is due when, over all units; and what one unit's forecast rests on.
import { Fault, daySchema, dueKinds, ratesAtFirst, type DuePage, type DueWorth, type Family, type UnitOutlook } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { QueryTypes, type Sequelize } from 'sequelize'
import { DueDay, JobUnit, Site, Unit } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'
import type { WeatherSource } from '../weather/source.ts'
import { advice, isPaid, worthOf } from './advice.ts'
import { learnAndRenew, pastOf, visitsOf } from './dues.ts'

const pageSize = 100

interface Row {
  unitId: string
  unitName: string
  siteId: string
  siteName: string
  what: DuePage['entries'][number]['what']
  dueOn: string
  lowOn: string | null
  highOn: string | null
  lastCleanedAt: Date | null
  family: Family
}

/** A page mark: day, unit and kind of the last entry seen. */
const markOf = ({ dueOn, unitId, what }: Row) => [dueOn, unitId, what].join('~')
function readMark(mark: string): { dueOn: string; unitId: string; what: string } {
  const [dueOn, unitId, what] = mark.split('~')
  if (!daySchema.safeParse(dueOn).success || !unitId || !what)
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'after', what: `“${mark.slice(0, 80)}” is no page mark`, allowed: 'the `next` of the page before' }],
    })
  return { dueOn, unitId, what }
}

export function upkeepRoutes(sequelize: Sequelize, weather: WeatherSource | undefined) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Querystring: { after?: string; until?: string; what?: string } }>('/api/due', async ({ query, user, firm }): Promise<DuePage> => {
      const { until, what } = query
      if (until !== undefined && !daySchema.safeParse(until).success)
        throw new Fault('does-not-hold-up', {
          lines: [{ where: 'until', what: `“${until.slice(0, 40)}” is no day`, allowed: 'a day as 2026-05-31' }],
        })
      if (what !== undefined && !dueKinds.some((kind) => kind === what))
        throw new Fault('does-not-hold-up', { lines: [{ where: 'what', what: `“${what.slice(0, 40)}” is never due`, allowed: dueKinds.join(', ') }] })
      // Handed over before days were kept: they are written now.
      if (!firm.foulingRates && (await JobUnit.findOne({ where: { firmId: user.firmId, stage: 'handed-over' } }))) await learnAndRenew(firm)
      const mark = query.after ? readMark(query.after) : undefined
      const rows = await sequelize.query<Row>(
        // In the order of the days' own index, as in the logbook.
        `SELECT STRAIGHT_JOIN d.unit_id AS unitId, u.name AS unitName, s.id AS siteId, s.name AS siteName, d.what, DATE_FORMAT(d.due_on, '%Y-%m-%d') AS dueOn, DATE_FORMAT(d.low_on, '%Y-%m-%d') AS lowOn,
                DATE_FORMAT(d.high_on, '%Y-%m-%d') AS highOn, u.last_cleaned_at AS lastCleanedAt, u.family
         FROM dues d JOIN units u ON u.id = d.unit_id JOIN sites s ON s.id = u.site_id
         WHERE d.firm_id = :firmId AND ${until ? 'd.due_on <= :until' : 'TRUE'} AND ${what ? 'd.what = :what' : 'TRUE'}
           AND ${mark ? '(d.due_on, d.unit_id, d.what) > (:markOn, :markUnit, :markWhat)' : 'TRUE'}
         ORDER BY d.due_on, d.unit_id, d.what LIMIT ${pageSize + 1}`,
        {
          replacements: { firmId: user.firmId, until, what, markOn: mark?.dueOn, markUnit: mark?.unitId, markWhat: mark?.what },
          type: QueryTypes.SELECT,
        },
      )
      const page = rows.slice(0, pageSize)
      const add = await advice(page, firm, weather, Date.now())
      return {
        entries: page.map((row) => ({ ...row, lastCleanedAt: row.lastCleanedAt?.toISOString() ?? null, ...add(row) })),
        next: rows.length > pageSize ? markOf(rows[pageSize - 1]) : null,
        rates: firm.foulingRates ?? ratesAtFirst,
      }
    })

    app.get('/api/due/worth', async ({ user, firm }): Promise<DueWorth> => {
      const today = new Date().toISOString().slice(0, 10)
      const rows = await sequelize.query<{ family: Family; what: string; horizon: number; units: number }>(
        // The first of the horizons in which a day lies.
        `SELECT u.family, d.what, CASE WHEN d.due_on < :today THEN 0 WHEN d.due_on <= DATE_ADD(:today, INTERVAL 4 WEEK) THEN 4 ELSE 13 END AS horizon, COUNT(*) AS units
         FROM dues d JOIN units u ON u.id = d.unit_id
         WHERE d.firm_id = :firmId AND d.due_on <= DATE_ADD(:today, INTERVAL 13 WEEK)
           -- One visit does both: where a deep clean is due, the light one is not counted.
           AND (d.what = 'deep-clean' OR (d.what = 'light-clean' AND NOT EXISTS
             (SELECT 1 FROM dues e WHERE e.unit_id = d.unit_id AND e.what = 'deep-clean' AND e.due_on <= DATE_ADD(:today, INTERVAL 13 WEEK))))
         GROUP BY u.family, d.what, horizon`,
        { replacements: { firmId: user.firmId, today }, type: QueryTypes.SELECT },
      )
      return ([0, 4, 13] as const).map((weeks) => {
        const own = rows.filter(({ horizon }) => Number(horizon) === weeks)
        return {
          weeks,
          cleanings: own.reduce((sum, { units }) => sum + Number(units), 0),
          money: Math.round(own.reduce((sum, { family, what, units }) => sum + (isPaid(what) ? worthOf(firm, family, what) : 0) * Number(units), 0)),
        }
      })
    })

    app.post('/api/due/learn', async ({ user, firm }) => {
      if (user.role !== 'owner') throw new Fault('not-allowed')
      return learnAndRenew(firm)
    })

    app.get<{ Params: { id: string } }>('/api/units/:id/outlook', async ({ params, user, firm }): Promise<UnitOutlook> => {
      const unit = await findOwn(Unit, 'unit', params.id, user.firmId)
      const [site, visitRows, dues] = await Promise.all([
        findOwn(Site, 'site', unit.siteId, user.firmId),
        visitsOf([unit.id]),
        DueDay.findAll({ where: { unitId: unit.id }, order: [['dueOn', 'ASC']] }),
      ])
      const rows = visitRows.get(unit.id) ?? []
      const { visits, use, lossIndex } = pastOf(unit, site, rows)
      return {
        unitId: unit.id,
        unitName: unit.name,
        siteName: site.name,
        visits: rows.map((row, at) => ({
          ...visits[at],
          jobId: row.jobId,
          at: row.handedOverAt?.toISOString() ?? '',
          ...(row.seen ? { seen: row.seen } : {}),
        })),
        surroundings: [...use.surroundings],
        hoursPerDay: use.hoursPerDay,
        lossIndex,
        rates: firm.foulingRates ?? ratesAtFirst,
        dues: dues.map(({ what, dueOn, lowOn, highOn }) => ({ what, dueOn, lowOn, highOn })),
      }
    })
  }
}
