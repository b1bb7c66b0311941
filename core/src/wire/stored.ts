// Which words go on record as they are, and are said by the catalogue? What an earlier version put there reads in every language as well.
import { says, type Sentence } from '../words/index.ts'

export const stored = {
  byCode: 'by a code',
  own: 'their own',
  oneSession: 'one of their own',
  otherSessions: 'their own but one',
  wholeFirm: 'the whole firm',
  someProgram: 'Some program',
  fromBundle: 'read from a bundle',
  customerEnded: 'the customer had ended it',
  consentGone: 'the consent for this address is gone',
  waitedElsewhere: 'it waited in the instance that it came from',
} as const
type Stored = keyof typeof stored

const nameOf = new Map<string, Stored>(Object.entries(stored).map(([name, words]) => [words, name as Stored]))
/** What is on record, to be said: anything that nobody here put there is said as it stands. */
export function ofStored(words: string): Sentence {
  const name = nameOf.get(words)
  return name === undefined ? words : says(`stored.${name}`)
}
