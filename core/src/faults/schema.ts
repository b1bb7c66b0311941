// How does a broken schema become sentences that say where, what, and what is allowed?
import { z } from 'zod'
import { Fault, type Bound, type FaultLine } from './Fault.ts'

/** An object that takes the named fields and no others; an unknown field is answered with the list of known ones. */
export function closed<Shape extends z.ZodRawShape>(shape: Shape) {
  const known = Object.keys(shape).join(', ')
  return z.strictObject(shape, {
    error: (issue) => (issue.code === 'unrecognized_keys' ? `allowed: ${known}` : undefined),
  })
}

/**
 * Reads `input` by `schema`.
 * @throws Fault `does-not-hold-up` with one line per thing that is wrong.
 */
export function readBy<Schema extends z.ZodType>(schema: Schema, input: unknown, root = ''): z.output<Schema> {
  const result = schema.safeParse(input)
  if (result.success) return result.data
  throw new Fault('does-not-hold-up', { lines: linesOf(result.error.issues, input, root) })
}

/** Fault lines of a failed parse; `root` stands before every path (`units[0]`). */
export function linesOf(issues: readonly z.core.$ZodIssue[], input: unknown, root = ''): FaultLine[] {
  return issues.flatMap((issue) => {
    const where = pathOf(issue.path, root)
    const value = valueAt(input, issue.path)
    switch (issue.code) {
      case 'invalid_value':
        return line(where, value, issue.values.map((allowed) => say(allowed)).join(', '))
      case 'invalid_type':
        return line(where, value, expectedType(issue.expected))
      case 'too_big':
        return beyond(where, value, issue.origin, { is: issue.inclusive === false ? 'less than' : 'at most', value: Number(issue.maximum) })
      case 'too_small':
        return beyond(where, value, issue.origin, { is: issue.inclusive === false ? 'more than' : 'at least', value: Number(issue.minimum) })
      case 'unrecognized_keys':
        return issue.keys.map((key) => ({
          where: pathOf([...issue.path, key], root),
          what: 'nothing of this name is known here',
          allowed: issue.message.replace(/^allowed: /, ''),
        }))
      case 'invalid_union':
        return line(where, value, unionOptions(issue))
      case 'custom':
        return { where, what: issue.message, allowed: String(issue.params?.allowed ?? '') }
      default:
        return line(where, value, issue.message)
    }
  })
}

function line(where: string, value: unknown, allowed: string, what?: string): FaultLine {
  if (what) return { where, what, allowed }
  return { where, what: value === undefined ? 'this is missing' : `${say(value)} is not allowed`, allowed }
}

function beyond(where: string, value: unknown, origin: string, bound: Bound): FaultLine {
  const own = line(where, value, `${bound.is} ${bound.value}${unitOf(origin)}`, sizeOf(value, origin))
  return unitOf(origin) === '' ? { ...own, bound } : own
}

function unionOptions(issue: z.core.$ZodIssueInvalidUnion): string {
  if (issue.errors.length === 0) return 'options' in issue ? (issue.options as unknown[]).map(say).join(', ') : issue.message
  const options = issue.errors.flat().flatMap((inner) => (inner.code === 'invalid_value' ? inner.values.map(say) : []))
  return options.length > 0 ? options.join(', ') : issue.message
}

function expectedType(expected: string): string {
  return expected === 'int' ? 'a whole number' : expected === 'array' ? 'a list' : `a ${expected}`
}

function unitOf(origin: string): string {
  return origin === 'array' ? ' entries' : origin === 'string' ? ' characters' : ''
}

function sizeOf(value: unknown, origin: string): string | undefined {
  if (origin === 'array' && Array.isArray(value)) return `there are ${value.length} entries`
  if (origin === 'string' && typeof value === 'string') return `there are ${value.length} characters`
  return undefined
}

function say(value: unknown): string {
  if (Array.isArray(value)) return 'a list'
  if (value !== null && typeof value === 'object') return 'an object'
  const text = typeof value === 'string' ? `"${value}"` : String(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

function pathOf(path: readonly PropertyKey[], root: string): string {
  const text = path.reduce<string>(
    (sofar, key) => (typeof key === 'number' ? `${sofar}[${key}]` : sofar ? `${sofar}.${String(key)}` : String(key)),
    root,
  )
  return text || 'the whole'
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) => (value !== null && typeof value === 'object' ? (value as Record<PropertyKey, unknown>)[key] : undefined),
    input,
  )
}
