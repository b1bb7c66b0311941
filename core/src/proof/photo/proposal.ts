// Which grade does a measured share of soil stand for, and how sure is that?
import { allGrades, estimate, type Grade } from '../../quantities/index.ts'
import type { Part } from '../../units/index.ts'
import type { PhotoMeasured } from './analyse.ts'
import type { Surface } from './surface.ts'

/** What a photograph of this part shows that can be measured; undefined for parts that are graded by eye alone. */
export const surfaceOf = (part: Part): Surface | undefined =>
  part === 'wheel' || part === 'rearFan'
    ? 'blades'
    : part === 'coilFace' || part === 'coilBack' || part === 'condenserFace' || part === 'condenserInside'
      ? 'fins'
      : undefined

/** Covered share from which each grade but the first begins: bare below the first; the others as the scale of grades has them. */
const begins = [estimate(0.02, 'covered share'), estimate(0.1, 'covered share'), estimate(0.35, 'covered share'), estimate(0.7, 'covered share')]

/** A part with no more than a film on it is clean. */
export const isClean = (grade: Grade): boolean => grade <= 1
/** Covered share from which a part is not clean. */
export const cleanBelow = begins[1]

export interface GradeProposal {
  readonly grade: Grade
  /** Chance of each grade, 0..1, in order. */
  readonly chances: readonly number[]
  /** Another grade that is nearly as likely: the reading cannot tell the two apart, and a person has to look. */
  readonly orElse?: Grade
}

/** Chance from which another grade, or the other side of clean, is too likely to be passed over. */
export const tooLikely = estimate(0.3, 'chance')

/** The likeliest grade, and the chance of each: the share is taken as normal around what was measured. */
export function proposedGrade({ coveredShare, low, high }: Pick<PhotoMeasured, 'coveredShare' | 'low' | 'high'>): GradeProposal {
  const spread = Math.max(0.004, (high - low) / 2 / 1.645)
  const below = begins.map(({ value }) => normalBelow((value - coveredShare) / spread))
  const chances = allGrades.map((grade) => (grade === 4 ? 1 : below[grade]) - (grade === 0 ? 0 : below[grade - 1]))
  const likelier = (best: Grade, grade: Grade) => (chances[grade] > chances[best] ? grade : best)
  const grade = allGrades.reduce(likelier)
  const orElse = allGrades.filter((other) => other !== grade).reduce(likelier)
  return { grade, chances, ...(chances[orElse] >= tooLikely.value ? { orElse } : {}) }
}

/** Chance that a standard normal value lies below `z`. Source: Abramowitz and Stegun (1964), 26.2.17, error below 7.5e-8. */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}
