// How sure are the grades of a unit? What a person saw is taken as it is; what was taken over from a photograph is as sure as its reading.
import { settledBand } from '../lookover/index.ts'
import { allGrades, type Grade } from '../quantities/index.ts'
import { photosOfPart, type UnitState } from '../run/index.ts'
import type { Part } from '../units/index.ts'
import { proposedGrade, type GradeProposal } from './photo/index.ts'

/** What was seen and photographed of a unit. */
export type SeenParts = Pick<UnitState, 'grades' | 'gradesAfter' | 'photos'>

/** What the latest measured photograph of a part says of its grade; undefined where none was measured. */
export function proposalFor({ photos }: Pick<SeenParts, 'photos'>, part: Part, when: 'before' | 'after'): GradeProposal | undefined {
  const measure = photosOfPart(photos, part, when).findLast((photo) => photo.measure)?.measure
  return measure && proposedGrade(settledBand(measure))
}

const certainly = (grade: Grade): readonly number[] => allGrades.map((other) => (other === grade ? 1 : 0))

/**
 * Chance of each grade of a part, 0..1, in order; undefined where nobody graded or measured it. A grade that goes with what a photograph proposes
 * is as sure as that; any other, and one that the photograph could not tell from its neighbour, was seen by eye and is certain.
 */
export function gradeChances(seen: SeenParts, part: Part, when: 'before' | 'after'): readonly number[] | undefined {
  const grade = (when === 'before' ? seen.grades : seen.gradesAfter)[part]?.grade
  const proposal = proposalFor(seen, part, when)
  if (grade === undefined) return proposal?.chances
  return proposal && proposal.grade === grade && proposal.orElse === undefined ? proposal.chances : certainly(grade)
}

/** Chance of each grade to be the worst of several parts, each with its own chances; they are taken as independent. */
export function worstChances(parts: readonly (readonly number[])[]): number[] {
  const upTo = (chances: readonly number[], grade: number) => chances.slice(0, grade + 1).reduce((sum, chance) => sum + chance, 0)
  const allUpTo = allGrades.map((grade) => parts.reduce((product, chances) => product * upTo(chances, grade), 1))
  return allUpTo.map((chance, grade) => chance - (grade === 0 ? 0 : allUpTo[grade - 1]))
}
