import { payable, plainAddress, quoteText, remindersSchema, stockFormSchema, taxIn, type QuoteBody } from './index.ts'
import { metric } from '../quantities/index.ts'
import { inEnglish } from '../tests/inEnglish.ts'
import { catalogue as english } from '../words/en/index.ts'
import { catalogueOf, sayIn } from '../words/index.ts'
import { ofStored, stored } from './index.ts'

const option = (key: string, total: number, againWeeks: number): QuoteBody['options'][number] => ({
  key,
  name: `Way ${key}`,
  usual: key === 'usual',
  differs: {},
  units: [],
  lines: [],
  total,
  handsMin: 60,
  waterL: 5,
  againWeeks,
})
const body: QuoteBody = {
  units: [{ unitId: '00000000-0000-4000-8000-000000000001', name: 'Loft', coilGrade: 3, source: 'said', complaints: [] }],
  options: [option('usual', 200, 52), option('light', 100, 0), option('dry', 150, 26)],
  offered: ['usual', 'dry'],
  adjustments: [{ what: 'neighbour', amount: -20 }],
}
const say = sayIn(english, { measures: metric, currency: 'EUR' })
const dayAfter = (weeks: number) => (weeks > 30 ? '2027-11-26' : '2027-05-27')

describe('a quote in words', () => {
  const text = quoteText({ firm: 'Fen Air', site: 'Mill', validUntil: '2026-12-24', body, dayAfter, taxShare: 0.2, say })
  it('names what is offered by letters, with what is to be paid and how long it lasts', () => {
    expect(text).toContain('A: Way usual, €180.00; due again in about November 2027.')
    expect(text).toContain('B: Way dry, €130.00; due again in about May 2027.')
    expect(text).not.toContain('Way light')
    expect(text).toContain('until 24 Dec 2026 and include 20 % tax.')
  })
  it('is in the customer’s language, money as the firm has it', async () => {
    const own = sayIn(await catalogueOf('es'), { measures: metric, currency: 'EUR' })
    const letter = quoteText({ firm: 'Fen Air', site: 'Mill', validUntil: '2026-12-24', body, dayAfter, taxShare: 0.2, say: own })
    expect(letter).toMatch(
      /^Fen Air, sobre el aire acondicionado en Mill, Loft:\nA: Way usual, .*180.00.*; vuelve a tocar hacia noviembre de 2027\.$/m,
    )
    expect(letter).toMatch(/valen hasta el 24 dic 2026 e incluyen 20 % de impuestos/)
  })
  it('asks for no letter where there is one way, and says nothing of a time for what does not last', () => {
    const alone = quoteText({
      firm: 'Fen Air',
      site: 'Mill',
      validUntil: '2026-12-24',
      body: { ...body, offered: ['light'] },
      dayAfter,
      say,
    })
    expect(alone).toContain('A: Way light, €80.00.')
    expect(alone).not.toContain('letter')
  })
  it('says neither a tax nor a currency that the firm did not name', () => {
    const plain = quoteText({ firm: 'Fen Air', site: 'Mill', validUntil: '2026-12-24', body, dayAfter, say: inEnglish })
    expect(plain).toContain('A: Way usual, ¤180.00')
    expect(plain).not.toContain('tax')
    expect(taxIn(120, 0.2)).toBeCloseTo(20, 10)
  })
  it('is never paid for by the firm', () => expect(payable({ adjustments: [{ what: 'all of it', amount: -500 }] }, { total: 200 })).toBe(0))
})

describe('an address', () => {
  it.each(['+00 555 0108', '00/555-01 08', '+00 (555) 0108'])('of a telephone may be written %s', (to) =>
    expect(remindersSchema.safeParse({ channel: 'text', to, agreedOn: '2026-01-10' }).success).toBe(true),
  )
  it.each(['0', 'my phone', '+', '12345678901234567890123'])('is not “%s”', (to) =>
    expect(remindersSchema.safeParse({ channel: 'text', to, agreedOn: '2026-01-10' }).success).toBe(false),
  )
  it('is the same however it is written', () => {
    expect(plainAddress('+00 (555) 01-08')).toBe(plainAddress('+00 555 0108'))
    expect(plainAddress(' Desk@Mill.example ')).toBe(plainAddress('desk@mill.example'))
  })
  it('is agreed to on a day that exists', () =>
    expect(remindersSchema.safeParse({ channel: 'mail', to: 'desk@mill.example', agreedOn: '2026-02-30' }).success).toBe(false))
})

describe('a note on the stock', () => {
  const note = { productId: 'foam', kind: 'bought', litres: 5 }
  it('needs no lot', () => expect(stockFormSchema.parse(note).lot).toBe(''))
  it.each([{ litres: -1 }, { litres: Number.NaN }, { kind: 'used' }, { labelDate: 'soon' }, { lot: 'x'.repeat(41) }])('does not take %j', (part) =>
    expect(stockFormSchema.safeParse({ ...note, ...part }).success).toBe(false),
  )
})

it('what is on record reads as it stands there in English, and what nobody here put there reads as it is', () => {
  for (const words of Object.values(stored))
    expect([ofStored(words), inEnglish(ofStored(words))]).toEqual([expect.objectContaining({ key: expect.any(String) }), words])
  expect(ofStored('the gateway is on holiday')).toBe('the gateway is on holiday')
})
