// What can be said of each small block of a part whose plates run from top to bottom and repeat evenly? Ratios, in which exposure,
// the colour of the light and the size of the picture cancel.
import { innerPlaces, type Place } from './cell.ts'
import { smoothed, type Brightness } from './texture.ts'

// Looked up once: these are called in loops over millions of values.
const { abs, atan2, cos, floor, log, max, min, sin, sqrt } = Math

/** How finely a part is looked at, in values of its straightened picture. */
export interface Fineness {
  /** Values from plate to plate. */
  readonly perPitch: number
  /** Side of a block. */
  readonly block: number
  /** Passes of smoothing that a block sees around itself, and that its neighbourhood takes. */
  readonly near: number
  readonly wide: number
}

/** Distances at which the edges of a block are laid over themselves, pitches: half a pitch, where plates are dark against bright, a pressed pitch, a whole one. */
const lags = [0.5, 0.75, 1] as const
/** Brightness from which a value counts as blown out. */
const blownFrom = 0.94
/** References: what nine tenths of the blocks lie below counts as the clearest and strongest, the middle as usual, what four fifths lie below as bright. */
const shares = { clearest: 0.9, usual: 0.5, bright: 0.8 } as const
/** Keeps black from dividing by nothing. */
const asBlack = 1e-4
/** Black: no light to see by. */
const darkest = 0.0006
/** Smallest energy against brightness squared that is told from none. */
const faintest = 1e-4
/** References are taken around each of so many places, and in between by their weight. */
const tileColumns = 8
const tileRows = 6

/** More blocks than this say nothing more of a part: four are taken together. */
const mostBlocks = 12_000

/** Names of the features, in order: for whoever reads the weights. */
export const featureNames = [
  'edges of one direction, per brightness squared',
  'the same against the clearest around',
  'the same against the clearest of all',
  'edges of one direction against the strongest around',
  'the same against the strongest of all',
  'agreement on one direction',
  'agreement over the neighbourhood',
  'edges over the neighbourhood against the strongest around',
  'repeats at half a pitch',
  'repeats at three quarters of a pitch',
  'repeats at a pitch',
  'repeats at a pitch over the neighbourhood',
  'brightness against what is around',
  'brightness against the brightest',
  'edges of no direction, per brightness squared',
  'fine grain against all edges',
  'contrast over a pitch',
  'darkest over a pitch against what is around',
  'share that is blown out',
  'off the direction of most',
  'clearest of all, per brightness squared',
  'clearest around against the clearest of all',
  'share of the part that repeats',
  'pitch on the picture',
] as const

export interface BlockFeatures {
  readonly places: readonly Place[]
  readonly columns: number
  readonly rows: number
  /** Features of each place, one after the other: {@link featureNames} a place. */
  readonly values: Float32Array
  /** Direction across the plates at each place, radians from the rows of the part. */
  readonly angles: Float32Array
  /** How much of the edges of each place agrees on one direction, 0..1, and of those over its neighbourhood. */
  readonly agreement: Float32Array
  readonly agreementAround: Float32Array
  /** Share of each place that is blown out. */
  readonly blown: Float32Array
  /** What a second look compares with bare metal around: energy of one direction, mean brightness, energy of no direction, per place. */
  readonly energy: Float32Array
  readonly brightness: Float32Array
  readonly undirected: Float32Array
  /** Darkest over a pitch. */
  readonly lowest: Float32Array
  /** Energy of one direction per brightness squared, where it is clearest: nine tenths of the blocks lie below. */
  readonly clearestEdges: number
}

interface Sums {
  readonly columns: number
  readonly rows: number
  readonly xx: Float32Array
  readonly xy: Float32Array
  readonly yy: Float32Array
  readonly mean: Float32Array
  readonly fine: Float32Array
  readonly blown: Float32Array
  readonly contrast: Float32Array
  readonly lowest: Float32Array
  readonly repeats: readonly [Float32Array, Float32Array, Float32Array]
}

