// How much of a coil or wheel is covered, and how many fins are straight? Read off a photograph, with how sure that is.
import { clamp, estimate } from '../../quantities/index.ts'
import { bladeCells } from './blades.ts'
import type { Cell } from './cell.ts'
import { finCells } from './fins.ts'
import { perspectiveOf } from './perspective.ts'
import { pitchOf } from './pitch.ts'
import type { Raster, Region } from './raster.ts'
import { straightWithinDeg, type Surface } from './surface.ts'
import { blockPx, brightnessOf, straightened } from './texture.ts'
import { nothingSeen, unclear } from './unclear.ts'

/** What a photograph says of the part that it shows. */
export interface PhotoMeasured {
  /** Share of the region that soil covers, 0..1, and where it lies nine times in ten. */
  readonly coveredShare: number
  readonly low: number
  readonly high: number
  /** Share of the fins that can be seen which are straight, 0..1; undefined for blades, and where too few can be seen. */
  readonly straightShare?: number
  /** How far most fins lean from the upright of the region, degrees, clockwise. */
  readonly finDirectionDeg: number
  /** Distance from fin to fin on the picture, px. */
  readonly pitchPx: number
  /** The part from above, upright: covered share of each cell, row by row. */
  readonly map: { readonly columns: number; readonly rows: number; readonly covered: Float32Array }
}

/** Values that one pitch is brought to before anything is looked at: fewer lose the edges, more cost time. */
const valuesPerPitch = { fins: 8, blades: 16 }
const leastClearness = 1
const leastRegionPx = 64
const leastCells = 40
/** Spread of the measured share around the truth on sample photographs: at the ends, and what is added half covered. */
const spreads = {
  fins: { ends: estimate(0.022, 'share'), between: estimate(0.002, 'share') },
  blades: { ends: estimate(0.016, 'share'), between: estimate(0.016, 'share') },
}
/** Directions that belong together when the one that most fins share is looked for, degrees. */
const nearDeg = 3
const nineInTen = 1.645
const mapColumns = 48
const mapRows = 36

/**
 * Measures a region of a photograph: brings the part upright and to a fixed number of values per fin or blade, tells bare metal from soil
 * block by block, and sums up. Ratios in linear light: exposure and the colour of the light cancel.
 *
 * @throws Fault `photo-unclear`: the corners do not make a region, it is too small, too dark, or shows nothing that repeats.
 */
export function measurePhoto(raster: Raster, region: Region, surface: Surface): PhotoMeasured {
  const corners = region.map(({ x, y }) => ({ x: x * raster.width, y: y * raster.height })) as Region
  checkRegion(corners)
  const perspective = perspectiveOf(corners)
  const { pitchPx, clearness } = pitchOf(raster, perspective, surface)
  if (clearness < leastClearness) throw nothingSeen(surface)
  const [widthPx, heightPx] = sizeOf(corners)
  const perValue = pitchPx / valuesPerPitch[surface]
  const columns = Math.max(blockPx, Math.round(widthPx / perValue))
  const rows = Math.max(blockPx, Math.round(heightPx / perValue))
  const flat = straightened(brightnessOf(raster), perspective, columns, rows, Math.max(1, Math.round(perValue)))
  const cells = surface === 'fins' ? finCells(flat) : bladeCells(flat, valuesPerPitch.blades)
  if (cells.length < leastCells) throw unclear(`the region shows too few ${surface}`, `a region with at least a dozen ${surface}`)
  const coveredShare = 1 - cells.reduce((sum, { bare }) => sum + bare, 0) / cells.length
  const { ends, between } = spreads[surface]
  const spread = ends.value + between.value * 4 * coveredShare * (1 - coveredShare)
  const { straightShare, directionDeg } = directions(cells, surface)
  return {
    coveredShare,
    low: clamp(coveredShare - nineInTen * spread, 0, 1),
    high: clamp(coveredShare + nineInTen * spread, 0, 1),
    ...(straightShare === undefined ? {} : { straightShare }),
    finDirectionDeg: directionDeg,
    pitchPx,
    map: mapOf(cells),
  }
}

