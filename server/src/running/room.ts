// Is there room on the disks to keep what is sent? Looked at before anything is taken: a database whose disk is full waits for room instead of saying so.
import { statfs } from 'node:fs/promises'

/** Whether something may be kept now. */
export type HasRoom = () => Promise<boolean>

/** Below this nothing new is taken, bytes: what is under way, and what the house itself notes, still finds room. */
const leastBytes = 100_000_000
/** A disk is looked at no more often, ms. */
const lookEveryMs = 1000

const roomOn = async (folder: string): Promise<boolean> => {
  const { bavail, bsize } = await statfs(folder)
  return bavail * bsize >= leastBytes
}

/** @param folders on the disks that files and the database lie on; without any there is always room */
export function watchDisks(folders: readonly string[]): HasRoom {
  let looked: { readonly atMs: number; readonly found: Promise<boolean> } | undefined
  const look = async () => {
    // A folder that cannot be asked about, as one that is not there yet, says nothing of its disk.
    const found = await Promise.all(folders.map((folder) => roomOn(folder).catch(() => true)))
    return found.every(Boolean)
  }
  return () => {
    const nowMs = performance.now()
    if (!looked || nowMs - looked.atMs > lookEveryMs) looked = { atMs: nowMs, found: look() }
    return looked.found
  }
}
