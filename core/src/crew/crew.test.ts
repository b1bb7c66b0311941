import fc from 'fast-check'
import { Fault } from '../faults/index.ts'
import { planJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { schedule, type Problem } from './index.ts'

/** Independent check of a schedule: lags, capacities at every start, and the finish. */
function expectFeasible({ activities, lags, resources }: Problem, { starts, finishMin, lowerBoundMin }: ReturnType<typeof schedule>) {
  const byId = new Map(activities.map((activity) => [activity.id, activity]))
  for (const { from, to, leastMin, mostMin } of lags) {
    const gap = starts[to] - (starts[from] + byId.get(from)!.minutes)
    expect(gap).toBeGreaterThanOrEqual(leastMin - 1e-9)
    if (mostMin !== undefined) expect(gap).toBeLessThanOrEqual(mostMin + 1e-9)
  }
  for (const { id } of activities) {
    for (const [resource, capacity] of Object.entries(resources)) {
      const use = activities
        .filter((other) => starts[other.id] <= starts[id] && starts[other.id] + other.minutes > starts[id])
        .reduce((sum, { needs }) => sum + (needs[resource] ?? 0), 0)
      expect(use).toBeLessThanOrEqual(capacity)
    }
  }
  expect(finishMin).toBeCloseTo(Math.max(...activities.map(({ id, minutes }) => starts[id] + minutes)), 9)
  expect(finishMin).toBeGreaterThanOrEqual(lowerBoundMin - 1e-9)
}
const faultOf = (problem: Problem) => {
  try {
    schedule(problem)
  } catch (error) {
    if (error instanceof Fault) return error
  }
  throw new Error('no fault')
}
const one = { people: 1 }

describe('the schedule', () => {
  it('fills a dwell with other work', () => {
    const problem: Problem = {
      activities: [
        { id: 'foam', minutes: 4, needs: one },
        { id: 'rinse', minutes: 5, needs: one },
        { id: 'filters', minutes: 8, needs: one },
      ],
      lags: [{ from: 'foam', to: 'rinse', leastMin: 10, mostMin: 20 }],
      resources: { people: 1 },
    }
    const result = schedule(problem)
    expectFeasible(problem, result)
    expect(result).toMatchObject({ finishMin: 19, lowerBoundMin: 19, provedBest: true })
  })
  it('starts later rather than let a dwell run over', () => {
    const problem: Problem = {
      activities: [
        { id: 'long', minutes: 30, needs: { pump: 1 } },
        { id: 'foam', minutes: 2, needs: one },
        { id: 'rinse', minutes: 5, needs: { people: 1, pump: 1 } },
      ],
      lags: [{ from: 'foam', to: 'rinse', leastMin: 5, mostMin: 10 }],
      resources: { people: 1, pump: 1 },
    }
    expectFeasible(problem, schedule(problem))
  })
  it('keeps everything on random problems', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            minutes: fc.integer({ min: 1, max: 9 }),
            people: fc.integer({ min: 1, max: 2 }),
            pump: fc.integer({ min: 0, max: 1 }),
            after: fc.option(fc.nat(), { nil: undefined }),
            least: fc.integer({ min: 0, max: 6 }),
          }),
          { minLength: 1, maxLength: 14 },
        ),
        (list) => {
          const problem: Problem = {
            activities: list.map(({ minutes, people, pump }, index) => ({ id: `a${index}`, minutes, needs: { people, pump } })),
            lags: list.flatMap(({ after, least }, index) =>
              after === undefined || index === 0 ? [] : [{ from: `a${after % index}`, to: `a${index}`, leastMin: least }],
            ),
            resources: { people: 2, pump: 1 },
          }
          expectFeasible(problem, schedule(problem))
        },
      ),
      { numRuns: 300 },
    ))
  it('names a circle, a need above capacity, and a most lag that cannot be kept', () => {
    const a = { id: 'a', minutes: 5, needs: one }
    const b = { id: 'b', minutes: 5, needs: one }
    expect(
      faultOf({
        activities: [a, b],
        lags: [
          { from: 'a', to: 'b', leastMin: 0 },
          { from: 'b', to: 'a', leastMin: 0 },
        ],
        resources: one,
      }).lines[0].where,
    ).toBe('a, b')
    expect(faultOf({ activities: [{ ...a, needs: { people: 3 } }], lags: [], resources: one }).lines[0].what).toBe(
      'it needs 3 of people, and there are 1',
    )
    const tight = faultOf({
      activities: [a, { ...b, needs: one }, { id: 'c', minutes: 9, needs: one }],
      lags: [
        { from: 'a', to: 'b', leastMin: 0, mostMin: 1 },
        { from: 'a', to: 'c', leastMin: 0 },
        { from: 'c', to: 'b', leastMin: 0 },
      ],
      resources: one,
    })
    expect(tight.lines[0].where).toBe('a → b')
  })
})

describe('the crew', () => {
  const heads = (count: number) => ({
    ...jobWith(),
    units: Array.from({ length: count }, (_, index) => ({
      ...jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3 }, coilFace: { grade: 2 } } }).units[0],
      id: `u${index}`,
    })),
  })
  it('gives steps that need training only to those who have it, and nobody two at once', () => {
    const { timeline, units } = planJob(heads(4))
    const skill = new Map(units[0].steps.map((step) => [step.id, step.skill]))
    for (const task of timeline.tasks) if (skill.get(task.step)) expect(task.who).toEqual(['Imre'])
    for (const name of ['Imre', 'Sanna']) {
      const own = timeline.tasks.filter(({ who }) => who.includes(name))
      own.forEach((task, index) => index > 0 && expect(task.startMin).toBeGreaterThanOrEqual(own[index - 1].endMin - 1e-9))
    }
  })
  it('saves time by overlapping units', () =>
    expect(planJob(heads(2)).timeline.finishMin).toBeLessThan(2 * planJob(heads(1)).timeline.finishMin * 0.75))
  it('never uses more pumps than the van holds', () => {
    const { tasks } = planJob(heads(5)).timeline
    const pumping = tasks.filter(({ equipment }) => equipment.includes('pump-wand'))
    pumping.forEach((task, index) => index > 0 && expect(task.startMin).toBeGreaterThanOrEqual(pumping[index - 1].endMin - 1e-9))
  })
})
