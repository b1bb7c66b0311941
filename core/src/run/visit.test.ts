// What happens to a visit with two units on one supply: one isolation, one power-on, whoever taps what in which order.
import fc from 'fast-check'
import { planJob } from '../plan/index.ts'
import { partsOfRef, plainId, visitId, workOrder, type Step } from '../procedure/index.ts'
import { told } from '../tests/inEnglish.ts'
import { openUnits } from '../tests/jobs.ts'
import {
  carry,
  nextOfUnit,
  nextSteps,
  openForUnit,
  reasonsToHold,
  reasonsToWait,
  stateOf,
  suppliesNow,
  visitLeft,
  type Happening,
  type JobEvent,
} from './index.ts'

const minute = 60_000
const soiled = { coilFace: { grade: 2 as const }, wheel: { grade: 3 as const } }
const head = (id: string, supply?: string) => ({
  ...openUnits['wall-head'],
  id,
  grades: { ...openUnits['wall-head'].grades, ...soiled },
  ...(supply === undefined ? {} : { supply }),
})
const site = {
  name: 'Row 3',
  setting: 'home' as const,
  waterOnSite: true,
  foulDrainOnSite: true,
  outdoorAir: { dryBulbC: 30, relativeHumidity: 0.6 },
}
const crew = [{ name: 'Ilke', trained: ['wheel-removal' as const, 'electrics' as const] }]
const planned = (supply?: string) => {
  const units = [head('a', supply), head('b', supply)]
  // As on a phone: each unit is planned by itself, among all of its visit.
  return new Map(units.map((unit) => [unit.id, planJob({ format: 'yastik.job/1', site, crew, units: [unit] }, undefined, units)]))
}
type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never

class Log {
  readonly events: JobEvent[] = []
  nowMs = 1_000_000
  readonly plans
  constructor(supply?: string) {
    this.plans = planned(supply)
  }
  add(unitId: string, happening: Bare, afterMin = 1, by = 1): JobEvent {
    this.nowMs += afterMin * minute
    const id = `00000000-0000-4000-8000-${String(this.events.length + 1).padStart(12, '0')}`
    const event = { id, atMs: this.nowMs, by, happening: { ...happening, unitId } as Happening }
    this.events.push(event)
    return event
  }
  get lists() {
    return stateOf(this.events)
  }
  agree(unitId: string) {
    const { units, visit } = this.plans.get(unitId)!
    this.add(unitId, { type: 'method-agreed', decisions: [], steps: units[0].steps, visitSteps: visit.steps })
    return this
  }
  steps(unitId: string) {
    return workOrder(unitId, this.lists[unitId].steps ?? [], this.lists[visitId].steps ?? [])
  }
  do(list: string, step: Step, by = 1) {
    for (const { kind, count } of step.fasteners ?? [])
      this.add(list, { type: 'fasteners-counted', stepId: step.id, kind, count, direction: step.takesOff ? 'out' : 'in' }, 0, by)
    if (step.needsPhoto) this.add(list, { type: 'photo-left-out', stepId: step.id, because: 'hands are wet' }, 0, by)
    if (step.doneBy === 'before-readings' || step.doneBy === 'after-readings')
      this.add(
        list,
        {
          type: 'reading-taken',
          when: step.doneBy === 'before-readings' ? 'before' : 'after',
          readings: { returnC: 26, returnRh: 0.5, supplyC: 14 },
        },
        0,
      )
    if (step.gate) this.add(list, { type: 'gate-confirmed', stepId: step.id }, 0, by)
    const done = this.add(list, { type: 'step-done', stepId: step.id }, step.handsMin, by)
    this.nowMs += (step.wait?.leastMin ?? 0) * minute
    return done
  }
  /** Works at a unit up to a step, by its plain name; what the visit has done already is not done again. */
  upTo(unitId: string, until: string, by = 1) {
    for (const { list, step } of this.steps(unitId)) {
      if (plainId(step.id) === until) return this
      if (step.doneBy !== 'hand-over' && this.lists[list].progress[step.id]?.doneAtMs === undefined) this.do(list, step, by)
    }
    return this
  }
  find(plain: string) {
    return this.lists[visitId].steps!.find(({ id }) => plainId(id) === plain)!
  }
  holds(step: Step, list: string) {
    return told(reasonsToHold(this.lists[list], step, this.nowMs, this.lists))
  }
}

