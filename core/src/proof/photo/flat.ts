// A part laid flat, drums unrolled, so many values from plate to plate: the colours of each value as logarithms of linear light.
import type { Perspective } from './perspective.ts'
import { unrolled } from './pitch.ts'
import type { Raster } from './raster.ts'
import { toLinear } from './texture.ts'

const { ceil, floor, log, max, min, round, sin, sqrt } = Math

/** Values from plate to plate; fewer where that would be more than {@link mostValues}. */
const perPitch = 12
const mostValues = 60_000
/** A value rests on so many pixels along each side at most. */
const mostAlong = 6
/** Keeps black from having no logarithm. */
const dark = 0.004
/** Sides are whole blocks of so many values. */
export const blockSide = 4
const fewestBlocks = 8

/** Where a part lies on a photograph. */
export interface LaidOut {
  readonly perspective: Perspective
  /** Half the arc of a drum that is seen, radians; 0 for what is flat. */
  readonly arc: number
  readonly widthPx: number
  readonly heightPx: number
  readonly pitchPx: number
}

/** Logarithms of red, green and blue, value by value, row by row. */
export interface Flat {
  readonly width: number
  readonly height: number
  readonly light: Float32Array
}

/** Lays a part flat: each value is the mean of the pixels that it stands for, or lies between four of them. */
export function laidFlat({ width, height, data }: Raster, { perspective, arc, widthPx, heightPx, pitchPx }: LaidOut): Flat {
  const alongPx = widthPx * (arc === 0 ? 1 : arc / sin(arc))
  const perValue = max(pitchPx / perPitch, sqrt((alongPx * heightPx) / mostValues))
  const side = (px: number) => blockSide * max(fewestBlocks, round(px / perValue / blockSide))
  const [columns, rows] = [side(alongPx), side(heightPx)]
  const boxPx = max(1, round(perValue))
  const step = ceil(boxPx / mostAlong)
  const light = new Float32Array(columns * rows * 3)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const { x, y } = perspective.at(unrolled((column + 0.5) / columns, arc), (row + 0.5) / rows)
      const out = (row * columns + column) * 3
      const [left, top] = [x - boxPx / 2, y - boxPx / 2]
      let [red, green, blue, all] = [0, 0, 0, 0]
      const add = (px: number, py: number, weight: number) => {
        const at = (min(height - 1, max(0, py)) * width + min(width - 1, max(0, px))) * 4
        red += weight * toLinear[data[at]]
        green += weight * toLinear[data[at + 1]]
        blue += weight * toLinear[data[at + 2]]
        all += weight
      }
      const [x0, y0] = [floor(left), floor(top)]
      if (boxPx === 1) {
        const [dx, dy] = [left - x0, top - y0]
        add(x0, y0, (1 - dx) * (1 - dy))
        add(x0 + 1, y0, dx * (1 - dy))
        add(x0, y0 + 1, (1 - dx) * dy)
        add(x0 + 1, y0 + 1, dx * dy)
      } else for (let py = 0; py < boxPx; py += step) for (let px = 0; px < boxPx; px += step) add(round(left) + px, round(top) + py, 1)
      light[out] = log(red / all + dark)
      light[out + 1] = log(green / all + dark)
      light[out + 2] = log(blue / all + dark)
    }
  return { width: columns, height: rows, light }
}
