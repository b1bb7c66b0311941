// Tokens by which other programs get in: made by owners, shown once, kept as their hash, ended at once.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'
import { longestToken, type TokenRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { note, type Actor } from '../audit/doings.ts'
import { hashOf, newToken } from '../auth/sessions.ts'
import type { Doing } from '../db/database.ts'
import { findOwn, holdOwn } from '../db/find.ts'
import { Token, type Firm } from '../db/models.ts'
import { dayMs, dayOf } from '../days.ts'
import { tokenRecord } from './queries.ts'

/** By which one knows what it is, where it is found. */
const prefix = 'yastik_'

/** @throws Fault `does-not-hold-up` for an end that is past or further off than tokens hold */
export async function makeToken(
  db: Doing,
  form: Pick<TokenRecord, 'name' | 'scope' | 'areas' | 'endsOn'>,
  actor: Actor,
  firm: Firm,
): Promise<{ record: TokenRecord; token: string }> {
  const [today, last] = [dayOf(Date.now(), firm), dayOf(Date.now() + longestToken * dayMs, firm)]
  if (form.endsOn < today || form.endsOn > last)
    throw doesNotHoldUp(
      'endsOn',
      says('fault.tokens.no-end', { day: { day: form.endsOn } }),
      says('fault.days', { from: { day: today }, to: { day: last } }),
    )
  const token = prefix + newToken()
  const { firmId, id: userId } = actor.user
  const { id } = await Token.create(
    { id: newId(), firmId, userId, ...form, areas: form.areas.join(','), tokenHash: hashOf(token), madeAt: new Date() },
    { transaction: db.transaction },
  )
  await note(db, actor, { what: 'token-made', about: form.name, after: { scope: form.scope, areas: form.areas, endsOn: form.endsOn } })
  return { record: tokenRecord(await findOwn(db, Token, 'token', id, firmId, ['user'])), token }
}

/** @throws Fault `not-there` */
export async function endToken(db: Doing, id: string, actor: Actor): Promise<void> {
  const token = await holdOwn(db, Token, 'token', id, actor.user.firmId)
  await token.destroy({ transaction: db.transaction })
  await note(db, actor, { what: 'token-ended', about: token.name })
}

/** All of somebody whose password was set anew: what they made lets nobody in any more. */
export async function endTokensOf(db: Doing, userId: number, actor: Actor): Promise<void> {
  const { transaction } = db
  for (const token of await Token.findAll({ where: { userId }, transaction })) {
    await token.destroy({ transaction })
    await note(db, actor, { what: 'token-ended', about: token.name })
  }
}
