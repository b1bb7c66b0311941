// Who does which step of which unit, and when?
import type { Step } from '../procedure/index.ts'
import type { Activity, Lag, ScheduleOptions } from './problem.ts'
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
}

/** Activities that are placed while looking for a better timeline: few while one unit is looked over tap by tap, more for a whole visit. */
const effortForOne = 800
const effortForMany = 30_000

const key = (unitId: string, stepId: string) => `${unitId}/${stepId}`
const person = (index: number) => `person ${index}`

/**
 * Timeline of all units for the crew. People are single resources, the least trained asked first; a step that needs training
 * asks only those who have it. Equipment counts up to what the van holds; what it does not hold at all blocks nothing here
 * (the plan's kit names it). Finish and lower bound are of hands-on work; a wait at the very end is nobody's time.
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
  const stepOf = new Map<string, { unitId: string; step: Step }>()
  for (const { id: unitId, steps } of units) {
    const byId = new Map(steps.map((step) => [step.id, step]))
    for (const step of steps) {
      const id = key(unitId, step.id)
      stepOf.set(id, { unitId, step })
      const needs: Record<string, number> = {}
      for (const kind of step.equipment) if ((resources[kind] ??= equipmentCount(kind)) > 0) needs[kind] = 1
      activities.push({
        id,
        minutes: step.handsMin,
        needs,
        anyOf: { of: whoMay(step.skill), count: Math.min(step.people, crew.length) },
        place: unitId,
      })
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
  const { starts, chosen, finishMin, lowerBoundMin } = schedule({ activities, lags, resources }, { effort, ...options })
  const nameOf = new Map(crew.map(({ name }, index) => [person(index), name]))
  const tasks = [...stepOf]
    .map(([id, { unitId, step }]) => ({
      unitId,
      step: step.id,
      startMin: starts[id],
      endMin: starts[id] + step.handsMin,
      who: chosen[id].map((who) => nameOf.get(who)!),
      equipment: step.equipment,
    }))
    .sort((a, b) => a.startMin - b.startMin || a.endMin - b.endMin)
  return { finishMin, lowerBoundMin, tasks }
}
