// What did the server say last? Kept on the device, so that today's jobs open without a signal.
import { ask, isNoJudgement } from '../api/client.ts'
import { onThisDevice } from './database.ts'

/** Answers that are older than this are cleared away. */
const keptDays = 14
const dayMs = 86_400_000

/** Asks the server; without an answer, or where it cannot work just now, what it said last. `kept` tells which. @throws NoAnswer where it never said anything; Fault as the server says it. */
export async function askOrKept<Answer>(path: string): Promise<{ answer: Answer; kept: boolean }> {
  try {
    const answer = await ask<Answer>('GET', path)
    await shelve(path, answer)
    return { answer, kept: false }
  } catch (error) {
    if (!isNoJudgement(error)) throw error
    const found = await (await onThisDevice()).get('shelf', path)
    if (!found) throw error
    return { answer: found.answer as Answer, kept: true }
  }
}

export const shelve = async (path: string, answer: unknown): Promise<void> =>
  void (await (await onThisDevice()).put('shelf', { path, answer, atMs: Date.now() }))

/** Fetches what may be needed without a signal later. What is not answered now is not kept, and nobody waits for it. */
export async function fetchAhead(paths: readonly string[]): Promise<void> {
  for (const path of paths) {
    try {
      await askOrKept(path)
    } catch (error) {
      if (isNoJudgement(error)) return
      throw error
    }
  }
}

/** Takes off the shelf what is old, or everything when somebody signs out; photographs that were not sent stay. */
export async function clearShelf(everything = false): Promise<void> {
  const transaction = (await onThisDevice()).transaction(['shelf', 'photos'], 'readwrite')
  const isOld = (atMs: number) => everything || atMs < Date.now() - keptDays * dayMs
  for (let cursor = await transaction.objectStore('shelf').openCursor(); cursor; cursor = await cursor.continue())
    if (isOld(cursor.value.atMs)) await cursor.delete()
  for (let cursor = await transaction.objectStore('photos').openCursor(); cursor; cursor = await cursor.continue())
    if (isOld(cursor.value.atMs) && !cursor.value.whole) await cursor.delete()
  await transaction.done
}
