// How do the activities hang together? The problem by number, with its longest ways; what contradicts itself is said at once.
import { Fault, type FaultLine } from '../faults/index.ts'
import { says } from '../words/index.ts'
import type { Problem } from './problem.ts'

/** Start of `to` minus end of `from` lies within [least, most]. */
export interface Arc {
  readonly from: number
  readonly to: number
  readonly least: number
  readonly most: number
}

/** `amount` of `resource` from the start of `from` (or the beginning) to the end of `to` (or for good). */
export interface Held {
  readonly resource: number
  readonly amount: number
  readonly from?: number
  readonly to?: number
}

export interface Network {
  readonly ids: readonly string[]
  readonly minutes: readonly number[]
  readonly places: readonly (string | undefined)[]
  readonly arcs: readonly Arc[]
  readonly before: readonly (readonly Arc[])[]
  readonly after: readonly (readonly Arc[])[]
  /** Earliest start by lags alone, and longest way from an activity's start to the end of everything, minutes. */
  readonly head: readonly number[]
  readonly tail: readonly number[]
  readonly capacity: readonly number[]
  readonly resourceIds: readonly string[]
  /** Resource and amount; and `count` of single resources. */
  readonly needs: readonly (readonly (readonly [resource: number, amount: number])[])[]
  readonly anyOf: readonly ({ readonly of: readonly number[]; readonly count: number } | undefined)[]
  readonly holds: readonly Held[]
}

/** @throws Fault `no-schedule` naming the culprits: an unknown id, a circle, a need above capacity, or lags that contradict one another. */
export function networkOf(problem: Problem): Network {
  const { activities, lags, resources, holds = [] } = problem
  const numberOf = new Map(activities.map(({ id }, index) => [id, index]))
  const resourceIds = [
    ...new Set([
      ...Object.keys(resources),
      ...activities.flatMap(({ needs, anyOf }) => [...Object.keys(needs), ...(anyOf?.of ?? [])]),
      ...holds.map(({ resource }) => resource),
    ]),
  ]
  const resourceOf = new Map(resourceIds.map((id, index) => [id, index]))
  const lines = [...unknownEnds(problem, numberOf), ...aboveCapacity(problem)]
  if (lines.length > 0) throw new Fault('no-schedule', { lines })
  const arc = (from: string, to: string, least: number, most = Infinity): Arc => ({ from: numberOf.get(from)!, to: numberOf.get(to)!, least, most })
  const arcs = [
    ...lags.map(({ from, to, leastMin, mostMin }) => arc(from, to, leastMin, mostMin)),
    ...holds.flatMap(({ from, to }) => (from === undefined || to === undefined ? [] : [arc(from, to, 0)])),
  ]
  const ids = activities.map(({ id }) => id)
  const minutes = activities.map((activity) => activity.minutes)
  const before = ids.map(() => [] as Arc[])
  const after = ids.map(() => [] as Arc[])
  for (const one of arcs) {
    before[one.to].push(one)
    after[one.from].push(one)
  }
  refuseCircles(ids, before, after)
  const head = earliest(minutes, arcs, ids)
  const tail = earliest(minutes, arcs.map(turned), ids).map((start, index) => start + minutes[index])
  return {
    ids,
    minutes,
    places: activities.map(({ place }) => place),
    arcs,
    before,
    after,
    head,
    tail,
    capacity: resourceIds.map((id) => resources[id] ?? 0),
    resourceIds,
    needs: activities.map(({ needs }) =>
      Object.entries(needs)
        .filter(([, amount]) => amount > 0)
        .map(([id, amount]) => [resourceOf.get(id)!, amount] as const),
    ),
    holds: holds.map(({ resource, amount, from, to }) => ({
      resource: resourceOf.get(resource)!,
      amount,
      ...(from === undefined ? {} : { from: numberOf.get(from)! }),
      ...(to === undefined ? {} : { to: numberOf.get(to)! }),
    })),
    anyOf: activities.map(({ anyOf }) =>
      anyOf?.count === 0 ? undefined : anyOf && { of: anyOf.of.map((id) => resourceOf.get(id)!), count: anyOf.count },
    ),
  }
}

const turned = ({ from, to, least, most }: Arc): Arc => ({ from: to, to: from, least, most })

/** The same network with time running backwards. */
export const reversed = (network: Network): Network => ({
  ...network,
  arcs: network.arcs.map(turned),
  before: network.after.map((arcs) => arcs.map(turned)),
  after: network.before.map((arcs) => arcs.map(turned)),
  head: network.tail.map((tail, index) => tail - network.minutes[index]),
  tail: network.head.map((head, index) => head + network.minutes[index]),
  holds: network.holds.map(({ resource, amount, from, to }) => ({
    resource,
    amount,
    ...(to === undefined ? {} : { from: to }),
    ...(from === undefined ? {} : { to: from }),
  })),
})

