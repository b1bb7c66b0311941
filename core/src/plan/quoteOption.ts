// What is kept of one way in which work is offered?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { schools, type SchoolName } from '../method/index.ts'
import { dueKinds } from '../upkeep/index.ts'
import { sentenceSchema } from '../words/index.ts'

const amount = z.number()
/** A message; words where an earlier version stored them. */
const words = sentenceSchema(2000)
const optionUnitSchema = closed({
  unitId: z.string(),
  name: z.string(),
  scope: z.string(),
  /** What is done, for the customer. */
  says: z.array(words),
  notReached: z.array(closed({ part: z.string(), because: words })),
  handsMin: amount,
  products: z.array(closed({ productId: z.string(), litres: amount, cost: amount.optional() })),
  due: z.array(closed({ what: z.literal(dueKinds), weeks: amount, low: amount.optional(), high: amount.optional(), because: words.optional() })),
})
/** What makes this way differ from the house rules: to be put on record when it is accepted. */
const differsSchema = closed({
  scopes: z.record(z.string(), z.string()).optional(),
  school: closed({ name: z.literal(Object.keys(schools) as [SchoolName, ...SchoolName[]]), value: z.string() }).optional(),
})
export const quoteOptionSchema = closed({
  key: z.string().max(40),
  name: words,
  /** Whether it is what the house rules would do. */
  usual: z.boolean(),
  differs: differsSchema,
  units: z.array(optionUnitSchema),
  lines: z.array(closed({ what: words, amount })),
  total: amount,
  /** Hands-on minutes, water in litres. */
  handsMin: amount,
  /** Minutes in which nobody works, times the people who are there; missing where an earlier version reckoned it. */
  waitingMin: amount.optional(),
  /** From the door to the van, and between what it is four times in five; missing where an earlier version reckoned it. */
  onSiteMin: closed({ usual: amount, low: amount, high: amount }).optional(),
  waterL: amount,
  /** Weeks until the first of the units needs it again; 0 where one does at once. */
  againWeeks: amount,
})
export type QuoteOption = z.infer<typeof quoteOptionSchema>
