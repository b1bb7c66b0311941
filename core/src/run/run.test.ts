import fc from 'fast-check'
import { planJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { Step } from '../procedure/index.ts'
import {
  carry,
  carryOn,
  inOrder,
  type Carried,
  heldNow,
  lastUndoable,
  leftOut,
  nextSteps,
  pauseOf,
  progressOf,
  reasonsToHold,
  runningWaits,
  shortfalls,
  stationOf,
  stateOf,
  stepsLeft,
  unitStateOf,
  withCounts,
  type Happening,
  type JobEvent,
} from './index.ts'
import { asOnePlan, told } from '../tests/inEnglish.ts'

const minute = 60_000
const readings = { returnC: 26, returnRh: 0.5, supplyC: 14 }
const { steps } = asOnePlan(
  planJob(
    jobWith({
      complaints: ['smell'],
      grades: { wheel: { grade: 3, kinds: ['biofilm'] }, pan: { grade: 2 }, coilFace: { grade: 2, kinds: ['biofilm'] } },
    }),
  ),
).units[0]
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
    if (step.needsPhoto) this.add({ type: 'photo-left-out', stepId: step.id, because: 'hands are wet' }, 0)
    if (step.doneBy === 'before-readings' || step.doneBy === 'after-readings')
      this.add({ type: 'reading-taken', when: step.doneBy === 'before-readings' ? 'before' : 'after', readings }, 0)
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

/** Logs of two people at one unit, each with a clock of their own, doing likely and unlikely things. */
const mixedLogs: fc.Arbitrary<JobEvent[]> = fc
  .array(
    fc.record({
      by: fc.constantFrom(1, 2),
      minute: fc.integer({ min: 0, max: 40 }),
      aheadMin: fc.constantFrom(undefined, 0, 7, -3),
      step: fc.nat({ max: 20 }),
      what: fc.constantFrom('done', 'done', 'done', 'gate', 'count', 'skip', 'pause', 'resume', 'give', 'undo', 'grade'),
      of: fc.nat(),
    }),
    { minLength: 2, maxLength: 60 },
  )
  .map((list) => {
    const idOf = (index: number) => `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`
    const agreed: JobEvent = { id: idOf(999), atMs: 0, by: 1, happening: { type: 'method-agreed', unitId: 'head', decisions: [], steps } }
    return [
      agreed,
      ...list.map(({ by, minute: at, aheadMin, step: number, what, of }, index): JobEvent => {
        const { id: stepId, fasteners, takesOff } = steps[number % steps.length]
        const unitId = 'head'
        const happenings: Record<typeof what, Happening> = {
          done: { type: 'step-done', unitId, stepId },
          gate: { type: 'gate-confirmed', unitId, stepId },
          count: {
            type: 'fasteners-counted',
            unitId,
            stepId,
            kind: fasteners?.[0]?.kind ?? 'screw',
            count: of % 4,
            direction: takesOff ? 'out' : 'in',
          },
          skip: { type: 'step-skipped', unitId, stepId, because: 'no time' },
          pause: { type: 'paused', unitId },
          resume: { type: 'resumed', unitId },
          give: { type: 'step-given', unitId, stepId, to: of % 3 === 0 ? null : of % 3 },
          undo: { type: 'undone', unitId, eventId: idOf(of % (index + 1)) },
          grade: { type: 'grade-set', unitId, part: 'wheel', grade: (of % 5) as 0, kinds: [] },
        }
        const ahead = aheadMin === undefined ? {} : { aheadMs: aheadMin * minute }
        return { id: idOf(index), atMs: at * minute + (ahead.aheadMs ?? 0), by, ...ahead, happening: happenings[what] }
      }),
    ]
  })

/** With its keys in one order: the order in which a state was put together says nothing. */
const inKeys = (value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([key, own]) => [key, inKeys(own)]),
      )
    : Array.isArray(value)
      ? value.map(inKeys)
      : value

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

  it('is the same in any order for two devices with wrong clocks that undo, skip, pause, give and do the same things', () =>
    fc.assert(
      fc.property(mixedLogs, fc.infiniteStream(fc.nat()), fc.array(fc.nat(), { maxLength: 8 }), (events, keys, cuts) => {
        const wanted = JSON.stringify(stateOf(events))
        const shuffled = events
          .map((event) => ({ event, key: keys.next().value! }))
          .sort((a, b) => a.key - b.key)
          .map(({ event }) => event)
        // Delivered in batches, some of them twice; what is known grows, and the end is the same.
        const bounds = [0, ...cuts.map((cut) => cut % (events.length + 1)).sort((a, b) => a - b), events.length]
        let known: JobEvent[] = []
        bounds.slice(1).forEach((end, index) => {
          const batch = shuffled.slice(bounds[index], end)
          known = [...known, ...batch, ...(index % 2 === 0 ? batch : [])]
        })
        expect(JSON.stringify(stateOf(known))).toBe(wanted)
      }),
      { numRuns: 300 },
    ))

  it('is the same where it is kept and carried on batch by batch, in whatever order they come', () => {
    const tally = { carried: 0, read: 0 }
    fc.assert(
      fc.property(mixedLogs, fc.boolean(), fc.infiniteStream(fc.nat()), fc.array(fc.nat(), { maxLength: 12 }), (events, sorted, keys, cuts) => {
        const arriving = sorted
          ? inOrder(events)
          : events
              .map((event) => ({ event, key: keys.next().value! }))
              .sort((a, b) => a.key - b.key)
              .map(({ event }) => event)
        const bounds = [0, ...cuts.map((cut) => cut % (events.length + 1)).sort((a, b) => a - b), events.length]
        let known: JobEvent[] = []
        let last = carry([])
        bounds.slice(1).forEach((end, index) => {
          const fresh = arriving.slice(bounds[index], end)
          known = [...known, ...fresh]
          // As it is kept: as text, its steps by the event that agreed them.
          const carried = JSON.parse(JSON.stringify(last.carried)) as Carried
          const agreed = known.find(({ id }) => id === carried.agreedIn)?.happening
          const on = carryOn(carried, agreed?.type === 'method-agreed' ? agreed.steps : undefined, fresh)
          tally[on ? 'carried' : 'read'] += 1
          last = on ?? carry(known)
          expect(inKeys({ ...last.state, steps: [] })).toEqual(inKeys({ ...unitStateOf(known, 'head'), steps: [] }))
          expect(last.state.steps).toEqual(unitStateOf(known, 'head').steps)
        })
      }),
      { numRuns: 300 },
    )
    // Both ways were walked.
    expect(Math.min(tally.carried, tally.read)).toBeGreaterThan(100)
  })
  it('is not carried on from what an earlier version kept', () => {
    const { carried } = carry(whole.events)
    expect(carryOn(carried, steps, [])).toBeDefined()
    expect(carryOn({ ...carried, version: carried.version - 1 }, steps, [])).toBeUndefined()
  })

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
    expect(lastUndoable(log.events, ['head'], 1)).toBe(mine)
    log.add({ type: 'undone', eventId: mine.id })
    expect(lastUndoable(log.events, ['head'], 1)).toBeUndefined()
  })
})

