// A list that is longer than its schema allows is turned down as it is, without a look at what is in it: a schema words a fault for each of its entries.
import { Fault, linesOf } from '@yastik/core/faults'
import { z } from 'zod'

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

/** The fault of a body with a list that is longer than it may be; undefined where there is none. */
export function longListFault(schema: z.ZodType, input: unknown): Fault | undefined {
  const lists = longLists(schema, input)
  return lists.length > 0 ? new Fault('does-not-hold-up', { lines: linesOf(lists, input, '') }) : undefined
}
