import { emptyUnitState, durationsOf, learnPaces, learnStepTimes, type StepDuration, type UnitState } from './index.ts'
import type { Step } from '../procedure/index.ts'

const step = (id: string, handsMin: number, more: Partial<Step> = {}): Step => ({
  id,
  phase: 'rinse',
  title: id,
  handsMin,
  after: [],
  people: 1,
  equipment: [],
  cautions: [],
  ...more,
})
const minutes = (value: number) => value * 60_000
const runs = (stepId: string, startMin: number, ...real: number[]): StepDuration[] =>
  real.map((realMin) => ({ stepId, by: 1, title: stepId, startMin, realMin }))
const factorOf = (durations: StepDuration[]) => learnStepTimes(durations)[0]

describe('how long steps took', () => {
  const state: UnitState = {
    ...emptyUnitState(),
    steps: [step('a', 5), step('b', 4), step('c', 3, { startMin: 2 }), step('d', 1)],
    progress: {
      a: { begunAtMs: minutes(0), doneAtMs: minutes(6), by: 1 },
      b: { begunAtMs: minutes(16), doneAtMs: minutes(16), by: 1 },
      c: { begunAtMs: minutes(7), doneAtMs: minutes(9), by: 2 },
      d: { doneAtMs: minutes(20), by: 1, skippedBecause: 'not needed' },
    },
    pauses: [{ by: 1, fromMs: minutes(8), toMs: minutes(12) }],
  }
  it('runs from its own begin, or from the end of the step before, without pauses, and leaves out what was not done', () => {
    expect(durationsOf(state).map(({ stepId, startMin, realMin }) => [stepId, startMin, realMin])).toEqual([
      ['a', 5, 6],
      ['b', 4, 6],
      ['c', 2, 2],
    ])
  })
  it('says nothing of a step before which there was a night', () => {
    const late = { ...state, progress: { ...state.progress, b: { begunAtMs: minutes(900), doneAtMs: minutes(900), by: 1 } } }
    expect(durationsOf(late).map(({ stepId }) => stepId)).toEqual(['a', 'c'])
  })
})

describe('what is learned from them', () => {
  it('moves towards what runs took, further with more of them', () => {
    const few = factorOf(runs('a', 10, 15, 15, 15))
    const many = factorOf(runs('a', 10, ...Array.from({ length: 40 }, () => 15)))
    expect(few.factor).toBeGreaterThan(1.1)
    expect(many.factor).toBeGreaterThan(few.factor)
    expect(many.factor).toBeCloseTo(1.45, 1)
  })
  it('is no correction from one or two runs', () => expect(factorOf(runs('a', 10, 30, 30)).factor).toBe(1))
  it('is not moved by a coffee break, a tap in passing, or a day in a pocket', () => {
    const honest = Array.from({ length: 12 }, (_, index) => 10 + (index % 3))
    const clean = factorOf(runs('a', 10, ...honest))
    const dirty = factorOf(runs('a', 10, ...honest, 45, 600, 0.1))
    expect(dirty.factor).toBe(clean.factor)
    expect(dirty.setAside).toBe(3)
  })
  it('stays within half and twice the start value', () => {
    expect(factorOf(runs('a', 10, ...Array.from({ length: 200 }, () => 48))).factor).toBe(2)
    expect(factorOf(runs('a', 10, ...Array.from({ length: 200 }, () => 2.2))).factor).toBe(0.5)
  })
})

describe('the pace of each one', () => {
  /** Steps a to j, done so many times by somebody who takes so much of what everybody takes, which is more than planned. */
  const work = (by: number, each: number, share: number): StepDuration[] =>
    [...'abcdefghij'].flatMap((stepId, kind) =>
      Array.from({ length: each }, () => ({ stepId, by, title: stepId, startMin: 4 + kind, realMin: (4 + kind) * 1.2 * share })),
    )
  const paceOf = (by: number, durations: StepDuration[]) => learnPaces(durations).find((pace) => pace.by === by)
  it('is told against what the firm takes, not against the start values', () => {
    const all = [...work(1, 8, 1), ...work(2, 8, 1), ...work(3, 8, 1.25)]
    expect(paceOf(1, all)?.pacePercent).toBeGreaterThan(95)
    expect(paceOf(1, all)?.pacePercent).toBeLessThan(105)
    expect(paceOf(3, all)?.pacePercent).toBeGreaterThan(112)
    expect(paceOf(3, all)?.pacePercent).toBeLessThan(128)
  })
  it('is none from a few steps, and not moved by a break or a tap in passing', () => {
    expect(paceOf(3, [...work(1, 8, 1), ...work(3, 1, 1.4)])?.pacePercent).toBe(100)
    const honest = [...work(1, 8, 1), ...work(3, 8, 1.25)]
    const more = [200, 0.1, 30].map((realMin) => ({ stepId: 'a', by: 3, title: 'a', startMin: 4, realMin }))
    expect(paceOf(3, [...honest, ...more])).toMatchObject({ pacePercent: paceOf(3, honest)?.pacePercent, setAside: 3 })
  })
  it('stays within 70 and 150 %', () => {
    const others = [1, 2, 4, 5].flatMap((by) => work(by, 30, 1))
    expect(paceOf(3, [...others, ...work(3, 30, 3)])?.pacePercent).toBe(150)
    expect(paceOf(3, [...others, ...work(3, 30, 0.3)])?.pacePercent).toBe(70)
  })
})
