// Where do events wait until the server has them? In the browser's own database, so that a reload loses nothing.
import type { JobEvent } from '@yastik/core'
import { openDB, type DBSchema } from 'idb'

interface Outbox extends DBSchema {
  waiting: { key: string; value: { jobId: string; event: JobEvent }; indexes: { job: string } }
}

const database = () =>
  openDB<Outbox>('yastik', 1, {
    upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'event.id' }).createIndex('job', 'jobId'),
  })
let opened: ReturnType<typeof database> | undefined
const outbox = () => (opened ??= database())

export const keep = async (jobId: string, event: JobEvent): Promise<void> => void (await (await outbox()).put('waiting', { jobId, event }))

/** Events of a job that wait, in the order in which they happened. */
export const waiting = async (jobId: string): Promise<JobEvent[]> =>
  (await (await outbox()).getAllFromIndex('waiting', 'job', jobId))
    .map(({ event }) => event)
    .sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))

export async function forget(ids: readonly string[]): Promise<void> {
  const transaction = (await outbox()).transaction('waiting', 'readwrite')
  for (const id of ids) void transaction.store.delete(id)
  await transaction.done
}
