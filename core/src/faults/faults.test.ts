import { z } from 'zod'
import { inEnglish } from '../tests/inEnglish.ts'
import { Fault, faultLine, linesOf, readBy } from './index.ts'
import { closed } from '../schemas/index.ts'

const schema = closed({
  size: z.number().gt(0).max(10),
  kind: z.literal(['a', 'b']),
  list: z.array(z.int()).max(2),
  deep: closed({ flag: z.boolean() }).optional(),
})
const said = (input: unknown, root = '') => {
  const parsed = schema.safeParse(input)
  return parsed.success ? [] : linesOf(parsed.error.issues, input, root).map((line) => inEnglish(faultLine(line)))
}
const good = { size: 1, kind: 'a', list: [] }

describe('fault lines', () => {
  it.each<[string, unknown, string]>([
    ['too large a number', { ...good, size: 11 }, 'size: 11 is not allowed; allowed: at most 10'],
    ['a bound that does not count', { ...good, size: 0 }, 'size: 0 is not allowed; allowed: more than 0'],
    ['a word for a number', { ...good, size: 'big' }, 'size: "big" is not allowed; allowed: a number'],
    ['an unknown word', { ...good, kind: 'c' }, 'kind: "c" is not allowed; allowed: "a", "b"'],
    ['a list too long', { ...good, list: [1, 2, 3] }, 'list: there are 3 entries; allowed: at most 2 entries'],
    ['an entry of a list', { ...good, list: [1.5] }, 'list[0]: 1.5 is not allowed; allowed: a whole number'],
    ['a missing field', { kind: 'a', list: [] }, 'size: this is missing; allowed: a number'],
    ['an unknown field', { ...good, more: 1 }, 'more: there is no field of this name; allowed: size, kind, list, deep'],
    ['an unknown field further in', { ...good, deep: { flag: true, colour: 1 } }, 'deep.colour: there is no field of this name; allowed: flag'],
    ['a list for an object', [], 'all of it: a list is not allowed; allowed: an object'],
  ])('of %s say where, what, and what is allowed', (_, input, line) => expect(said(input)).toEqual([line]))

  it('stand below a root', () => expect(said({ ...good, size: 11 }, 'units[3]')).toEqual(['units[3].size: 11 is not allowed; allowed: at most 10']))
  it('cut a value that nobody would read', () => {
    const [line] = said({ ...good, kind: 'x'.repeat(500) })
    expect(line.length).toBeLessThan(120)
    expect(line).toContain('…')
  })
})

describe('a fault', () => {
  it('carries the status and the sentence of the catalogue, or its own', () => {
    expect(new Fault('not-there')).toMatchObject({ status: 404, sentence: { key: 'fault.not-there' }, lines: [] })
    expect(new Fault('not-there', { sentence: 'There is no such coil.' }).sentence).toBe('There is no such coil.')
  })
  it('is thrown by reading what does not hold up', () => {
    expect(readBy(schema, good)).toEqual(good)
    expect(() => readBy(schema, { ...good, size: -1 })).toThrow(expect.objectContaining({ code: 'does-not-hold-up', status: 422 }))
  })
})
