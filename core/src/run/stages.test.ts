// The stages of a run: which steps belong together, what one tap may say, and what it never says.
import { planJob } from '../plan/index.ts'
import { withStages, type Step } from '../procedure/index.ts'
import { asOnePlan, inEnglish, told } from '../tests/inEnglish.ts'
import { jobWith } from '../tests/jobs.ts'
import {
  atOnce,
  carry,
  durationsOf,
  lastUndoable,
  openIn,
  stagesOfUnit,
  unitStateOf,
  type Happening,
  type JobEvent,
  type UnitState,
} from './index.ts'

const minute = 60_000
const { steps } = asOnePlan(planJob(jobWith({ grades: { coilFace: { grade: 2, kinds: ['dust'] }, pan: { grade: 1 } } }))).units[0]
type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never
const trained = ['wheel-removal', 'electrics', 'roof']

class Log {
  readonly events: JobEvent[] = []
  nowMs = 1_000_000
  constructor(agreed: readonly Step[] = steps) {
    this.add({ type: 'method-agreed', decisions: [], steps: [...agreed] })
  }
  add(happening: Bare, afterMin = 1, by = 1): JobEvent {
    this.nowMs += afterMin * minute
    const id = `00000000-0000-4000-8000-${String(this.events.length + 1).padStart(12, '0')}`
    const event = { id, atMs: this.nowMs, by, happening: { ...happening, unitId: 'head' } as Happening }
    this.events.push(event)
    return event
  }
  get state(): UnitState {
    return unitStateOf(this.events, 'head')
  }
  get lists() {
    return { head: this.state }
  }
  get stages() {
    return stagesOfUnit('head', this.lists)
  }
  stage(name: string) {
    return this.stages.find((stage) => inEnglish(stage.name) === name)!
  }
  once(name: string, asker: Parameters<typeof atOnce>[2] = { id: 1, trained }) {
    return atOnce(this.stage(name), this.nowMs, asker, this.lists)?.steps.map(({ id }) => id)
  }
  doOne({ id, gate, needsPhoto, fasteners = [], takesOff, doneBy }: Step) {
    for (const { kind, count } of fasteners) this.add({ type: 'fasteners-counted', stepId: id, kind, count, direction: takesOff ? 'out' : 'in' }, 0)
    if (needsPhoto) this.add({ type: 'photo-left-out', stepId: id, because: 'hands are wet' }, 0)
    if (gate) this.add({ type: 'gate-confirmed', stepId: id }, 0)
    if (doneBy === 'before-readings') this.add({ type: 'reading-taken', when: 'before', readings: { returnC: 26, returnRh: 0.5, supplyC: 14 } }, 0)
    this.add({ type: 'step-done', stepId: id })
  }
  /** Everything before a stage, each wait waited for. */
  upTo(name: string) {
    for (const stage of this.stages) {
      if (inEnglish(stage.name) === name) return this
      for (const { step } of openIn(stage, this.lists)) {
        this.doOne(step)
        this.nowMs += (step.wait?.leastMin ?? 0) * minute
      }
    }
    return this
  }
}

it('has every step in one stage, in the order of the work', () => {
  const { stages } = new Log()
  expect(stages.flatMap((stage) => stage.steps.map(({ step }) => step.id))).toEqual(steps.map(({ id }) => id))
  expect(stages.length).toBeGreaterThanOrEqual(12)
  expect(stages.map(({ name }) => inEnglish(name))).toEqual(expect.arrayContaining(['Open the unit', 'Vacuum and brush', 'Hand over']))
})

it('finds the same stages in steps of earlier versions, which know none', () => {
  const bare = steps.map((step) => ({ ...step, stage: undefined }))
  expect(withStages(bare).map(({ stage }) => stage)).toEqual(steps.map(({ stage }) => stage))
  expect(new Log(bare).stages).toEqual(new Log().stages)
})

