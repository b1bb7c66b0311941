// What does a visit of several units come to: once for all of them, supply by supply, and each within reach of the other?
import { planJob, type JobFile, type UnitJob } from '../plan/index.ts'
import { openUnits } from '../tests/jobs.ts'
import { referenceVisits, visitJob } from '../tests/referenceVisits.ts'
import { asOneList, mergeVisit, partsOfRef, plainId, suppliesOf, type Step } from './index.ts'

const head = (id: string, rest: Partial<UnitJob> = {}): UnitJob => ({
  ...openUnits['wall-head'],
  id,
  grades: { ...openUnits['wall-head'].grades, coilFace: { grade: 2 }, wheel: { grade: 3 } },
  ...rest,
})
const roof = (id: string, rest: Partial<UnitJob> = {}): UnitJob => ({
  ...openUnits['rv-rooftop'],
  id,
  grades: { ...openUnits['rv-rooftop'].grades, coilFace: { grade: 2 } },
  ...rest,
})
const jobOf = (units: readonly UnitJob[]): JobFile => ({ ...visitJob({ crew: referenceVisits[0].crew, units: [] }), units: [...units] })
const visitOf = (...units: UnitJob[]) => planJob(jobOf(units))
const named = (steps: readonly Step[], plain: string) => steps.filter(({ id }) => plainId(id) === plain)

describe('the visit', () => {
  const { visit, units, timeline } = visitOf(head('a'), head('b'), head('c', { supply: 'breaker 4' }))
  it('is arrived at, asked about, cleared up and shown once', () => {
    for (const id of ['arrive', 'ask', 'cover-ways', 'clear-up', 'show-result']) {
      expect(named(visit.steps, id)).toHaveLength(1)
      expect(named(visit.steps, id)[0].unitIds).toEqual(['a', 'b', 'c'])
      for (const { steps } of units) expect(named(steps, id)).toEqual([])
    }
  })
  it('takes a little longer for each further unit', () => {
    const alone = visitOf(head('a')).visit.steps
    const minutes = (steps: readonly Step[], id: string) => named(steps, id)[0].handsMin
    expect(minutes(visit.steps, 'clear-up')).toBe(minutes(alone, 'clear-up') + 2 * 2)
    expect(minutes(visit.steps, 'ask')).toBe(minutes(alone, 'ask') + 2)
    expect(minutes(visit.steps, 'arrive')).toBe(minutes(alone, 'arrive'))
  })
  it('isolates each supply by itself', () => {
    expect(named(visit.steps, 'isolate').map(({ unitIds }) => unitIds)).toEqual([['a'], ['b'], ['c']])
  })
  it('names steps of other lists by list and step, and each of them is there', () => {
    const lists = new Map([['visit', visit.steps], ...units.map(({ id, steps }) => [id, steps] as const)])
    for (const [list, steps] of lists)
      for (const { after } of steps)
        for (const ref of after) {
          const to = partsOfRef(ref, list)
          expect(lists.get(to.list)?.some(({ id }) => id === to.step)).toBe(true)
        }
  })
  it('has its own place in the timeline, and the second of a kind takes 15 % less', () => {
    expect(timeline.tasks.filter(({ unitId }) => unitId === 'visit')).toHaveLength(visit.steps.length)
    const [first, second] = units.map(({ minutes }) => minutes?.hands ?? 0)
    expect(second / first).toBeCloseTo(0.85, 2)
  })
  it('is longer than its shortest and shorter than its longest, four times in five', () => {
    expect(visit.low).toBeLessThan(visit.onSite)
    expect(visit.high).toBeGreaterThan(visit.onSite)
  })
})

