// Who does which step of which unit, and when?
import { mayDo, partsOfRef, refOf, skillName, visitId, type Step } from '../procedure/index.ts'
import { Fault } from '../faults/index.ts'
import { servesAll } from '../products/index.ts'
import { estimate, round } from '../quantities/index.ts'
import { says } from '../words/index.ts'
import type { Activity, Hold, Lag, Problem, ScheduleOptions } from './problem.ts'
import { schedule } from './schedule.ts'

export interface CrewMember {
  readonly name: string
  readonly trained?: readonly string[]
  readonly liftKg?: number
}

export interface TimelineTask {
  unitId: string
  step: string
  startMin: number
  endMin: number
  who: string[]
  equipment: string[]
}

export interface Timeline {
  finishMin: number
  lowerBoundMin: number
  /** Time until the finish without what nobody stays for. */
  onSiteMin: number
  /** Share of the time on site in which somebody works, 0..1; 1 where there is nothing to do. */
  busyShare: number
  tasks: TimelineTask[]
}

export interface UnitSteps {
  readonly id: string
  readonly steps: readonly Step[]
  /** Who of the crew was given a step, by name. */
  readonly given?: Readonly<Record<string, string>>
  /** What this unit holds already, and the step with whose end it is free again. */
  readonly held?: readonly { readonly equipment: string; readonly until: string }[]
}

/** Activities that are placed while looking for a better timeline: few while one unit is looked over tap by tap, more for a whole visit. */
const effortForOne = 120
const effortForMany = 20_000
/** Nobody tells two minutes in a day apart: a whole visit that ends so close to its lower bound is good enough. */
const closeEnough = estimate(0.005, 'share of the lower bound')

const key = refOf
const person = (index: number) => `person ${index}`

interface Put {
  readonly unitId: string
  readonly step: Step
  /** Of two people, the one who is named; the other one is free to choose. */
  readonly named?: number
}

/** The problem of these people, by their place in the crew. */
function problemOf(
  units: readonly UnitSteps[],
  crew: readonly CrewMember[],
  people: readonly number[],
  equipmentCount: (kind: string) => number,
): { problem: Problem; putOf: Map<string, Put> } {
  const byTraining = [...people].sort((a, b) => (crew[a].trained?.length ?? 0) - (crew[b].trained?.length ?? 0))
  const whoMay = (step: Step) => byTraining.filter((index) => mayDo(step, crew[index])).map(person)
  const resources: Record<string, number> = Object.fromEntries(people.map((index) => [person(index), 1]))
  const activities: Activity[] = []
  const lags: Lag[] = []
  const holds: Hold[] = []
  const putOf = new Map<string, Put>()
  const stepOf = new Map(units.flatMap(({ id, steps }) => steps.map((step) => [key(id, step.id), step] as const)))
  for (const { id: unitId, steps, given, held = [] } of units) {
    const byId = new Map(steps.map((step) => [step.id, step]))
    for (const { equipment, until } of held)
      if ((resources[equipment] ??= equipmentCount(equipment)) > 0 && byId.has(until))
        holds.push({ resource: equipment, amount: 1, to: key(unitId, until) })
    for (const step of steps) {
      const id = key(unitId, step.id)
      const whose = given?.[step.id] === undefined ? -1 : crew.findIndex(({ name }) => name === given[step.id])
      const count = Math.min(step.people, crew.length)
      const named = whose >= 0 && count > 1
      putOf.set(id, { unitId, step, ...(named ? { named: whose } : {}) })
      const needs: Record<string, number> = named ? { [person(whose)]: 1 } : {}
      for (const kind of step.equipment) {
        if (servesAll.includes(kind) || (resources[kind] ??= equipmentCount(kind)) === 0) continue
        if (step.holds?.equipment.includes(kind) && byId.has(step.holds.until))
          holds.push({ resource: kind, amount: 1, from: id, to: key(unitId, step.holds.until) })
        else needs[kind] = 1
      }
      const may = whoMay(step)
      const of = whose < 0 ? may : named ? may.filter((other) => other !== person(whose)) : [person(whose)]
      activities.push({ id, minutes: step.handsMin, needs, anyOf: { of, count: named ? count - 1 : count }, place: unitId })
      for (const before of step.after) {
        const to = partsOfRef(before, unitId)
        const from = key(to.list, to.step)
        // What is done already, or belongs to a unit that is not planned, holds nothing up.
        if (to.list !== unitId && !stepOf.has(from)) continue
        const wait = stepOf.get(from)?.wait
        lags.push({
          from,
          to: id,
          leastMin: wait?.leastMin ?? 0,
          ...(wait?.mostMin === undefined ? {} : { mostMin: wait.mostMin }),
        })
      }
    }
  }
  return { problem: { activities, lags, holds, resources }, putOf }
}

