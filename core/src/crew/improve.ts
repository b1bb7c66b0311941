// Is there a better order? Forward and backward passes, then seeded shaking of the best so far.
import { seeded } from '../quantities/index.ts'
import { generate, type DeadEnd, type Placement } from './generate.ts'
import { reversed, type Arc, type Network } from './network.ts'
import type { ScheduleOptions } from './problem.ts'

/** Activities placed in all where the caller says nothing: so many tries, and no more than so many placings. */
const usualTries = 200
const mostEffort = 20_000
/** How far a place as a whole, and an activity on its own, is shaken; shares of the finish. */
const shakePlace = 0.3
const shakeOne = 0.05

export interface Improved {
  readonly best?: Placement
  /** A lag that some try could not keep. */
  readonly failed?: Arc
}

/**
 * Starts from several priority rules, then alternates: the best order is run backwards from the end and forwards again
 * (justification, Valls, Ballestín and Quintanilla 2005), or shaken, places as a whole so that units are staggered.
 * Stops at `goal`, at the end of the effort, or when aborted. Deterministic.
 */
export function improve(
  network: Network,
  goal: number,
  { seed = 1, effort = Math.min(mostEffort, usualTries * network.ids.length), signal }: ScheduleOptions,
): Improved {
  const { minutes, tail, after, places } = network
  const size = minutes.length
  const backwards = reversed(network)
  const random = seeded(seed)
  let left = effort
  let best: Placement | undefined
  let worth: readonly number[] = []
  let failed: Arc | undefined
  const isOver = () => left <= 0 || signal?.aborted === true || (best !== undefined && best.finish <= goal + 1e-9)
  const take = (result: Placement | DeadEnd): Placement | undefined => {
    left -= Math.max(size, 1)
    if (!('starts' in result)) {
      failed = result.late ?? failed
      return undefined
    }
    const own = qualityOf(result, network)
    if (!best || isLess(own, worth)) [best, worth] = [result, own]
    return result
  }
  /** From the end backwards, then from the start forwards, each in the order that the other gave. */
  const justify = (placement: Placement) => {
    const back = generate(backwards, endsOf(placement, minutes))
    left -= size
    return !('starts' in back) ? undefined : take(generate(network, endsOf(back, minutes)))
  }
  const rules: readonly ((index: number) => number)[] = [
    (index) => tail[index],
    (index) => tail[index] + minutes[index],
    (index) => after[index].length * 10 + tail[index] / 100,
    (index) => minutes[index],
  ]
  for (const rule of rules) {
    if (best && isOver()) break
    const result = take(
      generate(
        network,
        minutes.map((_, index) => rule(index)),
      ),
    )
    if (result && !isOver()) justify(result)
  }
  const named = [...new Set(places)]
  while (best && !isOver()) {
    const { starts, finish } = best
    const shift = new Map(named.map((place) => [place, (random() - 0.5) * 2 * shakePlace * finish * (random() < 0.4 ? 1 : 0.1)]))
    const shaken = take(
      generate(
        network,
        starts.map((start, index) => -(start + shift.get(places[index])! + (random() - 0.5) * 2 * shakeOne * finish)),
      ),
    )
    if (shaken && !isOver() && shaken.finish <= finish * 1.05) justify(shaken)
  }
  return { ...(best ? { best } : {}), ...(failed ? { failed } : {}) }
}

const endsOf = ({ starts }: Placement, minutes: readonly number[]): number[] => starts.map((start, index) => start + minutes[index])

/** Least finish first, then fewer changes of place, then less idle time of people. */
export function qualityOf({ starts, chosen, finish }: Placement, { minutes, places }: Network): readonly number[] {
  const byPerson = new Map<number, number[]>()
  chosen.forEach((team, index) => {
    for (const person of team) {
      const own = byPerson.get(person)
      if (own) own.push(index)
      else byPerson.set(person, [index])
    }
  })
  let changes = 0
  let idle = 0
  for (const own of byPerson.values()) {
    own.sort((a, b) => starts[a] - starts[b])
    own.forEach((index, at) => {
      if (at === 0) return
      if (places[index] !== places[own[at - 1]]) changes++
      idle += starts[index] - starts[own[at - 1]] - minutes[own[at - 1]]
    })
  }
  return [finish, changes, idle]
}

function isLess(a: readonly number[], b: readonly number[]): boolean {
  for (let at = 0; at < a.length; at++) if (Math.abs(a[at] - b[at]) > 1e-9) return a[at] < b[at]
  return false
}
