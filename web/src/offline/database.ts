// The browser's own database: events that wait for the server, and what the server said last.
import type { JobEvent } from '@yastik/core'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

export interface KeptPhoto {
  readonly photoId: string
  readonly jobId: string
  readonly unitId: string
  readonly preview: Blob
  readonly whole?: Blob
  readonly atMs: number
}

interface OnThisDevice extends DBSchema {
  waiting: { key: string; value: { jobId: string; event: JobEvent }; indexes: { job: string } }
  /** Answers of the server by address. */
  /** Photographs: `whole` until the server has it, `preview` for looking at it without a signal. */
  photos: { key: string; value: KeptPhoto; indexes: { job: string } }
  shelf: { key: string; value: { path: string; answer: unknown; atMs: number } }
}

const open = (): Promise<IDBPDatabase<OnThisDevice>> =>
  openDB<OnThisDevice>('yastik', 3, {
    upgrade(database, from) {
      if (from < 1) database.createObjectStore('waiting', { keyPath: 'event.id' }).createIndex('job', 'jobId')
      if (from < 2) database.createObjectStore('shelf', { keyPath: 'path' })
      if (from < 3) database.createObjectStore('photos', { keyPath: 'photoId' }).createIndex('job', 'jobId')
    },
    // Another tab with a newer version may go on.
    blocking: (_, __, event) => (event.target as IDBDatabase).close(),
  })
let opened: Promise<IDBPDatabase<OnThisDevice>> | undefined

export const onThisDevice = (): Promise<IDBPDatabase<OnThisDevice>> => (opened ??= open())
