// What is probably wrong, and can cleaning help it at all?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { round } from '../quantities/index.ts'
import { says, sentenceSchema, type Message } from '../words/index.ts'
import { partsToSee } from '../units/index.ts'
import { causes, type Cause, type Seen } from './causes.ts'
import { gradeOf, isGraded } from './lookover.ts'

export const diagnosisSchema = closed({
  cause: z.string(),
  weight: z.number(),
  cleaningHelps: z.literal(['yes', 'partly', 'no']),
  evidence: z.array(sentenceSchema(200)),
})
export type Diagnosis = Omit<z.infer<typeof diagnosisSchema>, 'evidence'> & { evidence: Message[] }

/** Whether every part that a cause sits on, of those that the unit has, was graded clear. */
const isCleared = ({ on }: Cause, { lookOver, design }: Seen): boolean => {
  const parts = partsToSee(lookOver.family, design).filter((part) => on?.includes(part))
  return parts.length > 0 && parts.every((part) => isGraded(lookOver, part) && gradeOf(lookOver, part) === 0)
}

/**
 * Causes that at least one sign speaks for, most likely first, with weights that add up to one.
 * Naive Bayes on log odds: prior weight times the product of exp(log odds) of the signs that hold.
 */
export function diagnose(seen: Seen): Diagnosis[] {
  const weighed = causes
    .filter((cause) => !isCleared(cause, seen))
    .map((cause) => {
      const holding = cause.signs.filter((sign) => sign.holds(seen))
      const speaksFor = holding.filter((sign) => sign.logOdds.value > 0)
      const against = holding.filter((sign) => sign.logOdds.value < 0)
      const odds = cause.prior.value * Math.exp(holding.reduce((sum, sign) => sum + sign.logOdds.value, 0))
      return { cause, speaksFor, against, odds }
    })
  const supported = weighed.filter(({ speaksFor }) => speaksFor.length > 0)
  const total = supported.reduce((sum, { odds }) => sum + odds, 0)
  return supported
    .sort((a, b) => b.odds - a.odds)
    .map(({ cause, speaksFor, against, odds }) => ({
      cause: cause.cause,
      weight: round(odds / total, 3),
      cleaningHelps: cause.helps,
      evidence: [
        ...speaksFor.map((sign) => says('lookover.evidence.for', { sign: sign.says })),
        ...against.map((sign) => says('lookover.evidence.against', { sign: sign.says })),
      ],
    }))
}
