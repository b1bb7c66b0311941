// When does each activity start if the more urgent one is always placed first?
import type { Arc, Held, Network } from './network.ts'
import { Profile } from './profile.ts'

export interface Placement {
  readonly starts: readonly number[]
  readonly chosen: readonly (readonly number[])[]
  readonly finish: number
}

/** No order was found; `late` is the lag that could not be kept. */
export interface DeadEnd {
  readonly late?: Arc
}

const slack = 1e-9
/** Placings that may be taken back before a try is given up, times the activities. */
const patience = 30

/**
 * Serial schedule generation: of the activities whose predecessors are placed, the one of highest priority (one under a most lag
 * first) goes to its earliest free time. One that would break a most lag is taken back together with what started the lag, and
 * that starts later (unscheduling step of Franck, Neumann and Schwindt 2001). What is held from one activity to another counts as
 * in use for good until the other is placed; meanwhile nothing that would ask for too much of it is begun.
 * @returns the lag that could not be kept where no order was found, or a dead end without one.
 */
export function generate(network: Network, priority: readonly number[]): Placement | DeadEnd {
  const { minutes, before, after, needs, holds } = network
  const size = minutes.length
  const opened = holdsBy(holds, 'from')
  const closed = holdsBy(holds, 'to')
  const inHand = network.capacity.map(() => 0)
  const starts = new Array<number>(size).fill(NaN)
  const chosen = new Array<readonly number[]>(size).fill([])
  const notBefore = new Array<number>(size).fill(0)
  const placedBefore = new Array<number>(size).fill(0)
  const ready = new Set<number>()
  const profiles = network.capacity.map((capacity) => new Profile(capacity))
  const isPlaced = (index: number) => !Number.isNaN(starts[index])
  const occupy = (index: number, sign: 1 | -1) => {
    const [start, end] = [starts[index], starts[index] + minutes[index]]
    for (const [resource, amount] of needs[index]) profiles[resource].add(start, end, sign * amount)
    for (const resource of chosen[index]) profiles[resource].add(start, end, sign)
    for (const { resource, amount } of opened.get(index) ?? []) {
      profiles[resource].add(start, Infinity, sign * amount)
      inHand[resource] += sign * amount
    }
    for (const { resource, amount } of closed.get(index) ?? []) {
      profiles[resource].add(end, Infinity, -sign * amount)
      inHand[resource] -= sign * amount
    }
  }
  const isOpen = ({ from, to }: Held) => (from === undefined || isPlaced(from)) && (to === undefined || !isPlaced(to))
  /** Whether it would begin to hold what others still hold; what is held for good comes after all others. */
  const isBlocked = (index: number) =>
    opened
      .get(index)
      ?.some(
        (own) =>
          inHand[own.resource] + own.amount > network.capacity[own.resource] ||
          (own.to === undefined &&
            holds.some((other) => other !== own && other.resource === own.resource && other.to !== undefined && !isDone(other))),
      ) ?? false
  const isDone = (hold: Held) => !isOpen(hold) && hold.to !== undefined && isPlaced(hold.to)
  const place = (index: number, start: number, team: readonly number[]) => {
    starts[index] = start
    chosen[index] = team
    occupy(index, 1)
    ready.delete(index)
    for (const { to } of after[index]) if (++placedBefore[to] === before[to].length) ready.add(to)
  }
  const takeBack = (index: number) => {
    for (const { to } of after[index]) {
      if (isPlaced(to)) takeBack(to)
      placedBefore[to]--
      ready.delete(to)
    }
    // What was placed where the hold had ended cannot stay there.
    const end = starts[index] + minutes[index]
    for (const { resource } of closed.get(index) ?? [])
      for (let other = 0; other < size; other++)
        if (
          other !== index &&
          starts[other] >= end - slack &&
          (needs[other].some(([used]) => used === resource) || opened.get(other)?.some((hold) => hold.resource === resource))
        )
          takeBack(other)
    occupy(index, -1)
    starts[index] = NaN
    ready.add(index)
  }
  const pressed = before.map((arcs) => arcs.some(({ most }) => most < Infinity))
  for (let index = 0; index < size; index++) if (before[index].length === 0) ready.add(index)
  for (const { resource, amount, from } of holds)
    if (from === undefined) {
      profiles[resource].add(0, Infinity, amount)
      inHand[resource] += amount
    }

  let left = size
  let budget = size * patience
  while (left > 0) {
    const index = mostUrgent(ready, priority, pressed, isBlocked)
    if (index < 0) return {}
    let earliest = notBefore[index]
    for (const { from, least } of before[index]) earliest = Math.max(earliest, starts[from] + minutes[from] + least)
    const { start, team } = firstFree(network, profiles, index, earliest, opened.get(index))
    if (start === Infinity) return {}
    const late = before[index].find(({ from, most }) => start > starts[from] + minutes[from] + most + slack)
    if (!late) {
      place(index, start, team)
      left--
      continue
    }
    if (budget-- <= 0) return { late }
    notBefore[late.from] = start - late.most - minutes[late.from]
    takeBack(late.from)
    left = starts.reduce((open, time) => open + (Number.isNaN(time) ? 1 : 0), 0)
  }
  return { starts, chosen, finish: starts.reduce((latest, start, index) => Math.max(latest, start + minutes[index]), 0) }
}

const none: readonly Held[] = []
/** Holds by the activity that begins or ends them. */
function holdsBy(holds: readonly Held[], end: 'from' | 'to'): ReadonlyMap<number, readonly Held[]> {
  const by = new Map<number, Held[]>()
  for (const hold of holds) {
    const index = hold[end]
    if (index !== undefined) by.set(index, [...(by.get(index) ?? []), hold])
  }
  return by
}

/** @returns -1 where all that is ready is blocked. */
function mostUrgent(
  ready: ReadonlySet<number>,
  priority: readonly number[],
  pressed: readonly boolean[],
  isBlocked: (index: number) => boolean,
): number {
  let best = -1
  let bestValue = -Infinity
  for (const index of ready) {
    const value = pressed[index] ? priority[index] + 1e9 : priority[index]
    if ((value > bestValue || (value === bestValue && index < best)) && !isBlocked(index)) [best, bestValue] = [index, value]
  }
  return best
}

/** Earliest start from `earliest` at which every needed resource, and enough of any of the named ones, are free throughout. */
function firstFree(
  { minutes, needs, anyOf, capacity }: Network,
  profiles: readonly Profile[],
  index: number,
  earliest: number,
  opens: readonly Held[] = none,
): { start: number; team: number[] } {
  const asked = anyOf[index]
  for (let start = earliest; ;) {
    let later = start
    for (const [resource, amount] of needs[index]) {
      const alsoHeld = opens.reduce((sum, hold) => sum + (hold.resource === resource ? hold.amount : 0), 0)
      if (amount + alsoHeld > capacity[resource]) return { start: Infinity, team: [] }
      later = profiles[resource].firstFree(later, minutes[index], amount + alsoHeld)
    }
    for (const { resource, amount } of opens) later = profiles[resource].firstFree(later, Infinity, amount)
    if (later === Infinity) return { start: later, team: [] }
    if (asked) {
      const from = asked.of.map((resource) => profiles[resource].firstFree(later, minutes[index], 1))
      const order = from.map((_, at) => at).sort((a, b) => from[a] - from[b] || a - b)
      const last = order[asked.count - 1]
      if (from[last] <= later) {
        if (later === start) return { start, team: order.slice(0, asked.count).map((at) => asked.of[at]) }
      } else later = from[last]
    } else if (later === start) return { start, team: [] }
    start = later
  }
}
