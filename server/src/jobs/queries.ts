// Visits: the cards of a day, people, and one visit with all that it needs on the device.
import { momentAt } from '@yastik/core/quantities'
import { ratesAtFirst } from '@yastik/core/upkeep'
import type { Answer, CrewRecord, endpoints, JobCard, JobRecord, QuoteBody, SiteForm } from '@yastik/core/wire'
import { parsed, type Db } from '../db/database.ts'
import { notThere } from '../db/find.ts'
import { groupBy } from '../db/groupBy.ts'
import type { Firm } from '../db/models.ts'
import { eventsOf } from '../events/queries.ts'
import { unitRows } from '../sites/queries.ts'
import { siteRecord } from '../sites/records.ts'
import { productsOf } from '../stock/queries.ts'
import { pastOf } from '../upkeep/past.ts'
import { visitsAroundJob } from '../upkeep/queries.ts'

/** More than this no firm does in a day. */
const mostToday = 200
/** Of what comes next so many visits are shown. */
const mostComing = 20

interface CardRow extends Omit<JobCard, 'crew' | 'crewIds' | 'cancelled' | 'units'> {
  readonly crewIds: string
  readonly cancelled: number
}
const cardColumns = `j.id, j.site_id AS siteId, s.name AS siteName, COALESCE(JSON_VALUE(s.form, '$.address'), '') AS address,
  COALESCE(JSON_VALUE(s.form, '$.contact'), '') AS contact, COALESCE(JSON_VALUE(s.form, '$.access'), '') AS access,
  DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, j.start_min AS startMin, j.crew_ids AS crewIds, j.revision, j.cancelled_at IS NOT NULL AS cancelled`
const cardTables = 'jobs j JOIN sites s ON s.id = j.site_id'

/** Cards of visits in the order of their rows: their units, and people by name. */
async function cardsFrom(db: Db, rows: readonly CardRow[], firmId: number): Promise<JobCard[]> {
  if (rows.length === 0) return []
  const [units, people] = await Promise.all([
    db.read<JobCard['units'][number] & { jobId: string }>(
      `SELECT ju.job_id AS jobId, ju.unit_id AS unitId, u.name, u.family, ju.stage, ju.done, ju.steps, ju.verdict, ju.worst_grade AS worstGrade
       FROM job_units ju JOIN units u ON u.id = ju.unit_id WHERE ju.job_id IN (:jobIds) ORDER BY ju.position`,
      { jobIds: rows.map(({ id }) => id) },
    ),
    peopleOf(db, firmId),
  ])
  const unitsBy = groupBy(units, ({ jobId }) => jobId)
  const nameOf = new Map(people.map(({ id, name }) => [id, name]))
  return rows.map(({ crewIds: text, cancelled, ...row }) => {
    const crewIds = parsed<number[]>(text)
    return {
      ...row,
      crew: crewIds.flatMap((id) => nameOf.get(id) ?? []),
      crewIds,
      cancelled: cancelled === 1,
      units: (unitsBy.get(row.id) ?? []).map(({ jobId: _, ...unit }) => unit),
    }
  })
}

export const cardOf = async (db: Db, jobId: string, firmId: number): Promise<JobCard> =>
  (await cardsFrom(db, await db.read<CardRow>(`SELECT ${cardColumns} FROM ${cardTables} WHERE j.id = :jobId`, { jobId }), firmId))[0]

/** Visits of a day, those that are still open from before, and what comes next. */
export async function dayOfVisits(db: Db, firmId: number, day: string): Promise<Answer<typeof endpoints.today>> {
  // Each part goes along the index: what is still open, what was closed or cancelled on the very day, what comes next.
  const part = (where: string, limit: number) =>
    `(SELECT ${cardColumns} FROM ${cardTables} WHERE j.firm_id = :firmId AND ${where} ORDER BY j.on_date, j.id LIMIT ${limit})`
  const rows = await db.read<CardRow>(
    [
      part('j.closed = 0 AND j.on_date <= :day', mostToday),
      part('j.closed = 1 AND j.on_date = :day', mostToday),
      part('j.closed = 0 AND j.on_date > :day', mostComing),
    ].join(' UNION ALL '),
    { firmId, day },
  )
  const inOrder = rows.sort((one, other) => one.onDate.localeCompare(other.onDate) || one.id.localeCompare(other.id))
  const cards = await cardsFrom(db, inOrder, firmId)
  return { today: cards.filter(({ onDate }) => onDate <= day).slice(0, mostToday), coming: cards.filter(({ onDate }) => onDate > day) }
}