describe('two units on one supply', () => {
  it('share what is done once, whichever is agreed on first', () => {
    const log = new Log('breaker 4').agree('a').agree('b')
    const { steps = [] } = log.lists[visitId]
    expect(steps.filter(({ id }) => plainId(id) === 'isolate').map(({ unitIds }) => unitIds)).toEqual([['a', 'b']])
    log.upTo('a', 'isolate')
    expect(log.steps('b').filter(({ list, step }) => list === visitId && log.lists[visitId].progress[step.id])).not.toEqual([])
  })
  it('are read before they are isolated: the other one is asked for first', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('a', 'isolate')
    expect(told(reasonsToWait(log.lists[visitId], log.find('isolate'), log.nowMs, log.lists)).join()).toMatch(
      /first: (Take the before readings|Tell the customer)/,
    )
  })
  it('are not read while it is isolated', () => {
    const log = new Log('breaker 4').agree('a').upTo('a', 'off-cover').agree('b')
    const read = log.lists.b.steps!.find(({ id }) => id === 'start-unit')!
    expect(log.holds(read, 'b').join()).toMatch(/its supply is isolated/)
    expect(nextSteps(log.lists.b, log.nowMs, {}, log.lists).map(({ id }) => id)).not.toContain('start-unit')
    expect(suppliesNow(log.lists)).toMatchObject([{ unitIds: ['a', 'b'], isolated: { by: 1 }, openUnitIds: ['a', 'b'] }])
  })
  it('get power after the last count, whoever taps it and however', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'isolate').upTo('a', 'power-on')
    const power = log.find('power-on')
    expect(log.holds(power, visitId).join()).toMatch(/first: (Count|Cover the outlet)/)
    // Somebody goes round the screen, or did not know of the other one: the log itself holds it.
    const forced = log.add(visitId, { type: 'step-done', stepId: power.id })
    expect(log.lists[visitId].progress[power.id]?.doneAtMs).toBeUndefined()
    expect(log.lists[visitId].held.map(({ eventId }) => eventId)).toEqual([forced.id])
    log.upTo('b', 'power-on', 2)
    log.do(visitId, power, 2)
    expect(log.lists[visitId].progress[power.id]).toMatchObject({ by: 2 })
    expect(suppliesNow(log.lists)[0].isolated).toBeUndefined()
    expect(nextOfUnit('a', log.nowMs, {}, log.lists).map(({ step }) => step.id)).toContain('first-spin')
  })
  it('ask for the tray of every unit on it, with what is out by name', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'off-cover').upTo('b', 'off-pan')
    expect(log.holds(log.find('power-on'), visitId).join('\n')).toMatch(/front cover/)
  })
  it('are isolated anew where one is opened after power came back for the other', () => {
    const log = new Log('breaker 4').agree('a').upTo('a', 'run-test')
    const isolate = log.find('isolate')
    expect(log.lists[visitId].progress[isolate.id]?.doneAtMs).toBeDefined()
    log.agree('b')
    expect(log.lists[visitId].progress[isolate.id]).toBeUndefined()
    const cover = log.lists.b.steps!.find(({ id }) => id === 'off-filters')!
    expect(log.holds(cover, 'b').join()).toMatch(/first: .*prove/i)
  })
  it('keep what is done where the method of one is changed in the middle of the work', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'isolate').upTo('a', 'off-cover').agree('a')
    expect(log.lists[visitId].progress[log.find('prove-dead').id]?.doneAtMs).toBeDefined()
    expect(log.lists[visitId].held).toEqual([])
  })
})

