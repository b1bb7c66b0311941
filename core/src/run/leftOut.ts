// What was left out on purpose, and what stays out by the owner's word? For the proof and for the customer.
import type { UnitState } from './unitState.ts'

/** One sentence each: steps that were left out, then fasteners that may stay out and still do. */
export function leftOut(unit: UnitState): string[] {
  const steps = (unit.steps ?? []).flatMap(({ id, title, optional }) => {
    const because = unit.progress[id]?.skippedBecause
    return because === undefined ? [] : [`Left out: ${title} — ${because}${optional ? ` (${optional})` : ''}`]
  })
  const fasteners = unit.exceptions
    .filter(({ item, kind, short }) => unit.ledger.some((entry) => entry.item === item && entry.kind === kind && entry.out - entry.in === short))
    .map(({ item, kind, short, text }) => `${short === 1 ? 'One' : short} × ${kind} of the ${item} short, the owner’s exception — ${text}`)
  const waits = (unit.steps ?? []).flatMap(({ id, wait }) => {
    const ended = unit.progress[id]?.waitEnded
    return ended?.text === undefined ? [] : [`Waited less than the plan for ${wait?.for ?? 'it'}, the owner’s word — ${ended.text}`]
  })
  return [...steps, ...fasteners, ...waits]
}
