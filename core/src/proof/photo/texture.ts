// Light in linear values, the part as it is seen from straight above, and what is near taken together.
import type { Perspective } from './perspective.ts'
import type { Raster } from './raster.ts'

// Looked up once: these are called in loops over millions of values.
const { floor, max, min, round } = Math

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

/** Weights of red, green and blue in relative luminance (ITU-R BT.709). */
const luminance = [0.2126, 0.7152, 0.0722] as const

const [red, green, blue] = luminance.map((weight) => toLinear.map((value) => value * weight))

/** Relative luminance of a picture. */
export function brightnessOf({ width, height, data }: Raster): Brightness {
  const values = new Float32Array(width * height)
  for (let pixel = 0, at = 0; pixel < values.length; pixel++, at += 4) values[pixel] = red[data[at]] + green[data[at + 1]] + blue[data[at + 2]]
  return { width, height, values }
}

/**
 * The part as it would be seen from straight above: `columns` × `rows` values, each the mean of `boxPx` × `boxPx` pixels, or between four of
 * them. `acrossOf` says where a share of the way from left to right lies on the region: a drum is unrolled by it. Written without objects in its loops: there are millions of values.
 */
export function straightened(
  { width, height, values }: Brightness,
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
      const left = (a * u + b * v + c) * w - half
      const top = (d * u + e * v + f) * w - half
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
      const x0 = min(width - boxPx, max(0, round(left)))
      const y0 = min(height - boxPx, max(0, round(top)))
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
