/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { linesOf, orFault, type FaultLine } from '@yastik/core/faults'
import { says } from '@yastik/core/words'
import { z } from 'zod'
import { loadWords } from '../words/words.ts'
import { sayAtField } from './faultWords.ts'

beforeAll(async () => void (await loadWords()))

const lineFor = (schema: z.ZodType, value: unknown): FaultLine => {
  const result = schema.safeParse({ it: value })
  if (result.success) throw new Error('this holds up')
  return linesOf(result.error.issues, { it: value })[0]
}
const it_ = (schema: z.ZodType) => z.object({ it: schema })

describe('what is wrong with a field', () => {
  it.each<[string, z.ZodType, unknown, string]>([
    ['too much', z.number().max(60), 250, 'Enter at most 60 kW.'],
    ['too little', z.number().min(2), 1, 'Enter at least 2 kW.'],
    ['nothing more than nothing', z.number().gt(0), 0, 'Enter more than 0 kW.'],
    ['not less', z.number().lt(5), 5, 'Enter less than 5 kW.'],
    ['no number', z.number(), Number.NaN, 'Enter a number.'],
    ['no whole number', z.int(), 1.5, 'Enter a whole number.'],
    ['not there', z.number(), undefined, 'Fill this in.'],
    ['an empty name', z.string().min(1), '', 'Fill this in.'],
    ['too long a name', z.string().max(3), 'four', 'There are 4 characters. Allowed: at most 3 characters.'],
    ['what nobody offers', z.literal(['a', 'b']), 'c', '"c" is not allowed. Allowed: "a", "b".'],
    [
      'what a rule of its own says',
      z
        .string()
        .refine(
          () => false,
          orFault(says('fault.visits.past', { day: { day: '2027-03-01' } }), says('fault.day-or-before', { day: { day: '2027-03-02' } })),
        ),
      'x',
      '1 Mar 2027 is in the past. Allowed: 2 Mar 2027 or before.',
    ],
  ])('of %s says what to enter, with no name that only a program knows', (_, schema, value, says) => {
    const said = sayAtField(lineFor(it_(schema), value), undefined, 'kW')
    expect(said).toBe(says)
    expect(said).not.toMatch(/\bit\b:/)
  })
  it('is said in the unit on the screen', () => {
    const line = lineFor(it_(z.number().max(1)), 2.5)
    expect(sayAtField(line, (share) => share * 100, '%')).toBe('Enter at most 100 %.')
  })
})
