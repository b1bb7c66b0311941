// What is the state of a unit under way? A pure function of the events, in whatever order they arrive.
import { visitId, type Step } from '../procedure/index.ts'
import { stepsDone, timeOf, type JobEvent } from './event.ts'
import { reasonsToHold, type OtherLists } from './gates.ts'
import { joinsOf, joinVisit } from './joinVisit.ts'
import { isPlain, reasonsToHoldAll } from './stages.ts'
import { emptyUnitState, type UnitState } from './unitState.ts'
import { says } from '../words/index.ts'

/** Each event once, in the order in which they count: by the server's clock as far as it is known, then id. */
export const inOrder = (events: readonly JobEvent[]): JobEvent[] =>
  [...new Map(events.map((event) => [event.id, event])).values()].sort((a, b) => timeOf(a) - timeOf(b) || (a.id < b.id ? -1 : 1))

/** Events that count, in order. Doubles fall away, undone ones and their undoing too. */
export function effective(events: readonly JobEvent[]): JobEvent[] {
  const unique = inOrder(events)
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
  const counting = effective(events)
  for (const event of counting) {
    if (event.happening.unitId === visitId) continue
    const unit = (units[event.happening.unitId] ??= emptyUnitState())
    apply(unit, event)
  }
  const visit = visitOf(units, counting)
  if (visit) units[visitId] = visit
  nameTakenBack(units, events, counting)
  return units
}

/** State of the visit, from its own events and the states of its units; undefined where no unit asks anything of it. */
function visitOf(units: Readonly<Record<string, UnitState>>, counting: readonly JobEvent[]): UnitState | undefined {
  const events = counting.filter(({ happening }) => happening.unitId === visitId)
  const joins = joinsOf(units)
  if (events.length === 0 && joins.length === 0) return undefined
  const visit = emptyUnitState()
  let joined = 0
  const joinUntil = (atMs: number) => {
    for (; joined < joins.length && joins[joined].atMs <= atMs; joined++) joinVisit(visit, joins, joined)
  }
  for (const event of events) {
    joinUntil(timeOf(event))
    apply(visit, event, units)
  }
  joinUntil(Infinity)
  return visit
}

/** Where two did the same step and one of them took it back, the other's stands: said with the step. */
function nameTakenBack(units: Record<string, UnitState>, events: readonly JobEvent[], counting: readonly JobEvent[]): void {
  if (counting.length === events.length) return
  const counts = new Set(counting.map(({ id }) => id))
  for (const { id, by, happening } of inOrder(events)) {
    if (counts.has(id)) continue
    for (const stepId of stepsDone(happening)) {
      const progress = units[happening.unitId]?.progress[stepId]
      if (progress?.doneAtMs !== undefined && progress.by !== by) progress.takenBackBy = by
    }
  }
}

/** State of one unit, empty where nothing happened yet. */
export const unitStateOf = (events: readonly JobEvent[], unitId: string): UnitState =>
  stateOf(unitId === visitId ? events : events.filter(({ happening }) => happening.unitId === unitId))[unitId] ?? emptyUnitState()

/** Puts events on a state that is changed in place; they come after what made it, and all of them count. */
export function applyInOrder(unit: UnitState, events: readonly JobEvent[]): void {
  for (const event of events) apply(unit, event)
}

