// A person sees better than the reading: what they paint over it counts, and what was read stays beside it.
import { clamp } from '../../quantities/index.ts'
import type { PhotoMeasured } from './analyse.ts'

type CoverMap = PhotoMeasured['map']

/** The map after a dab of a brush: every cell whose middle lies within `radius` cells of a place (u and v, 0..1) is covered, or bare. */
export function dabbed({ columns, rows, covered }: CoverMap, u: number, v: number, radius: number, isCovered: boolean): CoverMap {
  const out = covered.slice()
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      if (Math.hypot(column + 0.5 - u * columns, row + 0.5 - v * rows) <= radius) out[row * columns + column] = isCovered ? 1 : 0
  return { columns, rows, covered: out }
}

/**
 * Covered share, 0..1, when `painted` holds instead of what was read: what was read, and what the person added or took away. Where nothing was
 * painted both maps agree, and the share is the one that was read.
 */
export function correctedShare({ coveredShare, map }: Pick<PhotoMeasured, 'coveredShare' | 'map'>, painted: CoverMap): number {
  const changed = painted.covered.reduce((sum, value, at) => sum + value - map.covered[at], 0)
  return clamp(coveredShare + changed / map.covered.length, 0, 1)
}
