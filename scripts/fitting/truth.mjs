// What is true of a place, and what a person makes of the corners.
import { mapColumns, mapRows } from '../../core/dist/proof/photo/surface.js'
import { seeded } from '@yastik/core/quantities'

/** How far off a person sets a corner, share of the picture: a thumb on glass. */
const cornersOff = 0.008

/** Corners as a person sets them. */
export function cornersBy({ seed }, region) {
  const random = seeded(seed + 3)
  const off = (value) => Math.min(1, Math.max(0, value + (2 * random() - 1) * cornersOff))
  return region.map(({ x, y }) => ({ x: off(x), y: off(y) }))
}

/** The map of the truth at a place, between its cells. */
export function onMap(map, u, v) {
  const x = Math.min(mapColumns - 1.001, Math.max(0, u * mapColumns - 0.5))
  const y = Math.min(mapRows - 1.001, Math.max(0, v * mapRows - 0.5))
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [dx, dy] = [x - left, y - top]
  const at = top * mapColumns + left
  const upper = map[at] * (1 - dx) + map[at + 1] * dx
  return upper * (1 - dy) + (map[at + mapColumns] * (1 - dx) + map[at + mapColumns + 1] * dx) * dy
}
