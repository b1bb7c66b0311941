// What was left out on purpose, and what stays out by the owner's word? For the proof and for the customer.
import type { UnitState } from './unitState.ts'
import { componentName, fastenerName } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'

/** One sentence each: steps that were left out, then fasteners that may stay out and still do. */
export function leftOut(unit: UnitState): Message[] {
  const steps = (unit.steps ?? []).flatMap(({ id, title, optional }) => {
    const because = unit.progress[id]?.skippedBecause
    return because === undefined
      ? []
      : [optional ? says('run.leftOut.left-out-lost', { title, because, lost: optional }) : says('run.leftOut.left-out', { title, because })]
  })
  const fasteners = unit.exceptions
    .filter(({ item, kind, short }) => unit.ledger.some((entry) => entry.item === item && entry.kind === kind && entry.out - entry.in === short))
    .map(({ item, kind, short, text }) =>
      says('run.leftOut.short-owners-exception', { short, fastener: fastenerName(kind), component: componentName(item), text }),
    )
  const waits = (unit.steps ?? []).flatMap(({ id, wait }) => {
    const ended = unit.progress[id]?.waitEnded
    return ended?.text === undefined || !wait ? [] : [says('run.leftOut.waited-less-than-plan', { what: wait.for, text: ended.text })]
  })
  return [...steps, ...fasteners, ...waits]
}
