// Jobs: today's, one whole, a new one, and the events of one.
import {
  daySchema,
  Fault,
  eventBatchSchema,
  jobCancelSchema,
  jobFormSchema,
  jobMoveSchema,
  ratesAtFirst,
  readBy,
  type JobCard,
  type CrewRecord,
  type JobRecord,
  type QuoteBody,
  type SiteForm,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize } from 'sequelize'
import { people } from '../auth/audience.ts'
import { groupBy } from '../db/groupBy.ts'
import { Job, User } from '../db/models.ts'
import { parsed, read } from '../db/read.ts'
import { findOwn, siteRecord, type UnitRow } from '../sites/routes.ts'
import { productsOf } from '../stock/ledger.ts'
import { eventsAndSeq, storeEvents } from './events.ts'
import { makeJob } from './make.ts'
import { pastOf, visitsAroundJob } from '../upkeep/dues.ts'
import { cancelJob, moveJob } from './move.ts'

interface JobRow {
  readonly id: string
  readonly onDate: string
  readonly crewIds: string
  readonly siteId: string
  readonly version: number
  readonly form: string
  readonly quoteId: string | null
  readonly chosen: string | null
  readonly total: number | null
  readonly body: string | null
}
const crewRecord = ({ id, name, trained }: User) => ({ id, name, trained })

interface CardRow extends Omit<JobCard, 'crew' | 'crewIds' | 'cancelled' | 'units'> {
  readonly crewIds: string
  readonly cancelled: number
}
const cardColumns = `j.id, j.site_id AS siteId, s.name AS siteName, COALESCE(JSON_VALUE(s.form, '$.address'), '') AS address,
  DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, j.crew_ids AS crewIds, j.revision, j.cancelled_at IS NOT NULL AS cancelled`
const cardTables = 'jobs j JOIN sites s ON s.id = j.site_id'

