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
    clash.sort((a, b) => beginOf(a, starts) - beginOf(b, starts) || tailOf(b, tail) - tailOf(a, tail))
    for (const first of clash)
      for (const second of clash)
        if (first !== second && first.to !== undefined && second.from !== undefined) {
          added.push([first.to, second.from])
          visit(starts)
          added.pop()
        }
  }
  visit()
  return { ...(found ? { starts: found } : {}), complete: !stopped }
}

/** Something in use from the start of `from` to the end of `to`: an activity of its own, or what is held from one to another. */
interface Use {
  readonly from?: number
  readonly to?: number
  readonly amount: number
}
interface Demand {
  readonly capacity: number
  readonly uses: readonly Use[]
}
const beginOf = ({ from }: Use, starts: readonly number[]) => (from === undefined ? 0 : starts[from])
const endOf = ({ to }: Use, starts: readonly number[], minutes: readonly number[]) => (to === undefined ? Infinity : starts[to] + minutes[to])
const tailOf = ({ from }: Use, tail: readonly number[]) => (from === undefined ? Infinity : tail[from])

function demandsOf({ capacity, needs, anyOf, ids, holds }: Network): Demand[] {
  const ownUses = (amountOf: (index: number) => number) => ids.map((_, index): Use => ({ from: index, to: index, amount: amountOf(index) }))
  const single = capacity.map((size, resource) => ({
    capacity: size,
    uses: [
      ...ownUses((index) => needs[index].find(([other]) => other === resource)?.[1] ?? 0),
      ...holds.filter((hold) => hold.resource === resource),
    ],
  }))
  const groups = groupsOf(anyOf).map((of) => ({
    capacity: of.length,
    uses: ownUses((index) => (anyOf[index]?.of.every((person) => of.includes(person)) ? anyOf[index].count : 0)),
  }))
  return [...single, ...groups]
    .map(({ capacity: size, uses }) => ({ capacity: size, uses: uses.filter(({ amount }) => amount > 0) }))
    .filter(({ uses }) => uses.length > 0)
}

/** The earliest moment at which more is asked than there is: a smallest set of uses that may not all go on together. */
function firstClash(starts: readonly number[], minutes: readonly number[], demands: readonly Demand[]): Use[] | undefined {
  const moments = [...new Set(starts)].sort((a, b) => a - b)
  for (const moment of moments) {
    for (const { capacity, uses } of demands) {
      const own = uses
        .filter((use) => beginOf(use, starts) <= moment + 1e-9 && endOf(use, starts, minutes) > moment + 1e-9)
        .sort((a, b) => b.amount - a.amount)
      let sum = own.reduce((all, { amount }) => all + amount, 0)
      if (sum <= capacity) continue
      // Left out one by one while the rest is still too much.
      const set = [...own]
      for (const use of [...own].reverse()) {
        if (set.length <= 2 || sum - use.amount <= capacity) continue
        set.splice(set.indexOf(use), 1)
        sum -= use.amount
      }
      return set
    }
  }
  return undefined
}
