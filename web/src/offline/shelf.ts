// What did the server say last? Kept on the device, so that today's jobs open without a signal.
import { Fault } from '@yastik/core/faults'
import { addressOf, endpoints, type Answer, type Endpoint, type Given } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { answerOf, ask, isNoJudgement } from '../api/client.ts'
import { keptIfRoom, onThisDevice } from './database.ts'

/** Answers that are older than this are cleared away. */
const keptDays = 14
const dayMs = 86_400_000

/** Endpoints whose answers are kept are those that only read. */
type Kept = Endpoint & { readonly method: 'GET' }

/**
 * Asks the server; without an answer, or where it cannot work just now, what it said last. `kept` tells which.
 * @throws NoAnswer where it never said anything; Fault as the server says it, and where what it said last is of another version than this page
 */
export async function askOrKept<Own extends Kept>(own: Own, given?: Given<Own>): Promise<{ answer: Answer<Own>; kept: boolean }> {
  const parts: Given<Own> = given ?? ({} as Given<Own>)
  try {
    const answer = (await ask<Endpoint>(own, parts)) as Answer<Own>
    await shelve(own, parts, answer)
    return { answer, kept: false }
  } catch (error) {
    if (!isNoJudgement(error) || isOfOtherVersion(error)) throw error
    const found = await onThisDevice((database) => database.get('shelf', addressOf(own, parts)))
    if (!found) throw error
    return { answer: keptAnswer(own, found.answer), kept: true }
  }
}

/** What the server said to this last, where that is no older than so; undefined else, and where this page cannot read it. */
export async function keptSince<Own extends Kept>(own: Own, given: Given<Own>, oldestMs: number): Promise<Answer<Own> | undefined> {
  const found = await onThisDevice((database) => database.get('shelf', addressOf(own, given)))
  if (!found || found.atMs < oldestMs) return undefined
  try {
    return keptAnswer(own, found.answer)
  } catch (error) {
    if (isOfOtherVersion(error)) return undefined
    throw error
  }
}

const isOfOtherVersion = (error: unknown) => error instanceof Fault && error.code === 'other-version'
function keptAnswer<Own extends Kept>(own: Own, said: unknown): Answer<Own> {
  try {
    return answerOf(own, said)
  } catch (error) {
    throw isOfOtherVersion(error) ? new Fault('other-version', { sentence: says('fault.device.kept-by-other') }) : error
  }
}

export const shelve = async <Own extends Kept>(own: Own, given: Given<Own>, answer: Answer<Own>): Promise<void> =>
  keptIfRoom((database) => database.put('shelf', { path: addressOf(own, given), answer, atMs: Date.now() }))

/**
 * Fetches what may be needed without a signal later: jobs, and what the firm says to customers in its own words. What is not answered now is not
 * kept, and nobody waits for it.
 */
export async function fetchAhead(jobIds: readonly string[]): Promise<void> {
  const asks = [...jobIds.map((id) => () => askOrKept(endpoints.job, { params: { id } })), () => askOrKept(endpoints.wording)]
  for (const fetched of asks) {
    try {
      await fetched()
    } catch (error) {
      if (isNoJudgement(error)) return
      throw error
    }
  }
}

/** Takes off the shelf what is old, or everything when somebody signs out; photographs that were not sent stay. */
export const clearShelf = (everything = false): Promise<void> =>
  onThisDevice(async (database) => {
    const transaction = database.transaction(['shelf', 'photos'], 'readwrite')
    const isOld = (atMs: number) => everything || atMs < Date.now() - keptDays * dayMs
    for (let cursor = await transaction.objectStore('shelf').openCursor(); cursor; cursor = await cursor.continue())
      if (isOld(cursor.value.atMs)) await cursor.delete()
    for (let cursor = await transaction.objectStore('photos').openCursor(); cursor; cursor = await cursor.continue())
      if (isOld(cursor.value.atMs) && !cursor.value.whole) await cursor.delete()
    await transaction.done
  })