describe('gates', () => {
  it('hold a step until what comes before it is done, its gate confirmed and its fasteners counted', () => {
    const log = new Log().agree()
    log.add({ type: 'step-done', stepId: 'off-cover' })
    expect(log.state.held).toHaveLength(1)
    expect(told(log.state.held[0].because).join()).toMatch(/first: /)
    log.upTo('off-cover').do(stepOf('off-cover'), { fasteners: false })
    expect(log.state.progress['off-cover']?.doneAtMs).toBeUndefined()
    expect(told(log.state.held.at(-1)!.because)).toContain('count: cover screw')
    log.do(stepOf('off-cover'))
    expect(log.state.progress['off-cover'].doneAtMs).toBe(log.nowMs)
  })
  it('hold power while a screw is out, and name the step where it came out', () => {
    const log = new Log().agree().upTo('on-cover')
    const cover = stepOf('on-cover')
    log.add({ type: 'fasteners-counted', stepId: 'on-cover', kind: 'cover screw', count: 2, direction: 'in' }, 0)
    log.add({ type: 'fasteners-counted', stepId: 'on-cover', kind: 'screw cap', count: 3, direction: 'in' }, 0)
    log.add({ type: 'step-done', stepId: 'on-cover' })
    expect(log.state.progress['on-cover']?.doneAtMs).toBeDefined()
    const count = stepOf('check-ledger')
    expect(told(reasonsToHold(log.state, count, log.nowMs)).join('\n')).toMatch(/1 of 3 × cover screw from “front cover” is still out/)
    log.do(cover)
    expect(told(reasonsToHold(log.state, count, log.nowMs)).join('\n')).not.toMatch(/cover screw/)
  })
  it('can be asked before a count is recorded, without changing anything', () => {
    const log = new Log().agree().upTo('off-cover')
    const cover = stepOf('off-cover')
    const counts = [
      { kind: 'cover screw', count: 3 },
      { kind: 'screw cap', count: 3 },
    ]
    log.add({ type: 'photo-left-out', stepId: 'off-cover', because: 'too dark' }, 0)
    const { state } = log
    expect(told(reasonsToHold(withCounts(state, cover, counts), cover, log.nowMs))).toEqual([])
    expect(told(reasonsToHold(withCounts(state, cover, counts.slice(1)), cover, log.nowMs))).toEqual(['count: cover screw'])
    expect(state.ledger.some(({ kind }) => kind === 'cover screw')).toBe(false)
  })
  it('hold the rinse until the dwell has worked, and warn when it runs over', () => {
    const log = new Log().agree().upTo('apply-coil')
    log.do(stepOf('apply-coil'))
    const [wait] = runningWaits(log.state, log.nowMs)
    expect(wait).toMatchObject({ phase: 'soaking', leastAtMs: log.nowMs + 10 * minute, mostAtMs: log.nowMs + 20 * minute })
    expect(told(reasonsToHold(log.state, stepOf('rinse-coil'), log.nowMs + minute))).toContain('9 min to wait for Antimicrobial coil foam to work')
    expect(nextSteps(log.state, log.nowMs).map(({ id }) => id)).toContain('wash-filters')
    expect(nextSteps(log.state, log.nowMs + 11 * minute)[0].id).toBe('rinse-coil')
    expect(runningWaits(log.state, log.nowMs + 21 * minute)[0].phase).toBe('late')
  })
  it('offer first what the person is trained for, and keep nothing from anybody', () => {
    const log = new Log().agree().upTo('off-end-plate')
    const idsFor = (trained?: string[]) => nextSteps(log.state, log.nowMs, { trained }).map(({ id }) => id)
    expect(idsFor(['wheel-removal'])[0]).toBe('off-end-plate')
    expect(idsFor()[0]).toBe('off-end-plate')
    expect(idsFor([])[0]).not.toBe('off-end-plate')
    expect(idsFor([]).at(-1)).toBe('off-end-plate')
    expect(idsFor([]).sort()).toEqual(idsFor().sort())
  })
  it('hold handing over until every step is done', () => {
    const log = new Log().agree().upTo('run-test')
    log.add({ type: 'handed-over', verdict: 'proved' })
    expect(log.state.handedOver).toBeUndefined()
    for (const id of ['run-test', 'put-things-back', 'leave-to-dry', 'clear-up', 'show-result']) log.do(stepOf(id))
    expect(stationOf(log.state)).toBe('proof')
    // It is no tick: handing over does it.
    log.do(stepOf('hand-over'))
    expect(log.state.progress['hand-over']?.doneAtMs).toBeUndefined()
    log.add({ type: 'handed-over', verdict: 'partly', notReached: ['coilBack'] })
    expect(log.state.progress['hand-over']).toMatchObject({ doneAtMs: log.nowMs, by: 1 })
    expect(log.state.handedOver?.notReached).toEqual(['coilBack'])
    expect(log.state.handedOver).toMatchObject({ verdict: 'partly', by: 1 })
    expect(stationOf(log.state)).toBe('handed-over')
  })
  it('fill and empty the tray', () => {
    const log = new Log().agree().upTo('off-wheel')
    expect(log.state.tray.map(({ item }) => item)).toEqual(expect.arrayContaining(['front cover', 'drain pan', 'coil end plate']))
    expect(log.upTo('power-on').state.tray).toEqual([])
    expect(progressOf(log.state).done).toBe(steps.findIndex(({ id }) => id === 'power-on'))
  })
})