interface PersonRow {
  readonly id: number
  readonly name: string
  readonly trained: string
  readonly liftKg: number | null
  readonly pacePercent: number | null
  readonly endedAt: Date | null
}
/** Everybody who was ever with the firm, by name: the same statement for all who ask at a time. */
const peopleOf = (db: Db, firmId: number): Promise<PersonRow[]> =>
  db.read<PersonRow>(
    'SELECT id, name, trained, lift_kg AS liftKg, pace_percent AS pacePercent, ended_at AS endedAt FROM users WHERE firm_id = :firmId ORDER BY name',
    { firmId },
  )
const personFrom = ({ id, name, trained, liftKg, pacePercent }: PersonRow): CrewRecord => ({
  ...{ id, name, trained: parsed<CrewRecord['trained']>(trained) },
  ...(liftKg === null ? {} : { liftKg }),
  ...(pacePercent === null ? {} : { pacePercent }),
})

/** People who can be sent out, by name. */
export const crewOf = async (db: Db, firmId: number): Promise<CrewRecord[]> =>
  (await peopleOf(db, firmId)).filter(({ endedAt }) => endedAt === null).map(personFrom)

interface JobRow {
  readonly id: string
  readonly onDate: string
  readonly revision: number
  readonly cancelled: number
  readonly crewIds: string
  readonly siteId: string
  readonly version: number
  readonly form: string
  readonly quoteId: string | null
  readonly chosen: string | null
  readonly total: number | null
  readonly body: string | null
}

/** @throws Fault `not-there` */
export async function jobRecord(db: Db, id: string, firm: Firm): Promise<JobRecord> {
  // All at once: one after the other they would each wait for the one before.
  const [[job], units, people, events, visits, products] = await Promise.all([
    db.read<JobRow>(
      `SELECT j.id, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, j.revision, j.cancelled_at IS NOT NULL AS cancelled,
       j.crew_ids AS crewIds, s.id AS siteId, s.version, s.form, q.id AS quoteId, q.chosen, q.total, q.body
       FROM jobs j JOIN sites s ON s.id = j.site_id LEFT JOIN quotes q ON q.job_id = j.id WHERE j.id = :id AND j.firm_id = :firmId`,
      { id, firmId: firm.id },
    ),
    unitRows(db, 'JOIN job_units ju ON ju.unit_id = u.id WHERE ju.job_id = :id ORDER BY ju.position', { id }),
    peopleOf(db, firm.id),
    eventsOf(db, id),
    visitsAroundJob(db, id),
    productsOf(db, firm),
  ])
  if (!job) throw notThere('job', id)
  const form = parsed<SiteForm>(job.form)
  const crewIds = parsed<number[]>(job.crewIds)
  const quote = job.body === null ? undefined : parsed<QuoteBody>(job.body).options.find(({ key }) => key === job.chosen)
  return {
    id: job.id,
    onDate: job.onDate,
    revision: job.revision,
    cancelled: job.cancelled === 1,
    site: siteRecord({ id: job.siteId, version: job.version, form }, units),
    unitIds: units.map(({ id: unitId }) => unitId),
    crew: people.filter((person) => crewIds.includes(person.id)).map(personFrom),
    people: people.map((person) => ({ id: person.id, name: person.name })),
    houseRules: firm.houseRules,
    products,
    equipment: firm.equipment,
    memory: {
      rates: firm.foulingRates ?? ratesAtFirst,
      units: units.map((unit) => {
        const others = (visits.get(unit.id) ?? []).filter(({ jobId }) => jobId !== job.id)
        const { use, fineFilter, lossIndex, ...past } = pastOf(unit, form.site, others)
        return {
          unitId: unit.id,
          visits: [...past.visits],
          surroundings: [...use.surroundings],
          hoursPerDay: use.hoursPerDay,
          fineFilter,
          lossIndex,
        }
      }),
    },
    ...(job.quoteId !== null && job.total !== null && quote ? { quoted: { quoteId: job.quoteId, name: quote.name, total: job.total } } : {}),
    events,
    // All that was read, and no more: what came meanwhile the stream says.
    seq: events.length,
  }
}

/** When work at visits of a day began and ended, by their events; what was said before that day, with a quote, is no work. */
export const spansOf = (db: Db, { id: firmId, houseRules }: Firm, day: string) =>
  db.read<{ jobId: string; beganAtMs: number | null; endedAtMs: number | null; closed: number }>(
    `SELECT j.id AS jobId, MIN(e.at_ms) AS beganAtMs, MAX(e.at_ms) AS endedAtMs, j.closed
     FROM jobs j LEFT JOIN events e ON e.job_id = j.id AND e.at_ms >= :fromMs
     WHERE j.firm_id = :firmId AND j.on_date = :day AND j.cancelled_at IS NULL GROUP BY j.id, j.closed`,
    { firmId, day, fromMs: momentAt(day, 0, houseRules.timeZone) },
  )
