// Against an integer program solved by somebody else's solver: on small random problems the finish is the optimum, or both say that there is none.
import fc from 'fast-check'
import loadHighs from 'highs'
import { Fault } from '../faults/index.ts'
import { schedule, type Problem } from './index.ts'

type Solver = Awaited<ReturnType<typeof loadHighs>>
let solver: Solver
beforeAll(async () => {
  solver = await loadHighs()
})

const problems: fc.Arbitrary<Problem> = fc
  .tuple(
    fc.option(fc.tuple(fc.nat(), fc.nat()), { nil: undefined }),
    fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 5 }),
        people: fc.integer({ min: 0, max: 2 }),
        pump: fc.integer({ min: 0, max: 1 }),
        after: fc.option(fc.nat(), { nil: undefined }),
        least: fc.integer({ min: 0, max: 4 }),
        more: fc.option(fc.integer({ min: 0, max: 3 }), { nil: undefined }),
      }),
      { minLength: 2, maxLength: 6 },
    ),
  )
  .map(([held, list]) => ({
    // Half of them keep the pump from one activity to a later one.
    holds: held ? [holdOf(held, list.length)] : [],
    activities: list.map(({ minutes, people, pump }, index) => ({ id: `a${index}`, minutes, needs: { people, pump } })),
    lags: list.flatMap(({ after, least, more }, index) =>
      after === undefined || index === 0
        ? []
        : [{ from: `a${after % index}`, to: `a${index}`, leastMin: least, ...(more === undefined ? {} : { mostMin: least + more }) }],
    ),
    resources: { people: 2, pump: 1 },
  }))

function holdOf([one, other]: [number, number], size: number) {
  const from = one % (size - 1)
  return { resource: 'pump', amount: 1, from: `a${from}`, to: `a${from + 1 + (other % (size - 1 - from))}` }
}

/** Least finish by a time-indexed integer program, or undefined where nothing is feasible. Whole minutes lose nothing: all data are whole. */
function optimum({ activities, lags, resources, holds = [] }: Problem): number | undefined {
  const horizon = activities.reduce((sum, { minutes }) => sum + minutes, 0) + lags.reduce((sum, { leastMin }) => sum + leastMin, 0)
  const times = (minutes: number) => Array.from({ length: horizon - minutes + 1 }, (_, start) => start)
  const x = (id: string, start: number) => `${id}_${start}`
  const sum = (terms: string[]) => (terms.length > 0 ? terms.join(' + ') : '0 finish')
  const startOf = (id: string, minutes: number, sign: '+' | '-') =>
    times(minutes)
      .filter((start) => start > 0)
      .map((start) => `${sign} ${start} ${x(id, start)}`)
      .join(' ')
  const minutesOf = new Map(activities.map(({ id, minutes }) => [id, minutes]))
  const rows = [
    ...activities.map(({ id, minutes }) => `${sum(times(minutes).map((start) => x(id, start)))} = 1`),
    ...activities.map(({ id, minutes }) => `finish ${startOf(id, minutes, '-')} >= ${minutes}`),
    ...lags.flatMap(({ from, to, leastMin, mostMin }) => {
      const gap = `${startOf(to, minutesOf.get(to)!, '+')} ${startOf(from, minutesOf.get(from)!, '-')} + 0 finish`
      const shift = minutesOf.get(from)!
      return [`${gap} >= ${shift + leastMin}`, ...(mostMin === undefined ? [] : [`${gap} <= ${shift + mostMin}`])]
    }),
    ...holds.map(
      ({ from, to }) =>
        `${startOf(to!, minutesOf.get(to!)!, '+')} ${startOf(from!, minutesOf.get(from!)!, '-')} + 0 finish >= ${minutesOf.get(from!)}`,
    ),
    ...Object.entries(resources).flatMap(([resource, capacity]) =>
      Array.from({ length: horizon }, (_, moment) => {
        const going = activities.flatMap(({ id, minutes, needs }) =>
          (needs[resource] ?? 0) > 0
            ? times(minutes)
                .filter((start) => start <= moment && start + minutes > moment)
                .map((start) => `${needs[resource]} ${x(id, start)}`)
            : [],
        )
        for (const { from, to, amount } of holds.filter((hold) => hold.resource === resource)) {
          const begun = times(minutesOf.get(from!)!).filter((start) => start <= moment)
          const ended = times(minutesOf.get(to!)!).filter((start) => start + minutesOf.get(to!)! <= moment)
          going.push(begun.map((start) => `${amount} ${x(from!, start)}`).join(' + '), ...ended.map((start) => `-${amount} ${x(to!, start)}`))
        }
        return going.length > 0 ? [`${going.join(' + ').replaceAll('+ -', '- ')} <= ${capacity}`] : []
      }).flat(),
    ),
  ]
  const whole = activities.flatMap(({ id, minutes }) => times(minutes).map((start) => x(id, start)))
  const program = `Minimize\n obj: finish\nSubject To\n${rows.map((row, index) => ` r${index}: ${row}`).join('\n')}\nBinary\n ${whole.join(' ')}\nEnd`
  const { Status, ObjectiveValue } = solver.solve(program)
  return Status === 'Optimal' ? Math.round(ObjectiveValue) : undefined
}

function ours(problem: Problem): ReturnType<typeof schedule> | undefined {
  try {
    return schedule(problem)
  } catch (error) {
    if (error instanceof Fault) return undefined
    throw error
  }
}

describe('the schedule of a small problem', () => {
  const cases = fc.sample(problems, { numRuns: 200, seed: 20261125 })
  it('has the least finish that an integer program finds, and knows it', () => {
    for (const problem of cases) {
      const own = ours(problem)
      expect({ problem, finish: own?.finishMin }).toEqual({ problem, finish: optimum(problem) })
      if (own) expect(own).toMatchObject({ provedBest: true, lowerBoundMin: own.finishMin })
    }
  })
  it('is sometimes impossible and often not, so that the comparison says something', () => {
    const impossible = cases.filter((problem) => ours(problem) === undefined).length
    expect(impossible).toBeGreaterThan(3)
    expect(impossible).toBeLessThan(130)
    expect(
      cases.filter((problem) => (ours(problem)?.finishMin ?? 0) > Math.max(...problem.activities.map(({ minutes }) => minutes))).length,
    ).toBeGreaterThan(60)
  })
})