describe('waits that somebody ends', () => {
  it('are those of drying, by a hand that says so; nothing is dried before it was set to dry', () => {
    const flooded = jobWith({ grades: { coilFace: { grade: 2 } } }, { houseRules: { dryingSchool: 'long-air-dry' } })
    const planned = asOnePlan(planJob(flooded)).units[0].steps
    const [leave, close] = ['open-to-dry', 'on-cover'].map((id, at) => ({
      ...planned.find((one) => one.id === id)!,
      after: at > 0 ? ['open-to-dry'] : [],
    }))
    const log = new Log()
    log.add({ type: 'method-agreed', decisions: [], steps: [leave, close] })
    log.add({ type: 'wait-ended', stepId: 'open-to-dry', said: 'dry-to-the-touch' })
    expect(told(log.state.held.at(-1)?.because)).toEqual(['this wait cannot be cut short'])
    log.add({ type: 'step-done', stepId: 'open-to-dry' })
    expect(told(reasonsToHold(log.state, close, log.nowMs + minute)).join()).toMatch(/to wait for the unit to dry open/)
    log.add({ type: 'wait-ended', stepId: 'open-to-dry', said: 'dry-to-the-touch' }, 1, 2)
    expect(log.state.progress['open-to-dry'].waitEnded).toEqual({ by: 2, atMs: log.nowMs })
    expect(told(reasonsToHold(log.state, close, log.nowMs)).join()).not.toMatch(/left for the unit to dry/)
  })
  it('are not those of an agent, whoever asks', () => {
    const log = new Log().agree().upTo('apply-coil')
    log.do(stepOf('apply-coil'))
    log.add({ type: 'wait-ended', stepId: 'apply-coil', said: 'dry-to-the-touch' })
    log.add({ type: 'wait-shortened', stepId: 'apply-coil', text: 'in a hurry' })
    expect(log.state.progress['apply-coil'].waitEnded).toBeUndefined()
    expect(log.state.held).toHaveLength(2)
  })
  it('may be the upright wait by the owner alone, in writing, and it is said afterwards', () => {
    const bench = asOnePlan(planJob(jobWith({ family: 'window', grades: { coilFace: { grade: 2 } } }))).units[0].steps
    const stand = { ...bench.find(({ id }) => id === 'stand-upright')!, after: [] }
    const log = new Log()
    log.add({ type: 'method-agreed', decisions: [], steps: [stand] })
    log.add({ type: 'step-done', stepId: 'stand-upright' })
    log.add({ type: 'wait-ended', stepId: 'stand-upright', said: 'dry-to-the-touch' })
    expect(told(log.state.held.at(-1)?.because)).toEqual(['only the owner can shorten this wait, in writing'])
    log.add({ type: 'wait-shortened', stepId: 'stand-upright', text: 'it was never tipped' })
    expect(log.state.progress['stand-upright'].waitEnded?.text).toBe('it was never tipped')
    expect(told(leftOut(log.state))).toEqual([expect.stringContaining('allowed by the owner — it was never tipped')])
  })
})

