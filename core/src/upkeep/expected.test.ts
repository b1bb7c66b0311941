import { families, partsOf } from '../units/index.ts'
import { duesAfterVisit, expectedGrade, gradesWith, ratesAtFirst, unitDues, type UnitPast } from './index.ts'

const past: UnitPast = {
  visits: [{ atYears: 55, found: 3, left: 0.1 }],
  use: { surroundings: [], hoursPerDay: 8 },
  fineFilter: false,
  lossIndex: 2.4,
}
const at = (years: number, of = past) => expectedGrade(of, ratesAtFirst, 55 + years)

describe('what a unit is expected to look like', () => {
  it('is unknown without a visit, clean after one, and worse the longer nobody comes', () => {
    expect(at(1, { ...past, visits: [] })).toBeUndefined()
    expect(at(0.05)).toBe(0)
    const grades = [0.5, 1, 2, 3, 6].map((years) => at(years)!)
    expect(grades).toEqual([...grades].sort())
    expect(grades.at(-1)).toBe(4)
  })
  it('is worse with a kitchen nearby', () =>
    expect(at(1.5, { ...past, use: { surroundings: ['kitchen', 'smoke'], hoursPerDay: 12 } })).toBeGreaterThan(at(1.5)!))
  it.each(families)('names every part of a %s, coil and wheel as said, none outside the scale', (family) => {
    for (const grade of [0, 2, 4] as const) {
      const grades = gradesWith(family, grade, ['dust'])
      expect(Object.keys(grades).sort()).toEqual([...partsOf[family]].sort())
      expect(grades.coilFace).toEqual({ grade, kinds: ['dust'] })
      for (const { grade: value } of Object.values(grades)) expect([0, 1, 2, 3, 4]).toContain(value)
    }
  })
})

describe('what falls due after a visit of today', () => {
  const memory = { pastOf: new Map<string, UnitPast>(), rates: ratesAtFirst, yearsNow: 56 }
  const weeks = (visit: Parameters<typeof duesAfterVisit>[2], of = past) =>
    duesAfterVisit(of, memory, visit).find(({ what }) => what === 'deep-clean')!.weeks

  it('is what the list will have once it is handed over', () => {
    const visit = { atYears: 56, found: 4 as const, left: 0.1 }
    expect(duesAfterVisit(past, memory, { ...visit, isSeen: true })).toEqual(unitDues({ ...past, visits: [...past.visits, visit] }, ratesAtFirst))
  })
  it('comes sooner after a worse find that was seen, and not after one that was only expected', () => {
    const [light, heavy] = [1, 4].map((found) => ({ found: found as 1 | 4, left: 0.1 }))
    expect(weeks({ ...heavy, isSeen: true })).toBeLessThan(weeks({ ...light, isSeen: true }))
    expect(weeks({ ...heavy, isSeen: false })).toBe(weeks({ ...light, isSeen: false }))
  })
  it('comes sooner the more is left', () =>
    expect(weeks({ found: 3, left: 1.5, isSeen: true })).toBeLessThan(weeks({ found: 3, left: 0.1, isSeen: true })))
})
