import fc from 'fast-check'
import { planJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { Step } from '../procedure/index.ts'
import {
  lastUndoable,
  nextSteps,
  progressOf,
  reasonsToHold,
  runningWaits,
  stageOf,
  stateOf,
  unitStateOf,
  type Happening,
  type JobEvent,
} from './index.ts'

const minute = 60_000
const steps = planJob(
  jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3, kinds: ['biofilm'] }, pan: { grade: 2 }, coilFace: { grade: 2 } } }),
).units[0].steps
type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never

/** Events one after the other, a minute apart unless said otherwise. */
class Log {
  readonly events: JobEvent[] = []
  nowMs = 1_000_000
  add(happening: Bare, afterMin = 1, by = 1): JobEvent {
    this.nowMs += afterMin * minute
    const event = {
      id: `00000000-0000-4000-8000-${String(this.events.length + 1).padStart(12, '0')}`,
      atMs: this.nowMs,
      by,
      happening: { ...happening, unitId: 'head' } as Happening,
    }
    this.events.push(event)
    return event
  }
  agree() {
    this.add({ type: 'method-agreed', decisions: [], steps })
    return this
  }
  /** Does one step as it should be done. */
  do(step: Step, { fasteners = true, gate = true }: { fasteners?: boolean; gate?: boolean } = {}) {
    if (fasteners)
      for (const { kind, count } of step.fasteners ?? [])
        this.add({ type: 'fasteners-counted', stepId: step.id, kind, count, direction: step.takesOff ? 'out' : 'in' }, 0)
    if (step.gate && gate) this.add({ type: 'gate-confirmed', stepId: step.id }, 0)
    return this.add({ type: 'step-done', stepId: step.id }, step.handsMin)
  }
  /** Does all steps before `id`, waiting as asked. */
  upTo(id: string) {
    for (const step of steps) {
      if (step.id === id) return this
      this.do(step)
      this.nowMs += (step.wait?.leastMin ?? 0) * minute
    }
    return this
  }
  get state() {
    return unitStateOf(this.events, 'head')
  }
}
const stepOf = (id: string) => steps.find((step) => step.id === id)!

describe('state from events', () => {
  const whole = new Log().agree().upTo('run-test')
  const expected = JSON.stringify(stateOf(whole.events))

  it('is the same in any order, split and doubled', () =>
    fc.assert(
      fc.property(fc.shuffledSubarray(whole.events, { minLength: whole.events.length }), fc.subarray(whole.events), (shuffled, doubled) => {
        expect(JSON.stringify(stateOf([...shuffled, ...doubled]))).toBe(expected)
      }),
      { numRuns: 200 },
    ))

  it('takes an undone tap back, and an undone undoing too', () => {
    const log = new Log()
    log.add({ type: 'grade-set', part: 'wheel', grade: 2, kinds: [] })
    const wrong = log.add({ type: 'grade-set', part: 'wheel', grade: 4, kinds: [] })
    const undoing = log.add({ type: 'undone', eventId: wrong.id })
    expect(log.state.grades.wheel).toEqual({ grade: 2 })
    log.add({ type: 'undone', eventId: undoing.id })
    expect(log.state.grades.wheel).toEqual({ grade: 4 })
  })
  it('does not let one unit undo what happened at another', () => {
    const log = new Log()
    const wheel = log.add({ type: 'grade-set', part: 'wheel', grade: 2, kinds: [] })
    const foreign: JobEvent = {
      id: '00000000-0000-4000-8000-999999999999',
      atMs: log.nowMs + 1,
      by: 1,
      happening: { type: 'undone', unitId: 'other', eventId: wheel.id },
    }
    expect(stateOf([...log.events, foreign]).head.grades.wheel).toEqual({ grade: 2 })
  })
  it('offers the latest own tap for undoing', () => {
    const log = new Log()
    const mine = log.add({ type: 'complaint-set', complaint: 'smell', present: true }, 1, 1)
    log.add({ type: 'complaint-set', complaint: 'noise', present: true }, 1, 2)
    expect(lastUndoable(log.events, 'head', 1)).toBe(mine)
    log.add({ type: 'undone', eventId: mine.id })
    expect(lastUndoable(log.events, 'head', 1)).toBeUndefined()
  })
})

