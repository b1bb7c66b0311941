// How well does an outline lie on a picture? Where a part with plates ends, its grain ends, and mostly its brightness changes.
import { estimate } from '../../quantities/index.ts'
import { valueAt, type Coarse } from './coarse.ts'
import { perspectiveOf, type Point } from './perspective.ts'

// Looked up once: these are called in loops over millions of values.
const { abs, cos, floor, hypot, max, min, round, sin } = Math

export type Quad = readonly [Point, Point, Point, Point]
/** Four corners in shares of the picture, clockwise, and how far the right and the left side bulge, shares of their length: a drum's do. */
export interface Outline {
  readonly quad: Quad
  readonly bulges: readonly [number, number]
}

/** A step of brightness, or of grain, that counts by half: deviations over the picture. Ever larger ones count little more. */
const halfLight = estimate(0.3, 'deviations')
const halfGrain = estimate(0.45, 'deviations')
const tells = (step: number, half: number): number => step / (step + half)
/** Places along each side that are looked at. */
const places = 24
/** Cells from an edge at which both of its sides are looked at. */
const reach = 1.6
/** The same where many outlines are tried on few and large cells. */
const roughly = { places: 8, reach: 2 } as const

/** An edge beside the part, which soil does not change: both of its sides, in the square of the part. */
export interface Mark {
  readonly from: Point
  readonly to: Point
}
/** Fewer marks say nothing; more cost time. */
const leastMarks = 25
const mostMarks = 260
/** Marks stand at least so far from the part, shares of its size: what bulges is not in its plane. */
const marksFrom = 0.08
/** Cells of which the strongest edge may be a mark. */
const tile = 5
/** Share of the marks that have to be on the picture. */
const mostlySeen = 1 / 3

/** Edges of a picture around a part. */
export function marksAround({ columns, rows, light }: Coarse, { quad }: Outline): Mark[] {
  const { back } = perspectiveOf(quad)
  const marks: (Mark & { strength: number })[] = []
  for (let top = 1; top + tile < rows; top += tile)
    for (let left = 1; left + tile < columns; left += tile) {
      let best = { strength: 0, x: 0, y: 0, alongX: 0, alongY: 0 }
      for (let y = top; y < top + tile; y++)
        for (let x = left; x < left + tile; x++) {
          const at = y * columns + x
          const [alongX, alongY] = [light[at + 1] - light[at - 1], light[at + columns] - light[at - columns]]
          const strength = hypot(alongX, alongY)
          if (strength > best.strength) best = { strength, x: x + 0.5, y: y + 0.5, alongX: alongX / strength, alongY: alongY / strength }
        }
      const { strength, x, y, alongX, alongY } = best
      if (strength < halfLight.value) continue
      const middle = back(x / columns, y / rows)
      if (middle.x > -marksFrom && middle.x < 1 + marksFrom && middle.y > -marksFrom && middle.y < 1 + marksFrom) continue
      const side = (sign: number) => back((x + sign * alongX) / columns, (y + sign * alongY) / rows)
      marks.push({ from: side(-1), to: side(1), strength })
    }
  return marks.sort((a, b) => b.strength - a.strength).slice(0, mostMarks)
}

/**
 * How well the outline lies there, 0..2, and up to one more for the marks beside it.
 * @param counted the share of the places of a side that counts, the best ones: something may lie over the rest
 */
export function lies(picture: Coarse, { quad, bulges }: Outline, marks: readonly Mark[], counted: number): number {
  const { columns, rows, light, grain } = picture
  const kept = floor(counted * places)
  let sum = 0
  const scores = new Float64Array(places)
  for (let side = 0; side < 4; side++) {
    const [from, to] = [quad[side], quad[(side + 1) % 4]]
    const [ax, ay, bx, by] = [from.x * columns, from.y * rows, to.x * columns, to.y * rows]
    const length = hypot(bx - ax, by - ay)
    if (length < 4) return 0
    // Corners go round clockwise: inward is to the right of the way.
    const [inX, inY] = [(ay - by) / length, (bx - ax) / length]
    const bulge = side === 1 ? bulges[0] * length : side === 3 ? bulges[1] * length : 0
    for (let place = 0; place < places; place++) {
      const share = (place + 0.5) / places
      const out = 4 * bulge * share * (1 - share)
      const [x, y] = [ax + (bx - ax) * share - inX * out, ay + (by - ay) * share - inY * out]
      if (x < 0 || y < 0 || x > columns || y > rows) {
        scores[place] = 0
        continue
      }
      const [ix, iy, ox, oy] = [x + inX * reach, y + inY * reach, x - inX * reach, y - inY * reach]
      const lit = abs(valueAt(light, columns, rows, ix, iy) - valueAt(light, columns, rows, ox, oy))
      const finer = valueAt(grain, columns, rows, ix, iy) - valueAt(grain, columns, rows, ox, oy)
      scores[place] = tells(lit, halfLight.value) + tells(max(0, finer), halfGrain.value)
    }
    scores.sort()
    for (let at = places - kept; at < places; at++) sum += scores[at] / kept / 4
  }
  return sum + (marks.length < leastMarks ? 0 : marksFound(picture, quad, marks))
}

