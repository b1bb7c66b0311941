// At which station of its job is a unit opened?
import type { Stage } from '@yastik/core/run'

/** Where it stands; what was handed over is read in its record. */
export const stationOf = (stage: Stage): string => (stage === 'handed-over' ? 'record' : stage)
