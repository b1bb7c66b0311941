import { currencies, moneyWords } from './money.ts'

describe('money', () => {
  it.each([
    [2035, 'EUR', '€2,035.00'],
    [-12.5, 'EUR', '−€12.50'],
    [2035, 'JPY', '¥2,035'],
    [0, 'GBP', '£0.00'],
    // No currency is named: never a bare figure.
    [2035, undefined, '¤2,035.00'],
    [2035, ' ', '¤2,035.00'],
    [-1234.5, 'Taler', '−Taler 1,234.50'],
  ])('%d in %s is %s', (amount, currency, words) => expect(moneyWords(amount, currency)).toBe(words))
  it('is whole where it is about so much', () =>
    expect([moneyWords(180.4, 'EUR', true), moneyWords(180.4, 'Taler', true)]).toEqual(['€180', 'Taler 180']))
  it('knows the codes in use', () => expect(currencies()).toEqual(expect.arrayContaining(['EUR', 'USD', 'GBP'])))
})
