// What goes into a quote: the units as they were seen or are expected, and every way of doing the work with its price.
import {
  allGrades,
  expectedGrade,
  Fault,
  gradesWith,
  quoteOptions,
  ratesAtFirst,
  soilKinds,
  unitStateOf,
  unseenGrade,
  worstOf,
  type Grade,
  type JobFile,
  type QuoteBody,
  type QuoteForm,
  type UnitPast,
} from '@yastik/core'
import { Op } from 'sequelize'
import { Job, JobUnit, Site, Unit, User, type Firm } from '../db/models.ts'
import { eventsOf } from '../jobs/events.ts'
import { pastOf, visitsOf, yearsOf } from '../upkeep/dues.ts'

type UnitJob = JobFile['units'][number]
type QuotedUnit = QuoteBody['units'][number]
const coilParts = ['coilFace', 'coilBack', 'wheel'] as const
/** People that a visit can have. */
const mostCrew = 4

/** The look-over of a unit on a visit that is still open, newest first. */
async function openLookOver(unit: Unit): Promise<Pick<UnitJob, 'grades' | 'complaints' | 'findings'> | undefined> {
  const rows = await JobUnit.findAll({ where: { unitId: unit.id, handedOverAt: null, coilGrade: { [Op.ne]: null } } })
  const job = await Job.findOne({ where: { id: { [Op.in]: rows.map(({ jobId }) => jobId) } }, order: [['onDate', 'DESC']] })
  if (!job) return undefined
  const { grades, complaints, findings } = unitStateOf(await eventsOf(job.id), unit.id)
  return { grades, complaints, findings }
}

/** @throws Fault `does-not-hold-up` where a unit is not of the site. */
export async function quoteBody(firm: Firm, site: Site, form: QuoteForm, nowMs: number): Promise<QuoteBody> {
  const found = await Unit.findAll({ where: { siteId: site.id, id: { [Op.in]: form.units.map(({ unitId }) => unitId) } } })
  const unitOf = new Map(found.map((unit) => [unit.id, unit]))
  const visits = await visitsOf([...unitOf.keys()])
  const rates = firm.foulingRates ?? ratesAtFirst
  const pasts = new Map<string, UnitPast>()
  const quoted: QuotedUnit[] = []
  const jobs: UnitJob[] = []
  for (const [index, { unitId, coilGrade: said, complaints: told }] of form.units.entries()) {
    const unit = unitOf.get(unitId)
    if (!unit)
      throw new Fault('does-not-hold-up', {
        lines: [{ where: `units[${index}].unitId`, what: `${unitId} is no unit of this site`, allowed: 'units of the site' }],
      })
    const rows = visits.get(unitId) ?? []
    const past = pastOf(unit, site, rows)
    pasts.set(unitId, past)
    const seen = said === undefined ? await openLookOver(unit) : undefined
    const forecast = expectedGrade(past, rates, yearsOf(nowMs))
    const [coilGrade, source]: [Grade, QuotedUnit['source']] =
      said !== undefined
        ? [said, 'said']
        : seen
          ? [worstOf({ family: unit.family, complaints: [], findings: [], grades: seen.grades }, ...coilParts), 'looked-over']
          : forecast !== undefined
            ? [forecast, 'forecast']
            : [allGrades[unseenGrade.value], 'supposed']
    const lastKinds = soilKinds.filter((kind) => rows.at(-1)?.soilKinds?.split(',').includes(kind))
    const complaints = told ?? seen?.complaints ?? []
    quoted.push({ unitId, name: unit.name, coilGrade, source, complaints })
    jobs.push({
      id: unitId,
      family: unit.family,
      name: unit.name,
      design: unit.design,
      complaints,
      grades: seen?.grades ?? gradesWith(unit.family, coilGrade, lastKinds),
      ...(seen?.findings ? { findings: seen.findings } : {}),
      ...(unit.hoursPerDay === null ? {} : { hoursPerDay: unit.hoursPerDay }),
    })
  }
  const people = await User.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const able = [...people].sort((one, other) => other.trained.length - one.trained.length).slice(0, mostCrew)
  const job: JobFile = {
    format: 'yastik.job/1',
    site: site.form.site,
    crew: able.map(({ name, trained }) => ({ name, ...(trained.length > 0 ? { trained } : {}) })),
    units: jobs,
    houseRules: firm.houseRules,
    products: firm.products,
    equipment: firm.equipment,
  }
  const options = quoteOptions(job, pasts, rates, yearsOf(nowMs))
  // What would not last is on the sheet, and offered only where the owner wants it.
  return {
    units: quoted,
    options,
    offered: options.filter(({ usual, againWeeks }) => usual || againWeeks > 0).map(({ key }) => key),
    adjustments: [],
  }
}
