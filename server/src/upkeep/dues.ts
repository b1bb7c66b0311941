// When does each unit fall due? Computed when something was handed over, and kept as days, so that lists are read and not reckoned.
import {
  evidenceOf,
  knownDesign,
  learnRates,
  lossIndex,
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
import { read } from '../db/read.ts'
import { dayMs, dayOf } from '../days.ts'

const yearMs = 365.25 * dayMs
/** Visits that are read for at most so many units at once. */
const unitsAtOnce = 500

export const yearsOf = (atMs: number): number => atMs / yearMs
const dayAfter = (fromMs: number, weeks: number) => dayOf(fromMs + weeks * 7 * dayMs)

/** A visit as the forecast needs it. */
export interface VisitRow {
  readonly jobId: string
  readonly unitId: string
  readonly handedOverAt: Date
  readonly coilGrade: Visit['found']
  readonly leftIndex: number
  readonly panTreatmentWeeks: number | null
  readonly soilKinds: string
}

/** Visits of units that were handed over and graded, by unit, oldest first. */
export async function visitsOf(unitIds: readonly string[], transaction?: Transaction): Promise<Map<string, VisitRow[]>> {
  if (unitIds.length === 0) return new Map()
  const rows = await read<VisitRow>(
    `SELECT job_id AS jobId, unit_id AS unitId, handed_over_at AS handedOverAt, coil_grade AS coilGrade, left_index AS leftIndex,
            pan_treatment_weeks AS panTreatmentWeeks, soil_kinds AS soilKinds
     FROM job_units WHERE unit_id IN (:unitIds) AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL
     ORDER BY handed_over_at`,
    { unitIds },
    transaction,
  )
  return groupBy(rows, ({ unitId }) => unitId)
}
export const visitOf = ({ handedOverAt, coilGrade, leftIndex }: Pick<VisitRow, 'handedOverAt' | 'coilGrade' | 'leftIndex'>): Visit => ({
  atYears: yearsOf(handedOverAt.getTime()),
  found: coilGrade,
  left: leftIndex,
})

/** Units of one rating lose cooling alike: reckoned once for each that was met. */
const lossIndexes = new Map<string, number>()
const mostRatings = 1000
function lossIndexFor(design: Parameters<typeof lossIndex>[0]): number {
  const key = `${design.ratedCoolingKw} ${design.ratedAirflowM3h}`
  const known = lossIndexes.get(key)
  if (known !== undefined) return known
  if (lossIndexes.size >= mostRatings) lossIndexes.clear()
  const index = lossIndex(design)
  lossIndexes.set(key, index)
  return index
}

/** What the forecast of a unit needs. */
export function pastOf(
  unit: Pick<Unit, 'family' | 'design' | 'hoursPerDay'>,
  site: SiteForm['site'],
  rows: readonly Pick<VisitRow, 'handedOverAt' | 'coilGrade' | 'leftIndex' | 'panTreatmentWeeks'>[],
): UnitPast {
  const { design } = knownDesign(unit.family, unit.design)
  return {
    visits: rows.map(visitOf),
    use: { surroundings: site.surroundings ?? [], hoursPerDay: unit.hoursPerDay ?? usualHoursPerDay.value },
    fineFilter: design.fineFilter,
    panTreatmentWeeks: rows.at(-1)?.panTreatmentWeeks ?? undefined,
    lossIndex: lossIndexFor(design),
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
  const visits = await visitsOf(
    units.map(({ id }) => id),
    transaction,
  )
  const rows = units.flatMap((unit) => {
    const site = sites.get(unit.siteId)
    const own = visits.get(unit.id)
    const lastMs = own?.at(-1)?.handedOverAt.getTime()
    if (!site || !own || lastMs === undefined) return []
    const dues = unitDues(pastOf(unit, site.form.site, own), firms.get(unit.firmId)?.foulingRates ?? ratesAtFirst, evidences?.get(unit.id))
    const deep = dues.find(({ what }) => what === 'deep-clean')
    return dues.map(({ what, weeks, low, high }) => ({
      unitId: unit.id,
      firmId: unit.firmId,
      family: unit.family,
      deepOn: deep ? dayAfter(lastMs, deep.weeks) : null,
      what,
      dueOn: dayAfter(lastMs, weeks),
      lowOn: low === undefined ? null : dayAfter(lastMs, low),
      highOn: high === undefined ? null : dayAfter(lastMs, high),
    }))
  })
  await DueDay.destroy({ where: { unitId: { [Op.in]: units.map(({ id }) => id) } }, transaction })
  await DueDay.bulkCreate(rows, { transaction })
}

/** Learns the firm's rates from all its units and writes all due days anew; others get their turn between batches. */
export async function learnAndRenew(firm: Firm): Promise<FirmRates> {
  const units = await Unit.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const evidences = new Map<string, Float64Array>()
  const batches = Array.from({ length: Math.ceil(units.length / unitsAtOnce) }, (_, at) => units.slice(at * unitsAtOnce, (at + 1) * unitsAtOnce))
  for (const batch of batches) {
    const sites = await sitesOf(batch)
    const visits = await visitsOf(batch.map(({ id }) => id))
    for (const unit of batch) {
      const own = visits.get(unit.id)
      const site = sites.get(unit.siteId)
      if (!own || !site || own.length < 2) continue
      const { visits: past, use } = pastOf(unit, site.form.site, own)
      evidences.set(unit.id, evidenceOf(past, priorRateOf(use)))
    }
  }
  const rates = learnRates([...evidences.values()])
  await firm.update({ foulingRates: rates })
  for (const batch of batches) await Firm.sequelize!.transaction((transaction) => renewDues(batch, transaction, evidences))
  return rates
}
