// May this step count as done now, and if not, why not? The gates hold here, on phone and server alike.
import { partsOfRef, plainId, visitId, type Step } from '../procedure/index.ts'
import { endedBy } from './joinVisit.ts'
import type { LedgerEntry, LedgerException, UnitState } from './unitState.ts'
import { componentName, fastenerName } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'

const minuteMs = 60_000

/** When the wait of a step that is done has lasted long enough, and when it has lasted too long; ms since 1970. */
export function waitOf(unit: UnitState, step: Step): { leastAtMs: number; mostAtMs?: number } | undefined {
  const doneAtMs = unit.progress[step.id]?.doneAtMs
  // What was left out is waited for by nobody.
  if (!step.wait || doneAtMs === undefined || unit.progress[step.id]?.skippedBecause !== undefined) return undefined
  const leastAtMs = doneAtMs + step.wait.leastMin * minuteMs
  const endedAtMs = unit.progress[step.id]?.waitEnded?.atMs ?? Infinity
  return {
    leastAtMs: Math.min(leastAtMs, Math.max(doneAtMs, endedAtMs)),
    ...(step.wait.mostMin === undefined ? {} : { mostAtMs: doneAtMs + step.wait.mostMin * minuteMs }),
  }
}

/** The owner's word that this very shortfall may stay, if there is one; one more missing, and it holds no longer. */
export const exceptionFor = (unit: UnitState, { item, kind, out, in: back }: LedgerEntry): LedgerException | undefined =>
  unit.exceptions.find((exception) => exception.item === item && exception.kind === kind && exception.short === out - back)
const isExcepted = (unit: UnitState, entry: LedgerEntry): boolean => exceptionFor(unit, entry) !== undefined

/** Fasteners that came out and are not back, as sentences that name the step. */
export const shortfalls = (unit: UnitState): Message[] =>
  unit.ledger
    .filter((entry) => entry.out !== entry.in && !isExcepted(unit, entry))
    .map(({ kind, item, out, in: back }) =>
      back < out
        ? says('run.shortfalls.still-out', { missing: out - back, out, fastener: fastenerName(kind), component: componentName(item) })
        : says('run.shortfalls.went-came-out', { fastener: fastenerName(kind), component: componentName(item), back, out }),
    )

/** States of the visit and its units, by id: what a step of one list waits for in another one. */
export type OtherLists = Readonly<Record<string, UnitState>>

/** Whether a step was done by then; without a time, as far as anybody knows now. */
const isDoneBy = ({ progress, countedUntil }: UnitState, id: string, asOfMs = Infinity): boolean => {
  const doneAtMs = progress[id]?.doneAtMs
  if (doneAtMs !== undefined && doneAtMs <= asOfMs) return true
  return countedUntil.some((once) => once.stepId === id && once.doneAtMs <= asOfMs && asOfMs < once.untilMs)
}

/** What still keeps a step from being begun that another one has to go before; undefined where nothing does. */
function waitsFor(list: UnitState, before: Step, nowMs: number, asOfMs: number): Message | undefined {
  if (!isDoneBy(list, before.id, asOfMs)) return says('run.reasonsToWait.first', { title: before.title })
  const ended = endedBy(before.id)
  if (ended !== undefined && isDoneBy(list, ended, asOfMs)) return says('run.reasonsToWait.again', { title: before.title })
  const wait = waitOf(list, before)
  const left = wait ? Math.ceil((wait.leastAtMs - nowMs) / minuteMs) : 0
  return left > 0 ? says('run.reasonsToWait.left', { left: { min: left }, what: before.wait?.for ?? '' }) : undefined
}

/** Whether a unit's supply is isolated now. */
const isIsolated = ({ visitSteps = [] }: UnitState, visit: UnitState): boolean =>
  visitSteps.some(({ id }) => plainId(id) === 'isolate' && isDoneBy(visit, id) && !isDoneBy(visit, endedBy(id) ?? ''))

/**
 * Steps that must have ended before this one, and what still speaks against starting it.
 * @param others the other lists of the visit; a list that is not among them is not asked
 * @param asOfMs what was done later does not count: for a step that was done then
 */
