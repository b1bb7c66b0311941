// Which calendars are there to be fetched, and what is behind a secret address?
import type { CalendarRecord } from '@yastik/core/wire'
import type { WhereOptions } from 'sequelize'
import { hashOf, notedEveryMs } from '../auth/sessions.ts'
import type { Db } from '../db/database.ts'
import { Calendar, Firm, type User } from '../db/models.ts'

export const calendarRecord = ({ id, personId, showsContact, madeAt, usedAt, user, person }: Calendar): CalendarRecord => ({
  id,
  personId,
  showsContact,
  person: person?.name ?? null,
  madeBy: user?.name ?? '',
  madeAt: madeAt.toISOString(),
  usedAt: usedAt?.toISOString() ?? null,
})

/** Whose calendars somebody sees, and may take back: owners all of the firm, others those of their own visits. */
export const seenBy = ({ id, role, firmId }: User): WhereOptions<Calendar> => (role === 'owner' ? { firmId } : { firmId, personId: id })

export const calendarsOf = async ({ transaction }: Db, user: User): Promise<CalendarRecord[]> =>
  (await Calendar.findAll({ where: seenBy(user), include: ['user', 'person'], order: [['madeAt', 'ASC']], transaction })).map(calendarRecord)

/** Nothing where the address was taken back, or whoever made it, or whose visits it shows, gets in no more, or may not show that any more. */
export async function calendarAt(secret: string): Promise<{ calendar: Calendar; firm: Firm } | undefined> {
  const now = Date.now()
  const calendar = await Calendar.findOne({ where: { secretHash: hashOf(secret) }, include: ['user', 'person'] })
  const { user, person } = calendar ?? {}
  if (!calendar || !user || user.endedAt || person?.endedAt) return undefined
  const isOthers = calendar.personId !== user.id || calendar.showsContact
  const firm = isOthers && user.role !== 'owner' ? null : await Firm.findByPk(calendar.firmId)
  if (!firm) return undefined
  if (now - (calendar.usedAt?.getTime() ?? 0) > notedEveryMs) await Calendar.update({ usedAt: new Date(now) }, { where: { id: calendar.id } })
  return { calendar, firm }
}
