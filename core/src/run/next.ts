// What is to be done next at a unit, and which clocks run?
import { mayDo, refOf, visitId, workOrder, type ListedStep, type Step } from '../procedure/index.ts'
import { reasonsToWait, waitOf, type OtherLists } from './gates.ts'
import type { UnitState } from './unitState.ts'

export interface RunningWait {
  step: Step
  leastAtMs: number
  mostAtMs?: number
  /** `soaking` before the least, `ready` after it, `late` past the most. */
  phase: 'soaking' | 'ready' | 'late'
}

const isDone = (unit: UnitState, step: Step) => unit.progress[step.id]?.doneAtMs !== undefined

/** Waits that run: their step is done, and nothing that had to wait for it is done yet. */
export function runningWaits(unit: UnitState, nowMs: number, others: OtherLists = {}): RunningWait[] {
  return (unit.steps ?? []).flatMap((step) => {
    const wait = waitOf(unit, step)
    if (!wait) return []
    const followers = (unit.steps ?? []).filter(({ after }) => after.includes(step.id)).map((follower) => isDone(unit, follower))
    const own = Object.keys(others).find((id) => others[id] === unit)
    const elsewhere = Object.values(others).flatMap((list) =>
      list === unit || own === undefined
        ? []
        : (list.steps ?? []).filter(({ after }) => after.includes(refOf(own, step.id))).map((follower) => isDone(list, follower)),
    )
    const all = [...followers, ...elsewhere]
    if (all.length === 0 || all.some((done) => done)) return []
    const phase = nowMs < wait.leastAtMs ? 'soaking' : wait.mostAtMs !== undefined && nowMs > wait.mostAtMs ? 'late' : 'ready'
    return [{ step, ...wait, phase }]
  })
}

/** The person who asks what is next: as far as it is known, who they are and what they are trained for. */
export interface Asker {
  readonly id?: number
  readonly trained?: readonly string[]
  readonly liftKg?: number
}

/** Whether a step is better left to somebody else: asks for training that this person lacks, was given to another, or another is at it. */
export function isForOthers(unit: UnitState, step: Step, { id, trained, liftKg }: Asker): boolean {
  if (trained !== undefined && !mayDo(step, { trained, liftKg })) return true
  const whose = unit.given[step.id] ?? unit.progress[step.id]?.begunBy
  return id !== undefined && whose !== undefined && whose !== id
}

/**
 * Steps that can be begun at `nowMs`, best first: what follows a wait that must not run over, what the person has begun, what was
 * given to them, then the agreed order. Steps for somebody else come last: they are not kept from anybody.
 * Empty with steps left over means that only waiting is left.
 */
export function nextSteps(unit: UnitState, nowMs: number, asker: Asker = {}, others: OtherLists = {}): Step[] {
  // Handing over is no tick at the unit: the proof offers it.
  const open = (unit.steps ?? []).filter(
    (step) => step.doneBy !== 'hand-over' && !isDone(unit, step) && reasonsToWait(unit, step, nowMs, others).length === 0,
  )
  const pressed = new Set(
    runningWaits(unit, nowMs)
      .filter(({ phase, mostAtMs }) => phase !== 'soaking' && mostAtMs !== undefined)
      .map(({ step }) => step.id),
  )
  const isOwn = (of: number | undefined) => of !== undefined && of === asker.id
  const rank = (step: Step): number => {
    if (isForOthers(unit, step, asker)) return 4
    if (step.after.some((id) => pressed.has(id))) return 0
    if (isOwn(unit.progress[step.id]?.begunBy)) return 1
    return isOwn(unit.given[step.id]) ? 2 : 3
  }
  return open
    .map((step, index) => ({ step, index, rank: rank(step) }))
    .sort((a, b) => a.rank - b.rank || a.index - b.index)
    .map(({ step }) => step)
}

/** A step that can be begun. */
export interface ReadyStep extends ListedStep {
  /** It ends a wait that must not run over. */
  readonly presses: boolean
  readonly isForOthers: boolean
}

/** The same of a unit with what its visit asks for meanwhile: one list for whoever stands there, in the order of the work. */
export function nextOfUnit(unitId: string, nowMs: number, asker: Asker, lists: OtherLists): ReadyStep[] {
  const { [unitId]: unit, [visitId]: visit } = lists
  if (!unit) return []
  const order = workOrder(unitId, unit.steps ?? [], visit?.steps ?? []).map(({ step }) => step.id)
  const readyIn = (list: string, state: UnitState) =>
    nextSteps(state, nowMs, asker, lists)
      .filter(({ unitIds }) => list === unitId || unitIds?.includes(unitId))
      .map((step, at) => ({
        list,
        step,
        presses: list === unitId && at === 0 && isPressing(unit, step, nowMs),
        isForOthers: isForOthers(state, step, asker),
      }))
  return [...readyIn(unitId, unit), ...(visit ? readyIn(visitId, visit) : [])].sort(
    (one, other) =>
      Number(one.isForOthers) - Number(other.isForOthers) ||
      Number(other.presses) - Number(one.presses) ||
      order.indexOf(one.step.id) - order.indexOf(other.step.id),
  )
}

/** Whether a step ends a wait that must not run over. */
const isPressing = (unit: UnitState, step: Step, nowMs: number): boolean =>
  runningWaits(unit, nowMs).some(({ phase, mostAtMs, step: waits }) => phase !== 'soaking' && mostAtMs !== undefined && step.after.includes(waits.id))

/** Steps done and steps in all. */
export function progressOf(unit: UnitState): { done: number; all: number } {
  return { done: (unit.steps ?? []).filter((step) => isDone(unit, step)).length, all: unit.steps?.length ?? 0 }
}

/** Where a unit stands on its way through the job. */
export type Station = 'look-over' | 'method' | 'at-the-unit' | 'proof' | 'handed-over'

export function stationOf(unit: UnitState): Station {
  if (unit.handedOver) return 'handed-over'
  if (unit.steps) {
    return unit.steps.every((step) => step.doneBy === 'hand-over' || isDone(unit, step)) ? 'proof' : 'at-the-unit'
  }
  return Object.keys(unit.grades).length > 0 ? 'method' : 'look-over'
}
