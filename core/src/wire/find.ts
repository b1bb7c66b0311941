// What is found anywhere in the firm by a few letters.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { familySchema } from '../units/index.ts'
import { daySchema, stages } from './records.ts'

export const findQuerySchema = closed({ words: z.string().trim().min(1).max(80) })
const siteId = z.uuid()
const isRetired = z.boolean()
export const foundSchema = closed({
  /** What is retired comes last, and says so. */
  sites: z.array(closed({ siteId, name: z.string(), address: z.string(), isRetired })),
  units: z.array(closed({ unitId: z.uuid(), siteId, name: z.string(), siteName: z.string(), family: familySchema, isRetired })),
  /** Units of visits, newest first: each leads to where it stands. */
  visits: z.array(
    closed({ jobId: z.uuid(), unitId: z.uuid(), unitName: z.string(), siteName: z.string(), onDate: daySchema, stage: z.literal(stages) }),
  ),
})
export type Found = z.infer<typeof foundSchema>
