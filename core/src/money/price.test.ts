// Is a price made up as the house says: waiting charged or not, products in one line or folded into the work?
import { knownHouseRules, type HouseRules } from '../method/index.ts'
import { inEnglish } from '../tests/inEnglish.ts'
import { priceOf, type PricedVisit } from './index.ts'

const units = [
  { name: 'Hall', handsMin: 60, productCost: 4.1 },
  { name: 'Loft', handsMin: 30, productCost: 2.2 },
]
const bare: HouseRules = { hourlyRate: 60, travelCharge: 0, minimumCharge: 0, furtherUnitDiscount: 0 }
const priced = (rules: HouseRules = {}, visit: Partial<PricedVisit> = {}) => {
  const { lines, total } = priceOf(units, knownHouseRules({ ...bare, ...rules }), { handsMin: 12, ...visit })
  return { total, lines: Object.fromEntries(lines.map(({ what, amount }) => [inEnglish(what), amount])) }
}

describe('a price', () => {
  it('has products in one line, in the steps in which the currency is told', () => {
    expect(priced({ productsFoldedBelow: 0 }).lines['cleaning products']).toBe(6.5)
    expect(priced({ productsFoldedBelow: 0, currency: 'EUR' }).lines['cleaning products']).toBe(6.5)
    expect(priced({ productsFoldedBelow: 0, currency: 'JPY' }).lines['cleaning products']).toBe(10)
  })
  it('has them in the work under the limit of the house, and comes to the same', () => {
    const { lines, total } = priced({ productsFoldedBelow: 7 })
    expect(Object.keys(lines)).not.toContain('cleaning products')
    expect(total).toBeCloseTo(priced({ productsFoldedBelow: 0 }).total, 2)
    expect(priced({ productsFoldedBelow: 6.5 }).lines['cleaning products']).toBe(6.5)
  })
  it('has waiting in it only where the house charges it', () => {
    expect(priced({}, { waitingMin: 15 }).total).toBe(priced().total)
    expect(priced({ chargeWaiting: true }, { waitingMin: 15 }).total).toBe(priced().total + 15)
    expect(Object.keys(priced({ chargeWaiting: true }, { waitingMin: 15 }).lines)).toContain('Waiting on site, 15 min')
    expect(priced({ chargeWaiting: true }).total).toBe(priced().total)
  })
})
