// Two places that a person finds on both photographs say where the part is on the second, where that is not found by itself.
import { says } from '../../words/index.ts'
import { Fault } from '../../faults/index.ts'
import { clamp } from '../../quantities/index.ts'
import type { Corner, Region } from './raster.ts'

type Pair = readonly [Corner, Corner]
export interface Marked {
  /** The same two places on each photograph, shares of its width and height. */
  readonly places: Pair
  /** Width against height of the photograph. */
  readonly wide: number
}

/** Places nearer than this, share of the picture's height, say little of turn and size. */
const nearest = 0.15

/**
 * The region of the second photograph by the similarity (shift, turn and size) that brings the two places of the first onto those of the second;
 * corners off the picture are brought to its rim.
 * @throws Fault `photo-unclear`: the places of a photograph are too near each other
 */
export function regionByTwoPlaces(region: Region, first: Marked, second: Marked): Region {
  const apart = ({ places: [p, q], wide }: Marked) => ({ x: (q.x - p.x) * wide, y: q.y - p.y })
  const [from, to] = [apart(first), apart(second)]
  if (Math.min(Math.hypot(from.x, from.y), Math.hypot(to.x, to.y)) < nearest)
    throw new Fault('photo-unclear', {
      lines: [
        {
          where: says('fault.photo.two-places'),
          what: says('fault.photo.places-near'),
          allowed: says('fault.photo.places-near-allowed'),
        },
      ],
    })
  // to / from as complex numbers: turn and size in one.
  const square = from.x ** 2 + from.y ** 2
  const [c, s] = [(to.x * from.x + to.y * from.y) / square, (to.y * from.x - to.x * from.y) / square]
  const [p, q] = [first.places[0], second.places[0]]
  const placed = ({ x, y }: Corner): Corner => {
    const [dx, dy] = [(x - p.x) * first.wide, y - p.y]
    return { x: clamp(q.x + (c * dx - s * dy) / second.wide, 0, 1), y: clamp(q.y + s * dx + c * dy, 0, 1) }
  }
  const [a, b, d, e] = region
  return [placed(a), placed(b), placed(d), placed(e)]
}
