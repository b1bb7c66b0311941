// How are passwords kept? Hashed with scrypt, each with its own salt, and with the cost at which it was hashed.
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

export interface Cost {
  readonly N: number
  readonly r: number
  readonly p: number
}
/** Least cost that OWASP’s Password Storage Cheat Sheet takes for scrypt, in its form with the least memory: 32 MiB a hash. */
export const usualCost: Cost = { N: 2 ** 15, r: 8, p: 3 }
let costNow = usualCost
/** Sets what passwords are hashed at from now on: tests hash hundreds of them, and nobody guesses theirs. */
export const hashAt = (cost: Cost): void => void (costNow = cost)
/** No stored cost asks for more memory than this: what is stored may have been tampered with. */
const mostMemory = 256 * 1024 * 1024
const keyLength = 32
const saltLength = 16

const derive = (password: string, salt: Buffer, { N, r, p }: Cost): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(password.normalize('NFKC'), salt, keyLength, { N, r, p, maxmem: mostMemory }, (error, key) => (error ? reject(error) : resolve(key))),
  )

interface Stored {
  readonly cost: Cost
  readonly salt: Buffer
  readonly key: Buffer
}

/** `scrypt$N$r$p$salt$key`, salt and key in base64; undefined where it is no such thing. */
function storedOf(text: string): Stored | undefined {
  const [kind, N, r, p, salt, key, ...more] = text.split('$')
  const cost = { N: Number(N), r: Number(r), p: Number(p) }
  const isCost = Object.values(cost).every((value) => Number.isSafeInteger(value) && value > 0) && 128 * cost.N * cost.r < mostMemory
  if (kind !== 'scrypt' || !isCost || !salt || !key || more.length > 0) return undefined
  return { cost, salt: Buffer.from(salt, 'base64'), key: Buffer.from(key, 'base64') }
}

/** As {@link storedOf} reads it. */
export async function hashPassword(password: string, cost = costNow): Promise<string> {
  const salt = randomBytes(saltLength)
  const key = await derive(password, salt, cost)
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64'), key.toString('base64')].join('$')
}

/** Whether a password is the one that was hashed, at the cost at which it was. */
export async function verifyPassword(password: string, stored: string): Promise<boolean> {
  const own = storedOf(stored)
  if (!own) return false
  const found = await derive(password, own.salt, own.cost)
  return own.key.length === found.length && timingSafeEqual(own.key, found)
}

/** Whether a password was hashed at another cost than is usual today: it is hashed anew when it is next known. */
export function isOutdated(stored: string): boolean {
  const cost = storedOf(stored)?.cost
  return !cost || cost.N !== costNow.N || cost.r !== costNow.r || cost.p !== costNow.p
}
