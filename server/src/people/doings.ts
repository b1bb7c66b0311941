// People are added, changed, and let in no more; what they did stays on record. A firm always has an owner who gets in.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import type { PersonCode, PersonForm, PersonRecord } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { difference, note, type Actor } from '../audit/doings.ts'
import { endAccess } from '../auth/access.ts'
import { endSessions } from '../auth/doings.ts'
import { hashOfCode, newCode } from '../auth/secondFactor.ts'
import type { Doing } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { Firm, User } from '../db/models.ts'
import { personRecord } from './queries.ts'

/** So long a code may be used, hours. */
const codeHours = 72

/** A person of the firm, held with all of it, so that two owners cannot take each other out at once. @throws Fault `not-there` */
async function held({ transaction }: Doing, id: number, firmId: number): Promise<User> {
  await Firm.findByPk(firmId, { transaction, lock: transaction.LOCK.UPDATE })
  const user = await User.findOne({ where: { id, firmId }, transaction, lock: transaction.LOCK.UPDATE })
  if (!user) throw notThere('person', String(id))
  return user
}

/** @throws Fault `in-use` where nobody else of the firm is an owner who gets in */
async function needAnotherOwner({ transaction }: Doing, { id, firmId }: User): Promise<void> {
  const others = await User.count({
    where: { firmId, id: { [Op.ne]: id }, role: 'owner', endedAt: null, passwordHash: { [Op.ne]: '' } },
    transaction,
  })
  if (others === 0) throw new Fault('in-use', { sentence: says('fault.people.only-owner') })
}

/** Takes the password away and gives a code to set a new one. */
export async function giveCode({ transaction }: Doing, user: User): Promise<PersonCode> {
  const code = newCode(4)
  const until = new Date(Date.now() + codeHours * 3_600_000)
  await user.update({ passwordHash: '', secondFactor: null, codeHash: hashOfCode(code), codeUntil: until }, { transaction })
  return { person: personRecord(user), code, until: until.toISOString() }
}

/** @throws Fault `in-use` where somebody signs in by this name already */
export async function addPerson(
  db: Doing,
  { signIn, name, role, trained, liftKg, pacePercent }: PersonForm & { signIn: string },
  actor: Actor,
): Promise<PersonCode> {
  const { transaction } = db
  if (await User.findOne({ where: { signIn }, transaction }))
    throw new Fault('in-use', {
      sentence: says('fault.people.sign-in-taken', { signIn }),
      lines: [{ where: 'signIn', what: says('fault.people.name-taken'), allowed: says('fault.people.name-taken-allowed') }],
    })
  const values = {
    firmId: actor.user.firmId,
    signIn,
    name,
    role,
    trained,
    liftKg: liftKg ?? null,
    pacePercent: pacePercent ?? null,
    passwordHash: '',
  }
  const user = await User.create(values, { transaction })
  await note(db, actor, {
    what: 'person-added',
    about: signIn,
    after: { name, role, trained, ...(liftKg === undefined ? {} : { liftKg }), ...(pacePercent === undefined ? {} : { pacePercent }) },
  })
  return giveCode(db, await user.reload({ transaction }))
}

/** Sessions end where the role changes, or they get in no more. @throws Fault `in-use` for the last owner */
export async function savePerson(
  db: Doing,
  id: number,
  { name, role, trained, liftKg, pacePercent, active }: PersonForm & { active: boolean },
  actor: Actor,
): Promise<PersonRecord> {
  const user = await held(db, id, actor.user.firmId)
  const said = (person: User) => {
    const record = personRecord(person)
    return {
      name: record.name,
      role: record.role,
      trained: record.trained,
      liftKg: record.liftKg,
      pacePercent: record.pacePercent,
      active: record.active,
    }
  }
  const before = said(user)
  const wasIn = user.endedAt === null
  if (wasIn && user.role === 'owner' && (role !== 'owner' || !active)) await needAnotherOwner(db, user)
  if (role !== user.role || (wasIn && !active)) await endSessions(db, id)
  const endedAt = active ? null : (user.endedAt ?? new Date())
  await user.update({ name, role, trained, liftKg: liftKg ?? null, pacePercent: pacePercent ?? null, endedAt }, { transaction: db.transaction })
  await note(db, actor, { what: 'person-changed', about: user.signIn, ...difference(before, said(user)) })
  return personRecord(user)
}

/** A new way in: password and second factor are gone, sessions end. @throws Fault `in-use` for oneself, for somebody who gets in no more, for the last owner */
export async function resetPerson(db: Doing, id: number, actor: Actor): Promise<PersonCode> {
  const user = await held(db, id, actor.user.firmId)
  if (id === actor.user.id) throw new Fault('in-use', { sentence: says('fault.people.own-password') })
  if (user.endedAt) throw new Fault('in-use', { sentence: says('fault.people.ended') })
  // Two who reset each other at once would leave nobody who gets in.
  if (user.role === 'owner') await needAnotherOwner(db, user)
  await endSessions(db, id)
  await endAccess(db, id, actor)
  await note(db, actor, { what: 'person-reset', about: user.signIn })
  return giveCode(db, user)
}

export async function saveSecurity(db: Doing, firm: Firm, security: { ownersNeedSecondFactor: boolean }, actor: Actor) {
  await Firm.update(security, { where: { id: firm.id }, transaction: db.transaction })
  const { ownersNeedSecondFactor } = firm
  await note(db, actor, { what: 'security-changed', ...difference({ ownersNeedSecondFactor }, security) })
  return security
}
