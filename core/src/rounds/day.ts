// When does who get where on a day? The visits of its crews one after the other, from what was done so far and what is left of each.
import { estimate } from '../quantities/index.ts'

/** Between two sites, where nobody knows better. */
const travelMin = estimate(20, 'min')
/** Nobody is sent out before. */
const dayBeginsMin = estimate(8 * 60, 'minutes from midnight')
/** Whoever waits for an appointed time is at the door so long before. */
const earlyMin = estimate(5, 'min')
/** From here on a customer is told. */
const toldMin = estimate(10, 'min')

export interface DayVisit {
  readonly id: string
  readonly siteId: string
  readonly crewIds: readonly number[]
  /** When it is to begin, minutes from midnight; null where no time was said. */
  readonly startMin: number | null
  /** When work began and ended, minutes from midnight of this day: before it is negative. */
  readonly beganMin?: number
  readonly endedMin?: number
  /** Minutes of it that are left on site; undefined where nobody can tell. */
  readonly leftMin?: number
}

export interface DayStop {
  readonly id: string
  readonly state: 'done' | 'under-way' | 'to-come'
  /** Minutes from midnight; undefined where a visit before it has no end that anybody can tell. */
  readonly arriveMin?: number
  readonly startMin?: number
  readonly endMin?: number
  /** So much later than was said it begins; 0 where it is in time, or no time was said. */
  readonly lateMin: number
  /** Whether that is so much that the customer is told. */
  readonly isLate: boolean
}

/** Whoever works longer than this is told that it is longer than a day. */
const dayEndsMin = estimate(18 * 60, 'minutes from midnight')
/** @param endMin when somebody's last work of a day ends, minutes from midnight */
export const isLongDay = (endMin: number): boolean => endMin > dayEndsMin.value

type Where = { readonly fromMin: number; readonly siteId: string | undefined } | undefined

const stateOf = ({ beganMin, endedMin }: DayVisit): DayStop['state'] =>
  endedMin !== undefined ? 'done' : beganMin !== undefined ? 'under-way' : 'to-come'
const rank = { done: 0, 'under-way': 1, 'to-come': 2 } as const

/** What was done and what is under way as it came, then by the time that was said; what has no time comes last, as it stands. */
export function inOrderOfDay(visits: readonly DayVisit[]): DayVisit[] {
  const time = ({ beganMin, startMin }: DayVisit) => beganMin ?? startMin ?? Number.POSITIVE_INFINITY
  return [...visits].sort((one, other) => {
    const byState = rank[stateOf(one)] - rank[stateOf(other)]
    const [own, others] = [time(one), time(other)]
    return byState !== 0 ? byState : own === others ? 0 : own - others
  })
}

/**
 * When each visit of a day is reached, begun and ended. A visit begins when all of its people are there, and not before its time.
 * @param visits of one day, in any order; cancelled ones are none
 * @param nowMin minutes from midnight; before the day it is less than 0, and nothing is late yet
 */
export function dayStops(visits: readonly DayVisit[], nowMin: number): DayStop[] {
  const places = new Map<number, Where>()
  return inOrderOfDay(visits).map((visit) => {
    const state = stateOf(visit)
    const { siteId, crewIds, startMin: said, beganMin } = visit
    const reached = crewIds.map((person) => {
      if (!places.has(person)) return Math.max(nowMin, Math.min(dayBeginsMin.value, said ?? dayBeginsMin.value))
      const place = places.get(person)
      return place && Math.max(nowMin, place.fromMin + (place.siteId === siteId ? 0 : travelMin.value))
    })
    const isTold = reached.every((at) => at !== undefined)
    const ready = isTold ? Math.max(...reached) : undefined
    const startMin = beganMin ?? (ready === undefined ? undefined : Math.max(ready, said ?? ready))
    const endMin =
      visit.endedMin ??
      (startMin === undefined || visit.leftMin === undefined
        ? undefined
        : Math.max(startMin, state === 'under-way' ? nowMin : startMin) + visit.leftMin)
    for (const person of crewIds) places.set(person, endMin === undefined ? undefined : { fromMin: endMin, siteId })
    const lateMin = said === null || startMin === undefined ? 0 : Math.max(0, startMin - said)
    return {
      id: visit.id,
      state,
      ...(ready !== undefined && state === 'to-come' && startMin !== undefined ? { arriveMin: Math.max(ready, startMin - earlyMin.value) } : {}),
      ...(startMin === undefined ? {} : { startMin }),
      ...(endMin === undefined ? {} : { endMin }),
      lateMin,
      isLate: state === 'to-come' && lateMin >= toldMin.value,
    }
  })
}
