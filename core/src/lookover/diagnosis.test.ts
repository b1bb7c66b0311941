import { jobWith } from '../tests/jobs.ts'
import type { UnitJob } from '../plan/index.ts'
import { gradeLooks, drainState, isOffLevel, type LookOver } from './index.ts'
import { planInEnglish, told } from '../tests/inEnglish.ts'

const unitPlan = (unit: Partial<UnitJob>) => planInEnglish(jobWith(unit)).units[0]
const first = (unit: Partial<UnitJob>) => unitPlan(unit).diagnosis[0]
const rank = (unit: Partial<UnitJob>, cause: string) => unitPlan(unit).diagnosis.findIndex((entry) => entry.cause === cause)

describe('diagnosis', () => {
  it('suspects the charge when it does not cool with clean parts, and refers it', () => {
    const unit = { complaints: ['not-cold' as const] }
    expect(first(unit)).toMatchObject({ cause: 'low refrigerant charge', cleaningHelps: 'no' })
    expect(unitPlan(unit).referrals[0].to).toBe('refrigerant-technician')
  })
  it('cleans first when it does not cool with dirty parts', () => {
    const unit = { complaints: ['not-cold' as const], grades: { coilFace: { grade: 3 as const }, wheel: { grade: 3 as const } } }
    expect(first(unit).cleaningHelps).toBe('yes')
    expect(rank(unit, 'low refrigerant charge')).toBeGreaterThan(3)
    expect(unitPlan(unit).referrals).toEqual([])
  })
  it('suspects the charge for ice on a clean coil with good airflow, and for an oil stain whatever the dirt', () => {
    expect(first({ complaints: ['ices-up'], readings: { returnC: 26, returnRh: 0.5, supplyC: 18, supplyRh: 0.8, airflowM3h: 590 } }).cause).toBe(
      'low refrigerant charge',
    )
    expect(unitPlan({ findings: ['oil-stain'], grades: { coilFace: { grade: 4 } } }).referrals[0].because).toMatch(/oil stain/)
  })
  it('blames the air path for ice on a dirty coil, far before the charge', () => {
    const unit = { complaints: ['ices-up' as const], grades: { coilFace: { grade: 3 as const }, filter: { grade: 3 as const } } }
    expect(first(unit).cleaningHelps).toBe('yes')
    const frozen = rank(unit, 'frozen coil from low airflow')
    expect(frozen).toBeGreaterThanOrEqual(0)
    expect(
      unitPlan(unit)
        .diagnosis.slice(0, frozen)
        .map(({ cause }) => cause),
    ).not.toContain('low refrigerant charge')
  })
  it('blames the wheel for thrown dirt even where the coil looks fine', () =>
    expect(first({ complaints: ['spits-dirt'], grades: { wheel: undefined } }).cause).toBe('fouled wheel'))
  it('blames no part that was graded clear', () => {
    expect(unitPlan({ complaints: ['spits-dirt'] }).diagnosis.map(({ cause }) => cause)).not.toContain('fouled wheel')
    const clear = unitPlan({ complaints: ['not-cold', 'weak-airflow', 'smell'] }).diagnosis.map(({ cause }) => cause)
    for (const cause of ['dirty filter', 'fouled coil face', 'fouled coil back', 'fouled wheel', 'biofilm in pan']) expect(clear).not.toContain(cause)
  })
  it('finds wheel and pan behind a smell, whatever the coil face', () => {
    const top = unitPlan({ complaints: ['smell'], grades: { wheel: { grade: 2, kinds: ['biofilm'] }, pan: { grade: 2, kinds: ['biofilm'] } } })
      .diagnosis.slice(0, 2)
      .map(({ cause }) => cause)
    expect(top.sort()).toEqual(['biofilm in pan', 'fouled wheel'])
  })
  it('blames a drip on drain, level or insulation by what was found', () => {
    expect(first({ complaints: ['drips-indoors'], findings: ['drain-blocked'] }).cause).toBe('blocked drain')
    expect(
      first({
        complaints: ['drips-indoors'],
        readings: { returnC: 26, returnRh: 0.5, supplyC: 14, levelMmPerM: -1, flowTest: { litres: 1, seconds: 40 } },
      }).cause,
    ).toBe('unit off level')
    expect(first({ complaints: ['drips-indoors'], findings: ['torn-insulation'] }).cause).toBe('torn insulation')
  })
  it('reads a large split with little air as fouling, not as health', () => {
    const { diagnosis } = unitPlan({
      grades: { coilFace: { grade: 2 } },
      readings: { returnC: 26, returnRh: 0.5, supplyC: 9, supplyRh: 0.95, airflowM3h: 300 },
    })
    expect(diagnosis.find(({ cause }) => cause === 'fouled coil face')!.evidence.join()).toMatch(/large temperature split with little air/)
  })
  it('gives weights that add up to one, evidence for each, and none where nothing speaks', () => {
    const { diagnosis } = unitPlan({ complaints: ['smell', 'noise'], grades: { wheel: { grade: 2 } } })
    expect(diagnosis.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 2)
    for (const { evidence } of diagnosis) expect(evidence[0]).toMatch(/^for: /)
    expect(unitPlan({}).diagnosis).toEqual([])
  })
  it('calls the electrician for a scorched plug', () =>
    expect(unitPlan({ findings: ['scorched-plug'] }).referrals).toEqual([expect.objectContaining({ to: 'electrician' })]))
})

describe('drain and level', () => {
  const seen = (rest: Partial<LookOver>): LookOver => ({ family: 'wall-head', complaints: [], grades: {}, findings: [], ...rest })
  const pour = (seconds: number) => ({ flowTest: { litres: 1, seconds } })
  it('judge the timed pour: 1 L/min is good, under 0.3 fails', () => {
    expect(drainState(seen(pour(60)))).toBe('good')
    expect(drainState(seen(pour(61)))).toBe('slow')
    expect(drainState(seen(pour(201)))).toBe('failed')
  })
  it('make a finding of a flow that failed, once, wherever nobody gets to it', () => {
    const findingsOf = (seconds: number, more: Partial<UnitJob> = {}) =>
      unitPlan({ ...more, readings: { returnC: 26, returnRh: 0.5, supplyC: 14, flowTest: { litres: 1, seconds } } }).findings
    expect(findingsOf(40)).toEqual([])
    expect(findingsOf(90).map(({ finding }) => finding)).toEqual(['drain-slow'])
    expect(findingsOf(900).map(({ finding }) => finding)).toEqual(['drain-blocked'])
    expect(findingsOf(900, { findings: ['drain-slow'] }).map(({ finding }) => finding)).toEqual(['drain-slow'])
    for (const { leadsTo } of findingsOf(900)) expect(leadsTo.length).toBeGreaterThan(0)
  })
  it('ask two millimetres a metre', () => {
    expect(isOffLevel(seen({ levelMmPerM: 1.9 }))).toBe(true)
    expect(isOffLevel(seen({ levelMmPerM: 2 }))).toBe(false)
  })
  it('have words for every grade of every part', () => expect(told(gradeLooks('wheel')[4])).toMatch(/clumps/))
})
