// Light in linear values, the part as it is seen from straight above, and what is near taken together.
import type { Perspective, Point } from './perspective.ts'
import type { Raster } from './raster.ts'

// Looked up once: these are called in loops over millions of values.
const { ceil, floor, max, min } = Math

/** sRGB to linear light (IEC 61966-2-1), by code value. */
export const toLinear = Float32Array.from({ length: 256 }, (_, code) => {
  const value = code / 255
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
})

/** Brightness in linear light, 0..1, row by row. */
export interface Brightness {
  readonly width: number
  readonly height: number
  readonly values: Float32Array
}
/** Brightness of a rectangle of a picture, whose first pixel is the picture's at `left` and `top`. */
export interface BrightnessThere extends Brightness {
  readonly left: number
  readonly top: number
}

/** Weights of red, green and blue in relative luminance (ITU-R BT.709). */
export const luminance = [0.2126, 0.7152, 0.0722] as const

const [red, green, blue] = luminance.map((weight) => toLinear.map((value) => value * weight))

/** Pixels around the corners that may be looked at. */
const around = 4

/** Relative luminance of a picture, as far as it lies between corners (px). */
export function brightnessWithin({ width, height, data }: Raster, corners: readonly Point[]): BrightnessThere {
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)]
  const [left, top] = [max(0, floor(min(...xs)) - around), max(0, floor(min(...ys)) - around)]
  const [right, bottom] = [min(width, ceil(max(...xs)) + around), min(height, ceil(max(...ys)) + around)]
  const [wide, tall] = [right - left, bottom - top]
  const values = new Float32Array(wide * tall)
  for (let row = 0, pixel = 0; row < tall; row++)
    for (let end = pixel + wide, at = ((top + row) * width + left) * 4; pixel < end; pixel++, at += 4)
      values[pixel] = red[data[at]] + green[data[at + 1]] + blue[data[at + 2]]
  return { width: wide, height: tall, values, left, top }
}

/**
 * The part as it would be seen from straight above: `columns` × `rows` values, each the mean of `boxPx` × `boxPx` pixels, or between four of
 * them. `acrossOf` says where a share of the way from left to right lies on the region: a drum is unrolled by it. Written without objects in its loops: there are millions of values.
 */
export function straightened(
  { width, height, values, left: fromX, top: fromY }: BrightnessThere,
  perspective: Perspective,
  columns: number,
  rows: number,
  boxPx: number,
  acrossOf: (share: number) => number,
): Brightness {
  const across = Float64Array.from({ length: columns }, (_, column) => acrossOf((column + 0.5) / columns))
  const out = new Float32Array(columns * rows)
  const { a, b, c, d, e, f, g, h } = perspective.weights
  const half = 0.5 + (boxPx - 1) / 2
  const share = 1 / (boxPx * boxPx)
  for (let row = 0; row < rows; row++) {
    const v = (row + 0.5) / rows
    for (let column = 0; column < columns; column++) {
      const u = across[column]
      const w = 1 / (g * u + h * v + 1)
      const left = (a * u + b * v + c) * w - half - fromX
      const top = (d * u + e * v + f) * w - half - fromY
      if (boxPx === 1) {
        const x0 = min(width - 2, max(0, floor(left)))
        const y0 = min(height - 2, max(0, floor(top)))
        const dx = min(1, max(0, left - x0))
        const dy = min(1, max(0, top - y0))
        const at = y0 * width + x0
        const upper = values[at] + (values[at + 1] - values[at]) * dx
        const lower = values[at + width] + (values[at + width + 1] - values[at + width]) * dx
        out[row * columns + column] = upper + (lower - upper) * dy
        continue
      }
      const x0 = min(width - boxPx, max(0, floor(left + 0.5)))
      const y0 = min(height - boxPx, max(0, floor(top + 0.5)))
      if (boxPx === 2) {
        const at = y0 * width + x0
        out[row * columns + column] = (values[at] + values[at + 1] + values[at + width] + values[at + width + 1]) * 0.25
        continue
      }
      let sum = 0
      for (let line = 0; line < boxPx; line++) {
        const at = (y0 + line) * width + x0
        for (let pixel = 0; pixel < boxPx; pixel++) sum += values[at + pixel]
      }
      out[row * columns + column] = sum * share
    }
  }
  return { width: columns, height: rows, values: out }
}

/** Each value mixed with its neighbours, 1-2-1 along rows and columns, `times` over. */
export function smoothed(values: Float32Array, columns: number, rows: number, times: number): Float32Array {
  let from = values
  for (let turn = 0; turn < times; turn++) {
    const across = new Float32Array(from.length)
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const at = row * columns + column
        across[at] = (from[column > 0 ? at - 1 : at] + 2 * from[at] + from[column < columns - 1 ? at + 1 : at]) / 4
      }
    const both = new Float32Array(from.length)
    for (let row = 0; row < rows; row++)
      for (let column = 0; column < columns; column++) {
        const at = row * columns + column
        both[at] = (across[row > 0 ? at - columns : at] + 2 * across[at] + across[row < rows - 1 ? at + columns : at]) / 4
      }
    from = both
  }
  return from
}
