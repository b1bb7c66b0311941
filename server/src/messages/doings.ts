// A message is put into the outbox, taken back, or tried again.
import { says, type Sentence } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { stopLine } from '@yastik/core/upkeep'
import type { MessageRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import type { Doing } from '../db/database.ts'
import { holdOwn } from '../db/find.ts'
import { Message, Site, type User } from '../db/models.ts'
import { holdSentences } from './hold.ts'
import { sayToCustomer } from '../words.ts'
import { holdOf, messageRecord } from './queries.ts'

/** @throws Fault `in-use` where the customer is not to be written to. */
export async function queueMessage(
  db: Doing,
  site: Site,
  user: User,
  message: { kind: Message['kind']; body: string; quoteId?: string },
  isSetUp: boolean,
): Promise<MessageRecord> {
  if (!isSetUp) throw new Fault('in-use', { sentence: says('fault.messages.no-gateway') })
  const at = new Date()
  // Held, so that the same letter that is sent twice at once is there once.
  await holdOwn(db, Site, 'site', site.id, site.firmId)
  const body = `${message.body}\n${(await sayToCustomer(site))(stopLine)}`
  const same = { siteId: site.id, kind: message.kind, quoteId: message.quoteId ?? null, state: 'waiting', body } as const
  // A second reminder is turned down all the same.
  const there = message.kind === 'reminder' ? null : await Message.findOne({ where: same, transaction: db.transaction })
  if (there) return messageRecord(db, there.id, site.firmId)
  const hold = await holdOf(db, site, at.getTime())
  const { reminders } = site.form
  // Who asked for a price, or waits for somebody, is written to, reminded lately or not.
  if (hold && !(hold === 'lately' && message.kind !== 'reminder')) throw new Fault('in-use', { sentence: holdSentences[hold] })
  if (!reminders) throw new Fault('in-use', { sentence: holdSentences['no-consent'] })
  const { id } = await Message.create(
    {
      id: newId(),
      firmId: site.firmId,
      siteId: site.id,
      quoteId: message.quoteId ?? null,
      kind: message.kind,
      channel: reminders.channel,
      address: reminders.to,
      body,
      nextAt: at,
      madeAt: at,
      changedAt: at,
      madeBy: user.name,
    },
    { transaction: db.transaction },
  )
  return messageRecord(db, id, site.firmId)
}

/** Takes back what has not left. @throws Fault `in-use` */
export const withdrawMessage = (db: Doing, id: string, firmId: number): Promise<MessageRecord> =>
  moveMessage(db, id, firmId, 'waiting', { state: 'withdrawn' }, says('fault.messages.left'))

/** Tries again what failed. @throws Fault `in-use` */
export const retryMessage = (db: Doing, id: string, firmId: number): Promise<MessageRecord> =>
  moveMessage(db, id, firmId, 'failed', { state: 'waiting', nextAt: new Date(), tries: 0, because: null }, says('fault.messages.not-failed'))

async function moveMessage(
  db: Doing,
  id: string,
  firmId: number,
  from: Message['state'],
  to: Partial<Pick<Message, 'state' | 'nextAt' | 'tries' | 'because'>>,
  sentence: Sentence,
): Promise<MessageRecord> {
  const message = await holdOwn(db, Message, 'message', id, firmId)
  if (message.state !== from) throw new Fault('in-use', { sentence })
  await message.update({ ...to, changedAt: new Date() }, { transaction: db.transaction })
  return messageRecord(db, id, firmId)
}
