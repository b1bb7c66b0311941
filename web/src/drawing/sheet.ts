// What is a section sheet? Regions to tap, what is drawn around them, and the strokes that all families share.
import type { Part } from '@yastik/core/units'
import type { Key } from '@yastik/core/words'

export type Point = readonly [number, number]

export interface Shape {
  readonly part: Part
  readonly path: string
  /** Where a tap counts, where that is more than the outline. */
  readonly hit?: string
  /** Call-out: where the leader touches the part, and where its text stands. */
  readonly at: Point
  readonly text: Point
  readonly side: 'left' | 'right'
}

/** A stroke that is no region. `goesWith`: gone when that part is off. */
export interface Stroke {
  readonly path: string
  readonly kind: 'thin' | 'fin' | 'thick' | 'bar' | 'water'
  readonly goesWith?: Part
}

export interface SectionSheet {
  /** How the section is announced. */
  readonly label: Key
  /** Back to front in drawing order. */
  readonly shapes: readonly Shape[]
  /** Wall, slab or roof the unit sits in, hatched; and lines of the place. */
  readonly hatched: readonly string[]
  readonly lines: readonly string[]
  readonly dashed: readonly string[]
  readonly strokes: readonly Stroke[]
  /** Tubes, shafts and motors: x, y, radius. */
  readonly circles: readonly (readonly [number, number, number])[]
  /** Outline of whatever catches the water or shuts the opening while it is set. */
  readonly caught?: string
  /** Words on the sheet that name what is no part. */
  readonly words: readonly { readonly at: Point; readonly says: Key }[]
  /** Dimension arrows: a line from one point to the other, and where its figure stands. */
  readonly height?: { readonly from: Point; readonly to: Point; readonly text: Point }
  readonly gap?: { readonly from: Point; readonly to: Point; readonly text: Point }
}

export const sheetSize = { width: 760, height: 470 }

export const disc = (x: number, y: number, radius: number): string =>
  `M${x - radius},${y}a${radius},${radius} 0 1,0 ${2 * radius},0a${radius},${radius} 0 1,0 ${-2 * radius},0Z`
export const ring = (x: number, y: number, outer: number, inner: number): string =>
  `${disc(x, y, outer)}M${x - inner},${y}a${inner},${inner} 0 1,1 ${2 * inner},0a${inner},${inner} 0 1,1 ${-2 * inner},0Z`

/** Blades of a wheel seen along its shaft: short curved strokes between the inner and the outer rim. */
export const bladesOf = ([x, y]: Point, inner: number, outer: number, count: number): Stroke[] =>
  Array.from({ length: count }, (_, index) => {
    const angle = (index / count) * 2 * Math.PI
    const point = (radius: number, turn: number) =>
      `${(x + radius * Math.cos(angle + turn)).toFixed(1)},${(y + radius * Math.sin(angle + turn)).toFixed(1)}`
    const middle = inner + (outer - inner) * 0.6
    return { path: `M${point(inner + 1, 0)}Q${point(middle, 0.02)} ${point(outer - 1, 0.22)}`, kind: 'thin', goesWith: 'wheel' }
  })

/** Fins: fine lines across a face of the coil, from the edge a–c to the edge b–d. */
export const finsAcross = (a: Point, b: Point, c: Point, d: Point, count: number): Stroke[] => {
  const between = (from: Point, to: Point, part: number) =>
    `${(from[0] + (to[0] - from[0]) * part).toFixed(1)},${(from[1] + (to[1] - from[1]) * part).toFixed(1)}`
  return Array.from({ length: count }, (_, index) => ({
    path: `M${between(a, c, (index + 0.5) / count)}L${between(b, d, (index + 0.5) / count)}`,
    kind: 'fin',
  }))
}

/** Tubes along a line. */
export const tubesAlong = (from: Point, to: Point, count: number, radius = 4.5): (readonly [number, number, number])[] =>
  Array.from({ length: count }, (_, index) => {
    const part = (index + 0.5) / count
    return [from[0] + (to[0] - from[0]) * part, from[1] + (to[1] - from[1]) * part, radius] as const
  })
