// A picture brought down to cells: how bright each is, and how fine its grain. Where plates begin, both change.
import type { Raster } from './raster.ts'

// Looked up once: these are called in loops over millions of values.
const { abs, floor, log, max, min, round, sqrt } = Math

export interface Coarse {
  readonly columns: number
  readonly rows: number
  /** Square root of brightness, about as eyes see it, and logarithm of the grain, a value a cell: mean 0 and deviation 1 over the picture. */
  readonly light: Float32Array
  readonly grain: Float32Array
}

/** Keeps even places from having a grain, share of their brightness; and what is black from having any. */
const leastGrain = 0.02
const asBlack = 8
/** Pixels of a cell that are looked at along each side: enough for a mean. */
const looks = 5

/** The picture in so many columns of square cells. */
export function coarseOf({ width, height, data }: Raster, columns: number): Coarse {
  const rows = max(2, round((columns * height) / width))
  const [light, grain, count] = [new Float32Array(columns * rows), new Float32Array(columns * rows), new Float32Array(columns * rows)]
  const step = max(1, floor(width / columns / looks))
  const brightness = (at: number) => data[at] + 2 * data[at + 1] + data[at + 2]
  for (let y = 0; y < height - 1; y += step) {
    const row = min(rows - 1, floor((y * rows) / height))
    for (let x = 0; x < width - 1; x += step) {
      const at = (y * width + x) * 4
      const own = brightness(at)
      const cell = row * columns + min(columns - 1, floor((x * columns) / width))
      light[cell] += own
      grain[cell] += abs(brightness(at + 4) - own) + abs(brightness(at + 4 * width) - own)
      count[cell]++
    }
  }
  for (let cell = 0; cell < light.length; cell++) {
    const all = max(1, count[cell])
    grain[cell] = log(leastGrain + grain[cell] / (light[cell] + asBlack * all))
    light[cell] = sqrt(light[cell] / all)
  }
  return { columns, rows, light: evened(softened(light, columns, rows)), grain: evened(softened(grain, columns, rows)) }
}

/** Each cell and the eight around it, with weights 1 2 1. */
function softened(values: Float32Array, columns: number, rows: number): Float32Array {
  const out = new Float32Array(values.length)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let sum = 0
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const at = min(rows - 1, max(0, row + dy)) * columns + min(columns - 1, max(0, column + dx))
          sum += (values[at] * (2 - abs(dx)) * (2 - abs(dy))) / 16
        }
      out[row * columns + column] = sum
    }
  return out
}

function evened(values: Float32Array): Float32Array {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  const deviation = sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length)
  return values.map((value) => (value - mean) / max(1e-6, deviation))
}

/** The value at a place (x and y in cells), between the four cells around it. */
export function valueAt(values: Float32Array, columns: number, rows: number, x: number, y: number): number {
  const left = min(columns - 1.001, max(0, x - 0.5))
  const top = min(rows - 1.001, max(0, y - 0.5))
  const at = floor(top) * columns + floor(left)
  const [dx, dy] = [left - floor(left), top - floor(top)]
  const upper = values[at] + (values[at + 1] - values[at]) * dx
  const lower = values[at + columns] + (values[at + columns + 1] - values[at + columns]) * dx
  return upper + (lower - upper) * dy
}
