// Schemas: what all of them are made of, whatever they are about.
import { z } from 'zod'

/** An object that takes the named fields and no others; an unknown field is answered with the list of known ones. */
export function closed<Shape extends z.ZodRawShape>(shape: Shape) {
  const known = Object.keys(shape).join(', ')
  return z.strictObject(shape, { error: (issue) => (issue.code === 'unrecognized_keys' ? known : undefined) })
}
