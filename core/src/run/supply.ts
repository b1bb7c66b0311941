// Which supplies of the visit are isolated now, by whom, and what on them is still open?
import { plainId, visitId } from '../procedure/index.ts'
import { endedBy } from './joinVisit.ts'
import type { OtherLists } from './gates.ts'

export interface SupplyState {
  /** Id of the step that isolates it. */
  readonly stepId: string
  readonly unitIds: readonly string[]
  /** Since when it is isolated, and by whom, by user id; missing while it has power. */
  readonly isolated?: { readonly atMs: number; readonly by?: number }
  /** Units on it that are not counted yet: it gets no power before they are. */
  readonly openUnitIds: readonly string[]
}

/** Supplies in the order in which they are isolated. */
export function suppliesNow(lists: OtherLists): SupplyState[] {
  const { [visitId]: visit } = lists
  return (visit?.steps ?? []).flatMap(({ id, unitIds = [] }) => {
    if (!visit || plainId(id) !== 'isolate') return []
    const { doneAtMs, by } = visit.progress[id] ?? {}
    const isPowered = visit.progress[endedBy(id) ?? '']?.doneAtMs !== undefined
    return [
      {
        stepId: id,
        unitIds,
        ...(doneAtMs === undefined || isPowered ? {} : { isolated: { atMs: doneAtMs, ...(by === undefined ? {} : { by }) } }),
        openUnitIds: unitIds.filter((unitId) => lists[unitId]?.progress['check-ledger']?.doneAtMs === undefined),
      },
    ]
  })
}
