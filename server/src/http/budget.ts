// How much may be in what is sent? Looked at before it is taken apart: that takes its time for every value, and so does a schema, which words each fault.
import { Fault, linesOf } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'

/** How many values there may be in all, and how deep they may stand in one another. */
export interface Budget {
  readonly values: number
  readonly depth: number
}
/** Of what one person sends at a time. */
const usualBudget: Budget = { values: 60_000, depth: 40 }

const [quote, backslash, comma] = [0x22, 0x5c, 0x2c]
const [openList, closeList, openObject, closeObject] = [0x5b, 0x5d, 0x7b, 0x7d]

/** Whether a text of JSON holds more values than may be, or deeper ones: by its signs alone, whatever they come to. */
function isBeyond(bytes: Uint8Array, { values, depth }: Budget): boolean {
  let count = 0
  let level = 0
  let isText = false
  for (let at = 0; at < bytes.length; at++) {
    const sign = bytes[at]
    if (isText) {
      if (sign === backslash) at++
      else if (sign === quote) isText = false
    } else if (sign === quote) isText = true
    else if (sign === comma) count++
    else if (sign === openList || sign === openObject) {
      count++
      level++
    } else if (sign === closeList || sign === closeObject) level--
    if (count > values || level > depth) return true
  }
  return false
}

/** @throws Fault `too-large` where a text of JSON holds more than it may */
export function checkBudget(bytes: Uint8Array, budget: Budget): void {
  if (!isBeyond(bytes, budget)) return
  const allowed = says('fault.call.many-values-allowed', { most: budget.values, deep: budget.depth })
  throw new Fault('too-large', { lines: [{ where: says('fault.call.body'), what: says('fault.call.many-values'), allowed }] })
}

/** Bodies of JSON are held against the budget before they are taken apart. */
export function readWithinBudget(app: FastifyInstance): void {
  const parse = app.getDefaultJsonParser('error', 'error')
  app.removeContentTypeParser('application/json')
  app.addContentTypeParser('application/json', { parseAs: 'buffer' }, (request, body, done) => {
    const bytes = body as Buffer
    try {
      checkBudget(bytes, usualBudget)
    } catch (error) {
      return done(error as Fault)
    }
    return parse(request, bytes.toString('utf8'), done)
  })
}

/** Lists that are longer than their schema allows: they are turned down as they are, without a look at what is in them. */
function longLists(schema: z.ZodType, input: unknown): z.core.$ZodIssue[] {
  if (!(schema instanceof z.ZodObject) || input === null || typeof input !== 'object') return []
  return Object.entries(input).flatMap(([name, value]): z.core.$ZodIssue[] => {
    if (!Array.isArray(value) || !Object.hasOwn(schema.shape, name)) return []
    const { maximum } = (schema.shape as Record<string, z.ZodType>)[name]._zod.bag
    return typeof maximum === 'number' && value.length > maximum
      ? [{ code: 'too_big', origin: 'array', maximum, inclusive: true, path: [name], message: '', input: value }]
      : []
  })
}

/** The fault of a body with a list that is longer than it may be. */
export function beyondBudget(schema: z.ZodType, input: unknown): Fault | undefined {
  const lists = longLists(schema, input)
  return lists.length > 0 ? new Fault('does-not-hold-up', { lines: linesOf(lists, input, '') }) : undefined
}
