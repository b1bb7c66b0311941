import {
  duesAfterVisit,
  duesWithoutLook,
  forecastOf,
  foulingRate,
  indexLeft,
  passing,
  ratesAtFirst,
  unitDues,
  weeksUntil,
  type Due,
  type Surrounding,
} from './index.ts'
import { told } from '../tests/inEnglish.ts'

describe('fouling', () => {
  it('has no chance of having passed at the start, certainty beyond the threshold, and grows between', () => {
    expect(passing(0, 2.5)(1, 0)).toBe(0)
    expect(passing(3, 2.5)(1, 10)).toBe(1)
    expect(passing(0, 2.5)(1, 60)).toBeLessThan(passing(0, 2.5)(1, 120))
  })
  it('passes an exponential check: shape one is 1 − exp(−x/scale)', () => {
    // rate · t / scale = 1 at t = 0.35 years: Gamma(1, 0.35) is exponential.
    expect(passing(0, 0.7)(1, 0.35 * 52.18)).toBeCloseTo(Math.exp(-0.7 / 0.35), 5)
  })
  it('inverts: the weeks at a chance have that chance', () => {
    const passed = passing(0.2, 2.5)
    expect(
      passed(
        1.3,
        weeksUntil(0.2, (weeks) => passed(1.3, weeks)),
      ),
    ).toBeCloseTo(0.2, 2)
  })
  it('is faster with a kitchen, flour, and more hours', () => {
    expect(foulingRate(['kitchen'], 8)).toBeGreaterThan(foulingRate([], 8))
    expect(foulingRate([], 16)).toBeCloseTo(2 * foulingRate([], 8), 9)
  })
})

describe('due dates', () => {
  const past = { visits: [], use: { surroundings: [], hoursPerDay: 8 }, fineFilter: true, lossIndex: 4 } as const
  const memory = { pastOf: new Map(), rates: ratesAtFirst, yearsNow: 0 }
  const duesOf = (left: number, surroundings: Surrounding[] = [], hoursPerDay = 8) =>
    duesAfterVisit({ ...past, use: { surroundings, hoursPerDay } }, memory, { found: 3, left, isSeen: false, panTreatmentWeeks: 10 })
  const weeks = (dues: readonly Due[], what: Due['what']) => dues.find((due) => due.what === what)?.weeks
  it('bracket the deep clean and keep filters within two to eight weeks', () => {
    const dues = told(duesOf(0.1))
    const deep = dues.find(({ what }) => what === 'deep-clean')!
    expect(deep.low!).toBeLessThan(deep.weeks)
    expect(deep.high!).toBeGreaterThan(deep.weeks)
    for (const surroundings of [[], ['flour', 'kitchen', 'smoke']] as Surrounding[][])
      expect([2, 3, 4, 5, 6, 7, 8]).toContain(weeks(told(duesOf(0.1, surroundings)), 'filter'))
    expect(dues.map(({ what }) => what).sort()).toEqual(['deep-clean', 'filter', 'fine-filter', 'light-clean', 'pan-treatment'])
  })
  it('come sooner the more is left, and never in no weeks: what stays dirty is come back to', () => {
    expect(weeks(told(duesOf(0.7)), 'deep-clean')!).toBeLessThan(weeks(told(duesOf(0.1)), 'deep-clean')!)
    const dirty = told(duesOf(3))
    expect(dirty.find(({ what }) => what === 'deep-clean')).toMatchObject({ weeks: 2, because: 'not clean: come back' })
    expect(weeks(dirty, 'light-clean')).toBeUndefined()
  })
  it('are told no later than the chance allows: by then one unit in five has passed the mark', () => {
    const usual = weeks(told(duesOf(0.1)), 'deep-clean')!
    const { chanceAfter } = forecastOf([{ atYears: 0, found: 3, left: 0.1 }], 0, past.use, ratesAtFirst, { threshold: 2.5 })
    expect(chanceAfter(usual)).toBeLessThanOrEqual(0.2)
    expect(chanceAfter(usual + 3)).toBeGreaterThan(0.2)
  })
  it('say what makes a unit soil so fast', () => {
    expect(told(duesOf(0.1, ['flour'], 24)).find(({ what }) => what === 'deep-clean')?.because).toMatch(
      /flour, 24 h a day: it gets dirty about 7.8 times as fast/,
    )
    expect(told(duesOf(0.1)).every(({ because }) => because === undefined)).toBe(true)
  })
  it('are counted from the last visit where nobody looks now, by rule alone where there was none', () => {
    expect(duesWithoutLook(past, memory, true).map(({ what }) => what)).toEqual(['filter', 'fine-filter'])
    const before = { ...past, visits: [{ atYears: -0.2, found: 2 as const, left: 0.1 }] }
    expect(weeks(duesWithoutLook(before, memory, false), 'deep-clean')!).toBeLessThan(weeks(unitDues(before, ratesAtFirst), 'deep-clean')!)
  })
})

describe('what the work leaves', () => {
  const grades = { coilFace: { grade: 3 }, coilBack: { grade: 2 }, wheel: { grade: 1 }, filter: { grade: 4 } } as const
  it('is the mean over coil and wheel: reached as the scope leaves it, missed as it was found', () => {
    expect(indexLeft('strip-down', grades)).toBeCloseTo(0.1, 9)
    expect(indexLeft('open-clean', grades)).toBeCloseTo((0.15 + 2 + 0.15) / 3, 9)
    expect(indexLeft('open-clean', grades, [])).toBeCloseTo(0.15, 9)
    expect(indexLeft('clean-in-place', { coilFace: { grade: 1 } }, [])).toBeCloseTo(0.2, 9)
    expect(indexLeft('strip-down', grades, ['wheel'])).toBeCloseTo((0.1 + 0.1 + 1) / 3, 9)
    // A mat that stays is what the unit is left with, however clean the rest.
    expect(indexLeft('open-clean', grades, ['coilFace'])).toBe(3)
  })
  it('is never worse than found, and as found where nothing was cleaned', () => {
    expect(indexLeft('clean-in-place', { coilFace: { grade: 0 } })).toBe(0)
    expect(indexLeft('decline', grades)).toBe(3)
    expect(indexLeft('filter-service', { filter: { grade: 4 } })).toBe(0)
  })
})