/** One pass over the picture: all sums by block. */
function sumsOf({ width, height, values }: Brightness, { perPitch, block: blockPx }: Fineness): Sums {
  const [columns, rows] = [floor(width / blockPx), floor(height / blockPx)]
  const size = columns * rows
  const own = () => new Float32Array(size)
  const [xx, xy, yy, mean, fine, blown] = [own(), own(), own(), own(), own(), own()]
  const [contrast, lowest] = [own(), own()]
  const beside = (perPitch - blockPx) >> 1
  const repeats = [own(), own(), own()] as const
  const across = new Float32Array(width + 2 * perPitch)
  const [half, pressed, whole] = lags.map((lag) => lag * perPitch)
  // Of more blocks than are kept, every other row says enough.
  const stride = size > mostBlocks ? 2 : 1
  for (let y = 0; y < rows * blockPx; y += stride) {
    const row = y * width
    const up = y > 0 ? -width : 0
    const down = y < height - 1 ? width : 0
    const scaleY = up !== 0 && down !== 0 ? 0.5 : 1
    for (let x = 1; x < width - 1; x++) across[x] = (values[row + x + 1] - values[row + x - 1]) * 0.5
    const line = floor(y / blockPx) * columns
    for (let column = 0; column < columns; column++) {
      let [sxx, sxy, syy, sum, curve, white, r0, r1, r2] = [0, 0, 0, 0, 0, 0, 0, 0, 0]
      const from = column * blockPx
      for (let x = from; x < from + blockPx; x++) {
        const at = row + x
        const value = values[at]
        const dx = across[x]
        const dy = (values[at + down] - values[at + up]) * scaleY
        const bend = x > 0 && x < width - 1 ? values[at + 1] - 2 * value + values[at - 1] : 0
        sxx += dx * dx
        sxy += dx * dy
        syy += dy * dy
        sum += value
        curve += bend * bend
        if (value > blownFrom) white++
        r0 += dx * across[x + half]
        r1 += dx * across[x + pressed]
        r2 += dx * across[x + whole]
      }
      // One pitch around the block: its brightest and its darkest.
      let most = 0
      let least = 1
      const end = min(width, from + blockPx + beside)
      for (let x = max(0, from - beside); x < end; x++) {
        const value = values[row + x]
        if (value > most) most = value
        if (value < least) least = value
      }
      const block = line + column
      contrast[block] += (most - least) / (most + least + asBlack)
      lowest[block] += least
      xx[block] += sxx
      xy[block] += sxy
      yy[block] += syy
      mean[block] += sum
      fine[block] += curve
      blown[block] += white
      repeats[0][block] += r0
      repeats[1][block] += r1
      repeats[2][block] += r2
    }
  }
  const share = stride / (blockPx * blockPx)
  for (const sums of [xx, xy, yy, mean, fine, blown, ...repeats]) for (let at = 0; at < size; at++) sums[at] *= share
  for (const sums of [contrast, lowest]) for (let at = 0; at < size; at++) sums[at] *= stride / blockPx
  return { columns, rows, xx, xy, yy, mean, fine, blown, contrast, lowest, repeats }
}

/** The same sums over blocks twice as wide and high. */
function merged({ columns, rows, repeats, ...sums }: Sums): Sums {
  const [wide, tall] = [columns >> 1, rows >> 1]
  const halved = (values: Float32Array): Float32Array => {
    const out = new Float32Array(wide * tall)
    for (let row = 0; row < tall; row++)
      for (let column = 0; column < wide; column++) {
        const at = 2 * row * columns + 2 * column
        out[row * wide + column] = (values[at] + values[at + 1] + values[at + columns] + values[at + columns + 1]) / 4
      }
    return out
  }
  const { xx, xy, yy, mean, fine, blown, contrast, lowest } = sums
  return {
    columns: wide,
    rows: tall,
    xx: halved(xx),
    xy: halved(xy),
    yy: halved(yy),
    mean: halved(mean),
    fine: halved(fine),
    blown: halved(blown),
    contrast: halved(contrast),
    lowest: halved(lowest),
    repeats: [halved(repeats[0]), halved(repeats[1]), halved(repeats[2])],
  }
}

/** What a share of the values around each place lies below, in windows that overlap, and of all of them. */
function references(values: Float32Array, columns: number, rows: number, share: number): { around: Float32Array; all: number } {
  const quantile = (own: Float32Array) => own.sort()[min(own.length - 1, floor(own.length * share))]
  const tiles = new Float32Array(tileColumns * tileRows)
  for (let tileRow = 0; tileRow < tileRows; tileRow++)
    for (let tileColumn = 0; tileColumn < tileColumns; tileColumn++) {
      // Three tiles wide and high.
      const [left, right] = [floor(((tileColumn - 1) * columns) / tileColumns), floor(((tileColumn + 2) * columns) / tileColumns)]
      const [top, bottom] = [floor(((tileRow - 1) * rows) / tileRows), floor(((tileRow + 2) * rows) / tileRows)]
      const [fromColumn, toColumn] = [max(0, left), min(columns, right)]
      const own = new Float32Array((min(rows, bottom) - max(0, top)) * (toColumn - fromColumn))
      for (let row = max(0, top), at = 0; row < min(rows, bottom); row++, at += toColumn - fromColumn)
        own.set(values.subarray(row * columns + fromColumn, row * columns + toColumn), at)
      tiles[tileRow * tileColumns + tileColumn] = quantile(own)
    }
  const around = new Float32Array(values.length)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = min(tileColumns - 1.001, max(0, ((column + 0.5) / columns) * tileColumns - 0.5))
      const y = min(tileRows - 1.001, max(0, ((row + 0.5) / rows) * tileRows - 0.5))
      const at = floor(y) * tileColumns + floor(x)
      const [dx, dy] = [x - floor(x), y - floor(y)]
      const upper = tiles[at] + (tiles[at + 1] - tiles[at]) * dx
      const lower = tiles[at + tileColumns] + (tiles[at + tileColumns + 1] - tiles[at + tileColumns]) * dx
      around[row * columns + column] = upper + (lower - upper) * dy
    }
  return { around, all: quantile(values.slice()) }
}

