// What happens to the visit when one more unit is agreed on? Its steps come in, and what was ended for the others begins anew.
import { mergeVisit, plainId, type Step } from '../procedure/index.ts'
import type { UnitState } from './unitState.ts'

export interface Join {
  readonly unitId: string
  readonly atMs: number
  readonly asks: readonly Step[]
  readonly opens: boolean
}

/** What units ask of the visit, in the order in which it was agreed on; a unit whose method was changed stands there once more. */
export const joinsOf = (units: Readonly<Record<string, UnitState>>): Join[] =>
  Object.entries(units)
    .flatMap(([unitId, { visitAsked }]) => visitAsked.map(({ atMs, steps, opens }) => ({ unitId, atMs, asks: steps, opens })))
    .sort((one, other) => one.atMs - other.atMs || (one.unitId < other.unitId ? -1 : 1))

/** What has to be done again with each step that ends something for all units, once something is opened after it. */
const againWith: Readonly<Record<string, readonly string[]>> = {
  'power-on': ['isolate', 'part-battery', 'prove-dead', 'drain-charge', 'join-battery', 'power-on'],
  'come-down': ['go-up', 'come-down'],
  'clear-up': ['clear-up'],
  'show-result': ['show-result'],
}

/** Lets the unit at this place among the joins come in. A supply that has power again is isolated anew before anything on it is opened, or opened once more. */
export function joinVisit(visit: UnitState, joins: readonly Join[], at: number): void {
  const { asks, opens } = joins[at]
  for (const { id } of opens ? asks : []) {
    const again = againWith[plainId(id)]
    if (!again || visit.progress[id]?.doneAtMs === undefined) continue
    const supply = id.slice(plainId(id).length)
    for (const name of again) delete visit.progress[`${name}${supply}`]
  }
  const latest = new Map(joins.slice(0, at + 1).map((one) => [one.unitId, one.asks]))
  visit.steps = mergeVisit([...latest.values()])
}

/** The step after which what this one did holds no more: power is back, nobody is up any more. */
export function endedBy(id: string): string | undefined {
  const plain = plainId(id)
  if (plain === 'go-up') return 'come-down'
  return ['isolate', 'part-battery', 'prove-dead', 'drain-charge'].includes(plain) ? `power-on${id.slice(plain.length)}` : undefined
}
