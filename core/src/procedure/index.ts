// Procedure: steps, precedence, gates, fasteners.
export { afterRunOf, type AfterRun } from './afterRun.ts'
export type { Drafting, MixFor } from './drafting.ts'
export { reckonedDryMin, washedApart } from './drying.ts'
export { wheelTool } from './washing.ts'
export { pouredAt } from './drain.ts'
export { missingTools } from './kit.ts'
export { flowTestL, isOpened } from './drafting.ts'
export { leastPacePercent, mostPacePercent, stepMin } from './stepTimes.ts'
export {
  asOneList,
  isOfVisit,
  mergeVisit,
  partVisit,
  partsOfRef,
  plainId,
  refOf,
  suppliesOf,
  visitId,
  workOrder,
  type ListedStep,
  type UnitAndVisit,
} from './visit.ts'
export { draftSteps, stepsFor } from './procedure.ts'
export { whatComesOff } from './reach.ts'
export { withStages } from './stages.ts'
export { extras, mayDo, phases, skillName, skills, stepSchema, type Extra, type Phase, type Skill, type Step } from './step.ts'
export { withUses } from './uses.ts'
