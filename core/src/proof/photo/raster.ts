// What is a photograph to a computation, and where on it is the part? Pixels, and four corners that a person set.
import type { Region } from '../../lookover/index.ts'

export type { Region }
export type Corner = Region[number]

/** A picture: rows of red, green, blue and alpha, 0..255 each, as browsers and picture libraries give it. */
export interface Raster {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array | Uint8ClampedArray
}

/** Where a region starts before anybody moved its corners: most of the picture. */
export const usualRegion: Region = [
  { x: 0.15, y: 0.15 },
  { x: 0.85, y: 0.15 },
  { x: 0.85, y: 0.85 },
  { x: 0.15, y: 0.85 },
]