describe('a method that is changed after power came back', () => {
  const wheelInPlace = () => {
    const units = [{ ...head('a'), design: { ...head('a').design, wheelRemovable: false, panRemovable: false } }]
    return planJob({ format: 'yastik.job/1', site, crew, units })
  }
  it('is isolated anew, opened, and gets no power before it is counted anew', () => {
    const log = new Log()
    const before = wheelInPlace()
    log.add('a', { type: 'method-agreed', decisions: [], steps: before.units[0].steps, visitSteps: before.visit.steps })
    log.upTo('a', 'run-test')
    expect(log.lists[visitId].progress[log.find('power-on').id]?.doneAtMs).toBeDefined()
    log.agree('a')
    for (const id of ['isolate', 'prove-dead', 'power-on']) expect(log.lists[visitId].progress[log.find(id).id]).toBeUndefined()
    expect(log.lists.a.progress['check-ledger']).toBeUndefined()
    const forced = log.add(visitId, { type: 'step-done', stepId: log.find('power-on').id })
    expect(log.lists[visitId].held.map(({ eventId }) => eventId)).toContain(forced.id)
    // Nothing is stuck: it is done once more to its end.
    log.upTo('a', 'hand-over')
    expect(log.lists[visitId].progress[log.find('power-on').id]?.doneAtMs).toBeDefined()
    expect(openForUnit('a', log.lists)).toEqual([])
  })
})

describe('the visit under way', () => {
  it('comes to the same in whatever order events arrive, and whatever is doubled', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'isolate').upTo('a', 'off-cover')
    log.add(visitId, { type: 'came', who: 2 })
    log.add(visitId, { type: 'note', text: 'dog in the yard' })
    log.add(visitId, { type: 'went', who: 2 }, 30)
    const whole = log.lists
    expect(whole[visitId].people).toEqual([{ who: 2, cameAtMs: expect.any(Number), wentAtMs: log.nowMs }])
    expect(whole[visitId].notes.map(({ text }) => text)).toEqual(['dog in the yard'])
    fc.assert(
      fc.property(fc.shuffledSubarray(log.events, { minLength: log.events.length }), fc.nat(), (shuffled, of) => {
        expect(stateOf([...shuffled, shuffled[of % shuffled.length]])).toEqual(whole)
      }),
      { numRuns: 10 },
    )
  })
  it('changes no unit: each comes to what its own events say', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'isolate').upTo('a', 'power-on')
    for (const id of ['a', 'b']) expect(carry(log.events.filter(({ happening }) => happening.unitId === id)).state).toEqual(log.lists[id])
  })
  it('lets a unit be handed over while others are at work, and asks for its own share only', () => {
    const log = new Log().agree('a').agree('b').upTo('a', 'hand-over')
    const handOver = log.lists.a.steps!.find(({ doneBy }) => doneBy === 'hand-over')!
    expect(reasonsToWait(log.lists.a, handOver, log.nowMs, log.lists)).toEqual([])
    expect(openForUnit('a', log.lists).map(({ id }) => id)).toEqual([])
    expect(openForUnit('b', log.lists).length).toBeGreaterThan(0)
  })
  it('leaves for the day what is not done: its own and its units’, each naming what is there', () => {
    const log = new Log('breaker 4').agree('a').agree('b').upTo('b', 'isolate').upTo('a', 'off-cover')
    const open = ['a', 'b'].map((id) => ({ id, steps: [], visitSteps: [] }))
    const left = visitLeft(open, log.lists, () => undefined, log.nowMs)
    expect(left.map(({ id }) => id)).toEqual([visitId, 'a', 'b'])
    expect(left[0].steps.map(({ id }) => plainId(id))).toEqual(expect.arrayContaining(['power-on', 'clear-up']))
    expect(left[0].steps.map(({ id }) => plainId(id))).not.toContain('isolate')
    for (const { id: list, steps } of left)
      for (const ref of steps.flatMap(({ after }) => after)) {
        const to = partsOfRef(ref, list)
        const [there, before] = [left.find(({ id }) => id === to.list), log.lists[to.list]]
        expect(there?.steps.some(({ id }) => id === to.step) === true || before.progress[to.step]?.doneAtMs !== undefined).toBe(true)
      }
  })
})
