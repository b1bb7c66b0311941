// Fins are many and fine: what can be said of each block of a coil is weighed by small networks, in three looks, each knowing what the one before said.
import { coloursOf } from './colour.ts'
import { weighed } from './perceptron.ts'
import type { Prepared } from './prepare.ts'
import type { Raster } from './raster.ts'
import { lookedAgain } from './secondLook.ts'
import type { PartSeen } from './seen.ts'
import { finsReading } from './weights/fins.ts'

/** What is seen on a coil. `tell` hears how much of the looks is done, 0..1. */
export function finsSeen(raster: Raster, { features, laid, sizes }: Prepared, tell: (done: number) => void): PartSeen {
  const { looks, hides } = finsReading
  const colours = coloursOf(raster, laid.perspective, features)
  let covered = weighed(looks[0], features.values)
  let seen = features.values
  for (const [at, look] of looks.slice(1).entries()) {
    tell((at + 1) / looks.length)
    seen = lookedAgain(features, colours, covered)
    covered = weighed(look, seen)
  }
  return { places: features.places, sizes, covered, hidden: weighed(hides, seen) }
}
