// Where do events wait until the server has them? In the browser's own database, so that a reload loses nothing.
import type { JobEvent } from '@yastik/core'
import { onThisDevice } from './database.ts'

export const keep = async (jobId: string, event: JobEvent): Promise<void> => void (await (await onThisDevice()).put('waiting', { jobId, event }))

/** Events of a job that wait, in the order in which they happened. */
export const waiting = async (jobId: string): Promise<JobEvent[]> =>
  (await (await onThisDevice()).getAllFromIndex('waiting', 'job', jobId))
    .map(({ event }) => event)
    .sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))

export async function forget(ids: readonly string[]): Promise<void> {
  const transaction = (await onThisDevice()).transaction('waiting', 'readwrite')
  for (const id of ids) void transaction.store.delete(id)
  await transaction.done
}
