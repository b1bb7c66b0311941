// Wash: wash water, what catches it, and drying.
export { dryingMinutes, dryingWays, type DryingWay } from './drying.ts'
export { condenserRinseMin, rinseFlowLMin, rinseMinutes, simulateWash, washLitres, type Catcher, type WashJob, type WashWater } from './water.ts'
