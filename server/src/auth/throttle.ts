// How often may somebody try to sign in? Counted in the database, so that all app processes count together, per person and network, and per
// network: whoever guesses waits ever longer, and nobody else on the same network waits with them.
import { says } from '@yastik/core/words'
import { createHash } from 'node:crypto'
import ipaddr from 'ipaddr.js'
import { Fault } from '@yastik/core/faults'
import { v7 as newId } from 'uuid'
import type { Db } from '../db/database.ts'
import { forgetBucket, forgetTries, giveTryBack, turnOf, type Limit } from './queries.ts'

/** Wrong tries that cost nothing; after each further one the wait doubles from a second, up to the most. Forgotten after a while without a try. */
const ofPerson: Limit = { free: 10, mostS: 60 }
/** Many people sign in behind one router; who goes through accounts from there is slowed down, and the others hardly. */
const ofNetwork: Limit = { free: 100, mostS: 5 }
const forgottenAfterMs = 15 * 60_000

/** Neither names nor addresses of people are kept, only what tells them apart. */
const bucketOf = (...parts: string[]): string => createHash('sha256').update(parts.join('\n')).digest('hex')
const buckets = (person: string, address: string) => {
  const network = networkOf(address)
  return { person: bucketOf('person', person, network), network: bucketOf('network', network) }
}

/** Under IPv6 whoever has one address has 2^64 of them: the network of /64 counts (RFC 6177). An IPv4 address counts by itself, however it is written. */
export function networkOf(address: string): string {
  const plain = address.split('%')[0]
  if (!ipaddr.isValid(plain)) return address
  const own = ipaddr.process(plain)
  return own.kind() === 'ipv4' ? own.toString() : `${ipaddr.IPv6.networkAddressFromCIDR(`${own.toString()}/64`).toString()}/64`
}

/**
 * Takes a try before the password is looked at: of any number at once, only one gets through while a wait runs.
 * @param person whose tries are counted, as {@link personBy} says, or the person's own key
 * @throws Fault `too-often`, with how long to wait
 */
export async function takeTry(db: Db, person: string, address: string): Promise<void> {
  const now = Date.now()
  await forgetTries(db, now - forgottenAfterMs)
  const own = buckets(person, address)
  for (const [bucket, limit] of [
    [own.person, ofPerson],
    [own.network, ofNetwork],
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
 * Who knew the password was no guesser: nothing of it stays with the person, and the try is given back to the network. A wait that runs there
 * goes on: a guesser may have an account of their own.
 */
export async function giveBack(db: Db, person: string, address: string): Promise<void> {
  const own = buckets(person, address)
  await forgetBucket(db, own.person)
  await giveTryBack(db, own.network)
}
