// A text that somebody writes for a key of the catalogue: does it hold up, and how does it read?
import { IntlMessageFormat } from 'intl-messageformat'
import { languages } from '../folders.ts'
import { catalogueOf } from '../languages.ts'
import { says, type Key, type Message, type Value, type Values } from '../message.ts'
import type { Catalogue } from '../renderer.ts'
import { kindOfWordable, type Wording } from '../wording.ts'

type Element = ReturnType<IntlMessageFormat['getAst']>[number]
/** How a value stands in a text: as it is, counted or chosen by; or as numbers and dates are written by the format itself, which no text of ours does. */
type Use = 'value' | 'counted' | 'chosen' | 'formatted'
interface Used {
  readonly name: string
  readonly use: Use
}
/** Kinds of elements, as the reader of the format numbers them. */
const [literal, argument, select, plural, pound] = [0, 1, 5, 6, 7]
const useOf = (type: number): Use => (type === argument ? 'value' : type === plural ? 'counted' : type === select ? 'chosen' : 'formatted')
/** What is put in, inside of plurals and selections too. */
function usedIn(elements: readonly Element[]): Used[] {
  return elements.flatMap((element) => {
    if (element.type === literal || element.type === pound || !('value' in element)) return []
    const own = { name: element.value, use: useOf(element.type) }
    return 'options' in element ? [own, ...Object.values(element.options).flatMap(({ value }) => usedIn(value))] : [own]
  })
}
const parsed = (text: string, locale: string) => new IntlMessageFormat(text, locale, undefined, { ignoreTag: true }).getAst()
const shippedUses = ({ texts, locale }: Catalogue, key: Key): Used[] => usedIn(parsed(texts[key] ?? '', locale))

/** Values that a text may have in it, by name. */
export const valuesOf = (catalogue: Catalogue, key: Key): string[] => [...new Set(shippedUses(catalogue, key).map(({ name }) => name))]

interface TextFault {
  readonly what: Message
  readonly allowed: Message
}
/**
 * What is wrong with somebody's own text for a key; undefined where nothing is. A value may stand as it does in the text that ships, and a count as a
 * figure: anything else would be said wrongly, or not at all.
 * @param catalogue of its language, as it ships
 */
export function faultOfText(catalogue: Catalogue, key: string, text: string): TextFault | undefined {
  if (kindOfWordable(key) === undefined || catalogue.texts[key as Key] === undefined)
    return { what: says('fault.wording.key'), allowed: says('fault.wording.key-allowed') }
  const shipped = shippedUses(catalogue, key as Key)
  const names = valuesOf(catalogue, key as Key)
  const allowed =
    names.length > 0 ? says('fault.wording.value-allowed', { list: { comma: names.map((name) => `{${name}}`) } }) : says('fault.wording.no-value')
  const may = ({ name, use }: Used) => shipped.some((own) => own.name === name && (own.use === use || (use === 'value' && own.use === 'counted')))
  try {
    const strange = usedIn(parsed(text, catalogue.locale)).find((used) => !may(used))
    if (strange === undefined) return undefined
    const name = `{${strange.name}}`
    return { what: names.includes(strange.name) ? says('fault.wording.use', { name }) : says('fault.wording.value', { name }), allowed }
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return { what: says('fault.wording.braces'), allowed }
  }
}

/** What is wrong with what a firm says, each at its place below `root`. */
export async function faultsOfWording(wording: Wording, root: string): Promise<(TextFault & { readonly where: string })[]> {
  const faults = await Promise.all(
    languages.map(async (language) => {
      const catalogue = await catalogueOf(language)
      return Object.entries(wording[language] ?? {}).flatMap(([key, text]) => {
        const fault = faultOfText(catalogue, key, text)
        return fault ? [{ where: `${root}.${language}.${key}`, ...fault }] : []
      })
    }),
  )
  return faults.flat()
}

/** Made-up values by which a text is shown; those that no other sentence makes stand by their name. */
const samples: Readonly<Record<string, Value>> = {
  work: says('letters.work.deep-clean'),
  covers: { and: [says('letters.covers.filter'), says('letters.covers.light-clean')] },
  month: { month: '2027-03-01' },
  low: { monthAlone: '2027-01-01' },
  high: { month: '2027-05-01' },
  grade: '2',
  letter: 'A',
  way: says('names.family.wall-head'),
  price: { money: 180 },
  day: { day: '2027-01-15' },
  tax: { n: 20 },
  expected: '13:45',
  said: '13:00',
  family: says('names.family.wall-head'),
  part: says('names.part.coilBack'),
  parts: { comma: [says('names.part.coilFace'), says('names.part.wheel')] },
  after: { min: 15 },
  before: { share: 0.42 },
  now: { share: 0.03 },
  flow: { LMin: 1.6 },
  dilution: { n: 8 },
  limit: { LMin: 1 },
}
/** A text of the catalogue with made-up values, as a message. @param own values that are known */
export const sampleOf = (catalogue: Catalogue, key: Key, own: Values = {}): Message => {
  const names = valuesOf(catalogue, key)
  return names.length === 0 ? { key } : { key, values: Object.fromEntries(names.map((name) => [name, own[name] ?? samples[name] ?? `‹${name}›`])) }
}
