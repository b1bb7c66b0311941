// The log of the job that is open: what happened, as far as this device knows, and the state that follows from it.
import { emptyUnitState, lastUndoable, stateOf, timeOf, type Happening, type JobEvent, type OtherLists, type UnitState } from '@yastik/core/run'
import { visitId } from '@yastik/core/procedure'
import type { JobRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { computed, shallowRef, type Ref, type ShallowRef } from 'vue'
import { aheadMs, serverNow } from '../api/clock.ts'

type WithoutUnit<T> = T extends unknown ? Omit<T, 'unitId'> : never
export type UnitHappening = WithoutUnit<Happening>

export interface Log {
  readonly record: ShallowRef<JobRecord | undefined>
  readonly events: ShallowRef<readonly JobEvent[]>
  /** Opens a job with what the server has of it and what waits here. */
  show(job: JobRecord, own: readonly JobEvent[]): void
  /** Takes in what others did, or another tab. @returns whether anything of it was new */
  merge(fresh: readonly JobEvent[]): boolean
  /** Replaces events by what the server made of them, its time and place in the log. */
  stamp(stamped: readonly JobEvent[]): void
  /** Forgets what the server turned down. */
  forget(ids: readonly string[]): void
  /** Writes down what happened now. @param by who */
  append(unitId: string, happening: UnitHappening, by: number): JobEvent
  stateFor(unitId: string): UnitState
  /** States of the visit and of its units, by id. */
  readonly lists: Readonly<Ref<OtherLists>>
  /** The last tap of this person at this unit, or at what it shares with the visit, that can be taken back. */
  undoable(unitId: string, by: number): JobEvent | undefined
  close(): void
}

export function useLog(): Log {
  const record = shallowRef<JobRecord>()
  const events = shallowRef<readonly JobEvent[]>([])
  const states = computed(() => stateOf(events.value))
  const merged = (stored: readonly JobEvent[], own: readonly JobEvent[]) => [
    ...new Map([...stored, ...own].map((event) => [event.id, event])).values(),
  ]
  return {
    record,
    events,
    show(job, own) {
      record.value = job
      events.value = merged(job.events, own)
    },
    merge(fresh) {
      const known = new Set(events.value.map(({ id }) => id))
      if (fresh.every(({ id }) => known.has(id))) return false
      events.value = merged(events.value, fresh)
      return true
    },
    stamp(stamped) {
      const byId = new Map(stamped.map((event) => [event.id, event]))
      events.value = events.value.map((event) => byId.get(event.id) ?? event)
    },
    forget(ids) {
      if (ids.length > 0) events.value = events.value.filter(({ id }) => !ids.includes(id))
    },
    append(unitId, happening, by) {
      const known = aheadMs.value
      // One's own events keep their order, however close they are and whatever is measured between them.
      const last = events.value.findLast((event) => event.by === by)
      const timeMs = Math.max(serverNow(), last ? timeOf(last) + 1 : 0)
      const event: JobEvent = {
        id: newId(),
        atMs: timeMs + (known ?? 0),
        by,
        ...(known === undefined ? {} : { aheadMs: known }),
        // Plain, whatever a view hands over: what is reactive cannot be kept.
        happening: JSON.parse(JSON.stringify({ ...happening, unitId })) as Happening,
      }
      events.value = [...events.value, event]
      return event
    },
    lists: states,
    stateFor: (unitId) => states.value[unitId] ?? emptyUnitState(),
    undoable: (unitId, by) => lastUndoable(events.value, [unitId, visitId], by),
    close() {
      record.value = undefined
      events.value = []
    },
  }
}
