// How is a unit's state kept up event by event? What follows from its log so far is kept as plain JSON; later events are put on top of it, and the log
// is read again only where one of them reaches back.
import type { Step } from '../procedure/index.ts'
import { stepsDone, timeOf, type JobEvent } from './event.ts'
import { applyInOrder, effective, inOrder } from './state.ts'
import { emptyUnitState, type UnitState } from './unitState.ts'

/** Grows when the same events come to another state than before: what was kept then is not carried on. */
export const carriedVersion = 4

/** A unit's state as it is kept: without its steps, which stand in the event that agreed them, and without what it asks of the visit, which concerns no unit. */
export interface Carried {
  readonly version: number
  readonly state: Omit<UnitState, 'steps' | 'visitSteps'>
  /** Id of the event that agreed the steps; missing before. */
  readonly agreedIn?: string
  /** The last event of the log, in the order in which they count. */
  readonly last: { readonly atMs: number; readonly id: string }
  /** Steps that somebody took back: where another person's doing of it stands, it is said with the step. */
  readonly takenBack: readonly { readonly stepId: string; readonly by: number }[]
  /** Ids that an undoing speaks of: it may be on record before what it undoes. */
  readonly undoes: readonly string[]
}

const lastOf = (ordered: readonly JobEvent[]): Carried['last'] => {
  const last = ordered.at(-1)
  return last ? { atMs: timeOf(last), id: last.id } : { atMs: 0, id: '' }
}
const isAfter = (event: JobEvent, { atMs, id }: Carried['last']): boolean => timeOf(event) > atMs || (timeOf(event) === atMs && event.id > id)
const agreedIn = (counting: readonly JobEvent[]): string | undefined => counting.findLast(({ happening }) => happening.type === 'method-agreed')?.id

function sayTakenBack(state: UnitState, takenBack: Carried['takenBack']): void {
  for (const { stepId, by } of takenBack) {
    const progress = state.progress[stepId]
    if (progress?.doneAtMs !== undefined && progress.by !== by) progress.takenBackBy = by
  }
}

function kept(
  { steps: _, visitSteps: __, ...state }: UnitState,
  rest: Omit<Carried, 'version' | 'state' | 'agreedIn'>,
  agreed: string | undefined,
): Carried {
  return { version: carriedVersion, state: { ...state, visitAsked: [] }, ...rest, ...(agreed === undefined ? {} : { agreedIn: agreed }) }
}

/** State of a unit from all of its events, and how it is kept. @param events of this unit alone, all of them */
export function carry(events: readonly JobEvent[]): { readonly state: UnitState; readonly carried: Carried } {
  const ordered = inOrder(events)
  const counting = effective(ordered)
  const counts = new Set(counting.map(({ id }) => id))
  const takenBack = ordered.flatMap(({ id, by, happening }) => (counts.has(id) ? [] : stepsDone(happening).map((stepId) => ({ stepId, by }))))
  const state = emptyUnitState()
  applyInOrder(state, counting)
  sayTakenBack(state, takenBack)
  const undoes = ordered.flatMap(({ happening }) => (happening.type === 'undone' ? [happening.eventId] : []))
  return { state, carried: kept(state, { last: lastOf(ordered), takenBack, undoes }, agreedIn(counting)) }
}

/**
 * The state after some more events, from what was kept; that is used up by it, as it was read for this.
 * @param steps those of the event that `carried.agreedIn` names
 * @param fresh of this unit alone, none of them in the log before
 * @returns undefined where the log has to be read: something is taken back, came before what was there, or was kept by an earlier version
 */
export function carryOn(
  carried: Carried,
  steps: readonly Step[] | undefined,
  fresh: readonly JobEvent[],
): { readonly state: UnitState; readonly carried: Carried } | undefined {
  const reachesBack = fresh.some((event) => event.happening.type === 'undone' || carried.undoes.includes(event.id) || !isAfter(event, carried.last))
  if (carried.version !== carriedVersion || reachesBack) return undefined
  const ordered = inOrder(fresh)
  const state: UnitState = { ...carried.state, ...(steps === undefined ? {} : { steps }) }
  applyInOrder(state, ordered)
  sayTakenBack(state, carried.takenBack)
  const last = ordered.length > 0 ? lastOf(ordered) : carried.last
  const { takenBack, undoes } = carried
  return { state, carried: kept(state, { last, takenBack, undoes }, agreedIn(ordered) ?? carried.agreedIn) }
}
