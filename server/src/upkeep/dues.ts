// When does each unit fall due? Computed when something was handed over, and kept as days, so that lists are read and not reckoned.
import { setImmediate as others } from 'node:timers/promises'
import {
  evidenceOf,
  knownDesign,
  learnRates,
  lossIndex,
  mostVisits,
  priorRateOf,
  ratesAtFirst,
  unitDues,
  usualHoursPerDay,
  type FirmRates,
  type SiteForm,
  type UnitPast,
  type Visit,
} from '@yastik/core'
import { Op, type Transaction } from 'sequelize'
import { groupBy } from '../db/groupBy.ts'
import { DueDay, Firm, Site, Unit } from '../db/models.ts'
import { parsed, read } from '../db/read.ts'
import { dayMs, dayOf } from '../days.ts'

const yearMs = 365.25 * dayMs
/** Visits that are read for at most so many units at once. */
const unitsAtOnce = 500
/** Units that are reckoned before others get their turn. */
const unitsInATurn = 50

/** Does something for each in turn, and lets others get theirs. */
async function inTurns<Item>(items: readonly Item[], each: (item: Item) => void): Promise<void> {
  for (const [at, item] of items.entries()) {
    if (at % unitsInATurn === unitsInATurn - 1) await others()
    each(item)
  }
}

export const yearsOf = (atMs: number): number => atMs / yearMs
export const dayAfter = (fromMs: number, weeks: number) => dayOf(fromMs + weeks * 7 * dayMs)

/** A visit as the forecast needs it. */
export interface VisitRow {
  readonly jobId: string
  readonly unitId: string
  readonly handedOverAt: Date
  readonly coilGrade: Visit['found']
  readonly coilChances: string | null
  readonly leftIndex: number
  readonly panTreatmentWeeks: number | null
  readonly soilKinds: string
}

const visitsWhere = async (condition: string, replacements: Record<string, unknown>): Promise<Map<string, VisitRow[]>> => {
  const rows = await read<VisitRow>(
    `SELECT job_id AS jobId, unit_id AS unitId, handed_over_at AS handedOverAt, coil_grade AS coilGrade, coil_chances AS coilChances, left_index AS leftIndex,
            pan_treatment_weeks AS panTreatmentWeeks, soil_kinds AS soilKinds
     FROM job_units WHERE ${condition} AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL
     ORDER BY handed_over_at`,
    replacements,
  )
  return groupBy(rows, ({ unitId }) => unitId)
}

/** Visits of units that were handed over and graded, by unit, oldest first. */
export const visitsOf = async (unitIds: readonly string[]): Promise<Map<string, VisitRow[]>> =>
  unitIds.length === 0 ? new Map() : visitsWhere('unit_id IN (:unitIds)', { unitIds })

/** The same for the units of a job, that job among them. */
export const visitsAroundJob = (jobId: string): Promise<Map<string, VisitRow[]>> =>
  visitsWhere('unit_id IN (SELECT unit_id FROM job_units WHERE job_id = :jobId)', { jobId })

/** What the forecast takes from the visits of a unit. */
type PastVisit = Pick<VisitRow, 'handedOverAt' | 'coilGrade' | 'coilChances' | 'leftIndex' | 'panTreatmentWeeks'>

/** The visits that teach something, by unit, oldest first: one row for each unit, along an index that holds all of it. */
async function newestVisits(unitIds: readonly string[], transaction?: Transaction): Promise<Map<string, PastVisit[]>> {
  if (unitIds.length === 0) return new Map()
  const rows = await read<{ unitId: string; visits: string }>(
    `SELECT unit_id AS unitId,
            CAST(JSON_ARRAYAGG(JSON_ARRAY(TIMESTAMPDIFF(MICROSECOND, '1970-01-01', handed_over_at) DIV 1000, coil_grade, coil_chances, left_index,
                                              pan_treatment_weeks)
                               ORDER BY handed_over_at DESC LIMIT ${mostVisits}) AS CHAR) AS visits
     FROM job_units WHERE unit_id IN (:unitIds) AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL
     GROUP BY unit_id`,
    { unitIds },
    transaction,
  )
  return new Map(
    rows.map(({ unitId, visits }) => [
      unitId,
      parsed<[number, VisitRow['coilGrade'], string | null, number, number | null][]>(visits)
        .reverse()
        .map(([atMs, coilGrade, coilChances, leftIndex, panTreatmentWeeks]) => ({
          handedOverAt: new Date(atMs),
          coilGrade,
          coilChances,
          leftIndex,
          panTreatmentWeeks,
        })),
    ]),
  )
}
export const visitOf = ({ handedOverAt, coilGrade, coilChances, leftIndex }: Omit<PastVisit, 'panTreatmentWeeks'>): Visit => ({
  atYears: yearsOf(handedOverAt.getTime()),
  found: coilGrade,
  ...(coilChances === null ? {} : { chances: coilChances.split(' ').map(Number) }),
  left: leftIndex,
})