function checkRegion(corners: Region): void {
  const turn = (a: number) => {
    const [p, q, r] = [corners[a], corners[(a + 1) % 4], corners[(a + 2) % 4]]
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)
  }
  if (![0, 1, 2, 3].every((at) => turn(at) > 0))
    throw unclear('the four corners do not make a region', 'corners from top left clockwise, none inside the triangle of the others')
  const sides = [0, 1, 2, 3].map((at) => Math.hypot(corners[(at + 1) % 4].x - corners[at].x, corners[(at + 1) % 4].y - corners[at].y))
  if (Math.min(...sides) < leastRegionPx) throw unclear(`the region is ${Math.round(Math.min(...sides))} px across`, `at least ${leastRegionPx} px`)
}

/** Width and height of the part on the picture, px: means of opposite sides. */
function sizeOf(corners: Region): [number, number] {
  const side = (a: number, b: number) => Math.hypot(corners[a].x - corners[b].x, corners[a].y - corners[b].y)
  return [(side(0, 1) + side(2, 3)) / 2, (side(0, 3) + side(1, 2)) / 2]
}

/** Direction of most of what is bare, and how much of it keeps to that direction. */
function directions(cells: readonly Cell[], surface: Surface): { straightShare?: number; directionDeg: number } {
  const seen = cells.filter(({ bare }) => bare > 0.5)
  // The direction that most share, by degrees, then the mean of those near it: bent ones must not pull.
  const byDegree = new Float64Array(180)
  for (const { angle } of seen) byDegree[(Math.floor((angle * 180) / Math.PI) + 180) % 180]++
  const around = (degree: number) => {
    let sum = 0
    for (let by = -nearDeg; by <= nearDeg; by++) sum += byDegree[(degree + by + 180) % 180]
    return sum
  }
  let most = 0
  for (let degree = 1; degree < 180; degree++) if (around(degree) > around(most)) most = degree
  const near = (from: number, reachDeg: number) =>
    seen.filter(({ angle }) => {
      const difference = Math.abs(angle - from) % Math.PI
      return Math.min(difference, Math.PI - difference) <= (reachDeg * Math.PI) / 180
    })
  const sums = { cosine: 0, sine: 0 }
  for (const { angle } of near(((most + 0.5) * Math.PI) / 180, nearDeg)) {
    sums.cosine += Math.cos(2 * angle)
    sums.sine += Math.sin(2 * angle)
  }
  const main = 0.5 * Math.atan2(sums.sine, sums.cosine)
  const upright = surface === 'fins' ? 0 : Math.PI / 2
  const lean = ((((main - upright + Math.PI / 2) % Math.PI) + Math.PI) % Math.PI) - Math.PI / 2
  const enough = surface === 'fins' && seen.length >= leastCells
  const straight = near(main, straightWithinDeg).length
  return { ...(enough ? { straightShare: straight / seen.length } : {}), directionDeg: (lean * 180) / Math.PI }
}

function mapOf(cells: readonly Cell[]): PhotoMeasured['map'] {
  const [sum, weight] = [new Float32Array(mapColumns * mapRows), new Float32Array(mapColumns * mapRows)]
  // Each cell reaches over the cells of the map next to it, so that none stays empty.
  for (const { u, v, bare } of cells) {
    const [x, y] = [Math.floor(u * mapColumns), Math.floor(v * mapRows)]
    for (let dy = -2; dy <= 2; dy++)
      for (let dx = -2; dx <= 2; dx++) {
        const [column, row] = [x + dx, y + dy]
        if (column < 0 || row < 0 || column >= mapColumns || row >= mapRows) continue
        const share = Math.exp(-3 * ((column + 0.5 - u * mapColumns) ** 2 + (row + 0.5 - v * mapRows) ** 2))
        sum[row * mapColumns + column] += share * (1 - bare)
        weight[row * mapColumns + column] += share
      }
  }
  return { columns: mapColumns, rows: mapRows, covered: sum.map((value, at) => (weight[at] > 0 ? value / weight[at] : 0)) }
}
