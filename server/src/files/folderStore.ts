// Files in a folder.
import { randomBytes } from 'node:crypto'
import { mkdir, open, readdir, readFile, rename, rm, stat } from 'node:fs/promises'
import { dirname, join, relative } from 'node:path'
import { checkedKey, tryOut, type FileStore } from './store.ts'

const isMissing = (error: unknown) => error !== null && typeof error === 'object' && 'code' in error && error.code === 'ENOENT'

export function folderStore(folder: string): FileStore {
  const pathOf = (key: string) => join(folder, checkedKey(key))
  const remove = (key: string) => rm(pathOf(key), { force: true })
  async function put(key: string, bytes: Uint8Array): Promise<void> {
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
  }
  return {
    put,
    remove,
    check: () => tryOut({ put, remove }),
    get: (key) =>
      readFile(pathOf(key)).catch((error: unknown) => {
        if (isMissing(error)) return undefined
        throw error
      }),
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
}
