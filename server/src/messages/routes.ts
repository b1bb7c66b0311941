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
import { Op, type WhereOptions } from 'sequelize'
import { v7 as newId } from 'uuid'
import { groupBy } from '../db/groupBy.ts'
import { DueDay, JobUnit, Message, Reply, Site, Unit, type Firm, type User } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'
import { seasonAt, type WeatherSource } from '../weather/source.ts'
import { isHeld, stopOf } from './outbox.ts'

const pageSize = 50
const dayMs = 86_400_000
/** A customer is reminded of what falls due within this, and not more often than this. */
const aheadDays = 84
const gapDays = 14
const owner = { config: { role: 'owner' as const } }
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10)
/** What a customer is written about; filters they look after themselves. */
const writtenAbout = ['deep-clean', 'light-clean', 'pan-treatment'] as const
/** A reminder that never left, or that somebody took back, does not count. */
const counts: readonly MessageState[] = ['waiting', 'sent', 'delivered']
export const isLate = (last: Pick<Message, 'state' | 'madeAt'>, nowMs: number): boolean =>
  counts.includes(last.state) && last.madeAt.getTime() > nowMs - gapDays * dayMs

export const lastReminders = (siteIds: readonly string[]): Promise<Message[]> =>
  Message.findAll({ where: { siteId: { [Op.in]: [...siteIds] }, kind: 'reminder' }, order: [['madeAt', 'ASC']] })

/** Why a site's customer is not written to now. */
export async function holdOf(site: Site, nowMs: number): Promise<HoldReason | null> {
  const { reminders } = site.form
  const held = isHeld(reminders, reminders && ((await stopOf(site.firmId, reminders.to)) ?? undefined))
  if (held) return held
  return (await lastReminders([site.id])).some((message) => isLate(message, nowMs)) ? 'lately' : null
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

  async function records(rows: readonly Message[]): Promise<MessageRecord[]> {
    const sites = new Map((await Site.findAll({ where: { id: { [Op.in]: rows.map(({ siteId }) => siteId) } } })).map((site) => [site.id, site.name]))
    const replies = groupBy(
      await Reply.findAll({ where: { messageId: { [Op.in]: rows.map(({ id }) => id) } }, order: [['at', 'ASC']] }),
      ({ messageId }) => messageId,
    )
    return rows.map(({ id, siteId, kind, channel, address, body, state, tries, because = null, madeAt, changedAt, madeBy }) => ({
      id,
      siteId,
      siteName: sites.get(siteId) ?? '',
      kind,
      channel,
      to: address,
      body,
      state,
      tries,
      because,
      madeAt: madeAt.toISOString(),
      changedAt: changedAt.toISOString(),
      by: madeBy,
      replies: (replies.get(id) ?? []).map(({ text, at }) => ({ text, at: at.toISOString() })),
    }))
  }

  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Params: { id: string } }>('/api/sites/:id/reminder', owner, async ({ params, firm }) =>
      draft(firm, await findOwn(Site, 'site', params.id, firm.id), Date.now()),
    )

    app.post<{ Params: { id: string } }>('/api/sites/:id/reminder', owner, async ({ params, body, firm, user }, reply) => {
      const site = await findOwn(Site, 'site', params.id, firm.id)
      const message = await queue(site, user, { kind: 'reminder', ...readBy(messageFormSchema, body) }, isSetUp, Date.now())
      return reply.status(201).send((await records([await message.reload()]))[0])
    })

    app.get<{ Querystring: { after?: string } }>('/api/messages', owner, async ({ query, firm }): Promise<MessagePage> => {
      const [madeAt, lastId] = query.after?.split('~') ?? []
      if (query.after && (Number.isNaN(Date.parse(madeAt ?? '')) || !lastId))
        throw new Fault('does-not-hold-up', {
          lines: [{ where: 'after', what: `“${query.after.slice(0, 80)}” is no page mark`, allowed: 'the `next` of the page before' }],
        })
      const wanted: WhereOptions<Message> = {
        firmId: firm.id,
        ...(lastId ? { [Op.or]: [{ madeAt: { [Op.lt]: new Date(madeAt!) } }, { madeAt: new Date(madeAt!), id: { [Op.lt]: lastId } }] } : {}),
      }
      const rows = await Message.findAll({
        where: wanted,
        order: [
          ['madeAt', 'DESC'],
          ['id', 'DESC'],
        ],
        limit: pageSize + 1,
      })
      const page = rows.slice(0, pageSize)
      const last = page.at(-1)
      return { entries: await records(page), next: rows.length > pageSize && last ? `${last.madeAt.toISOString()}~${last.id}` : null }
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
      return (await records([await message.reload()]))[0]
    }
    app.post<{ Params: { id: string } }>('/api/messages/:id/withdraw', owner, async ({ params, firm }) =>
      move(params.id, firm, 'waiting', 'withdrawn', 'This message has left already, or will not.'),
    )
    app.post<{ Params: { id: string } }>('/api/messages/:id/retry', owner, async ({ params, firm }) =>
      move(params.id, firm, 'failed', 'waiting', 'Only what failed is tried again.'),
    )
  }
}
