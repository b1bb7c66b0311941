import { purchaseOf, takeFrom, usableLitres, type Lot } from './index.ts'

const today = '2026-11-26'
const lots: Lot[] = [
  { lot: 'none', litres: 2 },
  { lot: 'late', labelDate: '2027-08-01', litres: 1 },
  { lot: 'soon', labelDate: '2026-12-01', litres: 0.5 },
  { lot: 'past', labelDate: '2026-11-25', litres: 4 },
]

describe('stock', () => {
  it('counts what may be used: not what is past its date, but what ends today', () => {
    expect(usableLitres(lots, today)).toBe(3.5)
    expect(usableLitres([{ lot: 'x', labelDate: today, litres: 1 }], today)).toBe(1)
  })
  it('is used from the lot that ends first, past ones last', () => {
    expect(takeFrom(lots, 1, today)).toEqual([
      { lot: 'soon', litres: 0.5 },
      { lot: 'late', litres: 0.5 },
    ])
    expect(takeFrom(lots, 5, today).map(({ lot }) => lot)).toEqual(['soon', 'late', 'none', 'past'])
  })
  it('goes below zero where more was used than was there, and nothing of it is lost', () => {
    const taken = takeFrom(lots.slice(0, 2), 10, today)
    expect(taken).toEqual([
      { lot: 'late', litres: 1 },
      { lot: 'none', litres: 9 },
    ])
    expect(takeFrom([{ lot: '', litres: -1 }], 2, today)).toEqual([{ lot: '', litres: 2 }])
    expect(takeFrom([], 2, today)).toEqual([])
  })
  it.each([
    ['nothing while there is enough', 10, 3, 1, undefined],
    ['whole packs for what is planned, and a week in hand', 1, 6, 1, { litres: 10, packs: 2, cost: 40 }],
    ['for what is usually used, where less is planned', 0, 0, 2, { litres: 10, packs: 2, cost: 40 }],
    ['one pack for a drop', 4.99, 5, 0, { litres: 5, packs: 1, cost: 20 }],
  ])('buys %s', (_, usableL, plannedL, weeklyL, expected) =>
    expect(purchaseOf({ packLitres: 5, pricePerPack: 20 }, usableL, plannedL, weeklyL)).toEqual(expected),
  )
  it('says litres where nobody knows the pack', () => expect(purchaseOf({}, 0, 1.5, 0.5)).toEqual({ litres: 2 }))
})
