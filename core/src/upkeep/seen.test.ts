import { measureOf, shown, stateWith } from '../tests/photos.ts'
import { foundChances, indexSeenAfter } from './index.ts'

describe('how sure a grade is', () => {
  it('is kept of coil and wheel as found, unless it is certain; afterwards it makes an index between the grades', () => {
    const photos = [shown('coilFace', 'before', measureOf(0.31, 0.06)), shown('coilFace', 'after', measureOf(0.08, 0.03))]
    const found = foundChances(stateWith({ photos, grades: { coilFace: { grade: 2 }, pan: { grade: 4 } } }))!
    expect(found[3]).toBeGreaterThan(0.05)
    expect(found[4]).toBeLessThan(0.001)
    expect(foundChances(stateWith({ photos, grades: { coilFace: { grade: 2 }, wheel: { grade: 4 } } }))).toBeUndefined()
    expect(foundChances(stateWith({ grades: { coilFace: { grade: 2 } } }))).toBeUndefined()
    const index = indexSeenAfter(stateWith({ photos }))!
    expect(index).toBeGreaterThan(1)
    expect(index).toBeLessThan(1.3)
    expect(indexSeenAfter(stateWith({ photos, gradesAfter: { coilFace: { grade: 0 }, wheel: { grade: 2 } } }))).toBe(2)
    expect(indexSeenAfter(stateWith({}))).toBeUndefined()
  })
})
