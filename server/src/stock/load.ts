// What does the van carry for the visits of some days? From their plans: as agreed, as looked over, or as expected.
import { loadFor, type LoadVisit } from '@yastik/core/money'
import { contextOf, jobOfUnit, planTotals, planUnit, unseenUnitJob } from '@yastik/core/plan'
import { crewKey } from '@yastik/core/rounds'
import { stateOf, emptyUnitState, type OtherLists, type PlannedLists, type UnitState } from '@yastik/core/run'
import type { Family } from '@yastik/core/units'
import type { DayLoad, SiteForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Job, User, type Firm } from '../db/models.ts'
import { eventsOf } from '../events/queries.ts'
import { expectedUnits, jobFileFor, sheetOf } from '../jobs/expected.ts'
import { productsOf } from './queries.ts'

export interface PlannedVisit {
  readonly job: Job
  readonly load: LoadVisit & { readonly units: readonly PlannedLists[] }
  readonly units: DayLoad['visits'][number]['units']
  readonly site: SiteForm['site']
  /** Of each of its units, as their log says. */
  readonly states: ReadonlyMap<string, UnitState>
  /** The same with the visit's own, and whatever is handed over already. */
  readonly lists: OtherLists
  readonly families: readonly Family[]
}

/**
 * Open visits of some days with what each of their units that is not handed over needs.
 * @param only ids of those that are wanted; without it all of them
 */
export async function plannedVisits(
  db: Db,
  firm: Firm,
  from: string,
  to: string,
  nowMs: number,
  only?: ReadonlySet<string>,
): Promise<PlannedVisit[]> {
  const jobs = await Job.findAll({
    where: { firmId: firm.id, closed: false, onDate: { [Op.between]: [from, to] }, ...(only ? { id: { [Op.in]: [...only] } } : {}) },
    include: ['site', { association: 'jobUnits', include: ['unit'] }],
    order: [
      ['onDate', 'ASC'],
      ['id', 'ASC'],
      ['jobUnits', 'position', 'ASC'],
    ],
    transaction: db.transaction,
  })
  const visits: PlannedVisit[] = []
  for (const job of jobs) {
    const { site, jobUnits = [] } = job
    const own = jobUnits.flatMap(({ unit, handedOverAt }) => (unit && handedOverAt === null ? [unit] : []))
    if (!site || own.length === 0) continue
    const events = await eventsOf(db, job.id)
    const lists = stateOf(events)
    const states = new Map(own.map(({ id }) => [id, lists[id] ?? emptyUnitState()]))
    const isSeen = (id: string) => Object.keys(states.get(id)?.grades ?? {}).length > 0
    const wanted = own.map((unit) => ({ unit, ...(isSeen(unit.id) ? { seen: states.get(unit.id) } : {}) }))
    const expected = await expectedUnits(db, firm, site, wanted, nowMs)
    const file = await jobFileFor(
      db,
      firm,
      site,
      expected.map(({ unit }) => unit),
      job.crewIds,
    )
    const visited = jobUnits.flatMap(({ unit }) => (unit ? [unseenUnitJob(sheetOf(unit))] : []))
    const planned = expected.map(({ unit, source }) => {
      const state = states.get(unit.id)
      // A school that was chosen for one unit counts for that unit.
      const context = contextOf(jobOfUnit(file, unit, state), visited)
      const one = planUnit(unit, context)
      const { plan } = one
      const left = state?.steps?.filter(({ id }) => state.progress[id]?.doneAtMs === undefined)
      const uses = left?.flatMap((step) => step.uses ?? [])
      return {
        kit: {
          id: unit.id,
          steps: state?.steps ? (left ?? []) : plan.steps,
          visitSteps: state?.steps ? (state.visitSteps ?? []) : one.visitSteps,
          mixes: uses ? uses.map(({ productId, litres }) => ({ productId, productL: litres })) : plan.mixes,
          waterL: planTotals(one, context.houseRules).waterL,
        },
        unit: { unitId: unit.id, name: unit.name ?? '', source: left ? ('agreed' as const) : source === 'said' ? ('supposed' as const) : source },
      }
    })
    visits.push({
      job,
      load: { site: site.name, waterOnSite: site.form.site.waterOnSite, units: planned.map(({ kit }) => kit) },
      units: planned.map(({ unit }) => unit),
      site: site.form.site,
      states,
      lists,
      families: own.map(({ family }) => family),
    })
  }
  return visits
}

export async function dayLoad(db: Db, firm: Firm, day: string, nowMs: number): Promise<DayLoad> {
  const products = (await productsOf(db, firm)).map(({ id, name, inStockLitres }) => ({
    id,
    name,
    ...(inStockLitres === undefined ? {} : { usableL: inStockLitres }),
  }))
  const visits = await plannedVisits(db, firm, day, day, nowMs)
  const loads = (of: readonly PlannedVisit[]) => of.map(({ load }) => load)
  const crews = [...groupBy(visits, ({ job }) => crewKey(job.crewIds)).values()]
  const names = new Map((await User.findAll({ where: { firmId: firm.id }, transaction: db.transaction })).map(({ id, name }) => [id, name]))
  return {
    day,
    visits: visits.map(({ job, load, units }) => ({ jobId: job.id, siteName: load.site, units })),
    items: loadFor(loads(visits), firm.equipment, products),
    crews: crews.map((own) => {
      const { crewIds } = own[0].job
      return {
        crewIds,
        crew: crewIds.flatMap((id) => names.get(id) ?? []),
        jobIds: own.map(({ job }) => job.id),
        // What the firm has is one shelf for all: what is short of it is said once, of the whole day.
        items: loadFor(
          loads(own),
          [],
          products.map(({ id, name }) => ({ id, name })),
        ),
      }
    }),
  }
}
