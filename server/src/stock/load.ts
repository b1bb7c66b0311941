// What does the van carry for the visits of some days? From their plans: as agreed, as looked over, or as expected.
import { contextOf, loadFor, planTotals, planUnit, unitStateOf, type DayLoad, type LoadVisit } from '@yastik/core'
import { Op } from 'sequelize'
import { groupBy } from '../db/groupBy.ts'
import { Job, JobUnit, Site, Unit, type Firm } from '../db/models.ts'
import { eventsOf } from '../jobs/events.ts'
import { expectedUnits, jobFileFor } from '../jobs/expected.ts'

interface PlannedVisit {
  readonly job: Job
  readonly load: LoadVisit
  readonly units: DayLoad['visits'][number]['units']
}

/** Open visits of some days with what each of their units that is not handed over needs. */
export async function plannedVisits(firm: Firm, from: string, to: string, nowMs: number): Promise<PlannedVisit[]> {
  const jobs = await Job.findAll({
    where: { firmId: firm.id, closed: false, onDate: { [Op.between]: [from, to] } },
    order: [
      ['onDate', 'ASC'],
      ['id', 'ASC'],
    ],
  })
  const rows = groupBy(
    await JobUnit.findAll({ where: { jobId: { [Op.in]: jobs.map(({ id }) => id) }, handedOverAt: null }, order: [['position', 'ASC']] }),
    ({ jobId }) => jobId,
  )
  const units = new Map(
    (await Unit.findAll({ where: { id: { [Op.in]: [...rows.values()].flat().map(({ unitId }) => unitId) } } })).map((unit) => [unit.id, unit]),
  )
  const sites = new Map((await Site.findAll({ where: { id: { [Op.in]: jobs.map(({ siteId }) => siteId) } } })).map((site) => [site.id, site]))
  const visits: PlannedVisit[] = []
  for (const job of jobs) {
    const site = sites.get(job.siteId)
    const own = (rows.get(job.id) ?? []).flatMap(({ unitId }) => units.get(unitId) ?? [])
    if (!site || own.length === 0) continue
    const events = await eventsOf(job.id)
    const states = new Map(own.map(({ id }) => [id, unitStateOf(events, id)]))
    const isSeen = (id: string) => Object.keys(states.get(id)?.grades ?? {}).length > 0
    const wanted = own.map((unit) => ({ unit, ...(isSeen(unit.id) ? { seen: states.get(unit.id) } : {}) }))
    const expected = await expectedUnits(firm, site, wanted, nowMs)
    const file = await jobFileFor(
      firm,
      site,
      expected.map(({ unit }) => unit),
      job.crewIds,
    )
    const planned = expected.map(({ unit, source }) => {
      const state = states.get(unit.id)
      // A school that was chosen for one unit counts for that unit.
      const context = contextOf({ ...file, houseRules: { ...file.houseRules, ...state?.schools } as typeof file.houseRules })
      const { plan } = planUnit(unit, context)
      const left = state?.steps?.filter(({ id }) => state.progress[id]?.doneAtMs === undefined)
      const uses = left?.flatMap((step) => step.uses ?? [])
      return {
        kit: {
          id: unit.id,
          steps: left ?? plan.steps,
          mixes: uses ? uses.map(({ productId, litres }) => ({ productId, productL: litres })) : plan.mixes,
          waterL: planTotals(plan, context.houseRules).waterL,
        },
        unit: { unitId: unit.id, name: unit.name ?? '', source: left ? ('agreed' as const) : source === 'said' ? ('supposed' as const) : source },
      }
    })
    visits.push({
      job,
      load: { site: site.name, waterOnSite: site.form.site.waterOnSite, units: planned.map(({ kit }) => kit) },
      units: planned.map(({ unit }) => unit),
    })
  }
  return visits
}

export async function dayLoad(
  firm: Firm,
  day: string,
  products: readonly { id: string; name: string; usableL?: number }[],
  nowMs: number,
): Promise<DayLoad> {
  const visits = await plannedVisits(firm, day, day, nowMs)
  return {
    day,
    visits: visits.map(({ job, load, units }) => ({ jobId: job.id, siteName: load.site, units })),
    items: loadFor(
      visits.map(({ load }) => load),
      firm.equipment,
      products,
    ),
  }
}
