// What is the plan for a whole job? From job file to plan file.
import { timeline } from '../crew/index.ts'
import { knownHouseRules } from '../method/index.ts'
import { kitFor, priceOf } from '../money/index.ts'
import { builtInProducts, builtInVan, clashesAmong, piecesIn } from '../products/index.ts'
import { withComparisons } from './compare.ts'
import type { JobFile } from './jobFile.ts'
import type { Plan } from './planFile.ts'
import { shortStock, shortWater } from './warnings.ts'
import { planUnit, type PlanMemory, type UnitContext } from './planUnit.ts'
import { says } from '../words/index.ts'

/** Said in every plan. */
export const firstOfAll = says('plan.firstOfAll.local-codes-makers-manual')

/** What all units of a job share. */
export function contextOf(job: JobFile): UnitContext {
  return {
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
export function planJob(job: JobFile, memory?: PlanMemory): Plan {
  const context = contextOf(job)
  const planned = job.units.map((unit) => ({ unit, ...planUnit(unit, context, memory) }))
  const units = planned.map((entry) => withComparisons(entry, context))
  const names = new Map(context.products.map(({ id, name }) => [id, name]))
  return {
    format: 'yastik.plan/1',
    units,
    timeline: timeline(units, job.crew, piecesIn(context.equipment)),
    kit: kitFor(units, (id) => names.get(id) ?? id),
    price: priceOf(
      planned.map(({ unit, plan }) => ({
        name: unit.name ?? unit.id,
        handsMin: plan.steps.reduce((sum, { handsMin, people }) => sum + handsMin * people, 0),
        productCost: plan.mixes.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
      })),
      context.houseRules,
      units.some(({ decisions }) => decisions.some(({ choice }) => choice === 'long-air-dry')) ? 2 : 1,
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
