// Nothing that was seen or said is left without an answer, whatever the unit; and what would do more is offered with its price.
import { complaints, findings, named } from '../lookover/index.ts'
import { dayAfter } from '../quantities/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { families } from '../units/index.ts'
import { type UnitJob } from './index.ts'
import { inEnglish, planInEnglish } from '../tests/inEnglish.ts'

type Rest = Parameters<typeof jobWith>[1]
const unitOf = (unit: Partial<UnitJob>, rest: Rest = {}) => planInEnglish(jobWith(unit, rest)).units[0]
const soiled = { coilFace: { grade: 2 as const }, filter: { grade: 2 as const } }

describe('every finding', () => {
  const cases = families.flatMap((family) => findings.map((finding) => [family, finding] as const))
  it.each(cases)('of a %s leads somewhere, and the customer reads it: %s', (family, finding) => {
    const own = unitOf({ family, findings: [finding], grades: soiled })
    const entry = own.findings.find((one) => one.finding === finding)
    expect(entry?.leadsTo.length).toBeGreaterThan(0)
    expect(own.customerText.toLowerCase()).toContain(inEnglish(named(finding)).toLowerCase())
  })
  it('that is measured instead of noted is found too', () => {
    const own = unitOf({ readings: { returnC: 26, returnRh: 0.5, supplyC: 14, levelMmPerM: 0 }, grades: soiled })
    expect(own.findings).toEqual([{ finding: 'off-level', leadsTo: expect.arrayContaining([expect.stringMatching(/^step: Re-level it/)]) }])
  })
  it('of a nest or droppings asks how much: old and few is cleaned with the unit, and nobody is called', () => {
    for (const finding of ['insect-nest', 'rodent-droppings'] as const) {
      const few = unitOf({ findings: [finding], findingExtent: { [finding]: 'little' }, grades: soiled })
      expect(few.steps.map(({ id }) => id)).toContain(`clear-${finding}`)
      expect(few.referrals).toEqual([])
      const much = unitOf({ findings: [finding], findingExtent: { [finding]: 'much' }, grades: soiled })
      expect(much.decisions[0].choice).toBe('decline')
      const unknown = planInEnglish(jobWith({ findings: [finding], grades: soiled }))
      expect(unknown.units[0].decisions[0].because.join()).toMatch(/nobody noted if it is live or how much there is/)
      expect(unknown.warnings.join('\n')).toContain(`findingExtent.${finding}: not noted`)
    }
  })
})

describe('every complaint', () => {
  const cases = families.flatMap((family) => complaints.map((complaint) => [family, complaint] as const))
  it.each(cases)('about a %s is answered by its name: %s', (family, complaint) => {
    const { complaints: answered, customerText } = unitOf({ family, complaints: [complaint], grades: soiled })
    expect(answered).toHaveLength(1)
    expect(customerText).toContain(answered[0].answer)
    if (complaint !== 'none') expect(answered[0].answer).toContain(`“${inEnglish(named(complaint))}”`)
  })
  it('of a smell with everything clear is answered with where else to look', () => {
    const own = unitOf({ complaints: ['smell'] })
    expect(own.diagnosis[0].cause).toBe('smell from elsewhere')
    expect(own.complaints[0].answer).toMatch(/drain trap, outside air, the room/)
  })
})

