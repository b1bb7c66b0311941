// What is due when, over all units; the visits that a forecast rests on; and the outlook of one unit.
import type { Family } from '@yastik/core/units'
import { mostVisits, ratesAtFirst, visitKinds } from '@yastik/core/upkeep'
import { daySchema, type DuePage, type Plate, type SiteForm, type UnitOutlook, type VisitFound } from '@yastik/core/wire'
import { parsed, type Db } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { groupBy } from '../db/groupBy.ts'
import type { Firm } from '../db/models.ts'
import { markOf, pageLimit, readMark } from '../db/paging.ts'
import { pastOf, type PastVisit, type VisitRow } from './past.ts'

const visitsWhere = async (db: Db, condition: string, values: Record<string, unknown>): Promise<Map<string, VisitRow[]>> => {
  const rows = await db.read<VisitRow>(
    `SELECT job_id AS jobId, unit_id AS unitId, handed_over_at AS handedOverAt, coil_grade AS coilGrade, coil_chances AS coilChances, left_index AS leftIndex,
            pan_treatment_weeks AS panTreatmentWeeks, soil_kinds AS soilKinds
     FROM job_units WHERE ${condition} AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL
     ORDER BY handed_over_at`,
    values,
  )
  return groupBy(rows, ({ unitId }) => unitId)
}

/** Visits of units that were handed over and graded, by unit, oldest first. */
export const visitsOf = async (db: Db, unitIds: readonly string[]): Promise<Map<string, VisitRow[]>> =>
  unitIds.length === 0 ? new Map() : visitsWhere(db, 'unit_id IN (:unitIds)', { unitIds })

/** The same for the units of a job, that job among them. */
export const visitsAroundJob = (db: Db, jobId: string): Promise<Map<string, VisitRow[]>> =>
  visitsWhere(db, 'unit_id IN (SELECT unit_id FROM job_units WHERE job_id = :jobId)', { jobId })

