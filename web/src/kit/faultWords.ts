// How is what is wrong with a field said beside it: in words that need no knowledge of the program, in the unit on the screen?
import { boundWord, type FaultLine } from '@yastik/core/faults'
import { isMessage, type Sentence } from '@yastik/core/words'
import { say, t } from '../words/words.ts'

/** How a stored number reads on the screen. */
export type Read = (stored: number) => number | string

const plain: Read = (stored) => stored
const keyOf = (sentence: Sentence) => (isMessage(sentence) ? sentence.key : undefined)
const isEmpty = (sentence: Sentence) => isMessage(sentence) && sentence.values?.count === 0
/** Whether nothing was entered yet, rather than something wrong. */
export const isMissing = ({ what, allowed }: FaultLine): boolean =>
  keyOf(what) === 'fault.schema.missing' || (isEmpty(what) && isMessage(allowed) && allowed.values?.is === 'least')

const numbers = ['fault.schema.number', 'fault.schema.whole-number'] as const
const isNumber = (key: string | undefined) => numbers.some((own) => own === key)
const capital = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`

/** @param unit as it stands at the field */
export function sayAtField(line: FaultLine, read: Read = plain, unit = ''): string {
  const { bound, what, allowed } = line
  if (bound) return t('fault.field.enter', { is: boundWord[bound.is], value: read(bound.value), unit: unit === '' ? '' : ` ${unit}` })
  if (isMissing(line)) return t('fault.field.missing')
  if (isNumber(keyOf(allowed))) return t('fault.field.number', { number: allowed })
  const said = capital(say(what))
  return allowed === '' ? t('fault.field.what', { what: said }) : t('fault.field.what-allowed', { what: said, allowed })
}
