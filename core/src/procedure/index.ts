// Procedure: steps, precedence, gates, fasteners.
export type { Drafting, MixFor } from './drafting.ts'
export { draftSteps, stepsFor, whatComesOff } from './procedure.ts'
export { phases, skills, stepSchema, type Phase, type Skill, type Step } from './step.ts'
