// As what is a unit taken before the work begins: as it was looked over, as somebody says, as the forecast has it, or as nobody knows better?
import { soilKinds, worstOf, type Complaint } from '@yastik/core/lookover'
import { unitJobOf, unseenUnitJob, type JobFile, type UnitSheet } from '@yastik/core/plan'
import { allGrades, type Grade } from '@yastik/core/quantities'
import { unitStateOf, type UnitState } from '@yastik/core/run'
import { expectedGrade, gradesWith, ratesAtFirst, unseenGrade, type UnitPast } from '@yastik/core/upkeep'
import { crewOfPlan, type QuoteBody } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { JobUnit, User, type Firm, type Site, type Unit } from '../db/models.ts'
import { eventsOf } from '../events/queries.ts'
import { productsOf } from '../stock/queries.ts'
import { unitForm } from '../sites/records.ts'
import { pastOf, yearsOf } from '../upkeep/past.ts'
import { visitsOf } from '../upkeep/queries.ts'

type UnitJob = JobFile['units'][number]
const coilParts = ['coilFace', 'coilBack', 'wheel'] as const
/** People that a visit can have. */
const mostCrew = 4

/** What a site's sheet says of a unit. */
export const sheetOf = (unit: Unit): UnitSheet => ({ id: unit.id, ...unitForm(unit) })

/** The look-over of a unit on a visit that is still open, newest first. */
export async function openLookOver(db: Db, unitId: string): Promise<UnitState | undefined> {
  const row = await JobUnit.findOne({
    where: { unitId, handedOverAt: null, coilGrade: { [Op.ne]: null } },
    include: ['job'],
    order: [['job', 'onDate', 'DESC']],
    transaction: db.transaction,
  })
  return row ? unitStateOf(await eventsOf(db, row.jobId), unitId) : undefined
}

export interface Expected {
  readonly unit: UnitJob
  readonly coilGrade: Grade
  readonly source: QuoteBody['units'][number]['source']
  readonly past: UnitPast
}

/** Units of a site as they are taken to be; `said` and `told` go before what was seen, `seen` before a forecast. */
export async function expectedUnits(
  db: Db,
  firm: Firm,
  site: Site,
  units: readonly { unit: Unit; said?: Grade; told?: Complaint[]; seen?: UnitState }[],
  nowMs: number,
): Promise<Expected[]> {
  const visits = await visitsOf(
    db,
    units.map(({ unit }) => unit.id),
  )
  const rates = firm.foulingRates ?? ratesAtFirst
  return units.map(({ unit, said, told, seen }) => {
    const rows = visits.get(unit.id) ?? []
    const past = pastOf(unit, site.form.site, rows)
    const known = said === undefined ? seen : undefined
    const forecast = expectedGrade(past, rates, yearsOf(nowMs))
    const [coilGrade, source]: [Grade, Expected['source']] =
      said !== undefined
        ? [said, 'said']
        : known
          ? [worstOf({ family: unit.family, complaints: [], findings: [], grades: known.grades }, ...coilParts), 'looked-over']
          : forecast !== undefined
            ? [forecast, 'forecast']
            : [allGrades[unseenGrade.value], 'supposed']
    const lastKinds = soilKinds.filter((kind) => rows.at(-1)?.soilKinds.split(',').includes(kind))
    return {
      coilGrade,
      source,
      past,
      unit: known
        ? { ...unitJobOf(sheetOf(unit), known), ...(told ? { complaints: told } : {}) }
        : { ...unseenUnitJob(sheetOf(unit)), complaints: told ?? [], grades: gradesWith(unit.family, coilGrade, lastKinds) },
    }
  })
}

/** A job file for units of a site, with the firm's rules and stores; by people who are named, or by whoever is trained most. */
export async function jobFileFor(db: Db, firm: Firm, site: Site, units: readonly UnitJob[], crewIds?: readonly number[]): Promise<JobFile> {
  const people = await User.findAll({
    where: { firmId: firm.id, ...(crewIds ? { id: { [Op.in]: [...crewIds] } } : { endedAt: null }) },
    order: [['id', 'ASC']],
    transaction: db.transaction,
  })
  const able = [...people].sort((one, other) => other.trained.length - one.trained.length).slice(0, mostCrew)
  return {
    format: 'yastik.job/1',
    site: site.form.site,
    crew: crewOfPlan(able),
    units: [...units],
    houseRules: firm.houseRules,
    products: await productsOf(db, firm),
    equipment: firm.equipment,
  }
}
