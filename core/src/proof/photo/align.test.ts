import type { Region } from '../../lookover/index.ts'
import { seeded } from '../../quantities/index.ts'
import { farthestOff, pairBy } from '../../tests/photoPairs.ts'
import { perspectiveOf } from './perspective.ts'
import { alignedRegion, regionByTwoPlaces, type Raster, type Surface } from './index.ts'

const size = { width: 640, height: 480 }
/** No photograph by which the weights were fitted. */
const judgedFrom = 600_101
describe('a part on a second photograph', () => {
  it.each<[keyof typeof pairBy, Surface, number]>([
    ['samples', 'fins', 2],
    ['samples', 'blades', 1],
    ['scenes', 'fins', 2],
    ['scenes', 'blades', 2],
  ])('is found again: %s of %s', (generator, surface, count) => {
    const offs = Array.from({ length: count }, (_, at) => {
      const [before, after] = pairBy[generator](judgedFrom + at, surface, size)
      const found = alignedRegion(before.raster, before.truth.region, after.raster, surface)
      return found ? farthestOff(found.region, after.truth.region, size) : 1
    })
    // As near as a thumb sets them; a drum's sides bulge, and leave its corners less clear.
    expect(Math.max(...offs)).toBeLessThan(surface === 'fins' ? 0.02 : 0.03)
  })
  it('is found where the person set the corners a little within its edge: as far within again', () => {
    const [before, after] = pairBy.samples(judgedFrom, 'fins', size)
    const inwards = (region: Region) => {
      const middle = { x: region.reduce((sum, { x }) => sum + x / 4, 0), y: region.reduce((sum, { y }) => sum + y / 4, 0) }
      return region.map(({ x, y }) => ({ x: x + 0.02 * (middle.x - x), y: y + 0.02 * (middle.y - y) })) as Region
    }
    const found = alignedRegion(before.raster, inwards(before.truth.region), after.raster, 'fins')
    expect(found && farthestOff(found.region, inwards(after.truth.region), size)).toBeLessThan(0.02)
  })
  it('is found from corners on a piece of it, and the same piece is meant', () => {
    const piece: Region = [
      { x: 0.25, y: 0.3 },
      { x: 0.7, y: 0.3 },
      { x: 0.7, y: 0.7 },
      { x: 0.25, y: 0.7 },
    ]
    for (const generator of ['samples', 'scenes'] as const) {
      const [before, after] = pairBy[generator](judgedFrom + 2, 'fins', size)
      const { back } = perspectiveOf(before.truth.region)
      const { at } = perspectiveOf(after.truth.region)
      const wanted = piece.map(({ x, y }) => {
        const { x: u, y: v } = back(x, y)
        return at(u, v)
      }) as Region
      const found = alignedRegion(before.raster, piece, after.raster, 'fins')
      expect(found && farthestOff(found.region, wanted, size)).toBeLessThan(0.02)
    }
  })
  it('is not found on a photograph of something else', () => {
    const [before] = pairBy.samples(judgedFrom + 1, 'fins', size)
    const random = seeded(3)
    const wall = (value: () => number): Raster => {
      const data = new Uint8ClampedArray(size.width * size.height * 4)
      for (let at = 0; at < data.length; at += 4) data.fill(value(), at, at + 3)
      return { ...size, data }
    }
    for (const other of [wall(() => 190 + 6 * random()), wall(() => 255 * random())])
      expect(alignedRegion(before.raster, before.truth.region, other, 'fins')).toBeUndefined()
  })
})

describe('two places on both photographs', () => {
  const region: Region = [
    { x: 0.2, y: 0.2 },
    { x: 0.7, y: 0.25 },
    { x: 0.7, y: 0.7 },
    { x: 0.2, y: 0.65 },
  ]
  it('carry the corners over, shifted, turned and sized, on pictures of other proportions', () => {
    const random = seeded(11)
    for (let trial = 0; trial < 40; trial++) {
      const [wide, otherWide] = [0.6 + random(), 0.6 + random()]
      const [turn, scale, dx, dy] = [0.3 * (random() - 0.5), 0.8 + 0.3 * random(), 0.1 * random(), 0.1 * random()]
      const seen = ({ x, y }: { x: number; y: number }) => ({
        x: (dx + scale * (Math.cos(turn) * x * wide - Math.sin(turn) * y)) / otherWide,
        y: 0.15 + dy + scale * (Math.sin(turn) * x * wide + Math.cos(turn) * y),
      })
      const places = [region[0], { x: 0.5, y: 0.6 }] as const
      const found = regionByTwoPlaces(region, { places, wide }, { places: [seen(places[0]), seen(places[1])], wide: otherWide })
      for (const [at, corner] of region.entries()) {
        const { x, y } = seen(corner)
        expect(found[at].x).toBeCloseTo(Math.min(1, Math.max(0, x)), 9)
        expect(found[at].y).toBeCloseTo(Math.min(1, Math.max(0, y)), 9)
      }
    }
  })
  it('are turned down where they are too near each other', () => {
    const near = { places: [region[0], { x: 0.22, y: 0.21 }] as const, wide: 1.3 }
    const far = { places: [region[0], region[2]] as const, wide: 1.3 }
    expect(() => regionByTwoPlaces(region, near, far)).toThrow(
      expect.objectContaining({ code: 'photo-unclear', lines: [expect.objectContaining({ what: { key: 'fault.photo.places-near' } })] }),
    )
    expect(() => regionByTwoPlaces(region, far, near)).toThrow(
      expect.objectContaining({ code: 'photo-unclear', lines: [expect.objectContaining({ what: { key: 'fault.photo.places-near' } })] }),
    )
    expect(regionByTwoPlaces(region, far, far)).toEqual(region.map(({ x, y }) => ({ x: expect.closeTo(x, 9), y: expect.closeTo(y, 9) })))
  })
})
