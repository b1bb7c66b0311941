// Signing in and out, and what a person does about their own password, second factor and sessions.
import { stored } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import type { Measures } from '@yastik/core/quantities'
import type { Language } from '@yastik/core/words'
import Bowser from 'bowser'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import { note, type Actor } from '../audit/doings.ts'
import type { Db, Doing } from '../db/database.ts'
import { Firm, Session, User } from '../db/models.ts'
import { endAccess } from './access.ts'
import { checkPassword } from './passwordRules.ts'
import { hashPassword, isOutdated, verifyPassword } from './passwords.ts'
import { hashOfCode, newRecoveryCodes, newSecret, takeCode, uriOf } from './secondFactor.ts'
import { hashOf, newToken, sessionLimits } from './sessions.ts'
import { keyOf, namesOfFirm, personBy } from './queries.ts'
import { giveBack, takeTry } from './throttle.ts'

/** Somebody unknown costs as long as somebody known. */
let decoy: Promise<string> | undefined

/** Where somebody asks from: their address, and what their browser says of itself. */
export interface From {
  readonly address: string
  readonly agent: string
}
/** Program and system, as a person speaks of them. */
function deviceOf({ agent }: From): string {
  const { browser, os } = Bowser.parse(agent || 'unknown')
  return [browser.name || stored.someProgram, ...(os.name ? [os.name] : [])].join(', ').slice(0, 200)
}

export interface SignedIn {
  readonly user: User
  readonly firm: Firm
  readonly token: string
  /** How long the session lasts at most, s. */
  readonly maxAge: number
}

/** The person within a doing, so that two at once come one after the other. @throws Fault `not-signed-in` where they are gone */
async function held({ transaction }: Doing, id: number): Promise<User> {
  const user = await User.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })
  if (!user || user.endedAt) throw new Fault('not-signed-in')
  return user
}

/** What fails is put on record beside the doing, which leaves nothing. */
async function inOrNoted(db: Db, user: User, { address }: From, doing: (db: Doing) => Promise<SignedIn>): Promise<SignedIn> {
  try {
    return await db.change(doing)
  } catch (error) {
    if (error instanceof Fault && error.code === 'wrong-sign-in') await note(db, { user, address }, { what: 'sign-in-failed' })
    throw error
  }
}

async function inBy(db: Doing, user: User, from: From): Promise<SignedIn> {
  const firm = await Firm.findByPk(user.firmId, { transaction: db.transaction, rejectOnEmpty: true })
  await user.update({ lastSeenAt: new Date() }, { transaction: db.transaction })
  await note(db, { user, address: from.address }, { what: 'signed-in', about: deviceOf(from) })
  return { user, firm, token: await openSession(db, user, from), maxAge: sessionLimits[user.role].wholeMs / 1000 }
}

/** @throws Fault `wrong-sign-in`, `second-factor` where its code is asked for, `too-often` */
export async function signIn(
  db: Db,
  { signIn: name, password, code }: { signIn: string; password: string; code?: string },
  from: From,
): Promise<SignedIn> {
  // Tries count whatever comes of them: they are no part of a doing that may be taken back.
  const { known, key } = await personBy(db, name)
  await takeTry(db, key, from.address)
  const fits = await verifyPassword(password, known?.passwordHash || (await (decoy ??= hashPassword('nobody-has-this-password'))))
  if (!known || known.endedAt || !known.passwordHash || !fits) {
    // Of a name that nobody has nothing is kept.
    if (known) await note(db, { user: known, address: from.address }, { what: 'sign-in-failed' })
    throw new Fault('wrong-sign-in')
  }
  // Whoever knows the password is told that there is more. The try counts until they are in: between guesses at a code it would clear them all.
  if (known.secondFactor?.isSet && !code) throw new Fault('second-factor')
  const renewed = isOutdated(known.passwordHash) ? await hashPassword(password) : undefined
  const signedIn = await inOrNoted(db, known, from, async (doing) => {
    const user = await held(doing, known.id)
    // Changed in this very moment: the old one is no way in any more.
    if (user.passwordHash !== known.passwordHash) throw new Fault('wrong-sign-in')
    if (user.secondFactor?.isSet) {
      const secondFactor = takeCode(user.secondFactor, code ?? '', Date.now())
      if (!secondFactor) throw new Fault('wrong-sign-in', { sentence: says('fault.people.code-used') })
      await user.update({ secondFactor }, { transaction: doing.transaction })
    }
    if (renewed !== undefined) await user.update({ passwordHash: renewed }, { transaction: doing.transaction })
    return inBy(doing, user, from)
  })
  await giveBack(db, key, from.address)
  return signedIn
}

