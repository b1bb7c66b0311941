// How does a broken schema become lines that say where, what, and what is allowed?
import type { z } from 'zod'
import { isMessage, joined, says, type Key, type Message, type Sentence } from '../words/index.ts'
import { boundWord, Fault, type Bound, type FaultLine } from './Fault.ts'

/** For a rule that a schema states in code: what is wrong where it does not hold, and what is allowed instead. */
export const orFault = (what: Message, allowed: Message): { error: string; params: { what: Message; allowed: Message } } => ({
  error: what.key,
  params: { what, allowed },
})
/** For a form of text: how what is allowed is said. Keys of the catalogue alone, without values: schemas take no more. */
export const refusedAs = (key: Key): { error: string } => ({ error: key })

/**
 * Reads `input` by `schema`.
 * @throws Fault `does-not-hold-up` with one line per thing that is wrong.
 */
export function readBy<Schema extends z.ZodType>(schema: Schema, input: unknown, root = ''): z.output<Schema> {
  const result = schema.safeParse(input)
  if (result.success) return result.data
  throw new Fault('does-not-hold-up', { lines: linesOf(result.error.issues, input, root) })
}

/** No field has a longer name, characters. */
const longestKey = 80
/** Nobody reads more lines than these: of the rest is said how many there are. */
export const mostLines = 100

/** The first lines, and how many more there are. */
export const shortened = (lines: readonly FaultLine[], count = lines.length): FaultLine[] =>
  count <= mostLines
    ? [...lines]
    : [...lines.slice(0, mostLines), { where: says('fault.schema.rest'), what: says('fault.schema.more', { count: count - mostLines }), allowed: '' }]

/** How many lines an issue comes to. */
const countOf = (issue: z.core.$ZodIssue) => (issue.code === 'unrecognized_keys' ? issue.keys.length : 1)

/** Fault lines of a failed parse, as many as anybody reads; `root` stands before every path (`units[0]`). */
export function linesOf(issues: readonly z.core.$ZodIssue[], input: unknown, root = ''): FaultLine[] {
  const lines: FaultLine[] = []
  for (const issue of issues) {
    if (lines.length >= mostLines) break
    lines.push(...linesOfIssue(issue, input, root))
  }
  return shortened(
    lines,
    issues.reduce((sum, issue) => sum + countOf(issue), 0),
  )
}

function linesOfIssue(issue: z.core.$ZodIssue, input: unknown, root: string): FaultLine[] {
  const where = pathOf(issue.path, root)
  const value = valueAt(input, issue.path)
  switch (issue.code) {
    case 'invalid_value':
      return [line(where, value, joined({ comma: issue.values.map(shown) }))]
    case 'invalid_type':
      return [line(where, value, says(`fault.schema.${typeWord(issue.expected)}`))]
    case 'too_big':
      return [beyond(where, value, issue.origin, { is: issue.inclusive === false ? 'less than' : 'at most', value: Number(issue.maximum) })]
    case 'too_small':
      return [beyond(where, value, issue.origin, { is: issue.inclusive === false ? 'more than' : 'at least', value: Number(issue.minimum) })]
    case 'not_multiple_of':
      return [line(where, value, says('fault.schema.multiple', { of: { n: issue.divisor } }))]
    case 'unrecognized_keys':
      return issue.keys.slice(0, mostLines).map((key) => ({
        where: pathOf([...issue.path, key.length > longestKey ? `${key.slice(0, longestKey)}…` : key], root),
        what: says('fault.schema.unknown'),
        allowed: issue.message,
      }))
    case 'invalid_union':
      return [line(where, value, unionOptions(issue))]
    case 'invalid_format':
      return [line(where, value, formOf(issue))]
    case 'custom': {
      const { what, allowed } = issue.params ?? {}
      return [{ where, what: isMessage(what) ? what : issue.message, allowed: isMessage(allowed) ? allowed : '' }]
    }
    default:
      return [line(where, value, '')]
  }
}

function line(where: Sentence, value: unknown, allowed: Sentence, what?: Message): FaultLine {
  if (what) return { where, what, allowed }
  return {
    where,
    what: value === undefined ? says('fault.schema.missing') : says('fault.schema.not-allowed', { value: shown(value) }),
    allowed,
  }
}

function beyond(where: Sentence, value: unknown, origin: string, bound: Bound): FaultLine {
  const is = boundWord[bound.is]
  if (origin === 'array') return line(where, value, says('fault.schema.bound-entries', { is, count: bound.value }), sizeOf(value))
  if (origin === 'string') return line(where, value, says('fault.schema.bound-characters', { is, count: bound.value }), sizeOf(value))
  return { ...line(where, value, says('fault.schema.bound', { is, figure: { n: bound.value } })), bound }
}

function unionOptions(issue: z.core.$ZodIssueInvalidUnion): Sentence {
  const options =
    issue.errors.length === 0
      ? 'options' in issue
        ? (issue.options as unknown[])
        : []
      : issue.errors.flat().flatMap((inner) => (inner.code === 'invalid_value' ? inner.values : []))
  return options.length > 0 ? joined({ comma: options.map(shown) }) : ''
}

const forms = { date: 'day-form', datetime: 'moment-form', uuid: 'id-form', email: 'mail-form' } as const
const isForm = (format: string): format is keyof typeof forms => Object.hasOwn(forms, format)
/** How a text has to look: as the schema says by a key of the catalogue, else by the form that it names. */
function formOf({ format, message, pattern }: z.core.$ZodIssueInvalidStringFormat): Message {
  if (message.startsWith('fault.')) return { key: message as Key }
  return isForm(format) ? says(`fault.schema.${forms[format]}`) : says('fault.schema.pattern-form', { pattern: pattern ?? format })
}

const types = { int: 'whole-number', number: 'number', string: 'string', boolean: 'boolean', array: 'some-list', object: 'some-object' } as const
const typeWord = (expected: string) => (Object.hasOwn(types, expected) ? types[expected as keyof typeof types] : 'other')

function sizeOf(value: unknown): Message | undefined {
  if (Array.isArray(value)) return says('fault.schema.entries', { count: value.length })
  return typeof value === 'string' ? says('fault.schema.characters', { count: value.length }) : undefined
}

const longestShown = 60
/** A value as a fault quotes it: cut where nobody would read on. */
function shown(value: unknown): Sentence {
  if (Array.isArray(value)) return says('fault.schema.some-list')
  if (value !== null && typeof value === 'object') return says('fault.schema.some-object')
  const text = typeof value === 'string' ? `"${value}"` : String(value)
  return text.length > longestShown ? `${text.slice(0, longestShown - 3)}…` : text
}

function pathOf(path: readonly PropertyKey[], root: string): Sentence {
  const text = path.reduce<string>(
    (sofar, key) => (typeof key === 'number' ? `${sofar}[${key}]` : sofar ? `${sofar}.${String(key)}` : String(key)),
    root,
  )
  return text || says('fault.schema.whole')
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) => (value !== null && typeof value === 'object' ? (value as Record<PropertyKey, unknown>)[key] : undefined),
    input,
  )
}
