// What does the core say, before anybody puts it into words? A key of the catalogue and the values that go with it.
import { z } from 'zod'
import type { English } from './en/index.ts'
import type { Quantity } from './quantity.ts'

/**
 * Several of them, as a language joins them: a, b and c; a, b or c; a, b; a; b; each as a sentence of its own; as a rule says that all or any must hold;
 * and one that stands in the middle of a sentence.
 */
export type Joined =
  | { readonly and: readonly Said[] }
  | { readonly or: readonly Said[] }
  | { readonly comma: readonly Said[] }
  | { readonly semicolon: readonly Said[] }
  | { readonly sentences: readonly Said[] }
  | { readonly allOf: readonly Said[] }
  | { readonly anyOf: readonly Said[] }
  | { readonly lower: Said }
/** One of a list: a message, or a name that somebody gave. */
type Said = Message | string
/** Names that people gave are texts; counts are numbers; everything with a unit is a quantity. */
export type Value = string | number | Quantity | Message | Joined
export type Values = Readonly<Record<string, Value>>

export type Key = keyof English
/** A sentence for people that no language has put into words yet. */
export interface Message {
  readonly key: Key
  readonly values?: Values
}
/** What is stored: a message; or the words themselves, where somebody wrote them, or an earlier version of this program stored them. */
export type Sentence = Message | string

declare const asksFor: unique symbol
/** A text of the catalogue with values in it, each by its name and kind. */
export type Text<V> = string & { readonly [asksFor]: V }
/** Declares which values a text of the English catalogue has; a plain string has none. */
export const text = <V>(words: string): Text<V> => words as Text<V>
/** What a text of the catalogue has to be given, as the rest of a call. */
export type ValuesOf<K extends Key> = English[K] extends Text<infer V extends Values> ? [values: V] : []

/** A message: the key of a text, and the values that it asks for. Neither a key that is not there nor a value too few compiles. */
export function says<K extends Key>(key: K, ...[values]: ValuesOf<K>): Message {
  return values === undefined ? { key } : { key, values }
}

/** Several as one. */
export const joined = (list: Joined): Message => says('names.joined', { list })

/** The name of something that goes by an id of its own: by its key, where the catalogue has one; a test walks all that there are. */
export const nameOf = (
  group: 'component' | 'fastener' | 'cause' | 'item' | 'surroundings' | 'school' | 'schoolSentence' | 'choice',
  id: string,
): Message => ({
  key: `names.${group}.${id}` as Key,
})

/** A key, perhaps values, and nothing else: other things have keys too. */
export const isMessage = (value: unknown): value is Message =>
  typeof value === 'object' &&
  value !== null &&
  'key' in value &&
  typeof value.key === 'string' &&
  value.key.includes('.') &&
  Object.keys(value).length === ('values' in value ? 2 : 1)

/** Two messages that say the same. */
export const isSame = (one: Sentence, other: Sentence): boolean => one === other || JSON.stringify(one) === JSON.stringify(other)

const longest = 2000
const mostSaid = 200
/** Messages in messages: deeper than the core ever puts them. */
const deepest = 12
const dates = ['day', 'month', 'monthAlone'] as const
const lists = ['and', 'or', 'comma', 'semicolon', 'sentences', 'allOf', 'anyOf'] as const
/** Whether something that came from outside is a value, its own values included. */
function isValue(value: unknown, depth = 0): boolean {
  if (typeof value === 'number' || typeof value === 'string') return String(value).length <= longest
  if (typeof value !== 'object' || value === null || depth > deepest) return false
  if ('key' in value) return isMessageWhole(value, depth + 1)
  const entries: [string, unknown][] = Object.entries(value)
  const [[name, own] = ['', undefined]] = entries
  if (entries.length !== 1) return false
  if (name === 'lower') return isValue(own, depth + 1)
  if (lists.some((how) => how === name)) return Array.isArray(own) && own.length <= mostSaid && own.every((one) => isValue(one, depth + 1))
  return typeof own === 'number' || (dates.some((date) => date === name) && typeof own === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(own))
}
function isMessageWhole(value: object, depth: number): boolean {
  const { key, values = {}, ...rest } = value as { key?: unknown; values?: unknown }
  return (
    typeof key === 'string' &&
    key.length <= 120 &&
    Object.keys(rest).length === 0 &&
    typeof values === 'object' &&
    values !== null &&
    Object.values(values).every((own) => isValue(own, depth))
  )
}
/** A message as it is stored and sent. */
export const messageSchema = z
  .strictObject({
    key: z.string().max(120).describe('Which text of the catalogue says it.'),
    values: z
      .record(z.string().max(40), z.unknown())
      .describe('What the text asks for, by name: texts, counts, quantities by their unit as { "L": 0.012 }, further messages.')
      .optional(),
  })
  .refine((message) => isMessageWhole(message, 0), {
    error: 'fault.message.value',
    params: { what: says('fault.message.value'), allowed: says('fault.message.value-allowed', { form: '{ "L": 0.012 }' }) },
  }) as unknown as z.ZodType<Message>

const sentenceSchemas = new WeakSet<object>()
/** Words that somebody wrote or that an earlier version stored, or a message. */
export function sentenceSchema(longestWords: number): z.ZodType<Sentence> {
  const schema = z.union([z.string().max(longestWords), messageSchema])
  sentenceSchemas.add(schema)
  return schema
}
export const isSentenceSchema = (schema: unknown): boolean => typeof schema === 'object' && schema !== null && sentenceSchemas.has(schema)
