import { allGrades, type Grade } from '../quantities/index.ts'
import type { UnitState } from '../run/index.ts'
import { measureOf, shown, stateWith } from '../tests/photos.ts'
import { gradeChances, partsSeen, proofOf, proposedGrade, worstChances } from './index.ts'
import { knownDesign, type Part } from '../units/index.ts'
import { told } from '../tests/inEnglish.ts'

const { design } = knownDesign('wall-head', { ratedCoolingKw: 3.5, ratedAirflowM3h: 600 })
const readings = { returnC: 26, returnRh: 0.55, supplyC: 12, supplyRh: 0.95, airflowM3h: 600 }
const proved = (more: Partial<UnitState>, notReached: { part: Part; because: string }[] = []) =>
  told(proofOf({ family: 'wall-head', design, state: stateWith({ readings: { after: readings }, ...more }), notReached, referrals: [] }))
const lineOf = (proof: ReturnType<typeof proved>, id: string) => proof.lines.find((line) => line.id === id)

describe('how sure a grade is', () => {
  it('is what its photograph says where the grade goes with it, and certain where a person saw otherwise or was asked to look', () => {
    for (let share = 0; share <= 1; share += 0.01)
      for (const off of [0.01, 0.05, 0.1]) {
        const photos = [shown('coilFace', 'before', measureOf(share, off))]
        const proposal = proposedGrade(measureOf(share, off))
        for (const grade of allGrades) {
          const chances = gradeChances(stateWith({ photos, grades: { coilFace: { grade } } }), 'coilFace', 'before')!
          expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 5)
          if (grade === proposal.grade && proposal.orElse === undefined) expect(chances).toEqual(proposal.chances)
          else expect(chances[grade]).toBe(1)
        }
      }
    expect(gradeChances(stateWith({}), 'coilFace', 'before')).toBeUndefined()
    expect(gradeChances(stateWith({ photos: [shown('wheel', 'after', measureOf(0.2, 0.05))] }), 'wheel', 'after')![2]).toBeGreaterThan(0.9)
  })
  it('takes the last measured photograph, and a correction by hand before what was read', () => {
    const grades = { coilFace: { grade: 2 as Grade } }
    const photos = [shown('coilFace', 'before', measureOf(0.08, 0.03)), shown('coilFace', 'before', measureOf(0.3, 0.05, { byHand: 0.2 }))]
    const chances = gradeChances(stateWith({ photos, grades }), 'coilFace', 'before')!
    expect(chances[2]).toBeCloseTo(proposedGrade(measureOf(0.2, 0.05)).chances[2], 9)
  })
  it('makes the worst of several parts as likely as every combination of them says', () => {
    const parts = [
      [0.1, 0.6, 0.3, 0, 0],
      [0, 0.2, 0.5, 0.2, 0.1],
      [0.5, 0.5, 0, 0, 0],
    ]
    const expected = allGrades.map(() => 0)
    for (const a of allGrades)
      for (const b of allGrades) for (const c of allGrades) expected[Math.max(a, b, c)] += parts[0][a] * parts[1][b] * parts[2][c]
    worstChances(parts).forEach((chance, grade) => expect(chance).toBeCloseTo(expected[grade], 9))
  })
})

describe('the parts in the proof', () => {
  it('asks for the eye wherever the photograph cannot tell clean from not, and nowhere else', () => {
    for (let percent = 0; percent <= 100; percent++)
      for (const off of [0.01, 0.03, 0.06, 0.1]) {
        const measure = measureOf(percent / 100, off)
        const { chances } = proposedGrade(measure)
        const clean = chances[0] + chances[1]
        const photos = [shown('coilFace', 'before', measureOf(0.9, 0.05)), shown('coilFace', 'after', measure)]
        const line = lineOf(proved({ photos }), 'covered-coilFace')!
        expect(line).toMatchObject({ before: 90, after: percent, expected: 10, unit: '%' })
        if (clean > 0.7) expect(line).toMatchObject({ verdict: 'proved', says: expect.stringMatching(/clean, by the photo/) })
        else if (clean <= 0.3) expect(line).toMatchObject({ says: expect.stringMatching(/still \d/) })
        else {
          expect(line).toMatchObject({ verdict: 'partly', says: expect.stringMatching(/cannot tell [01] .* from [23] .* grade it by eye/) })
          expect(proved({ photos, gradesAfter: { coilFace: { grade: 1 } } }).verdict).toBe('proved')
          expect(lineOf(proved({ photos, gradesAfter: { coilFace: { grade: 2 } } }), 'covered-coilFace')).toMatchObject({ verdict: 'partly' })
        }
      }
  })
  it('does not prove a unit whose part stayed as it was, and says which; a part that was not reached is not judged twice', () => {
    const photos = [shown('wheel', 'before', measureOf(0.5, 0.04)), shown('wheel', 'after', measureOf(0.5, 0.04))]
    const proof = proved({ photos })
    expect(proof.verdict).toBe('not-proved')
    expect(proof.sentence).toMatch(/blower wheel: still 3 mat by the photo/)
    const left = proved({ photos }, [{ part: 'wheel', because: 'it does not come out' }])
    expect(left.verdict).toBe('partly')
    expect(lineOf(left, 'covered-wheel')).not.toHaveProperty('verdict')
  })
  it('judges parts that nobody can photograph by the grade that was seen', () => {
    const seen = (grade: Grade) => proved({ grades: { pan: { grade: 3 } }, gradesAfter: { pan: { grade } } })
    expect(allGrades.map((grade) => seen(grade).verdict)).toEqual(['proved', 'proved', 'partly', 'not-proved', 'not-proved'])
    expect(lineOf(seen(2), 'graded-pan')).toMatchObject({ before: 3, after: 2, expected: 1, unit: 'grade' })
    expect(partsSeen('wall-head', stateWith({ grades: { pan: { grade: 3 } } }))).toEqual([])
  })
  it('says so where fins were bent at work', () => {
    const photos = (now: number) => [
      shown('coilFace', 'before', measureOf(0.5, 0.04, { straightShare: 0.95 })),
      shown('coilFace', 'after', measureOf(0.01, 0.02, { straightShare: now })),
    ]
    expect(lineOf(proved({ photos: photos(0.9) }), 'straight-coilFace')).toMatchObject({ before: 95, after: 90, says: 'for information only' })
    const bent = proved({ photos: photos(0.7) })
    expect(bent.verdict).toBe('partly')
    expect(bent.sentence).toMatch(/fewer fins are straight than before/)
  })
})
