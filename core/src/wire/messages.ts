// Messages to customers: their consent, the outbox, and what came back.
import { languages } from '../words/index.ts'
import { z } from 'zod'
import { refusedAs } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'

const recordId = z.uuid()

/** Where a customer agreed to be written to, and when. */
export const remindersSchema = z.discriminatedUnion('channel', [
  closed({
    channel: z.literal('text'),
    to: z
      .string()
      .trim()
      .regex(/^\+?\d[\d ()/-]{5,18}\d$/, refusedAs('fault.schema.telephone-form')),
    agreedOn: z.iso.date(),
  }),
  closed({ channel: z.literal('mail'), to: z.email(refusedAs('fault.schema.mail-form')).max(200), agreedOn: z.iso.date() }),
])
export type Reminders = z.infer<typeof remindersSchema>

/** The same address, however it was typed. */
export const plainAddress = (to: string): string => (to.includes('@') ? to.trim().toLowerCase() : to.replace(/[^\d+]/g, ''))

/** `withheld`: the customer had stopped it, or consent was gone, before it left. */
export const messageStates = ['waiting', 'sent', 'delivered', 'failed', 'withheld', 'withdrawn'] as const
export type MessageState = (typeof messageStates)[number]

export const longestMessage = 1200
export const messageFormSchema = closed({ body: z.string().trim().min(1).max(longestMessage) })

/** Why a site's customer is not written to. */
export const holdReasons = ['no-consent', 'stopped', 'lately'] as const
export type HoldReason = (typeof holdReasons)[number]

export const messageDraftSchema = closed({
  body: z.string(),
  stopLine: z.string(),
  /** In which language it is written. */
  language: z.enum(languages),
  channel: z.literal(['text', 'mail']).nullable(),
  to: z.string().nullable(),
  hold: z.literal(holdReasons).nullable(),
})
export type MessageDraft = z.infer<typeof messageDraftSchema>

export const messageRecordSchema = closed({
  id: recordId,
  siteId: recordId,
  siteName: z.string(),
  kind: z.literal(['reminder', 'quote', 'late']),
  channel: z.literal(['text', 'mail']),
  to: z.string(),
  body: z.string(),
  state: z.literal(messageStates),
  tries: z.int(),
  /** Why it failed, is tried again, or was withheld. */
  because: z.string().nullable(),
  madeAt: z.iso.datetime(),
  changedAt: z.iso.datetime(),
  by: z.string(),
  replies: z.array(closed({ text: z.string(), at: z.iso.datetime() })),
})
export type MessageRecord = z.infer<typeof messageRecordSchema>
export const messagePageSchema = closed({ entries: z.array(messageRecordSchema), next: z.string().nullable() })
export type MessagePage = z.infer<typeof messagePageSchema>
