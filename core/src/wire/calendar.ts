// Visits from somebody's calendar: what each entry would do here, and why one cannot be taken.
import { sentenceSchema } from '../words/index.ts'
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { daySchema } from './records.ts'

const recordId = z.uuid()

/** `nothing`: it is here as it says already, or it is older than what is here. `due-day`: forecast by us, no visit. */
export const calendarActions = ['plan', 'move', 'cancel', 'nothing', 'due-day'] as const
const sentence = sentenceSchema(400)
export const calendarRowSchema = closed({
  /** Place in the file, from 1. */
  row: z.int(),
  summary: z.string(),
  day: daySchema.nullable(),
  action: z.literal(calendarActions).nullable(),
  siteId: recordId.nullable(),
  siteName: z.string().nullable(),
  faults: z.array(closed({ where: sentence, what: sentence, allowed: sentence })),
})
export type CalendarRow = z.infer<typeof calendarRowSchema>

/** The file as text; `take` says that a person has seen what it would do, and how many rows they set aside. */
export const calendarImportSchema = closed({
  text: z.string().max(4_000_000),
  take: closed({ setAside: z.int().min(0) }).optional(),
})
export const calendarReceiptSchema = closed({
  rows: z.array(calendarRowSchema),
  taken: closed({ planned: z.int(), moved: z.int(), cancelled: z.int() }).nullable(),
  /** By which it can be taken back; null before it is taken. */
  importId: recordId.nullable(),
})
export type CalendarReceipt = z.infer<typeof calendarReceiptSchema>
