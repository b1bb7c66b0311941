// When does each activity start if the more urgent one is always placed first?
import type { Arc, Network } from './network.ts'
import { Profile } from './profile.ts'

export interface Placement {
  readonly starts: readonly number[]
  readonly chosen: readonly (readonly number[])[]
  readonly finish: number
}

const slack = 1e-9
/** Placings that may be taken back before a try is given up, times the activities. */
const patience = 30

/**
 * Serial schedule generation: of the activities whose predecessors are placed, the one of highest priority (one under a most lag
 * first) goes to its earliest free time. One that would break a most lag is taken back together with what started the lag, and
 * that starts later (unscheduling step of Franck, Neumann and Schwindt 2001).
 * @returns the lag that could not be kept where no order was found.
 */
export function generate(network: Network, priority: readonly number[]): Placement | Arc {
  const { minutes, before, after, needs } = network
  const size = minutes.length
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
  }
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
    occupy(index, -1)
    starts[index] = NaN
    ready.add(index)
  }
  const pressed = before.map((arcs) => arcs.some(({ most }) => most < Infinity))
  for (let index = 0; index < size; index++) if (before[index].length === 0) ready.add(index)

  let left = size
  let budget = size * patience
  while (left > 0) {
    const index = mostUrgent(ready, priority, pressed)
    let earliest = notBefore[index]
    for (const { from, least } of before[index]) earliest = Math.max(earliest, starts[from] + minutes[from] + least)
    const { start, team } = firstFree(network, profiles, index, earliest)
    const late = before[index].find(({ from, most }) => start > starts[from] + minutes[from] + most + slack)
    if (!late) {
      place(index, start, team)
      left--
      continue
    }
    if (budget-- <= 0) return late
    notBefore[late.from] = start - late.most - minutes[late.from]
    takeBack(late.from)
    left = starts.reduce((open, time) => open + (Number.isNaN(time) ? 1 : 0), 0)
  }
  return { starts, chosen, finish: starts.reduce((latest, start, index) => Math.max(latest, start + minutes[index]), 0) }
}

function mostUrgent(ready: ReadonlySet<number>, priority: readonly number[], pressed: readonly boolean[]): number {
  let best = -1
  let bestValue = -Infinity
  for (const index of ready) {
    const value = pressed[index] ? priority[index] + 1e9 : priority[index]
    if (value > bestValue || (value === bestValue && index < best)) [best, bestValue] = [index, value]
  }
  return best
}

/** Earliest start from `earliest` at which every needed resource, and enough of any of the named ones, are free throughout. */
function firstFree(
  { minutes, needs, anyOf }: Network,
  profiles: readonly Profile[],
  index: number,
  earliest: number,
): { start: number; team: number[] } {
  const asked = anyOf[index]
  for (let start = earliest; ;) {
    let later = start
    for (const [resource, amount] of needs[index]) later = profiles[resource].firstFree(later, minutes[index], amount)
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