/** Everybody but one and fewer, largest groups first. */
function smallerGroups(count: number): number[][] {
  const everybody = Array.from({ length: count }, (_, index) => index)
  return Array.from({ length: 2 ** count - 2 }, (_, bits) => everybody.filter((index) => (bits + 1) & (1 << index))).sort(
    (a, b) => b.length - a.length,
  )
}

/** Whether these people can do it all by themselves. */
function suffices(units: readonly UnitSteps[], crew: readonly CrewMember[], people: readonly number[]): boolean {
  return units.every(({ steps, given = {} }) =>
    steps.every((step) => {
      const whose = given[step.id]
      if (whose !== undefined && !people.some((index) => crew[index].name === whose)) return false
      return people.filter((index) => mayDo(step, crew[index])).length >= Math.min(step.people, crew.length)
    }),
  )
}

/**
 * Timeline of all units for the crew. People are single resources, the least trained asked first; a step that needs training or
 * strength asks only those who have it. Equipment counts up to what the van holds; what it does not hold at all blocks nothing here
 * (the plan's kit names it), nor does what serves everybody at once. What hangs on a unit stays in use until it is taken down. A step that was given to somebody is theirs.
 * Finish and lower bound are of hands-on work; a wait at the very end is nobody's time. Where the best is not proved, fewer of the crew
 * are tried too: one more person never makes a later finish.
 * @throws Fault `no-schedule` naming the step, for instance when nobody is trained for it.
 */
export function timeline(
  units: readonly UnitSteps[],
  crew: readonly CrewMember[],
  equipmentCount: (kind: string) => number,
  options: ScheduleOptions = {},
): Timeline {
  refuseGifts(units, crew)
  const isOne = units.filter(({ id }) => id !== visitId).length === 1
  const tried = { ...(isOne ? { effort: effortForOne } : { effort: effortForMany, within: closeEnough.value }), ...options }
  const { problem, putOf } = problemOf(
    units,
    crew,
    crew.map((_, index) => index),
    equipmentCount,
  )
  let best = schedule(problem, tried)
  const { lowerBoundMin } = best
  for (const people of smallerGroups(crew.length)) {
    if (best.finishMin <= lowerBoundMin * (1 + (tried.within ?? 0)) + 1e-9 || tried.signal?.aborted) break
    if (!suffices(units, crew, people)) continue
    const other = schedule(problemOf(units, crew, people, equipmentCount).problem, { ...tried, below: best.finishMin })
    if (other && other.finishMin < best.finishMin - 1e-9) best = other
  }
  const nameOf = new Map(crew.map(({ name }, index) => [person(index), name]))
  const { starts, chosen, finishMin } = best
  const tasks = [...putOf]
    .map(([id, { unitId, step, named }]) => ({
      unitId,
      step: step.id,
      startMin: starts[id],
      endMin: starts[id] + step.handsMin,
      who: [...(named === undefined ? [] : [crew[named].name]), ...chosen[id].map((who) => nameOf.get(who) ?? who)],
      equipment: step.equipment,
    }))
    .sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin)
  const { busyMin, awayMin } = busyOf(tasks)
  const onSiteMin = finishMin - awayMin
  return { finishMin, lowerBoundMin, onSiteMin, busyShare: onSiteMin > 0 ? round(busyMin / onSiteMin, 3) : 1, tasks }
}

/** Nobody stays to watch something dry for so long: people go, and come again. */
const stayFor = estimate(120, 'min')

/** Minutes in which somebody works, and in which nobody is there. @param tasks by their start */
function busyOf(tasks: readonly TimelineTask[]): { busyMin: number; awayMin: number } {
  let [busyMin, awayMin, untilMin] = [0, 0, 0]
  for (const { startMin, endMin } of tasks) {
    busyMin += Math.max(0, endMin - Math.max(startMin, untilMin))
    if (startMin - untilMin >= stayFor.value) awayMin += startMin - untilMin
    untilMin = Math.max(untilMin, endMin)
  }
  return { busyMin, awayMin }
}

/** A step cannot be given to somebody who is not trained for it. */
function refuseGifts(units: readonly UnitSteps[], crew: readonly CrewMember[]): void {
  const lines = units.flatMap(({ steps, given = {} }) =>
    steps.flatMap((step) => {
      const whose = crew.find(({ name }) => name === given[step.id])
      if (!whose || mayDo(step, whose)) return []
      const able = crew.filter((member) => mayDo(step, member)).map(({ name }) => name)
      const lacks = [step.skill, step.alsoSkill].flatMap((skill) => (skill !== undefined && !whose.trained?.includes(skill) ? [skill] : []))
      const what =
        lacks.length > 0
          ? says('fault.crew.not-trained', { name: whose.name, skills: { and: lacks.map(skillName) } })
          : says('fault.crew.may-not-lift', { name: whose.name, load: { kg: step.liftKg ?? 0 } })
      return [{ where: step.id, what, allowed: able.join(', ') || says('fault.crew.nobody-here') }]
    }),
  )
  if (lines.length > 0) throw new Fault('no-schedule', { lines })
}
