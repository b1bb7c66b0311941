// Where on the picture lies a point of the part? A flat part seen by a camera: the plane projective map through four corners.
import type { Corner } from './raster.ts'

export interface Point {
  readonly x: number
  readonly y: number
}
export interface Perspective {
  /** From the part (u and v 0..1) to the picture. */
  at(u: number, v: number): Point
  /** From the picture to the part. */
  back(x: number, y: number): Point
  /** x = (a·u + b·v + c) / (g·u + h·v + 1), y = (d·u + e·v + f) / (g·u + h·v + 1): for loops over millions of points. */
  readonly weights: Readonly<Record<'a' | 'b' | 'c' | 'd' | 'e' | 'f' | 'g' | 'h', number>>
}

/**
 * The map of the unit square onto four corners, in the unit in which the corners are given.
 * Source: P. S. Heckbert, “Fundamentals of texture mapping and image warping” (1989), square to quadrilateral.
 */
export function perspectiveOf([p0, p1, p2, p3]: readonly [Corner, Corner, Corner, Corner]): Perspective {
  const sx = p0.x - p1.x + p2.x - p3.x
  const sy = p0.y - p1.y + p2.y - p3.y
  const [dx1, dx2, dy1, dy2] = [p1.x - p2.x, p3.x - p2.x, p1.y - p2.y, p3.y - p2.y]
  const det = dx1 * dy2 - dx2 * dy1
  const g = (sx * dy2 - dx2 * sy) / det
  const h = (dx1 * sy - sx * dy1) / det
  const [a, b, c] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x, p0.x]
  const [d, e, f] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y, p0.y]
  // The inverse, up to a factor that divides out: the adjoint.
  const [ia, ib, ic] = [e - f * h, c * h - b, b * f - c * e]
  const [id, ie, jf] = [f * g - d, a - c * g, c * d - a * f]
  const [ig, ih, ii] = [d * h - e * g, b * g - a * h, a * e - b * d]
  return {
    at: (u, v) => {
      const w = g * u + h * v + 1
      return { x: (a * u + b * v + c) / w, y: (d * u + e * v + f) / w }
    },
    back: (x, y) => {
      const w = ig * x + ih * y + ii
      return { x: (ia * x + ib * y + ic) / w, y: (id * x + ie * y + jf) / w }
    },
    weights: { a, b, c, d, e, f, g, h },
  }
}
