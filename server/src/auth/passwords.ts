// How are passwords kept? Hashed with scrypt, each with its own salt.
import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'

/** Cost as recommended for interactive sign-in: 32 MiB a hash. */
const cost = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const satisfies ScryptOptions
const keyLength = 32

const derive = (password: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) => scrypt(password.normalize('NFKC'), salt, keyLength, cost, (error, key) => (error ? reject(error) : resolve(key))))

/** `scrypt$N$r$p$salt$key`, salt and key in base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64'), (await derive(password, salt)).toString('base64')].join('$')
}

export async function verifyPassword(password: string, stored: string): Promise<boolean> {
  const [, , , , salt, key] = stored.split('$')
  if (!salt || !key) return false
  const wanted = Buffer.from(key, 'base64')
  const found = await derive(password, Buffer.from(salt, 'base64'))
  return wanted.length === found.length && timingSafeEqual(wanted, found)
}