/** Sets a password by a code that an owner gave, once, and signs in. @throws Fault `wrong-sign-in`, `too-often`, `does-not-hold-up` */
export async function useCode(
  db: Db,
  { signIn: name, code, password }: { signIn: string; code: string; password: string },
  from: From,
): Promise<SignedIn> {
  const { known, key } = await personBy(db, name)
  await takeTry(db, key, from.address)
  const wrong = () => new Fault('wrong-sign-in', { sentence: says('fault.people.code-over') })
  const fits = ({ codeHash, codeUntil, endedAt }: User) =>
    codeHash === hashOfCode(code) && codeUntil !== null && codeUntil.getTime() > Date.now() && !endedAt
  if (!known || !fits(known)) throw wrong()
  checkPassword(password, await namesOfFirm(db, known.firmId))
  const passwordHash = await hashPassword(password)
  const signedIn = await db.change(async (doing) => {
    const user = await held(doing, known.id)
    if (!fits(user)) throw wrong()
    await user.update({ passwordHash, codeHash: null, codeUntil: null }, { transaction: doing.transaction })
    await note(doing, { user, address: from.address }, { what: 'password-set', about: stored.byCode })
    await endSessions(doing, user.id)
    await endAccess(doing, user.id, { user, address: from.address })
    return inBy(doing, user, from)
  })
  await giveBack(db, key, from.address)
  return signedIn
}

/** Opens a session and returns its token; sessions that have run out are cleared on the way. */
async function openSession({ transaction }: Doing, user: Pick<User, 'id' | 'role'>, from: From): Promise<string> {
  const token = newToken()
  const now = Date.now()
  await Session.destroy({ where: { expiresAt: { [Op.lt]: new Date(now) } }, transaction })
  await Session.create(
    {
      tokenHash: hashOf(token),
      id: newId(),
      userId: user.id,
      device: deviceOf(from),
      madeAt: new Date(now),
      usedAt: new Date(now),
      expiresAt: new Date(now + sessionLimits[user.role].wholeMs),
      confirmedAt: new Date(now),
    },
    { transaction },
  )
  return token
}

/** Ends sessions of a person, all or all but one; streams that were opened by them end with them. */
export const endSessions = async ({ transaction }: Doing, userId: number, butId = ''): Promise<void> =>
  void (await Session.destroy({ where: { userId, id: { [Op.ne]: butId } }, transaction }))

/** @throws Fault `not-there` where it is no session of this person */
export async function endSession({ transaction }: Doing, userId: number, id: string): Promise<void> {
  if ((await Session.destroy({ where: { userId, id }, transaction })) === 0)
    throw new Fault('not-there', { lines: [{ where: 'id', what: says('fault.people.session'), allowed: says('fault.people.session-allowed') }] })
}

export const setMeasures = async ({ transaction }: Doing, { id }: User, measures: Measures): Promise<void> =>
  void (await User.update({ measures }, { where: { id }, transaction }))

export const setLanguage = async ({ transaction }: Doing, { id }: User, language: Language): Promise<void> =>
  void (await User.update({ language }, { where: { id }, transaction }))

/** A try of somebody who is signed in, by what only they know: it counts until all of it is right. @throws Fault `too-often`; whatever `work` throws */
async function tried<Result>(db: Db, user: User, { address }: From, work: () => Promise<Result>): Promise<Result> {
  await takeTry(db, keyOf(user), address)
  const result = await work()
  await giveBack(db, keyOf(user), address)
  return result
}

