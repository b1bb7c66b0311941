// Events of a job, in the order of its log.
import type { Step } from '@yastik/core/procedure'
import type { Happening, JobEvent } from '@yastik/core/run'
import { Op } from 'sequelize'
import { parsed, type Db } from '../db/database.ts'
import { Job, StoredEvent } from '../db/models.ts'

export const eventOf = ({ id, atMs, aheadMs, byUser, happening }: StoredEvent): JobEvent => ({
  id,
  atMs: Number(atMs),
  by: byUser,
  ...(aheadMs === null || aheadMs === undefined ? {} : { aheadMs: Number(aheadMs) }),
  happening,
})

type EventRow = Omit<JobEvent, 'happening' | 'aheadMs'> & { aheadMs: number | null; happening: string }
const eventFrom = ({ id, atMs, by, aheadMs, happening }: EventRow): JobEvent => ({
  id,
  atMs: Number(atMs),
  by,
  ...(aheadMs === null ? {} : { aheadMs: Number(aheadMs) }),
  happening: parsed<JobEvent['happening']>(happening),
})

/** Events of a job in the order of its log. */
export async function eventsOf(db: Db, jobId: string): Promise<JobEvent[]> {
  const rows = await db.read<EventRow>(
    'SELECT id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS `by`, happening FROM events WHERE job_id = :jobId ORDER BY place',
    { jobId },
  )
  return rows.map(eventFrom)
}

/** The same of some of its units. */
export async function eventsOfUnits(db: Db, jobId: string, unitIds: readonly string[]): Promise<JobEvent[]> {
  if (unitIds.length === 0) return []
  const rows = await db.read<EventRow>(
    `SELECT id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS \`by\`, happening FROM events
     WHERE job_id = :jobId AND unit_id IN (:unitIds) ORDER BY place`,
    { jobId, unitIds },
  )
  return rows.map(eventFrom)
}

/** Steps that were agreed, by the event that says so. */
export async function stepsAgreedIn(db: Db, eventIds: readonly string[]): Promise<Map<string, readonly Step[]>> {
  if (eventIds.length === 0) return new Map()
  const rows = await db.read<{ id: string; happening: string }>('SELECT id, happening FROM events WHERE id IN (:eventIds)', { eventIds })
  return new Map(
    rows.flatMap(({ id, happening: text }) => {
      const happening = parsed<Happening>(text)
      return happening.type === 'method-agreed' ? [[id, happening.steps] as const] : []
    }),
  )
}

/** How many events the log of a job has. */
export const logLength = async (jobId: string): Promise<number> => (await Job.findByPk(jobId, { attributes: ['logLength'] }))?.logLength ?? 0

/** Events of a job that came after a place in its log. */
export const eventsAfter = (jobId: string, place: number, limit: number): Promise<StoredEvent[]> =>
  StoredEvent.findAll({ where: { jobId, place: { [Op.gt]: place } }, order: [['place', 'ASC']], limit })
