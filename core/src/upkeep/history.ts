// What has a unit's own past taught about how fast it fouls? Index when it was left, index when it was looked over again, and how likely each rate makes that.
import { allGrades, type Grade } from '../quantities/index.ts'
import { risesBelow } from './fouling.ts'
import type { Visit } from './pastVisit.ts'

/** Rates that are weighed against each other: logarithms of their ratio to what surroundings and hours of use alone would say. */
export const ratios: readonly number[] = Array.from({ length: 41 }, (_, at) => -2 + at * 0.1)
/** Newest visits that teach something; use and surroundings change, older ones say nothing. */
export const mostVisits = 8
/** A grade names an index to about half a grade. */
const halfGrade = 0.5

/**
 * Chance of what was found, under each of {@link ratios}, as logarithms: a grade says that the index lies within half a grade of it, and
 * what it rose by since the visit before has a Gamma distribution (see {@link risesBelow}). Of grades that are not certain, the mean by their chances.
 * @param priorRate index per year from surroundings and use
 */
export function evidenceOf(visits: readonly Visit[], priorRate: number): Float64Array {
  const evidence = new Float64Array(ratios.length)
  const inOrder = [...visits].sort((a, b) => a.atYears - b.atYears).slice(-mostVisits)
  for (let at = 1; at < inOrder.length; at++) {
    const [before, now] = [inOrder[at - 1], inOrder[at]]
    const years = now.atYears - before.atYears
    if (years <= 0) continue
    const likely = foundLikely(now).flatMap(({ grade, chance }) => {
      const to = grade + halfGrade - before.left
      // The worst grade has no upper end.
      return to <= 0 ? [] : [{ chance, below: risesBelow(grade === 4 ? Infinity : to), belowFrom: risesBelow(grade - halfGrade - before.left) }]
    })
    // Found better than it was left: somebody else cleaned it, or one of the two grades is wrong. Nothing is learned from it.
    if (likely.length === 0) continue
    for (const [index, ratio] of ratios.entries()) {
      const rate = priorRate * Math.exp(ratio)
      let chanceOfIt = 0
      for (const { chance, below, belowFrom } of likely) chanceOfIt += chance * (below(rate, years) - belowFrom(rate, years))
      evidence[index] += Math.log(Math.max(1e-12, chanceOfIt))
    }
  }
  return evidence
}

/** Grades that a unit may have been found at, with their chances. */
const foundLikely = ({ found, chances }: Visit): { grade: Grade; chance: number }[] =>
  chances === undefined
    ? [{ grade: found, chance: 1 }]
    : allGrades.flatMap((grade) => (chances[grade] > 0 ? [{ grade, chance: chances[grade] }] : []))
