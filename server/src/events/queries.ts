// Events of a job, in the order of its log.
import type { Step } from '@yastik/core/procedure'
import type { Carried, Happening, JobEvent } from '@yastik/core/run'
import type { Design, Family } from '@yastik/core/units'
import type { SiteForm } from '@yastik/core/wire'
import { Op, UniqueConstraintError } from 'sequelize'
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

/** A job whose log grows, with its units in their order; held until the doing ends, so that batches come one after the other. */
export interface HeldJob {
  readonly id: string
  readonly firmId: number
  readonly siteId: string
  readonly crewIds: readonly number[]
  readonly logLength: number
  readonly closed: boolean
  readonly cancelledAt: Date | null
  readonly units: readonly UnitUnder[]
}

/** A row a unit, as it is stored. */
interface HeldRow {
  readonly job: Pick<HeldJob, 'siteId' | 'logLength' | 'cancelledAt'> & { readonly crewIds: string; readonly closed: number }
  readonly unit: Pick<UnitUnder, 'unitId' | 'family' | 'platePhotoId' | 'platePhotoJobId'> &
    Readonly<Record<'design' | 'site', string> & { carried: string | null }>
  readonly summary: Omit<Summary, 'seen'> & { readonly seen: string | null }
}

/**
 * All that a batch is held against, in one statement. It is held from the job on, then its site: whoever writes to another job of the site waits,
 * and nobody takes the same in another order.
 * @param wanted of which of its units the kept state is read
 * @throws Fault `not-there`
 */
export async function heldJob(db: Doing, id: string, firmId: number, wanted: readonly string[]): Promise<HeldJob> {
  const rows = await db.readNested<HeldRow>(
    `SELECT STRAIGHT_JOIN j.site_id AS \`job.siteId\`, j.crew_ids AS \`job.crewIds\`, j.log_length AS \`job.logLength\`,
       j.closed AS \`job.closed\`, j.cancelled_at AS \`job.cancelledAt\`,
       u.id AS \`unit.unitId\`, u.family AS \`unit.family\`, u.design AS \`unit.design\`, u.plate_photo_id AS \`unit.platePhotoId\`,
       u.plate_photo_job_id AS \`unit.platePhotoJobId\`, s.form AS \`unit.site\`, r.carried AS \`unit.carried\`,
       ${summaryNames.map((name) => `ju.${summaryColumns[name]} AS \`summary.${name}\``).join(', ')}
     FROM jobs j JOIN sites s ON s.id = j.site_id JOIN job_units ju ON ju.job_id = j.id JOIN units u ON u.id = ju.unit_id
     LEFT JOIN unit_runs r ON r.job_id = ju.job_id AND r.unit_id = ju.unit_id AND r.unit_id IN (:wanted)
     WHERE j.id = :id AND j.firm_id = :firmId ORDER BY ju.position FOR UPDATE`,
    { id, firmId, wanted: wanted.length > 0 ? wanted : [''] },
  )
  if (rows.length === 0) throw notThere('job', id)
  const [{ job }] = rows
  return { ...job, id, firmId, crewIds: parsed<number[]>(job.crewIds), closed: job.closed === 1, units: rows.map(unitUnder) }
}

const unitUnder = ({ unit, summary }: HeldRow): UnitUnder => ({
  ...unit,
  summary: { ...summary, seen: summary.seen === null ? null : parsed<NonNullable<Summary['seen']>>(summary.seen) },
  design: parsed<Design>(unit.design),
  site: parsed<SiteForm>(unit.site),
  carried: unit.carried === null ? undefined : parsed<Carried>(unit.carried),
})

/** Of which job each of these events is, where it is known. */
async function jobsOfEvents(db: Db, events: readonly JobEvent[]): Promise<Map<string, string>> {
  const ids = events.map(({ id }) => id)
  const rows = await db.read<{ id: string; jobId: string }>('SELECT id, job_id AS jobId FROM events WHERE id IN (:ids)', { ids })
  return new Map(rows.map(({ id, jobId }) => [id, jobId]))
}

const addNew = (db: Doing, { id: jobId, firmId, logLength: before }: HeldJob, events: readonly JobEvent[]): Promise<void> =>
  db.write('INSERT INTO events (id, place, firm_id, job_id, unit_id, by_user, at_ms, ahead_ms, happening) VALUES :rows', {
    rows: events.map(({ id, atMs, aheadMs, by, happening }, index) => [
      ...[id, before + index + 1, firmId, jobId, happening.unitId, by, atMs],
      ...[aheadMs ?? null, JSON.stringify(happening)],
    ]),
  })

/** What became of events that were to be added to a log. */
interface Added {
  /** Those that no log had. */
  readonly fresh: readonly JobEvent[]
  /** Ids of those that another job's log has. */
  readonly elsewhere: ReadonlySet<string>
}

/**
 * Puts events behind the log of a job, each once. Nearly all are new: which of them a log has already is asked where the database turns one down.
 * @param events each with an id of its own
 */
export async function addToLog(db: Doing, job: HeldJob, events: readonly JobEvent[]): Promise<Added> {
  if (events.length === 0) return { fresh: [], elsewhere: new Set() }
  try {
    await addNew(db, job, events)
    return { fresh: events, elsewhere: new Set() }
  } catch (error) {
    // Only the statement is taken back by it, not the doing.
    if (!(error instanceof UniqueConstraintError)) throw error
  }
  const jobOf = await jobsOfEvents(db, events)
  const fresh = events.filter(({ id }) => !jobOf.has(id))
  if (fresh.length > 0) await addNew(db, job, fresh)
  return { fresh, elsewhere: new Set([...jobOf].flatMap(([id, jobId]) => (jobId === job.id ? [] : [id]))) }
}

/** A unit's state, to be kept. */
export interface Kept {
  readonly unitId: string
  readonly carried: Carried
}

/**
 * What is known of a job after its log grew; whoever else wrote to it meanwhile, on another node say, is turned down by it and comes after.
 * @param kept state of a unit of which one was kept before: it goes along
 */
export const growJob = (db: Doing, { id, closed }: Pick<HeldJob, 'id' | 'closed'>, length: number, closes: boolean, kept?: Kept): Promise<void> =>
  db.write(
    `UPDATE jobs j ${kept ? 'LEFT JOIN unit_runs r ON r.job_id = j.id AND r.unit_id = :unitId' : ''}
     SET j.log_length = :length${closes === closed ? '' : ', j.closed = :closes, j.changed_at = :now'}${kept ? ', r.carried = :text' : ''} WHERE j.id = :id`,
    { id, length, closes, now: new Date(), unitId: kept?.unitId, text: kept && JSON.stringify(kept.carried) },
  )

export const saveSummary = (db: Doing, jobId: string, unitId: string, summary: Summary): Promise<void> =>
  db.write(
    `UPDATE job_units SET ${summaryNames.map((name) => `${summaryColumns[name]} = :${name}`).join(', ')} WHERE job_id = :jobId AND unit_id = :unitId`,
    { jobId, unitId, ...summary, seen: summary.seen === null ? null : JSON.stringify(summary.seen) },
  )

export const keepState = (db: Doing, jobId: string, { unitId, carried }: Kept): Promise<void> =>
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
