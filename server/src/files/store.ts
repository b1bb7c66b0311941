// Where do files lie? One interface; here a folder, which several app processes may share.
import { randomBytes } from 'node:crypto'
import { mkdir, open, readdir, readFile, rename, rm, stat } from 'node:fs/promises'
import { dirname, join, relative } from 'node:path'

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

const isMissing = (error: unknown) => error instanceof Error && 'code' in error && error.code === 'ENOENT'

/** A store in a folder. Keys are made by the application from ids, never from what somebody sent. */
export function folderStore(folder: string): FileStore {
  const remove = (key: string) => rm(pathOf(key), { force: true })
  const pathOf = (key: string) => {
    if (!/^[\w-]+(\/[\w-]+)*\.[a-z]+(\.[\da-f]+\.part)?$/.test(key)) throw new Error(`“${key}” is no key of a file`)
    return join(folder, key)
  }
  const store: FileStore = {
    async put(key, bytes) {
      const path = pathOf(key)
      await mkdir(dirname(path), { recursive: true, mode: 0o700 })
      const draft = `${path}.${randomBytes(6).toString('hex')}.part`
      try {
        const file = await open(draft, 'wx', 0o600)
        try {
          await file.writeFile(bytes)
          await file.sync()
        } finally {
          await file.close()
        }
        await rename(draft, path)
      } catch (error) {
        await rm(draft, { force: true })
        throw error
      }
    },
    get: (key) =>
      readFile(pathOf(key)).catch((error: unknown) => {
        if (isMissing(error)) return undefined
        throw error
      }),
    remove,
    async check() {
      const key = `check/${randomBytes(8).toString('hex')}.txt`
      await store.put(key, Buffer.from('may be kept'))
      await remove(key)
    },
    async *list() {
      const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch((error: unknown) => {
        if (isMissing(error)) return []
        throw error
      })
      for (const entry of entries) {
        if (!entry.isFile()) continue
        const path = join(entry.parentPath, entry.name)
        const found = await stat(path).catch(() => undefined)
        if (found) yield { key: relative(folder, path), writtenMs: found.mtimeMs }
      }
    },
  }
  return store
}
