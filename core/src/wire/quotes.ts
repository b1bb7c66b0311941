// Quotes: asked for, read, changed, accepted.
import { says } from '../words/index.ts'
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { gradeSchema, shownName } from '../quantities/index.ts'
import { complaintsSchema } from '../lookover/index.ts'
import { outcomeSchema } from '../money/index.ts'
import { quoteOptionSchema } from '../plan/index.ts'
import { daySchema } from './records.ts'

const recordId = z.uuid()
/** Largest sum by which a person may change a price. */
const mostAdjusted = 100_000

export const quoteStates = ['open', 'accepted', 'declined'] as const
export type QuoteState = (typeof quoteStates)[number]

/** What a quote is made from: units, and how soiled they are where somebody says so. */
export const quoteFormSchema = closed({
  siteId: recordId,
  units: z
    .array(closed({ unitId: recordId, coilGrade: gradeSchema.optional(), complaints: complaintsSchema.optional() }))
    .min(1)
    .max(20)
    .refine(
      (units) => new Set(units.map(({ unitId }) => unitId)).size === units.length,
      orFault(says('fault.twice.unit'), says('fault.twice.unit-allowed')),
    ),
})
export type QuoteForm = z.infer<typeof quoteFormSchema>

/** The same quote reckoned anew: other grades, other complaints. */
export const quoteUnitsSchema = closed({ units: quoteFormSchema.shape.units, version: z.int().min(1) })

/** Where the grade of a unit comes from: seen, said by whoever made the quote, forecast, or supposed. */
export const gradeSources = ['looked-over', 'said', 'forecast', 'supposed'] as const

export const adjustmentSchema = closed({ what: shownName, amount: z.number().min(-mostAdjusted).max(mostAdjusted) })
/** What the owner may change: which ways are offered, what is added or taken off, and until when it stands. */
export const quoteChangeSchema = closed({
  offered: z.array(z.string().max(40)).min(1).max(6),
  adjustments: z.array(adjustmentSchema).max(10),
  validUntil: daySchema,
  version: z.int().min(1),
})
export type QuoteChange = z.infer<typeof quoteChangeSchema>

/** Of an accepted quote, with how many of its units are handed over. */
export const quoteOutcomeSchema = closed({ ...outcomeSchema.shape, done: z.int(), units: z.int() })

/** A quote as it is kept: prices stand as they were reckoned on the day it was made. */
export const quoteBodySchema = closed({
  units: z.array(
    closed({ unitId: recordId, name: z.string(), coilGrade: gradeSchema, source: z.literal(gradeSources), complaints: complaintsSchema }),
  ),
  options: z.array(quoteOptionSchema).min(1),
  offered: quoteChangeSchema.shape.offered,
  adjustments: quoteChangeSchema.shape.adjustments,
})
export type QuoteBody = z.infer<typeof quoteBodySchema>

const head = {
  id: recordId,
  siteId: recordId,
  siteName: z.string(),
  state: z.literal(quoteStates),
  madeOn: daySchema,
  validUntil: daySchema,
  /** Of the chosen way, or of the usual one before. */
  total: z.number(),
  jobId: recordId.nullable(),
}
export const quoteRecordSchema = closed({
  ...head,
  ...quoteBodySchema.shape,
  version: z.int(),
  chosen: z.string().nullable(),
  outcome: quoteOutcomeSchema.nullable(),
})
export type QuoteRecord = z.infer<typeof quoteRecordSchema>
export const quotePageSchema = closed({ entries: z.array(closed({ ...head, units: z.int() })), next: z.string().nullable() })
export type QuotePage = z.infer<typeof quotePageSchema>

/** An accepted quote becomes a visit. */
export const quoteAcceptSchema = closed({
  option: z.string().max(40),
  onDate: daySchema,
  crewIds: z.array(z.int()).min(1).max(4),
  version: z.int().min(1),
})
export type QuoteAccept = z.infer<typeof quoteAcceptSchema>

/** What the customer pays for a way, adjustments counted; never less than nothing. */
export const payable = ({ adjustments }: Pick<QuoteBody, 'adjustments'>, { total }: { total: number }): number =>
  Math.max(0, Math.round((total + adjustments.reduce((sum, { amount }) => sum + amount, 0)) * 100) / 100)

/** The tax that is in a price which the customer pays. @param taxShare of the price without tax */
export const taxIn = (paid: number, taxShare: number): number => paid - paid / (1 + taxShare)