describe('units on one supply', () => {
  const { visit, units, timeline } = visitOf(roof('a'), roof('b'))
  const at = (unitId: string, step: string) => timeline.tasks.find((task) => task.unitId === unitId && task.step === step)!
  it('have one isolation, one battery, one way up and one power-on', () => {
    for (const id of ['isolate', 'part-battery', 'prove-dead', 'join-battery', 'power-on', 'go-up', 'come-down'])
      expect(named(visit.steps, id).map(({ unitIds }) => unitIds)).toEqual([['a', 'b']])
  })
  it('are read before it, and get power after the last count and the last one down', () => {
    const isolated = at('visit', named(visit.steps, 'isolate')[0].id)
    const powered = at('visit', named(visit.steps, 'power-on')[0].id)
    for (const { id } of units) {
      expect(at(id, 'read-before').endMin).toBeLessThanOrEqual(isolated.startMin)
      expect(at(id, 'check-ledger').endMin).toBeLessThanOrEqual(powered.startMin)
      expect(at(id, 'run-unit').startMin).toBeGreaterThanOrEqual(powered.endMin)
    }
    expect(at('visit', 'come-down').endMin).toBeLessThanOrEqual(powered.startMin)
  })
  it('wait with power for one that stays off, until it is closed and kept off', () => {
    const cracked = visitOf(head('a', { supply: 'breaker 4' }), head('b', { supply: 'breaker 4', findings: ['cracked-wheel'] }))
    const [power, ...more] = named(cracked.visit.steps, 'power-on')
    expect(more).toEqual([])
    expect(power.unitIds).toEqual(['a'])
    expect(power.after).toContain('b/keep-off')
    expect(named(visitOf(head('b', { findings: ['cracked-wheel'] })).visit.steps, 'power-on')).toEqual([])
  })
  it('lend the one bag to each other, and cover the outlet at the first spin instead', () => {
    const shared = visitOf(head('a', { supply: 'breaker 4' }), head('b', { supply: 'breaker 4' }))
    for (const { steps } of shared.units) {
      expect(steps.map(({ id }) => id)).toContain('cover-for-spin')
      expect(steps.find(({ id }) => id === 'take-down')!.after).toEqual(['check-ledger'])
    }
    const apart = visitOf(head('a'), head('b'))
    expect(apart.units[0].steps.map(({ id }) => id)).not.toContain('cover-for-spin')
  })
})

describe('what hangs together', () => {
  const unit = (id: string, supply?: string, outdoorUnit?: string, family = 'wall-head') => ({ id, family, supply, outdoorUnit })
  const groups = (...units: ReturnType<typeof unit>[]) => [...suppliesOf(units).values()]
  it('is what is on one breaker, or on one outdoor unit, at whatever distance', () => {
    expect(groups(unit('a', 'one'), unit('b', 'one'), unit('c', 'two'))).toEqual(['a', 'a', 'c'])
    expect(groups(unit('a', undefined, 'yard'), unit('b', undefined, 'yard'), unit('c'))).toEqual(['a', 'a', 'c'])
    expect(groups(unit('a', 'one'), unit('b', 'two', 'yard'), unit('c', 'one', 'yard'))).toEqual(['a', 'a', 'a'])
  })
  it('is the roof, where nobody says otherwise', () => {
    const roofs = [unit('a', undefined, undefined, 'rv-rooftop'), unit('b', undefined, undefined, 'rv-rooftop')]
    expect(groups(...roofs, unit('c', 'generator', undefined, 'rv-rooftop'))).toEqual(['a', 'a', 'c'])
  })
})

describe('one list', () => {
  it('holds what a unit shares with its visit, with plain names, in a workable order', () => {
    const { visit, units } = visitOf(head('a'), head('b'))
    const list = asOneList('b', units[1].steps, visit.steps)
    const placed = new Set<string>()
    for (const { id, after } of list) {
      for (const before of after) expect(placed).toContain(before)
      expect(id).not.toMatch(/[@/]/)
      placed.add(id)
    }
    expect([...placed]).toEqual(expect.arrayContaining(['arrive', 'isolate', 'off-cover', 'power-on', 'hand-over']))
  })
  it('comes to the same whatever unit is asked first', () => {
    const asked = visitOf(head('a'), head('b')).visit.steps
    expect(mergeVisit([asked, asked]).map(({ id }) => id)).toEqual(asked.map(({ id }) => id))
  })
})
