// Which stages has a unit's run, and which of them may be ticked with one tap?
import { visitId, withStages, workOrder, type ListedStep, type Step } from '../procedure/index.ts'
import { isSame, type Sentence } from '../words/index.ts'
import { reasonsToHold, type OtherLists } from './gates.ts'
import { isForOthers, type Asker } from './next.ts'
import type { UnitState } from './unitState.ts'

/** A stretch of the work; its steps are the lines of it, those that the visit shares among them. */
export interface RunStage {
  readonly name: Sentence
  readonly steps: readonly ListedStep[]
}

const isDone = (list: UnitState | undefined, { id }: Step): boolean => list?.progress[id]?.doneAtMs !== undefined

/** Stages of a unit, in the order of the work. */
export function stagesOfUnit(unitId: string, { [unitId]: unit, [visitId]: visit }: OtherLists): RunStage[] {
  const order = workOrder(unitId, unit?.steps ?? [], visit?.steps ?? [])
  const staged = withStages(order.map(({ step }) => step))
  const stages: { name: Sentence; steps: ListedStep[] }[] = []
  order.forEach(({ list }, index) => {
    const { stage = '' } = staged[index]
    const own = stages.find(({ name }) => isSame(name, stage))
    if (own) own.steps.push({ list, step: staged[index] })
    else stages.push({ name: stage, steps: [{ list, step: staged[index] }] })
  })
  return stages
}

/** The steps of a stage that are not done yet. */
export const openIn = (stage: RunStage, lists: OtherLists): ListedStep[] => stage.steps.filter(({ list, step }) => !isDone(lists[list], step))

/** Whether all that a step asks for is a tick: nothing is counted, measured, photographed, confirmed or said with it. */
export const isPlain = ({ gate, fasteners = [], uses = [], needsPhoto, doneBy, needsLedger }: Step): boolean =>
  gate === undefined && fasteners.length === 0 && uses.length === 0 && needsPhoto !== true && doneBy === undefined && needsLedger !== true

/** What keeps these steps of a list from being done one right after the other at `nowMs`; none of it means that they may. */
export function reasonsToHoldAll(unit: UnitState, steps: readonly Step[], nowMs: number, others: OtherLists = {}, asOfMs?: number) {
  const draft = { ...unit, progress: { ...unit.progress } }
  return steps.flatMap((step) => {
    const reasons = reasonsToHold(draft, step, nowMs, others, asOfMs)
    draft.progress[step.id] = { ...draft.progress[step.id], doneAtMs: nowMs }
    return reasons
  })
}

/**
 * What is left of a stage where one tap may say that all of it is done: two steps or more of one list, each of them plain, none for somebody else,
 * and nothing in the way of any.
 */
export function atOnce(stage: RunStage, nowMs: number, asker: Asker, lists: OtherLists): { list: string; steps: readonly Step[] } | undefined {
  const open = openIn(stage, lists)
  const [first] = open
  const unit = first && lists[first.list]
  if (!unit || open.length < 2 || open.some(({ list }) => list !== first.list)) return undefined
  const steps = open.map(({ step }) => step)
  if (!steps.every((step) => isPlain(step) && !isForOthers(unit, step, asker))) return undefined
  return reasonsToHoldAll(unit, steps, nowMs, lists).length === 0 ? { list: first.list, steps } : undefined
}
