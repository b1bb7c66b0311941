// How does the part on a photograph look from straight above? So two photographs of it, by two cameras, can be laid over each other.
import { perspectiveOf } from './perspective.ts'
import type { Raster, Region } from './raster.ts'

// Looked up once: these are called in loops over millions of values.
const { floor, max, min } = Math

/**
 * The region of a photograph drawn as a rectangle of `width` × `height` px: both photographs of a part, each through its own four corners,
 * then show every place of the part at the same pixel. Each pixel is between four of the photograph.
 */
export function uprightOf(raster: Raster, region: Region, width: number, height: number): Raster {
  const { at } = perspectiveOf(region.map(({ x, y }) => ({ x: x * raster.width, y: y * raster.height })) as Region)
  const data = new Uint8ClampedArray(width * height * 4)
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const { x, y } = at((column + 0.5) / width, (row + 0.5) / height)
      const left = min(raster.width - 1.001, max(0, x - 0.5))
      const top = min(raster.height - 1.001, max(0, y - 0.5))
      const from = (floor(top) * raster.width + floor(left)) * 4
      const below = from + raster.width * 4
      const [dx, dy] = [left % 1, top % 1]
      const to = (row * width + column) * 4
      for (let channel = 0; channel < 3; channel++) {
        const upper = raster.data[from + channel] * (1 - dx) + raster.data[from + 4 + channel] * dx
        const lower = raster.data[below + channel] * (1 - dx) + raster.data[below + 4 + channel] * dx
        data[to + channel] = upper * (1 - dy) + lower * dy
      }
      data[to + 3] = 255
    }
  return { width, height, data }
}
