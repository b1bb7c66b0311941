import { asOnePlan } from '../../tests/inEnglish.ts'
import { planJob } from '../../plan/index.ts'
import { emptyUnitState, type UnitState } from '../../run/index.ts'
import { jobWith, openHead } from '../../tests/jobs.ts'
import { knownDesign } from '../../units/index.ts'
import { coolingBy } from '../cooling.ts'
import { isRunning, settledOf, settledS, simulatedReadings, soilNow, truthOf, type InstrumentReading, type Simulated } from './index.ts'

const { design } = knownDesign('wall-head', openHead.design)
const soil = { filter: 2, coilFace: 3, coilBack: 3, wheel: 3, pan: 2, drainLine: 3 } as const
const { steps } = asOnePlan(
  planJob(
    jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3 }, coilFace: { grade: 3 }, coilBack: { grade: 3 }, drainLine: { grade: 3 } } }),
  ),
).units[0]
/** The unit with all steps done but those that are left out. */
const doneBut = (...leftOut: string[]): UnitState => ({
  ...emptyUnitState(),
  steps,
  progress: Object.fromEntries(steps.filter(({ id }) => !leftOut.includes(id)).map(({ id }) => [id, { doneAtMs: 1 }])),
})
const at = (state: UnitState, more: Partial<Simulated> = {}): Simulated => ({
  seed: 5,
  design,
  soil,
  state,
  room: { dryBulbC: 26, relativeHumidity: 0.55 },
  outdoorC: 32,
  levelMmPerM: 3,
  ...more,
})
/** Readings of all quantities, four a second, from when the instruments were put in place. */
const stream = (simulated: Simulated, seconds: number): InstrumentReading[] =>
  Array.from({ length: seconds * 4 }, (_, index) => simulatedReadings(simulated, 0, index * 250)).flat()

describe('instruments that are not there', () => {
  it('say the same for the same seed, and something else for another', () => {
    const simulated = at(emptyUnitState())
    expect(simulatedReadings(simulated, 0, 60_000)).toEqual(simulatedReadings(simulated, 0, 60_000))
    expect(simulatedReadings({ ...simulated, seed: 6 }, 0, 60_000)).not.toEqual(simulatedReadings(simulated, 0, 60_000))
  })
  it('follow from the room with time, and then keep to the truth within their tolerance', () => {
    const simulated = at(emptyUnitState())
    const truth = truthOf(simulated)
    const early = simulatedReadings(simulated, 0, 1000).find(({ quantity }) => quantity === 'supplyC')!
    expect(early.value).toBeGreaterThan(truth.supplyC + 5)
    for (let second = 60; second < 160; second++)
      for (const { quantity, value, tolerance, step } of simulatedReadings(simulated, 0, second * 1000))
        expect(Math.abs(value - truth[quantity])).toBeLessThan(1.6 * tolerance + step)
  })
  it('show a unit without power as it is: room air, no airflow, no current', () => {
    const isolated = { ...emptyUnitState(), steps, progress: { isolate: { doneAtMs: 1 } } }
    expect(isRunning({ state: isolated })).toBe(false)
    expect(truthOf(at(isolated))).toMatchObject({ supplyC: 26, supplyRh: 0.55, airflowM3h: 0, amps: 0 })
    expect(isRunning({ state: doneBut() })).toBe(true)
  })
  it('show afterwards what was really done: a skipped wheel wash is in the air', () => {
    const before = truthOf(at(emptyUnitState()))
    const clean = truthOf(at(doneBut()))
    const skipped = truthOf(at(doneBut('wash-wheel')))
    expect(clean.airflowM3h).toBeCloseTo(design.ratedAirflowM3h, 6)
    expect(skipped.airflowM3h).toBeLessThan(clean.airflowM3h * 0.9)
    expect(skipped.airflowM3h).toBeGreaterThan(before.airflowM3h)
    expect(clean.flowTestS).toBeLessThan(before.flowTestS)
    const kwOf = ({ returnC, returnRh, supplyC, supplyRh, airflowM3h }: typeof clean) =>
      coolingBy({ returnC, returnRh, supplyC, supplyRh, airflowM3h }).cooling!.totalKw.value
    expect(kwOf(before)).toBeLessThan(kwOf(skipped))
    expect(kwOf(skipped)).toBeLessThan(kwOf(clean))
  })
  it('know soil only from steps that were done, not from those left out on purpose', () => {
    const state = doneBut()
    state.progress['wash-wheel'] = { doneAtMs: 1, skippedBecause: 'no time' }
    expect(soilNow({ soil, state })).toMatchObject({ wheel: 3, coilFace: 0, filter: 0 })
  })
})

describe('a reading', () => {
  const simulated = at(emptyUnitState())
  const readings = stream(simulated, 60)
  it('is not settled while it moves, and is a while after it stopped', () => {
    expect(settledOf(readings, 'supplyC', 5000)).toBeUndefined()
    expect(settledOf(readings, 'supplyC', 9000)).toBeUndefined()
    const settled = settledOf(readings, 'supplyC', 50_000)!
    expect(Math.abs(settled.value - truthOf(simulated).supplyC)).toBeLessThanOrEqual(settled.tolerance)
  })
  it('needs its time, whatever it shows', () => {
    const still = (atMs: number): InstrumentReading => ({ instrument: 'level', quantity: 'levelMmPerM', value: 3, tolerance: 0.3, step: 0.1, atMs })
    const list = Array.from({ length: 60 }, (_, index) => still(index * 250))
    expect(settledOf(list, 'levelMmPerM', (settledS.value - 1) * 1000)).toBeUndefined()
    expect(settledOf(list, 'levelMmPerM', (settledS.value + 1) * 1000)).toMatchObject({ value: 3 })
    expect(settledOf(list, 'amps', 10_000)).toBeUndefined()
  })
  it('that creeps is not settled, however small its steps are', () => {
    const creep = (perS: number) =>
      Array.from({ length: 80 }, (_, index): InstrumentReading => ({
        instrument: 'supply probe',
        quantity: 'supplyC',
        value: 20 - (perS * index) / 4,
        tolerance: 0.3,
        step: 0.01,
        atMs: index * 250,
      }))
    expect(settledOf(creep(0.04), 'supplyC', 19_000)).toBeUndefined()
    expect(settledOf(creep(0.001), 'supplyC', 19_000)).toBeDefined()
  })
})
