// What is the state of a unit under way? A pure function of the events, in whatever order they arrive.
import type { Step } from '../procedure/index.ts'
import type { JobEvent } from './event.ts'
import { reasonsToHold } from './gates.ts'
import { emptyUnitState, type UnitState } from './unitState.ts'

/** Events in the order in which they count: by device clock, then id. Doubles fall away, undone ones and their undoing too. */
export function effective(events: readonly JobEvent[]): JobEvent[] {
  const unique = [...new Map(events.map((event) => [event.id, event])).values()].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
  const unitOf = new Map(unique.map((event) => [event.id, event.happening.unitId]))
  const undone = new Set<string>()
  // Latest first, so that undoing an undoing brings the event back.
  for (const { id, happening } of [...unique].reverse()) {
    if (happening.type === 'undone' && !undone.has(id) && unitOf.get(happening.eventId) === happening.unitId) undone.add(happening.eventId)
  }
  return unique.filter((event) => event.happening.type !== 'undone' && !undone.has(event.id))
}

/** State of every unit that the events speak of. The same events in any order, split or doubled, give the same state. */
export function stateOf(events: readonly JobEvent[]): Record<string, UnitState> {
  const units: Record<string, UnitState> = {}
  for (const event of effective(events)) {
    const unit = (units[event.happening.unitId] ??= emptyUnitState())
    apply(unit, event)
  }
  return units
}

/** State of one unit, empty where nothing happened yet. */
export const unitStateOf = (events: readonly JobEvent[], unitId: string): UnitState =>
  stateOf(events.filter(({ happening }) => happening.unitId === unitId))[unitId] ?? emptyUnitState()

function apply(unit: UnitState, { id, atMs, by, happening }: JobEvent): void {
  switch (happening.type) {
    case 'complaint-set':
      unit.complaints = withOrWithout(unit.complaints, happening.complaint, happening.present)
      return
    case 'grade-set':
      if (happening.grade === null) delete unit.grades[happening.part]
      else unit.grades[happening.part] = { grade: happening.grade, ...(happening.kinds.length > 0 ? { kinds: happening.kinds } : {}) }
      return
    case 'finding-set':
      unit.findings = withOrWithout(unit.findings, happening.finding, happening.present)
      return
    case 'reading-taken':
      unit.readings = { ...unit.readings, [happening.when]: happening.readings }
      return
    case 'school-chosen':
      unit.schools[happening.school] = happening.value
      return
    case 'choice-made':
      if (happening.choice === null) delete unit.choices[happening.topic]
      else unit.choices[happening.topic] = happening.choice
      return
    case 'method-agreed':
      unit.steps = happening.steps
      unit.agreed = Object.fromEntries(happening.decisions.map(({ topic, choice }) => [topic, choice]))
      unit.agreedAtMs = atMs
      return
    case 'step-begun':
      unit.progress[happening.stepId] = { begunAtMs: atMs, by, ...unit.progress[happening.stepId] }
      return
    case 'gate-confirmed':
      unit.progress[happening.stepId] = { ...unit.progress[happening.stepId], gateConfirmed: true }
      return
    case 'fasteners-counted':
      countFasteners(unit, happening)
      return
    case 'step-done':
      finishStep(unit, id, happening.stepId, atMs, by)
      return
    case 'note':
      unit.notes.push({ text: happening.text, atMs, by, eventId: id })
      return
    case 'handed-over':
      handOver(unit, id, {
        verdict: happening.verdict,
        atMs,
        by,
        ...(happening.customerText === undefined ? {} : { customerText: happening.customerText }),
      })
      return
    case 'undone':
      return
  }
}

const withOrWithout = <T>(list: readonly T[], entry: T, present: boolean): T[] => [
  ...list.filter((other) => other !== entry),
  ...(present ? [entry] : []),
]

/** The unit as it would be with these counts entered at a step: for asking before anything is recorded. */
export function withCounts(unit: UnitState, step: Step, counts: readonly { kind: string; count: number }[]): UnitState {
  const draft = { ...unit, ledger: unit.ledger.map((entry) => ({ ...entry })) }
  for (const entry of counts) countFasteners(draft, { ...entry, stepId: step.id, direction: step.takesOff ? 'out' : 'in' })
  return draft
}

function countFasteners(
  unit: UnitState,
  { stepId, kind, count, direction }: { stepId: string; kind: string; count: number; direction: 'out' | 'in' },
): void {
  const step = unit.steps?.find(({ id }) => id === stepId)
  const item = step?.takesOff ?? step?.putsBack
  if (!step || !item) return
  const entry = unit.ledger.find((other) => other.item === item && other.kind === kind)
  if (entry) entry[direction] = count
  else unit.ledger.push({ kind, item, takenAt: stepId, slot: step.slot ?? '', out: 0, in: 0, [direction]: count })
}

function handOver(unit: UnitState, eventId: string, handedOver: NonNullable<UnitState['handedOver']>): void {
  const open = unit.steps?.filter(({ id }) => unit.progress[id]?.doneAtMs === undefined).map(({ title }) => `not done: ${title}`) ?? [
    'no method was agreed',
  ]
  if (open.length > 0) unit.held.push({ eventId, because: open })
  else unit.handedOver = handedOver
}

function finishStep(unit: UnitState, eventId: string, stepId: string, atMs: number, by: number): void {
  const step = unit.steps?.find(({ id }) => id === stepId)
  if (!step || unit.progress[stepId]?.doneAtMs !== undefined) return
  const because = reasonsToHold(unit, step, atMs)
  if (because.length > 0) {
    unit.held.push({ eventId, because })
    return
  }
  unit.progress[stepId] = { begunAtMs: atMs, ...unit.progress[stepId], by, doneAtMs: atMs }
  if (step.takesOff) unit.tray.push({ item: step.takesOff, slot: step.slot ?? '', stepId, by, atMs })
  if (step.putsBack) unit.tray = unit.tray.filter(({ item }) => item !== step.putsBack)
}