describe('what was not counted or photographed', () => {
  it('holds its step; a count that is short goes on record and holds power, not the rebuild', () => {
    const log = new Log().agree().upTo('on-cover')
    const cover = stepOf('on-cover')
    log.add({ type: 'gate-confirmed', stepId: 'on-cover' }, 0)
    expect(told(reasonsToHold(log.state, cover, log.nowMs))).toEqual(['count: cover screw', 'count: screw cap'])
    for (const [kind, count] of [
      ['cover screw', 2],
      ['screw cap', 3],
    ] as const)
      log.add({ type: 'fasteners-counted', stepId: 'on-cover', kind, count, direction: 'in' })
    log.add({ type: 'step-done', stepId: 'on-cover' })
    expect(log.state.progress['on-cover'].doneAtMs).toBe(log.nowMs)
    for (const step of steps.slice(
      steps.indexOf(cover) + 1,
      steps.findIndex(({ id }) => id === 'check-ledger'),
    ))
      log.do(step)
    log.add({ type: 'gate-confirmed', stepId: 'check-ledger' })
    expect(told(reasonsToHold(log.state, stepOf('check-ledger'), log.nowMs))).toEqual(['1 of 3 × cover screw from “front cover” is still out'])
    log.add({ type: 'exception-written', item: 'front cover', kind: 'cover screw', short: 1, text: 'thread worn' })
    expect(told(reasonsToHold(log.state, stepOf('check-ledger'), log.nowMs))).toEqual([])
    expect(told(leftOut(log.state))).toEqual(['One × cover screw of the front cover missing, allowed by the owner — thread worn'])
  })
  it('is a photograph that a step asks for: taken, or left out with a reason', () => {
    const log = new Log().agree().upTo('off-cover')
    const wanted = () => told(reasonsToHold(log.state, stepOf('off-cover'), log.nowMs)).filter((reason) => reason.includes('take a photo'))
    expect(wanted()).toHaveLength(1)
    log.add({ type: 'photo-left-out', stepId: 'off-cover', because: 'too dark' })
    expect(wanted()).toEqual([])
    const other = new Log().agree().upTo('off-cover')
    other.add({ type: 'photo-taken', photoId: '11111111-1111-4111-8111-111111111111', stepId: 'off-cover' })
    expect(told(reasonsToHold(other.state, stepOf('off-cover'), other.nowMs)).join()).not.toMatch(/photographed/)
  })
  it('are readings that nobody took: the step is done by taking them', () => {
    const log = new Log().agree()
    log.add({ type: 'step-done', stepId: 'read-before' })
    expect(log.state.progress['read-before']?.doneAtMs).toBeUndefined()
    expect(told(reasonsToHold(log.state, stepOf('run-test'), log.nowMs))).toContain('take the after readings')
  })
})

