// How much may be in what is sent? Looked at before any schema is: a schema looks at every value, however many there are, and words each fault.
import { Fault, linesOf } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import { z } from 'zod'

/** Values of a body in all, and how deep they may stand in one another. */
const mostValues = 60_000
const mostDepth = 40

/** Whether there are more values than may be, or deeper ones; looked at no further than that. */
function isBeyond(input: unknown): boolean {
  let level: unknown[] = [input]
  let count = 0
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > mostDepth) return true
    const next: unknown[] = []
    for (const value of level) {
      if (value === null || typeof value !== 'object') continue
      const inside: unknown[] = Array.isArray(value) ? value : Object.values(value)
      count += inside.length
      if (count > mostValues) return true
      for (const own of inside) if (own !== null && typeof own === 'object') next.push(own)
    }
    level = next
  }
  return false
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

/** The fault of a body that holds more than anybody may send. */
export function beyondBudget(schema: z.ZodType, input: unknown): Fault | undefined {
  if (isBeyond(input))
    return new Fault('too-large', {
      lines: [
        {
          where: says('fault.call.body'),
          what: says('fault.call.many-values'),
          allowed: says('fault.call.many-values-allowed', { most: mostValues, deep: mostDepth }),
        },
      ],
    })
  const lists = longLists(schema, input)
  return lists.length > 0 ? new Fault('does-not-hold-up', { lines: linesOf(lists, input, '') }) : undefined
}
