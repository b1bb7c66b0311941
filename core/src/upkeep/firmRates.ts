// How fast do units foul in this firm's part of the world? What is known of it, and what is believed before anything is.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { estimate } from '../quantities/index.ts'

export const firmRatesSchema = closed({
  /** By how much units foul faster than surroundings and use alone say, as the logarithm of the ratio. */
  shift: z.number(),
  /** How much units differ among themselves: standard deviation of that logarithm. */
  spread: z.number(),
  /** Units that have taught it. */
  units: z.int(),
})
export type FirmRates = z.infer<typeof firmRatesSchema>

/** Starting point of the rates. */
export const believed = { shift: estimate(0, 'logarithm'), spread: estimate(0.45, 'logarithm') }
export const ratesAtFirst: FirmRates = { shift: believed.shift.value, spread: believed.spread.value, units: 0 }