describe('offers', () => {
  const heavy = { family: 'window' as const, design: { weightKg: 40, slideOut: false }, grades: { coilFace: { grade: 3 as const } } }
  it('name a second person, with minutes and price, before the bench is given up', () => {
    const [offer] = unitOf(heavy, { crew: [{ name: 'Asa' }] }).offers
    expect(offer).toMatchObject({ what: 'on the bench, with a second person', minutes: expect.any(Number), money: expect.any(Number) })
    expect(unitOf(heavy, { crew: [{ name: 'Asa' }, { name: 'Bo' }] }).decisions[0].choice).toBe('bench-clean')
  })
  it('say what a closed unit does not reach, with the way that would, its minutes and its price', () => {
    const light = unitOf({ grades: { coilFace: { grade: 1 }, pan: { grade: 1 } } })
    expect(light.decisions[0].choice).toBe('clean-in-place')
    expect(light.notReached).toContainEqual({ part: 'pan', because: 'the unit stays closed: the pan is not reached' })
    expect(light.offers).toContainEqual({
      what: 'instead: cover off, clean in place',
      because: 'this also reaches drain pan',
      minutes: expect.any(Number),
      money: expect.any(Number),
    })
  })
  it('name no second visit that would change nothing', () => {
    // Fixed for good, and nobody gets to the back of its coil by any way.
    const fixed = { wheelRemovable: false, coilLiftable: false, panRemovable: false }
    const own = unitOf({ design: fixed, grades: { coilFace: { grade: 2 }, coilBack: { grade: 4 } } })
    expect(own.notReached.map(({ part }) => part)).toContain('coilBack')
    expect(own.offers.map(({ what }) => what).join()).not.toMatch(/second visit|instead/)
    // Where the van alone is what is missing, another visit does help.
    const dry = unitOf({ grades: { coilFace: { grade: 4 } } }, { equipment: [] })
    expect(dry.offers.map(({ what }) => what).join()).toMatch(/second visit with water/)
  })
  it('ask whether it is worth it, with both figures, where a coil is corroded or the unit is cheap', () => {
    const cheap = unitOf({ grades: { coilFace: { grade: 3 } } }, { site: { newUnitPrice: 120 } }).offers.find(({ what }) => /new unit/.test(what))
    expect(cheap?.because).toMatch(/this cleaning costs ¤[\d.]+, more than 50 % of a new unit at ¤120.00/)
    const worth = (rest: Parameters<typeof unitOf>[1]) =>
      unitOf({ grades: { coilFace: { grade: 3 } } }, rest).offers.some(({ what }) => /new unit/.test(what))
    expect(worth({ site: { newUnitPrice: 2000 } })).toBe(false)
    expect(worth({ site: { newUnitPrice: 2000 }, houseRules: { worthShare: 0.01 } })).toBe(true)
    const corroded = {
      grades: { coilFace: { grade: 2 as const } },
      findings: ['fin-corrosion' as const],
      findingExtent: { 'fin-corrosion': 'much' as const },
    }
    expect(unitOf(corroded).offers.find(({ what }) => /new unit/.test(what))?.because).toMatch(/corroded/)
  })
  it('name people who may lift it, where two are there who may not', () => {
    const own = unitOf(heavy, {
      crew: [
        { name: 'Asa', liftKg: 8 },
        { name: 'Bo', liftKg: 12 },
      ],
    })
    expect(own.decisions[0]).toMatchObject({
      choice: 'open-clean',
      because: expect.arrayContaining([expect.stringMatching(/this crew may lift 12 kg and 8 kg/)]),
    })
    expect(own.offers[0].what).toBe('on the bench, with people who may lift it')
  })
  it('name what would carry the soil off, where nothing in the van does', () => {
    const van = {
      equipment: [
        { id: 'v', kind: 'wet-vacuum' as const, count: 1 },
        { id: 'b', kind: 'bucket' as const, count: 1 },
        { id: 'p', kind: 'pump-wand' as const, count: 1 },
      ],
    }
    const own = unitOf({ grades: { coilFace: { grade: 4 } } }, van)
    expect(own.offers.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['bring or buy: wash bag', 'a second visit with water and a way to catch it']),
    )
    expect(own.notReached[0].because).toMatch(/not clean yet/)
    expect(own.due.find(({ what }) => what === 'deep-clean')).toMatchObject({ weeks: 2 })
  })
  it('hold the outdoor unit of a split ready, and plan it where it is ordered', () => {
    const plain = unitOf({ grades: soiled })
    expect(plain.offers.at(-1)).toMatchObject({ what: expect.stringContaining('outdoor unit'), minutes: 22 })
    const ordered = unitOf({ grades: soiled, extras: ['outdoor-unit'] })
    expect(ordered.steps.map(({ id }) => id)).toEqual(expect.arrayContaining(['outdoor-off', 'outdoor-wash', 'outdoor-check']))
    expect(ordered.offers.some(({ what }) => what.includes('outdoor unit'))).toBe(false)
  })
  it('price the combing of fins by how many are bent', () => {
    const minutes = (extent: 'little' | 'much') =>
      unitOf({ family: 'rv-rooftop', findings: ['bent-fins'], findingExtent: { 'bent-fins': extent }, grades: soiled }).steps.find(
        ({ id }) => id === 'comb-fins',
      )?.handsMin
    expect([minutes('little'), minutes('much')]).toEqual([30, 60])
  })
})

describe('the day of what is due', () => {
  it('is told where days are known, and weeks alone where they are not', () => {
    const job = jobWith({ grades: soiled })
    const memory = {
      pastOf: new Map(),
      rates: { shift: 0, spread: 0.45, units: 0 },
      yearsNow: 0,
      isSeen: true,
      dayAfter: (weeks: number) => dayAfter('2027-03-01', weeks),
    }
    expect(planInEnglish(job, memory).units[0].customerText).toMatch(/deep clean by \d+ \w+ 20\d\d \(in about \d+ weeks\)/)
    expect(planInEnglish(job).units[0].customerText).toMatch(/deep clean in about \d+ weeks/)
  })
})
