// What is the least finish, with a proof? For small problems.
import { groupsOf } from './bound.ts'
import { longestWays, type Network } from './network.ts'

export interface Exact {
  /** Starts of the best schedule found that beats `below`; undefined where none was found. */
  readonly starts?: readonly number[]
  /** Whether the search was complete: then nothing is shorter than what was found, or than `below`. */
  readonly complete: boolean
}

/**
 * Depth-first branch and bound over orders. At a node the earliest starts by lags alone are taken; where they ask for more of a
 * resource than there is at some moment, of the activities in the way some pair has to follow one another: one branch for each
 * (disjunctive branching on minimal forbidden sets, De Reyck and Herroelen 1998). A node whose longest way is not below the best
 * is left. People of whom any may do are counted by groups, which is a relaxation: who does what is for the caller.
 */
export function exact(network: Network, below: number, mostNodes: number, signal?: { readonly aborted: boolean }): Exact {
  const { minutes, arcs, tail } = network
  const demands = demandsOf(network)
  const added: [number, number][] = []
  let best = below
  let found: readonly number[] | undefined
  let nodes = 0
  let stopped = false

  const visit = (parent?: readonly number[]) => {
    if (stopped) return
    if (++nodes > mostNodes || signal?.aborted) {
      stopped = true
      return
    }
    const starts = longestWays(minutes, arcs, added, parent)
    if (!starts || starts.some((start, index) => start + tail[index] >= best - 1e-9)) return
    const clash = firstClash(starts, minutes, demands)
    if (!clash) {
      found = starts
      best = Math.max(...starts.map((start, index) => start + minutes[index]))
      return
    }
    // What starts earlier goes first more often than not.
    clash.sort((a, b) => starts[a] - starts[b] || tail[b] - tail[a])
    for (const first of clash)
      for (const second of clash)
        if (first !== second) {
          added.push([first, second])
          visit(starts)
          added.pop()
        }
  }
  visit()
  return { ...(found ? { starts: found } : {}), complete: !stopped }
}

interface Demand {
  readonly capacity: number
  readonly amount: readonly number[]
}

function demandsOf({ capacity, needs, anyOf, ids }: Network): Demand[] {
  const single = capacity.map((size, resource) => ({
    capacity: size,
    amount: ids.map((_, index) => needs[index].find(([other]) => other === resource)?.[1] ?? 0),
  }))
  const groups = groupsOf(anyOf).map((of) => ({
    capacity: of.length,
    amount: ids.map((_, index) => (anyOf[index]?.of.every((person) => of.includes(person)) ? anyOf[index].count : 0)),
  }))
  return [...single, ...groups].filter(({ amount }) => amount.some((entry) => entry > 0))
}

/** The earliest moment at which more is asked than there is: a smallest set of activities that may not all go on together. */
function firstClash(starts: readonly number[], minutes: readonly number[], demands: readonly Demand[]): number[] | undefined {
  const moments = [...new Set(starts)].sort((a, b) => a - b)
  for (const moment of moments) {
    const going = starts.flatMap((start, index) => (start <= moment + 1e-9 && start + minutes[index] > moment + 1e-9 ? [index] : []))
    for (const { capacity, amount } of demands) {
      const own = going.filter((index) => amount[index] > 0).sort((a, b) => amount[b] - amount[a])
      let sum = own.reduce((all, index) => all + amount[index], 0)
      if (sum <= capacity) continue
      // Left out one by one while the rest is still too much.
      const set = [...own]
      for (const index of [...own].reverse()) {
        if (set.length <= 2 || sum - amount[index] <= capacity) continue
        set.splice(set.indexOf(index), 1)
        sum -= amount[index]
      }
      return set
    }
  }
  return undefined
}
