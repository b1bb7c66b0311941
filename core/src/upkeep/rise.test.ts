import gammaCdf from '@stdlib/stats-base-dists-gamma-cdf'
import fc from 'fast-check'
import { chanceBelow } from './rise.ts'

describe('the chance that a rise stays below a bound', () => {
  it('is what the distribution function of a statistics package says, for any bound and shape', () => {
    const bounds = fc.double({ min: 1e-6, max: 60, noNaN: true })
    const shapes = fc.double({ min: 1e-6, max: 200, noNaN: true })
    fc.assert(
      fc.property(bounds, shapes, (bound, shape) => Math.abs(chanceBelow(bound)(shape) - gammaCdf(bound, shape, 1)) < 5e-5),
      { numRuns: 3000, seed: 4 },
    )
  })
  it('falls with the shape, grows with the bound, and stays a chance', () => {
    const shapes = Array.from({ length: 400 }, (_, at) => at * 0.05)
    const rounding = 1e-12
    for (const bound of [0.01, 0.9, 3, 10]) {
      const chances = shapes.map(chanceBelow(bound))
      expect(chances[0]).toBeCloseTo(1, 9)
      expect(chances.at(-1)).toBeGreaterThanOrEqual(0)
      for (const [at, shape] of shapes.entries()) {
        if (at > 0) expect(chances[at]).toBeLessThanOrEqual(chances[at - 1] + rounding)
        expect(chanceBelow(bound * 1.5)(shape)).toBeGreaterThanOrEqual(chances[at] - rounding)
      }
    }
  })
  it('is certain without a bound, and next to none at no rise at all', () => {
    expect(chanceBelow(Infinity)(12)).toBe(1)
    expect(chanceBelow(0)(1)).toBeLessThan(1e-9)
  })
  it('does not depend on what was asked before, however much that was', () => {
    const first = chanceBelow(2)(1.3)
    for (let bound = 0; bound < 1200; bound++) chanceBelow(3 + bound / 500)(1)
    expect(chanceBelow(2)(1.3)).toBe(first)
  })
})
