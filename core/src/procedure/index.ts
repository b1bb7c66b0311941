// Procedure: steps, precedence, gates, fasteners.
export type { Drafting, MixFor } from './drafting.ts'
export { draftSteps, stepsFor } from './procedure.ts'
export { whatComesOff } from './reach.ts'
export { phases, skills, stepSchema, type Phase, type Skill, type Step } from './step.ts'
export { withUses } from './uses.ts'
