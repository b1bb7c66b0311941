import { blockSide, laidFlat, type Flat } from './flat.ts'
import { perspectiveOf } from './perspective.ts'
import type { Raster } from './raster.ts'

describe('a part laid flat', () => {
  /** Stripes from top to bottom, `pitchPx` apart; on a drum of which `arc` is seen to either side, they stand closer together towards its rims. */
  const striped = (width: number, height: number, pitchPx: number, arc = 0): Raster => {
    const data = new Uint8ClampedArray(width * height * 4)
    for (let at = 0; at < width * height; at++) {
      const across = ((at % width) + 0.5) / width
      const along = arc === 0 ? across : 0.5 + Math.asin((2 * across - 1) * Math.sin(arc)) / (2 * arc)
      data.set((along * width) % pitchPx < pitchPx / 2 ? [200, 160, 90, 255] : [30, 40, 50, 255], at * 4)
    }
    return { width, height, data }
  }
  const laid = (width: number, height: number, pitchPx: number, arc = 0) => ({
    perspective: perspectiveOf([
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: height },
      { x: 0, y: height },
    ]),
    ...{ arc, widthPx: width, heightPx: height, pitchPx },
  })
  /** One row of it. */
  const greenOf = ({ width, light }: Flat) => Array.from({ length: width }, (_, x) => light[(8 * width + x) * 3 + 1])
  it.each([
    ['as large as it is read', 24],
    ['three times as large', 72],
    ['so small that a value lies between pixels', 8],
  ])('has twelve values from plate to plate, %s', (_, pitchPx) => {
    const [width, height] = [10 * pitchPx, 8 * pitchPx]
    const flat = laidFlat(striped(width, height, pitchPx), laid(width, height, pitchPx))
    expect([flat.width, flat.height]).toEqual([120, 96])
    const green = greenOf(flat)
    // The middle of each stripe, bright and dark in turn.
    for (let plate = 0; plate < 10; plate++) expect(green[plate * 12 + 3] - green[plate * 12 + 9]).toBeGreaterThan(1)
  })
  it('is told in whole blocks, and less finely where it is very large', () => {
    const flat = laidFlat(striped(3000, 1500, 30), laid(3000, 1500, 30))
    expect(flat.width * flat.height).toBeLessThan(63_000)
    expect([flat.width % blockSide, flat.height % blockSide]).toEqual([0, 0])
    expect(flat.width / flat.height).toBeCloseTo(2, 1)
  })
  it('unrolls a drum: its rims take as much room as its middle', () => {
    const arc = 0.9
    // Twenty stripes of the drum; its middle is drawn as large as the pitch says.
    const [width, pitchPx] = [600, 30]
    const flat = laidFlat(striped(width, 300, pitchPx, arc), laid(width, 300, (pitchPx * Math.sin(arc)) / arc, arc))
    const green = greenOf(flat)
    const rises = green.flatMap((value, x) => (x > 0 && value - green[x - 1] > 0.5 && green[x - 1] < -2.5 ? [x] : []))
    const wide = rises.slice(1).map((x, at) => x - rises[at])
    expect(wide.length).toBeGreaterThanOrEqual(17)
    expect(Math.max(...wide) - Math.min(...wide)).toBeLessThanOrEqual(2)
  })
})
