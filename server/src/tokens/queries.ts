// Which programs get in, and whose word is behind a token?
import { tokenAreas, type TokenArea, type TokenRecord } from '@yastik/core/wire'
import { hashOf, notedEveryMs } from '../auth/sessions.ts'
import type { Db } from '../db/database.ts'
import { Firm, Token, type User } from '../db/models.ts'
import { dayOf } from '../days.ts'

/** As they are kept: with commas between. */
const areasOf = (text: string): TokenArea[] => tokenAreas.filter((area) => text.split(',').includes(area))

export const tokenRecord = ({ id, name, scope, areas, endsOn, madeAt, usedAt, user }: Token): TokenRecord => ({
  id,
  name,
  scope,
  areas: areasOf(areas),
  endsOn,
  madeBy: user?.name ?? '',
  madeAt: madeAt.toISOString(),
  usedAt: usedAt?.toISOString() ?? null,
})

export const tokensOf = async ({ transaction }: Db, firmId: number): Promise<TokenRecord[]> =>
  (await Token.findAll({ where: { firmId }, include: ['user'], order: [['name', 'ASC']], transaction })).map(tokenRecord)

/** A program that is in: with the word of whoever made its token. */
export interface Program {
  readonly user: User
  readonly firm: Firm
  readonly scope: TokenRecord['scope']
  readonly areas: readonly TokenArea[]
  readonly tokenId: string
  readonly name: string
}

/** Nobody where the token has ended, or its maker gets in no more. */
export async function whoComes(token: string): Promise<Program | undefined> {
  const now = Date.now()
  const own = await Token.findOne({ where: { tokenHash: hashOf(token) }, include: ['user'] })
  const user = own?.user
  const firm = user && !user.endedAt && (await Firm.findByPk(user.firmId))
  if (!firm || own.endsOn < dayOf(now, firm)) return undefined
  if (now - (own.usedAt?.getTime() ?? 0) > notedEveryMs) await Token.update({ usedAt: new Date(now) }, { where: { id: own.id } })
  return { user, firm, scope: own.scope, areas: areasOf(own.areas), tokenId: own.id, name: own.name }
}
export const holds = async (tokenId: string): Promise<boolean> => (await Token.count({ where: { id: tokenId } })) > 0
