// Quotes: made from the plan, changed by the owner, accepted into a visit, and looked back on. For the owner, who answers for the price.
import {
  daySchema,
  Fault,
  knownHouseRules,
  longestMessage,
  messageFormSchema,
  quoteText,
  stopLine,
  type MessageDraft,
  outcomeOf,
  payable,
  quoteAcceptSchema,
  quoteChangeSchema,
  quoteFormSchema,
  quoteUnitsSchema,
  readBy,
  stateOf,
  emptyUnitState,
  type Happening,
  type QuoteOption,
  type QuotePage,
  type QuoteRecord,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize, Transaction } from 'sequelize'
import { v7 as newId } from 'uuid'
import { owner } from '../auth/audience.ts'
import { Quote, Site, type Firm, type User } from '../db/models.ts'
import { read } from '../db/read.ts'
import { eventsOf, storeEvents } from '../jobs/events.ts'
import { makeJob } from '../jobs/make.ts'
import { holdOf, queue } from '../messages/routes.ts'
import { findOwn } from '../sites/routes.ts'
import { quoteBody } from './make.ts'
import { dayMs, dayOf } from '../days.ts'
import { markOf, readMark } from '../db/pageMark.ts'

/** So long prices stand, where nobody says otherwise. */
const validDays = 30
const pageSize = 50

/** @throws Fault `does-not-hold-up` where the way is not offered. */
function optionOf({ body }: Quote, key: string): QuoteOption {
  const option = body.options.find((entry) => entry.key === key && body.offered.includes(key))
  if (!option)
    throw new Fault('does-not-hold-up', {
      lines: [{ where: 'option', what: `“${key}” is not offered`, allowed: body.offered.join(', ') }],
    })
  return option
}

/** @throws Fault `changed-meanwhile` for another version than the one that was seen, `in-use` once it was answered. */
function checkOpen(quote: Quote, version: number): void {
  if (quote.state !== 'open') throw new Fault('in-use', { sentence: `This quote was ${quote.state} already.` })
  if (quote.version !== version)
    throw new Fault('changed-meanwhile', {
      sentence: `${quote.savedBy} changed this quote in the meantime. Open it anew.`,
      lines: [{ where: 'version', what: `you saw version ${version}`, allowed: String(quote.version) }],
    })
}

/** The quote, held until the transaction ends, so that two answers come one after the other. */
async function held(id: string, firmId: number, transaction: Transaction): Promise<Quote> {
  await findOwn(Quote, 'quote', id, firmId)
  return (await Quote.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))!
}

async function outcome(quote: Quote, firm: Firm): Promise<QuoteRecord['outcome']> {
  const option = quote.body.options.find(({ key }) => key === quote.chosen)
  if (!quote.jobId || !option) return null
  const states = stateOf(await eventsOf(quote.jobId))
  const all = option.units.map(({ unitId }) => states[unitId] ?? emptyUnitState())
  const productCost = option.units.flatMap(({ products }) => products).reduce((sum, { cost }) => sum + (cost ?? 0), 0)
  const priceOf = new Map(
    firm.products.flatMap(({ id, packLitres, pricePerPack }) => (packLitres && pricePerPack !== undefined ? [[id, pricePerPack / packLitres]] : [])),
  )
  return {
    ...outcomeOf(
      { total: quote.total, handsMin: option.handsMin, productCost },
      all,
      (id) => priceOf.get(id),
      knownHouseRules(firm.houseRules).hourCost,
    ),
    done: all.filter(({ handedOver }) => handedOver).length,
    units: all.length,
  }
}

async function recordOf(quote: Quote, firm: Firm): Promise<QuoteRecord> {
  const { id, siteId, state, madeOn, validUntil, version, total, body, chosen = null, jobId = null } = quote
  const { name } = await findOwn(Site, 'site', siteId, firm.id)
  return { id, siteId, siteName: name, state, madeOn, validUntil, version, total, ...body, chosen, jobId, outcome: await outcome(quote, firm) }
}

