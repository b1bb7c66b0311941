// What would a customer be written? Drafted from the facts; the owner reads and changes it before it leaves.
import { says, type Say } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { lateText } from '@yastik/core/rounds'
import { bringForward, draftReminder, stopLine } from '@yastik/core/upkeep'
import { longestMessage, quoteText, type MessageDraft } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import type { Firm, Job, Quote, Site } from '../db/models.ts'
import { dayMs, dayOf } from '../days.ts'
import { seasonAt, type WeatherSource } from '../weather/source.ts'
import { dueUnits, holdOf } from './queries.ts'
import { sayToCustomer } from '../words.ts'

/** A customer is reminded of what falls due within this. */
const aheadDays = 84

const draftTo = ({ form }: Site, text: string, hold: MessageDraft['hold'], say: Say): MessageDraft => ({
  body: text.slice(0, longestMessage),
  stopLine: say(stopLine),
  language: form.customerLanguage ?? 'en',
  channel: form.reminders?.channel ?? null,
  to: form.reminders?.to ?? null,
  hold,
})

export async function reminderFor(db: Db, firm: Firm, site: Site, weather: WeatherSource | undefined, nowMs: number): Promise<MessageDraft> {
  const today = dayOf(nowMs, firm)
  const units = await dueUnits(db, site.id, firm, dayOf(nowMs + aheadDays * dayMs, firm))
  const season = await seasonAt(weather, { id: site.id, altitudeM: site.form.site.altitudeM })
  const before = units.flatMap(({ dueOn }) => bringForward(dueOn, today, season) ?? []).sort()[0]
  const say = await sayToCustomer(site, firm)
  const text = draftReminder({ firm: firm.name, site: site.name, today, units, say, ...(before ? { before } : {}) })
  return draftTo(site, text, await holdOf(db, site, nowMs), say)
}

/** @param expectedMin when the visit will begin, minutes from midnight @throws Fault `in-use` where no time was said */
export async function lateMessage(db: Db, firm: Firm, { site, startMin }: Job, expectedMin: number, nowMs: number): Promise<MessageDraft> {
  if (!site || startMin === null) throw new Fault('in-use', { sentence: says('fault.messages.no-time') })
  const hold = await holdOf(db, site, nowMs)
  const say = await sayToCustomer(site, firm)
  const text = lateText({ firm: firm.name, site: site.name, saidMin: startMin, expectedMin, say })
  return draftTo(site, text, hold === 'lately' ? null : hold, say)
}

export async function quoteMessage(db: Db, firm: Firm, quote: Quote, site: Site, nowMs: number): Promise<MessageDraft> {
  const say = await sayToCustomer(site, firm)
  const text = quoteText({
    firm: firm.name,
    site: site.name,
    validUntil: quote.validUntil,
    body: quote.body,
    taxShare: firm.houseRules.taxShare,
    say,
    dayAfter: (weeks) => dayOf(nowMs + weeks * 7 * dayMs, firm),
  })
  const hold = await holdOf(db, site, nowMs)
  // Who asked for a price is written to, reminded lately or not.
  return draftTo(site, text, hold === 'lately' ? null : hold, say)
}
