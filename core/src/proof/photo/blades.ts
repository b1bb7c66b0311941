// Which part of a wheel is covered? Between bare blades it is dark; where soil bridges them, a whole pitch is about as bright as its brightest place.
import { clamp, estimate } from '../../quantities/index.ts'
import { innerPlaces, type Cell } from './cell.ts'
import { blockPx, evenedAlongRows, type Brightness } from './texture.ts'
import { nothingSeen } from './unclear.ts'

// Looked up once: these are called in loops over millions of values.
const { PI, floor, max, min, round } = Math

/** Contrast over one pitch, (most − least) / (most + least), below which soil bridges it: the picture's own valley between the two, held between these. */
const leastContrast = estimate(0.28, 'contrast')
const mostContrast = estimate(0.5, 'contrast')
/** Contrast that bare blades have at least. */
const bareContrast = estimate(0.5, 'contrast')
/** So much of the picture may be covered before nothing bare is left to go by. */
const mostCovered = estimate(0.98, 'share of the picture')
/** Keeps black from dividing by nothing; far below what a camera tells from black. */
const black = 1e-6

/** What is narrower than this share of a pitch along the blades is a disc of the wheel, not soil. */
const discShare = 0.75

/**
 * Share of bare blade in each block of a straightened picture, where blades run along the rows and repeat every `period` rows.
 * A ratio of neighbours: light that falls off, exposure and colour cancel. Closing and opening of masks: J. Serra, “Image analysis and
 * mathematical morphology” (1982).
 * @throws Fault `photo-unclear`: nothing in it looks like blades.
 */
export function bladeCells(flat: Brightness, period: number): Cell[] {
  // Grain of the soil is evened out along the blades first.
  const { width, height, values } = evenedAlongRows(flat, period >> 2)
  const reach = period >> 1
  const narrow = round(period * discShare)
  const most = extreme(values, width, height, reach, 'rows', 'most')
  const lowest = extreme(values, width, height, reach, 'rows', 'least')
  const contrast = most.map((value, at) => (value - lowest[at]) / (value + lowest[at] + black))
  if (contrast.slice().sort()[floor(contrast.length * mostCovered.value)] < bareContrast.value) throw nothingSeen('blades')
  const limit = clamp(valley(contrast), leastContrast.value, mostContrast.value)
  // A window without a gap is soil from end to end, but for the rim of the next blade; so what it spans is covered.
  const core = contrast.map((value) => (value < limit ? 1 : 0))
  const spanned = extreme(core, width, height, max(1, reach - (period >> 3)), 'rows', 'most')
  const kept = extreme(spanned, width, height, narrow >> 1, 'columns', 'least')
  const soil = extreme(kept, width, height, narrow >> 1, 'columns', 'most')
  const [columns, rows] = [floor(width / blockPx), floor(height / blockPx)]
  return innerPlaces(columns, rows).map((place) => {
    const [left, top] = [floor(place.u * columns) * blockPx, floor(place.v * rows) * blockPx]
    let sum = 0
    for (let row = top; row < top + blockPx; row++) for (let column = left; column < left + blockPx; column++) sum += soil[row * width + column]
    return { ...place, bare: 1 - sum / blockPx ** 2, angle: PI / 2 }
  })
}

/** The value that parts the contrasts best in two (N. Otsu, “A threshold selection method from gray-level histograms”, 1979). */
function valley(values: Float32Array): number {
  const bins = 64
  const histogram = new Float64Array(bins)
  for (const value of values) histogram[min(bins - 1, max(0, floor(value * bins)))]++
  const total = values.length
  const sum = histogram.reduce((all, count, bin) => all + count * bin, 0)
  let [below, sumBelow, best, at] = [0, 0, -1, 0]
  for (let bin = 0; bin < bins; bin++) {
    below += histogram[bin]
    sumBelow += histogram[bin] * bin
    if (below === 0 || below === total) continue
    const apart = sumBelow / below - (sum - sumBelow) / (total - below)
    const between = below * (total - below) * apart * apart
    if (between > best) [best, at] = [between, bin]
  }
  return (at + 1) / bins
}

/** The least, or most, of the values within `reach` along rows (down the picture) or columns (across it). */
function extreme(
  values: Float32Array,
  width: number,
  height: number,
  reach: number,
  along: 'rows' | 'columns',
  which: 'least' | 'most',
): Float32Array {
  const from = which === 'most' ? values : values.map((value) => -value)
  const out = from.slice()
  for (let by = -reach; by <= reach; by++) {
    const [down, across] = along === 'rows' ? [by, 0] : [0, by]
    const shift = down * width + across
    for (let row = max(0, -down); row < min(height, height - down); row++) {
      const end = row * width + min(width, width - across)
      for (let at = row * width + max(0, -across); at < end; at++) if (from[at + shift] > out[at]) out[at] = from[at + shift]
    }
  }
  return which === 'most' ? out : out.map((value) => -value)
}
