import { dueAfter, foulingRate, indexLeft, passing, weeksUntil } from './index.ts'

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
  const home = { surroundings: [], hoursPerDay: 8, fineFilter: true, startIndex: 0.1, panTreatmentWeeks: 10 } as const
  it('bracket the deep clean and keep filters within two to eight weeks', () => {
    const due = dueAfter(home)
    const deep = due.find(({ what }) => what === 'deep-clean')!
    expect(deep.low!).toBeLessThan(deep.weeks)
    expect(deep.high!).toBeGreaterThan(deep.weeks)
    for (const surroundings of [[], ['flour', 'kitchen', 'smoke']] as const)
      expect([2, 3, 4, 5, 6, 7, 8]).toContain(dueAfter({ ...home, surroundings: [...surroundings] }).find(({ what }) => what === 'filter')!.weeks)
    expect(due.map(({ what }) => what)).toEqual(['filter', 'fine-filter', 'pan-treatment', 'light-clean', 'deep-clean'])
  })
  it('come sooner after a light clean than after a strip-down, and at once when nothing was cleaned', () => {
    const grades = { coilFace: { grade: 3 }, coilBack: { grade: 3 }, wheel: { grade: 3 } } as const
    const weeks = (scope: string) => dueAfter({ ...home, startIndex: indexLeft(scope, grades) }).find(({ what }) => what === 'deep-clean')!.weeks
    expect(weeks('clean-in-place')).toBeLessThan(weeks('strip-down'))
    expect(weeks('decline')).toBe(0)
  })
})

describe('what the work leaves', () => {
  const grades = { coilFace: { grade: 3 }, coilBack: { grade: 2 }, wheel: { grade: 1 }, filter: { grade: 4 } } as const
  it('is the mean over coil and wheel: reached as the scope leaves it, missed as it was found', () => {
    expect(indexLeft('strip-down', grades)).toBeCloseTo(0.1, 9)
    expect(indexLeft('open-clean', grades)).toBeCloseTo((0.5 + 2 + 0.5) / 3, 9)
    expect(indexLeft('open-clean', grades, [])).toBeCloseTo(0.5, 9)
    expect(indexLeft('strip-down', grades, ['wheel'])).toBeCloseTo((0.1 + 0.1 + 1) / 3, 9)
  })
  it('is never worse than found, and as found where nothing was cleaned', () => {
    expect(indexLeft('clean-in-place', { coilFace: { grade: 0 } })).toBe(0)
    expect(indexLeft('decline', grades)).toBe(3)
    expect(indexLeft('filter-service', { filter: { grade: 4 } })).toBe(0)
  })
})
