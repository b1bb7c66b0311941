// Where do files lie? One interface; behind it a folder, which several app processes may share, or a bucket of an object store.
import { randomBytes } from 'node:crypto'

export interface FileStore {
  /** Keeps the bytes under a key: whole or not at all, also when the power goes. */
  put(key: string, bytes: Uint8Array): Promise<void>
  /** The bytes of a key; undefined where there are none. */
  get(key: string): Promise<Buffer | undefined>
  /** Takes a file away, where it is there. */
  remove(key: string): Promise<void>
  /** Keeps something and takes it away again. @throws Error where nothing can be kept */
  check(): Promise<void>
  /** All that is there, drafts that were left among it, with when each was written. */
  list(): AsyncGenerator<{ readonly key: string; readonly writtenMs: number }>
}

/** Keys are made by the application from ids, never from what somebody sent. @throws Error for anything else */
export function checkedKey(key: string): string {
  if (!/^[\w-]+(\/[\w-]+)*\.[a-z]+(\.[\da-f]+\.part)?$/.test(key)) throw new Error(`“${key}” is no key of a file`)
  return key
}

/** Whether a store keeps anything. */
export async function tryOut({ put, remove }: Pick<FileStore, 'put' | 'remove'>): Promise<void> {
  const key = `check/${randomBytes(8).toString('hex')}.txt`
  await put(key, Buffer.from('kept?'))
  await remove(key)
}
