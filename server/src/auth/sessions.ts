// How long does a session last, and how is it told apart? The browser holds a random token, the database only its hash.
import { createHash, randomBytes } from 'node:crypto'
import type { User } from '../db/models.ts'

const dayMs = 86_400_000
/** How long a session lasts without being used, and at most. Owners reach everything; technicians are off for a week, and then have no signal. */
export const sessionLimits: Readonly<Record<User['role'], { readonly idleMs: number; readonly wholeMs: number }>> = {
  owner: { idleMs: 3 * dayMs, wholeMs: 14 * dayMs },
  technician: { idleMs: 10 * dayMs, wholeMs: 30 * dayMs },
}
/** That a session is used is noted no more often than this. */
export const notedEveryMs = 5 * 60_000

/** Under TLS a browser takes a cookie of this name from this very host alone, for all of it, and only over TLS. */
export const cookieName = (secure: boolean): string => (secure ? '__Host-yastik_session' : 'yastik_session')

export const newToken = (): string => randomBytes(32).toString('base64url')
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')
