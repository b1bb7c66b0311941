// Where do events wait until the server has them? In the browser's own database, so that a reload loses nothing.
import { timeOf, type JobEvent } from '@yastik/core/run'
import { onThisDevice } from './database.ts'

export const keep = async (jobId: string, event: JobEvent): Promise<void> =>
  void (await onThisDevice((database) => database.put('waiting', { jobId, event })))

/** Events of a job that wait, in the order in which they happened. */
export const waiting = async (jobId: string): Promise<JobEvent[]> =>
  (await onThisDevice((database) => database.getAllFromIndex('waiting', 'job', jobId)))
    .map(({ event }) => event)
    .sort((a, b) => timeOf(a) - timeOf(b) || (a.id < b.id ? -1 : 1))

const allOf = async (by: number) => (await onThisDevice((database) => database.getAll('waiting'))).filter(({ event }) => event.by === by)
/** Jobs of which events of this person wait. */
export const jobsWaiting = async (by: number): Promise<string[]> => [...new Set((await allOf(by)).map(({ jobId }) => jobId))]
export const countWaiting = async (by: number): Promise<number> => (await allOf(by)).length

/** Writes on events that do not say yet how far this device's clock is off. Nothing is sent without. */
export const stamp = (jobId: string, aheadMs: number): Promise<void> =>
  onThisDevice(async (database) => {
    const transaction = database.transaction('waiting', 'readwrite')
    for (const { event } of await transaction.store.index('job').getAll(jobId))
      if (event.aheadMs === undefined) void transaction.store.put({ jobId, event: { ...event, aheadMs } })
    await transaction.done
  })

export const forget = (ids: readonly string[]): Promise<void> =>
  onThisDevice(async (database) => {
    const transaction = database.transaction('waiting', 'readwrite')
    for (const id of ids) void transaction.store.delete(id)
    await transaction.done
  })
