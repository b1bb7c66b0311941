// When does each activity start so that the crew is done soonest?
import { Fault } from '../faults/index.ts'
import type { Activity, Lag, Problem, Schedule } from './problem.ts'
import { Profile } from './profile.ts'

interface Network {
  readonly activities: ReadonlyMap<string, Activity>
  readonly before: ReadonlyMap<string, readonly Lag[]>
  readonly after: ReadonlyMap<string, readonly Lag[]>
  readonly order: readonly string[]
  /** Longest way from an activity's start to the end of everything, minutes. */
  readonly tail: ReadonlyMap<string, number>
}

interface Placement {
  readonly starts: ReadonlyMap<string, number>
  readonly chosen: ReadonlyMap<string, readonly string[]>
}

/** Above this many activities the first rule that works is kept. */
const manyActivities = 1000

/**
 * Serial schedule generation with several priority rules; an activity that would break a most lag is unscheduled together with
 * what started the lag, and that is started later (unscheduling step of Franck, Neumann and Schwindt 2001).
 * Lower bound: the longer of the critical path and each resource's work over its capacity. Deterministic.
 * @throws Fault `no-schedule` naming the culprits: a cycle, a need above capacity, or a most lag that no order keeps.
 */
export function schedule(problem: Problem): Schedule {
  const { activities } = problem
  const network = networkOf(problem)
  checkCapacities(problem)
  const lowerBoundMin = lowerBound(problem, network)
  const priorities: ((id: string) => number)[] = [
    (id) => network.tail.get(id)!,
    (id) => network.tail.get(id)! + network.activities.get(id)!.minutes,
    (id) => (network.after.get(id)?.length ?? 0) * 10 + network.tail.get(id)! / 100,
    (id) => network.activities.get(id)!.minutes,
  ]
  let best: Placement | undefined
  let bestFinish = Infinity
  let failure: Fault | undefined
  for (const priority of priorities) {
    const placement = generate(problem, network, priority)
    if (placement instanceof Fault) failure = placement
    else if (finishOf(placement.starts, network) < bestFinish) {
      best = placement
      bestFinish = finishOf(placement.starts, network)
    }
    if (bestFinish <= lowerBoundMin + 1e-9 || (best && activities.length > manyActivities)) break
  }
  if (!best) throw failure ?? new Fault('no-schedule')
  return {
    starts: Object.fromEntries(best.starts),
    chosen: Object.fromEntries(best.chosen),
    finishMin: bestFinish,
    lowerBoundMin,
    provedBest: bestFinish <= lowerBoundMin + 1e-9,
  }
}

const finishOf = (starts: ReadonlyMap<string, number>, { activities }: Network) =>
  Math.max(0, ...[...starts].map(([id, start]) => start + activities.get(id)!.minutes))

function networkOf({ activities, lags }: Problem): Network {
  const byId = new Map(activities.map((activity) => [activity.id, activity]))
  const before = new Map<string, Lag[]>()
  const after = new Map<string, Lag[]>()
  for (const lag of lags) {
    for (const end of [lag.from, lag.to]) {
      if (!byId.has(end))
        throw new Fault('no-schedule', {
          lines: [{ where: `lag ${lag.from} → ${lag.to}`, what: `there is no activity ${end}`, allowed: 'ids of activities' }],
        })
    }
    before.set(lag.to, [...(before.get(lag.to) ?? []), lag])
    after.set(lag.from, [...(after.get(lag.from) ?? []), lag])
  }
  const order = topological(activities, before, after)
  const tail = new Map<string, number>()
  for (const id of [...order].reverse()) {
    const following = (after.get(id) ?? []).map((lag) => lag.leastMin + tail.get(lag.to)!)
    tail.set(id, byId.get(id)!.minutes + Math.max(0, ...following))
  }
  return { activities: byId, before, after, order, tail }
}

function topological(
  activities: readonly Activity[],
  before: ReadonlyMap<string, readonly Lag[]>,
  after: ReadonlyMap<string, readonly Lag[]>,
): string[] {
  const open = new Map(activities.map(({ id }) => [id, before.get(id)?.length ?? 0]))
  const ready = activities.filter(({ id }) => open.get(id) === 0).map(({ id }) => id)
  const order: string[] = []
  while (ready.length > 0) {
    const id = ready.shift()!
    order.push(id)
    for (const { to } of after.get(id) ?? []) {
      open.set(to, open.get(to)! - 1)
      if (open.get(to) === 0) ready.push(to)
    }
  }
  if (order.length < activities.length) {
    const stuck = activities.filter(({ id }) => !order.includes(id)).map(({ id }) => id)
    throw new Fault('no-schedule', { lines: [{ where: stuck.join(', '), what: 'these wait for one another in a circle', allowed: 'no circle' }] })
  }
  return order
}

