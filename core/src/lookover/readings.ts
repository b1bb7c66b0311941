// What was measured on the unit?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, celsius, positiveUpTo, share } from '../quantities/index.ts'

/** Readings at steady cooling. Temperatures °C, humidities 0..1, airflow m³/h at the supply, current A. */
export const readingsSchema = closed({
  returnC: celsius,
  returnRh: share,
  supplyC: celsius,
  supplyRh: share.optional(),
  airflowM3h: positiveUpTo(20_000).optional(),
  amps: amountUpTo(200).optional(),
  flowTest: closed({ litres: positiveUpTo(20), seconds: positiveUpTo(3600) }).optional(),
  /** Velocities (m/s) at the centres of equal parts of the outlet, where the airflow comes from a traverse. */
  traverse: closed({ widthMm: positiveUpTo(3000), heightMm: positiveUpTo(2000), velocitiesMs: z.array(amountUpTo(30)).min(1).max(200) }).optional(),
  /** What the instruments may be off, where they say so themselves. */
  tolerance: closed({
    temperatureK: positiveUpTo(5).optional(),
    humidity: positiveUpTo(0.2).optional(),
    airflowShare: positiveUpTo(0.5).optional(),
  }).optional(),
  levelMmPerM: z.number().min(-200).max(200).optional(),
})
export type Readings = z.infer<typeof readingsSchema>
