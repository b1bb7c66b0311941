import { asOnePlan, inEnglish } from '../tests/inEnglish.ts'
import { planJob } from '../plan/index.ts'
import { stateOf, stepsLeft, type Happening, type JobEvent } from '../run/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { crewDay, type CrewDay, type UnitSteps } from './index.ts'

const soiled = { complaints: ['smell' as const], grades: { wheel: { grade: 3 as const }, coilFace: { grade: 2 as const } } }
const unitsOf = (count: number): UnitSteps[] =>
  Array.from({ length: count }, (_, index) => ({ id: `u${index}`, steps: asOnePlan(planJob(jobWith(soiled))).units[0].steps }))
const imre = { name: 'Imre', trained: ['wheel-removal', 'electrics'] }
const plenty = () => 3
/** The day once all of it is known. */
function whole(days: Iterable<CrewDay>): Required<CrewDay> {
  const { gains, ...day } = [...days].at(-1) ?? {}
  if (!gains || !('timeline' in day)) throw new Error('the day does not come to its end')
  return { ...day, gains } as Required<CrewDay>
}

describe('the day of a crew', () => {
  const units = unitsOf(3)
  const day = whole(crewDay(units, [imre, { name: 'Sanna' }], plenty))
  const key = ({ unitId, step }: { unitId: string; step: string }) => `${unitId}/${step}`

  it('has a chain from its beginning to its end, without a hole', () => {
    expect(day.chain[0].startMin).toBe(0)
    expect(day.chain.at(-1)!.endMin).toBe(day.timeline.finishMin)
    const waitOf = new Map(units.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}`, step.wait?.leastMin ?? 0])))
    day.chain.forEach((task, index) => {
      if (index === 0) return
      const before = day.chain[index - 1]
      const gap = task.startMin - before.endMin
      expect({ task: key(task), gap: gap === 0 || gap === waitOf.get(key(before)) }).toEqual({ task: key(task), gap: true })
    })
  })
  it('is there before what would shorten it, and is the same with it', () => {
    const [first, second, ...more] = crewDay(units, [imre, { name: 'Sanna' }], plenty)
    expect(more).toEqual([])
    expect(first).not.toHaveProperty('gains')
    expect(second).toEqual({ ...first, gains: day.gains })
  })
  it('says what one more person would save, and never that somebody costs time', () => {
    expect(day.gains.some(({ what }) => inEnglish(what).startsWith('one more person'))).toBe(true)
    for (const { savesMin } of day.gains) expect(savesMin).toBeGreaterThanOrEqual(1)
    const savings = day.gains.map(({ savesMin }) => savesMin)
    expect([...savings].sort((a, b) => b - a)).toEqual(savings)
  })
  it('says that nothing helps one unit whose waits set the end', () => {
    const crew = [imre, { name: 'Sanna' }, { name: 'Ole' }, { name: 'Imke' }]
    expect(whole(crewDay(unitsOf(1), crew, plenty)).gains).toEqual([])
  })
})

describe('what is left of a unit', () => {
  const [{ steps, decisions }] = asOnePlan(planJob(jobWith(soiled))).units
  const minute = 60_000
  /** Between two events: long enough for the wait for stored charge. */
  const waitMs = 6 * minute
  /** Events up to and with the named step, each step a minute. */
  function upTo(last: string): JobEvent[] {
    const happenings: Happening[] = [
      { type: 'method-agreed', unitId: 'u', steps, decisions: decisions.map(({ topic, choice, rule }) => ({ topic, choice, rule })) },
    ]
    for (const step of steps) {
      for (const { kind, count } of step.fasteners ?? [])
        happenings.push({ type: 'fasteners-counted', unitId: 'u', stepId: step.id, kind, count, direction: step.takesOff ? 'out' : 'in' })
      if (step.needsPhoto) happenings.push({ type: 'photo-left-out', unitId: 'u', stepId: step.id, because: 'too dark' })
      if (step.doneBy === 'before-readings')
        happenings.push({ type: 'reading-taken', unitId: 'u', when: 'before', readings: { returnC: 26, returnRh: 0.5, supplyC: 14 } })
      if (step.gate) happenings.push({ type: 'gate-confirmed', unitId: 'u', stepId: step.id })
      happenings.push({ type: 'step-done', unitId: 'u', stepId: step.id })
      if (step.id === last) break
    }
    return happenings.map((happening, index) => ({
      id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
      atMs: index * waitMs,
      by: 1,
      happening,
    }))
  }
  const events = upTo('apply-coil')
  const state = stateOf(events).u
  const soakedAt = events.at(-1)!.atMs

  it('is everything that is not done, with a running dwell for as long as is left of it', () => {
    const left = stepsLeft(state, soakedAt + 4 * minute)
    expect(left.map(({ id }) => id)).not.toContain('apply-coil')
    expect(left[0]).toMatchObject({ id: 'wait-apply-coil', people: 0, handsMin: steps.find(({ id }) => id === 'apply-coil')!.wait!.leastMin - 4 })
    expect(left.find(({ id }) => id === 'rinse-coil')!.after).toEqual(['wait-apply-coil'])
  })
  it('presses a dwell that is ripe, and forgets one that is over', () => {
    const { leastMin, mostMin } = steps.find(({ id }) => id === 'apply-coil')!.wait!
    const ripe = stepsLeft(state, soakedAt + (leastMin + 1) * minute)
    expect(ripe[0]).toMatchObject({ id: 'wait-apply-coil', handsMin: 0, wait: { leastMin: 0, mostMin: mostMin! - leastMin - 1 } })
    const left = stepsLeft(state, soakedAt + 60 * minute)
    expect(left.some(({ id }) => id.startsWith('wait-'))).toBe(false)
    expect(left.find(({ id }) => id === 'rinse-coil')!.after).toEqual([])
  })
  it('is put in time: nobody rinses before the dwell is over, and somebody works meanwhile', () => {
    const left = stepsLeft(state, soakedAt)
    const { timeline } = whole(crewDay([{ id: 'u', steps: left }], [imre], plenty))
    const at = (step: string) => timeline.tasks.find((task) => task.step === step)!
    expect(at('rinse-coil').startMin).toBeGreaterThanOrEqual(at('wait-apply-coil').endMin)
    expect(at('wait-apply-coil').who).toEqual([])
    expect(timeline.tasks.some(({ who, startMin }) => who.length > 0 && startMin < at('wait-apply-coil').endMin)).toBe(true)
  })
})
