// What is kept of one customer, for whoever asks for it; and how long things are kept at all.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { messageRecordSchema } from './messages.ts'
import { daySchema, photoRecordSchema, siteFormSchema, unitFormSchema } from './records.ts'

/** All that is kept of the customer of a site. */
export const customerDataSchema = closed({
  format: z.literal('yastik.customer/1'),
  madeAt: z.iso.datetime(),
  site: siteFormSchema,
  units: z.array(unitFormSchema),
  visits: z.array(
    closed({
      onDate: daySchema,
      /** Notes on the visit itself. */
      notes: z.array(z.string()),
      /** What the customer was told, and by whom it was signed for, unit by unit. */
      units: z.array(closed({ name: z.string(), told: z.string().nullable(), signedBy: z.string().nullable(), notes: z.array(z.string()) })),
    }),
  ),
  quotes: z.array(closed({ madeOn: daySchema, state: z.string(), total: z.number() })),
  messages: z.array(messageRecordSchema),
  photographs: z.array(photoRecordSchema),
})
export type CustomerData = z.infer<typeof customerDataSchema>

/** Months after which something goes; null keeps it for good. */
const months = z.int().min(1).max(240).nullable()
export const retentionSchema = closed({
  /** Photographs, from the day of their visit. */
  photographs: months,
  /** Messages to customers and what they answered. */
  messages: months,
  /** Who did what. */
  audit: months,
})
export type Retention = z.infer<typeof retentionSchema>
export const keepsAll: Retention = { photographs: null, messages: null, audit: null }
