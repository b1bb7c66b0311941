// What does a thing read like with every message in it said; and as a file for other programs, with each message beside its words?
import { z } from 'zod'
import { isMessage, isSentenceSchema, messageSchema, type Message } from './message.ts'
import type { Say } from './renderer.ts'

/** A thing with every message in it said: `{ title: Message }` becomes `{ title: string }`. */
export type Told<T> = [Message] extends [T]
  ? string | Exclude<T, Message>
  : T extends readonly (infer U)[]
    ? Told<U>[]
    : T extends object
      ? { [K in keyof T]: Told<T[K]> }
      : T
/** Says every message in a plan or whatever else has some, at any depth. */
export function tell<T>(thing: T, say: Say): Told<T>
export function tell(thing: unknown, say: Say): unknown {
  if (isMessage(thing)) return say(thing)
  if (Array.isArray(thing)) return thing.map((one: unknown) => tell(one, say))
  if (typeof thing !== 'object' || thing === null) return thing
  return Object.fromEntries(Object.entries(thing).map(([name, value]: [string, unknown]) => [name, tell(value, say)]))
}

/** What is inside of an optional field. */
const bare = (schema: unknown): unknown => (schema instanceof z.ZodOptional ? bare(schema.unwrap()) : schema)
const isList = (schema: unknown): schema is z.ZodArray => schema instanceof z.ZodArray && isSentenceSchema(schema.element)

/**
 * Under which name the message of each field stands beside its words: the first sentence of an object has it as `message`, the first list of
 * sentences as `messages`; any other has its own name before that: `howMessage`.
 */
function besides(shape: z.ZodRawShape): ReadonlyMap<string, string> {
  const names = new Map<string, string>()
  const taken = new Set<string>()
  for (const [field, schema] of Object.entries(shape)) {
    const own = bare(schema)
    const kind = isSentenceSchema(own) ? 'message' : isList(own) ? 'messages' : undefined
    if (kind === undefined) continue
    names.set(field, taken.has(kind) ? `${field}${kind.charAt(0).toUpperCase()}${kind.slice(1)}` : kind)
    taken.add(kind)
  }
  return names
}

/** The schema of a file: where `schema` takes messages, the file has words, and beside them the message that says the same in any language. */
export function toldSchema(schema: z.ZodType): z.ZodType {
  if (isSentenceSchema(schema)) return z.string()
  if (schema instanceof z.ZodOptional) return toldSchema(schema.unwrap() as z.ZodType).optional()
  if (schema instanceof z.ZodArray) return z.array(toldSchema(schema.element as z.ZodType))
  if (!(schema instanceof z.ZodObject)) return schema
  const shape = schema.shape as Record<string, z.ZodType>
  return z.strictObject({
    ...Object.fromEntries(Object.entries(shape).map(([field, own]) => [field, toldSchema(own)])),
    ...Object.fromEntries(
      [...besides(shape)].map(([field, name]) => [
        name,
        (isList(bare(shape[field])) ? z.array(messageSchema) : messageSchema).optional().describe(`The same as “${field}”, for any language.`),
      ]),
    ),
  })
}

/** A thing as a file has it, by the schema that takes its messages. Words that somebody gave have no message beside them. */
export function tellBeside(schema: z.ZodType, thing: unknown, say: Say): unknown {
  const own = bare(schema)
  if (isMessage(thing)) return say(thing)
  if (own instanceof z.ZodArray && Array.isArray(thing)) return thing.map((one: unknown) => tellBeside(own.element as z.ZodType, one, say))
  if (!(own instanceof z.ZodObject) || typeof thing !== 'object' || thing === null) return thing
  const shape = own.shape as Record<string, z.ZodType>
  const names = besides(shape)
  const fields = Object.entries(thing).flatMap(([field, value]: [string, unknown]) => {
    const name = names.get(field)
    const messages = Array.isArray(value) ? value.every(isMessage) && value.length > 0 : isMessage(value)
    return [[field, tellBeside(shape[field] ?? z.unknown(), value, say)], ...(name !== undefined && messages ? [[name, value]] : [])] as [
      string,
      unknown,
    ][]
  })
  return Object.fromEntries(fields)
}
