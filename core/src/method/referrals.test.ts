// Who is called for what, and what ends or limits a job.
import { findings, type Finding } from '../lookover/index.ts'
import { type UnitJob } from '../plan/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { Referral } from './index.ts'
import { planInEnglish } from '../tests/inEnglish.ts'

const unitOf = (unit: Partial<UnitJob>) => planInEnglish(jobWith(unit)).units[0]
const calls = (unit: Partial<UnitJob>) => unitOf(unit).referrals.map(({ to }) => to)
const scopeOf = (unit: Partial<UnitJob>) => unitOf(unit).decisions.find(({ topic }) => topic === 'scope')!.choice

/** Whom a finding calls, and whether it ends the job. */
const byFinding: [finding: Finding, to: Referral['to'] | undefined, ends: boolean][] = [
  ['standing-water', undefined, false],
  ['drain-slow', undefined, false],
  ['drain-blocked', undefined, false],
  ['off-level', 'plumber', false],
  ['fin-corrosion', undefined, false],
  ['bent-fins', undefined, false],
  ['oil-stain', 'refrigerant-technician', false],
  ['scorched-plug', 'electrician', true],
  ['oxidised-plug', undefined, false],
  ['loose-wiring', 'electrician', false],
  ['wet-electronics', 'electrician', true],
  ['cracked-wheel', 'manufacturer', false],
  ['missing-balance-clip', 'manufacturer', false],
  ['insect-nest', 'pest-control', true],
  ['missing-filter', 'manufacturer', false],
  ['torn-insulation', 'plumber', false],
  ['failed-gasket', 'manufacturer', false],
  ['damaged-membrane', 'manufacturer', false],
  ['suspect-asbestos-ceiling', 'asbestos-surveyor', true],
  ['rodent-droppings', 'pest-control', true],
  ['unsecured-unit', 'manufacturer', true],
  ['no-safe-access', undefined, true],
]

describe('a finding', () => {
  it.each(byFinding)('%s calls %s; ends the job: %s', (finding, to, ends) => {
    const unit: Partial<UnitJob> = { findings: [finding], grades: { coilFace: { grade: 2 } } }
    expect(calls(unit)).toEqual(to ? [to] : [])
    expect(scopeOf(unit) === 'decline').toBe(ends)
    const { customerText, steps } = unitOf(unit)
    if (ends) {
      expect(steps.map(({ id }) => id)).toEqual(['arrive', 'ask', 'leave-off', 'hand-over'])
      expect(customerText).toMatch(/Not cleaned on this visit/)
    } else expect(customerText).toMatch(/Found: /)
    if (to) expect(customerText).toMatch(/Please call /)
  })
  it('of an oxidised plug calls an electrician where much of it is gone, or where nobody opens the unit', () => {
    expect(calls({ findings: ['oxidised-plug'], findingExtent: { 'oxidised-plug': 'much' }, grades: { coilFace: { grade: 2 } } })).toEqual([
      'electrician',
    ])
    expect(calls({ findings: ['oxidised-plug'], grades: { filter: { grade: 2 } } })).toEqual(['electrician'])
  })
  it('is in the table', () => expect(byFinding.map(([finding]) => finding).sort()).toEqual([...findings].sort()))
})

describe('a likely cause that cleaning cannot cure', () => {
  it('calls the licensed technician for a low charge, with the evidence', () => {
    const [referral] = unitOf({ complaints: ['not-cold'] }).referrals
    expect(referral).toMatchObject({ to: 'refrigerant-technician', because: expect.stringContaining('filter, coil and wheel are clean') })
  })
  it('says nothing of the charge twice where oil was found', () =>
    expect(calls({ complaints: ['not-cold'], findings: ['oil-stain'] }).filter((to) => to === 'refrigerant-technician')).toHaveLength(1))
  it('has a noisy motor heard by the maker', () => expect(calls({ complaints: ['noise'] })).toEqual(['manufacturer']))
  it('is not called for while the parts are dirty', () =>
    expect(calls({ complaints: ['not-cold'], grades: { coilFace: { grade: 3 }, wheel: { grade: 3 } } })).toEqual([]))
})
