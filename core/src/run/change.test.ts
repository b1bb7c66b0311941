import { asOnePlan, inEnglish } from '../tests/inEnglish.ts'
import { planJob, type UnitJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { changeOf, stateOf, type Happening, type UnitState } from './index.ts'

const stepsOf = (unit: Partial<UnitJob>) => asOnePlan(planJob(jobWith(unit))).units[0].steps
const open = stepsOf({ grades: { coilFace: { grade: 2 } } })
const strip = stepsOf({ grades: { coilFace: { grade: 2 }, wheel: { grade: 4 } } })
const stopped = stepsOf({ grades: { coilFace: { grade: 2 } }, findings: ['scorched-plug'] })

/** The unit after the open-clean was agreed and worked on up to and with the named step; then perhaps other steps were agreed. */
function unitAfter(last: string, then?: typeof strip): UnitState {
  const agreed = (steps: typeof open): Happening => ({ type: 'method-agreed', unitId: 'u', decisions: [], steps })
  const done = open.slice(0, open.findIndex(({ id }) => id === last) + 1).flatMap((step): Happening[] => [
    ...(step.fasteners ?? []).map(({ kind, count }): Happening => ({
      type: 'fasteners-counted',
      unitId: 'u',
      stepId: step.id,
      kind,
      count,
      direction: step.takesOff ? 'out' : 'in',
    })),
    ...(step.needsPhoto ? [{ type: 'photo-left-out' as const, unitId: 'u', stepId: step.id, because: 'too dark' }] : []),
    ...(step.doneBy === 'before-readings'
      ? [{ type: 'reading-taken' as const, unitId: 'u', when: 'before' as const, readings: { returnC: 26, returnRh: 0.5, supplyC: 14 } }]
      : []),
    ...(step.gate ? [{ type: 'gate-confirmed' as const, unitId: 'u', stepId: step.id }] : []),
    { type: 'step-done', unitId: 'u', stepId: step.id },
  ])
  const happenings = [agreed(open), ...done, ...(then ? [agreed(then)] : [])]
  return stateOf(
    happenings.map((happening, index) => ({
      id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
      // Long enough for every wait on the way.
      atMs: index * 600_000,
      by: 1,
      happening,
    })),
  ).u
}
const ids = (steps: readonly { id: string }[]) => steps.map(({ id }) => id)

describe('what is found in the middle of the work', () => {
  const unit = unitAfter('off-cover')
  it('changes nothing while the plan is the agreed one', () => expect(changeOf(unit, open)).toBeUndefined())
  it('brings steps in that the worse grade asks for, and names what falls away', () => {
    const change = changeOf(unit, strip)!
    expect(ids(change.added)).toEqual(expect.arrayContaining(['off-pan', 'off-end-plate', 'loosen-set-screw', 'off-wheel', 'wash-wheel', 'on-wheel']))
    expect(ids(change.added)).not.toContain('off-cover')
    expect(change.reasons).toEqual([])
  })
  it('keeps what is done, once the change is agreed', () => {
    const changed = unitAfter('off-cover', strip)
    expect(changeOf(changed, strip)).toBeUndefined()
    expect(changed.progress['off-cover'].doneAtMs).toBeDefined()
    expect(changed.progress['off-pan']).toBeUndefined()
    expect(changed.tray.map(({ item }) => item)).toContain('front cover')
  })
  it('waits until what is off is back, where the changed work would not put it back', () => {
    const change = changeOf(unit, stopped)!
    expect(change.reasons.map(inEnglish).join('\n')).toMatch(/front cover is off, and the new plan does not put it back/)
    expect(changeOf(unitAfter('prove-dead'), stopped)!.reasons).toEqual([])
  })
  it('says nothing before anything was agreed, and nothing after the hand-over', () => {
    expect(changeOf({ ...unit, steps: undefined }, strip)).toBeUndefined()
    expect(changeOf({ ...unit, handedOver: { verdict: 'proved', atMs: 0, by: 1 } }, strip)).toBeUndefined()
  })
})
