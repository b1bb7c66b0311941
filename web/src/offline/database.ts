// The browser's own database: events that wait for the server, and what the server said last.
import { Fault } from '@yastik/core/faults'
import type { JobEvent } from '@yastik/core/run'
import { says } from '@yastik/core/words'
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
  /** Photographs: `whole` until the server has it, `preview` for looking at it without a signal. */
  photos: { key: string; value: KeptPhoto; indexes: { job: string } }
  /** Answers of the server by address. */
  shelf: { key: string; value: { path: string; answer: unknown; atMs: number } }
}

type Database = IDBPDatabase<OnThisDevice>
const version = 3

/** Faults of the browser's own are told apart by their name. */
const nameOf = (error: unknown): string => (error !== null && typeof error === 'object' && 'name' in error ? String(error.name) : '')
/** How the browser's own faults are told: what may be done about them is in the sentence. */
function told(error: unknown): unknown {
  const name = nameOf(error)
  if (name === 'VersionError') return new Fault('other-version', { sentence: says('fault.device.newer') })
  if (name === 'QuotaExceededError') return new Fault('device-full')
  if (name === 'SecurityError' || name === 'UnknownError' || name === 'NotFoundError') return new Fault('device-shut')
  return error
}

async function open(): Promise<Database> {
  return openDB<OnThisDevice>('yastik', version, {
    upgrade(database, from) {
      if (from < 1) database.createObjectStore('waiting', { keyPath: 'event.id' }).createIndex('job', 'jobId')
      if (from < 2) database.createObjectStore('shelf', { keyPath: 'path' })
      if (from < 3) database.createObjectStore('photos', { keyPath: 'photoId' }).createIndex('job', 'jobId')
    },
    // Another tab with a newer version may go on; here it is opened anew when it is needed next, and then that is told.
    blocking: (_, __, event) => {
      opened = undefined
      ;(event.target as IDBDatabase).close()
    },
    terminated: () => (opened = undefined),
  })
}
let opened: Promise<Database> | undefined

/** What can be fetched again makes room for what cannot: answers of the server, and previews of what it has. */
async function makeRoom(database: Database): Promise<void> {
  const transaction = database.transaction(['shelf', 'photos'], 'readwrite')
  await transaction.objectStore('shelf').clear()
  for (let cursor = await transaction.objectStore('photos').openCursor(); cursor; cursor = await cursor.continue())
    if (!cursor.value.whole) await cursor.delete()
  await transaction.done
}

/**
 * Does something in the browser's own database. A handle that was closed meanwhile is opened anew; where there is no room, what can be fetched again
 * goes first.
 * @throws Fault `device-full`, `device-shut`, or `other-version` where another tab has a newer one
 */
export async function onThisDevice<Result>(work: (database: Database) => Promise<Result>): Promise<Result> {
  const attempt = async () => {
    opened ??= open()
    const own = opened
    const database = await own.catch((error: unknown) => {
      if (opened === own) opened = undefined
      throw error
    })
    return work(database)
  }
  try {
    return await attempt().catch(async (error: unknown) => {
      const name = nameOf(error)
      if (name === 'InvalidStateError') opened = undefined
      else if (name === 'QuotaExceededError' && opened) await makeRoom(await opened)
      else throw error
      return attempt()
    })
  } catch (error) {
    throw told(error)
  }
}

/** Keeps what can be fetched again, where there is room: without it one needs a signal, and that is all. */
export async function keptIfRoom(work: (database: Database) => Promise<unknown>): Promise<void> {
  try {
    await onThisDevice(work)
  } catch (error) {
    if (!(error instanceof Fault && (error.code === 'device-full' || error.code === 'device-shut'))) throw error
  }
}
