// How is a fault carried from where it is found to where a person reads it?
import { says, type Message, type Sentence } from '../words/index.ts'
import { faultStatus, type FaultCode } from './catalogue.ts'

/** One thing that is wrong: where it stands, what was found there, what is allowed instead (empty where nothing is to be said of it). */
export interface FaultLine {
  where: Sentence
  what: Sentence
  allowed: Sentence
  /** The limit that was passed, in the unit in which the value is stored: whoever shows it may say it in another one. */
  bound?: Bound
}

export const boundKinds = ['at least', 'more than', 'at most', 'less than'] as const
export interface Bound {
  is: (typeof boundKinds)[number]
  value: number
}

/** A bound by the word that the catalogue's texts choose by. */
export const boundWord = { 'at least': 'least', 'more than': 'more', 'at most': 'most', 'less than': 'other' } as const satisfies Record<
  Bound['is'],
  string
>

/** The one error class of the product. `lines` says where and what; `sentence` is what the catalogue says of the code, where nothing else is given. */
export class Fault extends Error {
  readonly code: FaultCode
  readonly status: number
  readonly sentence: Sentence
  readonly lines: readonly FaultLine[]

  constructor(code: FaultCode, options: { sentence?: Sentence; lines?: readonly FaultLine[] } = {}) {
    super(code)
    this.name = 'Fault'
    this.code = code
    this.status = faultStatus[code]
    this.sentence = options.sentence ?? { key: `fault.${code}` }
    this.lines = options.lines ?? []
  }
}

/** What was sent does not hold up, in one place. */
export const doesNotHoldUp = (where: Sentence, what: Sentence, allowed: Sentence = ''): Fault =>
  new Fault('does-not-hold-up', { lines: [{ where, what, allowed }] })

/** A fault line as one sentence: `where: what; allowed: …`. */
export const faultLine = ({ where, what, allowed }: FaultLine): Message =>
  allowed === '' ? says('fault.line', { where, what }) : says('fault.line-allowed', { where, what, allowed })