function apply(unit: UnitState, event: JobEvent, others?: OtherLists): void {
  const { id, by, happening } = event
  const atMs = timeOf(event)
  if (worksOn.has(happening.type)) endPause(unit, by, atMs)
  switch (happening.type) {
    case 'complaint-set':
      unit.complaints = withOrWithout(unit.complaints, happening.complaint, happening.present)
      return
    case 'grade-set': {
      const grades = happening.when === 'after' ? unit.gradesAfter : unit.grades
      if (happening.grade === null) delete grades[happening.part]
      else grades[happening.part] = { grade: happening.grade, ...(happening.kinds.length > 0 ? { kinds: happening.kinds } : {}) }
      return
    }
    case 'finding-set':
      unit.findings = withOrWithout(unit.findings, happening.finding, happening.present)
      if (happening.present && happening.extent) unit.findingExtent[happening.finding] = happening.extent
      else if (!happening.present) delete unit.findingExtent[happening.finding]
      return
    case 'extra-chosen':
      unit.extras = withOrWithout(unit.extras, happening.extra, happening.present)
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
    case 'wash-chosen':
      if (happening.wash === null) delete unit.wash
      else unit.wash = happening.wash
      return
    case 'method-agreed':
      unit.steps = happening.steps
      unit.agreed = Object.fromEntries(happening.decisions.map(({ topic, choice }) => [topic, choice]))
      unit.agreedAtMs = atMs
      if (happening.visitSteps) {
        unit.visitSteps = happening.visitSteps
        const opens = countAnew(unit, happening.steps, atMs)
        unit.visitAsked.push({ atMs, steps: happening.visitSteps, opens })
      }
      return
    case 'step-begun':
      unit.progress[happening.stepId] = { begunAtMs: atMs, begunBy: by, ...unit.progress[happening.stepId] }
      return
    case 'step-given':
      if (happening.to === null) delete unit.given[happening.stepId]
      else unit.given[happening.stepId] = happening.to
      return
    case 'step-skipped':
      skipStep(unit, id, happening, atMs, by)
      return
    case 'paused':
      if (!pauseOf(unit, by)) unit.pauses.push({ by, fromMs: atMs, ...(happening.because === undefined ? {} : { because: happening.because }) })
      return
    case 'resumed':
      endPause(unit, by, atMs)
      return
    case 'gate-confirmed':
      unit.progress[happening.stepId] = { ...unit.progress[happening.stepId], gateConfirmed: true }
      return
    case 'fasteners-counted':
      countFasteners(unit, happening)
      return
    case 'step-done':
      finishStep(unit, id, happening.stepId, atMs, by, others)
      return
    case 'steps-done':
      finishSteps(unit, id, happening.stepIds, atMs, by, others)
      return
    case 'wait-ended':
    case 'wait-shortened':
      endWait(unit, id, happening, atMs, by)
      return
    case 'photo-left-out':
      unit.progress[happening.stepId] = { ...unit.progress[happening.stepId], photoLeftOut: happening.because }
      return
    case 'product-used': {
      const { stepId, productId, litres } = happening
      unit.used = [...unit.used.filter((other) => other.stepId !== stepId || other.productId !== productId), { stepId, productId, litres, by, atMs }]
      return
    }
    case 'part-noted': {
      const { item, need } = happening
      unit.partsNoted = [...unit.partsNoted.filter((other) => other.item !== item), ...(need === null ? [] : [{ item, need }])]
      return
    }
    case 'came':
      if (!unit.people.some(({ who, wentAtMs }) => who === happening.who && wentAtMs === undefined))
        unit.people.push({ who: happening.who, cameAtMs: atMs })
      return
    case 'went': {
      const there = unit.people.find(({ who, wentAtMs }) => who === happening.who && wentAtMs === undefined)
      if (there) there.wentAtMs = atMs
      return
    }
    case 'note':
      unit.notes.push({ text: happening.text, atMs, by, eventId: id })
      return
    case 'photo-taken':
      unit.photos.push({
        photoId: happening.photoId,
        by,
        atMs,
        eventId: id,
        ...(happening.stepId === undefined ? {} : { stepId: happening.stepId }),
        ...(happening.of === undefined ? {} : { of: happening.of }),
        ...(happening.plate === undefined ? {} : { plate: happening.plate }),
      })
      return
    case 'photo-measured': {
      const photo = unit.photos.find(({ photoId }) => photoId === happening.photoId)
      if (photo) photo.measure = happening.measure
      return
    }
    case 'signed':
      unit.signed = { photoId: happening.photoId, name: happening.name, atMs }
      return
    case 'exception-written': {
      const { item, kind, short, text } = happening
      unit.exceptions = [...unit.exceptions.filter((other) => other.item !== item || other.kind !== kind), { item, kind, short, text, by, atMs }]
      return
    }
    case 'handed-over':
      handOver(unit, id, {
        verdict: happening.verdict,
        atMs,
        by,
        ...(happening.customerText === undefined ? {} : { customerText: happening.customerText }),
        ...(happening.notReached === undefined ? {} : { notReached: happening.notReached }),
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
  const back = direction === 'in' ? { backCounted: true } : {}
  if (entry) Object.assign(entry, { [direction]: count }, back)
  else unit.ledger.push({ kind, item, takenAt: stepId, slot: step.slot ?? '', out: 0, in: 0, [direction]: count, ...back })
}

function handOver(unit: UnitState, eventId: string, handedOver: NonNullable<UnitState['handedOver']>): void {
  const open = unit.steps
    ?.filter(({ id, doneBy }) => doneBy !== 'hand-over' && unit.progress[id]?.doneAtMs === undefined)
    .map(({ title }) => says('run.handOver.done', { title })) ?? [says('run.handOver.method-agreed')]
  if (open.length > 0) {
    unit.held.push({ eventId, because: open })
    return
  }
  unit.handedOver = handedOver
  const { atMs, by } = handedOver
  // Handing over is the step: nobody ticks it beside it.
  for (const { id, doneBy } of unit.steps ?? [])
    if (doneBy === 'hand-over') unit.progress[id] = { begunAtMs: atMs, ...unit.progress[id], by, doneAtMs: atMs, gateConfirmed: true }
}

/**
 * Where something is still to come off, what was counted and proved with it on counts no more.
 * @returns whether something is to come off yet
 */
function countAnew(unit: UnitState, steps: readonly Step[], untilMs: number): boolean {
  const later = new Set(steps.filter(({ id, takesOff }) => takesOff !== undefined && unit.progress[id]?.doneAtMs === undefined).map(({ id }) => id))
  const opens = later.size > 0
  // Steps stand in a workable order: whatever follows comes later in the list.
  for (const { id, phase, after } of steps) {
    if (!after.some((before) => later.has(before))) continue
    later.add(id)
    const doneAtMs = unit.progress[id]?.doneAtMs
    if (doneAtMs === undefined || (phase !== 'prove' && id !== 'check-ledger')) continue
    unit.countedUntil.push({ stepId: id, doneAtMs, untilMs })
    delete unit.progress[id]
  }
  return opens
}

/** A wait ends early only where its step says so, and by whom it says: a hand that feels, or the owner in writing. */
function endWait(
  unit: UnitState,
  eventId: string,
  happening: { type: 'wait-ended'; stepId: string } | { type: 'wait-shortened'; stepId: string; text: string },
  atMs: number,
  by: number,
): void {
  const step = unit.steps?.find(({ id }) => id === happening.stepId)
  const progress = unit.progress[happening.stepId]
  const may = happening.type === 'wait-shortened' ? step?.mayEndEarly !== undefined : step?.mayEndEarly === 'dry-to-the-touch'
  if (!step?.wait || !may || progress?.doneAtMs === undefined) {
    unit.held.push({
      eventId,
      because: [step?.mayEndEarly === 'owner' ? says('run.endWait.owner-shortens-wait-writing') : says('run.endWait.wait-runs-time')],
    })
    return
  }
  progress.waitEnded = { by, atMs, ...(happening.type === 'wait-shortened' ? { text: happening.text } : {}) }
}

/** What shows that somebody is at work again. */
const worksOn: ReadonlySet<JobEvent['happening']['type']> = new Set(['step-begun', 'step-done', 'steps-done', 'gate-confirmed', 'fasteners-counted'])

/** The pause that a person is in, if any. */
export const pauseOf = ({ pauses }: UnitState, by: number) => pauses.find((pause) => pause.by === by && pause.toMs === undefined)

function endPause(unit: UnitState, by: number, atMs: number): void {
  const pause = pauseOf(unit, by)
  if (pause) pause.toMs = atMs
}

function skipStep(unit: UnitState, eventId: string, { stepId, because }: { stepId: string; because: string }, atMs: number, by: number): void {
  const step = unit.steps?.find(({ id }) => id === stepId)
  if (!step || unit.progress[stepId]?.doneAtMs !== undefined) return
  if (step.optional === undefined) unit.held.push({ eventId, because: [says('run.skipStep.step-cannot-left-out')] })
  else unit.progress[stepId] = { ...unit.progress[stepId], by, doneAtMs: atMs, skippedBecause: because }
}

function finishStep(unit: UnitState, eventId: string, stepId: string, atMs: number, by: number, others?: OtherLists): void {
  const step = unit.steps?.find(({ id }) => id === stepId)
  if (!step) return
  const done = unit.progress[stepId]
  if (done?.doneAtMs !== undefined) {
    if (done.by !== by) done.alsoBy = [...(done.alsoBy ?? []), { by, atMs }]
    return
  }
  const because = reasonsToHold(unit, step, atMs, others, atMs)
  if (because.length > 0) {
    unit.held.push({ eventId, because })
    return
  }
  unit.progress[stepId] = { begunAtMs: atMs, ...unit.progress[stepId], by, doneAtMs: atMs }
  if (step.takesOff) unit.tray.push({ item: step.takesOff, slot: step.slot ?? '', stepId, by, atMs })
  if (step.putsBack) unit.tray = unit.tray.filter(({ item }) => item !== step.putsBack)
}

/** All of them or none: what one tap said is right as a whole, or does not count. Those that somebody else has done meanwhile stay theirs. */
function finishSteps(unit: UnitState, eventId: string, stepIds: readonly string[], atMs: number, by: number, others?: OtherLists): void {
  const open = (unit.steps ?? []).filter(({ id }) => stepIds.includes(id) && unit.progress[id]?.doneAtMs === undefined)
  const asksMore = open.filter((step) => !isPlain(step)).map(({ title }) => says('run.steps-done.asks-more', { step: title }))
  const because = [...asksMore, ...reasonsToHoldAll(unit, open, atMs, others, atMs)]
  if (because.length > 0) unit.held.push({ eventId, because })
  else for (const stepId of stepIds) finishStep(unit, eventId, stepId, atMs, by, others)
}
