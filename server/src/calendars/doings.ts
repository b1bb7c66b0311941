// Secret addresses of calendars: made for oneself, or by owners for whomever; kept as their hash, taken back at once.
import { stored } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import { addressOf, endpoints, type CalendarForm, type CalendarRecord } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import { note, type Actor } from '../audit/doings.ts'
import { hashOf, newToken } from '../auth/sessions.ts'
import type { Doing } from '../db/database.ts'
import { findOwn, notThere } from '../db/find.ts'
import { Calendar, User } from '../db/models.ts'
import { calendarRecord, seenBy } from './queries.ts'

/** What is said of it on record. */
const about = (person: { readonly name: string } | null | undefined) => person?.name ?? stored.wholeFirm

/**
 * @throws Fault `not-allowed` where somebody who is no owner asks for others' visits, or for names of customers; `does-not-hold-up` for a
 * person who is not of the firm
 */
export async function makeCalendar(
  db: Doing,
  form: CalendarForm,
  { id: userId, role, firmId }: User,
  actor: Actor,
): Promise<{ record: CalendarRecord; path: string }> {
  const { transaction } = db
  if (role !== 'owner' && (form.personId !== userId || form.showsContact))
    throw new Fault('not-allowed', { sentence: says('fault.calendars.own-only') })
  const person = form.personId === null ? null : await User.findOne({ where: { id: form.personId, firmId, endedAt: null }, transaction })
  if (form.personId !== null && !person) throw doesNotHoldUp('personId', says('fault.calendars.nobody'), says('fault.calendars.nobody-allowed'))
  const secret = newToken()
  const { id } = await Calendar.create({ id: newId(), firmId, userId, ...form, secretHash: hashOf(secret), madeAt: new Date() }, { transaction })
  await note(db, actor, { what: 'calendar-made', about: about(person), after: { showsContact: form.showsContact } })
  const record = calendarRecord(await findOwn(db, Calendar, 'calendar', id, firmId, ['user', 'person']))
  return { record, path: addressOf(endpoints.fetchCalendar, { params: { secret } }) }
}

/** @throws Fault `not-there` */
export async function endCalendar(db: Doing, id: string, user: User, actor: Actor): Promise<void> {
  const { transaction } = db
  const calendar = await Calendar.findOne({ where: { ...seenBy(user), id }, include: ['person'], transaction })
  if (!calendar) throw notThere('calendar', id)
  await calendar.destroy({ transaction })
  await note(db, actor, { what: 'calendar-ended', about: about(calendar.person) })
}

/** All of somebody whose password was set anew: those that they made, and those of their own visits. */
export async function endCalendarsOf(db: Doing, userId: number, actor: Actor): Promise<void> {
  const { transaction } = db
  for (const calendar of await Calendar.findAll({ where: { [Op.or]: [{ userId }, { personId: userId }] }, include: ['person'], transaction })) {
    await calendar.destroy({ transaction })
    await note(db, actor, { what: 'calendar-ended', about: about(calendar.person) })
  }
}
