// Photographs with known truth that reading is tried on; drawn once in a test file, however often they are asked for.
import { soilKinds, type Region } from '../lookover/index.ts'
import { measurePhoto, samplePhoto, type PhotoMeasured, type Raster, type Surface } from '../proof/index.ts'
import { seeded } from '../quantities/index.ts'
import { sceneOf, wishOf, type Scene, type SceneWish } from './scenes/index.ts'

const kept = <Asked extends unknown[], Drawn>(draw: (...asked: Asked) => Drawn) => {
  const drawn = new Map<string, Drawn>()
  return (...asked: Asked): Drawn => {
    const key = JSON.stringify(asked)
    const own = drawn.get(key) ?? draw(...asked)
    drawn.set(key, own)
    return own
  }
}

/** Size of photographs that reading is tried on. */
export const size = { width: 640, height: 480 }
/** Seeds by which photographs are judged here; weights were fitted to others. */
export const judgedFrom = 600_001
export const samplesOf = kept((surface: Surface, count: number): { truth: ReturnType<typeof samplePhoto>['truth']; raster: Raster }[] =>
  Array.from({ length: count }, (_, index) => {
    const seed = judgedFrom + index
    const random = seeded(seed * 7919)
    return samplePhoto({ seed, surface, ...size, coveredShare: random() * 0.9, bentShare: random() * 0.2, kind: soilKinds[seed % soilKinds.length] })
  }),
)
export const scenesOf = kept((surface: Surface, count: number, fixed: Partial<SceneWish> = {}): Scene[] =>
  Array.from({ length: count }, (_, index) => sceneOf(wishOf(judgedFrom + index, surface, { ...size, ...fixed }))),
)
const reads: Readonly<Record<Surface, WeakMap<Raster, PhotoMeasured>>> = { fins: new WeakMap(), blades: new WeakMap() }
/** What is read of a photograph within its own corners; read once, as the same pixels are read the same. @throws Fault as {@link measurePhoto} */
export function measured({ raster, truth }: { raster: Raster; truth: { region: Region } }, surface: Surface): PhotoMeasured {
  const read = reads[surface].get(raster) ?? measurePhoto(raster, truth.region, surface)
  reads[surface].set(raster, read)
  return read
}
export const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
export const within = (errors: readonly number[], limit: number) => errors.filter((error) => Math.abs(error) <= limit).length / errors.length