/**
 * Earliest starts by lags alone, most lags included: longest ways by relaxation (Bellman and Ford).
 * `added` holds further arcs of least lag 0; `from` are starts that are known not to be too late.
 * @returns undefined where the lags contradict one another.
 */
export function longestWays(
  minutes: readonly number[],
  arcs: readonly Arc[],
  added: readonly (readonly [number, number])[] = [],
  from?: readonly number[],
): number[] | undefined {
  const starts = from ? [...from] : minutes.map(() => 0)
  for (let turn = 0; turn <= minutes.length; turn++) {
    let moved = false
    const push = (index: number, time: number) => {
      if (time <= starts[index] + 1e-9) return
      starts[index] = time
      moved = true
    }
    for (const arc of arcs) {
      push(arc.to, starts[arc.from] + minutes[arc.from] + arc.least)
      if (arc.most < Infinity) push(arc.from, starts[arc.to] - minutes[arc.from] - arc.most)
    }
    for (const [first, second] of added) push(second, starts[first] + minutes[first])
    if (!moved) return starts
  }
  return undefined
}

function earliest(minutes: readonly number[], arcs: readonly Arc[], ids: readonly string[]): number[] {
  const starts = longestWays(minutes, arcs)
  if (starts) return starts
  const name = ({ from, to, most }: Arc): FaultLine => ({
    where: `${ids[from]} → ${ids[to]}`,
    what: says('fault.crew.no-order', { to: ids[to], most: { n: most }, from: ids[from] }),
    allowed: says('fault.crew.no-lag-allowed'),
  })
  // One most lag whose leaving makes the rest possible is the culprit; else all of them together.
  const bounded = arcs.filter(({ most }) => most < Infinity)
  const culprits = bounded.filter((culprit) =>
    longestWays(
      minutes,
      arcs.map((arc) => (arc === culprit ? { ...arc, most: Infinity } : arc)),
    ),
  )
  throw new Fault('no-schedule', { lines: (culprits.length > 0 ? culprits : bounded).map(name) })
}

const unknownEnds = ({ lags, holds = [] }: Problem, numberOf: ReadonlyMap<string, number>): FaultLine[] =>
  [...lags, ...holds].flatMap(({ from, to }) =>
    [from, to]
      .filter((end) => end !== undefined && !numberOf.has(end))
      .map((end = '') => ({
        where: `${from ?? '…'} → ${to ?? '…'}`,
        what: says('fault.crew.no-activity', { end }),
        allowed: says('fault.crew.no-activity-allowed'),
      })),
  )

function aboveCapacity({ activities, resources, holds = [] }: Problem): FaultLine[] {
  const capacity = (resource: string) => resources[resource] ?? 0
  const held = holds
    .filter(({ resource, amount }) => amount > capacity(resource))
    .map(({ resource, amount, from, to }) => ({
      where: from ?? to ?? resource,
      what: says('fault.crew.holds', { amount: { n: amount }, resource, there: { n: capacity(resource) } }),
      allowed: says('fault.schema.bound', { is: 'most', figure: { n: capacity(resource) } }),
    }))
  const own = activities.flatMap(({ id, needs, anyOf }) => [
    ...Object.entries(needs)
      .filter(([resource, need]) => need > capacity(resource))
      .map(([resource, need]) => ({
        where: id,
        what: says('fault.crew.needs', { amount: { n: need }, resource, there: { n: capacity(resource) } }),
        allowed: says('fault.schema.bound', { is: 'most', figure: { n: capacity(resource) } }),
      })),
    ...(anyOf && anyOf.of.filter((resource) => capacity(resource) > 0).length < anyOf.count
      ? [
          {
            where: id,
            what: says('fault.crew.any-of', { count: anyOf.count, of: anyOf.of.join(', ') || says('fault.crew.nobody') }),
            allowed: says('fault.crew.any-of-allowed'),
          },
        ]
      : []),
  ])
  return [...held, ...own]
}

function refuseCircles(ids: readonly string[], before: readonly (readonly Arc[])[], after: readonly (readonly Arc[])[]): void {
  const open = before.map((arcs) => arcs.length)
  const ready = ids.map((_, index) => index).filter((index) => open[index] === 0)
  for (const index of ready) for (const { to } of after[index]) if (--open[to] === 0) ready.push(to)
  if (ready.length === ids.length) return
  const done = new Set(ready)
  const stuck = ids.filter((_, index) => !done.has(index))
  throw new Fault('no-schedule', {
    lines: [{ where: stuck.join(', '), what: says('fault.crew.circle'), allowed: says('fault.crew.circle-allowed') }],
  })
}
