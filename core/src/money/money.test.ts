import { type UnitJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { knownHouseRules } from '../method/index.ts'
import { loadFor, priceOf, type LoadVisit } from './index.ts'
import { planInEnglish, told } from '../tests/inEnglish.ts'

const rules = knownHouseRules({ hourlyRate: 60, minimumCharge: 80, travelCharge: 25, furtherUnitDiscount: 0.1 })

describe('price', () => {
  it('adds minutes, products and travel, takes the discount off further units', () => {
    const { lines, total } = told(
      priceOf(
        [
          { name: 'A', handsMin: 90, productCost: 3 },
          { name: 'B', handsMin: 60, productCost: 2 },
        ],
        rules,
        { handsMin: 20 },
      ),
    )
    expect(lines.map(({ amount }) => amount)).toEqual([90, 60, 20, 5, -6, 25])
    expect(total).toBe(194)
  })
  it('comes up to the minimum charge', () =>
    expect(told(priceOf([{ name: 'A', handsMin: 10, productCost: 0 }], rules, { handsMin: 0 }))).toMatchObject({
      total: 80,
      lines: expect.arrayContaining([{ what: 'up to the minimum charge', amount: 45 }]),
    }))
})

describe('kit', () => {
  const { kit } = planInEnglish(jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3, kinds: ['biofilm'] }, coilFace: { grade: 2 } } }))
  const item = (name: string) => kit.find((entry) => entry.item === name)
  it('holds what the steps use, products as mixed, and parts that are renewed', () => {
    expect(item('pump wand')).toMatchObject({ quantity: 1 })
    expect(item('Antimicrobial coil foam')!.quantity).toBeGreaterThan(0)
    expect(item('zip tie')).toMatchObject({ quantity: 1, why: 'new: drain hose' })
    expect(item('long driver')).toBeDefined()
  })
  it('holds what a family needs besides the van: mats and a plug on a roof, battens for a bench', () => {
    const items = (family: UnitJob['family'], design: UnitJob['design'] = {}) =>
      planInEnglish(jobWith({ family, design, grades: { coilFace: { grade: 2 } } })).kit.map((entry) => entry.item)
    expect(items('rv-rooftop')).toEqual(expect.arrayContaining(['roof mats and ties', 'opening plug, counted rags', 'roof ladder', 'foil tape']))
    expect(items('window', { slideOut: false })).toEqual(expect.arrayContaining(['battens', 'sash lock and strap', 'hose']))
    expect(items('wall-head')).not.toContain('battens')
  })
  it('holds no more tools for two units, but the product of both', () => {
    const one = jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3, kinds: ['biofilm'] }, coilFace: { grade: 2 } } })
    const both = planInEnglish({ ...one, units: [one.units[0], { ...one.units[0], id: 'second' }] }).kit
    expect(both.find((entry) => entry.item === 'pump wand')!.quantity).toBe(1)
    expect(both.find((entry) => entry.item === 'Antimicrobial coil foam')!.quantity).toBeCloseTo(2 * item('Antimicrobial coil foam')!.quantity, 6)
  })
})

describe('the load of a day', () => {
  const planned = planInEnglish(jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3 }, coilFace: { grade: 2, kinds: ['biofilm'] } } }))
  const [{ id, steps, mixes }] = planned.units
  const visit = (site: string, waterOnSite = true, waterL = 7.2): LoadVisit => ({ site, waterOnSite, units: [{ id, steps, mixes, waterL }] })
  const foam = { id: mixes[0].productId, name: 'Antimicrobial coil foam' }
  const needed = planned.kit.find(({ item }) => item === foam.name)!.quantity
  const van = [{ id: 'p', kind: 'pump-wand' as const, count: 1 }]

  it('holds a tool once for all visits, product for each, and says where it is needed', () => {
    const load = told(loadFor([visit('Mill'), visit('Inn')], van, [{ ...foam, usableL: 10 }]))
    expect(load.find(({ item }) => item === 'pump wand')).toMatchObject({ quantity: 1, has: 1, sites: ['Mill', 'Inn'] })
    expect(load.find(({ item }) => item === foam.name)!.quantity).toBeCloseTo(2 * needed, 6)
    expect(load.find(({ item }) => item === foam.name)!.short).toBeUndefined()
  })
  it('says what the van is short of, and nothing of what is not counted', () => {
    const load = told(loadFor([visit('Mill')], [{ ...van[0], count: 0 }], [{ ...foam, usableL: needed / 2 }]))
    expect(load.find(({ item }) => item === 'pump wand')!.short).toBe(1)
    expect(load.find(({ item }) => item === foam.name)!.short).toBeCloseTo(needed / 2, 3)
    expect(load.find(({ item }) => item === 'lock and tag')!.has).toBeUndefined()
  })
  it('brings water where there is no tap', () => {
    const water = told(loadFor([visit('Mill'), visit('Meadow', false), visit('Ridge', false)], van, [])).find(({ item }) => item === 'clean water')
    expect(water).toMatchObject({ quantity: 15, sites: ['Meadow', 'Ridge'] })
  })
})
