// Proof: before and after, and the verdict.
export { assess, coolingOf, type Proof, type ProofInput, type ProofLine } from './assess.ts'
