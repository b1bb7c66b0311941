// What does an instrument say? Timestamped values with unit and tolerance, as a real one would send them.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'

/** What is measured, by the field of `Readings` that it fills. */
export const quantities = ['returnC', 'returnRh', 'supplyC', 'supplyRh', 'airflowM3h', 'amps', 'levelMmPerM', 'flowTestS'] as const
export type MeasuredQuantity = (typeof quantities)[number]

export const instruments = ['return probe', 'supply probe', 'vane anemometer', 'clamp meter', 'level', 'flow-test cup'] as const
export type Instrument = (typeof instruments)[number]

export const instrumentReadingSchema = closed({
  instrument: z.literal(instruments),
  quantity: z.literal(quantities),
  value: z.number(),
  /** ± in the same unit. */
  tolerance: z.number().min(0),
  /** Smallest step that it shows. */
  step: z.number().gt(0),
  atMs: z.int(),
})
export type InstrumentReading = z.infer<typeof instrumentReadingSchema>

/** Litres that are poured into the pan for a flow test. */
export const flowTestLitres = 1