/**
 * Features of every block but the outermost ones. `pitchPx` is the pitch on the photograph.
 */
export function featuresOf(flat: Brightness, fineness: Fineness, pitchPx: number): BlockFeatures {
  let all = sumsOf(flat, fineness)
  while (all.columns * all.rows > mostBlocks) all = merged(all)
  const { columns, rows, ...sums } = all
  const near = (values: Float32Array) => smoothed(values, columns, rows, fineness.near)
  const wide = (values: Float32Array) => smoothed(values, columns, rows, fineness.wide)
  const [xx, xy, yy, mean, fine, blown] = [sums.xx, sums.xy, sums.yy, sums.mean, sums.fine, sums.blown].map(near)
  const repeats = sums.repeats.map(near)
  const [contrast, lowest] = [sums.contrast, sums.lowest].map((values) => smoothed(values, columns, rows, 1))
  const [wideXx, wideXy, wideYy, wideWhole] = [sums.xx, sums.xy, sums.yy, sums.repeats[2]].map(wide)
  const size = columns * rows
  const energyOf = (x: Float32Array, mixed: Float32Array, y: Float32Array) => {
    const out = new Float32Array(size)
    for (let at = 0; at < size; at++) out[at] = sqrt((x[at] - y[at]) ** 2 + 4 * mixed[at] ** 2)
    return out
  }
  const energy = energyOf(xx, xy, yy)
  const wideEnergy = energyOf(wideXx, wideXy, wideYy)
  const relative = energy.map((value, at) => value / max(darkest, mean[at]) ** 2)
  const clear = references(relative, columns, rows, shares.clearest)
  const strong = references(energy, columns, rows, shares.clearest)
  const bright = references(mean, columns, rows, shares.usual)
  const brightest = references(mean, columns, rows, shares.bright).all
  const repeated = repeats[2].map((value, at) => value / max(1e-12, xx[at]))
  const share = repeated.reduce((sum, value) => sum + (value > 0.5 ? 1 : 0), 0) / size
  // The direction of most: the mean of doubled angles by energy.
  let [cosine, sine] = [0, 0]
  for (let at = 0; at < size; at++) {
    const weight = min(1, relative[at] / max(faintest, clear.all))
    const angle = atan2(2 * xy[at], xx[at] - yy[at])
    cosine += weight * cos(angle)
    sine += weight * sin(angle)
  }
  const main = atan2(sine, cosine)
  const places = innerPlaces(columns, rows)
  const values = new Float32Array(places.length * featureNames.length)
  const angles = new Float32Array(places.length)
  const [agreement, agreementAround] = [new Float32Array(places.length), new Float32Array(places.length)]
  const white = new Float32Array(places.length)
  const [ownEnergy, brightness, undirected, darkestOf] = [white.slice(), white.slice(), white.slice(), white.slice()]
  for (let index = 0; index < places.length; index++) {
    const { at } = places[index]
    const doubled = atan2(2 * xy[at], xx[at] - yy[at])
    angles[index] = doubled / 2
    white[index] = blown[at]
    const total = xx[at] + yy[at]
    agreement[index] = energy[at] / max(1e-12, total)
    agreementAround[index] = wideEnergy[at] / max(1e-12, wideXx[at] + wideYy[at])
    ownEnergy[index] = energy[at]
    brightness[index] = mean[at]
    darkestOf[index] = lowest[at]
    undirected[index] = (total - energy[at]) / 2
    const square = max(darkest, mean[at]) ** 2
    const ratio = (value: number, against: number) => max(-4, min(3, log((value + 1e-9) / (against + 1e-9))))
    const own = [
      log(max(faintest, relative[at])),
      ratio(relative[at], clear.around[at]),
      ratio(relative[at], clear.all),
      ratio(energy[at], strong.around[at]),
      ratio(energy[at], strong.all),
      agreement[index],
      agreementAround[index],
      ratio(wideEnergy[at], strong.around[at]),
      repeats[0][at] / max(1e-12, xx[at]),
      repeats[1][at] / max(1e-12, xx[at]),
      repeated[at],
      wideWhole[at] / max(1e-12, wideXx[at]),
      ratio(mean[at], bright.around[at]),
      ratio(mean[at], brightest),
      log(max(faintest, (total - energy[at]) / 2 / square)),
      log(max(0.01, fine[at] / max(1e-12, total))),
      contrast[at],
      ratio(lowest[at], bright.around[at]),
      blown[at],
      abs(sin((doubled - main) / 2)),
      log(max(faintest, clear.all)),
      ratio(clear.around[at], clear.all),
      share,
      log(pitchPx),
    ]
    values.set(own, index * own.length)
  }
  return {
    places,
    columns,
    rows,
    values,
    angles,
    agreement,
    agreementAround,
    blown: white,
    energy: ownEnergy,
    brightness,
    undirected,
    lowest: darkestOf,
    clearestEdges: clear.all,
  }
}