describe('looking over', () => {
  it('adds and withdraws complaints, findings, grades and choices', () => {
    const log = new Log()
    log.add({ type: 'complaint-set', complaint: 'smell', present: true })
    log.add({ type: 'complaint-set', complaint: 'noise', present: true })
    log.add({ type: 'complaint-set', complaint: 'smell', present: false })
    log.add({ type: 'finding-set', finding: 'bent-fins', present: true })
    log.add({ type: 'grade-set', part: 'wheel', grade: 3, kinds: ['dust'] })
    log.add({ type: 'grade-set', part: 'pan', grade: 2, kinds: [] })
    log.add({ type: 'grade-set', part: 'pan', grade: null, kinds: [] })
    log.add({ type: 'grade-set', part: 'wheel', grade: 1, kinds: [], when: 'after' })
    expect(log.state.gradesAfter).toEqual({ wheel: { grade: 1 } })
    log.add({ type: 'school-chosen', school: 'rinseSchool', value: 'dry' })
    log.add({ type: 'choice-made', topic: 'wheel', choice: 'wash-in-place' })
    log.add({ type: 'choice-made', topic: 'drain', choice: 'flush' })
    log.add({ type: 'choice-made', topic: 'drain', choice: null })
    expect(log.state).toMatchObject({
      complaints: ['noise'],
      findings: ['bent-fins'],
      grades: { wheel: { grade: 3, kinds: ['dust'] } },
      schools: { rinseSchool: 'dry' },
      choices: { wheel: 'wash-in-place' },
    })
    expect(Object.keys(log.state.grades)).toEqual(['wheel'])
    expect(Object.keys(log.state.choices)).toEqual(['wheel'])
    expect(stationOf(log.state)).toBe('method')
  })
  it('keeps the latest readings of each kind', () => {
    const log = new Log()
    log.add({ type: 'reading-taken', when: 'before', readings })
    log.add({ type: 'reading-taken', when: 'before', readings: { ...readings, supplyC: 13 } })
    expect(log.state.readings).toEqual({ before: { ...readings, supplyC: 13 } })
    expect(stationOf(log.state)).toBe('look-over')
  })
})

