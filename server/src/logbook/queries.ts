// The firm's memory: what was handed over, newest first, page by page.
import type { LogEntry, LogPage, LogQuery } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { isMoment, likePart, markOf, pageLimit, pageOf, readMark } from '../db/paging.ts'

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

/** What each filter asks of a row, and of what besides the log itself; values are bound, never written in. */
const filters = {
  find: { where: '(u.name LIKE :find OR s.name LIKE :find)', needs: 'site' },
  siteId: { where: 'u.site_id = :siteId', needs: 'unit' },
  family: { where: 'u.family = :family', needs: 'unit' },
  soil: { where: 'FIND_IN_SET(:soil, ju.soil_kinds) > 0', needs: 'log' },
  by: { where: 'ju.handed_over_by = :by', needs: 'log' },
  verdict: { where: 'ju.verdict = :verdict', needs: 'log' },
} as const satisfies Record<keyof Omit<LogQuery, 'after'>, { where: string; needs: keyof typeof joins }>
const joins = {
  log: '',
  unit: 'JOIN units u ON u.id = ju.unit_id',
  site: 'JOIN units u ON u.id = ju.unit_id JOIN sites s ON s.id = u.site_id',
}

/** A page mark: time, job and unit of the last entry seen. */
const markAfter = ({ handedOverAt, jobId, unitId }: Row) => markOf(handedOverAt.getTime(), jobId, unitId)
function markedBy(mark: string): { at: Date; jobId: string; unitId: string } {
  const [at, jobId, unitId] = readMark(mark, 3, ([time]) => /^\d+$/.test(time) && isMoment(Number(time)))
  return { at: new Date(Number(at)), jobId, unitId }
}

const rowColumns = `ju.job_id AS jobId, ju.unit_id AS unitId, u.name AS unitName, s.name AS siteName, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate,
  ju.handed_over_at AS handedOverAt, p.name AS \`by\`, ju.verdict, ju.worst_grade AS worstGrade, ju.scope, ju.cooling_before_kw AS coolingBeforeKw,
  ju.cooling_after_kw AS coolingAfterKw`
const rowTables =
  'JOIN jobs j ON j.id = ju.job_id JOIN units u ON u.id = ju.unit_id JOIN sites s ON s.id = u.site_id JOIN users p FORCE INDEX (PRIMARY) ON p.id = ju.handed_over_by'
const newestRows = `ORDER BY ju.handed_over_at DESC, ju.job_id DESC, ju.unit_id DESC LIMIT ${pageLimit}`

/** A page found in an index is put in order here: the database would make a table for it. */
const newestFirst = (one: Row, other: Row): number =>
  other.handedOverAt.getTime() - one.handedOverAt.getTime() || other.jobId.localeCompare(one.jobId) || other.unitId.localeCompare(one.unitId)

/** A page along an index. Left to itself the optimiser starts at the sites and sorts everything. */
const along = (db: Db, index: 'by_log' | 'by_unit', where: string, replacements: Record<string, unknown>) =>
  db.read<Row>(
    `SELECT STRAIGHT_JOIN ${rowColumns} FROM job_units ju FORCE INDEX (${index}) ${rowTables}
     WHERE ju.firm_id = :firmId AND ju.handed_over_at IS NOT NULL AND ${where} ${newestRows}`,
    replacements,
  )

/** A page of few among many: which rows it is are found first, in the log's own index, which holds what is asked; only those are fetched. */
const sought = async (db: Db, where: string, replacements: Record<string, unknown>, needs: keyof typeof joins) =>
  (
    await db.read<Row>(
      `SELECT STRAIGHT_JOIN ${rowColumns}
       FROM (SELECT STRAIGHT_JOIN ju.job_id, ju.unit_id FROM job_units ju FORCE INDEX (by_log) ${joins[needs]}
             WHERE ju.firm_id = :firmId AND ju.handed_over_at IS NOT NULL AND ${where} ${newestRows}) k
       JOIN job_units ju ON ju.job_id = k.job_id AND ju.unit_id = k.unit_id ${rowTables}`,
      replacements,
    )
  ).sort(newestFirst)

// Written out: copying rows costs more than reading them.
const entryOf = (row: Row): LogEntry => ({
  jobId: row.jobId,
  unitId: row.unitId,
  unitName: row.unitName,
  siteName: row.siteName,
  onDate: row.onDate,
  handedOverAt: row.handedOverAt.toISOString(),
  by: row.by,
  verdict: row.verdict,
  worstGrade: row.worstGrade,
  scope: row.scope,
  coolingBeforeKw: row.coolingBeforeKw,
  coolingAfterKw: row.coolingAfterKw,
})
const page = (rows: readonly Row[]): LogPage => pageOf(rows, markAfter, entryOf)

export async function logPage(db: Db, firmId: number, { after, ...wanted }: LogQuery): Promise<LogPage> {
  const names = Object.keys(wanted) as (keyof typeof filters)[]
  const needs = (['site', 'unit'] as const).find((join) => names.some((name) => filters[name].needs === join))
  const wheres = [
    ...names.map((name) => filters[name].where),
    ...(after ? ['(ju.handed_over_at, ju.job_id, ju.unit_id) < (:at, :jobId, :unitId)'] : []),
  ]
  const found = wanted.find === undefined ? {} : { find: likePart(wanted.find) }
  const where = wheres.length > 0 ? wheres.join(' AND ') : 'TRUE'
  const values = { firmId, ...wanted, ...found, ...(after ? markedBy(after) : {}) }
  return page(names.length === 0 ? await along(db, 'by_log', where, values) : await sought(db, where, values, needs ?? 'log'))
}

/** @throws Fault `not-there` */
export async function unitLife(db: Db, unitId: string, firmId: number): Promise<LogPage> {
  const [[unit], rows] = await Promise.all([
    db.read('SELECT id FROM units WHERE id = :unitId AND firm_id = :firmId', { unitId, firmId }),
    along(db, 'by_unit', 'ju.unit_id = :unitId', { firmId, unitId }),
  ])
  if (!unit) throw notThere('unit', unitId)
  return page(rows)
}
