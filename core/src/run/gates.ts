// May this step count as done now, and if not, why not? The gates hold here, on phone and server alike.
import type { Step } from '../procedure/index.ts'
import type { LedgerEntry, LedgerException, UnitState } from './unitState.ts'

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
export const shortfalls = (unit: UnitState): string[] =>
  unit.ledger
    .filter((entry) => entry.out !== entry.in && !isExcepted(unit, entry))
    .map(({ kind, item, out, in: back }) =>
      back < out
        ? `${out - back} of ${out} × ${kind} from “${item}” ${out - back === 1 ? 'is' : 'are'} still out`
        : `${kind} of “${item}”: ${back} went in, ${out} came out`,
    )

/** Steps that must have ended before this one, and what still speaks against starting it. */
export function reasonsToWait(unit: UnitState, step: Step, nowMs: number): string[] {
  const byId = new Map(unit.steps?.map((other) => [other.id, other]))
  return step.after.flatMap((id) => {
    const before = byId.get(id)
    if (!before) return []
    if (unit.progress[id]?.doneAtMs === undefined) return [`first: ${before.title}`]
    const wait = waitOf(unit, before)
    const left = wait ? Math.ceil((wait.leastAtMs - nowMs) / minuteMs) : 0
    return left > 0 ? [`${left} min left for ${before.wait?.for}`] : []
  })
}

/** Everything that keeps the step from counting as done at `nowMs`; empty means that it may. */
export function reasonsToHold(unit: UnitState, step: Step, nowMs: number): string[] {
  const reasons = reasonsToWait(unit, step, nowMs)
  if (step.gate && !unit.progress[step.id]?.gateConfirmed) reasons.push(`to be confirmed: ${step.gate}`)
  for (const { kind } of step.fasteners ?? []) {
    const entry = unit.ledger.find((other) => other.kind === kind && other.item === (step.takesOff ?? step.putsBack))
    if (step.takesOff && !entry) reasons.push(`to be counted: ${kind}`)
    // Short is put on record and goes on: power waits for it, not the rebuild. What nobody counted does not.
    if (step.putsBack && entry && !entry.backCounted && entry.out > 0 && !isExcepted(unit, entry)) reasons.push(`to be counted: ${kind}`)
  }
  if (step.needsPhoto && !unit.progress[step.id]?.photoLeftOut && !unit.photos.some(({ stepId }) => stepId === step.id))
    reasons.push(`to be photographed, or left out with a reason: ${step.photo}`)
  if (step.doneBy === 'before-readings' && !unit.readings.before) reasons.push('the before readings are not taken yet')
  if (step.doneBy === 'after-readings' && !unit.readings.after) reasons.push('the after readings are not taken yet')
  if (step.doneBy === 'hand-over') reasons.push('it is done by handing over, at the proof')
  if (step.needsLedger) {
    reasons.push(...unit.tray.map(({ item }) => `still off: ${item}`), ...shortfalls(unit))
  }
  return reasons
}
