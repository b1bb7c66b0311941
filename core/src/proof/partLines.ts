// What do photographs and eyes say of the parts after the work? A reading that cannot tell clean from not asks for the eye.
import { settledBand, type PhotoMeasure } from '../lookover/index.ts'
import { allGrades, estimate, round, type Grade } from '../quantities/index.ts'
import { photosOfPart, type UnitState, type Verdict } from '../run/index.ts'
import { partName, partsOf, type Family, type Part } from '../units/index.ts'
import type { ProofLine } from './assess.ts'
import { cleanBelow, isClean, proposedGrade, tooLikely } from './photo/index.ts'
import { says, type Message } from '../words/index.ts'

/** A part as photographs and eyes have it. */
export interface PartSeen {
  readonly part: Part
  readonly before?: PhotoMeasure
  readonly after?: PhotoMeasure
  readonly gradeBefore?: Grade
  readonly gradeAfter?: Grade
}

/** The parts of a unit that were graded or measured after the work. */
export const partsSeen = (family: Family, { grades, gradesAfter, photos }: UnitState): PartSeen[] =>
  partsOf[family].flatMap((part) => {
    const latest = (when: 'before' | 'after') => photosOfPart(photos, part, when).findLast(({ measure }) => measure)?.measure
    const [before, after, gradeBefore, gradeAfter] = [latest('before'), latest('after'), grades[part]?.grade, gradesAfter[part]?.grade]
    if (!after && gradeAfter === undefined) return []
    return [
      {
        part,
        ...(before ? { before } : {}),
        ...(after ? { after } : {}),
        ...(gradeBefore === undefined ? {} : { gradeBefore }),
        ...(gradeAfter === undefined ? {} : { gradeAfter }),
      },
    ]
  })

/** Straight fins of two photographs may differ by so much for other reasons than the work. */
const finsMayDiffer = estimate(0.1, 'share of the fins')
/** Limit of what counts as clean. */
const cleanestGrade = Math.max(...allGrades.filter(isClean))
const percent = (share: number) => round(share * 100)

/** Lines of proof of the parts; those that were not reached are shown, and judged elsewhere. */
export const partLines = (parts: readonly PartSeen[], notReached: readonly Part[]): ProofLine[] =>
  parts.flatMap((seen) => {
    const { part } = seen
    const { verdict, finding } = notReached.includes(part) ? { finding: says('proof.partLines.reached') } : cleanness(seen)
    const judged = { ...(verdict ? { verdict } : {}), says: says('proof.judged.says', { part: partName(part), finding }) }
    return [{ ...(seen.after ? covered(part, seen.after, seen.before) : graded(seen)), ...judged }, ...finsLine(seen)]
  })

type Figures = Omit<ProofLine, 'verdict' | 'says'>

function covered(part: Part, after: PhotoMeasure, before: PhotoMeasure | undefined): Figures {
  const { coveredShare, low, high } = settledBand(after)
  return {
    id: `covered-${part}`,
    what: says('proof.covered.covered', { part: partName(part) }),
    unit: '%',
    ...(before ? { before: percent(settledBand(before).coveredShare) } : {}),
    after: percent(coveredShare),
    tolerance: percent((high - low) / 2),
    expected: percent(cleanBelow.value),
  }
}

const graded = ({ part, gradeBefore, gradeAfter }: PartSeen): Figures => ({
  id: `graded-${part}`,
  what: says('proof.graded.soil', { part: partName(part) }),
  unit: 'grade',
  ...(gradeBefore === undefined ? {} : { before: gradeBefore }),
  ...(gradeAfter === undefined ? {} : { after: gradeAfter }),
  expected: cleanestGrade,
})

/** The eye first, then the photograph; where that cannot tell clean from not, nobody knows yet. */
function cleanness({ before, after, gradeBefore, gradeAfter }: PartSeen): { verdict?: Verdict; finding: Message } {
  const proposal = after && proposedGrade(settledBand(after))
  const grade = gradeAfter ?? proposal?.grade
  if (grade === undefined) return { finding: says('proof.cleanness.looked') }
  const gradeMessage = (value: Grade) => says('proof.grade', { grade: value, name: says(`names.grade.${value}`) })
  const by = gradeAfter === undefined ? says('proof.cleanness.photograph') : says('proof.cleanness.eye')
  if (gradeAfter === undefined && proposal) {
    const { chances } = proposal
    const [clean, soiled] = [true, false].map((wanted) => allGrades.filter((own) => isClean(own) === wanted))
    const sumOf = (grades: readonly Grade[]) => grades.reduce<number>((sum, own) => sum + chances[own], 0)
    const likeliest = (grades: readonly Grade[]): Grade => [...grades].sort((a, b) => chances[b] - chances[a])[0]
    if (Math.min(sumOf(clean), sumOf(soiled)) >= tooLikely.value)
      return {
        verdict: 'partly',
        finding: says('proof.cleanness.photograph-cannot-tell-look', {
          clean: gradeMessage(likeliest(clean)),
          soiled: gradeMessage(likeliest(soiled)),
        }),
      }
  }
  if (isClean(grade)) return { verdict: 'proved', finding: says('proof.cleanness.clean', { by }) }
  const found = gradeBefore ?? (before && proposedGrade(settledBand(before)).grade)
  return found !== undefined && grade < found
    ? { verdict: 'partly', finding: says('proof.cleanness.cleaner-than-found-still', { grade: gradeMessage(grade), by }) }
    : { verdict: 'not-proved', finding: says('proof.cleanness.still-clean-again', { grade: gradeMessage(grade), by }) }
}

function finsLine({ part, before, after }: PartSeen): ProofLine[] {
  if (after?.straightShare === undefined) return []
  const then = before?.straightShare
  const bent = then !== undefined && then - after.straightShare > finsMayDiffer.value
  return [
    {
      id: `straight-${part}`,
      what: says('proof.finsLine.fins-straight', { part: partName(part) }),
      unit: '%',
      ...(then === undefined ? {} : { before: percent(then) }),
      after: percent(after.straightShare),
      ...(bent ? { verdict: 'partly' as const } : {}),
      says: bent ? says('proof.finsLine.fewer-fins-straight-than', { part: partName(part) }) : says('proof.finsLine.shown-judged'),
    },
  ]
}