describe('gates', () => {
  it('hold a step until what comes before it is done, its gate confirmed and its fasteners counted', () => {
    const log = new Log().agree()
    log.add({ type: 'step-done', stepId: 'off-cover' })
    expect(log.state.held).toHaveLength(1)
    expect(log.state.held[0].because.join()).toMatch(/first: /)
    log.upTo('off-cover').do(stepOf('off-cover'), { fasteners: false })
    expect(log.state.progress['off-cover']?.doneAtMs).toBeUndefined()
    expect(log.state.held.at(-1)!.because).toContain('to be counted: cover screw')
    log.do(stepOf('off-cover'))
    expect(log.state.progress['off-cover'].doneAtMs).toBe(log.nowMs)
  })
  it('hold power while a screw is out, and name the step where it came out', () => {
    const log = new Log().agree().upTo('on-cover')
    const cover = stepOf('on-cover')
    log.add({ type: 'fasteners-counted', stepId: 'on-cover', kind: 'cover screw', count: 2, direction: 'in' }, 0)
    log.add({ type: 'fasteners-counted', stepId: 'on-cover', kind: 'screw cap', count: 3, direction: 'in' }, 0)
    log.add({ type: 'step-done', stepId: 'on-cover' })
    expect(log.state.progress['on-cover']?.doneAtMs).toBeUndefined()
    const power = stepOf('power-on')
    expect(reasonsToHold(log.state, power, log.nowMs).join('\n')).toMatch(/still off: front cover/)
    expect(reasonsToHold(log.state, power, log.nowMs).join('\n')).toMatch(/1 of 3 × cover screw from “front cover” is still out/)
    log.do(cover)
    expect(reasonsToHold(log.state, power, log.nowMs).join('\n')).not.toMatch(/cover screw/)
  })
  it('hold the rinse until the dwell has worked, and warn when it runs over', () => {
    const log = new Log().agree().upTo('apply-coil')
    log.do(stepOf('apply-coil'))
    const [wait] = runningWaits(log.state, log.nowMs)
    expect(wait).toMatchObject({ phase: 'soaking', leastAtMs: log.nowMs + 10 * minute, mostAtMs: log.nowMs + 20 * minute })
    expect(reasonsToHold(log.state, stepOf('rinse-coil'), log.nowMs + minute)).toContain('9 min left for Antimicrobial coil foam to work')
    expect(nextSteps(log.state, log.nowMs).map(({ id }) => id)).toContain('wash-filters')
    expect(nextSteps(log.state, log.nowMs + 11 * minute)[0].id).toBe('rinse-coil')
    expect(runningWaits(log.state, log.nowMs + 21 * minute)[0].phase).toBe('late')
  })
  it('hold handing over until every step is done', () => {
    const log = new Log().agree().upTo('run-test')
    log.add({ type: 'handed-over', verdict: 'proved' })
    expect(log.state.handedOver).toBeUndefined()
    for (const id of ['run-test', 'clear-up', 'hand-over']) log.do(stepOf(id))
    expect(stageOf(log.state)).toBe('proof')
    log.add({ type: 'handed-over', verdict: 'partly' })
    expect(log.state.handedOver).toMatchObject({ verdict: 'partly', by: 1 })
    expect(stageOf(log.state)).toBe('handed-over')
  })
  it('fill and empty the tray', () => {
    const log = new Log().agree().upTo('off-wheel')
    expect(log.state.tray.map(({ item }) => item)).toEqual(expect.arrayContaining(['front cover', 'drain pan', 'coil end plate']))
    expect(log.upTo('power-on').state.tray).toEqual([])
    expect(progressOf(log.state).done).toBe(steps.findIndex(({ id }) => id === 'power-on'))
  })
})
