// What is done once more when the database turned it down for the sake of others, or was gone for a moment?
import { says } from '@yastik/core/words'
import { setTimeout as pause } from 'node:timers/promises'
import { Fault } from '@yastik/core/faults'
import { ConnectionAcquireTimeoutError, ConnectionError, UniqueConstraintError } from 'sequelize'

/** Deadlock, lock wait, a row that changed since it was read, an interrupted statement; a node of a cluster that is not ready. All of it was taken back. */
const turnedDown = [1213, 1205, 1020, 1317, 1047]
const brokenOff = [
  'ER_SOCKET_UNEXPECTED_CLOSE',
  'ER_CMD_CONNECTION_CLOSED',
  'ER_CONNECTION_ALREADY_CLOSED',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  // Of a node that loses sight of the others: what became of it nobody knows.
  'ER_ERROR_DURING_COMMIT',
  'ECONNRESET',
  'EPIPE',
]
/**
 * So long is tried what others turn down: on a cluster, writes of one job through several nodes turn each other down as they commit, and somebody
 * comes last time and again.
 */
const patienceMs = 5000
/** So often is tried what a database that is gone broke off. */
const mostTriesAway = 6
const firstWaitMs = 15
const longestWaitMs = 400

/** What is there twice by a race is there once when one looks again; where it stays so, it was no race. */
const mostTriesAtOneId = 2

const originalOf = (error: unknown): object => (error instanceof Error && 'original' in error ? Object(error.original) : {})
/** The number by which the database names what went wrong; none where it was no statement that did. */
export const errorNumber = (error: unknown): number | undefined => {
  const original = originalOf(error)
  return 'errno' in original ? Number(original.errno) : undefined
}
/** Whether others were in the way. */
export const isTurnedDown = (error: unknown): boolean => turnedDown.includes(errorNumber(error) ?? 0)
/**
 * What was to be stored does not fit: no such character, too long, out of range, no number, another alphabet than the column's (MariaDB); and what
 * is reckoned of it leads to no number.
 */
const misfits = [1054, 1264, 1265, 1267, 1292, 1366, 1406, 1690, 4025]
/** Whether something of what was sent cannot be stored. */
export const isUnstorable = (error: unknown): boolean =>
  misfits.includes(errorNumber(error) ?? 0) || (error instanceof RangeError && !('code' in error))
/** Table, disk, or what a statement needs for itself is full (MariaDB); a file that finds no room (the system). */
const full = [1021, 1114, 1026]
/** Whether something found no room. */
export const isFull = (error: unknown): boolean =>
  full.includes(errorNumber(error) ?? 0) || (error instanceof Error && 'code' in error && error.code === 'ENOSPC')
/** Whether the database cannot be reached, or was lost in the middle. */
export const isAway = (error: unknown): boolean => {
  const original = originalOf(error)
  return error instanceof ConnectionError || ('code' in original && brokenOff.includes(String(original.code)))
}

/**
 * Does something until it is committed. What was turned down is done again after a wait that grows, longer or shorter by chance, so that two
 * do not meet again; who waited for a connection has waited long enough. A connection that broke before the commit left nothing; where it breaks in the commit nobody knows, and it is said.
 * @throws Fault `busy` when it was turned down to the last, `in-use` where an id is taken; else whatever was thrown
 */
export async function repeated<Result>(attempt: () => Promise<{ commit: () => Promise<void>; result: Result }>): Promise<Result> {
  const lastMs = performance.now() + patienceMs
  let collisions = 0
  for (let tries = 1; ; tries++) {
    let isCommitting = false
    try {
      const { commit, result } = await attempt()
      isCommitting = true
      await commit()
      return result
    } catch (error) {
      if (error instanceof UniqueConstraintError && ++collisions >= mostTriesAtOneId)
        throw new Fault('in-use', { sentence: says('fault.call.id-taken') })
      const mayRepeat =
        error instanceof UniqueConstraintError ||
        isTurnedDown(error) ||
        (isAway(error) && !isCommitting && !(error instanceof ConnectionAcquireTimeoutError))
      if (!mayRepeat) throw error
      if (isTurnedDown(error) && performance.now() > lastMs) throw new Fault('busy')
      if (!isTurnedDown(error) && tries === mostTriesAway) throw error
      await pause(Math.min(longestWaitMs, firstWaitMs * 2 ** tries) * (0.5 + Math.random()))
    }
  }
}