describe('two people at one unit', () => {
  it('who both did a step have done it once, and the first one counts', () => {
    const log = new Log().agree().upTo('isolate')
    log.do(stepOf('isolate'))
    const first = log.nowMs
    log.add({ type: 'step-done', stepId: 'isolate' }, 3, 2)
    expect(log.state.progress.isolate).toMatchObject({ doneAtMs: first, by: 1 })
    expect(log.state.held).toEqual([])
  })
  it('who were apart: a step that was held counts once what it waited for arrives', () => {
    const log = new Log().agree().upTo('isolate')
    const isolated = log.do(stepOf('isolate'))
    log.do(stepOf('prove-dead'))
    const late = log.events.filter(({ id }) => id !== isolated.id)
    expect(unitStateOf(late, 'head').progress['prove-dead'].doneAtMs).toBeUndefined()
    expect(unitStateOf([...late, isolated], 'head').progress['prove-dead'].doneAtMs).toBe(log.nowMs)
  })
  it('each undo their own: what followed the undone step is held again', () => {
    const log = new Log().agree().upTo('isolate')
    const isolated = log.do(stepOf('isolate'))
    log.do(stepOf('prove-dead'))
    log.add({ type: 'undone', eventId: isolated.id })
    expect(log.state.progress.isolate?.doneAtMs).toBeUndefined()
    expect(log.state.progress['prove-dead'].doneAtMs).toBeUndefined()
    expect(nextSteps(log.state, log.nowMs)[0].id).toBe('isolate')
  })
})

describe('clocks that differ', () => {
  it('agree on a wait: what counts is the server’s time, as far as the device knew it', () => {
    const log = new Log().agree().upTo('apply-coil')
    // The phone that foams runs five minutes ahead, the one that rinses three minutes behind.
    const foam = log.do(stepOf('apply-coil'))
    const trueMs = foam.atMs
    const ahead = { ...foam, atMs: trueMs + 5 * minute, aheadMs: 5 * minute }
    const events = [...log.events.slice(0, -1), ahead]
    expect(runningWaits(unitStateOf(events, 'head'), trueMs)[0].leastAtMs).toBe(trueMs + 10 * minute)
    const rinse = (atMs: number, aheadMs?: number): JobEvent => ({
      id: '00000000-0000-4000-8000-888888888888',
      atMs,
      by: 2,
      happening: { type: 'gate-confirmed', unitId: 'head', stepId: 'rinse-coil' },
      ...(aheadMs === undefined ? {} : { aheadMs }),
    })
    const done = (atMs: number, aheadMs?: number): JobEvent[] => [
      rinse(atMs, aheadMs),
      {
        ...rinse(atMs + 1, aheadMs),
        id: '00000000-0000-4000-8000-999999999999',
        happening: { type: 'step-done', unitId: 'head', stepId: 'rinse-coil' },
      },
    ]
    const isRinsed = (more: JobEvent[]) => unitStateOf([...events, ...more], 'head').progress['rinse-coil']?.doneAtMs !== undefined
    expect(isRinsed(done(trueMs + 11 * minute - 3 * minute, -3 * minute))).toBe(true)
    expect(isRinsed(done(trueMs + 8 * minute))).toBe(false)
    expect(isRinsed(done(trueMs + 11 * minute, 3 * minute))).toBe(false)
  })
})

