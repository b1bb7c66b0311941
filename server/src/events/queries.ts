// Events of a job, in the order in which they were stored.
import type { JobEvent } from '@yastik/core'
import { Op } from 'sequelize'
import { parsed, type Db } from '../db/database.ts'
import { StoredEvent } from '../db/models.ts'

export const eventOf = ({ id, atMs, aheadMs, byUser, happening }: StoredEvent): JobEvent => ({
  id,
  atMs: Number(atMs),
  by: byUser,
  ...(aheadMs === null || aheadMs === undefined ? {} : { aheadMs: Number(aheadMs) }),
  happening,
})

type EventRow = Omit<JobEvent, 'happening' | 'aheadMs'> & { seq: number; aheadMs: number | null; happening: string }
const storedOf = (db: Db, jobId: string) =>
  db.read<EventRow>('SELECT seq, id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS `by`, happening FROM events WHERE job_id = :jobId ORDER BY seq', {
    jobId,
  })
const eventFrom = ({ id, atMs, by, aheadMs, happening }: EventRow): JobEvent => ({
  id,
  atMs: Number(atMs),
  by,
  ...(aheadMs === null ? {} : { aheadMs: Number(aheadMs) }),
  happening: parsed<JobEvent['happening']>(happening),
})

/** Events of a job in the order in which they were stored. */
export const eventsOf = async (db: Db, jobId: string): Promise<JobEvent[]> => (await storedOf(db, jobId)).map(eventFrom)

/** The same, and the number of the newest. */
export async function eventsAndSeq(db: Db, jobId: string): Promise<{ events: JobEvent[]; seq: number }> {
  const stored = await storedOf(db, jobId)
  return { events: stored.map(eventFrom), seq: Number(stored.at(-1)?.seq ?? 0) }
}

/** Number of the newest event of a job; 0 where there is none. */
export const newestSeq = async (jobId: string): Promise<number> => Number((await StoredEvent.max('seq', { where: { jobId } })) ?? 0)

/** Events of a job that were stored after one, oldest first. */
export const eventsAfter = (jobId: string, seq: number, limit: number): Promise<StoredEvent[]> =>
  StoredEvent.findAll({ where: { jobId, seq: { [Op.gt]: seq } }, order: [['seq', 'ASC']], limit })
