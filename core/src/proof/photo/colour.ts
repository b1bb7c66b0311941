// What colour is each block, whatever its brightness? Logarithms of red and blue against green, in linear light.
import type { BlockFeatures } from './features.ts'
import type { Perspective } from './perspective.ts'
import type { Raster } from './raster.ts'
import { toLinear } from './texture.ts'

const { floor, log, max, min } = Math

/** Points looked at along each side of a block. */
const points = 4
/** Keeps black from dividing by nothing. */
const dark = 0.004

/** Red against green, and blue against green, of each place: two values a place. */
export function coloursOf(raster: Raster, perspective: Perspective, { places, columns, rows }: BlockFeatures): Float32Array {
  const { width, height, data } = raster
  const out = new Float32Array(places.length * 2)
  const { a, b, c, d, e, f, g, h } = perspective.weights
  for (let index = 0; index < places.length; index++) {
    let [red, green, blue] = [0, 0, 0]
    for (let dy = 0; dy < points; dy++)
      for (let dx = 0; dx < points; dx++) {
        const u = places[index].u + ((dx + 0.5) / points - 0.5) / columns
        const v = places[index].v + ((dy + 0.5) / points - 0.5) / rows
        const w = g * u + h * v + 1
        const x = min(width - 1, max(0, floor((a * u + b * v + c) / w)))
        const y = min(height - 1, max(0, floor((d * u + e * v + f) / w)))
        const at = (y * width + x) * 4
        red += toLinear[data[at]]
        green += toLinear[data[at + 1]]
        blue += toLinear[data[at + 2]]
      }
    const all = points * points
    out[2 * index] = log((red / all + dark) / (green / all + dark))
    out[2 * index + 1] = log((blue / all + dark) / (green / all + dark))
  }
  return out
}
