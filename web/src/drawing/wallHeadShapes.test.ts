import { partsOf } from '@yastik/core'
import { bladePaths, finPaths, tubes, wallHeadShapes } from './wallHeadShapes.ts'

const sheet = { width: 760, height: 470 }
/** All absolute points of a path of M, L and Q commands with absolute coordinates. */
const points = (path: string): [number, number][] =>
  [...path.matchAll(/(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)/g)].map(([, x, y]) => [Number(x), Number(y)])

describe('the section of a wall head', () => {
  it('has a region and a call-out for every part that gets a grade', () => {
    expect(wallHeadShapes.map(({ part }) => part).sort()).toEqual([...partsOf['wall-head']].sort())
  })
  it('lies on the sheet', () => {
    for (const { path, at, text } of wallHeadShapes) {
      for (const [x, y] of [...points(path.replace(/a[^MLZ]*/g, '')), at, text]) {
        expect(x).toBeGreaterThanOrEqual(0)
        expect(x).toBeLessThanOrEqual(sheet.width)
        expect(y).toBeGreaterThanOrEqual(0)
        expect(y).toBeLessThanOrEqual(sheet.height)
      }
    }
  })
  it('has call-outs that a finger tells apart: 48 apart on each side', () => {
    for (const side of ['left', 'right'] as const) {
      const heights = wallHeadShapes
        .filter((shape) => shape.side === side)
        .map(({ text }) => text[1])
        .sort((a, b) => a - b)
      heights.forEach((height, index) => index > 0 && expect(height - heights[index - 1]).toBeGreaterThanOrEqual(48))
    }
  })
  it('draws the wheel so that its middle can be tapped too', () => {
    const wheel = wallHeadShapes.find(({ part }) => part === 'wheel')!
    expect(wheel.path.match(/M/g)).toHaveLength(2)
    expect(wheel.hit!.match(/M/g)).toHaveLength(1)
  })
  it('shows how it is built: blades, fins, tubes', () => {
    expect(bladePaths).toHaveLength(30)
    expect(new Set(finPaths).size).toBe(finPaths.length)
    expect(tubes.length).toBeGreaterThanOrEqual(8)
  })
})
