// What is a customer written who waits?
import { clockWords } from '../quantities/index.ts'
import { says, type Say } from '../words/index.ts'

export interface LateFacts {
  readonly firm: string
  readonly site: string
  /** When somebody was to be there, and when they will be, minutes from midnight. */
  readonly saidMin: number
  readonly expectedMin: number
  /** In the customer's language. */
  readonly say: Say
}

/** Told to five minutes, rather later. */
export function lateText({ firm, site, saidMin, expectedMin, say }: LateFacts): string {
  const expected = clockWords(Math.ceil(expectedMin / 5) * 5)
  return say(says('letters.late', { firm, site, expected, said: clockWords(saidMin) }))
}
