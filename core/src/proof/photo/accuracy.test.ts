import { Fault } from '../../faults/index.ts'
import { meanOf, measured, samplesOf, scenesOf, within } from '../../tests/readPhotos.ts'
import type { Scene } from '../../tests/scenes/index.ts'
import type { PhotoMeasured, Raster, Sample, Surface } from './index.ts'

/** What a set of photographs is held to: shares within five points and of truths in the band, largest error, mean error, places that agree. */
interface Bar {
  readonly within: number
  readonly worst: number
  readonly bias: number
  readonly held: number
  readonly agrees: number
}
const coils: Bar = { within: 0.93, worst: 0.1, bias: 0.015, held: 0.85, agrees: 0.93 }
const wheels: Bar = { within: 0.85, worst: 0.12, bias: 0.025, held: 0.85, agrees: 0.8 }

describe.each<[string, Surface, () => { truth: Sample['truth'] | Scene['truth']; raster: Raster }[], Bar]>([
  ['coils, by rays through a pinhole', 'fins', () => scenesOf('fins', 12), coils],
  ['coils, by the renderer of the samples', 'fins', () => samplesOf('fins', 12), coils],
  ['wheels, by rays through a pinhole', 'blades', () => scenesOf('blades', 12), wheels],
  ['wheels, by the renderer of the samples', 'blades', () => samplesOf('blades', 8), wheels],
])('photographs that nothing was fitted to: %s', (_, surface, drawn, bar) => {
  let reads: { truth: Sample['truth'] | Scene['truth']; read: PhotoMeasured }[]
  beforeAll(() => {
    reads = drawn().flatMap((photo) => {
      try {
        return [{ truth: photo.truth, read: measured(photo, surface) }]
      } catch (error) {
        if (!(error instanceof Fault)) throw error
        return []
      }
    })
  }, 120_000)
  it('are read to five points of the covered share, hardly ever worse, and without leaning to one side', () => {
    expect(reads.length).toBeGreaterThanOrEqual(5)
    const errors = reads.map(({ truth, read }) => read.coveredShare - truth.coveredShare)
    expect(within(errors, 0.05)).toBeGreaterThanOrEqual(bar.within)
    expect(within(errors, bar.worst)).toBe(1)
    expect(Math.abs(meanOf(errors))).toBeLessThan(bar.bias)
  })
  it('hold the truth between low and high', () => {
    const held = reads.filter(({ truth, read }) => truth.coveredShare >= read.low && truth.coveredShare <= read.high)
    expect(held.length / reads.length).toBeGreaterThanOrEqual(bar.held)
  })
  it('say where it is covered, not only how much', () => {
    for (const { truth, read } of reads) {
      const agrees = meanOf([...truth.map].map((value, at) => (Math.abs(value - read.map.covered[at]) < 0.5 ? 1 : 0)))
      expect(agrees).toBeGreaterThan(bar.agrees)
    }
  })
})
