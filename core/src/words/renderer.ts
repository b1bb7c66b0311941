// How does a message become a text? Looked up in the catalogue of a language, its values as this person reads them.
import { FormatError, IntlMessageFormat } from 'intl-messageformat'
import type { Measures } from '../quantities/index.ts'
import { isMessage, type Joined, type Key, type Message, type Sentence, type Value } from './message.ts'
import { quantityIn, type Reader, type Span } from './quantity.ts'

/** A language's texts by key; and for names that other words agree with, their gender, as the texts ask for it: `{partGender, select, …}`. */
export interface Catalogue {
  /** By which dates, figures and lists are written: BCP 47. */
  readonly locale: string
  readonly texts: Readonly<Partial<Record<Key, string>>>
  readonly genders?: Readonly<Partial<Record<Key, string>>>
  /** Names of the products that a van holds where nobody described others, by what they are called in English: names that a firm gives stay as they are. */
  readonly products?: Readonly<Record<string, string>>
}
export type Say = (sentence: Sentence) => string

const joins = ['and', 'or', 'comma', 'semicolon', 'sentences', 'allOf', 'anyOf', 'lower'] as const
const isJoined = (value: object): value is Joined => joins.some((how) => how in value)
const lists = new Map<string, Intl.ListFormat>()
function listIn(locale: string, type: 'conjunction' | 'disjunction'): Intl.ListFormat {
  const known = lists.get(`${locale} ${type}`) ?? new Intl.ListFormat(locale, { type })
  lists.set(`${locale} ${type}`, known)
  return known
}
/** The first letter large, and a full stop where the text ends without one. */
const asSentence = (words: string, locale: string): string =>
  words === '' ? '' : `${words.charAt(0).toLocaleUpperCase(locale)}${words.slice(1)}${/[.!?]$/.test(words) ? '' : '.'}`

/** Of a key that nothing has words for: what it names, as the last part of it does. */
const unknown = (key: string): string => key.replace(/^names\.[^.]+\./, '')

/** Texts with values, taken apart once for each language. */
const parsed = new WeakMap<Catalogue, Map<string, IntlMessageFormat>>()
function formatOf(catalogue: Catalogue, key: Key, text: string): IntlMessageFormat {
  const own = parsed.get(catalogue) ?? new Map<string, IntlMessageFormat>()
  parsed.set(catalogue, own)
  const known = own.get(key) ?? new IntlMessageFormat(text, catalogue.locale, undefined, { ignoreTag: true })
  own.set(key, known)
  return known
}

/**
 * What says messages to somebody: in the language of `catalogue`, in their measures and currency. Words that somebody wrote stay as they are; a key
 * that the catalogue does not have, as in the log of a later version, is said as it is.
 */
export function sayIn(catalogue: Catalogue, { measures, currency }: { measures: Measures; currency?: string }): Say {
  const { locale, texts, genders = {}, products = {} } = catalogue
  const reader: Reader = { locale, measures, ...(currency === undefined ? {} : { currency }) }
  const span = (unit: Span, count: number) => filled({ key: `names.span.${unit}`, values: { count, figure: { n: count } } })
  /** One after the other, with the same word between them: brackets around parts keep “and” and “or” apart. */
  const inTurn = (key: 'when.and' | 'when.or', all: readonly Sentence[]) =>
    all.length === 0 ? '' : all.map(say).reduce((first, second) => filled({ key, values: { first, second } }))
  function joined(value: Joined): string {
    if ('and' in value) return listIn(locale, 'conjunction').format(value.and.map(say))
    if ('or' in value) return listIn(locale, 'disjunction').format(value.or.map(say))
    if ('comma' in value) return value.comma.map(say).join(', ')
    if ('semicolon' in value) return value.semicolon.map(say).join('; ')
    if ('allOf' in value) return inTurn('when.and', value.allOf)
    if ('anyOf' in value) return inTurn('when.or', value.anyOf)
    if ('lower' in value) {
      const words = say(value.lower)
      return `${words.charAt(0).toLocaleLowerCase(locale)}${words.slice(1)}`
    }
    return value.sentences
      .map((one) => asSentence(say(one), locale))
      .filter((words) => words !== '')
      .join(' ')
  }
  function read(value: Value): string | number {
    if (typeof value === 'string') return products[value] ?? value
    if (typeof value === 'number') return value
    if (isMessage(value)) return filled(value)
    return isJoined(value) ? joined(value) : quantityIn(value, reader, span)
  }
  function filled({ key, values }: Message): string {
    const text = texts[key]
    if (text === undefined || values === undefined) return text ?? unknown(key)
    const given: Record<string, string | number> = {}
    for (const [name, value] of Object.entries(values)) {
      given[name] = read(value)
      if (typeof value === 'object' && isMessage(value)) given[`${name}Gender`] = genders[value.key] ?? 'other'
    }
    try {
      return String(formatOf(catalogue, key, text).format(given))
    } catch (error) {
      // A message of another version, without what this one's text asks for.
      if (error instanceof FormatError) return unknown(key)
      throw error
    }
  }
  const say: Say = (sentence) => (typeof sentence === 'string' ? (products[sentence] ?? sentence) : filled(sentence))
  return say
}
