// Quotes are made from the plan, changed by the owner, accepted into a visit, or declined.
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import type { QuoteOption } from '@yastik/core/plan'
import type { Happening } from '@yastik/core/run'
import { payable, type MessageRecord, type QuoteAccept, type QuoteBody, type QuoteChange, type QuoteForm } from '@yastik/core/wire'
import { isDeepStrictEqual } from 'node:util'
import { v7 as newId } from 'uuid'
import type { Doing } from '../db/database.ts'
import { findOwn, holdOwn } from '../db/find.ts'
import { Quote, Site, type Firm, type User } from '../db/models.ts'
import { dayMs, dayOf } from '../days.ts'
import { storeEvents } from '../events/doings.ts'
import { checkDay, makeJob } from '../jobs/doings.ts'
import { queueMessage } from '../messages/doings.ts'
import { quoteBody } from './body.ts'
import { says, type Say } from '@yastik/core/words'
import { sayFor } from '../words.ts'

/** As it is when it was read again: what is undefined is not there. */
const asStored = (body: QuoteBody): unknown => JSON.parse(JSON.stringify(body))

/** So long prices stand, where nobody says otherwise. */
const validDays = 30

/** @throws Fault `not-there` without the site, `does-not-hold-up` where a unit is not of it */
export async function makeQuote(db: Doing, form: QuoteForm, firm: Firm, user: User): Promise<Quote> {
  // Held, so that the same quote that is asked for twice at once is there once.
  const site = await holdOwn(db, Site, 'site', form.siteId, firm.id)
  const nowMs = Date.now()
  const body = await quoteBody(db, firm, site, form, nowMs)
  const same = { siteId: site.id, state: 'open', version: 1, madeOn: dayOf(nowMs, firm), savedBy: user.name } as const
  const there = (await Quote.findAll({ where: same, transaction: db.transaction })).find((own) => isDeepStrictEqual(own.body, asStored(body)))
  if (there) return there
  const quote = await Quote.create(
    {
      id: newId(),
      firmId: firm.id,
      siteId: site.id,
      madeOn: dayOf(nowMs, firm),
      validUntil: dayOf(nowMs + validDays * dayMs, firm),
      total: body.options[0].total,
      units: body.units.length,
      body,
      savedBy: user.name,
    },
    { transaction: db.transaction },
  )
  return quote.reload({ transaction: db.transaction })
}

/**
 * The quote, held until the doing ends, so that two answers come one after the other.
 * @throws Fault `changed-meanwhile` for another version than the one that was seen, `in-use` once it was answered
 */
async function open(db: Doing, id: string, firmId: number, version: number): Promise<Quote> {
  const quote = await holdOwn(db, Quote, 'quote', id, firmId)
  if (quote.state !== 'open') throw new Fault('in-use', { sentence: says('fault.quotes.answered', { state: quote.state }) })
  if (quote.version !== version)
    throw new Fault('changed-meanwhile', {
      sentence: says('fault.quotes.changed-by', { by: quote.savedBy }),
      lines: [{ where: 'version', what: says('fault.quotes.version', { seen: version }), allowed: String(quote.version) }],
    })
  return quote
}

const save = (db: Doing, quote: Quote, values: Partial<Quote>, user: User): Promise<Quote> =>
  quote.update({ ...values, version: quote.version + 1, savedBy: user.name }, { transaction: db.transaction })

/** What is offered changes, and with it the sum that stands. */
const priced = (body: QuoteBody): Pick<Quote, 'body' | 'total'> => {
  const first = body.options.find(({ key }) => body.offered.includes(key)) ?? body.options[0]
  return { body, total: payable(body, first) }
}

/** Prices of a year ahead nobody promises. */
const longestValidDays = 365

