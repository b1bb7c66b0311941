// Below which finish can no schedule end?
import type { Network } from './network.ts'

/**
 * The longest of: the critical path; and, for every resource and group of people and every set of their activities that start no
 * earlier than some moment and are followed by at least some time, that moment plus the set's work over the capacity plus that time
 * (one-machine bounds with heads and tails, Carlier 1982, for capacities above one by energy).
 */
export function lowerBound({ minutes, head, tail, capacity, needs, anyOf, ids }: Network): number {
  let bound = Math.max(0, ...head.map((start, index) => start + tail[index]))
  const consider = (load: (index: number) => number, size: number) => {
    const own = ids.flatMap((_, index) => {
      const work = load(index) * minutes[index]
      return work > 0 ? [{ work, head: head[index], rest: tail[index] - minutes[index] }] : []
    })
    if (size > 0) bound = Math.max(bound, heaviestSet(own, size))
  }
  for (let resource = 0; resource < capacity.length; resource++)
    consider((index) => needs[index].find(([other]) => other === resource)?.[1] ?? 0, capacity[resource])
  for (const of of groupsOf(anyOf)) {
    const members = new Set(of)
    consider((index) => (anyOf[index]?.of.every((person) => members.has(person)) ? anyOf[index].count : 0), of.length)
  }
  return bound
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