/** The visits that teach something, by unit, oldest first: one row for each unit, along an index that holds all of it. */
export async function newestVisits(db: Db, unitIds: readonly string[]): Promise<Map<string, PastVisit[]>> {
  if (unitIds.length === 0) return new Map()
  const rows = await db.read<{ unitId: string; visits: string }>(
    `SELECT unit_id AS unitId,
            CAST(JSON_ARRAYAGG(JSON_ARRAY(TIMESTAMPDIFF(MICROSECOND, '1970-01-01', handed_over_at) DIV 1000, coil_grade, coil_chances, left_index,
                                              pan_treatment_weeks)
                               ORDER BY handed_over_at DESC LIMIT ${mostVisits}) AS CHAR) AS visits
     FROM job_units WHERE unit_id IN (:unitIds) AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL
     GROUP BY unit_id`,
    { unitIds },
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

/** Writes due days: thousands of plain rows, where a model for each costs more than the rows. */
export const insertDues = (db: Db, rows: readonly (string | number | null)[][]): Promise<void> =>
  db.write('INSERT INTO dues (unit_id, site_id, firm_id, family, deep_on, what, due_on, low_on, high_on) VALUES :rows', { rows })

const dueDays = `DATE_FORMAT(d.due_on, '%Y-%m-%d') AS dueOn, DATE_FORMAT(d.low_on, '%Y-%m-%d') AS lowOn, DATE_FORMAT(d.high_on, '%Y-%m-%d') AS highOn`

export interface DueRow {
  readonly unitId: string
  readonly unitName: string
  readonly siteId: string
  readonly siteName: string
  readonly what: DuePage['entries'][number]['what']
  readonly dueOn: string
  readonly lowOn: string | null
  readonly highOn: string | null
  readonly lastCleanedAt: Date | null
  readonly family: Family
  readonly altitudeM: string | null
  /** The customer's consent, as text. */
  readonly reminders: string | null
}

/** A page mark: day, unit and kind of the last entry seen. */
export const dueMark = ({ dueOn, unitId, what }: DueRow): string => markOf(dueOn, unitId, what)

/** Soonest first; one more than a page. */
export function dueRows(db: Db, firmId: number, { until, what, after }: { until?: string; what?: string; after?: string }): Promise<DueRow[]> {
  const [markOn, markUnit, markWhat] = after === undefined ? [] : readMark(after, 3, ([day]) => daySchema.safeParse(day).success)
  return db.read<DueRow>(
    // In the order of the days' own index, as in the logbook.
    `SELECT STRAIGHT_JOIN d.unit_id AS unitId, u.name AS unitName, s.id AS siteId, s.name AS siteName, d.what, ${dueDays}, u.last_cleaned_at AS lastCleanedAt, u.family,
            JSON_VALUE(s.form, '$.site.altitudeM') AS altitudeM, CAST(JSON_EXTRACT(s.form, '$.reminders') AS CHAR) AS reminders
     FROM dues d JOIN units u ON u.id = d.unit_id JOIN sites s ON s.id = u.site_id
     WHERE d.firm_id = :firmId AND ${until ? 'd.due_on <= :until' : 'TRUE'} AND ${what ? 'd.what = :what' : 'TRUE'}
       AND ${after === undefined ? 'TRUE' : '(d.due_on, d.unit_id, d.what) > (:markOn, :markUnit, :markWhat)'}
     ORDER BY d.due_on, d.unit_id, d.what LIMIT ${pageLimit}`,
    { firmId, until, what, markOn, markUnit, markWhat },
  )
}

export interface DueSiteRow {
  readonly siteId: string
  readonly siteName: string
  readonly address: string
  readonly dueOn: string
  readonly altitudeM: string | null
  readonly reminders: string | null
  /** Who was there last, as text. */
  readonly lastCrewIds: string | null
}
/** A page mark: day and id of the last site seen. */
export const dueSiteMark = ({ dueOn, siteId }: DueSiteRow): string => markOf(dueOn, siteId)

/** Sites at which something falls due by a day that somebody has to come for, soonest first; one more than a page. */
export function dueSites(db: Db, firmId: number, until: string, after: string | undefined): Promise<DueSiteRow[]> {
  const [markOn, markSite] = after === undefined ? [] : readMark(after, 2, ([day]) => daySchema.safeParse(day).success)
  return db.read<DueSiteRow>(
    // The sites of the page first, along an index that holds all of it; then what is said of each.
    `SELECT s.id AS siteId, s.name AS siteName, JSON_VALUE(s.form, '$.address') AS address, DATE_FORMAT(p.due_on, '%Y-%m-%d') AS dueOn,
            JSON_VALUE(s.form, '$.site.altitudeM') AS altitudeM, CAST(JSON_EXTRACT(s.form, '$.reminders') AS CHAR) AS reminders,
            (SELECT j.crew_ids FROM jobs j WHERE j.site_id = s.id AND j.cancelled_at IS NULL ORDER BY j.on_date DESC LIMIT 1) AS lastCrewIds
     FROM (SELECT site_id, MIN(due_on) AS due_on FROM dues
           WHERE firm_id = :firmId AND due_on <= :until AND what IN (:visitKinds) GROUP BY site_id
           ${after === undefined ? '' : 'HAVING (MIN(due_on), site_id) > (:markOn, :markSite)'} ORDER BY MIN(due_on), site_id LIMIT ${pageLimit}) p
     JOIN sites s ON s.id = p.site_id ORDER BY p.due_on, s.id`,
    { firmId, until, visitKinds, markOn, markSite },
  )
}

/** All that is due by a day at these sites, filters too. */
export const duesAt = (db: Db, siteIds: readonly string[], until: string): Promise<Omit<DueRow, 'siteName' | 'altitudeM' | 'reminders'>[]> =>
  siteIds.length === 0
    ? Promise.resolve([])
    : db.read(
        `SELECT u.id AS unitId, u.name AS unitName, u.site_id AS siteId, d.what, ${dueDays}, u.last_cleaned_at AS lastCleanedAt, u.family
         FROM units u JOIN dues d ON d.unit_id = u.id WHERE u.site_id IN (:siteIds) AND d.due_on <= :until ORDER BY u.name, u.id, d.due_on, d.what`,
        { siteIds, until },
      )

export interface PlannedUnit {
  readonly siteId: string
  readonly jobId: string
  readonly onDate: string
  readonly unitId: string
}
/** Units of these sites that a visit is planned for, soonest visit first. */
export const plannedAt = (db: Db, siteIds: readonly string[], today: string): Promise<PlannedUnit[]> =>
  siteIds.length === 0
    ? Promise.resolve([])
    : db.read(
        `SELECT j.site_id AS siteId, j.id AS jobId, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, ju.unit_id AS unitId
         FROM jobs j JOIN job_units ju ON ju.job_id = j.id
         WHERE j.site_id IN (:siteIds) AND j.closed = 0 AND j.on_date >= :today AND ju.handed_over_at IS NULL ORDER BY j.on_date, j.id, ju.position`,
        { siteIds, today },
      )

/**
 * Light cleanings that are due within a quarter by family, by whether a deep one is due as well, and by horizon: 0 for overdue, else weeks. One
 * visit does both: where a deep clean is due as well it counts, the light one does not.
 */
export const dueCounts = (db: Db, firmId: number, today: string): Promise<{ family: Family; isDeep: number; horizon: number; units: number }[]> =>
  // Along its own index.
  db.read(
    `SELECT family, deep_on <= DATE_ADD(:today, INTERVAL 13 WEEK) AS isDeep,
            CASE WHEN due_on < :today THEN 0 WHEN due_on <= DATE_ADD(:today, INTERVAL 4 WEEK) THEN 4 ELSE 13 END AS horizon, COUNT(*) AS units
     FROM dues WHERE firm_id = :firmId AND what = 'light-clean' AND due_on <= DATE_ADD(:today, INTERVAL 13 WEEK) GROUP BY family, isDeep, horizon`,
    { firmId, today },
  )

/** What the forecast of a unit rests on. @throws Fault `not-there` */
export async function outlookOf(db: Db, id: string, firm: Firm): Promise<UnitOutlook> {
  const [[unit], rows, dues] = await Promise.all([
    db.read<{ name: string; family: Family; design: string; hoursPerDay: number | null; plate: string | null; siteName: string; form: string }>(
      `SELECT u.name, u.family, u.design, u.hours_per_day AS hoursPerDay, u.plate, s.name AS siteName, s.form
       FROM units u JOIN sites s ON s.id = u.site_id WHERE u.id = :id AND u.firm_id = :firmId`,
      { id, firmId: firm.id },
    ),
    db.read<PastVisit & { jobId: string; seen: string | null }>(
      `SELECT job_id AS jobId, handed_over_at AS handedOverAt, coil_grade AS coilGrade, coil_chances AS coilChances, left_index AS leftIndex,
              pan_treatment_weeks AS panTreatmentWeeks, seen
       FROM job_units WHERE unit_id = :id AND handed_over_at IS NOT NULL AND coil_grade IS NOT NULL AND left_index IS NOT NULL ORDER BY handed_over_at`,
      { id },
    ),
    db.read<UnitOutlook['dues'][number]>(`SELECT what, ${dueDays} FROM dues d WHERE d.unit_id = :id ORDER BY d.due_on`, { id }),
  ])
  if (!unit) throw notThere('unit', id)
  const { visits, use, lossIndex } = pastOf(
    { ...unit, design: parsed(unit.design), plate: unit.plate === null ? null : parsed<Plate>(unit.plate) },
    parsed<SiteForm>(unit.form).site,
    rows,
  )
  // What others did before comes first, and is no visit of the firm's.
  const own = visits.slice(visits.length - rows.length)
  return {
    unitId: id,
    unitName: unit.name,
    siteName: unit.siteName,
    visits: rows.map(({ jobId, handedOverAt, seen }, at) => ({
      ...own[at],
      jobId,
      at: handedOverAt.toISOString(),
      ...(seen === null ? {} : { seen: parsed<VisitFound>(seen) }),
    })),
    surroundings: [...use.surroundings],
    hoursPerDay: use.hoursPerDay,
    lossIndex,
    rates: firm.foulingRates ?? ratesAtFirst,
    dues,
  }
}
