// What the van holds of each product, what came and went, what to buy, and what a day needs.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, identifier } from '../quantities/index.ts'
import { daySchema } from './records.ts'
import { sentenceSchema } from '../words/index.ts'

const recordId = z.uuid()
const litres = z.number()

export const moveKinds = ['bought', 'counted', 'thrown-out', 'used'] as const
export type MoveKind = (typeof moveKinds)[number]

/** What a person notes; what is used comes from the visits. A count is what is there, the others are what came or went. */
export const stockFormSchema = closed({
  productId: identifier,
  kind: z.literal(['bought', 'counted', 'thrown-out']),
  litres: amountUpTo(10_000),
  /** As printed on the pack. */
  lot: z.string().trim().max(40).default(''),
  labelDate: daySchema.optional(),
})
export type StockForm = z.input<typeof stockFormSchema>

const lotSchema = closed({ lot: z.string(), labelDate: daySchema.optional(), litres, past: z.boolean() })
export const stockRecordSchema = closed({
  products: z.array(
    closed({
      productId: z.string(),
      name: z.string(),
      /** Null where it was never counted. */
      usableL: litres.nullable(),
      lots: z.array(lotSchema),
      /** Used in a week, of late; and in the plans of the coming fortnight. */
      weeklyL: litres,
      plannedL: litres,
      buy: closed({ litres, packs: z.int().optional(), cost: z.number().optional() }).nullable(),
    }),
  ),
})
export type StockRecord = z.infer<typeof stockRecordSchema>

export const stockMoveSchema = closed({
  id: recordId,
  at: z.iso.datetime(),
  productId: z.string(),
  name: z.string(),
  kind: z.literal(moveKinds),
  litres,
  lot: z.string(),
  by: z.string(),
  /** The visit on which it was used. */
  job: closed({ id: recordId, unitId: recordId, siteName: z.string() }).nullable(),
})
export const stockMovesSchema = closed({ entries: z.array(stockMoveSchema), next: z.string().nullable() })
export type StockMoves = z.infer<typeof stockMovesSchema>

const loadItem = {
  item: sentenceSchema(200),
  quantity: z.number(),
  unit: sentenceSchema(40),
  why: sentenceSchema(400),
  sites: z.array(z.string()),
}
/** What has to be in the vans for a day: all together, with what the firm has of it, and what each crew takes. */
export const dayLoadSchema = closed({
  day: daySchema,
  visits: z.array(
    closed({
      jobId: recordId,
      siteName: z.string(),
      units: z.array(closed({ unitId: recordId, name: z.string(), source: z.literal(['agreed', 'looked-over', 'forecast', 'supposed']) })),
    }),
  ),
  items: z.array(closed({ ...loadItem, has: z.number().optional(), short: z.number().optional() })),
  crews: z.array(closed({ crewIds: z.array(z.int()), crew: z.array(z.string()), jobIds: z.array(recordId), items: z.array(closed(loadItem)) })),
})
export type DayLoad = z.infer<typeof dayLoadSchema>
