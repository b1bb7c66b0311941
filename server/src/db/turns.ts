// Who may do now what one process alone does at a time? A row that the whole cluster knows says it: a lock of one server would hold on that one alone.
import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import type { Sequelize } from 'sequelize'
import { isAway, isTurnedDown } from './retry.ts'

/** So long a turn holds without being renewed: whoever died in theirs holds up the others no longer. */
const heldS = 30
const renewEveryMs = 5000
const askEveryMs = 250
/** Longer nobody waits for a turn. */
const patienceMs = 10 * 60_000

const table = 'turns'

/** The table of turns, by the account that may make tables: before any migration runs, and so by none of them. */
export const makeTurns = (sequelize: Sequelize): Promise<boolean> =>
  until(performance.now() + patienceMs, async () => {
    await sequelize.query(
      `CREATE TABLE IF NOT EXISTS ${table} (what VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY,
         holder CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL, until DATETIME(3) NULL) ENGINE = InnoDB`,
    )
    return true
  })

/**
 * Takes the turn where it is free. One statement by itself: of two nodes that do so at once, the one that commits second is turned down.
 * @returns whether it is ours now
 */
async function take(sequelize: Sequelize, what: string, holder: string): Promise<boolean> {
  const replacements = { what, holder, heldS }
  await sequelize.query(`INSERT IGNORE INTO ${table} (what) VALUES (:what)`, { replacements })
  await sequelize.query(
    `UPDATE ${table} SET holder = :holder, until = UTC_TIMESTAMP(3) + INTERVAL :heldS SECOND
     WHERE what = :what AND (holder IS NULL OR holder = :holder OR until < UTC_TIMESTAMP(3))`,
    { replacements },
  )
  const [rows] = await sequelize.query(`SELECT holder FROM ${table} WHERE what = :what`, { replacements })
  return (rows as { holder: string | null }[])[0]?.holder === holder
}

/** The same again where others were in the way, or a node was not ready, until it is done. */
async function until<Result>(lastMs: number, attempt: () => Promise<Result | undefined>): Promise<Result> {
  for (;;) {
    try {
      const result = await attempt()
      if (result !== undefined) return result
    } catch (error) {
      if (!isTurnedDown(error) && !isAway(error)) throw error
      if (performance.now() > lastMs) throw error
    }
    if (performance.now() > lastMs) throw new Error('another process holds its turn for too long')
    await pause(askEveryMs * (0.5 + Math.random()))
  }
}

/**
 * Does something while no other process that asks for the same turn does, on whichever node of a cluster.
 * @param what at most 40 characters
 * @throws Error where others hold the turn for ten minutes; whatever `work` throws
 */
export async function inTurn<Result>(sequelize: Sequelize, what: string, work: () => Promise<Result>): Promise<Result> {
  const holder = randomUUID()
  const lastMs = performance.now() + patienceMs
  await until(lastMs, async () => ((await take(sequelize, what, holder)) ? true : undefined))
  const renewing = setInterval(() => void take(sequelize, what, holder).catch(() => undefined), renewEveryMs)
  try {
    return await work()
  } finally {
    clearInterval(renewing)
    const free = `UPDATE ${table} SET holder = NULL, until = NULL WHERE what = :what AND holder = :holder`
    await until(lastMs, async () => {
      await sequelize.query(free, { replacements: { what, holder } })
      return true
    })
  }
}
