// A firm's own words as they are asked for and saved.
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { kindOfWordable, languages, says, type Wording } from '../words/index.ts'

const longestText = 1000
const texts = z
  .record(z.string().max(120), z.string().trim().min(1).max(longestText))
  .refine(
    (own) => Object.keys(own).every((key) => kindOfWordable(key) !== undefined),
    orFault(says('fault.wording.key'), says('fault.wording.key-allowed')),
  )
export const wordingSchema = z.partialRecord(z.enum(languages), texts) as unknown as z.ZodType<Wording>
export const wordingRecordSchema = closed({ wording: wordingSchema, version: z.int().min(1) })
export type WordingRecord = z.infer<typeof wordingRecordSchema>
