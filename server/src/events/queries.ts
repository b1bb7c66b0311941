// Events of a job, in the order of its log.
import type { JobEvent } from '@yastik/core/run'
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

/** How many events the log of a job has. */
export const logLength = async (jobId: string): Promise<number> => (await Job.findByPk(jobId, { attributes: ['logLength'] }))?.logLength ?? 0

/** Events of a job that came after a place in its log. */
export const eventsAfter = (jobId: string, place: number, limit: number): Promise<StoredEvent[]> =>
  StoredEvent.findAll({ where: { jobId, place: { [Op.gt]: place } }, order: [['place', 'ASC']], limit })