/** @throws Fault `does-not-hold-up` where a way is offered that there is not, prices stand until a past day, or more is taken off than there is */
export async function changeQuote(
  db: Doing,
  id: string,
  { offered, adjustments, validUntil, version }: QuoteChange,
  firm: Firm,
  user: User,
): Promise<Quote> {
  const quote = await open(db, id, firm.id, version)
  const known = quote.body.options.map(({ key }) => key)
  const strange = offered.find((key) => !known.includes(key))
  if (strange !== undefined) throw doesNotHoldUp('offered', says('fault.quotes.no-way', { way: strange }), known.join(', '))
  const now = Date.now()
  const [today, last] = [dayOf(now, firm), dayOf(now + longestValidDays * dayMs, firm)]
  if (validUntil !== quote.validUntil && (validUntil < today || validUntil > last))
    throw doesNotHoldUp(
      'validUntil',
      says('fault.quotes.no-such-day', { day: { day: validUntil } }),
      says('fault.days', { from: { day: today }, to: { day: last } }),
    )
  const body = { ...quote.body, offered: known.filter((key) => offered.includes(key)), adjustments }
  const sum = adjustments.reduce((all, { amount }) => all + amount, 0)
  const least = Math.min(...body.options.filter(({ key }) => body.offered.includes(key)).map(({ total }) => total))
  if (least + sum < 0)
    throw doesNotHoldUp(
      `adjustments.${adjustments.length - 1}.amount`,
      says('fault.quotes.too-much-off'),
      says('fault.quotes.too-much-off-allowed', { least: { money: -least - (sum - (adjustments.at(-1)?.amount ?? 0)) } }),
    )
  return save(db, quote, { ...priced(body), validUntil }, user)
}

/** Reckons a quote anew, for other grades or complaints. */
export async function reckonQuote(
  db: Doing,
  id: string,
  { units, version }: { units: QuoteForm['units']; version: number },
  firm: Firm,
  user: User,
): Promise<Quote> {
  const quote = await open(db, id, firm.id, version)
  const site = await findOwn(db, Site, 'site', quote.siteId, firm.id)
  const anew = await quoteBody(db, firm, site, { siteId: site.id, units }, Date.now())
  const body = { ...anew, adjustments: quote.body.adjustments }
  return save(db, quote, { body, units: body.units.length, total: payable(body, body.options[0]) }, user)
}

/** @throws Fault `does-not-hold-up` where the way is not offered. */
function optionOf({ body }: Quote, key: string): QuoteOption {
  const option = body.options.find((entry) => entry.key === key && body.offered.includes(key))
  if (!option) throw doesNotHoldUp('option', says('fault.quotes.not-offered', { way: key }), body.offered.join(', '))
  return option
}

/** What is put on record at each unit, so that the visit goes the way that was accepted. */
function happeningsOf(quote: Quote, { name, differs, units }: QuoteOption, say: Say): Happening[] {
  const because = say(says('server.as-quoted', { way: name }))
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

/** Makes a visit of one way of a quote. @throws Fault `in-use` where its prices stand no longer */
export async function acceptQuote(
  db: Doing,
  id: string,
  { option: key, onDate, crewIds, version }: QuoteAccept,
  firm: Firm,
  user: User,
): Promise<Quote> {
  const quote = await open(db, id, firm.id, version)
  const atMs = Date.now()
  if (quote.validUntil < dayOf(atMs, firm))
    throw new Fault('in-use', { sentence: says('fault.quotes.stood-until', { day: { day: quote.validUntil } }) })
  checkDay(onDate, firm)
  const option = optionOf(quote, key)
  const unitIds = option.units.map(({ unitId }) => unitId)
  const job = await makeJob(db, { siteId: quote.siteId, unitIds, onDate, crewIds }, firm.id)
  const events = happeningsOf(quote, option, sayFor(firm)).map((happening, index) => ({ id: newId(), atMs: atMs + index, by: user.id, happening }))
  if (events.length > 0) {
    const { refused } = await storeEvents(db, job.id, user, events)
    if (refused.length > 0)
      throw new Fault('does-not-hold-up', { lines: refused.map(({ because }) => ({ where: 'events', what: because, allowed: '' })) })
  }
  return save(db, quote, { state: 'accepted', chosen: key, jobId: job.id, total: payable(quote.body, option) }, user)
}

export const declineQuote = async (db: Doing, id: string, version: number, firm: Firm, user: User): Promise<Quote> =>
  save(db, await open(db, id, firm.id, version), { state: 'declined' }, user)

/** Sends a quote to its customer. @throws Fault `in-use` once it was answered, and where the customer is not to be written to */
export async function sendQuote(db: Doing, id: string, text: string, firm: Firm, user: User, isSetUp: boolean): Promise<MessageRecord> {
  const quote = await findOwn(db, Quote, 'quote', id, firm.id)
  if (quote.state !== 'open') throw new Fault('in-use', { sentence: says('fault.quotes.answered', { state: quote.state }) })
  const site = await findOwn(db, Site, 'site', quote.siteId, firm.id)
  return queueMessage(db, site, user, { kind: 'quote', quoteId: quote.id, body: text }, isSetUp)
}
