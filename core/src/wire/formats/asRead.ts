// How does a schema for other programs say what our reader does with a text before it looks at it?
import type { z } from 'zod'

/** The reader takes blanks off both ends first: what is left has a least and a greatest length, and a pattern where it has one. */
export function asRead({ zodSchema, jsonSchema }: { zodSchema: z.core.$ZodType; jsonSchema: z.core.JSONSchema.BaseSchema }): void {
  const { checks = [] } = zodSchema._zod.def
  if (jsonSchema.type !== 'string' || !checks.some((check) => check._zod.def.check === 'overwrite')) return
  const { minLength = 0, maxLength, pattern } = jsonSchema
  delete jsonSchema.minLength
  delete jsonSchema.maxLength
  jsonSchema.pattern = `^\\s*${pattern === undefined ? visible(minLength, maxLength) : `(?:${pattern.replace(/^\^|\$$/g, '')})`}\\s*$`
}

/** Text that begins and ends with what can be seen, and has a least and a greatest length. */
function visible(least: number, most?: number): string {
  const longer = `\\S[\\s\\S]{${Math.max(0, least - 2)},${most === undefined ? '' : most - 2}}\\S`
  if (least > 1) return longer
  return `(?:\\S|${longer})${least === 0 ? '?' : ''}`
}
