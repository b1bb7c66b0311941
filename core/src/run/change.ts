// What was found in the middle of the work: how does the agreed work change, and may it?
import type { Step } from '../procedure/index.ts'
import { componentName } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'
import type { UnitState } from './unitState.ts'

export interface Change {
  /** Steps that come in, and steps that fall away undone; both in the order of the work. */
  readonly added: readonly Step[]
  readonly gone: readonly Step[]
  /** What keeps the change from being agreed; empty means that it may. */
  readonly reasons: readonly Message[]
}

/**
 * Compares the agreed steps with those of a plan made anew. Steps are the same by their id: what is done stays done. Whatever is
 * off now must be put back by the new steps, else the change waits until it is back.
 * @returns undefined where nothing was agreed, or nothing changes.
 */
export function changeOf(unit: UnitState, steps: readonly Step[]): Change | undefined {
  if (!unit.steps || unit.handedOver) return undefined
  const before = new Set(unit.steps.map(({ id }) => id))
  const after = new Set(steps.map(({ id }) => id))
  const isDone = (id: string) => unit.progress[id]?.doneAtMs !== undefined
  const added = steps.filter(({ id }) => !before.has(id))
  const gone = unit.steps.filter(({ id }) => !after.has(id) && !isDone(id))
  if (added.length === 0 && gone.length === 0) return undefined
  const back = new Set(steps.map(({ putsBack }) => putsBack))
  return {
    added,
    gone,
    reasons: unit.tray.filter(({ item }) => !back.has(item)).map(({ item }) => says('run.change.off', { item: componentName(item) })),
  }
}