describe('one tap', () => {
  it('says all that is left of a stage in which nothing is counted, measured or confirmed', () => {
    const log = new Log().upTo('Vacuum and brush')
    const stepIds = log.once('Vacuum and brush')!
    expect(stepIds.length).toBeGreaterThan(1)
    log.add({ type: 'steps-done', stepIds }, 4)
    expect(openIn(log.stage('Vacuum and brush'), log.lists)).toEqual([])
    expect(stepIds.every((id) => log.state.progress[id].by === 1 && log.state.progress[id].doneAtMs === log.nowMs)).toBe(true)
    expect(carry(log.events).state).toEqual(log.state)
  })
  it.each(['Isolate, prove dead', 'Open the unit', 'Mix and spray', 'Check parts, power on', 'Hand over'])('never says “%s”', (name) => {
    expect(new Log().upTo(name).once(name)).toBeUndefined()
  })
  it('is not offered before its turn, nor while a wait runs within it, nor to somebody who may not do all of it', () => {
    expect(new Log().once('Vacuum and brush')).toBeUndefined()
    expect(new Log().upTo('Readings before work').once('Readings before work')).toBeUndefined()
    const forRoofs = steps.map((step) => (step.id === 'vacuum-rest' ? { ...step, skill: 'roof' as const } : step))
    const log = new Log(forRoofs).upTo('Vacuum and brush')
    expect(log.once('Vacuum and brush', { id: 1, trained: [] })).toBeUndefined()
    expect(log.once('Vacuum and brush')).toBeDefined()
    log.add({ type: 'step-given', stepId: 'vacuum-rest', to: 2 })
    expect(log.once('Vacuum and brush')).toBeUndefined()
  })
  it('counts as a whole or not at all, and says why', () => {
    const log = new Log().upTo('Open the unit')
    const [first, second] = log.stage('Vacuum and brush').steps.map(({ step }) => step.id)
    const early = log.add({ type: 'steps-done', stepIds: [first, second] })
    const counted = log.stage('Open the unit').steps.map(({ step }) => step.id)
    const cheated = log.add({ type: 'steps-done', stepIds: counted })
    const { held, progress } = log.state
    expect(held.map(({ eventId }) => eventId)).toEqual([early.id, cheated.id])
    expect(told(held[0].because).join()).toMatch(/^first: /)
    expect(told(held[1].because).join()).toMatch(/asks for more than a tap/)
    for (const id of [first, second, ...counted]) expect(progress[id]?.doneAtMs).toBeUndefined()
  })
  it('leaves to another what that one has done meanwhile, and is taken back as one', () => {
    const log = new Log().upTo('Vacuum and brush')
    const stepIds = log.once('Vacuum and brush')!
    log.add({ type: 'step-done', stepId: stepIds[0] }, 1, 2)
    const tap = log.add({ type: 'steps-done', stepIds })
    expect(log.state.progress[stepIds[0]]).toMatchObject({ by: 2, alsoBy: [{ by: 1 }] })
    expect(log.state.progress[stepIds[1]]).toMatchObject({ by: 1 })
    expect(lastUndoable(log.events, ['head'], 1)).toEqual(tap)
    log.add({ type: 'undone', eventId: tap.id })
    expect(log.state.progress[stepIds[0]]).toMatchObject({ by: 2, takenBackBy: 1 })
    expect(log.state.progress[stepIds[1]]).toBeUndefined()
    expect(carry(log.events).state).toEqual(log.state)
  })
  it('teaches what each of its steps takes by what they take of it, not all to the last', () => {
    const log = new Log().upTo('Vacuum and brush')
    const stepIds = log.once('Vacuum and brush')!
    const planned = new Map(steps.map(({ id, startMin, handsMin }) => [id, startMin ?? handsMin]))
    const all = stepIds.reduce((sum, id) => sum + planned.get(id)!, 0)
    log.add({ type: 'steps-done', stepIds }, all * 1.5)
    const learned = durationsOf(log.state).filter(({ stepId }) => stepIds.includes(stepId))
    expect(learned).toHaveLength(stepIds.length)
    for (const { stepId, realMin } of learned) expect(realMin).toBeCloseTo(planned.get(stepId)! * 1.5, 3)
  })
})
