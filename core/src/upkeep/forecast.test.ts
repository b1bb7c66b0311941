import { allGrades, seeded, type Grade } from '../quantities/index.ts'
import {
  evidenceOf,
  forecastOf,
  learnRates,
  lossIndex,
  mostWeeks,
  priorRateOf,
  ratesAtFirst,
  weeksPerYear,
  type Surrounding,
  type Visit,
} from './index.ts'

const use = { surroundings: [] as Surrounding[], hoursPerDay: 8 }
/** Scale of the increments, as the process has it. */
const scale = 0.35

/** Standard normal numbers by Box and Muller; gamma numbers by Marsaglia and Tsang (2000), with the boost for shapes below one. */
function chance(seed: number) {
  const random = seeded(seed)
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * (1 - random()) ** (1 / shape)
    const d = shape - 1 / 3
    const c = 1 / Math.sqrt(9 * d)
    for (;;) {
      const x = normal()
      const v = (1 + c * x) ** 3
      if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v
    }
  }
  return { random, normal, gamma }
}
const gradeOf = (index: number): Grade => allGrades[Math.min(4, Math.max(0, Math.round(index)))]

/** Units whose rates are known: each is visited some times, graded by eye, cleaned, and seen once more. */
function histories(count: number, { shift, spread, seed }: { shift: number; spread: number; seed: number }) {
  const { random, normal, gamma } = chance(seed)
  return Array.from({ length: count }, () => {
    const rate = priorRateOf(use) * Math.exp(shift + spread * normal())
    const visits: Visit[] = [{ atYears: 0, found: 3, left: 0.1 }]
    const times = 1 + Math.floor(random() * 4)
    for (let visit = 0; visit < times; visit++) {
      const before = visits.at(-1)!
      const years = 0.5 + random() * 1.5
      const index = before.left + gamma((rate * years) / scale) * scale
      visits.push({ atYears: before.atYears + years, found: gradeOf(index), left: 0.1 })
    }
    const last = visits.at(-1)!
    const years = 0.5 + random()
    return { visits, rate, years, truth: last.left + gamma((rate * years) / scale) * scale }
  })
}

describe('the forecast on histories whose rates are known', () => {
  const firm = histories(400, { shift: 0.35, spread: 0.4, seed: 11 })
  const learned = learnRates(firm.map(({ visits }) => evidenceOf(visits, priorRateOf(use))))
  it('learns the firm’s own rate from all its units', () => {
    expect(learned.units).toBe(400)
    expect(Math.abs(learned.shift - 0.35)).toBeLessThan(0.12)
    expect(learned.spread).toBeGreaterThan(0.25)
    expect(learned.spread).toBeLessThan(0.6)
  })
  it('holds the truth in its 80 % band 75 to 85 times in a hundred', () => {
    const held = firm.filter(({ visits, years, truth }) => {
      const forecast = forecastOf(visits, visits.at(-1)!.atYears, use, learned)
      const weeks = years * weeksPerYear
      return truth >= forecast.indexAfter(weeks, 0.1) && truth <= forecast.indexAfter(weeks, 0.9)
    }).length
    expect(held / firm.length).toBeGreaterThanOrEqual(0.75)
    expect(held / firm.length).toBeLessThanOrEqual(0.85)
  })
  it('means its chances: of units said to pass with 10 to 30 %, about so many have', () => {
    const said = firm.flatMap(({ visits, years, truth }) => {
      const chanceSaid = forecastOf(visits, visits.at(-1)!.atYears, use, learned).chanceAfter(years * weeksPerYear)
      return chanceSaid > 0.1 && chanceSaid < 0.3 ? [{ chanceSaid, passed: truth > 2.5 }] : []
    })
    expect(said.length).toBeGreaterThan(40)
    const meanSaid = said.reduce((sum, { chanceSaid }) => sum + chanceSaid, 0) / said.length
    expect(Math.abs(said.filter(({ passed }) => passed).length / said.length - meanSaid)).toBeLessThan(0.12)
  })
  it('does not take the firm’s believed rates where it has learned otherwise', () => {
    const held = (rates: typeof learned) =>
      firm.filter(({ visits, years, truth }) => truth <= forecastOf(visits.slice(0, 1), 0, use, rates).indexAfter(years * weeksPerYear, 0.9)).length
    expect(held(learned)).toBeGreaterThan(held(ratesAtFirst))
  })
})

