import { emptyUnitState, type UnitState } from '../run/index.ts'
import { outcomeOf, realMinutes } from './index.ts'

const minute = 60_000
const step = (id: string, handsMin: number, people = 1) => ({
  id,
  phase: 'apply' as const,
  title: id,
  handsMin,
  after: [],
  people,
  equipment: [],
  cautions: [],
})
/** Steps one after the other by one person, each with the minutes that it really took; undefined where nobody tapped its begin long before. */
function run(steps: { id: string; handsMin: number; people?: number; real?: number; skipped?: boolean }[]): UnitState {
  let nowMs = 0
  const progress: UnitState['progress'] = {}
  for (const { id, real, skipped } of steps) {
    const begunAtMs = real === undefined ? undefined : nowMs
    nowMs += (real ?? 300) * minute
    progress[id] = { doneAtMs: nowMs, by: 1, ...(begunAtMs === undefined ? {} : { begunAtMs }), ...(skipped ? { skippedBecause: 'not needed' } : {}) }
  }
  return { ...emptyUnitState(), steps: steps.map(({ id, handsMin, people }) => step(id, handsMin, people)), progress }
}

describe('what a visit really took', () => {
  it('counts measured steps as they were, others as planned, for all people at a step, and none that was left out', () => {
    const state = run([
      { id: 'mix', handsMin: 4, real: 10 },
      { id: 'carry', handsMin: 10, people: 2, real: 15 },
      { id: 'rinse', handsMin: 20 },
      { id: 'comb', handsMin: 30, real: 5, skipped: true },
    ])
    expect(realMinutes(state)).toEqual({ minutes: 10 + 30 + 20, measuredMin: 4 + 20, plannedMin: 4 + 20 + 20 })
  })
  it('takes people and product from what is paid, for the plan and for what was', () => {
    const state: UnitState = {
      ...run([{ id: 'mix', handsMin: 60, real: 90 }]),
      used: [{ stepId: 'mix', productId: 'foam', litres: 0.5, by: 1, atMs: 0 }],
    }
    const price = (id: string) => (id === 'foam' ? 12 : undefined)
    expect(outcomeOf({ total: 150, handsMin: 60, productCost: 3 }, [state], price, 30)).toEqual({
      plannedMin: 60,
      realMin: 90,
      plannedWaitMin: 0,
      realWaitMin: 0,
      measuredShare: 1,
      plannedProduct: 3,
      realProduct: 6,
      total: 150,
      plannedMargin: 150 - 30 - 3,
      realMargin: 150 - 45 - 6,
    })
  })
  it('counts what waiting cost the firm, planned and real, and no gap in which nobody was there', () => {
    const state = run([
      { id: 'soak', handsMin: 10, real: 10 },
      { id: 'rinse', handsMin: 10, real: 10 },
    ])
    // Half an hour between the two, in which one waited; and another day begun a day later.
    for (const own of Object.values(state.progress).slice(1)) {
      own.begunAtMs = (own.begunAtMs ?? 0) + 30 * minute
      own.doneAtMs = (own.doneAtMs ?? 0) + 30 * minute
    }
    const later = {
      ...run([{ id: 'close', handsMin: 10, real: 10 }]),
      progress: { close: { begunAtMs: 24 * 60 * minute, doneAtMs: (24 * 60 + 10) * minute, by: 1 } },
    }
    expect(outcomeOf({ total: 100, handsMin: 30, waitingMin: 12, productCost: 0 }, [state, later], () => undefined, 60)).toMatchObject({
      realMin: 30,
      plannedWaitMin: 12,
      realWaitMin: 30,
      plannedMargin: 100 - 42,
      realMargin: 100 - 60,
    })
  })
  it('takes nobody for waiting while somebody else works', () => {
    const one = run([{ id: 'rinse', handsMin: 40, real: 40 }])
    const other = run([{ id: 'wipe', handsMin: 10, real: 10 }])
    for (const own of Object.values(other.progress)) own.by = 2
    expect(outcomeOf({ total: 100, handsMin: 50, productCost: 0 }, [one, other], () => undefined, 60)).toMatchObject({ realMin: 50, realWaitMin: 0 })
  })
  it('of a visit on which nothing was done is what was paid, and measured nothing', () =>
    expect(outcomeOf({ total: 80, handsMin: 10, productCost: 0 }, [emptyUnitState()], () => undefined, 30)).toMatchObject({
      realMin: 0,
      measuredShare: 0,
      realMargin: 80,
    }))
})
