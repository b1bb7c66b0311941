// What is due when, over all units; and what one unit's forecast rests on.
import {
  Fault,
  daySchema,
  dueKinds,
  ratesAtFirst,
  type DuePage,
  type DueWorth,
  type Family,
  type SiteForm,
  type UnitOutlook,
  type VisitFound,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { QueryTypes, type Sequelize } from 'sequelize'
import { people } from '../auth/audience.ts'
import { JobUnit } from '../db/models.ts'
import { parsed, read } from '../db/read.ts'
import type { WeatherSource } from '../weather/source.ts'
import { advice, worthOf } from './advice.ts'
import { learnAndRenew, pastOf, type VisitRow } from './dues.ts'
import { dayOf } from '../days.ts'
import { markOf, readMark } from '../db/pageMark.ts'

const pageSize = 50
const dueDays = `DATE_FORMAT(d.due_on, '%Y-%m-%d') AS dueOn, DATE_FORMAT(d.low_on, '%Y-%m-%d') AS lowOn, DATE_FORMAT(d.high_on, '%Y-%m-%d') AS highOn`

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
  altitudeM: string | null
  /** As text. */
  reminders: string | null
}

/** A page mark: day, unit and kind of the last entry seen. */
const markAfter = ({ dueOn, unitId, what }: Row) => markOf(dueOn, unitId, what)
function markedBy(mark: string): { dueOn: string; unitId: string; what: string } {
  const [dueOn, unitId, what] = readMark(mark, 3, ([day]) => daySchema.safeParse(day).success)
  return { dueOn, unitId, what }
}

export function upkeepRoutes(sequelize: Sequelize, weather: WeatherSource | undefined) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Querystring: { after?: string; until?: string; what?: string } }>(
      '/api/due',
      people,
      async ({ query, user, firm }): Promise<DuePage> => {
        const { until, what } = query
        if (until !== undefined && !daySchema.safeParse(until).success)
          throw new Fault('does-not-hold-up', {
            lines: [{ where: 'until', what: `“${until.slice(0, 40)}” is no day`, allowed: 'a day as 2026-05-31' }],
          })
        if (what !== undefined && !dueKinds.some((kind) => kind === what))
          throw new Fault('does-not-hold-up', {
            lines: [{ where: 'what', what: `“${what.slice(0, 40)}” is never due`, allowed: dueKinds.join(', ') }],
          })
        // Handed over before days were kept: they are written now.
        if (!firm.foulingRates && (await JobUnit.findOne({ where: { firmId: user.firmId, stage: 'handed-over' } }))) await learnAndRenew(firm)
        const mark = query.after ? markedBy(query.after) : undefined
        const rows = await sequelize.query<Row>(
          // In the order of the days' own index, as in the logbook.
          `SELECT STRAIGHT_JOIN d.unit_id AS unitId, u.name AS unitName, s.id AS siteId, s.name AS siteName, d.what, ${dueDays}, u.last_cleaned_at AS lastCleanedAt, u.family,
                JSON_VALUE(s.form, '$.site.altitudeM') AS altitudeM, CAST(JSON_EXTRACT(s.form, '$.reminders') AS CHAR) AS reminders
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
          // Written out: copying what is left of a row costs more than all the rest, and this is asked for all day.
          entries: page.map((row) => {
            const { worth, before, roofDays, hold, reminded } = add(row)
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
              worth,
              before,
              roofDays,
              hold,
              reminded,
            }
          }),
          next: rows.length > pageSize ? markAfter(rows[pageSize - 1]) : null,
          rates: firm.foulingRates ?? ratesAtFirst,
        }
      },
    )

    app.get('/api/due/worth', people, async ({ user, firm }): Promise<DueWorth> => {
      const today = dayOf(Date.now())
      // One visit does both: where a deep clean is due as well it counts, the light one does not. Along its own index.
      const rows = await read<{ family: Family; isDeep: number; horizon: number; units: number }>(
        `SELECT family, deep_on <= DATE_ADD(:today, INTERVAL 13 WEEK) AS isDeep,
                CASE WHEN due_on < :today THEN 0 WHEN due_on <= DATE_ADD(:today, INTERVAL 4 WEEK) THEN 4 ELSE 13 END AS horizon, COUNT(*) AS units
         FROM dues WHERE firm_id = :firmId AND what = 'light-clean' AND due_on <= DATE_ADD(:today, INTERVAL 13 WEEK) GROUP BY family, isDeep, horizon`,
        { firmId: user.firmId, today },
      )
      return ([0, 4, 13] as const).map((weeks) => {
        const own = rows.filter(({ horizon }) => Number(horizon) === weeks)
        return {
          weeks,
          cleanings: own.reduce((sum, { units }) => sum + Number(units), 0),
          money: Math.round(
            own.reduce(
              (sum, { family, isDeep, units }) => sum + worthOf(firm, family, isDeep === 1 ? 'deep-clean' : 'light-clean') * Number(units),
              0,
            ),
          ),
        }
      })
    })

    app.post('/api/due/learn', people, async ({ user, firm }) => {
      if (user.role !== 'owner') throw new Fault('not-allowed')
      return learnAndRenew(firm)
    })

    app.get<{ Params: { id: string } }>('/api/units/:id/outlook', people, async ({ params, user, firm }): Promise<UnitOutlook> => {
      const [[unit], rows, dues] = await Promise.all([
        read<{ name: string; family: Family; design: string; hoursPerDay: number | null; siteName: string; form: string }>(
          `SELECT u.name, u.family, u.design, u.hours_per_day AS hoursPerDay, s.name AS siteName, s.form
           FROM units u JOIN sites s ON s.id = u.site_id WHERE u.id = :id AND u.firm_id = :firmId`,
          { id: params.id, firmId: user.firmId },
        ),
        read<Omit<VisitRow, 'unitId' | 'soilKinds'> & { seen: string | null }>(
          `SELECT job_id AS jobId, handed_over_at AS handedOverAt, coil_grade AS coilGrade, coil_chances AS coilChances, left_index AS leftIndex, pan_treatment_weeks AS panTreatmentWeeks, seen
           FROM job_units WHERE unit_id = :id AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL ORDER BY handed_over_at`,
          { id: params.id },
        ),
        read<UnitOutlook['dues'][number]>(`SELECT what, ${dueDays} FROM dues d WHERE d.unit_id = :id ORDER BY d.due_on`, { id: params.id }),
      ])
      if (!unit)
        throw new Fault('not-there', { lines: [{ where: 'id', what: `there is no unit ${params.id}`, allowed: 'the id of a unit of your firm' }] })
      const { visits, use, lossIndex } = pastOf({ ...unit, design: parsed(unit.design) }, parsed<SiteForm>(unit.form).site, rows)
      return {
        unitId: params.id,
        unitName: unit.name,
        siteName: unit.siteName,
        visits: rows.map(({ jobId, handedOverAt, seen }, at) => ({
          ...visits[at],
          jobId,
          at: handedOverAt.toISOString(),
          ...(seen === null ? {} : { seen: parsed<VisitFound>(seen) }),
        })),
        surroundings: [...use.surroundings],
        hoursPerDay: use.hoursPerDay,
        lossIndex,
        rates: firm.foulingRates ?? ratesAtFirst,
        dues,
      }
    })
  }
}
