// How far apart are the fins, or the blades, on the picture? The period that repeats most along lines across them.
import { estimate } from '../../quantities/index.ts'
import type { Perspective } from './perspective.ts'
import type { Raster } from './raster.ts'
import type { Surface } from './surface.ts'

// Looked up once: these are called in loops over millions of values.
const { floor, hypot, max, min, round } = Math

const lines = 14
/** Periods that are looked for: up to so many px, and so many cycles over the whole. */
const longestPx = 400
const fewestCycles = 4
/** Share of the signal's own power that a period must repeat to be one at all; and of the clearest period, to be taken before its multiples. Fitted to sample photographs. */
const leastRepeat = estimate(0.08, 'share of the power')
const asClear = estimate(0.6, 'share of the clearest peak')

/**
 * Pitch on the picture in px, and how far its peak stands out of the rest of the spectrum (1: not at all).
 * Averaged power spectrum of brightness along lines across the region: by autocorrelation, since only the period is wanted.
 */
export function pitchOf({ width, height, data }: Raster, perspective: Perspective, surface: Surface): { pitchPx: number; clearness: number } {
  const from = perspective.at(surface === 'fins' ? 0 : 0.5, surface === 'fins' ? 0.5 : 0)
  const to = perspective.at(surface === 'fins' ? 1 : 0.5, surface === 'fins' ? 0.5 : 1)
  const lengthPx = hypot(to.x - from.x, to.y - from.y)
  const count = min(4096, max(64, round(lengthPx)))
  const most = min(longestPx, floor(count / fewestCycles))
  const sum = new Float64Array(most + 1)
  for (let line = 0; line < lines; line++) {
    const across = 0.06 + (0.88 * line) / (lines - 1)
    const values = new Float64Array(count)
    for (let at = 0; at < count; at++) {
      const along = (at + 0.5) / count
      const { x, y } = surface === 'fins' ? perspective.at(along, across) : perspective.at(across, along)
      const px = min(width - 1, max(0, floor(x)))
      const py = min(height - 1, max(0, floor(y)))
      values[at] = data[(py * width + px) * 4 + 1]
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
      return { pitchPx: (at * lengthPx) / count, clearness: sum[at] / max(1e-9, baseline) }
  return { pitchPx: 0, clearness: 0 }
}
