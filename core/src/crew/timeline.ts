// Who does which step of which unit, and when?
import type { Step } from '../procedure/index.ts'
import { Fault } from '../faults/index.ts'
import type { Activity, Hold, Lag, ScheduleOptions } from './problem.ts'
import { schedule } from './schedule.ts'

export interface CrewMember {
  readonly name: string
  readonly trained?: readonly string[]
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
const effortForOne = 800
const effortForMany = 30_000

const key = (unitId: string, stepId: string) => `${unitId}/${stepId}`
const person = (index: number) => `person ${index}`

/**
 * Timeline of all units for the crew. People are single resources, the least trained asked first; a step that needs training
 * asks only those who have it. Equipment counts up to what the van holds; what it does not hold at all blocks nothing here
 * (the plan's kit names it). What hangs on a unit stays in use until it is taken down. A step that was given to somebody is theirs.
 * Finish and lower bound are of hands-on work; a wait at the very end is nobody's time.
 * @throws Fault `no-schedule` naming the step, for instance when nobody is trained for it.
 */
export function timeline(
  units: readonly UnitSteps[],
  crew: readonly CrewMember[],
  equipmentCount: (kind: string) => number,
  options: ScheduleOptions = {},
): Timeline {
  const byTraining = crew.map((_, index) => index).sort((a, b) => (crew[a].trained?.length ?? 0) - (crew[b].trained?.length ?? 0))
  const whoMay = (skill: string | undefined) => byTraining.filter((index) => skill === undefined || crew[index].trained?.includes(skill)).map(person)
  const resources: Record<string, number> = Object.fromEntries(crew.map((_, index) => [person(index), 1]))
  const activities: Activity[] = []
  const lags: Lag[] = []
  const holds: Hold[] = []
  const stepOf = new Map<string, { unitId: string; step: Step; given?: number }>()
  refuseGifts(units, crew)
  for (const { id: unitId, steps, given, held = [] } of units) {
    const byId = new Map(steps.map((step) => [step.id, step]))
    for (const { equipment, until } of held)
      if ((resources[equipment] ??= equipmentCount(equipment)) > 0 && byId.has(until))
        holds.push({ resource: equipment, amount: 1, to: key(unitId, until) })
    for (const step of steps) {
      const id = key(unitId, step.id)
      const whose = given?.[step.id] === undefined ? -1 : crew.findIndex(({ name }) => name === given[step.id])
      const count = Math.min(step.people, crew.length)
      // Of two people one is named and the other one free to choose.
      const named = whose >= 0 && count > 1
      stepOf.set(id, { unitId, step, ...(named ? { given: whose } : {}) })
      const needs: Record<string, number> = named ? { [person(whose)]: 1 } : {}
      for (const kind of step.equipment) {
        if ((resources[kind] ??= equipmentCount(kind)) === 0) continue
        if (step.holds?.equipment.includes(kind) && byId.has(step.holds.until))
          holds.push({ resource: kind, amount: 1, from: id, to: key(unitId, step.holds.until) })
        else needs[kind] = 1
      }
      const may = whoMay(step.skill)
      const of = whose < 0 ? may : named ? may.filter((other) => other !== person(whose)) : [person(whose)]
      activities.push({ id, minutes: step.handsMin, needs, anyOf: { of, count: named ? count - 1 : count }, place: unitId })
      for (const before of step.after) {
        const wait = byId.get(before)?.wait
        lags.push({
          from: key(unitId, before),
          to: id,
          leastMin: wait?.leastMin ?? 0,
          ...(wait?.mostMin === undefined ? {} : { mostMin: wait.mostMin }),
        })
      }
    }
  }
  const effort = units.length === 1 ? effortForOne : effortForMany
  const { starts, chosen, finishMin, lowerBoundMin } = schedule({ activities, lags, holds, resources }, { effort, ...options })
  const nameOf = new Map(crew.map(({ name }, index) => [person(index), name]))
  const tasks = [...stepOf]
    .map(([id, { unitId, step, given }]) => ({
      unitId,
      step: step.id,
      startMin: starts[id],
      endMin: starts[id] + step.handsMin,
      who: [...(given === undefined ? [] : [crew[given].name]), ...chosen[id].map((who) => nameOf.get(who)!)],
      equipment: step.equipment,
    }))
    .sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin)
  return { finishMin, lowerBoundMin, tasks }
}

/** A step cannot be given to somebody who is not trained for it. */
function refuseGifts(units: readonly UnitSteps[], crew: readonly CrewMember[]): void {
  const lines = units.flatMap(({ steps, given = {} }) =>
    steps.flatMap(({ id, title, skill }) => {
      const whose = crew.find(({ name }) => name === given[id])
      if (!whose || skill === undefined || whose.trained?.includes(skill)) return []
      const trained = crew.filter((member) => member.trained?.includes(skill)).map(({ name }) => name)
      return [
        { where: title, what: `${whose.name} is not trained for ${skill.replace('-', ' ')}`, allowed: trained.join(', ') || 'nobody of this crew' },
      ]
    }),
  )
  if (lines.length > 0) throw new Fault('no-schedule', { lines })
}
