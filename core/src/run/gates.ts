// May this step count as done now, and if not, why not? The gates hold here, on phone and server alike.
import type { Step } from '../procedure/index.ts'
import type { LedgerEntry, LedgerException, UnitState } from './unitState.ts'
import { componentName, fastenerName } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'

const minuteMs = 60_000

/** When the wait of a step that is done has lasted long enough, and when it has lasted too long; ms since 1970. */
export function waitOf(unit: UnitState, step: Step): { leastAtMs: number; mostAtMs?: number } | undefined {
  const doneAtMs = unit.progress[step.id]?.doneAtMs
  if (!step.wait || doneAtMs === undefined) return undefined
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

/** Steps that must have ended before this one, and what still speaks against starting it. */
export function reasonsToWait(unit: UnitState, step: Step, nowMs: number): Message[] {
  const byId = new Map(unit.steps?.map((other) => [other.id, other]))
  return step.after.flatMap((id) => {
    const before = byId.get(id)
    if (!before) return []
    if (unit.progress[id]?.doneAtMs === undefined) return [says('run.reasonsToWait.first', { title: before.title })]
    const wait = waitOf(unit, before)
    const left = wait ? Math.ceil((wait.leastAtMs - nowMs) / minuteMs) : 0
    return left > 0 ? [says('run.reasonsToWait.left', { left: { min: left }, what: before.wait?.for ?? '' })] : []
  })
}

/** Everything that keeps the step from counting as done at `nowMs`; empty means that it may. */
export function reasonsToHold(unit: UnitState, step: Step, nowMs: number): Message[] {
  const reasons = reasonsToWait(unit, step, nowMs)
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
  if (step.needsLedger) {
    reasons.push(...unit.tray.map(({ item }) => says('run.reasonsToHold.still-off', { component: componentName(item) })), ...shortfalls(unit))
  }
  return reasons
}
