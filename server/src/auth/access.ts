// Every way in that is somebody's own ends: where a password is set anew, nobody knows who knew the old one.
import type { Actor } from '../audit/doings.ts'
import { endCalendarsOf } from '../calendars/doings.ts'
import type { Doing } from '../db/database.ts'
import { endTokensOf } from '../tokens/doings.ts'

/** Tokens and secret calendars; sessions are ended by whoever knows which one stays. */
export async function endAccess(db: Doing, userId: number, actor: Actor): Promise<void> {
  await endTokensOf(db, userId, actor)
  await endCalendarsOf(db, userId, actor)
}
