// Signing in and out.
import { Fault, type Measures } from '@yastik/core'
import { Op } from 'sequelize'
import type { Db, Doing } from '../db/database.ts'
import { Firm, Session, User } from '../db/models.ts'
import { hashPassword, isOutdated, verifyPassword } from './passwords.ts'
import { hashOf, newToken, sessionLimits } from './sessions.ts'
import { giveBack, takeTry } from './throttle.ts'

/** Somebody unknown costs as long as somebody known. */
let decoy: Promise<string> | undefined

export interface SignedIn {
  readonly user: User
  readonly firm: Firm
  readonly token: string
  /** How long the session lasts at most, s. */
  readonly maxAge: number
}

/** @throws Fault `wrong-sign-in`, `too-often` */
export async function signIn(db: Db, { signIn: name, password }: { signIn: string; password: string }, address: string): Promise<SignedIn> {
  // Tries count whatever comes of them: they are no part of a doing that may be taken back.
  await takeTry(db, name, address)
  const user = await User.findOne({ where: { signIn: name } })
  const fits = await verifyPassword(password, user?.passwordHash ?? (await (decoy ??= hashPassword('nobody has this password'))))
  const firm = user && (await Firm.findByPk(user.firmId))
  if (!user || !firm || !fits) throw new Fault('wrong-sign-in')
  await giveBack(db, name, address)
  const renewed = isOutdated(user.passwordHash) ? await hashPassword(password) : undefined
  return db.change(async (doing) => {
    if (renewed !== undefined) await User.update({ passwordHash: renewed }, { where: { id: user.id }, transaction: doing.transaction })
    return { user, firm, token: await openSession(doing, user), maxAge: sessionLimits[user.role].wholeMs / 1000 }
  })
}

/** Opens a session and returns its token; sessions that have run out are cleared on the way. */
export async function openSession({ transaction }: Doing, user: Pick<User, 'id' | 'role'>): Promise<string> {
  const token = newToken()
  const now = Date.now()
  await Session.destroy({ where: { expiresAt: { [Op.lt]: new Date(now) } }, transaction })
  const expiresAt = new Date(now + sessionLimits[user.role].wholeMs)
  await Session.create({ tokenHash: hashOf(token), userId: user.id, usedAt: new Date(now), expiresAt }, { transaction })
  return token
}

export const closeSession = async ({ transaction }: Doing, token: string): Promise<void> =>
  void (await Session.destroy({ where: { tokenHash: hashOf(token) }, transaction }))

export const setMeasures = async ({ transaction }: Doing, { id }: User, measures: Measures): Promise<void> =>
  void (await User.update({ measures }, { where: { id }, transaction }))
