// Do ordinary visits take as long as trained people take for them? The table, and five variations of each visit in it.
import { planJob, type UnitJob } from '../plan/index.ts'
import { referenceVisits, visitJob, type ReferenceVisit } from './referenceVisits.ts'

const planned = (visit: Pick<ReferenceVisit, 'crew' | 'units'>) => planJob(visitJob(visit))
const within = (value: number, [least, most]: readonly [number, number]) => {
  expect(value).toBeGreaterThanOrEqual(least)
  expect(value).toBeLessThanOrEqual(most)
}

describe.each(referenceVisits.map((visit) => [visit.name, visit] as const))('%s', (_, visit) => {
  const plan = planned(visit)
  it('is what it is called', () => {
    for (const { decisions } of plan.units) expect(decisions.find(({ topic }) => topic === 'scope')?.choice).toBe(visit.scope)
  })
  it('takes the hands and the time on site that it takes', () => {
    within(plan.visit.hands, visit.hands)
    within(plan.visit.onSite, visit.onSite)
  })
  const { adds } = visit
  if (adds)
    it('takes so much more than without', () => {
      const less = planned({ ...visit, units: adds.to ?? visit.units.slice(1) })
      within(plan.visit.hands - less.visit.hands, adds.hands)
      within(plan.visit.onSite - less.visit.onSite, adds.onSite)
    })
})

/** The same visit with something about its units that changes little: a plan within a third of the window is believed. */
const variations: readonly (readonly [string, (unit: Omit<UnitJob, 'id'>) => Omit<UnitJob, 'id'>])[] = [
  ['two screws more', (unit) => ({ ...unit, design: { ...unit.design, coverScrews: 6 } })],
  ['a coil a quarter larger', (unit) => ({ ...unit, design: { ...unit.design, ratedCoolingKw: (unit.design.ratedCoolingKw ?? 3) * 1.25 } })],
  ['a bed below', (unit) => ({ ...unit, design: { ...unit.design, below: 'bed' as const } })],
  ['coated fins', (unit) => ({ ...unit, design: { ...unit.design, finCoating: 'hydrophilic' as const } })],
  ['hung higher', (unit) => ({ ...unit, design: { ...unit.design, aboveFloorM: 2.6 } })],
]
describe.each(variations)('with %s', (_, vary) => {
  it.each(referenceVisits.map((visit) => [visit.name, visit] as const))('%s stays believable', (__, visit) => {
    const { hands, onSite } = planned({ ...visit, units: visit.units.map(vary) }).visit
    within(hands, [visit.hands[0] / 1.34, visit.hands[1] * 1.34])
    within(onSite, [visit.onSite[0] / 1.34, visit.onSite[1] * 1.34])
  })
})
