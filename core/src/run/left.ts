// What is left of the work at a unit, as it stands now? The same steps without those that are done; waits that run count as what is left of them.
import type { UnitSteps } from '../crew/index.ts'
import { mergeVisit, partsOfRef, refOf, visitId, type Step } from '../procedure/index.ts'
import { waitOf, type OtherLists } from './gates.ts'
import { emptyUnitState, type UnitState } from './unitState.ts'
import { says } from '../words/index.ts'

const minuteMs = 60_000

/** A step that was begun keeps at least this much of its minutes: it is not done before somebody says so. */
const leastLeftMin = 0.5

function handsLeft(unit: UnitState, step: Step, nowMs: number): number {
  const begunAtMs = unit.progress[step.id]?.begunAtMs
  return begunAtMs === undefined ? step.handsMin : Math.max(leastLeftMin, step.handsMin - (nowMs - begunAtMs) / minuteMs)
}

/** Steps still to be done, for a timeline from now on; a running wait is a step of nobody's hands that lasts as long as is left. @param alsoWaitedFor steps that those of other lists wait for */
export function stepsLeft(unit: UnitState, nowMs: number, alsoWaitedFor: readonly string[] = []): Step[] {
  const isDone = (id: string) => unit.progress[id]?.doneAtMs !== undefined
  const steps = unit.steps ?? []
  const left = steps.filter(({ id }) => !isDone(id))
  const waitedFor = new Set([...left.flatMap(({ after }) => after), ...alsoWaitedFor])
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

/** What is planned of a unit for as long as nothing is agreed. */
export interface PlannedLists {
  readonly id: string
  readonly steps: readonly Step[]
  readonly visitSteps: readonly Step[]
}

/**
 * A visit as the crew's timeline takes it from now on: its own steps and those of its units, as far as they are not done.
 * @param units those that are not handed over
 */
export function visitLeft(
  units: readonly PlannedLists[],
  lists: OtherLists,
  nameOf: (userId: number) => string | undefined,
  nowMs: number,
): UnitSteps[] {
  const left = units.map(({ id, steps }) => unitStepsFrom(id, lists[id] ?? emptyUnitState(), steps, nameOf, nowMs))
  const asked = units.map(({ id, visitSteps }) => lists[id]?.visitSteps ?? (lists[id]?.steps ? [] : visitSteps))
  const others = Object.entries(lists).flatMap(([id, list]) => (units.some((unit) => unit.id === id) ? [] : [list.visitSteps ?? []]))
  const visit = { ...(lists[visitId] ?? emptyUnitState()), steps: mergeVisit([...asked, ...others]) }
  const waitedFor = left.flatMap(({ steps }) => steps.flatMap(({ after }) => after)).map((ref) => partsOfRef(ref, ''))
  const own = stepsLeft(
    visit,
    nowMs,
    waitedFor.flatMap(({ list, step }) => (list === visitId ? [step] : [])),
  )
  if (own.length === 0) return left
  const running = new Set(own.map(({ id }) => id))
  const toWait = (ref: string) => {
    const to = partsOfRef(ref, '')
    return to.list === visitId && running.has(`wait-${to.step}`) ? refOf(visitId, `wait-${to.step}`) : ref
  }
  const given = Object.entries(visit.given).flatMap(([stepId, userId]) => {
    const name = nameOf(userId)
    return name === undefined ? [] : [[stepId, name] as const]
  })
  return [
    { id: visitId, steps: own, given: Object.fromEntries(given) },
    ...left.map((unit) => ({ ...unit, steps: unit.steps.map((step) => ({ ...step, after: step.after.map(toWait) })) })),
  ]
}