/** What is put on record at each unit, so that the visit goes the way that was accepted. */
function happeningsOf(quote: Quote, { name, differs, units }: QuoteOption): Happening[] {
  const because = `as quoted: ${name}`
  return units.flatMap(({ unitId }): Happening[] => [
    ...(quote.body.units.find((unit) => unit.unitId === unitId)?.complaints ?? []).map((complaint): Happening => ({
      type: 'complaint-set',
      unitId,
      complaint,
      present: true,
    })),
    ...(differs.school ? [{ type: 'school-chosen' as const, unitId, school: differs.school.name, value: differs.school.value, because }] : []),
    ...(differs.scopes?.[unitId] === undefined
      ? []
      : [{ type: 'choice-made' as const, unitId, topic: 'scope' as const, choice: differs.scopes[unitId], because }]),
  ])
}

export function quoteRoutes(sequelize: Sequelize, canSend: boolean) {
  const accept = (id: string, firm: Firm, user: User, sent: unknown): Promise<Quote> => {
    const { option: key, onDate, crewIds, version } = readBy(quoteAcceptSchema, sent)
    return sequelize.transaction(async (transaction) => {
      const quote = await held(id, firm.id, transaction)
      checkOpen(quote, version)
      const today = dayOf(Date.now())
      if (quote.validUntil < today)
        throw new Fault('in-use', { sentence: `Its prices stood until ${quote.validUntil}. Let it stand longer, or make a new one.` })
      const option = optionOf(quote, key)
      const unitIds = option.units.map(({ unitId }) => unitId)
      const job = await makeJob({ siteId: quote.siteId, unitIds, onDate, crewIds }, firm.id, transaction)
      const atMs = Date.now()
      const events = happeningsOf(quote, option).map((happening, index) => ({ id: newId(), atMs: atMs + index, by: user.id, happening }))
      if (events.length > 0) {
        const { refused } = await storeEvents(sequelize, job, user, events, transaction)
        if (refused.length > 0)
          throw new Fault('does-not-hold-up', { lines: refused.map(({ because }) => ({ where: 'events', what: because, allowed: '' })) })
      }
      return quote.update(
        { state: 'accepted', chosen: key, jobId: job.id, total: payable(quote.body, option), version: version + 1, savedBy: user.name },
        { transaction },
      )
    })
  }

  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Querystring: { after?: string; siteId?: string } }>('/api/quotes', owner, async ({ query, firm }): Promise<QuotePage> => {
      const [madeOn, lastId] = query.after === undefined ? [] : readMark(query.after, 2, ([day]) => daySchema.safeParse(day).success)
      const wheres = [
        'q.firm_id = :firmId',
        ...(query.siteId ? ['q.site_id = :siteId'] : []),
        ...(lastId ? ['(q.made_on, q.id) < (:madeOn, :lastId)'] : []),
      ]
      const rows = await read<QuotePage['entries'][number]>(
        `SELECT STRAIGHT_JOIN q.id, q.site_id AS siteId, s.name AS siteName, q.state, DATE_FORMAT(q.made_on, '%Y-%m-%d') AS madeOn,
                DATE_FORMAT(q.valid_until, '%Y-%m-%d') AS validUntil, q.total, q.job_id AS jobId, q.units
         FROM quotes q JOIN sites s ON s.id = q.site_id WHERE ${wheres.join(' AND ')} ORDER BY q.made_on DESC, q.id DESC LIMIT ${pageSize + 1}`,
        { firmId: firm.id, ...(query.siteId ? { siteId: query.siteId } : {}), ...(lastId ? { madeOn, lastId } : {}) },
      )
      const page = rows.slice(0, pageSize)
      const last = page.at(-1)
      return { entries: page, next: rows.length > pageSize && last ? markOf(last.madeOn, last.id) : null }
    })

    app.get<{ Params: { id: string } }>('/api/quotes/:id', owner, async ({ params, firm }) =>
      recordOf(await findOwn(Quote, 'quote', params.id, firm.id), firm),
    )

    app.post('/api/quotes', owner, async ({ body, firm, user }, reply) => {
      const form = readBy(quoteFormSchema, body)
      const site = await findOwn(Site, 'site', form.siteId, firm.id)
      const nowMs = Date.now()
      const made = await quoteBody(firm, site, form, nowMs)
      const quote = await Quote.create({
        id: newId(),
        firmId: firm.id,
        siteId: site.id,
        madeOn: dayOf(nowMs),
        validUntil: dayOf(nowMs + validDays * dayMs),
        total: made.options[0].total,
        units: made.units.length,
        body: made,
        savedBy: user.name,
      })
      return reply.status(201).send(await recordOf(await quote.reload(), firm))
    })

    app.put<{ Params: { id: string } }>('/api/quotes/:id', owner, async ({ params, body, firm, user }) => {
      const { offered, adjustments, validUntil, version } = readBy(quoteChangeSchema, body)
      const changed = await sequelize.transaction(async (transaction) => {
        const quote = await held(params.id, firm.id, transaction)
        checkOpen(quote, version)
        const known = quote.body.options.map(({ key }) => key)
        const strange = offered.find((key) => !known.includes(key))
        if (strange !== undefined)
          throw new Fault('does-not-hold-up', { lines: [{ where: 'offered', what: `there is no way “${strange}”`, allowed: known.join(', ') }] })
        const next = { ...quote.body, offered: known.filter((key) => offered.includes(key)), adjustments }
        const first = next.options.find(({ key }) => next.offered.includes(key))!
        return quote.update({ body: next, validUntil, total: payable(next, first), version: version + 1, savedBy: user.name }, { transaction })
      })
      return recordOf(changed, firm)
    })

    app.put<{ Params: { id: string } }>('/api/quotes/:id/units', owner, async ({ params, body, firm, user }) => {
      const { units, version } = readBy(quoteUnitsSchema, body)
      const seen = await findOwn(Quote, 'quote', params.id, firm.id)
      const site = await findOwn(Site, 'site', seen.siteId, firm.id)
      const anew = await quoteBody(firm, site, { siteId: site.id, units }, Date.now())
      const changed = await sequelize.transaction(async (transaction) => {
        const quote = await held(params.id, firm.id, transaction)
        checkOpen(quote, version)
        const next = { ...anew, adjustments: quote.body.adjustments }
        return quote.update(
          { body: next, units: next.units.length, total: payable(next, next.options[0]), version: version + 1, savedBy: user.name },
          { transaction },
        )
      })
      return recordOf(changed, firm)
    })

    app.get<{ Params: { id: string } }>('/api/quotes/:id/message', owner, async ({ params, firm }): Promise<MessageDraft> => {
      const quote = await findOwn(Quote, 'quote', params.id, firm.id)
      const site = await findOwn(Site, 'site', quote.siteId, firm.id)
      const nowMs = Date.now()
      const { reminders } = site.form
      const hold = await holdOf(site, nowMs)
      return {
        body: quoteText({
          firm: firm.name,
          site: site.name,
          validUntil: quote.validUntil,
          body: quote.body,
          dayAfter: (weeks) => dayOf(nowMs + weeks * 7 * dayMs),
        }).slice(0, longestMessage),
        stopLine,
        channel: reminders?.channel ?? null,
        to: reminders?.to ?? null,
        // Who asked for a price is written to, reminded lately or not.
        hold: hold === 'lately' ? null : hold,
      }
    })
    app.post<{ Params: { id: string } }>('/api/quotes/:id/message', owner, async ({ params, body, firm, user }, reply) => {
      const message = readBy(messageFormSchema, body)
      const quote = await findOwn(Quote, 'quote', params.id, firm.id)
      if (quote.state !== 'open') throw new Fault('in-use', { sentence: `This quote was ${quote.state} already.` })
      const site = await findOwn(Site, 'site', quote.siteId, firm.id)
      const queued = await queue(site, user, { kind: 'quote', quoteId: quote.id, ...message }, canSend, Date.now())
      return reply.status(201).send({ id: queued.id, state: queued.state })
    })

    app.post<{ Params: { id: string } }>('/api/quotes/:id/accept', owner, async ({ params, body, firm, user }) =>
      recordOf(await accept(params.id, firm, user, body), firm),
    )

    app.post<{ Params: { id: string } }>('/api/quotes/:id/decline', owner, async ({ params, body, firm, user }) => {
      const { version } = readBy(quoteAcceptSchema.pick({ version: true }), body)
      const changed = await sequelize.transaction(async (transaction) => {
        const quote = await held(params.id, firm.id, transaction)
        checkOpen(quote, version)
        return quote.update({ state: 'declined', version: quote.version + 1, savedBy: user.name }, { transaction })
      })
      return recordOf(changed, firm)
    })
  }
}
