// A day as it will go: of each visit what is left, what is special, what is not in the van, and what its people do next.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { specials } from '../rounds/index.ts'
import { daySchema, minuteSchema } from './records.ts'
import { sentenceSchema } from '../words/index.ts'

const atMs = z.int().nullable()
export const dayOutlookSchema = closed({
  day: daySchema,
  visits: z.array(
    closed({
      jobId: z.uuid(),
      /** When the first of it was put on record, and when the last unit was handed over. */
      beganAtMs: atMs,
      endedAtMs: atMs,
      /** Minutes on site that are left by the crew's day, from `atMs` on; null where nobody can tell, and `because`. */
      leftMin: z.number().nullable(),
      because: sentenceSchema(400).optional(),
      /** Units that nobody has looked over: what is left of them is by forecast. */
      unseen: z.int(),
      special: z.array(z.literal(specials)),
      missing: z.array(closed({ item: sentenceSchema(200), quantity: z.number(), unit: sentenceSchema(40) })),
      /** What each of its people does first. */
      next: z.array(closed({ userId: z.int(), unitId: z.uuid(), title: sentenceSchema(300) })),
    }),
  ),
  /** When this was reckoned. */
  atMs: z.int(),
})
export type DayOutlook = z.infer<typeof dayOutlookSchema>

export const lateQuerySchema = closed({ startMin: z.coerce.number().pipe(minuteSchema) })
