// How do messages leave, and how is it known what became of them? Rows in the database, taken by whichever app process comes first.
import { stored } from '@yastik/core/wire'
import { isStart, isStop } from '@yastik/core/upkeep'
import { plainAddress } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { Firm, Message, Reply, Site, Stop } from '../db/models.ts'
import { GatewayRefusal, type MessageGateway } from './gateway.ts'
import { isHeld } from './hold.ts'
import { stopOf } from './queries.ts'
import { dayMs, dayOf } from '../days.ts'

const atOnce = 20
const minuteMs = 60_000
/** While one process sends a message no other takes it. */
const leaseMs = minuteMs
/** Tried for about a day and a half, less and less often. */
const mostTries = 9
const waitAfter = (tries: number): number => Math.min(10_000 * 4 ** (tries - 1), 8 * 60 * minuteMs)
/** Answers are asked after for so long; a message that nothing is heard of is asked after less and less often. */
const listenForMs = 14 * dayMs
const askAgainAfter = (sinceMs: number): number => Math.min(Math.max(1500, sinceMs / 4), 60 * minuteMs)
const longestReason = 300

/** Takes rows for this process alone: others skip them. */
function take(db: Db, where: object, untilMs: number, nowMs: number): Promise<Message[]> {
  return db.change(async ({ transaction }) => {
    const rows = await Message.findAll({
      where: { ...where, nextAt: { [Op.lte]: new Date(nowMs) } },
      order: [['nextAt', 'ASC']],
      limit: atOnce,
      lock: transaction.LOCK.UPDATE,
      skipLocked: true,
      transaction,
    })
    await Message.update({ nextAt: new Date(untilMs) }, { where: { id: { [Op.in]: rows.map(({ id }) => id) } }, transaction })
    return rows
  })
}

/** Sends what waits, and asks what became of what was sent. @returns how many rows were looked at. */
export async function runOutbox(db: Db, gateway: MessageGateway, nowMs: number): Promise<number> {
  const waiting = await take(db, { state: 'waiting' }, nowMs + leaseMs, nowMs)
  for (const message of waiting) await sendOne(db, message, gateway, nowMs)
  const sent = await take(db, { state: { [Op.in]: ['sent', 'delivered'] } }, nowMs + leaseMs, nowMs)
  if (sent.length > 0) await askAfter(db, sent, gateway, nowMs)
  return waiting.length + sent.length
}

async function sendOne(db: Db, message: Message, gateway: MessageGateway, nowMs: number): Promise<void> {
  const changedAt = new Date(nowMs)
  // A word that came after the message was written counts.
  const site = await Site.findByPk(message.siteId)
  const hold = isHeld(site?.form.reminders, (await stopOf(db, message.firmId, message.address)) ?? undefined)
  if (hold || plainAddress(site?.form.reminders?.to ?? '') !== plainAddress(message.address)) {
    const because = hold === 'stopped' ? stored.customerEnded : stored.consentGone
    await message.update({ state: 'withheld', because, changedAt })
    return
  }
  const tries = message.tries + 1
  try {
    const { id, channel, address: to, body } = message
    const { ref } = await gateway.send({ id, channel, to, body }, nowMs)
    await message.update({ state: 'sent', gatewayRef: ref, tries, because: null, changedAt, nextAt: new Date(nowMs + askAgainAfter(0)) })
  } catch (error) {
    const because = (error instanceof Error ? error.message : String(error)).slice(0, longestReason)
    const isOver = error instanceof GatewayRefusal || tries >= mostTries
    await message.update({ state: isOver ? 'failed' : 'waiting', because, tries, changedAt, nextAt: new Date(nowMs + waitAfter(tries)) })
  }
}

async function askAfter(db: Db, sent: readonly Message[], gateway: MessageGateway, nowMs: number): Promise<void> {
  const messageOf = new Map(sent.map((message) => [message.gatewayRef ?? '', message]))
  const { reports, answers } = await gateway.ask([...messageOf.keys()], nowMs)
  const reported = new Map(reports.map((report) => [report.ref, report]))
  await db.change(async ({ transaction }) => {
    for (const { id, ref, text, atMs } of answers) {
      const message = messageOf.get(ref)
      if (!message) continue
      const { firmId } = message
      const known = await Reply.findByPk(id, { transaction })
      if (known) continue
      await Reply.create({ id, firmId, messageId: message.id, text: text.slice(0, 1000), at: new Date(atMs) }, { transaction })
      const address = plainAddress(message.address)
      const firm = await Firm.findByPk(firmId, { transaction })
      if (firm && isStop(text)) await Stop.upsert({ firmId, address, stoppedOn: dayOf(atMs, firm) }, { transaction })
      else if (isStart(text)) await Stop.destroy({ where: { firmId, address }, transaction })
    }
    for (const [ref, message] of messageOf) {
      const report = reported.get(ref)
      const sinceMs = nowMs - message.madeAt.getTime()
      const changed =
        report && report.state !== message.state ? { state: report.state, because: report.because ?? null, changedAt: new Date(nowMs) } : {}
      // Beyond this nobody asks any more.
      const nextAt = new Date(sinceMs > listenForMs ? nowMs + 100 * 365 * dayMs : nowMs + askAgainAfter(sinceMs))
      await Message.update({ ...changed, nextAt }, { where: { id: message.id }, transaction })
    }
  })
}

/** Runs the outbox every so often until stopped; a failing database or gateway is tried again. */
export function keepRunning(db: Db, gateway: MessageGateway, everyMs: number, failed: (error: unknown) => void): () => Promise<void> {
  let running = Promise.resolve()
  let isRunning = false
  const timer = setInterval(() => {
    if (isRunning) return
    isRunning = true
    running = runOutbox(db, gateway, Date.now())
      .then(() => undefined, failed)
      .finally(() => (isRunning = false))
  }, everyMs)
  timer.unref()
  return async () => {
    clearInterval(timer)
    await running
  }
}
