// Look-over: grades, findings, complaints, readings, and what they point to.
export { seenFrom, type Seen } from './causes.ts'
export { causes } from './causes.ts'
export { diagnose, diagnosisSchema, type Diagnosis } from './diagnosis.ts'
export {
  complaintsSchema,
  allFindings,
  drainState,
  failedDrainLMin,
  findingsSchema,
  flowLMin,
  goodDrainLMin,
  gradeOf,
  gradesSchema,
  hasKind,
  isGraded,
  isMuch,
  isOffLevel,
  leastFallMmPerM,
  ungraded,
  worstOf,
  type Grades,
  type LookOver,
  type PartGrade,
} from './lookover.ts'
export { gradeLooks } from './gradeWords.ts'
export { believedAir, doubtfulReadings, impossibleReadings, measuredUnit, type Doubt, type MeasuredUnit } from './believed.ts'
export { readingsSchema, type Readings } from './readings.ts'
export {
  complaints,
  complaintSchema,
  extentName,
  extents,
  findingExtentSchema,
  findings,
  findingSchema,
  named,
  soilKinds,
  soilKindSchema,
  type Complaint,
  type Extent,
  type Finding,
  type FindingExtent,
  type SoilKind,
} from './vocabulary.ts'
export { photoMeasureSchema, settledBand, settledShare, type PhotoMeasure, type Region } from './photoMeasure.ts'
