import fc from 'fast-check'
import { Fault } from '../faults/index.ts'
import { planJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { schedule, type Problem } from './index.ts'

/** Independent check of a schedule: lags, capacities at every start, and the finish. */
function expectFeasible({ activities, lags, resources }: Problem, { starts, chosen, finishMin, lowerBoundMin }: ReturnType<typeof schedule>) {
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
        .reduce((sum, { id: other, needs }) => sum + (needs[resource] ?? 0) + (chosen[other].includes(resource) ? 1 : 0), 0)
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
      { numRuns: 150 },
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

describe('looking for something better', () => {
  /** Units of one person's work with a wait in the middle of each. */
  const waits = (units: number): Problem => ({
    activities: Array.from({ length: units }, (_, unit) =>
      ['begin', 'end'].map((part) => ({ id: `${unit}${part}`, minutes: 5, needs: {}, anyOf: { of: ['p', 'q'], count: 1 }, place: `u${unit}` })),
    ).flat(),
    lags: Array.from({ length: units }, (_, unit) => ({ from: `${unit}begin`, to: `${unit}end`, leastMin: 20, mostMin: 60 })),
    resources: { p: 1, q: 1 },
  })
  it('is the same for the same seed and effort, and never worse for more effort', () => {
    const problem = waits(15)
    expect(schedule(problem, { seed: 4, effort: 3000 })).toEqual(schedule(problem, { seed: 4, effort: 3000 }))
    const finishes = [100, 1000, 20_000].map((effort) => schedule(problem, { effort }).finishMin)
    expect([...finishes].sort((a, b) => b - a)).toEqual(finishes)
    expectFeasible(problem, schedule(problem, { effort: 20_000 }))
  })
  it('stops when it is aborted, with the best so far', () => {
    const result = schedule(waits(15), { effort: 1e12, signal: { aborted: true } })
    expectFeasible(waits(15), result)
  })
  it('stays longer in a place where that costs nothing', () => {
    const problem: Problem = {
      activities: ['a', 'b'].flatMap((place) =>
        [1, 2, 3].map((part) => ({ id: `${place}${part}`, minutes: 4, needs: {}, anyOf: { of: ['p'], count: 1 }, place })),
      ),
      lags: [],
      resources: { p: 1 },
    }
    const { starts, finishMin } = schedule(problem)
    expect(finishMin).toBe(24)
    const inOrder = Object.keys(starts).sort((a, b) => starts[a] - starts[b])
    expect(inOrder.filter((id, index) => index > 0 && id[0] !== inOrder[index - 1][0])).toHaveLength(1)
  })
  it('counts what must follow the last work into the lower bound', () => {
    // Two people, six units: ten minutes each, and each is followed by half an hour of waiting and one minute.
    const problem: Problem = {
      activities: Array.from({ length: 6 }, (_, unit) => [
        { id: `${unit}a`, minutes: 10, needs: { people: 1 } },
        { id: `${unit}b`, minutes: 1, needs: { people: 1 } },
      ]).flat(),
      lags: Array.from({ length: 6 }, (_, unit) => ({ from: `${unit}a`, to: `${unit}b`, leastMin: 30 })),
      resources: { people: 2 },
    }
    expect(schedule(problem)).toMatchObject({ finishMin: 61, lowerBoundMin: 61, provedBest: true })
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
  it('shares twelve units among three people within a twentieth of what nobody can beat', () => {
    const job = { ...heads(12), crew: [...jobWith().crew, { name: 'Third' }] }
    const { finishMin, lowerBoundMin } = planJob(job).timeline
    expect(finishMin / lowerBoundMin).toBeLessThanOrEqual(1.05)
  })
  it('never uses more pumps than the van holds', () => {
    const { tasks } = planJob(heads(5)).timeline
    const pumping = tasks.filter(({ equipment }) => equipment.includes('pump-wand'))
    pumping.forEach((task, index) => index > 0 && expect(task.startMin).toBeGreaterThanOrEqual(pumping[index - 1].endMin - 1e-9))
  })
})
