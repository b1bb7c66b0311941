// The firm's memory: what was handed over, newest first, page by page.
import { Fault, logQuerySchema, readBy, type LogEntry, type LogPage, type LogQuery } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { QueryTypes, type Sequelize } from 'sequelize'
import { Unit } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'

const pageSize = 50

interface Row {
  jobId: string
  unitId: string
  unitName: string
  siteName: string
  onDate: string
  handedOverAt: Date
  by: string
  verdict: LogEntry['verdict']
  worstGrade: number | null
  scope: string
  coolingBeforeKw: number | null
  coolingAfterKw: number | null
}

/** What each filter asks of a row; values are bound, never written in. */
const filters = {
  find: '(u.name LIKE :find OR s.name LIKE :find)',
  siteId: 'j.site_id = :siteId',
  family: 'u.family = :family',
  soil: 'FIND_IN_SET(:soil, ju.soil_kinds) > 0',
  by: 'ju.handed_over_by = :by',
  verdict: 'ju.verdict = :verdict',
} as const satisfies Record<keyof Omit<LogQuery, 'after'>, string>

/** A page mark: time, job and unit of the last entry seen. */
const markOf = ({ handedOverAt, jobId, unitId }: Row) => [handedOverAt.getTime(), jobId, unitId].join('~')

function readMark(mark: string): { at: Date; jobId: string; unitId: string } {
  const [at, jobId, unitId] = mark.split('~')
  if (!jobId || !unitId || !Number.isFinite(Number(at)))
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'after', what: `“${mark.slice(0, 80)}” is no page mark`, allowed: 'the `next` of the page before' }],
    })
  return { at: new Date(Number(at)), jobId, unitId }
}

export function logbookRoutes(sequelize: Sequelize) {
  const select = (where: string, replacements: Record<string, unknown>) =>
    sequelize.query<Row>(
      // From the log's own index on: left to itself the optimiser starts at the sites and sorts everything.
      `SELECT STRAIGHT_JOIN ju.job_id AS jobId, ju.unit_id AS unitId, u.name AS unitName, s.name AS siteName, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, ju.handed_over_at AS handedOverAt, p.name AS \`by\`, ju.verdict,
              ju.worst_grade AS worstGrade, ju.scope, ju.cooling_before_kw AS coolingBeforeKw, ju.cooling_after_kw AS coolingAfterKw
       FROM job_units ju JOIN jobs j ON j.id = ju.job_id JOIN units u ON u.id = ju.unit_id JOIN sites s ON s.id = j.site_id JOIN users p ON p.id = ju.handed_over_by
       WHERE ju.firm_id = :firmId AND ju.handed_over_at IS NOT NULL AND ${where}
       ORDER BY ju.handed_over_at DESC, ju.job_id DESC, ju.unit_id DESC LIMIT ${pageSize + 1}`,
      { replacements, type: QueryTypes.SELECT },
    )

  const page = (rows: Row[]): LogPage => ({
    entries: rows.slice(0, pageSize).map((row) => ({ ...row, handedOverAt: row.handedOverAt.toISOString() })),
    next: rows.length > pageSize ? markOf(rows[pageSize - 1]) : null,
  })

  return async (app: FastifyInstance): Promise<void> => {
    app.get('/api/logbook', async ({ query, user }) => {
      const { after, ...wanted } = readBy(logQuerySchema, query, 'query')
      const names = Object.keys(wanted) as (keyof typeof filters)[]
      const wheres = [
        ...names.map((name) => filters[name]),
        ...(after ? ['(ju.handed_over_at, ju.job_id, ju.unit_id) < (:at, :jobId, :unitId)'] : []),
      ]
      const found = wanted.find === undefined ? {} : { find: `%${wanted.find.replace(/[%_\\]/g, '\\$&')}%` }
      return page(
        await select(wheres.length > 0 ? wheres.join(' AND ') : 'TRUE', {
          firmId: user.firmId,
          ...wanted,
          ...found,
          ...(after ? readMark(after) : {}),
        }),
      )
    })

    app.get<{ Params: { id: string } }>('/api/units/:id/life', async ({ params, user }) => {
      await findOwn(Unit, 'unit', params.id, user.firmId)
      return page(await select('ju.unit_id = :unitId', { firmId: user.firmId, unitId: params.id }))
    })
  }
}
