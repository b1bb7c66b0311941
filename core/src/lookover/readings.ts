// What was measured on the unit, and can it be true?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, celsius, positiveUpTo, share } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'

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

/** Which readings contradict one another or physics, in cooling; each says what to do. */
export function doubtfulReadings(readings: Readings): { where: 'supplyC' | 'supplyRh'; what: Message; allowed: Message }[] {
  const { returnC, supplyC, returnRh, supplyRh } = readings
  const lines: ReturnType<typeof doubtfulReadings> = []
  if (supplyC >= returnC) {
    lines.push({
      where: 'supplyC',
      what: says('lookover.doubtfulReadings.supply-air-colder', { supply: { C: supplyC }, return: { C: returnC } }),
      allowed: says('lookover.doubtfulReadings.colder-allowed'),
    })
  } else if (supplyRh !== undefined && supplyRh < returnRh - 0.05) {
    lines.push({
      where: 'supplyRh',
      what: says('lookover.doubtfulReadings.supply-air-drier', { supply: { share: supplyRh }, return: { share: returnRh } }),
      allowed: says('lookover.doubtfulReadings.damper-allowed'),
    })
  }
  return lines
}
