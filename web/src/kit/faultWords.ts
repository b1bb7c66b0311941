// How is what is wrong with a field said beside it: in words that need no knowledge of the program, in the unit on the screen?
import type { FaultLine } from '@yastik/core/faults'

/** How a stored number reads on the screen. */
export type Read = (stored: number) => number | string

const plain: Read = (stored) => stored
/** Whether nothing was entered yet, rather than something wrong. */
export const isMissing = ({ what, allowed }: FaultLine): boolean =>
  what === 'this is missing' || (what.startsWith('there are 0 ') && allowed.startsWith('at least'))

/** @param unit as it stands at the field */
export function sayAtField(line: FaultLine, read: Read = plain, unit = ''): string {
  if (line.bound) return `Enter ${line.bound.is} ${read(line.bound.value)}${unit === '' ? '' : ` ${unit}`}.`
  if (isMissing(line)) return 'This is still missing.'
  if (/^a (whole )?number$/.test(line.allowed)) return `Enter ${line.allowed}.`
  const what = line.what[0]?.toUpperCase() + line.what.slice(1)
  return line.allowed === '' ? `${what}.` : `${what}. Allowed: ${line.allowed}.`
}