/** Share of the marks on the picture that are found where the quad puts them, 0..1. */
function marksFound({ columns, rows, light }: Coarse, quad: Quad, marks: readonly Mark[]): number {
  const { at } = perspectiveOf(quad)
  let [sum, seen] = [0, 0]
  for (const { from, to } of marks) {
    const [p, q] = [at(from.x, from.y), at(to.x, to.y)]
    const [px, py, qx, qy] = [p.x * columns, p.y * rows, q.x * columns, q.y * rows]
    if (min(px, qx) < 0 || min(py, qy) < 0 || max(px, qx) > columns || max(py, qy) > rows) continue
    const length = max(0.01, hypot(qx - px, qy - py))
    const [x, y, alongX, alongY] = [(px + qx) / 2, (py + qy) / 2, ((qx - px) / length) * reach, ((qy - py) / length) * reach]
    const step = valueAt(light, columns, rows, x + alongX, y + alongY) - valueAt(light, columns, rows, x - alongX, y - alongY)
    sum += tells(abs(step), halfLight.value)
    seen++
  }
  return seen < marks.length * mostlySeen ? 0 : sum / seen
}

/** How well an outline with straight sides lies there, roughly and fast; only the order counts. */
export function liesRoughly({ columns, rows, light, grain }: Coarse, quad: Quad): number {
  let sum = 0
  for (let side = 0; side < 4; side++) {
    const [from, to] = [quad[side], quad[(side + 1) % 4]]
    const [ax, ay, bx, by] = [from.x * columns, from.y * rows, to.x * columns, to.y * rows]
    const length = hypot(bx - ax, by - ay)
    const [inX, inY] = [((ay - by) / length) * roughly.reach, ((bx - ax) / length) * roughly.reach]
    for (let place = 0; place < roughly.places; place++) {
      const share = (place + 0.5) / roughly.places
      const [x, y] = [ax + (bx - ax) * share - 0.5, ay + (by - ay) * share - 0.5]
      const [ix, iy, ox, oy] = [round(x + inX), round(y + inY), round(x - inX), round(y - inY)]
      if (min(ix, ox, iy, oy) < 0 || max(ix, ox) >= columns || max(iy, oy) >= rows) continue
      const [inner, outer] = [iy * columns + ix, oy * columns + ox]
      sum += tells(abs(light[inner] - light[outer]), halfLight.value) + tells(max(0, grain[inner] - grain[outer]), halfGrain.value)
    }
  }
  return sum
}

export const middleOf = (quad: Quad): Point => ({
  x: quad.reduce((sum, { x }) => sum + x / 4, 0),
  y: quad.reduce((sum, { y }) => sum + y / 4, 0),
})
const eachCorner = (quad: Quad, of: (corner: Point, at: number) => Point): Quad => [of(quad[0], 0), of(quad[1], 1), of(quad[2], 2), of(quad[3], 3)]

/** The quad shifted (shares of the picture), scaled and turned (radians) around its middle; `tall` is height against width of the picture. */
export function moved(
  quad: Quad,
  { dx = 0, dy = 0, scale = 1, turn = 0 }: { dx?: number; dy?: number; scale?: number; turn?: number },
  tall: number,
): Quad {
  const middle = middleOf(quad)
  const [c, s] = [cos(turn) * scale, sin(turn) * scale]
  return eachCorner(quad, ({ x, y }) => {
    const [px, py] = [x - middle.x, (y - middle.y) * tall]
    return { x: middle.x + dx + c * px - s * py, y: middle.y + dy + (s * px + c * py) / tall }
  })
}

