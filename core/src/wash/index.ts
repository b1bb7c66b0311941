// Wash: wash water, what catches it, and drying.
export { dryingMinutes, dryingWays, type DryingWay } from './drying.ts'
export { pauseMin, washCourse, type WashCourse, type WashMoment, type WashRun } from './level.ts'
export {
  caughtLitres,
  longestWashOf,
  pourL,
  roofCupL,
  pausesFor,
  washRunOf,
  condenserRinseMin,
  rinseFlowLMin,
  rinseMinutes,
  simulateWash,
  washLitres,
  type Catcher,
  type WashJob,
  type WashWater,
} from './water.ts'
export { washPlanSchema, type WashPlan } from './washPlan.ts'
export { finsStandKPa, jetOnFins, usualPumpBar, type Jet, type JetOnFins } from './jet.ts'
