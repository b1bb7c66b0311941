// Photographs that are measured: covered share, straight fins, and what is left after the work.
export { measurePhoto, type PhotoMeasured } from './analyse.ts'
export { correctedShare, dabbed } from './correction.ts'
export { pairNotes } from './pair.ts'
export { cleanBelow, isClean, proposedGrade, surfaceOf, tooLikely, type GradeProposal } from './proposal.ts'
export { usualRegion, type Raster } from './raster.ts'
export { drawSample, samplePhoto, type Sample, type SampleTruth, type SampleWish } from './sample.ts'
export { straightWithinDeg, type Surface } from './surface.ts'
export { uprightOf } from './upright.ts'
