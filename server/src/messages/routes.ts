// What customers are written: drafted, read and sent by the owner; what became of it, and what they answered.
import {
  bringForward,
  draftReminder,
  Fault,
  gradeSchema,
  longestMessage,
  messageFormSchema,
  readBy,
  stopLine,
  type HoldReason,
  type MessageDraft,
  type MessagePage,
  type MessageRecord,
  type MessageState,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import { owner } from '../auth/audience.ts'
import { groupBy } from '../db/groupBy.ts'
import { DueDay, JobUnit, Message, Site, Unit, type Firm, type User } from '../db/models.ts'
import { read } from '../db/read.ts'
import { findOwn } from '../sites/routes.ts'
import { seasonAt, type WeatherSource } from '../weather/source.ts'
import { isHeld, stopOf } from './outbox.ts'
import { dayMs, dayOf } from '../days.ts'
import { markOf, readMomentMark } from '../db/pageMark.ts'

const pageSize = 50
/** A customer is reminded of what falls due within this, and not more often than this. */
const aheadDays = 84
const gapDays = 14
/** What a customer is written about; filters they look after themselves. */
const writtenAbout = ['deep-clean', 'light-clean', 'pan-treatment'] as const
/** A reminder that never left, or that somebody took back, does not count. */
const counts: readonly MessageState[] = ['waiting', 'sent', 'delivered']
export const isLate = (last: Pick<Message, 'state' | 'madeAt'>, nowMs: number): boolean =>
  counts.includes(last.state) && last.madeAt.getTime() > nowMs - gapDays * dayMs

export type LastReminder = Pick<Message, 'siteId' | 'state' | 'madeAt' | 'changedAt'>
/** The last reminder of each site that had one, by site. */
export async function lastReminders(siteIds: readonly string[]): Promise<Map<string, LastReminder>> {
  if (siteIds.length === 0) return new Map()
  const rows = await read<LastReminder>(
    // The newest of each site is found at the end of its own stretch of the index.
    `SELECT STRAIGHT_JOIN m.site_id AS siteId, m.state, m.made_at AS madeAt, m.changed_at AS changedAt
     FROM sites s JOIN messages m ON m.id = (SELECT x.id FROM messages x WHERE x.site_id = s.id AND x.kind = 'reminder' ORDER BY x.made_at DESC LIMIT 1)
     WHERE s.id IN (:siteIds)`,
    { siteIds },
  )
  return new Map(rows.map((row) => [row.siteId, row]))
}

/** Why a site's customer is not written to now. */
export async function holdOf(site: Site, nowMs: number): Promise<HoldReason | null> {
  const { reminders } = site.form
  const held = isHeld(reminders, reminders && ((await stopOf(site.firmId, reminders.to)) ?? undefined))
  if (held) return held
  const last = (await lastReminders([site.id])).get(site.id)
  return last && isLate(last, nowMs) ? 'lately' : null
}
const holdSentences: Record<HoldReason, string> = {
  'no-consent': 'This customer did not agree to be written to. Once they do, note where and when on the site’s sheet.',
  stopped: 'This customer ended it. Only where they agree anew, on a later day, they are written to again.',
  lately: `This customer was reminded within the last ${gapDays} days.`,
}

/** @throws Fault `in-use` where the customer is not to be written to. */
export async function queue(
  site: Site,
  user: User,
  message: { kind: Message['kind']; body: string; quoteId?: string },
  isSetUp: boolean,
  nowMs: number,
): Promise<Message> {
  if (!isSetUp) throw new Fault('in-use', { sentence: 'No message gateway is set up for this instance: nothing can be sent.' })
  const hold = await holdOf(site, nowMs)
  const { reminders } = site.form
  if (hold && !(hold === 'lately' && message.kind === 'quote')) throw new Fault('in-use', { sentence: holdSentences[hold] })
  if (!reminders) throw new Fault('in-use', { sentence: holdSentences['no-consent'] })
  const at = new Date(nowMs)
  return Message.create({
    id: newId(),
    firmId: site.firmId,
    siteId: site.id,
    quoteId: message.quoteId ?? null,
    kind: message.kind,
    channel: reminders.channel,
    address: reminders.to,
    body: `${message.body}\n${stopLine}`,
    nextAt: at,
    madeAt: at,
    changedAt: at,
    madeBy: user.name,
  })
}

type MessageRow = Omit<MessageRecord, 'madeAt' | 'changedAt' | 'replies'> & { readonly madeAt: Date; readonly changedAt: Date }
const messageColumns = `m.id, m.site_id AS siteId, s.name AS siteName, m.kind, m.channel, m.address AS \`to\`, m.body, m.state, m.tries, m.because,
  m.made_at AS madeAt, m.changed_at AS changedAt, m.made_by AS \`by\``

export function messageRoutes(weather: WeatherSource | undefined, isSetUp: boolean) {
  async function draft(firm: Firm, site: Site, nowMs: number): Promise<MessageDraft> {
    const today = dayOf(nowMs)
    const units = await Unit.findAll({ where: { siteId: site.id } })
    const nameOf = new Map(units.map((unit) => [unit.id, unit]))
    const dues = await DueDay.findAll({
      where: { unitId: { [Op.in]: [...nameOf.keys()] }, what: { [Op.in]: [...writtenAbout] }, dueOn: { [Op.lte]: dayOf(nowMs + aheadDays * dayMs) } },
    })
    const visits = groupBy(
      await JobUnit.findAll({
        where: { unitId: { [Op.in]: [...nameOf.keys()] }, handedOverAt: { [Op.ne]: null } },
        order: [['handedOverAt', 'ASC']],
      }),
      ({ unitId }) => unitId,
    )
    const season = await seasonAt(weather, { id: site.id, altitudeM: site.form.site.altitudeM })
    const before = dues.flatMap(({ dueOn }) => bringForward(dueOn, today, season) ?? []).sort()[0]
    const body = draftReminder({
      firm: firm.name,
      site: site.name,
      today,
      units: dues.map(({ unitId, what, dueOn, lowOn, highOn }) => {
        const unit = nameOf.get(unitId)
        const found = gradeSchema.safeParse(visits.get(unitId)?.at(-1)?.coilGrade).data
        return {
          name: unit?.name ?? '',
          what,
          dueOn,
          ...(lowOn && highOn ? { lowOn, highOn } : {}),
          ...(unit?.lastCleanedAt ? { lastCleanedOn: dayOf(unit.lastCleanedAt.getTime()) } : {}),
          ...(found === undefined ? {} : { found }),
        }
      }),
      ...(before ? { before } : {}),
    })
    const { reminders } = site.form
    return {
      body: body.slice(0, longestMessage),
      stopLine,
      channel: reminders?.channel ?? null,
      to: reminders?.to ?? null,
      hold: await holdOf(site, nowMs),
    }
  }

  async function records(rows: readonly MessageRow[]): Promise<MessageRecord[]> {
    if (rows.length === 0) return []
    const replies = await read<{ messageId: string; text: string; at: Date }>(
      'SELECT message_id AS messageId, text, at FROM replies WHERE message_id IN (:ids) ORDER BY at',
      { ids: rows.map(({ id }) => id) },
    )
    const repliesBy = groupBy(replies, ({ messageId }) => messageId)
    // Written out: copying what is left of a row costs more than reading it.
    return rows.map((row) => ({
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
    }))
  }
  const recordOf = async (id: string): Promise<MessageRecord> =>
    (await records(await read<MessageRow>(`SELECT ${messageColumns} FROM messages m JOIN sites s ON s.id = m.site_id WHERE m.id = :id`, { id })))[0]

  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Params: { id: string } }>('/api/sites/:id/reminder', owner, async ({ params, firm }) =>
      draft(firm, await findOwn(Site, 'site', params.id, firm.id), Date.now()),
    )

    app.post<{ Params: { id: string } }>('/api/sites/:id/reminder', owner, async ({ params, body, firm, user }, reply) => {
      const site = await findOwn(Site, 'site', params.id, firm.id)
      const message = await queue(site, user, { kind: 'reminder', ...readBy(messageFormSchema, body) }, isSetUp, Date.now())
      return reply.status(201).send(await recordOf(message.id))
    })

    app.get<{ Querystring: { after?: string } }>('/api/messages', owner, async ({ query, firm }): Promise<MessagePage> => {
      const mark = readMomentMark(query.after)
      const rows = await read<MessageRow>(
        `SELECT STRAIGHT_JOIN ${messageColumns} FROM messages m JOIN sites s ON s.id = m.site_id
         WHERE m.firm_id = :firmId AND ${mark ? '(m.made_at, m.id) < (:at, :id)' : 'TRUE'} ORDER BY m.made_at DESC, m.id DESC LIMIT ${pageSize + 1}`,
        { firmId: firm.id, ...mark },
      )
      const page = rows.slice(0, pageSize)
      const last = page.at(-1)
      return { entries: await records(page), next: rows.length > pageSize && last ? markOf(last.madeAt.toISOString(), last.id) : null }
    })

    /** From one state to another, where it is still in the first. */
    const move = async (id: string, firm: Firm, from: Message['state'], to: Message['state'], sentence: string) => {
      const message = await findOwn(Message, 'message', id, firm.id)
      const now = new Date()
      const [changed] = await Message.update(
        { state: to, changedAt: now, ...(to === 'waiting' ? { nextAt: now, tries: 0, because: null } : {}) },
        { where: { id: message.id, state: from } },
      )
      if (changed !== 1) throw new Fault('in-use', { sentence })
      return await recordOf(message.id)
    }
    app.post<{ Params: { id: string } }>('/api/messages/:id/withdraw', owner, async ({ params, firm }) =>
      move(params.id, firm, 'waiting', 'withdrawn', 'This message has left already, or will not.'),
    )
    app.post<{ Params: { id: string } }>('/api/messages/:id/retry', owner, async ({ params, firm }) =>
      move(params.id, firm, 'failed', 'waiting', 'Only what failed is tried again.'),
    )
  }
}
