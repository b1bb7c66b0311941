import { gradesWith, ratesAtFirst, type UnitPast } from '../upkeep/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { costPerYear, quoteOptions, type UnitJob } from './index.ts'
import { told } from '../tests/inEnglish.ts'

const past: UnitPast = {
  visits: [{ atYears: 55, found: 3, left: 0.1 }],
  use: { surroundings: [], hoursPerDay: 8 },
  fineFilter: false,
  lossIndex: 2.4,
}
const offer = (unit: Partial<UnitJob>, pastOf = new Map<string, UnitPast>([['head', past]])) =>
  quoteOptions(jobWith(unit), { pastOf, rates: ratesAtFirst, yearsNow: 57 })
const soiled = { grades: gradesWith('wall-head', 3, ['dust']) }

describe('options of a quote', () => {
  const options = offer(soiled)
  const [usual] = options
  const [said] = told(options)
  const light = options.find(({ key }) => key === 'light')!

  it('begin with the usual way, each different from the others', () => {
    expect(said).toMatchObject({ key: 'usual', usual: true, name: 'Deep clean, taken apart, rinsed with clear water', differs: {} })
    expect(options.filter((option) => option.usual)).toHaveLength(1)
    const ways = options.map(({ units, lines, name }) => JSON.stringify([units, lines, name]))
    expect(new Set(ways).size).toBe(options.length)
    // What the house rules do anyway is not offered a second time.
    expect(options.map(({ key }) => key)).not.toContain('rinse-rinse')
    expect(options.map(({ key }) => key)).not.toContain('deep')
  })
  it('say what a light clean leaves, and that it is due again sooner', () => {
    expect(light.total).toBeLessThan(usual.total)
    expect(light.handsMin).toBeLessThan(usual.handsMin)
    expect(light.units[0].notReached.length).toBeGreaterThan(usual.units[0].notReached.length)
    expect(light.againWeeks).toBeLessThan(usual.againWeeks)
    expect(light.differs.scopes).toEqual({ head: 'clean-in-place' })
  })
  it('ask before anything is agreed whether it is worth it, with both figures', () => {
    const job = jobWith(soiled, { site: { newUnitPrice: 150 } })
    const [cheap] = told(quoteOptions(job, { pastOf: new Map([['head', past]]), rates: ratesAtFirst, yearsNow: 57 }))
    expect(cheap.units[0].says.join(' ')).toMatch(/worth it\? this cleaning costs ¤[\d.]+, more than 50 % of a new unit at ¤150.00/)
    expect(said.units[0].says.join(' ')).not.toMatch(/worth it/)
  })
  it('reckon no waiting of people who have nothing to do there', () => {
    const crew = ['Asa', 'Bo', 'Cleo', 'Dov'].map((name) => ({ name, trained: ['wheel-removal' as const, 'electrics' as const] }))
    const [own] = quoteOptions(jobWith(soiled, { crew, houseRules: { chargeWaiting: true } }), {
      pastOf: new Map(),
      rates: ratesAtFirst,
      yearsNow: 57,
    })
    expect(own.waitingMin).toBeLessThan(own.handsMin / 2)
  })
  it('add up to what is paid, in lines for the customer', () => {
    for (const { lines, total } of options) expect(lines.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(total, 2)
    expect(said.lines[0].what).toBe('head: deep clean, taken apart')
  })
  it('cost so much a year as each unit comes again, by its share of the work', () => {
    const unit = (weeks: number, handsMin: number) => ({ ...usual.units[0], handsMin, due: [{ what: 'deep-clean' as const, weeks }] })
    // Three quarters of 100 once a year, a quarter twice a year.
    expect(costPerYear({ units: [unit(52.18, 90), unit(26.09, 30)] }, 100)).toBeCloseTo(125, 5)
    expect(costPerYear({ units: [unit(52.18, 90), unit(0, 30)] }, 100)).toBeUndefined()
  })
  it('put the school on record by which they differ', () => {
    const dry = offer({ grades: gradesWith('wall-head', 2, ['dust']) }).find(({ key }) => key === 'rinse-dry')
    expect(told(dry)).toMatchObject({
      differs: { school: { name: 'rinseSchool', value: 'dry' } },
      name: expect.stringContaining('without wash water'),
    })
  })
  it('take the time until the next visit from the unit’s own past', () => {
    const fast = { ...past, visits: [52, 52.5, 53].map((atYears) => ({ atYears, found: 4 as const, left: 0.1 })) }
    expect(offer(soiled, new Map([['head', fast]]))[0].againWeeks).toBeLessThan(usual.againWeeks * 0.8)
    expect(offer(soiled, new Map())[0].againWeeks).toBeGreaterThan(0)
  })
  it('leave out what safety does not allow: nothing but declining where power cannot be made safe', () => {
    const refused = offer({ ...soiled, findings: ['scorched-plug'] })
    expect(refused).toHaveLength(1)
    expect(told(refused[0])).toMatchObject({ key: 'usual', name: 'Not cleaned yet' })
  })
})
