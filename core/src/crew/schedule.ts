// When does each activity start so that the crew is done soonest?
import { Fault } from '../faults/index.ts'
import { says } from '../words/index.ts'
import { lowerBound } from './bound.ts'
import { exact } from './exact.ts'
import type { Placement } from './generate.ts'
import { improve } from './improve.ts'
import { networkOf, type Arc, type Network } from './network.ts'
import type { BoundedOptions, Problem, Schedule, ScheduleOptions } from './problem.ts'

/** Up to this many activities the least finish is looked for with a proof, within so many nodes. */
const provable = { activities: 24, nodes: 20_000 }

/**
 * A schedule that keeps all lags and capacities: least finish first, then fewer changes of place, then less idle time.
 * Heuristics for all sizes, a search with a proof for small ones. The same problem, seed and effort give the same schedule.
 * @throws Fault `no-schedule` naming the culprits: a circle, a need above capacity, or a most lag that no order keeps.
 */
export function schedule(problem: Problem, options: BoundedOptions): Schedule | undefined
export function schedule(problem: Problem, options?: ScheduleOptions): Schedule
export function schedule(problem: Problem, options: Partial<BoundedOptions> = {}): Schedule | undefined {
  const network = networkOf(problem)
  const bound = lowerBound(network)
  if (options.below !== undefined && bound >= options.below - 1e-9) return undefined
  const { best, failed } = improve(network, bound * (1 + (options.within ?? 0)), options)
  const isClosed = best !== undefined && best.finish <= bound + 1e-9
  const small = network.ids.length <= provable.activities && !isClosed
  const proof = small ? exact(network, best?.finish ?? Infinity, provable.nodes, options.signal) : undefined
  const better = proof?.starts && withTeams(network, proof.starts)
  const placement = better ?? best
  if (!placement) throw noOrder(network, failed, proof?.complete === true)
  // A complete search without a shorter schedule proves the best; one that people could not be found for proves only its own finish.
  const proved = !proof?.complete ? bound : proof.starts && !better ? finishOf(network, proof.starts) : placement.finish
  return asSchedule(network, placement, Math.max(bound, proved))
}

/** Who does what at starts that are settled: in order of time, whoever is free and named first. @returns undefined where somebody is missing. */
function withTeams({ minutes, anyOf, ids }: Network, starts: readonly number[]): Placement | undefined {
  const freeFrom = new Map<number, number>()
  const chosen = ids.map(() => [] as number[])
  const inTime = ids.map((_, index) => index).sort((a, b) => starts[a] - starts[b] || a - b)
  for (const index of inTime) {
    const asked = anyOf[index]
    if (!asked) continue
    const free = asked.of.filter((person) => (freeFrom.get(person) ?? 0) <= starts[index] + 1e-9)
    if (free.length < asked.count) return undefined
    chosen[index] = free.slice(0, asked.count)
    for (const person of chosen[index]) freeFrom.set(person, starts[index] + minutes[index])
  }
  return { starts, chosen, finish: Math.max(0, ...starts.map((start, index) => start + minutes[index])) }
}

const finishOf = ({ minutes }: Network, starts: readonly number[]) => Math.max(0, ...starts.map((start, index) => start + minutes[index]))

function asSchedule({ ids, resourceIds }: Network, { starts, chosen, finish }: Placement, lowerBoundMin: number): Schedule {
  return {
    starts: Object.fromEntries(ids.map((id, index) => [id, starts[index]])),
    chosen: Object.fromEntries(ids.map((id, index) => [id, chosen[index].map((resource) => resourceIds[resource])])),
    finishMin: finish,
    lowerBoundMin,
    provedBest: finish <= lowerBoundMin + 1e-9,
  }
}

function noOrder({ ids }: Network, failed: Arc | undefined, isProved: boolean): Fault {
  if (!failed) return new Fault('no-schedule')
  const [from, to] = [ids[failed.from], ids[failed.to]]
  return new Fault('no-schedule', {
    lines: [
      {
        where: `${from} → ${to}`,
        what: says(isProved ? 'fault.crew.no-order' : 'fault.crew.no-order-found', { to, most: { n: failed.most }, from }),
        allowed: says('fault.crew.no-order-allowed'),
      },
    ],
  })
}
