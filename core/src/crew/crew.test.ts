import fc from 'fast-check'
import { Fault } from '../faults/index.ts'
import { builtInVan } from '../products/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { schedule, type Problem } from './index.ts'
import { inEnglish, planInEnglish } from '../tests/inEnglish.ts'
import { referenceVisits, visitJob } from '../tests/referenceVisits.ts'

/** Independent check of a schedule: lags, capacities at every start, and the finish. */
function expectFeasible(
  { activities, lags, resources, holds = [] }: Problem,
  { starts, chosen, finishMin, lowerBoundMin }: ReturnType<typeof schedule>,
) {
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
      const end = (other: string) => starts[other] + byId.get(other)!.minutes
      const held = holds
        .filter(({ from, to }) => (from === undefined || starts[from] <= starts[id]) && (to === undefined || end(to) > starts[id]))
        .reduce((sum, hold) => sum + (hold.resource === resource ? hold.amount : 0), 0)
      expect(use + held).toBeLessThanOrEqual(capacity)
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
    expect(inEnglish(faultOf({ activities: [{ ...a, needs: { people: 3 } }], lags: [], resources: one }).lines[0].what)).toBe(
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

describe('what is held from one activity to another', () => {
  /** Units that hang a bag, wait, work under a most lag, and take it down; the last two steps need a person. */
  const hung = (units: number, bags: number): Problem => ({
    activities: Array.from({ length: units }, (_, unit) =>
      ['hang', 'wet', 'rinse', 'down'].map((part, at) => ({
        id: `${unit}${part}`,
        minutes: 2 + at,
        needs: {},
        anyOf: { of: ['p', 'q'], count: 1 },
        place: `u${unit}`,
      })),
    ).flat(),
    lags: Array.from({ length: units }, (_, unit) => [
      { from: `${unit}hang`, to: `${unit}wet`, leastMin: 0 },
      { from: `${unit}wet`, to: `${unit}rinse`, leastMin: 5, mostMin: 8 },
      { from: `${unit}rinse`, to: `${unit}down`, leastMin: 3 },
    ]).flat(),
    holds: Array.from({ length: units }, (_, unit) => ({ resource: 'bag', amount: 1, from: `${unit}hang`, to: `${unit}down` })),
    resources: { p: 1, q: 1, bag: bags },
  })
  it('is in use all the while', () => {
    for (const [units, bags] of [
      [2, 1],
      [9, 1],
      [9, 2],
      [12, 3],
    ]) {
      const problem = hung(units, bags)
      expectFeasible(problem, schedule(problem))
    }
    // With one bag there is no overlap at all: 22 min each, and the bound knows it.
    expect(schedule(hung(5, 1))).toMatchObject({ finishMin: 110, lowerBoundMin: 110, provedBest: true })
    expect(schedule(hung(5, 2)).finishMin).toBeLessThan(80)
  })
  it('may be in use since before, and for good', () => {
    const problem = hung(3, 1)
    const [, ...rest] = problem.holds!
    // The first unit's bag hangs already: it goes first although nothing else asks for that.
    const since = { ...problem, holds: [...rest, { resource: 'bag', amount: 1, to: '0down' }] }
    const result = schedule(since)
    expectFeasible(since, result)
    expect(Math.min(result.starts['1hang'], result.starts['2hang'])).toBeGreaterThanOrEqual(result.starts['0down'] + 5)
    const forGood = { ...problem, holds: [...rest, { resource: 'bag', amount: 1, from: '0hang' }] }
    const last = schedule(forGood)
    expectFeasible(forGood, last)
    expect(last.starts['0hang']).toBeGreaterThanOrEqual(Math.max(last.starts['1down'], last.starts['2down']) + 5)
  })
  it('cannot be more than there is, nor be needed by something inside', () => {
    expect(inEnglish(faultOf({ ...hung(1, 1), resources: { p: 1, q: 1 } }).lines[0].what)).toBe('it keeps 1 of bag, and there are 0')
    const { activities, ...rest } = hung(1, 1)
    faultOf({ ...rest, activities: activities.map((entry) => (entry.id === '0rinse' ? { ...entry, needs: { bag: 1 } } : entry)) })
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
    const { timeline, units } = planInEnglish(heads(4))
    const skill = new Map(units[0].steps.map((step) => [step.id, step.skill]))
    for (const task of timeline.tasks) if (skill.get(task.step)) expect(task.who).toEqual(['Imre'])
    for (const name of ['Imre', 'Sanna']) {
      const own = timeline.tasks.filter(({ who }) => who.includes(name))
      own.forEach((task, index) => index > 0 && expect(task.startMin).toBeGreaterThanOrEqual(own[index - 1].endMin - 1e-9))
    }
  })
  it('says in what share of the time somebody works', () => {
    const { timeline } = planInEnglish(heads(2))
    const idle = Array.from({ length: Math.floor(timeline.finishMin) }, (_, min) => min + 0.25).filter(
      (min) => !timeline.tasks.some(({ startMin, endMin }) => startMin <= min && min < endMin),
    )
    expect(timeline.busyShare).toBeCloseTo(1 - idle.length / timeline.finishMin, 1)
    expect(timeline.busyShare).toBeGreaterThan(0.85)
  })
  const twoBags = { equipment: builtInVan.map((entry) => (entry.kind === 'wash-bag' ? { ...entry, count: 2 } : entry)) }
  it('saves time by overlapping units, and more with a second wash bag', () => {
    const [one, two, more] = [planInEnglish(heads(1)), planInEnglish(heads(2)), planInEnglish({ ...heads(2), ...twoBags })].map(
      ({ timeline }) => timeline.finishMin,
    )
    expect(two).toBeLessThan(2 * one * 0.9)
    expect(more).toBeLessThan(2 * one * 0.65)
  })
  it('hangs the one wash bag on one unit at a time', () => {
    const { timeline, units } = planInEnglish(heads(3))
    const hung = units.map(({ id }) => ({
      from: timeline.tasks.find((task) => task.unitId === id && task.step === 'set-containment')!.startMin,
      to: timeline.tasks.find((task) => task.unitId === id && task.step === 'take-down')!.endMin,
    }))
    hung.sort((a, b) => a.from - b.from)
    hung.forEach(({ from }, index) => index > 0 && expect(from).toBeGreaterThanOrEqual(hung[index - 1].to - 1e-9))
  })
  it('shares twelve units among three people within a twentieth of what nobody can beat', () => {
    const job = { ...heads(12), crew: [...jobWith().crew, { name: 'Third' }] }
    const { finishMin, lowerBoundMin } = planInEnglish(job).timeline
    expect(finishMin / lowerBoundMin).toBeLessThanOrEqual(1.05)
  })
  it('never uses more pumps than the van holds', () => {
    const { tasks } = planInEnglish(heads(5)).timeline
    const pumping = tasks.filter(({ equipment }) => equipment.includes('pump-wand'))
    pumping.forEach((task, index) => index > 0 && expect(task.startMin).toBeGreaterThanOrEqual(pumping[index - 1].endMin - 1e-9))
  })
  it('plugs in all tools behind the one residual-current plug: a second one saves nothing', () => {
    const [slidOut] = referenceVisits.filter(({ name }) => name.includes('slid out')).map(visitJob)
    const plugs = (count: number) =>
      planInEnglish({ ...slidOut, equipment: builtInVan.map((entry) => (entry.kind === 'residual-current-plug' ? { ...entry, count } : entry)) })
    expect(plugs(1).timeline).toEqual(plugs(2).timeline)
    const plugged = plugs(1).timeline.tasks.filter(({ equipment }) => equipment.includes('residual-current-plug'))
    expect(plugged.some((task, index) => index > 0 && task.startMin < plugged[index - 1].endMin)).toBe(true)
  })
})