/** @throws Fault `does-not-hold-up` where it is another; that is on record */
async function checkOwnPassword(db: Db, user: User, password: string, { address }: From): Promise<void> {
  if (await verifyPassword(password, user.passwordHash)) return
  await note(db, { user, address }, { what: 'password-wrong' })
  throw doesNotHoldUp('password', says('fault.people.password'), says('fault.people.password-allowed'))
}

/** Whoever took over a device that is signed in must not take over the person. @throws Fault `does-not-hold-up`, `too-often` */
const askPassword = (db: Db, user: User, password: string, from: From): Promise<void> =>
  tried(db, user, from, () => checkOwnPassword(db, user, password, from))

/** All other sessions end, and other ways in unless they are kept. @throws Fault `does-not-hold-up`, `too-often` */
export async function changePassword(
  db: Db,
  user: User,
  firm: Firm,
  { password, next, keepsAccess = false }: { password: string; next: string; keepsAccess?: boolean },
  sessionId: string,
  from: From,
): Promise<void> {
  await askPassword(db, user, password, from)
  checkPassword(next, await namesOfFirm(db, firm.id), 'next')
  const passwordHash = await hashPassword(next)
  await db.change(async (doing) => {
    await (await held(doing, user.id)).update({ passwordHash }, { transaction: doing.transaction })
    await endSessions(doing, user.id, sessionId)
    if (!keepsAccess) await endAccess(doing, user.id, { user, address: from.address })
    await note(doing, { user, address: from.address }, { what: 'password-set', about: stored.own })
  })
}

/** A secret that counts once a code of it was entered. */
export async function beginSecondFactor(db: Db, user: User, password: string, from: From): Promise<{ secret: string; uri: string }> {
  await askPassword(db, user, password, from)
  const secret = newSecret()
  await db.change(async (doing) => {
    const own = await held(doing, user.id)
    if (own.secondFactor?.isSet) throw new Fault('in-use', { sentence: says('fault.people.factor-set') })
    await own.update({ secondFactor: { secret, isSet: false, lastStep: 0, recovery: [] } }, { transaction: doing.transaction })
  })
  return { secret, uri: uriOf(secret, user.signIn) }
}

/** @returns the person as they are now, and codes for the loss of the device, shown this once @throws Fault `does-not-hold-up` */
export async function confirmSecondFactor(db: Doing, actor: Actor, code: string): Promise<{ user: User; recoveryCodes: string[] }> {
  const user = await held(db, actor.user.id)
  const begun = user.secondFactor
  if (!begun || begun.isSet) throw new Fault('in-use', { sentence: says('fault.people.begin-anew') })
  const taken = takeCode(begun, code, Date.now())
  if (!taken) throw doesNotHoldUp('code', says('fault.people.code'), says('fault.people.code-allowed'))
  const recoveryCodes = newRecoveryCodes()
  const secondFactor = { ...taken, isSet: true, recovery: recoveryCodes.map(hashOfCode) }
  await note(db, actor, { what: 'second-factor-set' })
  return { user: await user.update({ secondFactor }, { transaction: db.transaction }), recoveryCodes }
}

/** Gives the password again, for a while. @throws Fault `does-not-hold-up`, `too-often` */
export async function confirmPassword(db: Db, user: User, password: string, sessionId: string, from: From): Promise<void> {
  await askPassword(db, user, password, from)
  await Session.update({ confirmedAt: new Date() }, { where: { id: sessionId, userId: user.id } })
}

/**
 * Takes the second factor off: who knows the password alone, or found a device that is signed in, does not.
 * @throws Fault `does-not-hold-up` where password or code is another, `too-often`
 */
export const dropSecondFactor = (db: Db, user: User, { password, code }: { password: string; code: string }, from: From): Promise<User> =>
  tried(db, user, from, async () => {
    await checkOwnPassword(db, user, password, from)
    return db.change(async (doing) => {
      const own = await held(doing, user.id)
      if (own.secondFactor?.isSet && !takeCode(own.secondFactor, code, Date.now()))
        throw doesNotHoldUp('code', says('fault.people.code'), says('fault.people.code-allowed'))
      await note(doing, { user, address: from.address }, { what: 'second-factor-dropped' })
      return own.update({ secondFactor: null }, { transaction: doing.transaction })
    })
  })