function checkCapacities({ activities, resources }: Problem): void {
  const capacity = (resource: string) => resources[resource] ?? 0
  const lines = activities.flatMap(({ id, needs, anyOf }) => [
    ...Object.entries(needs)
      .filter(([resource, need]) => need > capacity(resource))
      .map(([resource, need]) => ({
        where: id,
        what: `it needs ${need} of ${resource}, and there are ${capacity(resource)}`,
        allowed: `at most ${capacity(resource)}`,
      })),
    ...(anyOf && anyOf.of.filter((resource) => capacity(resource) > 0).length < anyOf.count
      ? [{ where: id, what: `it needs ${anyOf.count} of: ${anyOf.of.join(', ') || 'nobody'}`, allowed: 'as many as there are' }]
      : []),
  ])
  if (lines.length > 0) throw new Fault('no-schedule', { lines })
}

function lowerBound({ activities, resources }: Problem, { tail }: Network): number {
  const critical = Math.max(0, ...tail.values())
  const work = Object.entries(resources).map(([resource, capacity]) =>
    capacity > 0 ? activities.reduce((sum, { minutes, needs }) => sum + minutes * (needs[resource] ?? 0), 0) / capacity : 0,
  )
  const groups = new Map(activities.flatMap(({ anyOf }) => (anyOf ? [[anyOf.of.join('\n'), anyOf.of] as const] : [])))
  const shared = [...groups.values()].map((group) => {
    const own = activities.filter(({ anyOf }) => anyOf?.of.every((resource) => group.includes(resource)))
    return own.reduce((sum, { minutes, anyOf }) => sum + minutes * anyOf!.count, 0) / group.length
  })
  return Math.max(critical, ...work, ...shared)
}

function generate(problem: Problem, network: Network, priority: (id: string) => number): Placement | Fault {
  const { activities, before } = network
  const starts = new Map<string, number>()
  const chosen = new Map<string, readonly string[]>()
  const notBefore = new Map<string, number>()
  const profiles = new Map(Object.entries(problem.resources).map(([resource, capacity]) => [resource, new Profile(capacity)]))
  const occupy = (id: string, start: number, sign: 1 | -1) => {
    const { minutes, needs } = activities.get(id)!
    for (const [resource, need] of Object.entries(needs)) profiles.get(resource)!.add(start, start + minutes, sign * need)
    for (const resource of chosen.get(id) ?? []) profiles.get(resource)!.add(start, start + minutes, sign)
  }
  const unschedule = (id: string) => {
    const start = starts.get(id)
    if (start === undefined) return
    starts.delete(id)
    occupy(id, start, -1)
    for (const { to } of network.after.get(id) ?? []) unschedule(to)
  }
  let budget = problem.activities.length * 50
  while (starts.size < problem.activities.length) {
    const id = nextReady(network, starts, priority)
    const earliest = Math.max(notBefore.get(id) ?? 0, ...(before.get(id) ?? []).map((lag) => endOf(lag.from, starts, network) + lag.leastMin))
    const { start, team } = firstFree(activities.get(id)!, profiles, earliest)
    const late = (before.get(id) ?? []).find((lag) => lag.mostMin !== undefined && start > endOf(lag.from, starts, network) + lag.mostMin + 1e-9)
    if (!late) {
      starts.set(id, start)
      chosen.set(id, team)
      occupy(id, start, 1)
      continue
    }
    if (budget-- <= 0)
      return new Fault('no-schedule', {
        lines: [
          {
            where: `${late.from} → ${late.to}`,
            what: `no order starts ${late.to} at most ${late.mostMin} min after ${late.from}`,
            allowed: 'a longer most lag, more people or more equipment',
          },
        ],
      })
    notBefore.set(late.from, start - late.mostMin! - activities.get(late.from)!.minutes)
    unschedule(late.from)
  }
  return { starts, chosen }
}

const endOf = (id: string, starts: ReadonlyMap<string, number>, { activities }: Network) => starts.get(id)! + activities.get(id)!.minutes

/** Of the activities whose predecessors are placed, the most urgent; one under a most lag goes first. */
function nextReady({ order, before }: Network, starts: ReadonlyMap<string, number>, priority: (id: string) => number): string {
  let best: string | undefined
  let bestValue = -Infinity
  for (const id of order) {
    if (starts.has(id)) continue
    const lags = before.get(id) ?? []
    if (!lags.every(({ from }) => starts.has(from))) continue
    const value = priority(id) + (lags.some(({ mostMin }) => mostMin !== undefined) ? 1e6 : 0)
    if (value > bestValue) [best, bestValue] = [id, value]
  }
  return best!
}

/** Earliest start from `earliest` at which every needed resource, and enough of any of the named ones, are free throughout. */
function firstFree({ minutes, needs, anyOf }: Activity, profiles: ReadonlyMap<string, Profile>, earliest: number): { start: number; team: string[] } {
  const wanted = Object.entries(needs)
  for (let start = earliest; ;) {
    let later = wanted.reduce((time, [resource, need]) => profiles.get(resource)!.firstFree(time, minutes, need), start)
    const free = (anyOf?.of ?? [])
      .map((resource) => ({ resource, from: profiles.get(resource)!.firstFree(later, minutes, 1) }))
      .sort((a, b) => a.from - b.from)
    const team = free.slice(0, anyOf?.count ?? 0)
    later = Math.max(later, ...team.map(({ from }) => from))
    if (later === start) return { start, team: team.map(({ resource }) => resource) }
    start = later
  }
}
