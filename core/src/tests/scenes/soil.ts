// Where does soil lie on a part, and how much of it? A grid of how far each place is covered: what is painted is the truth.
import { grown } from './noise.ts'
import type { SceneWish } from './wish.ts'

const { PI, abs, ceil, cos, exp, floor, hypot, max, min, sin } = Math

/** A grid over the part, values 0..1: how far soil covers each place. */
export interface Cover {
  readonly columns: number
  readonly rows: number
  readonly opacity: Float32Array
}

const rows = 480

/** Width over height of the part is `aspect`. Draws what the wish says until about its share is covered. */
export function coverOf(wish: SceneWish, aspect: number, random: () => number): Cover {
  const columns = Math.round(rows * aspect)
  const opacity = new Float32Array(columns * rows)
  const cover = { columns, rows, opacity }
  if (wish.coveredShare <= 0 || wish.soiling === 'film') return cover
  const { soiling, coveredShare } = wish
  const seed = floor(random() * 1e9)
  const scattered =
    soiling === 'strands' ? coveredShare : soiling === 'patches and strands' ? coveredShare * 0.3 : soiling === 'leaves' ? coveredShare * 0.6 : 0
  if (scattered < coveredShare) paintPatches(cover, coveredShare - scattered, seed, random)
  if (soiling === 'leaves') paintLeaves(cover, scattered, random)
  else if (scattered > 0) paintStrands(cover, scattered, random)
  return cover
}

/** Patches with edges as soft as their kind, thick in the middle: noise above the height that leaves the wished share. */
function paintPatches({ columns, rows, opacity }: Cover, share: number, seed: number, random: () => number): void {
  const periods = 1.5 + 9 * random() ** 1.5
  const stretch = exp((random() - 0.5) * 1.6)
  const falls = 0.35 + 0.4 * random()
  const [driftX, driftY] = [(random() - 0.5) * 2.5, (random() - 0.5) * 2.5]
  const height = new Float32Array(columns * rows)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const [x, y] = [column / rows, row / rows]
      height[row * columns + column] = grown(x * periods * stretch, (y * periods) / stretch, seed, 5, falls) + driftX * (x - 0.6) + driftY * (y - 0.5)
    }
  const limit = height.slice().sort()[min(height.length - 1, floor((1 - share) * height.length))]
  const soft = 0.01 + 0.12 * random()
  for (let at = 0; at < height.length; at++) opacity[at] = max(opacity[at], min(1, max(0, 0.5 + (height[at] - limit) / soft)))
}

/** How many places are covered. */
function coveredIn(opacity: Float32Array): number {
  let count = 0
  for (let at = 0; at < opacity.length; at++) if (opacity[at] > 0.5) count++
  return count
}

/** A round dab of a brush. @returns how many more places are covered by it */
function dab({ columns, rows, opacity }: Cover, x: number, y: number, radius: number): number {
  let more = 0
  const reach = ceil(radius + 1)
  for (let row = max(0, floor(y - reach)); row <= min(rows - 1, y + reach); row++)
    for (let column = max(0, floor(x - reach)); column <= min(columns - 1, x + reach); column++) {
      const at = row * columns + column
      const before = opacity[at]
      opacity[at] = max(before, min(1, max(0, radius + 0.5 - hypot(column - x, row - y))))
      if (before <= 0.5 && opacity[at] > 0.5) more++
    }
  return more
}

/** Threads of lint and dust that wander over the part, thicker and thinner, with knots. */
function paintStrands(cover: Cover, share: number, random: () => number): void {
  let covered = coveredIn(cover.opacity)
  const goal = covered + share * cover.opacity.length
  for (let strand = 0; strand < 4000 && (strand % 8 > 0 || covered < goal); strand++) {
    let [x, y, direction] = [random() * cover.columns, random() * cover.rows, random() * 2 * PI]
    const radius = 2.5 + 9 * random() ** 2
    const length = (0.1 + 0.5 * random()) * cover.rows
    for (let gone = 0; gone < length; gone += radius * 0.7) {
      direction += (random() - 0.5) * 0.7
      x += cos(direction) * radius * 0.7
      y += sin(direction) * radius * 0.7
      covered += dab(cover, x, y, radius * (0.7 + 0.6 * random()))
    }
    if (random() < 0.5) covered += dab(cover, x, y, radius * 2)
  }
}

/** Leaves: lens shapes with a stalk, any way round. */
function paintLeaves(cover: Cover, share: number, random: () => number): void {
  const { columns, rows, opacity } = cover
  let covered = coveredIn(opacity)
  const goal = covered + share * opacity.length
  for (let leaf = 0; leaf < 300 && covered < goal; leaf++) {
    const [x, y, direction] = [random() * columns, random() * rows, random() * 2 * PI]
    const half = (0.03 + 0.07 * random()) * rows
    const slim = 0.25 + 0.3 * random()
    for (let row = max(0, floor(y - half)); row < min(rows, y + half); row++)
      for (let column = max(0, floor(x - half)); column < min(columns, x + half); column++) {
        const along = ((column - x) * cos(direction) + (row - y) * sin(direction)) / half
        const across = (-(column - x) * sin(direction) + (row - y) * cos(direction)) / half
        if (abs(along) >= 1 || abs(across) >= slim * (1 - along * along)) continue
        if (opacity[row * columns + column] <= 0.5) covered++
        opacity[row * columns + column] = 1
      }
    for (let stalk = 0; stalk < half * 0.6; stalk++)
      covered += dab(cover, x + cos(direction) * (half + stalk), y + sin(direction) * (half + stalk), 1.2)
  }
}

/** How far soil covers a place, between the grid's points. */
export function coverAt({ columns, rows, opacity }: Cover, u: number, v: number): number {
  const x = min(columns - 1.001, max(0, u * columns - 0.5))
  const y = min(rows - 1.001, max(0, v * rows - 0.5))
  const left = x | 0
  const top = y | 0
  const dx = x - left
  const dy = y - top
  const at = top * columns + left
  const upper = opacity[at] + (opacity[at + 1] - opacity[at]) * dx
  const lower = opacity[at + columns] + (opacity[at + columns + 1] - opacity[at + columns]) * dx
  return upper + (lower - upper) * dy
}

/** Share of each cell of a coarser grid that is covered, and of the whole. */
export function truthOf({ columns, rows, opacity }: Cover, mapColumns: number, mapRows: number): { map: Float32Array; share: number } {
  const map = new Float32Array(mapColumns * mapRows)
  const weight = new Float32Array(mapColumns * mapRows)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = floor((row * mapRows) / rows) * mapColumns + floor((column * mapColumns) / columns)
      map[cell] += opacity[row * columns + column] > 0.5 ? 1 : 0
      weight[cell]++
    }
  const share = map.reduce((sum, value) => sum + value, 0) / opacity.length
  return { map: map.map((value, cell) => value / weight[cell]), share }
}
