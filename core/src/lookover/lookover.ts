// What does a look-over hold, and what follows from it at once?
import { says } from '../words/index.ts'
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { estimate, gradeSchema, type Grade } from '../quantities/index.ts'
import { isSplit, partsOf, partSchema, partsToSee, type Family, type Part } from '../units/index.ts'
import { complaintSchema, findingSchema, soilKindSchema, type Complaint, type Finding, type FindingExtent, type SoilKind } from './vocabulary.ts'
import type { Readings } from './readings.ts'

export const partGradeSchema = closed({ grade: gradeSchema, kinds: z.array(soilKindSchema).max(10).optional() })
export type PartGrade = z.infer<typeof partGradeSchema>
export const gradesSchema = z.partialRecord(partSchema, partGradeSchema)
export type Grades = z.infer<typeof gradesSchema>

export const complaintsSchema = z
  .array(complaintSchema)
  .max(8)
  .refine(
    (complaints) => !complaints.includes('none') || complaints.length === 1,
    orFault(says('fault.complaints.none-beside'), says('fault.complaints.none-beside-allowed')),
  )
  // The same for other programs.
  .meta({ if: { contains: { const: 'none' } }, then: { maxItems: 1 } })
export const findingsSchema = z.array(findingSchema).max(22)

/** What was seen, smelt, heard and measured at one unit. */
export interface LookOver {
  readonly family: Family
  readonly complaints: readonly Complaint[]
  readonly grades: Grades
  readonly findings: readonly Finding[]
  readonly extent?: FindingExtent
  /** Of the air, where they are believed. */
  readonly readings?: Readings
  readonly flowTest?: Readings['flowTest']
  readonly levelMmPerM?: number
}

/** Litres a minute through the drain that are good, and below which the drain has failed. */
export const goodDrainLMin = estimate(1, 'L/min')
export const failedDrainLMin = estimate(0.3, 'L/min')
/** Least fall towards the drain. */
export const leastFallMmPerM = estimate(2, 'mm per m of unit')

/** Grade of a part; a part that was not graded counts as clear, and `ungraded` names it. */
export const gradeOf = (lookOver: LookOver, part: Part): Grade => lookOver.grades[part]?.grade ?? 0

/** Worst grade among parts. */
export const worstOf = (lookOver: LookOver, ...parts: Part[]): Grade =>
  parts.reduce<Grade>((worst, part) => (gradeOf(lookOver, part) > worst ? gradeOf(lookOver, part) : worst), 0)

/** Whether soil of this kind was seen on any of the parts (on any part at all where none is named); a part that is clear carries none. */
export function hasKind(lookOver: LookOver, kind: SoilKind, ...parts: Part[]): boolean {
  const where = parts.length > 0 ? parts : partsOf[lookOver.family]
  return where.some((part) => gradeOf(lookOver, part) >= 1 && lookOver.grades[part]?.kinds?.includes(kind))
}

/** Whether somebody looked at the part at all: what was never graded is neither clear nor dirty. */
export const isGraded = (lookOver: Pick<LookOver, 'grades'>, part: Part): boolean => lookOver.grades[part] !== undefined

/** Whether there is a live nest, or so much of a finding that others have to clear it; unknown where nobody noted which. */
export function isMuch({ findings, extent }: Pick<LookOver, 'findings' | 'extent'>, finding: Finding): boolean | undefined {
  if (!findings.includes(finding)) return false
  const noted = extent?.[finding]
  return noted === undefined ? undefined : noted !== 'little'
}

/** Parts that nobody looked at, of those that a unit of this design has. */
export const ungraded = (lookOver: LookOver, design: { sleeveDrain?: boolean }): Part[] =>
  partsToSee(lookOver.family, design).filter((part) => !lookOver.grades[part])

export const flowLMin = (flowTest: { litres: number; seconds: number }): number => flowTest.litres / (flowTest.seconds / 60)

/** How the drain runs: by the flow test where there is one, else by findings and the line's grade. */
export function drainState(lookOver: LookOver): 'good' | 'slow' | 'failed' {
  const { findings, flowTest } = lookOver
  if (findings.includes('drain-blocked')) return 'failed'
  if (flowTest) {
    const flow = flowLMin(flowTest)
    if (flow < failedDrainLMin.value) return 'failed'
    if (flow < goodDrainLMin.value) return 'slow'
  }
  const grade = gradeOf(lookOver, 'drainLine')
  if (grade === 4) return 'failed'
  // Water stands in the base pan of a one-box unit in normal use: its slinger throws it onto the condenser.
  const stands = findings.includes('standing-water') && isSplit(lookOver.family)
  return findings.includes('drain-slow') || stands || grade >= 2 ? 'slow' : 'good'
}

/** Whether the unit hangs so that water does not run to the drain. */
export const isOffLevel = ({ findings, levelMmPerM }: LookOver): boolean =>
  findings.includes('off-level') || (levelMmPerM !== undefined && levelMmPerM < leastFallMmPerM.value)

/** What was found, by eyes or by a measurement: a flow that failed is a finding, and so is a unit off level. */
export function allFindings(lookOver: LookOver): Finding[] {
  const { findings, flowTest } = lookOver
  const drainFound = findings.includes('drain-slow') || findings.includes('drain-blocked')
  const measured = flowTest && !drainFound ? drainState({ ...lookOver, grades: {}, findings: [] }) : 'good'
  return [
    ...new Set([
      ...findings,
      ...(measured === 'failed' ? (['drain-blocked'] as const) : measured === 'slow' ? (['drain-slow'] as const) : []),
      ...(isOffLevel(lookOver) ? (['off-level'] as const) : []),
    ]),
  ]
}