export function reasonsToWait(unit: UnitState, step: Step, nowMs: number, others: OtherLists = {}, asOfMs = Infinity): Message[] {
  const reasons = step.after.flatMap((ref) => {
    const to = partsOfRef(ref, '')
    const list = to.list === '' ? unit : others[to.list]
    const before = list?.steps?.find(({ id }) => id === to.step)
    if (!list || !before) return []
    // A unit is handed over although others are not cleared up yet.
    if (step.doneBy === 'hand-over' && to.list === visitId && isHeldByOthers(unit, before, others)) return []
    return waitsFor(list, before, nowMs, asOfMs) ?? []
  })
  const { [visitId]: visit } = others
  return step.powered && visit && isIsolated(unit, visit) ? [...reasons, says('run.reasonsToWait.power-off')] : reasons
}

/** Whether a step of the visit, or one that it waits for, waits for other units than this one. */
function isHeldByOthers(unit: UnitState, before: Step, others: OtherLists): boolean {
  const { [visitId]: visit } = others
  if (!visit || isDoneBy(visit, before.id)) return false
  return before.after.some((ref) => {
    const to = partsOfRef(ref, visitId)
    if (to.list === visitId) {
      const earlier = visit.steps?.find(({ id }) => id === to.step)
      return earlier !== undefined && isHeldByOthers(unit, earlier, others)
    }
    const list = others[to.list]
    return list !== undefined && list !== unit && !list.handedOver && !isDoneBy(list, to.step)
  })
}

/** Steps of the visit that are to be done yet for this unit, and do not wait for other ones. */
export const openForUnit = (unitId: string, lists: OtherLists): Step[] => {
  const { [unitId]: unit, [visitId]: visit } = lists
  if (!unit || !visit) return []
  return (visit.steps ?? []).filter((step) => step.unitIds?.includes(unitId) && !isDoneBy(visit, step.id) && !isHeldByOthers(unit, step, lists))
}

/**
 * Everything that keeps the step from counting as done at `nowMs`; empty means that it may.
 * @param others as for `reasonsToWait`
 * @param asOfMs as for `reasonsToWait`; trays and counts of other lists are known only as they are now, and asked only without it
 */
export function reasonsToHold(unit: UnitState, step: Step, nowMs: number, others: OtherLists = {}, asOfMs?: number): Message[] {
  const reasons = reasonsToWait(unit, step, nowMs, others, asOfMs)
  if (step.gate && !unit.progress[step.id]?.gateConfirmed) reasons.push(says('run.reasonsToHold.confirmed', { gate: step.gate }))
  for (const { kind } of step.fasteners ?? []) {
    const entry = unit.ledger.find((other) => other.kind === kind && other.item === (step.takesOff ?? step.putsBack))
    if (step.takesOff && !entry) reasons.push(says('run.reasonsToHold.counted', { fastener: fastenerName(kind) }))
    // Short is put on record and goes on: power waits for it, not the rebuild. What nobody counted does not.
    if (step.putsBack && entry && !entry.backCounted && entry.out > 0 && !isExcepted(unit, entry))
      reasons.push(says('run.reasonsToHold.counted', { fastener: fastenerName(kind) }))
  }
  if (step.needsPhoto && !unit.progress[step.id]?.photoLeftOut && !unit.photos.some(({ stepId }) => stepId === step.id))
    reasons.push(says('run.reasonsToHold.photographed-left-out-reason', { photo: step.photo ?? '' }))
  if (step.doneBy === 'before-readings' && !unit.readings.before) reasons.push(says('run.reasonsToHold.before-readings-taken-yet'))
  if (step.doneBy === 'after-readings' && !unit.readings.after) reasons.push(says('run.reasonsToHold.after-readings-taken-yet'))
  if (step.doneBy === 'hand-over') reasons.push(says('run.reasonsToHold.done-handing-over-proof'))
  const counted = step.unitIds ? step.unitIds.flatMap((id) => (asOfMs === undefined ? (others[id] ?? []) : [])) : [unit]
  if (step.needsLedger) {
    for (const one of counted)
      reasons.push(...one.tray.map(({ item }) => says('run.reasonsToHold.still-off', { component: componentName(item) })), ...shortfalls(one))
  }
  return reasons
}
