// Blades are few and large, and soil on them looks like much else: a network of convolutions sees the wheel itself, unrolled.
import { innerPlaces } from './cell.ts'
import { laidFlat, type LaidOut } from './flat.ts'
import { netOf } from './keptNet.ts'
import { unrolled } from './pitch.ts'
import { seenBy } from './plateNet.ts'
import type { Raster } from './raster.ts'
import type { PartSeen } from './seen.ts'
import { bladesReading } from './weights/blades.ts'

/** What is seen on a wheel. `tell` hears how much of it is done, 0..1. */
export function bladesSeen(raster: Raster, laid: LaidOut, tell: (done: number) => void): PartSeen {
  const { columns, rows, covered, hidden } = seenBy(netOf(bladesReading.net), laidFlat(raster, laid), tell)
  const inner = innerPlaces(columns, rows)
  const across = inner.map(({ u }) => unrolled(u, laid.arc))
  return {
    // It was laid on its side.
    places: inner.map(({ v }, index) => ({ u: v, v: across[index] })),
    // Less towards the rims of a drum.
    sizes: Float32Array.from(across, (u) => Math.cos((2 * u - 1) * laid.arc)),
    covered: Float32Array.from(inner, ({ at }) => covered[at]),
    hidden: Float32Array.from(inner, ({ at }) => hidden[at]),
  }
}
