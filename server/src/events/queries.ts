// Events of a job, in the order of its log.
import type { Step } from '@yastik/core/procedure'
import type { Carried, Happening, JobEvent } from '@yastik/core/run'
import type { Design, Family } from '@yastik/core/units'
import type { SiteForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { parsed, type Db, type Doing } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { StoredEvent } from '../db/models.ts'
import type { Summary } from './summary.ts'

export const eventOf = ({ id, atMs, aheadMs, byUser, happening }: StoredEvent): JobEvent => ({
  id,
  atMs: Number(atMs),
  by: byUser,
  ...(aheadMs === null || aheadMs === undefined ? {} : { aheadMs: Number(aheadMs) }),
  happening,
})

type EventRow = Omit<JobEvent, 'happening' | 'aheadMs'> & { aheadMs: number | null; happening: string }
const eventFrom = ({ id, atMs, by, aheadMs, happening }: EventRow): JobEvent => ({
  id,
  atMs: Number(atMs),
  by,
  ...(aheadMs === null ? {} : { aheadMs: Number(aheadMs) }),
  happening: parsed<JobEvent['happening']>(happening),
})

/** Events of a job in the order of its log. */
export async function eventsOf(db: Db, jobId: string): Promise<JobEvent[]> {
  const rows = await db.read<EventRow>(
    'SELECT id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS `by`, happening FROM events WHERE job_id = :jobId ORDER BY place',
    { jobId },
  )
  return rows.map(eventFrom)
}

/** The same of some of its units. */
export async function eventsOfUnits(db: Db, jobId: string, unitIds: readonly string[]): Promise<JobEvent[]> {
  if (unitIds.length === 0) return []
  const rows = await db.read<EventRow>(
    `SELECT id, at_ms AS atMs, ahead_ms AS aheadMs, by_user AS \`by\`, happening FROM events
     WHERE job_id = :jobId AND unit_id IN (:unitIds) ORDER BY place`,
    { jobId, unitIds },
  )
  return rows.map(eventFrom)
}

/** Steps that were agreed, by the event that says so. */
export async function stepsAgreedIn(db: Db, eventIds: readonly string[]): Promise<Map<string, readonly Step[]>> {
  if (eventIds.length === 0) return new Map()
  const rows = await db.read<{ id: string; happening: string }>('SELECT id, happening FROM events WHERE id IN (:eventIds)', { eventIds })
  return new Map(
    rows.flatMap(({ id, happening: text }) => {
      const happening = parsed<Happening>(text)
      return happening.type === 'method-agreed' ? [[id, happening.steps] as const] : []
    }),
  )
}

/** A job whose log grows, held until the doing ends: batches come one after the other. */
export interface HeldJob {
  readonly id: string
  readonly firmId: number
  readonly siteId: string
  readonly crewIds: readonly number[]
  readonly logLength: number
  readonly closed: boolean
  readonly cancelledAt: Date | null
}
/** @throws Fault `not-there` */
export async function heldJob(db: Doing, id: string, firmId: number): Promise<HeldJob> {
  const [job] = await db.read<Omit<HeldJob, 'crewIds' | 'closed'> & { crewIds: string; closed: number }>(
    `SELECT id, firm_id AS firmId, site_id AS siteId, crew_ids AS crewIds, log_length AS logLength, closed, cancelled_at AS cancelledAt
     FROM jobs WHERE id = :id AND firm_id = :firmId FOR UPDATE`,
    { id, firmId },
  )
  if (!job) throw notThere('job', id)
  return { ...job, crewIds: parsed<number[]>(job.crewIds), closed: job.closed === 1 }
}

const summaryColumns = {
  stage: 'stage',
  done: 'done',
  steps: 'steps',
  verdict: 'verdict',
  worstGrade: 'worst_grade',
  handedOverAt: 'handed_over_at',
  handedOverBy: 'handed_over_by',
  scope: 'scope',
  coolingBeforeKw: 'cooling_before_kw',
  coolingAfterKw: 'cooling_after_kw',
  seen: 'seen',
  soilKinds: 'soil_kinds',
  coilGrade: 'coil_grade',
  coilChances: 'coil_chances',
  leftIndex: 'left_index',
  panTreatmentWeeks: 'pan_treatment_weeks',
} as const satisfies Record<keyof Summary, string>
const summaryNames = Object.keys(summaryColumns) as (keyof Summary)[]

/** A unit of a job: what lists show of it, what it is, and its state as it was kept. */
export interface UnitUnder {
  readonly unitId: string
  readonly summary: Summary
  readonly family: Family
  readonly design: Design
  readonly site: SiteForm
  readonly platePhotoId: string | null
  readonly platePhotoJobId: string | null
  readonly carried: Carried | undefined
}
type UnderRow = Omit<UnitUnder, 'summary' | 'design' | 'site' | 'carried'> &
  Omit<Summary, 'seen'> & { seen: string | null; design: string; site: string; carried: string | null }

/** Units of a job in their order. @param wanted of which of them the kept state is read */
export async function unitsUnder(db: Db, jobId: string, wanted: readonly string[]): Promise<UnitUnder[]> {
  const rows = await db.read<UnderRow>(
    `SELECT ju.unit_id AS unitId, ${summaryNames.map((name) => `ju.${summaryColumns[name]} AS ${name}`).join(', ')},
            u.family, u.design, s.form AS site, u.plate_photo_id AS platePhotoId, u.plate_photo_job_id AS platePhotoJobId, r.carried
     FROM job_units ju JOIN units u ON u.id = ju.unit_id JOIN sites s ON s.id = u.site_id
     LEFT JOIN unit_runs r ON r.job_id = ju.job_id AND r.unit_id = ju.unit_id AND r.unit_id IN (:wanted)
     WHERE ju.job_id = :jobId ORDER BY ju.position`,
    { jobId, wanted: wanted.length > 0 ? wanted : [''] },
  )
  return rows.map(({ unitId, family, design, site, platePhotoId, platePhotoJobId, carried, ...summary }) => ({
    ...{ unitId, family, platePhotoId, platePhotoJobId },
    summary: { ...summary, seen: summary.seen === null ? null : parsed<NonNullable<Summary['seen']>>(summary.seen) },
    design: parsed<Design>(design),
    site: parsed<SiteForm>(site),
    carried: carried === null ? undefined : parsed<Carried>(carried),
  }))
}

/** Of which job each of these events is, where it is known. */
export async function jobsOfEvents(db: Db, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map()
  const rows = await db.read<{ id: string; jobId: string }>('SELECT id, job_id AS jobId FROM events WHERE id IN (:ids)', { ids })
  return new Map(rows.map(({ id, jobId }) => [id, jobId]))
}

/** Puts events behind the log of a job. */
export const addToLog = (db: Doing, { id: jobId, firmId, logLength: before }: HeldJob, events: readonly JobEvent[]): Promise<void> =>
  db.write('INSERT INTO events (id, place, firm_id, job_id, unit_id, by_user, at_ms, ahead_ms, happening) VALUES :rows', {
    rows: events.map(({ id, atMs, aheadMs, by, happening }, index) => [
      ...[id, before + index + 1, firmId, jobId, happening.unitId, by, atMs],
      ...[aheadMs ?? null, JSON.stringify(happening)],
    ]),
  })

/** What is known of a job after its log grew; whoever else wrote to it meanwhile, on another node say, is turned down by it and comes after. */
export const growJob = (db: Doing, { id, closed }: Pick<HeldJob, 'id' | 'closed'>, length: number, closes: boolean): Promise<void> =>
  db.write(`UPDATE jobs SET log_length = :length${closes === closed ? '' : ', closed = :closes, changed_at = :now'} WHERE id = :id`, {
    ...{ id, length, closes, now: new Date() },
  })

export const saveSummary = (db: Doing, jobId: string, unitId: string, summary: Summary): Promise<void> =>
  db.write(
    `UPDATE job_units SET ${summaryNames.map((name) => `${summaryColumns[name]} = :${name}`).join(', ')} WHERE job_id = :jobId AND unit_id = :unitId`,
    { jobId, unitId, ...summary, seen: summary.seen === null ? null : JSON.stringify(summary.seen) },
  )

export const keepState = (db: Doing, jobId: string, unitId: string, carried: Carried): Promise<void> =>
  db.write('INSERT INTO unit_runs (job_id, unit_id, carried) VALUES (:jobId, :unitId, :text) ON DUPLICATE KEY UPDATE carried = VALUES(carried)', {
    ...{ jobId, unitId, text: JSON.stringify(carried) },
  })
export const dropState = (db: Doing, jobId: string, unitId: string): Promise<void> =>
  db.write('DELETE FROM unit_runs WHERE job_id = :jobId AND unit_id = :unitId', { jobId, unitId })

/** How many events the logs of jobs have. */
export const logLengths = (db: Db, ids: readonly string[]): Promise<{ id: string; logLength: number }[]> =>
  db.read('SELECT id, log_length AS logLength FROM jobs WHERE id IN (:ids)', { ids })

export const logLength = async (db: Db, jobId: string): Promise<number> => (await logLengths(db, [jobId]))[0]?.logLength ?? 0

/** Events of a job that came after a place in its log. */
export const eventsAfter = (jobId: string, place: number, limit: number): Promise<StoredEvent[]> =>
  StoredEvent.findAll({ where: { jobId, place: { [Op.gt]: place } }, order: [['place', 'ASC']], limit })
