// How often may somebody try to sign in? Counted in the database, so that all app processes count together, per account and address, and per
// address: whoever guesses waits ever longer, and nobody else at the same address waits with them.
import { says } from '@yastik/core/words'
import { createHash } from 'node:crypto'
import { Fault } from '@yastik/core/faults'
import { v7 as newId } from 'uuid'
import type { Db } from '../db/database.ts'
import { forgetBucket, forgetTries, giveTryBack, turnOf, type Limit } from './queries.ts'

/** Wrong tries that cost nothing; after each further one the wait doubles from a second, up to the most. Forgotten after a while without a try. */
const ofAccount: Limit = { free: 10, mostS: 60 }
/** Many people sign in behind one router; who goes through accounts from there is slowed down, and the others hardly. */
const ofAddress: Limit = { free: 100, mostS: 5 }
const forgottenAfterMs = 15 * 60_000

/** Neither names nor addresses of people are kept, only what tells them apart. */
const bucketOf = (...parts: string[]): string => createHash('sha256').update(parts.join('\n')).digest('hex')
const buckets = (signIn: string, address: string) => ({
  account: bucketOf('account', signIn.trim().toLowerCase(), address),
  address: bucketOf('address', address),
})

/**
 * Takes a try before the password is looked at: of any number at once, only one gets through while a wait runs.
 * @throws Fault `too-often`, with how long to wait
 */
export async function takeTry(db: Db, signIn: string, address: string): Promise<void> {
  const now = Date.now()
  await forgetTries(db, now - forgottenAfterMs)
  const own = buckets(signIn, address)
  for (const [bucket, limit] of [
    [own.account, ofAccount],
    [own.address, ofAddress],
  ] as const) {
    const taker = newId()
    const turn = await turnOf(db, bucket, limit, taker, now)
    if (turn.taker !== taker) {
      const waitS = Math.max(1, Math.ceil((turn.freeAtMs - now) / 1000))
      throw new Fault('too-often', { sentence: says('fault.call.wait', { seconds: waitS }) })
    }
  }
}

/**
 * Who knew the password was no guesser: nothing of it stays with the account, and the try is given back to the address. A wait that runs there
 * goes on: a guesser may have an account of their own.
 */
export async function giveBack(db: Db, signIn: string, address: string): Promise<void> {
  const { account, address: there } = buckets(signIn, address)
  await forgetBucket(db, account)
  await giveTryBack(db, there)
}
