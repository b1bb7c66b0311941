// What is left of the work at a unit, as it stands now? The same steps without those that are done; waits that run count as what is left of them.
import type { UnitSteps } from '../crew/index.ts'
import type { Step } from '../procedure/index.ts'
import { waitOf } from './gates.ts'
import type { UnitState } from './unitState.ts'
import { says } from '../words/index.ts'

const minuteMs = 60_000

/** A step that was begun keeps at least this much of its minutes: it is not done before somebody says so. */
const leastLeftMin = 0.5

function handsLeft(unit: UnitState, step: Step, nowMs: number): number {
  const begunAtMs = unit.progress[step.id]?.begunAtMs
  return begunAtMs === undefined ? step.handsMin : Math.max(leastLeftMin, step.handsMin - (nowMs - begunAtMs) / minuteMs)
}

/** Steps still to be done, for a timeline from now on; a running wait is a step of nobody's hands that lasts as long as is left. */
export function stepsLeft(unit: UnitState, nowMs: number): Step[] {
  const isDone = (id: string) => unit.progress[id]?.doneAtMs !== undefined
  const steps = unit.steps ?? []
  const left = steps.filter(({ id }) => !isDone(id))
  const waitedFor = new Set(left.flatMap(({ after }) => after))
  const waits = steps.flatMap((step): Step[] => {
    const wait = isDone(step.id) && waitedFor.has(step.id) ? waitOf(unit, step) : undefined
    if (!wait) return []
    const leastMin = Math.max(0, Math.ceil((wait.leastAtMs - nowMs) / minuteMs))
    const mostMin = wait.mostAtMs === undefined ? undefined : Math.floor((wait.mostAtMs - nowMs) / minuteMs) - leastMin
    // What is over, or late already, holds nothing any more.
    const presses = mostMin !== undefined && mostMin >= 0
    if (leastMin === 0 && !presses) return []
    const { phase } = step
    const reason = step.wait?.for ?? says('run.stepsLeft.step-before')
    return [
      {
        id: `wait-${step.id}`,
        phase,
        title: says('run.stepsLeft.waiting', { reason }),
        handsMin: leastMin,
        ...(presses ? { wait: { leastMin: 0, mostMin, for: reason } } : {}),
        after: [],
        people: 0,
        equipment: [],
        cautions: [],
      },
    ]
  })
  const running = new Set(waits.map(({ id }) => id))
  return [
    ...waits,
    ...left.map((step) => ({
      ...step,
      handsMin: handsLeft(unit, step, nowMs),
      after: step.after.flatMap((id) => (!isDone(id) ? [id] : running.has(`wait-${id}`) ? [`wait-${id}`] : [])),
    })),
  ]
}

/** What hangs on the unit now, and the step with whose end it is free again. */
export const heldNow = (unit: UnitState): { equipment: string; until: string }[] =>
  (unit.steps ?? []).flatMap(({ id, holds }) =>
    holds && unit.progress[id]?.doneAtMs !== undefined && unit.progress[holds.until]?.doneAtMs === undefined
      ? holds.equipment.map((equipment) => ({ equipment, until: holds.until }))
      : [],
  )

/**
 * A unit as the crew's timeline takes it from now on: what is left by the method that was agreed, else what a plan says; who was given what; what
 * hangs on it.
 * @param planned steps of its plan, for as long as nothing is agreed
 * @param nameOf names of the people of the crew; what was given to anybody else counts for nothing
 */
export function unitStepsFrom(
  id: string,
  unit: UnitState,
  planned: readonly Step[],
  nameOf: (userId: number) => string | undefined,
  nowMs: number,
): UnitSteps {
  const given = Object.entries(unit.given).flatMap(([stepId, userId]) => {
    const name = nameOf(userId)
    return name === undefined ? [] : [[stepId, name] as const]
  })
  return { id, steps: unit.steps ? stepsLeft(unit, nowMs) : planned, given: Object.fromEntries(given), held: heldNow(unit) }
}
