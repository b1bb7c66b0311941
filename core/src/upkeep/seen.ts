// What does a visit tell the forecast? How coil and wheel were found, how sure that is, and how they are now.
import { gradeChances, worstChances, type SeenParts } from '../proof/index.ts'
import type { Part } from '../units/index.ts'
import { indexParts } from './due.ts'

const chancesOfIndex = (seen: SeenParts, parts: readonly Part[], when: 'before' | 'after') => {
  const known = parts.flatMap((part) => {
    const chances = gradeChances(seen, part, when)
    return chances ? [chances] : []
  })
  return known.length === 0 ? undefined : worstChances(known)
}

/** A chance below this changes no forecast. */
const leastDoubt = 0.01

/** Chance of each grade that coil and wheel were found at, the worst of them; undefined where none was graded, or the grade is certain. */
export function foundChances(seen: SeenParts): number[] | undefined {
  const chances = chancesOfIndex(
    seen,
    indexParts.filter((part) => seen.grades[part]),
    'before',
  )
  return chances && Math.max(...chances) < 1 - leastDoubt ? chances.map((chance) => Math.round(chance * 1000) / 1000) : undefined
}

/** Index of coil and wheel after the work as they were seen or measured, the mean of what is likely; undefined where nobody did either. */
export function indexSeenAfter(seen: SeenParts): number | undefined {
  return chancesOfIndex(seen, indexParts, 'after')?.reduce((sum, chance, grade) => sum + chance * grade, 0)
}
