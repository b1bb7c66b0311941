// Where does each part of a wall head lie in its section? Coordinates of our own cut-away, seen from the drain end; the wall is on the left.
import type { Part } from '@yastik/core'

export interface Shape {
  readonly part: Part
  readonly path: string
  /** Where a tap counts, where that is more than the outline. */
  readonly hit?: string
  /** Call-out: where the leader touches the part, and where its text stands. */
  readonly at: readonly [number, number]
  readonly text: readonly [number, number]
  readonly side: 'left' | 'right'
}

const disc = (x: number, y: number, radius: number) =>
  `M${x - radius},${y}a${radius},${radius} 0 1,0 ${2 * radius},0a${radius},${radius} 0 1,0 ${-2 * radius},0Z`
const ring = (x: number, y: number, outer: number, inner: number) =>
  `M${x - outer},${y}a${outer},${outer} 0 1,0 ${2 * outer},0a${outer},${outer} 0 1,0 ${-2 * outer},0ZM${x - inner},${y}a${inner},${inner} 0 1,1 ${2 * inner},0a${inner},${inner} 0 1,1 ${-2 * inner},0Z`

export const wheelCentre = [300, 246] as const
export const wheelRadius = 70

/** Back to front in drawing order. */
export const wallHeadShapes: readonly Shape[] = [
  {
    part: 'housing',
    path: 'M118,74L404,62Q486,62 496,128L504,262Q506,300 478,318L470,309Q492,293 491,262L484,131Q475,75 404,75L131,87L131,344Q132,366 156,369L262,376L262,388L152,381Q118,378 118,340Z',
    at: [490, 190],
    text: [560, 152],
    side: 'right',
  },
  {
    part: 'drainLine',
    path: 'M146,262L160,262L160,352Q160,404 128,404L60,404L60,391L126,391Q146,391 146,352Z',
    at: [100, 398],
    text: [48, 440],
    side: 'left',
  },
  {
    part: 'outlet',
    path: 'M196,262Q206,338 262,376L262,388L372,398L478,330L470,309L410,306Q392,330 372,338L306,352Q240,346 212,258Z',
    at: [430, 345],
    text: [560, 372],
    side: 'right',
  },
  {
    part: 'pan',
    path: 'M392,284L446,280L442,300Q440,308 430,308L410,308Q398,306 395,298ZM140,220L200,232L196,256Q194,262 186,261L152,256Q142,254 141,246Z',
    at: [438, 296],
    text: [560, 298],
    side: 'right',
  },
  { part: 'coilBack', path: 'M312,98L326,126L204,222L160,206Z', at: [236, 158], text: [48, 120], side: 'left' },
  { part: 'coilFace', path: 'M318,96L332,124L400,166L404,274L434,272L428,146Z', at: [418, 200], text: [560, 222], side: 'right' },
  {
    part: 'filter',
    path: 'M150,112Q240,84 330,82Q420,84 446,148L452,268L445,269L439,152Q414,91 330,89Q242,91 153,119Z',
    at: [424, 108],
    text: [560, 84],
    side: 'right',
  },
  {
    part: 'wheel',
    path: ring(wheelCentre[0], wheelCentre[1], wheelRadius, 44),
    hit: disc(wheelCentre[0], wheelCentre[1], wheelRadius),
    at: [250, 296],
    text: [48, 318],
    side: 'left',
  },
]

const blades = 30

/** Blades of the wheel: short curved strokes between the inner and the outer rim. */
export const bladePaths: readonly string[] = Array.from({ length: blades }, (_, index) => {
  const angle = (index / blades) * 2 * Math.PI
  const point = (radius: number, turn: number) =>
    `${(wheelCentre[0] + radius * Math.cos(angle + turn)).toFixed(1)},${(wheelCentre[1] + radius * Math.sin(angle + turn)).toFixed(1)}`
  return `M${point(45, 0)}Q${point(60, 0.02)} ${point(wheelRadius - 1, 0.22)}`
})

/** Fins: fine lines across each face of the coil. */
export const finPaths: readonly string[] = [
  ...across([312, 98], [326, 126], [160, 206], [204, 222], 22),
  ...across([318, 96], [332, 124], [428, 146], [400, 166], 12),
  ...across([428, 146], [400, 166], [434, 272], [404, 274], 14),
]

function across(
  a: readonly [number, number],
  b: readonly [number, number],
  c: readonly [number, number],
  d: readonly [number, number],
  count: number,
): string[] {
  const between = (from: readonly [number, number], to: readonly [number, number], part: number) =>
    `${(from[0] + (to[0] - from[0]) * part).toFixed(1)},${(from[1] + (to[1] - from[1]) * part).toFixed(1)}`
  return Array.from({ length: count }, (_, index) => `M${between(a, c, (index + 0.5) / count)}L${between(b, d, (index + 0.5) / count)}`)
}

/** Tubes through the fins. */
export const tubes: readonly (readonly [number, number])[] = [
  [300, 124],
  [268, 150],
  [236, 174],
  [204, 198],
  [345, 116],
  [372, 134],
  [400, 150],
  [416, 180],
  [418, 212],
  [420, 244],
]
