// At which station of its job is a unit opened?
import type { Station } from '@yastik/core/run'

/** Where it stands; what was handed over is read in its record. */
export const stationRoute = (stage: Station): string => (stage === 'handed-over' ? 'record' : stage)
