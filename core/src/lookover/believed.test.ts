import { inEnglish, planInEnglish } from '../tests/inEnglish.ts'
import { jobWith } from '../tests/jobs.ts'
import type { UnitJob } from '../plan/index.ts'
import { believedAir, doubtfulReadings, impossibleReadings, type MeasuredUnit, type Readings } from './index.ts'

const unitPlan = (own: Partial<UnitJob>) => planInEnglish(jobWith(own)).units[0]
const unit: MeasuredUnit = { ratedCoolingKw: 3.5, ratedAirflowM3h: 600, outdoorC: 30 }
const good: Readings = { returnC: 26, returnRh: 0.5, supplyC: 14, supplyRh: 0.9, airflowM3h: 560 }

describe('readings that cannot be', () => {
  it.each<[string, Partial<Readings>, MeasuredUnit, string]>([
    ['more than 1.4 of the rated airflow', { airflowM3h: 841 }, unit, 'airflowM3h'],
    ['supply air warmer than the return', { supplyC: 26.1, supplyRh: undefined }, unit, 'supplyC'],
    ['air that is dried and not cooled', { supplyC: 26, returnRh: 0.8, supplyRh: 0.3 }, unit, 'supplyRh'],
    ['cooling below nothing', { supplyC: 25.9, supplyRh: 1 }, unit, 'supplyRh'],
    ['more than 1.5 of the rated cooling', { returnC: 34, returnRh: 0.8, supplyC: 8, airflowM3h: 800 }, unit, 'supplyC'],
  ])('%s', (_, change, measured, where) => {
    const readings = { ...good, ...change }
    expect(impossibleReadings(readings, measured).map((doubt) => doubt.where)).toEqual([where])
    expect(believedAir(readings, measured)).toBeUndefined()
    // What is wrong, and what is allowed, in whole sentences.
    for (const { what, allowed } of doubtfulReadings(readings, measured)) expect(`${inEnglish(what)}: ${inEnglish(allowed)}`).toMatch(/again/)
  })
  it('are held against what was noted, never against what is only assumed', () => {
    expect(impossibleReadings({ ...good, airflowM3h: 5000, supplyRh: undefined }, {})).toEqual([])
    expect(believedAir(good, unit)).toBe(good)
  })
  it('are not those of a unit that does not cool at all: asked about, and believed', () => {
    const idle = { ...good, supplyC: good.returnC, supplyRh: undefined }
    expect(impossibleReadings(idle, unit)).toEqual([])
    expect(doubtfulReadings(idle, unit).map(({ where }) => where)).toEqual(['supplyC'])
    expect(believedAir(idle, unit)).toBe(idle)
  })
  it('are none of a unit that heats, which tells nothing of its cooling', () => {
    const warm = { ...good, supplyC: 40, supplyRh: 0.2 }
    expect(impossibleReadings(warm, { ...unit, outdoorC: 4 })).toEqual([])
    expect(believedAir(warm, { ...unit, outdoorC: 4 })).toBeUndefined()
    expect(impossibleReadings(warm, { ...unit, heatsOnly: true })).toEqual([])
  })
})

describe('a plan with readings that cannot be', () => {
  const soiled: Partial<UnitJob> = { complaints: ['not-cold'], grades: { coilFace: { grade: 2 }, wheel: { grade: 2 } } }
  const warmer: Partial<UnitJob> = { ...soiled, readings: { ...good, supplyC: 29, supplyRh: undefined } }
  it('doubts them aloud and asks for them again', () => {
    const { warnings } = planInEnglish(jobWith(warmer))
    expect(warnings.join()).toMatch(/these readings cannot be: .*29.*measure again/)
  })
  it('is the plan without them', () => {
    const [own, without] = [unitPlan(warmer), unitPlan(soiled)]
    expect(own.decisions).toEqual(without.decisions)
    expect(own.diagnosis).toEqual(without.diagnosis)
    expect(own.expected).toEqual(without.expected)
  })
})
