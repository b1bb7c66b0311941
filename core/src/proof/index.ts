// Proof: before and after, and the verdict.
export * from './instruments/index.ts'
export * from './photo/index.ts'
export { cleanCoolingAt, coolingBy, usualTolerance, type CleanCooling, type CoolingMeasured, type Measured } from './cooling.ts'
export { partsSeen, type PartSeen } from './partLines.ts'
export { proofOf, type ProvedUnit } from './proofOf.ts'
export { gradeChances, worstChances, type SeenParts } from './sureness.ts'
export { assess, isLimited, type Proof, type ProofInput, type ProofLine } from './assess.ts'
