// Which tap would be undone next?
import type { JobEvent } from './event.ts'
import { effective } from './state.ts'

/** The latest event of `by` in these lists that still counts; undefined where there is none. */
export function lastUndoable(events: readonly JobEvent[], lists: readonly string[], by: number): JobEvent | undefined {
  return effective(events).findLast((event) => event.by === by && lists.includes(event.happening.unitId))
}
