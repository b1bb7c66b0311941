// What did the demo firm's office do? The van was counted; customers who agreed to be written to, a reminder; quotes: one open, one that became a visit and is finished.
import { builtInProducts } from '@yastik/core/products'
import { gradeSchema } from '@yastik/core/quantities'
import { payable } from '@yastik/core/wire'
import type { Db } from '@yastik/server/db/database'
import { Firm, Job, JobUnit, Message, Quote, Reply, Site, StockLot, Unit, User } from '@yastik/server/db/models'
import { quoteBody } from '@yastik/server/quotes/body'
import { learnAndRenew } from '@yastik/server/upkeep/doings'
import { demoFirm, demoSites } from './firm.ts'
import { demoId } from './walk.ts'
import { dayMs, dayOf } from '@yastik/server/days'

const validDays = 30
/** When the plotter room that a customer was reminded of was cleaned. */
const plotterDaysAgo =
  demoSites
    .flatMap(({ units }) => units)
    .find(({ key }) => key === 'hm-plot')
    ?.past.at(-1)?.daysAgo ?? 0
/** Addresses that nobody has; the last digit tells the stand-in gateway what becomes of a message. */
const consents = [
  ['halvmark', '+00 555 0148'],
  ['tannwinkel', '+00 555 0123'],
  ['uferlund', 'desk4@uferlund.example'],
  ['quellhof', '+00 555 0113'],
] as const

export async function loadOffice(db: Db, nowMs: number): Promise<void> {
  const firm = (await Firm.findOne({ where: { name: demoFirm } }))!
  // What the firm's units say of fouling counts from the first day.
  await learnAndRenew(db, firm)
  const owner = (await User.findOne({ where: { firmId: firm.id, role: 'owner' } }))!
  const by = { firmId: firm.id, savedBy: owner.name }

  // Counted after all visits: what they used is on record and in the count. One lot is past its date, one soon will be.
  await StockLot.bulkCreate(
    builtInProducts.flatMap(({ id, inStockLitres = 0 }, index) => {
      const lot = (part: number, days: number, share: number) => ({
        firmId: firm.id,
        productId: id,
        lot: `F${24 + part}-${110 + 7 * index}`,
        labelDate: dayOf(nowMs + days * dayMs, firm),
        litres: Math.round(inStockLitres * share * 1000) / 1000,
      })
      return index === 2 ? [lot(0, -12, 0.3), lot(1, 300, 0.7)] : index === 3 ? [lot(1, 24, 0.4), lot(2, 500, 0.6)] : [lot(2, 420 + 20 * index, 1)]
    }),
  )

  const office = (await Site.findByPk(demoId('halvmark')))!
  const units = await Unit.findAll({ where: { siteId: office.id }, order: [['name', 'ASC']] })
  const open = await quoteBody(db, firm, office, { siteId: office.id, units: units.map(({ id }) => ({ unitId: id })) }, nowMs)
  const madeMs = nowMs - 2 * dayMs
  await Quote.create({
    id: demoId('quote/open'),
    ...by,
    siteId: office.id,
    madeOn: dayOf(madeMs, firm),
    validUntil: dayOf(madeMs + validDays * dayMs, firm),
    units: open.units.length,
    total: payable(open, open.options[0]),
    body: open,
  })

  const last = (await JobUnit.findOne({ where: { firmId: firm.id, stage: 'handed-over', scope: 'strip-down' }, order: [['handedOverAt', 'DESC']] }))!
  const job = (await Job.findByPk(last.jobId))!
  const site = (await Site.findByPk(job.siteId))!
  const doneMs = last.handedOverAt!.getTime()
  const said = { unitId: last.unitId, coilGrade: gradeSchema.parse(last.coilGrade) }
  const accepted = await quoteBody(db, firm, site, { siteId: site.id, units: [said] }, doneMs - 6 * dayMs)
  await Quote.create({
    id: demoId('quote/accepted'),
    ...by,
    siteId: site.id,
    state: 'accepted',
    madeOn: dayOf(doneMs - 6 * dayMs, firm),
    validUntil: dayOf(doneMs + 24 * dayMs, firm),
    units: accepted.units.length,
    total: payable(accepted, accepted.options[0]),
    body: accepted,
    chosen: accepted.options[0].key,
    jobId: job.id,
  })

  for (const [key, to] of consents) {
    const place = (await Site.findByPk(demoId(key)))!
    const channel = to.includes('@') ? 'mail' : 'text'
    await place.update({ form: { ...place.form, reminders: { channel, to, agreedOn: dayOf(nowMs - 400 * dayMs, firm) } } })
  }
  const reminded = (await Site.findByPk(demoId(consents[0][0])))!
  const sentMs = nowMs - 20 * dayMs
  /** The month so many weeks after the office's plotter room was cleaned. */
  const monthIn = (weeks: number) =>
    new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(nowMs - (plotterDaysAgo - 7 * weeks) * dayMs)
  const message = await Message.create({
    id: demoId('message/reminder'),
    firmId: firm.id,
    siteId: reminded.id,
    kind: 'reminder',
    channel: 'text',
    address: consents[0][1],
    body: `${demoFirm} about the air conditioning at ${reminded.name}:\nPlotter room will be due about ${monthIn(24)} for a light clean (between ${monthIn(15)} and ${monthIn(43)}). We cleaned it last in ${monthIn(0)}.\nThe days come from what we found at your units, not from the calendar. Write or call, and we will find a day.\nAnswer STOP and we will not write again.`,
    state: 'delivered',
    tries: 1,
    nextAt: new Date(nowMs + 400 * dayMs),
    madeAt: new Date(sentMs),
    changedAt: new Date(sentMs + 4000),
    madeBy: owner.name,
  })
  const answer = 'Thank you, please call next week about a day.'
  await Reply.create({ id: 'demo-answer', firmId: firm.id, messageId: message.id, text: answer, at: new Date(sentMs + 3_600_000) })
}
