// Proof: before and after, and the verdict.
export * from './instruments/index.ts'
export * from './photo/index.ts'
export { cleanCoolingAt, coolingBy, usualTolerance, type CleanCooling, type CoolingMeasured, type Measured } from './cooling.ts'
export { assess, isLimited, type Proof, type ProofInput, type ProofLine } from './assess.ts'