describe('one unit', () => {
  const clean: Visit = { atYears: 0, found: 3, left: 0.1 }
  it('is due between low and high, sooner in a kitchen, with more hours, and later with a filter washed monthly', () => {
    const dueIn = (own: object) => forecastOf([clean], 0, { ...use, ...own }, ratesAtFirst).dueWeeks
    const plain = forecastOf([clean], 0, use, ratesAtFirst)
    expect(plain.lowWeeks).toBeLessThan(plain.dueWeeks)
    expect(plain.highWeeks).toBeGreaterThan(plain.dueWeeks)
    expect(plain.chanceAfter(plain.dueWeeks)).toBeCloseTo(0.2, 2)
    expect(dueIn({ surroundings: ['kitchen'] })).toBeLessThan(plain.dueWeeks)
    expect(dueIn({ hoursPerDay: 20 })).toBeLessThan(plain.dueWeeks)
    expect(dueIn({ filterWashedMonthly: true })).toBeGreaterThan(plain.dueWeeks)
  })
  it('learns from its own past: found clear again and again it is due later, choked within months sooner', () => {
    const past = (found: Grade): Visit[] => [clean, { atYears: 1, found, left: 0.1 }, { atYears: 2, found, left: 0.1 }]
    const dueAt = (found: Grade) => forecastOf(past(found), 2, use, ratesAtFirst).dueWeeks
    expect(dueAt(0)).toBeGreaterThan(dueAt(2))
    expect(dueAt(2)).toBeGreaterThan(dueAt(4))
  })
  it('is nearer to its due date by the weeks that have passed, and due now where it was left soiled', () => {
    const today = forecastOf([clean], 0, use, ratesAtFirst).dueWeeks
    expect(forecastOf([clean], 10 / weeksPerYear, use, ratesAtFirst).dueWeeks).toBeCloseTo(today - 10, 0)
    expect(forecastOf([{ ...clean, left: 3 }], 0, use, ratesAtFirst).dueWeeks).toBe(0)
  })
  it('learns nothing from a visit that found it cleaner than it was left', () => {
    const odd: Visit[] = [
      { atYears: 0, found: 4, left: 4 },
      { atYears: 1, found: 0, left: 0 },
    ]
    expect([...evidenceOf(odd, 1)].every((value) => value === 0)).toBe(true)
    expect(learnRates([evidenceOf(odd, 1)])).toEqual(ratesAtFirst)
  })
  it('weighs a grade that is not certain by its chances: certain ones change nothing, doubtful ones lie between', () => {
    const dueFor = (found: Grade, chances?: number[]) =>
      forecastOf([clean, { atYears: 1, found, ...(chances ? { chances } : {}), left: 0.1 }], 1, use, ratesAtFirst).dueWeeks
    for (const grade of allGrades)
      expect(
        dueFor(
          grade,
          allGrades.map((other) => (other === grade ? 1 : 0)),
        ),
      ).toBe(dueFor(grade))
    for (const grade of [0, 1, 2, 3] as const) {
      const doubtful = [0.3, 0.5, 0.7].map((share) =>
        dueFor(
          grade,
          allGrades.map((other) => (other === grade ? 1 - share : other === grade + 1 ? share : 0)),
        ),
      )
      const [here, next] = [dueFor(grade), dueFor(allGrades[grade + 1])]
      expect([here, ...doubtful, next]).toEqual([here, ...doubtful, next].sort((a, b) => b - a))
      expect(doubtful[0]).toBeGreaterThan(doubtful[2])
    }
  })
  it('takes the loss of cooling where it comes before the grade', () => {
    const index = lossIndex({ ratedCoolingKw: 3.5, ratedAirflowM3h: 580 })
    expect(index).toBeGreaterThan(1)
    expect(index).toBeLessThan(3)
    const byLoss = forecastOf([clean], 0, use, ratesAtFirst, { threshold: index })
    expect(byLoss.dueWeeks < forecastOf([clean], 0, use, ratesAtFirst).dueWeeks).toBe(index < 2.5)
    expect(byLoss.dueWeeks).toBeLessThan(mostWeeks)
  })
})
