// What is the plan for a whole job? From job file to plan file.
import { knownHouseRules } from '../method/index.ts'
import { suppliesOf, visitId } from '../procedure/index.ts'
import { kitFor, priceOf } from '../money/index.ts'
import { builtInProducts, builtInVan, clashesAmong } from '../products/index.ts'
import { withComparisons } from './compare.ts'
import type { JobFile, UnitJob } from './jobFile.ts'
import type { Plan } from './planFile.ts'
import { shortStock, shortWater } from './warnings.ts'
import type { PlanMemory } from './dues.ts'
import { planUnit, type UnitContext } from './planUnit.ts'
import { visitPlanOf } from './visitPlan.ts'
import { says } from '../words/index.ts'

/** A unit of the visit, as far as others are planned by it. */
export type VisitedUnit = Pick<UnitJob, 'id' | 'family' | 'supply' | 'outdoorUnit'>

/** Said in every plan. */
export const firstOfAll = says('plan.firstOfAll.local-codes-makers-manual')

const groupSizes = (groups: ReadonlyMap<string, string>): Map<string, number> => {
  const sizes = new Map<string, number>()
  for (const group of groups.values()) sizes.set(group, (sizes.get(group) ?? 0) + 1)
  return sizes
}

/**
 * What all units of a job share.
 * @param units all of the visit, where the job holds some of them
 */
export function contextOf(job: JobFile, units: readonly VisitedUnit[] = job.units): UnitContext {
  const families = new Set<string>()
  const supplies = suppliesOf(units)
  const shared = groupSizes(supplies)
  const further = units.filter(({ family }) => families.size === families.add(family).size)
  return {
    supplies,
    onSupply: new Map([...supplies].map(([id, supply]) => [id, shared.get(supply) ?? 1])),
    further: new Set(further.map(({ id }) => id)),
    isShared: job.crew.length >= 2 * units.length,
    site: job.site,
    crew: job.crew,
    houseRules: knownHouseRules(job.houseRules),
    products: job.products ?? builtInProducts,
    equipment: job.equipment ?? builtInVan,
  }
}

/**
 * Plans every unit, then the crew's timeline, kit and price. Pure: the same job gives the same plan.
 * `job` has passed `checkJob`. With `memory` what falls due follows from each unit's own past.
 * @throws Fault `no-schedule` when the work cannot be shared among the crew.
 */
export function planJob(job: JobFile, memory?: PlanMemory, visited: readonly VisitedUnit[] = job.units): Plan {
  const context = contextOf(job, visited)
  const planned = job.units.map((unit) => ({ unit, ...planUnit(unit, context, memory) }))
  const units = planned.map((entry) => withComparisons(entry, context))
  const { day, visitHands, waitingMin, ...visit } = visitPlanOf(planned, job.crew, context.equipment)
  const names = new Map(context.products.map(({ id, name }) => [id, name]))
  return {
    format: 'yastik.plan/1',
    units,
    visit,
    timeline: day,
    kit: kitFor([...units, { id: visitId, steps: visit.steps, mixes: [] }], (id) => names.get(id) ?? id),
    price: priceOf(
      planned.map(({ unit, plan }) => ({
        name: unit.name ?? unit.id,
        handsMin: plan.steps.reduce((sum, { handsMin, people }) => sum + handsMin * people, 0),
        productCost: plan.mixes.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
      })),
      context.houseRules,
      { handsMin: visitHands, waitingMin, visits: units.some(({ decisions }) => decisions.some(({ choice }) => choice === 'long-air-dry')) ? 2 : 1 },
    ),
    warnings: [
      firstOfAll,
      ...(job.site.outdoorAir ? [] : [says('plan.planJob.outdoor-air-noted-mild')]),
      ...clashesAmong(context.products),
      ...shortStock(planned.flatMap(({ mixes }) => mixes)),
      ...shortWater(
        planned.map(({ plan }) => plan),
        context.site,
      ),
      ...planned.flatMap(({ warnings }) => warnings),
    ],
  }
}
