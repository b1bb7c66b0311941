// Proof: before and after, and the verdict.
export {
  simulatedShot,
  flowTestLitres,
  instrumentReadingSchema,
  type InstrumentReading,
  type MeasuredQuantity,
  settledOf,
  type Settled,
  simulatedReadings,
} from './instruments/index.ts'
export {
  alignedRegion,
  type Aligned,
  measurePhoto,
  type PhotoMeasured,
  correctedShare,
  dabbed,
  pairNotes,
  proposedGrade,
  surfaceOf,
  usualRegion,
  type Raster,
  drawSample,
  samplePhoto,
  type SampleWish,
  regionByTwoPlaces,
  type Marked,
  type Surface,
  uprightOf,
} from './photo/index.ts'
export { cleanCoolingAt, coolingBy, type CleanCooling, type CoolingMeasured, type Measured } from './cooling.ts'
export { partsSeen, type PartSeen } from './partLines.ts'
export { proofOf, type ProvedUnit } from './proofOf.ts'
export { gradeChances, worstChances, type SeenParts } from './sureness.ts'
export { assess, isLimited, type Proof, type ProofInput, type ProofLine } from './assess.ts'
