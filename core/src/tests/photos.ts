// Photographs as they stand in the state of a unit, for tests.
import type { PhotoMeasure } from '../lookover/index.ts'
import { usualRegion } from '../proof/index.ts'
import { emptyUnitState, type UnitState } from '../run/index.ts'
import type { Part } from '../units/index.ts'

export const measureOf = (coveredShare: number, off: number, more: Partial<PhotoMeasure> = {}): PhotoMeasure => ({
  region: usualRegion,
  coveredShare,
  low: Math.max(0, coveredShare - off),
  high: Math.min(1, coveredShare + off),
  ...more,
})
export const shown = (part: Part, when: 'before' | 'after', measure: PhotoMeasure): UnitState['photos'][number] => ({
  photoId: `${part}-${when}`,
  of: { part, when },
  measure,
  by: 1,
  atMs: 0,
  eventId: `${part}-${when}`,
})
export const stateWith = (more: Partial<UnitState>): UnitState => ({ ...emptyUnitState(), ...more })
