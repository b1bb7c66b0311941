// Two photographs of one part by two cameras in two lights, soiled before and clean after, by either generator.
import { soilKinds, type Region } from '../lookover/index.ts'
import { samplePhoto, type Raster, type Surface } from '../proof/index.ts'
import { seeded } from '../quantities/index.ts'
import { sceneOf, wishOf } from './scenes/index.ts'

interface Shown {
  readonly raster: Raster
  readonly truth: { readonly region: Region }
}
type Size = Pick<Raster, 'width' | 'height'>

export const pairBy = {
  samples: (seed: number, surface: Surface, size: Size): [Shown, Shown] => {
    const wish = { seed, surface, ...size, bentShare: 0.03, kind: soilKinds[seed % soilKinds.length] }
    const shot = (shot: number, coveredShare: number) => samplePhoto({ ...wish, coveredShare, shot })
    return [shot(1, 0.3 + 0.5 * seeded(seed)()), shot(2, 0.02)]
  },
  scenes: (seed: number, surface: Surface, size: Size): [Shown, Shown] => {
    const part = wishOf(seed, surface, size)
    const shot = (shot: number, coveredShare: number) => {
      const { light, camera, wet } = wishOf(seed * 2 + shot, surface, size)
      return sceneOf({ ...part, light, camera, wet, coveredShare, shot, ...(coveredShare < 0.1 ? { soiling: 'patches' } : {}) })
    }
    return [shot(0, 0.2 + 0.5 * seeded(seed)()), shot(1, 0.03)]
  },
}

/** Farthest corner off its place, share of the picture's width. */
export const farthestOff = (found: Region, truth: Region, { width, height }: Size): number =>
  Math.max(...found.map(({ x, y }, at) => Math.hypot(x - truth[at].x, ((y - truth[at].y) * height) / width)))
