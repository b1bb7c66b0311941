// Messages to customers: as a list, the last of each site, and the facts that a reminder is drafted from.
import { gradeSchema } from '@yastik/core/quantities'
import type { ReminderUnit } from '@yastik/core/upkeep'
import { plainAddress, type HoldReason, type MessagePage, type MessageRecord } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { groupBy } from '../db/groupBy.ts'
import { DueDay, JobUnit, Stop, Unit, type Firm, type Message, type Site } from '../db/models.ts'
import { momentMark, pageLimit, pageOf, readMomentMark } from '../db/paging.ts'
import { dayOf } from '../days.ts'
import { isHeld, isLate } from './hold.ts'

/** What a customer is written about; filters they look after themselves. */
const writtenAbout = ['deep-clean', 'light-clean', 'pan-treatment'] as const

export type LastReminder = Pick<Message, 'siteId' | 'state' | 'madeAt' | 'changedAt'>
/** The last reminder of each site that had one, by site. */
export async function lastReminders(db: Db, siteIds: readonly string[]): Promise<Map<string, LastReminder>> {
  if (siteIds.length === 0) return new Map()
  const rows = await db.read<LastReminder>(
    // The newest of each site is found at the end of its own stretch of the index.
    `SELECT STRAIGHT_JOIN m.site_id AS siteId, m.state, m.made_at AS madeAt, m.changed_at AS changedAt
     FROM sites s JOIN messages m ON m.id = (SELECT x.id FROM messages x WHERE x.site_id = s.id AND x.kind = 'reminder' ORDER BY x.made_at DESC LIMIT 1)
     WHERE s.id IN (:siteIds)`,
    { siteIds },
  )
  return new Map(rows.map((row) => [row.siteId, row]))
}

export const stopOf = ({ transaction }: Db, firmId: number, to: string): Promise<Stop | null> =>
  Stop.findOne({ where: { firmId, address: plainAddress(to) }, transaction })

/** Why a site's customer is not written to now. */
export async function holdOf(db: Db, site: Site, nowMs: number): Promise<HoldReason | null> {
  const { reminders } = site.form
  const held = isHeld(reminders, reminders && ((await stopOf(db, site.firmId, reminders.to)) ?? undefined))
  if (held) return held
  const last = (await lastReminders(db, [site.id])).get(site.id)
  return last && isLate(last, nowMs) ? 'lately' : null
}

/** Units of a site at which something is due by a day that a customer is written about: what, when, and how it was found the last time. */
export async function dueUnits({ transaction }: Db, siteId: string, firm: Firm, until: string): Promise<ReminderUnit[]> {
  const units = new Map((await Unit.findAll({ where: { siteId }, transaction })).map((unit) => [unit.id, unit]))
  const unitIds = { [Op.in]: [...units.keys()] }
  const dues = await DueDay.findAll({ where: { unitId: unitIds, what: { [Op.in]: [...writtenAbout] }, dueOn: { [Op.lte]: until } }, transaction })
  const visits = groupBy(
    await JobUnit.findAll({ where: { unitId: unitIds, handedOverAt: { [Op.ne]: null } }, order: [['handedOverAt', 'ASC']], transaction }),
    ({ unitId }) => unitId,
  )
  return dues.map(({ unitId, what, dueOn, lowOn, highOn }) => {
    const unit = units.get(unitId)
    const found = gradeSchema.safeParse(visits.get(unitId)?.at(-1)?.coilGrade).data
    return {
      name: unit?.name ?? '',
      what,
      dueOn,
      ...(lowOn && highOn ? { lowOn, highOn } : {}),
      ...(unit?.lastCleanedAt ? { lastCleanedOn: dayOf(unit.lastCleanedAt.getTime(), firm) } : {}),
      ...(found === undefined ? {} : { found }),
    }
  })
}

type MessageRow = Omit<MessageRecord, 'madeAt' | 'changedAt' | 'replies'> & { readonly madeAt: Date; readonly changedAt: Date }
const messageColumns = `m.id, m.site_id AS siteId, s.name AS siteName, m.kind, m.channel, m.address AS \`to\`, m.body, m.state, m.tries, m.because,
  m.made_at AS madeAt, m.changed_at AS changedAt, m.made_by AS \`by\``

/** How each row is written, with what was answered to it. */
async function recordsOf(db: Db, rows: readonly MessageRow[]): Promise<(row: MessageRow) => MessageRecord> {
  const replies =
    rows.length === 0
      ? []
      : await db.read<{ messageId: string; text: string; at: Date }>(
          'SELECT message_id AS messageId, text, at FROM replies WHERE message_id IN (:ids) ORDER BY at',
          { ids: rows.map(({ id }) => id) },
        )
  const repliesBy = groupBy(replies, ({ messageId }) => messageId)
  // Written out: copying what is left of a row costs more than reading it.
  return (row) => ({
    id: row.id,
    siteId: row.siteId,
    siteName: row.siteName,
    kind: row.kind,
    channel: row.channel,
    to: row.to,
    body: row.body,
    state: row.state,
    tries: row.tries,
    because: row.because,
    madeAt: row.madeAt.toISOString(),
    changedAt: row.changedAt.toISOString(),
    by: row.by,
    replies: (repliesBy.get(row.id) ?? []).map(({ text, at }) => ({ text, at: at.toISOString() })),
  })
}

export async function messagePage(db: Db, firmId: number, after: string | undefined): Promise<MessagePage> {
  const mark = readMomentMark(after)
  const rows = await db.read<MessageRow>(
    `SELECT STRAIGHT_JOIN ${messageColumns} FROM messages m JOIN sites s ON s.id = m.site_id
     WHERE m.firm_id = :firmId AND ${mark ? '(m.made_at, m.id) < (:at, :id)' : 'TRUE'} ORDER BY m.made_at DESC, m.id DESC LIMIT ${pageLimit}`,
    { firmId, ...mark },
  )
  return pageOf(rows, ({ madeAt, id }) => momentMark(madeAt, id), await recordsOf(db, rows))
}

/** @throws Fault `not-there` */
export async function messageRecord(db: Db, id: string, firmId: number): Promise<MessageRecord> {
  const rows = await db.read<MessageRow>(
    `SELECT ${messageColumns} FROM messages m JOIN sites s ON s.id = m.site_id WHERE m.id = :id AND m.firm_id = :firmId`,
    { id, firmId },
  )
  if (rows.length === 0) throw notThere('message', id)
  return (await recordsOf(db, rows))(rows[0])
}

/** All that the customer of a site was written, and what they answered, newest first. */
export async function messagesOfSite(db: Db, siteId: string): Promise<MessageRecord[]> {
  const rows = await db.read<MessageRow>(
    `SELECT ${messageColumns} FROM messages m JOIN sites s ON s.id = m.site_id WHERE m.site_id = :siteId ORDER BY m.made_at DESC, m.id DESC`,
    { siteId },
  )
  return rows.map(await recordsOf(db, rows))
}