describe('steps among several people', () => {
  const log = () => new Log().agree().upTo('off-cover')
  const idsFor = (own: Log, id: number) => nextSteps(own.state, own.nowMs, { id }).map((step) => step.id)
  it('that one has begun, or was given, come first for them and last for the others', () => {
    const own = log()
    const [, second] = nextSteps(own.state, own.nowMs)
    own.add({ type: 'step-begun', stepId: second.id }, 1, 2)
    expect(idsFor(own, 2)[0]).toBe(second.id)
    expect(idsFor(own, 1).at(-1)).toBe(second.id)
    own.add({ type: 'step-given', stepId: second.id, to: 1 })
    expect(idsFor(own, 1)[0]).toBe(second.id)
    own.add({ type: 'step-given', stepId: second.id, to: null })
    expect(idsFor(own, 1).at(-1)).toBe(second.id)
    expect(idsFor(own, 1).sort()).toEqual(idsFor(own, 2).sort())
  })
  it('that two did are done once, and it is said who did them too', () => {
    const own = new Log().agree().upTo('isolate')
    own.do(stepOf('isolate'))
    own.add({ type: 'step-done', stepId: 'isolate' }, 2, 2)
    expect(own.state.progress.isolate).toMatchObject({ by: 1, alsoBy: [{ by: 2, atMs: own.nowMs }] })
  })
  it('that two did and one took back stay done by the other, and that is said', () => {
    const own = new Log().agree().upTo('isolate')
    const first = own.do(stepOf('isolate'))
    own.add({ type: 'step-done', stepId: 'isolate' }, 2, 2)
    const secondAtMs = own.nowMs
    own.add({ type: 'undone', eventId: first.id })
    expect(own.state.progress.isolate).toMatchObject({ doneAtMs: secondAtMs, by: 2, takenBackBy: 1 })
    expect(own.state.progress.isolate.alsoBy).toBeUndefined()
  })
})

