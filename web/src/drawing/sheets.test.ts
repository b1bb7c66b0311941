import { families, partsOf } from '@yastik/core/units'
import { sheetSize } from './sheet.ts'
import { sheets } from './sheets.ts'

/** All absolute points of a path of M, L and Q commands with absolute coordinates; arcs are relative and left out. */
const points = (path: string): [number, number][] =>
  [...path.replace(/a[^MLQZ]*/g, '').matchAll(/(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)/g)].map(([, x, y]) => [Number(x), Number(y)])
const boxOf = (path: string) => {
  const all = points(path)
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)]
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

describe.each(families)('the section of a %s', (family) => {
  const sheet = sheets[family]
  it('has a region and a call-out for every part that gets a grade', () => {
    expect(sheet.shapes.map(({ part }) => part).sort()).toEqual([...partsOf[family]].sort())
  })
  it('lies on the sheet, its leaders too', () => {
    const paths = [...sheet.shapes.map(({ path }) => path), ...sheet.hatched, ...sheet.lines, ...sheet.strokes.map(({ path }) => path)]
    for (const [x, y] of [...paths.flatMap(points), ...sheet.shapes.flatMap(({ at, text }) => [at, text]), ...sheet.words.map(({ at }) => at)]) {
      expect({ x, y, on: x >= 0 && x <= sheetSize.width && y >= 0 && y <= sheetSize.height }).toMatchObject({ on: true })
    }
  })
  it('has leaders that end on their part', () => {
    for (const { part, path, hit, at } of sheet.shapes) {
      if (hit) continue
      const box = boxOf(path)
      expect({ part, inside: at[0] >= box.left && at[0] <= box.right && at[1] >= box.top && at[1] <= box.bottom }).toEqual({ part, inside: true })
    }
  })
  it('has call-outs that a finger tells apart: 48 apart on each side', () => {
    for (const side of ['left', 'right'] as const) {
      const heights = sheet.shapes
        .filter((shape) => shape.side === side)
        .map(({ text }) => text[1])
        .sort((a, b) => a - b)
      heights.forEach((height, index) => index > 0 && expect(height - heights[index - 1]).toBeGreaterThanOrEqual(48))
    }
  })
  it('draws the wheel so that its middle can be tapped too', () => {
    const wheel = sheet.shapes.find(({ part }) => part === 'wheel')!
    expect(wheel.hit!.match(/M/g)).toHaveLength(1)
  })
  it('shows how it is built: fins and tubes, and blades that go with the wheel', () => {
    expect(sheet.strokes.filter(({ kind }) => kind === 'fin').length).toBeGreaterThan(20)
    expect(sheet.strokes.filter(({ goesWith }) => goesWith === 'wheel').length).toBeGreaterThan(4)
    expect(sheet.circles.length).toBeGreaterThan(7)
  })
})
