// What is kept of a visit for the forecast?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { allGrades, amountUpTo, gradeSchema, share } from '../quantities/index.ts'

/** The index runs as grades do. */
const index = amountUpTo(4)

/** One visit of a unit's past. */
export const visitSchema = closed({
  /** Years since any fixed day; only differences count. */
  atYears: z.number(),
  /** Worst grade of coil and wheel as they were found. */
  found: gradeSchema,
  /** Chance of each grade that it was found at, in order, where it was read off a photograph and is not certain. */
  chances: z.array(share).length(allGrades.length).optional(),
  /** Index as they were left; as found where nothing was cleaned. */
  left: index,
})
export type Visit = z.infer<typeof visitSchema>