/** What the forecast of a unit needs. */
export function pastOf(unit: Pick<Unit, 'family' | 'design' | 'hoursPerDay'>, site: SiteForm['site'], rows: readonly PastVisit[]): UnitPast {
  const { design } = knownDesign(unit.family, unit.design)
  return {
    visits: rows.map(visitOf),
    use: { surroundings: site.surroundings ?? [], hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value },
    fineFilter: design.fineFilter,
    panTreatmentWeeks: rows.at(-1)?.panTreatmentWeeks ?? undefined,
    lossIndex: lossIndex(design),
  }
}

const sitesOf = async (units: readonly Unit[], transaction?: Transaction) =>
  new Map(
    (await Site.findAll({ where: { id: { [Op.in]: [...new Set(units.map(({ siteId }) => siteId))] } }, transaction })).map((site) => [site.id, site]),
  )

/** Writes the due days of these units anew, with the rates that the firm has learned so far. */
export async function renewDues(units: readonly Unit[], transaction?: Transaction, evidences?: ReadonlyMap<string, Float64Array>): Promise<void> {
  if (units.length === 0) return
  const firms = new Map(
    (await Firm.findAll({ where: { id: { [Op.in]: [...new Set(units.map(({ firmId }) => firmId))] } }, transaction })).map((firm) => [firm.id, firm]),
  )
  const sites = await sitesOf(units, transaction)
  const unitIds = units.map(({ id }) => id)
  const visits = await newestVisits(unitIds, transaction)
  const rows: (string | number | null)[][] = []
  await inTurns(units, (unit) => {
    const site = sites.get(unit.siteId)
    const own = visits.get(unit.id)
    const lastMs = own?.at(-1)?.handedOverAt.getTime()
    if (!site || !own || lastMs === undefined) return
    const dues = unitDues(pastOf(unit, site.form.site, own), firms.get(unit.firmId)?.foulingRates ?? ratesAtFirst, evidences?.get(unit.id))
    const on = (weeks: number | undefined) => (weeks === undefined ? null : dayAfter(lastMs, weeks))
    const deepOn = on(dues.find(({ what }) => what === 'deep-clean')?.weeks)
    for (const { what, weeks, low, high } of dues) rows.push([unit.id, unit.firmId, unit.family, deepOn, what, on(weeks), on(low), on(high)])
  })
  await DueDay.destroy({ where: { unitId: { [Op.in]: unitIds } }, transaction })
  // Thousands of plain rows: a model for each costs more than the rows.
  if (rows.length > 0)
    await DueDay.sequelize!.query('INSERT INTO dues (unit_id, firm_id, family, deep_on, what, due_on, low_on, high_on) VALUES :rows', {
      replacements: { rows },
      transaction,
    })
}

/** Learns the firm's rates from all its units and writes all due days anew; others get their turn meanwhile. */
export async function learnAndRenew(firm: Firm): Promise<FirmRates> {
  const units = await Unit.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const evidences = new Map<string, Float64Array>()
  const batches = Array.from({ length: Math.ceil(units.length / unitsAtOnce) }, (_, at) => units.slice(at * unitsAtOnce, (at + 1) * unitsAtOnce))
  for (const batch of batches) {
    const sites = await sitesOf(batch)
    const visits = await newestVisits(batch.map(({ id }) => id))
    await inTurns(batch, (unit) => {
      const own = visits.get(unit.id)
      const site = sites.get(unit.siteId)
      if (!own || !site || own.length < 2) return
      const { visits: past, use } = pastOf(unit, site.form.site, own)
      evidences.set(unit.id, evidenceOf(past, priorRateOf(use)))
    })
  }
  const rates = learnRates([...evidences.values()])
  await firm.update({ foulingRates: rates })
  for (const batch of batches) await Firm.sequelize!.transaction((transaction) => renewDues(batch, transaction, evidences))
  return rates
}