describe('leaving out', () => {
  it('goes for what the plan calls optional: what follows may be begun', () => {
    const own = new Log().agree()
    own.upTo('read-before')
    expect(nextSteps(own.state, own.nowMs).map(({ id }) => id)).toContain('read-before')
    own.add({ type: 'step-skipped', stepId: 'read-before', because: 'the unit does not start' })
    expect(own.state.progress['read-before']).toMatchObject({ doneAtMs: own.nowMs, skippedBecause: 'the unit does not start' })
    expect(own.state.held).toEqual([])
    expect(told(leftOut(own.state))).toEqual([expect.stringMatching(/^Skipped: Take the before readings — the unit does not start \(/)])
    own.upTo('off-cover')
    expect(own.state.progress['read-before'].skippedBecause).toBe('the unit does not start')
  })
  it('never goes for anything else', () => {
    const own = new Log().agree()
    for (const step of steps.filter(({ optional }) => optional === undefined)) own.add({ type: 'step-skipped', stepId: step.id, because: 'no time' })
    expect(Object.keys(own.state.progress)).toEqual([])
    expect(own.state.held).toHaveLength(steps.filter(({ optional }) => optional === undefined).length)
  })
})

describe('a pause', () => {
  it('is of one person, ends with a word or with the next thing they do, and stops no clock', () => {
    const own = new Log().agree().upTo('apply-coil')
    own.do(stepOf('apply-coil'))
    const [wait] = runningWaits(own.state, own.nowMs)
    own.add({ type: 'paused', because: 'lunch' })
    const fromMs = own.nowMs
    expect(pauseOf(own.state, 1)).toEqual({ by: 1, fromMs, because: 'lunch' })
    expect(pauseOf(own.state, 2)).toBeUndefined()
    expect(runningWaits(own.state, own.nowMs)[0].leastAtMs).toBe(wait.leastAtMs)
    own.add({ type: 'resumed' }, 12)
    own.add({ type: 'paused' })
    own.add({ type: 'step-begun', stepId: 'wash-filters' }, 3)
    expect(own.state.pauses).toEqual([
      { by: 1, fromMs, toMs: fromMs + 12 * minute, because: 'lunch' },
      { by: 1, fromMs: fromMs + 13 * minute, toMs: fromMs + 16 * minute },
    ])
  })
})

describe('the owner’s written exception', () => {
  it('lets the unit go on with exactly what it names, and not with one more missing', () => {
    const own = new Log().agree().upTo('on-cover')
    const count = (kind: string, back: number) => own.add({ type: 'fasteners-counted', stepId: 'on-cover', kind, count: back, direction: 'in' }, 0)
    count('cover screw', 2)
    count('screw cap', 3)
    const holds = (id: string) => told(reasonsToHold(own.state, stepOf(id), own.nowMs)).filter((reason) => !reason.startsWith('first: '))
    expect(holds('check-ledger')).toContain('1 of 3 × cover screw from “front cover” is still out')
    own.add({ type: 'exception-written', item: 'front cover', kind: 'cover screw', short: 1, text: 'fell behind the wall; a new one on Friday' })
    expect(holds('on-cover').filter((reason) => reason.includes('cover screw'))).toEqual([])
    if (stepOf('on-cover').gate) own.add({ type: 'gate-confirmed', stepId: 'on-cover' })
    own.add({ type: 'step-done', stepId: 'on-cover' })
    const shortCover = () => told(shortfalls(own.state)).filter((says) => says.includes('cover'))
    expect(shortCover()).toEqual([])
    expect(told(leftOut(own.state))).toEqual([
      'One × cover screw of the front cover missing, allowed by the owner — fell behind the wall; a new one on Friday',
    ])
    expect(holds('check-ledger').join()).not.toMatch(/cover/)
    count('cover screw', 1)
    expect(told(leftOut(own.state))).toEqual([])
    expect(shortCover()).toEqual(['2 of 3 × cover screw from “front cover” are still out'])
    expect(holds('check-ledger').join()).toMatch(/2 of 3 × cover screw/)
  })
})

describe('photographs', () => {
  it('belong to the step at which they were taken, in order', () => {
    const own = new Log().agree()
    const photoId = '11111111-1111-4111-8111-111111111111'
    own.add({ type: 'photo-taken', photoId, stepId: 'off-cover' })
    const wrong = own.add({ type: 'photo-taken', photoId: '22222222-2222-4222-8222-222222222222' })
    expect(own.state.photos).toMatchObject([{ photoId, stepId: 'off-cover', by: 1 }, { photoId: '22222222-2222-4222-8222-222222222222' }])
    own.add({ type: 'undone', eventId: wrong.id })
    expect(own.state.photos.map((photo) => photo.photoId)).toEqual([photoId])
    own.add({ type: 'photo-taken', photoId, of: { part: 'wheel', when: 'after' } })
    expect(own.state.photos.at(-1)!.of).toEqual({ part: 'wheel', when: 'after' })
    own.add({ type: 'signed', photoId, name: 'A. Guest' })
    expect(own.state.signed).toEqual({ photoId, name: 'A. Guest', atMs: own.nowMs })
  })
})

describe('what is left of the time', () => {
  it('is less for what was begun, and a bag that hangs is in use', () => {
    const own = new Log().agree().upTo('off-cover')
    const cover = stepOf('off-cover')
    own.add({ type: 'step-begun', stepId: 'off-cover' })
    const left = (afterMin: number) => stepsLeft(own.state, own.nowMs + afterMin * minute).find(({ id }) => id === 'off-cover')!.handsMin
    expect([left(1), left(100)]).toEqual([cover.handsMin - 1, 0.5])
    expect(heldNow(own.state)).toEqual([])
    expect(heldNow(new Log().agree().upTo('off-pan').state)).toEqual([{ equipment: 'wash-bag', until: 'take-down' }])
    expect(heldNow(new Log().agree().state)).toEqual([])
  })
})

describe('what counts for nothing', () => {
  it('is a step that the plan does not have, and fasteners of a step that moves nothing', () => {
    const log = new Log().agree()
    log.add({ type: 'step-done', stepId: 'polish' })
    log.add({ type: 'fasteners-counted', stepId: 'isolate', kind: 'screw', count: 4, direction: 'out' })
    expect(log.state.ledger).toEqual([])
    expect(progressOf(log.state)).toEqual({ done: 0, all: steps.length })
  })
  it('is handing over before a method was agreed', () => {
    const log = new Log()
    log.add({ type: 'handed-over', verdict: 'proved' })
    expect(log.state.handedOver).toBeUndefined()
    expect(told(log.state.held[0].because)).toEqual(['no method was agreed'])
  })
})
