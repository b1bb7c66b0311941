// How far apart are the fins, or the blades, on the picture? The period that repeats most along lines across them.
import { estimate } from '../../quantities/index.ts'
import type { Perspective } from './perspective.ts'
import type { Raster } from './raster.ts'
import type { Surface } from './surface.ts'

// Looked up once: these are called in loops over millions of values.
const { floor, hypot, max, min, round, sin } = Math

const lines = 14
/** Periods that are looked for: up to so many steps, and so many cycles over the whole. */
const longest = 400
const fewestCycles = 4
/** Steps along a line: a pixel each, but not more. Blades are large: fewer steps, and points beside each other that are taken together. */
const mostSteps = { fins: 4096, blades: 320 } as const
const together = { fins: 1, blades: 7 } as const
const apart = 0.006
/** Half the arc of a drum that is seen, radians: blades stand closer together towards its rims. A coil is flat. */
const arcs = { fins: [0], blades: [0, 0.4, 0.6, 0.75, 0.9] } as const
/** Share of the signal's own power that a period must repeat to be one at all; and of the clearest period, to be taken before its multiples. Fitted to sample photographs. */
const leastRepeat = estimate(0.08, 'share of the power')
const asClear = estimate(0.6, 'share of the clearest peak')
/** Where half a period repeats by this much, the period was two. */
const halfRepeats = estimate(0.15, 'share of the peak')
/** So many multiples of the period say where it lies between two steps. */
const mostTimes = 6

export interface Pitch {
  /** Distance from plate to plate in the middle of the region, px. */
  readonly pitchPx: number
  /** How far the period stands out of the rest (1: just). */
  readonly clearness: number
  /** Half the arc of the drum, radians; 0 for what is flat. */
  readonly arc: number
}

/** Where on a flat region, 0..1 across the plates, a place lies that is `share` of the way along the arc of a drum. */
export const unrolled = (share: number, arc: number): number => (arc === 0 ? share : 0.5 + (0.5 * sin((2 * share - 1) * arc)) / sin(arc))

/** The pitch, by autocorrelation along lines across the plates; for blades under the arc that makes it clearest. */
export function pitchOf(raster: Raster, perspective: Perspective, surface: Surface): Pitch {
  const found = arcs[surface].map((arc) => pitchUnder(raster, perspective, surface, arc))
  return found.reduce((best, own) => (own.clearness > best.clearness ? own : best))
}

function pitchUnder({ width, height, data }: Raster, perspective: Perspective, surface: Surface, arc: number): Pitch {
  const from = perspective.at(0, 0.5)
  const to = perspective.at(1, 0.5)
  const lengthPx = hypot(to.x - from.x, to.y - from.y) * (arc === 0 ? 1 : arc / sin(arc))
  const count = min(mostSteps[surface], max(64, round(lengthPx)))
  const most = min(longest, floor(count / fewestCycles))
  const sum = new Float64Array(most + 1)
  const values = new Float64Array(count)
  for (let line = 0; line < lines; line++) {
    const across = 0.06 + (0.88 * line) / (lines - 1)
    for (let at = 0; at < count; at++) {
      const along = unrolled((at + 0.5) / count, arc)
      let light = 0
      for (let beside = 0; beside < together[surface]; beside++) {
        const { x, y } = perspective.at(along, across + (beside - (together[surface] - 1) / 2) * apart)
        light += data[(min(height - 1, max(0, floor(y))) * width + min(width - 1, max(0, floor(x)))) * 4 + 1]
      }
      values[at] = light
    }
    // Differences take away what changes slowly: light, tubes, patches.
    for (let at = count - 1; at > 0; at--) values[at] -= values[at - 1]
    values[0] = 0
    for (let lag = 0; lag <= most; lag++) {
      let product = 0
      for (let at = lag; at < count; at++) product += values[at] * values[at - lag]
      sum[lag] += product / (count - lag)
    }
  }
  // The first clear peak after the first dip: multiples of the pitch peak as well.
  const baseline = sum[0] * leastRepeat.value
  let lag = 1
  while (lag < most && sum[lag] > 0) lag++
  let best = 0
  for (let at = lag; at < most; at++) best = max(best, sum[at])
  for (let at = max(2, lag); at < most; at++)
    if (sum[at] >= best * asClear.value && sum[at] >= sum[at - 1] && sum[at] >= sum[at + 1])
      return { pitchPx: (refined(sum, single(sum, at)) * lengthPx) / count, clearness: sum[at] / max(1e-9, baseline), arc }
  return { pitchPx: 0, clearness: 0, arc }
}

/** The period, or half of it: half a pitch on, plates lie over gaps and the product is negative; where it is not, two pitches were taken for one. */
const single = (sum: Float64Array, period: number): number => (sum[round(period / 2)] > sum[period] * halfRepeats.value ? period / 2 : period)

/** A period to a fraction of a step: the peaks of its multiples, each looked for where the ones before put it. */
function refined(sum: Float64Array, first: number): number {
  let period = first
  for (let times = 1; times <= mostTimes; times++) {
    const near = round(period * times)
    if (near + 2 >= sum.length) break
    let peak = near - 1
    for (let at = near; at <= near + 1; at++) if (sum[at] > sum[peak]) peak = at
    const [left, middle, right] = [sum[peak - 1], sum[peak], sum[peak + 1]]
    const curve = left - 2 * middle + right
    if (middle <= 0 || curve >= 0) break
    period = (peak + (0.5 * (left - right)) / curve) / times
  }
  return period
}
