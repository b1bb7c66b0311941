// How is a fault carried from where it is found to where a person reads it?
import { faultCatalogue, type FaultCode } from './catalogue.ts'

/** One thing that is wrong: where it stands, what was found there, what is allowed instead. */
export interface FaultLine {
  where: string
  what: string
  allowed: string
  /** The limit that was passed, in the unit in which the value is stored: whoever shows it may say it in another one. */
  bound?: Bound
}

export const boundKinds = ['at least', 'more than', 'at most', 'less than'] as const
export interface Bound {
  is: (typeof boundKinds)[number]
  value: number
}

/** The one error class of the product. `lines` says where and what; `details` replaces the general sentence. */
export class Fault extends Error {
  readonly code: FaultCode
  readonly status: number
  readonly lines: readonly FaultLine[]

  constructor(code: FaultCode, options: { sentence?: string; lines?: readonly FaultLine[] } = {}) {
    super(options.sentence ?? faultCatalogue[code].sentence)
    this.name = 'Fault'
    this.code = code
    this.status = faultCatalogue[code].status
    this.lines = options.lines ?? []
  }
}

/** A fault line as one sentence: `where: what; allowed: …`. */
export function sayFaultLine(line: FaultLine): string {
  return `${line.where}: ${line.what}${line.allowed ? `; allowed: ${line.allowed}` : ''}`
}
