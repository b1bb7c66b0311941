// How much may be in what is sent? Looked at before it is taken apart: that takes its time for every value, and so does a schema, which words each fault.
import { Fault } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import type { FastifyInstance } from 'fastify'

/** How many values there may be in all, how deep they may stand in one another, how many names one object may have, and how long a text may be, bytes. */
export interface Budget {
  readonly values: number
  readonly depth: number
  readonly names: number
  readonly text: number
}
/** Of what one person sends at a time. */
export const usualBudget: Budget = { values: 60_000, depth: 40, names: 2000, text: 2_500_000 }

const [quote, backslash, comma, colon] = [0x22, 0x5c, 0x2c, 0x3a]
const [openList, closeList, openObject, closeObject] = [0x5b, 0x5d, 0x7b, 0x7d]

/** Whether a text of JSON holds more values than may be, deeper ones, more names in one object, or longer texts: by its signs alone, whatever they come to. */
function isBeyond(bytes: Uint8Array, { values, depth, names, text }: Budget): boolean {
  let count = 0
  let level = 0
  let isText = false
  let textFrom = 0
  /** Names so far of what is open at each depth. */
  const named = new Uint32Array(depth + 1)
  for (let at = 0; at < bytes.length; at++) {
    const sign = bytes[at]
    if (isText) {
      if (sign === backslash) at++
      else if (sign === quote) isText = false
      else if (at - textFrom > text) return true
    } else if (sign === quote) [isText, textFrom] = [true, at]
    else if (sign === comma) count++
    else if (sign === colon) {
      if (++named[Math.max(0, level)] > names) return true
    } else if (sign === openList || sign === openObject) {
      count++
      level++
      if (level > depth) return true
      named[Math.max(0, level)] = 0
    } else if (sign === closeList || sign === closeObject) level--
    if (count > values) return true
  }
  return false
}

/** @throws Fault `too-large` where a text of JSON holds more than it may */
export function checkBudget(bytes: Uint8Array, budget: Budget): void {
  if (!isBeyond(bytes, budget)) return
  const allowed = says('fault.call.many-values-allowed', { most: budget.values, deep: budget.depth, names: budget.names, mb: budget.text / 1e6 })
  throw new Fault('too-large', { lines: [{ where: says('fault.call.body'), what: says('fault.call.many-values'), allowed }] })
}

/** What a text of JSON holds, once it was held against a budget. @throws Fault `too-large`; `not-json` */
export function readJson(bytes: Uint8Array, budget: Budget): unknown {
  checkBudget(bytes, budget)
  try {
    return JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    throw new Fault('not-json')
  }
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