/** Cards of visits in the order of their rows: their units, and people by name. */
async function cardsFrom(rows: readonly CardRow[], firmId: number): Promise<JobCard[]> {
  if (rows.length === 0) return []
  const [units, people] = await Promise.all([
    read<JobCard['units'][number] & { jobId: string }>(
      `SELECT ju.job_id AS jobId, ju.unit_id AS unitId, u.name, u.family, ju.stage, ju.done, ju.steps, ju.verdict, ju.worst_grade AS worstGrade
       FROM job_units ju JOIN units u ON u.id = ju.unit_id WHERE ju.job_id IN (:jobIds) ORDER BY ju.position`,
      { jobIds: rows.map(({ id }) => id) },
    ),
    read<{ id: number; name: string }>('SELECT id, name FROM users WHERE firm_id = :firmId', { firmId }),
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
const cardOf = async (jobId: string, firmId: number): Promise<JobCard> =>
  (await cardsFrom(await read<CardRow>(`SELECT ${cardColumns} FROM ${cardTables} WHERE j.id = :jobId`, { jobId }), firmId))[0]

/** More than this no firm does in a day. */
const mostToday = 200
/** Of what comes next so many visits are shown. */
const mostComing = 20

export function jobRoutes(sequelize: Sequelize) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Querystring: { day?: string } }>('/api/today', people, async ({ query, user }) => {
      const day = readBy(daySchema, query.day, 'day')
      // Each part goes along the index: what is still open, what was closed on the very day, what comes next.
      const part = (where: string, limit: number) =>
        `(SELECT ${cardColumns} FROM ${cardTables} WHERE j.firm_id = :firmId AND ${where} ORDER BY j.on_date, j.id LIMIT ${limit})`
      const rows = await read<CardRow>(
        [
          part('j.closed = 0 AND j.on_date <= :day', mostToday),
          part('j.closed = 1 AND j.on_date = :day AND j.cancelled_at IS NULL', mostToday),
          part('j.closed = 0 AND j.on_date > :day', mostComing),
        ].join(' UNION ALL '),
        { firmId: user.firmId, day },
      )
      const inOrder = rows.sort((one, other) => one.onDate.localeCompare(other.onDate) || one.id.localeCompare(other.id))
      const cards = await cardsFrom(inOrder, user.firmId)
      return { today: cards.filter(({ onDate }) => onDate <= day).slice(0, mostToday), coming: cards.filter(({ onDate }) => onDate > day) }
    })

    app.get('/api/crew', people, async ({ user }) =>
      (await User.findAll({ where: { firmId: user.firmId }, order: [['name', 'ASC']] })).map(crewRecord),
    )

    app.post('/api/jobs', people, async ({ body, user }, reply) => {
      const form = readBy(jobFormSchema, body)
      const job = await sequelize.transaction((transaction) => makeJob(form, user.firmId, transaction))
      return reply.status(201).send(await cardOf(job.id, user.firmId))
    })

    app.put<{ Params: { id: string } }>('/api/jobs/:id', people, async ({ params, body, user }) => {
      const change = readBy(jobMoveSchema, body)
      await findOwn(Job, 'job', params.id, user.firmId)
      const moved = await sequelize.transaction((transaction) => moveJob(params.id, change, user.firmId, transaction))
      return cardOf(moved.id, user.firmId)
    })

    app.post<{ Params: { id: string } }>('/api/jobs/:id/cancel', people, async ({ params, body, user }) => {
      const { revision } = readBy(jobCancelSchema, body)
      await findOwn(Job, 'job', params.id, user.firmId)
      const cancelled = await sequelize.transaction((transaction) => cancelJob(params.id, { revision }, transaction))
      return cardOf(cancelled.id, user.firmId)
    })

    app.get<{ Params: { id: string } }>('/api/jobs/:id', people, async ({ params, user, firm }): Promise<JobRecord> => {
      // All at once: one after the other they would each wait for the one before.
      const [[job], units, people, log, visits, products] = await Promise.all([
        read<JobRow>(
          `SELECT j.id, DATE_FORMAT(j.on_date, '%Y-%m-%d') AS onDate, j.crew_ids AS crewIds, s.id AS siteId, s.version, s.form, q.id AS quoteId, q.chosen, q.total, q.body
           FROM jobs j JOIN sites s ON s.id = j.site_id LEFT JOIN quotes q ON q.job_id = j.id WHERE j.id = :id AND j.firm_id = :firmId`,
          { id: params.id, firmId: user.firmId },
        ),
        read<Omit<UnitRow, 'design'> & { design: string }>(
          `SELECT u.id, u.site_id AS siteId, u.version, u.name, u.family, u.design, u.hours_per_day AS hoursPerDay, u.last_cleaned_at AS lastCleanedAt
           FROM job_units ju JOIN units u ON u.id = ju.unit_id WHERE ju.job_id = :id ORDER BY ju.position`,
          { id: params.id },
        ),
        read<Omit<CrewRecord, 'trained'> & { trained: string }>('SELECT id, name, trained FROM users WHERE firm_id = :firmId', {
          firmId: user.firmId,
        }),
        eventsAndSeq(params.id),
        visitsAroundJob(params.id),
        productsOf(firm),
      ])
      if (!job)
        throw new Fault('not-there', {
          lines: [{ where: 'id', what: `there is no job ${params.id}`, allowed: 'the id of a job of your firm' }],
        })
      const form = parsed<SiteForm>(job.form)
      const crewIds = parsed<number[]>(job.crewIds)
      const own: UnitRow[] = units.map(({ design, ...unit }) => ({ ...unit, design: parsed<UnitRow['design']>(design) }))
      const quote = job.body === null ? undefined : parsed<QuoteBody>(job.body).options.find(({ key }) => key === job.chosen)
      return {
        id: job.id,
        onDate: job.onDate,
        site: siteRecord({ id: job.siteId, version: job.version, form }, own),
        unitIds: own.map(({ id }) => id),
        crew: people.filter(({ id }) => crewIds.includes(id)).map(({ id, name, trained }) => ({ id, name, trained: parsed(trained) })),
        people: people.map(({ id, name }) => ({ id, name })),
        houseRules: firm.houseRules,
        products,
        equipment: firm.equipment,
        memory: {
          rates: firm.foulingRates ?? ratesAtFirst,
          units: own.map((unit) => {
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
        ...log,
      }
    })

    app.post<{ Params: { id: string } }>('/api/jobs/:id/events', people, async ({ params, body, user }) => {
      const { events } = readBy(eventBatchSchema, body)
      return storeEvents(sequelize, await findOwn(Job, 'job', params.id, user.firmId), user, events)
    })
  }
}