/** Outlines a step away: the whole shifted, scaled and turned, each side and each corner shifted, and sides that bulge more or less. */
function* neighbours({ quad, bulges }: Outline, sx: number, sy: number, tall: number, bulging: boolean): Generator<Outline> {
  for (const sign of [-1, 1]) {
    const [x, y] = [sign * sx, sign * sy]
    for (const by of [{ dx: x }, { dy: y }, { scale: 1 + 2.5 * x }, { turn: 2.5 * x }]) yield { quad: moved(quad, by, tall), bulges }
    for (let side = 0; side < 4; side++) {
      const upright = side % 2 === 1
      const isOf = (at: number) => at === side || at === (side + 1) % 4
      yield {
        quad: eachCorner(quad, (corner, at) => (isOf(at) ? { x: corner.x + (upright ? x : 0), y: corner.y + (upright ? 0 : y) } : corner)),
        bulges,
      }
    }
    for (let own = 0; own < 4; own++) {
      yield { quad: eachCorner(quad, (corner, at) => (at === own ? { x: corner.x + x, y: corner.y } : corner)), bulges }
      yield { quad: eachCorner(quad, (corner, at) => (at === own ? { x: corner.x, y: corner.y + y } : corner)), bulges }
    }
    if (!bulging) continue
    const [right, left] = bulges
    for (const by of [[x, 0] as const, [0, x] as const, [x, x] as const]) {
      const more: Outline['bulges'] = [max(0, right + 1.5 * by[0]), max(0, left + 1.5 * by[1])]
      yield { quad, bulges: more }
    }
  }
}

/** Outlines with one side farther out or in: it may have caught on a plate that runs along it. */
function* sidesElsewhere({ quad, bulges }: Outline, sides: readonly number[]): Generator<Outline> {
  for (const side of sides)
    for (const by of elsewhere) {
      const upright = side % 2 === 1
      const isOf = (at: number) => at === side || at === (side + 1) % 4
      yield {
        quad: eachCorner(quad, (corner, at) => (isOf(at) ? { x: corner.x + (upright ? by : 0), y: corner.y + (upright ? 0 : by) } : corner)),
        bulges,
      }
    }
}
/** Shares of the picture. */
const elsewhere = Array.from({ length: 30 }, (_, at) => (at < 15 ? at - 15 : at - 14) * 0.01)

const mostTimes = 12
const leastGain = 1e-4

export interface Settling {
  /** Steps in cells: the first, and the smallest. */
  readonly steps: readonly [number, number]
  /** Height against width of the picture. */
  readonly tall: number
  /** Share of the places of each side that counts, the best ones. */
  readonly counted: number
  /** Whether sides may bulge. */
  readonly bulging: boolean
  readonly marks: readonly Mark[]
  /** Sides along which plates run, by number from the upper one: they are looked for farther out and in as well. */
  readonly alongPlates: readonly number[]
  /** No corner goes farther from where it began, shares of the picture. */
  readonly most?: number
}

/** Moves an outline by ever smaller steps for as long as it lies better. */
export function settledOn(
  picture: Coarse,
  start: Outline,
  { steps: [first, last], tall, counted, bulging, marks, alongPlates, most = 1 }: Settling,
): { outline: Outline; fit: number } {
  const isNear = ({ quad }: Outline) => quad.every(({ x, y }, at) => hypot(x - start.quad[at].x, y - start.quad[at].y) <= most)
  let [outline, fit] = [start, lies(picture, start, marks, counted)]
  const takeBetter = (others: Iterable<Outline>): boolean => {
    let better = false
    for (const next of others) {
      const own = lies(picture, next, marks, counted)
      if (own > fit + leastGain && isNear(next)) [outline, fit, better] = [next, own, true]
    }
    return better
  }
  takeBetter(sidesElsewhere(outline, alongPlates))
  for (let step = first; step >= last; step /= 1.7) {
    let better = true
    for (let times = 0; better && times < mostTimes; times++) {
      better = takeBetter(neighbours(outline, step / picture.columns, step / picture.rows, tall, bulging))
    }
  }
  return { outline, fit }
}
