import { builtInProducts, clash, clashesAmong, dilutionFor, doseOf, mix, pickProduct, reasonsAgainst, unrinsedClash, type Product } from './index.ts'
import { told } from '../tests/inEnglish.ts'

const product = (id: string) => builtInProducts.find((entry) => entry.id === id)!
const of = (id: string, kind: Product['class']): Product => ({ ...product('mild'), id, name: id, class: kind })
const anywhere = { neutralOnly: false, coatedFins: false, foodArea: false, sensitiveOccupants: false, householdAllowed: true }

describe('mixing', () => {
  it('makes 1:n as one part product and n parts water, rounded up to the sprayer', () => {
    // 0.21 m² · 2 passes · 0.6 L/m² = 0.252 L → 0.5 L; 1:4 → 0.1 + 0.4.
    expect(mix(product('rinse-off'), 0.21, 2, 4)).toEqual({ dilution: 4, productL: 0.1, waterL: 0.4, cost: 0.76 })
  })
  it('measures by a 5-mL cup, within the label whatever the rounding does', () => {
    const strong = (least: number, most: number): Product => ({ ...product('mild'), label: { ...product('mild').label, dilution: [least, most] } })
    // A quarter litre at 1:120 is 2 mL of product: the cup makes it 5 mL in 600.
    expect(mix(strong(60, 120), 0.1, 1, 120)).toMatchObject({ productL: 0.005, waterL: 0.6 })
    // 1:9.3 exactly: 50 mL in 465 is the least that the cup shows of both.
    expect(mix(strong(9.3, 9.3), 0.1, 1, 9.3)).toMatchObject({ productL: 0.05, waterL: 0.465 })
    expect(doseOf(strong(3, 3), 0.05)).toEqual({ dilution: 3, productL: 0.05, waterL: 0.15 })
  })
  it('adds no water to what is ready to use', () => expect(mix(product('self-rinsing'), 0.4, 1, 0)).toMatchObject({ productL: 0.25, waterL: 0 }))
  it('refuses a dilution outside the label', () => expect(() => mix(product('rinse-off'), 0.2, 1, 20)).toThrow(/outside the label's 1:4 to 1:8/))
  it('is strongest for heavy soil', () => {
    expect(dilutionFor(product('rinse-off'), true)).toBe(4)
    expect(dilutionFor(product('rinse-off'), false)).toBe(8)
  })
})

describe('labels', () => {
  it.each(['outdoor', 'degreaser'])('keep %s off the breathed-air side', (id) =>
    expect(told(reasonsAgainst(product(id), anywhere)).length).toBeGreaterThan(0),
  )
  it('limit household detergents to pH 6 to 9 and to firms that allow them', () => {
    expect(told(reasonsAgainst(product('household'), anywhere))).toEqual([])
    expect(told(reasonsAgainst(product('household'), { ...anywhere, householdAllowed: false }))).toHaveLength(1)
    const sharp: Product = { ...product('household'), label: { ...product('household').label, pH: [6, 10.5] } }
    expect(told(reasonsAgainst(sharp, anywhere)).join()).toMatch(/pH 6 to 9/)
  })
  it('keep what is sharper than pH 4 to 10 off breathed air, whatever its class claims, and what is sharper than 6 to 8.5 off coated fins', () => {
    const withPh = (...pH: [number, number]): Product => ({ ...product('rinse-off'), label: { ...product('rinse-off').label, pH } })
    expect(told(reasonsAgainst(withPh(11.5, 13), anywhere)).join()).toMatch(/only pH 4 to 10/)
    expect(told(reasonsAgainst(withPh(2, 3.5), anywhere)).join()).toMatch(/only pH 4 to 10/)
    expect(told(reasonsAgainst(withPh(5, 9.5), anywhere))).toEqual([])
    expect(told(reasonsAgainst(withPh(5, 9.5), { ...anywhere, neutralOnly: true })).join()).toMatch(/only pH 6 to 8.5 on coated or corroded fins/)
  })
  it('count an empty bottle as not there', () =>
    expect(told(reasonsAgainst({ ...product('mild'), inStockLitres: 0 }, anywhere))).toEqual(['Mild coil detergent: out of stock']))
})

describe('picking', () => {
  const foam = (id: string, label: Partial<Product['label']>): Product => ({
    ...product('rinse-off'),
    id,
    name: id,
    label: { ...product('rinse-off').label, ...label },
  })
  it('prefers what is not scented', () =>
    expect(told(pickProduct([foam('scented', { fragranced: true }), foam('plain', {})], 'rinse-off-foam', anywhere)).product!.id).toBe('plain'))
  it('takes no product that asks for a rinse where there is none', () => {
    expect(told(pickProduct([foam('f', { rinse: 'required' })], 'rinse-off-foam', anywhere, 'unrinsed')).because.join()).toMatch(/asks for a rinse/)
    expect(told(pickProduct([foam('f', { rinse: 'optional' })], 'rinse-off-foam', anywhere, 'unrinsed')).product).toBeDefined()
  })
  it('lets outdoor products on the outdoor side alone, and acid and chlorine on no fins at all', () => {
    expect(told(pickProduct(builtInProducts, 'outdoor-foam', anywhere, 'outdoors')).product!.id).toBe('outdoor')
    expect(told(pickProduct(builtInProducts, 'outdoor-foam', anywhere)).product).toBeUndefined()
    const acid = { ...product('outdoor'), class: 'acid-cleaner' as const }
    expect(told(reasonsAgainst(acid, anywhere, 'outdoors')).join()).toMatch(/acid cleaner never goes on fins/)
  })
})

describe('clashes', () => {
  it('stop any two agents on one part without a rinse between', () => {
    expect(told(unrinsedClash(product('mild'), product('rinse-off'), false))).toMatch(/without a rinse between: stop/)
    expect(told(unrinsedClash(product('mild'), product('rinse-off'), true))).toBeUndefined()
    expect(told(unrinsedClash(product('mild'), product('mild'), false))).toBeUndefined()
    expect(told(unrinsedClash(of('a', 'chlorine-cleaner'), of('b', 'acid-cleaner'), true))).toMatch(/chlorine gas/)
  })
  it('stop chlorine with acid, in either order, and name both', () => {
    expect(told(clash(of('a', 'chlorine-cleaner'), of('b', 'acid-cleaner')))).toMatch(/chlorine gas/)
    expect(told(clash(of('b', 'acid-cleaner'), of('a', 'chlorine-cleaner')))).toMatch(/chlorine gas/)
    expect(told(clashesAmong([of('White', 'chlorine-cleaner'), of('Sour', 'acid-cleaner')]))[0]).toMatch(/^White and Sour/)
  })
  it('are none among the built-in products', () => expect(told(clashesAmong(builtInProducts))).toEqual([]))
})
