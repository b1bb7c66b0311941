// Below which finish can no schedule end?
import type { Held, Network } from './network.ts'

/**
 * The longest of: the critical path; and, for every resource and group of people and every set of their activities that start no
 * earlier than some moment and are followed by at least some time, that moment plus the set's work over the capacity plus that time
 * (one-machine bounds with heads and tails, Carlier 1982, for capacities above one by energy).
 */
export function lowerBound(network: Network): number {
  const { minutes, head, tail, capacity, needs, anyOf } = network
  let bound = Math.max(0, ...head.map((start, index) => start + tail[index]))
  const workOf = (index: number, amount: number): Work => ({ work: amount * minutes[index], head: head[index], rest: tail[index] - minutes[index] })
  const onResource = capacity.map((): Work[] => [])
  needs.forEach((own, index) => {
    if (minutes[index] > 0) for (const [resource, amount] of own) onResource[resource].push(workOf(index, amount))
  })
  onResource.forEach((own, resource) => {
    if (own.length > 0) bound = Math.max(bound, heaviestSet(own, capacity[resource]))
  })
  for (const of of groupsOf(anyOf)) {
    const members = new Set(of)
    const own = anyOf.flatMap((asked, index) =>
      asked && minutes[index] > 0 && asked.of.every((person) => members.has(person)) ? [workOf(index, asked.count)] : [],
    )
    if (own.length > 0) bound = Math.max(bound, heaviestSet(own, of.length))
  }
  for (let resource = 0; resource < capacity.length; resource++) {
    const held = network.holds.flatMap((hold) => {
      if (hold.resource !== resource || hold.to === undefined) return []
      return [
        { work: hold.amount * leastHeld(network, hold), head: hold.from === undefined ? 0 : head[hold.from], rest: tail[hold.to] - minutes[hold.to] },
      ]
    })
    if (held.length > 0) bound = Math.max(bound, heaviestSet(held, capacity[resource]))
  }
  return bound
}

/** Least time from the start of `from` to the end of `to`: the longest way between them by least lags, minutes. */
function leastHeld({ minutes, after, head }: Network, { from, to }: Held): number {
  if (to === undefined) return 0
  if (from === undefined) return head[to] + minutes[to]
  const way = new Map<number, number>([[from, 0]])
  const open = [from]
  for (const index of open) {
    const end = way.get(index)! + minutes[index]
    for (const { to: next, least } of after[index]) {
      if (end + least <= (way.get(next) ?? -1)) continue
      way.set(next, end + least)
      open.push(next)
    }
  }
  return way.get(to)! + minutes[to]
}

interface Work {
  readonly work: number
  readonly head: number
  /** What follows it at least, minutes. */
  readonly rest: number
}

/** Highest of head + work / size + rest over all sets that a least head and a least rest cut out. */
function heaviestSet(own: readonly Work[], size: number): number {
  const byRest = [...own].sort((a, b) => b.rest - a.rest)
  let highest = 0
  for (const least of new Set(own.map(({ head }) => head))) {
    let sum = 0
    for (const { work, head, rest } of byRest) {
      if (head < least) continue
      sum += work
      highest = Math.max(highest, least + sum / size + rest)
    }
  }
  return highest
}

/** Each set of people that some activity asks, once. */
export function groupsOf(anyOf: Network['anyOf']): (readonly number[])[] {
  const groups = new Map<string, readonly number[]>()
  for (const asked of anyOf) if (asked) groups.set([...asked.of].sort((a, b) => a - b).join(' '), asked.of)
  return [...groups.values()]
}
