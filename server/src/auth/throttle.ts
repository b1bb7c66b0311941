// How often may somebody try to sign in? Counted in the database, so that all app processes count together, per account and address, and per
// address: whoever guesses waits ever longer, and nobody else at the same address waits with them.
import { createHash } from 'node:crypto'
import { Fault } from '@yastik/core'
import { QueryTypes, type Sequelize } from 'sequelize'
import { v7 as newId } from 'uuid'

/** Wrong tries that cost nothing; after each further one the wait doubles from a second, up to the most. Forgotten after a while without a try. */
interface Limit {
  readonly free: number
  readonly mostS: number
}
const ofAccount: Limit = { free: 10, mostS: 60 }
/** Many people sign in behind one router; who goes through accounts from there is slowed down, and the others hardly. */
const ofAddress: Limit = { free: 100, mostS: 5 }
const forgottenAfterMs = 15 * 60_000

/** Neither names nor addresses of people are kept, only what tells them apart. */
const bucketOf = (...parts: string[]): string => createHash('sha256').update(parts.join('\n')).digest('hex')
const buckets = (signIn: string, address: string) => [
  { bucket: bucketOf('account', signIn.trim().toLowerCase(), address), ...ofAccount },
  { bucket: bucketOf('address', address), ...ofAddress },
]

/**
 * Takes a try before the password is looked at: of any number at once, only one gets through while a wait runs.
 * @throws Fault `too-often`, with how long to wait
 */
export async function takeTry(sequelize: Sequelize, signIn: string, address: string): Promise<void> {
  const now = Date.now()
  await sequelize.query('DELETE FROM sign_in_tries WHERE tried_at_ms < :long', { replacements: { long: now - forgottenAfterMs } })
  for (const { bucket, free, mostS } of buckets(signIn, address)) {
    const taker = newId()
    // While tries are free nobody waits, whichever clock is ahead. One statement says whose turn it is: between two of them somebody else
    // could take theirs. Assignments go from left to right, each with what the ones before it left.
    const [row] = await sequelize.query<{ taker: string; freeAtMs: number | bigint }>(
      `INSERT INTO sign_in_tries (bucket, tries, tried_at_ms, free_at_ms, taker) VALUES (:bucket, 1, :now, 0, :taker)
       ON DUPLICATE KEY UPDATE taker = IF(free_at_ms <= :now, :taker, taker), tries = IF(taker = :taker, tries + 1, tries),
         tried_at_ms = :now, free_at_ms = IF(taker = :taker AND tries >= :free, :now + 1000 * LEAST(:mostS, POW(2, LEAST(20, tries - :free))), free_at_ms)
       RETURNING taker, free_at_ms AS freeAtMs`,
      { replacements: { bucket, now, taker, free, mostS }, type: QueryTypes.SELECT },
    )
    if (row.taker !== taker) {
      const waitS = Math.max(1, Math.ceil((Number(row.freeAtMs) - now) / 1000))
      throw new Fault('too-often', { sentence: `Too many tries. Wait ${waitS === 1 ? 'a second' : `${waitS} seconds`}.` })
    }
  }
}

/**
 * Who knew the password was no guesser: nothing of it stays with the account, and the try is given back to the address. A wait that runs there
 * goes on: a guesser may have an account of their own.
 */
export async function giveBack(sequelize: Sequelize, signIn: string, address: string): Promise<void> {
  const [account, there] = buckets(signIn, address)
  await sequelize.query('DELETE FROM sign_in_tries WHERE bucket = :bucket', { replacements: account })
  await sequelize.query('UPDATE sign_in_tries SET tries = GREATEST(0, tries - 1) WHERE bucket = :bucket', {
    replacements: { bucket: there.bucket },
  })
}
