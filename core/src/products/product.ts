// What is a cleaning product, and what does its label say?
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { amountUpTo, identifier, pH, positiveUpTo, shownName } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'

export const productClasses = [
  'mild-detergent',
  'self-rinsing-foam',
  'rinse-off-foam',
  'antimicrobial-foam',
  'outdoor-foam',
  'alkaline-degreaser',
  'chlorine-cleaner',
  'acid-cleaner',
  'pan-treatment',
] as const
export type ProductClass = (typeof productClasses)[number]
export const className = (kind: ProductClass): Message => says(`names.class.${kind}`)

const range = <S extends z.ZodNumber>(bound: S) =>
  z
    .tuple([bound, bound])
    .refine((limits) => Number(limits[0]) <= Number(limits[1]), orFault(says('fault.range.order'), says('fault.range.order-allowed')))

export const treatmentForms = ['tablet', 'strip', 'spray'] as const

export const labelSchema = closed({
  pH: range(pH).optional(),
  dilution: range(amountUpTo(1000)).optional(),
  dwellMin: range(amountUpTo(1440)).optional(),
  indoorSafe: z.boolean(),
  aluminiumSafe: z.boolean(),
  coatedFinsSafe: z.boolean().optional(),
  foodAreaAllowed: z.boolean().optional(),
  fragranced: z.boolean().optional(),
  rinse: z.literal(['required', 'optional', 'self-rinsing', 'none']),
  reentryMin: amountUpTo(10_080).optional(),
  lifeWeeks: positiveUpTo(260).optional(),
  /** As what a treatment is put into a pan. */
  form: z.literal(treatmentForms).optional(),
})
export type Label = z.infer<typeof labelSchema>

export const productSchema = closed({
  id: identifier,
  name: shownName,
  class: z.literal(productClasses),
  household: z.boolean().optional(),
  label: labelSchema,
  packLitres: positiveUpTo(1000).optional(),
  pricePerPack: amountUpTo(100_000).optional(),
  inStockLitres: amountUpTo(10_000).optional(),
})
export type Product = z.infer<typeof productSchema>
