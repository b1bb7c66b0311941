// Jobs: today's, one whole, a new one, and the events of one.
import {
  daySchema,
  eventBatchSchema,
  jobCancelSchema,
  jobFormSchema,
  jobMoveSchema,
  ratesAtFirst,
  readBy,
  type JobCard,
  type JobRecord,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Op, type Sequelize } from 'sequelize'
import { Job, JobUnit, Quote, Site, Unit, User } from '../db/models.ts'
import { findOwn, siteRecord } from '../sites/routes.ts'
import { productsOf } from '../stock/ledger.ts'
import { eventsAndSeq, storeEvents } from './events.ts'
import { makeJob } from './make.ts'
import { pastOf, visitsOf } from '../upkeep/dues.ts'
import { cancelJob, moveJob } from './move.ts'

const crewRecord = ({ id, name, trained }: User) => ({ id, name, trained })

async function cardsOf(jobs: readonly Job[], firmId: number): Promise<JobCard[]> {
  if (jobs.length === 0) return []
  const jobIds = jobs.map(({ id }) => id)
  const [sites, jobUnits, users] = await Promise.all([
    Site.findAll({ where: { id: { [Op.in]: jobs.map(({ siteId }) => siteId) } } }),
    JobUnit.findAll({ where: { jobId: { [Op.in]: jobIds } }, order: [['position', 'ASC']] }),
    User.findAll({ where: { firmId } }),
  ])
  const units = new Map((await Unit.findAll({ where: { id: { [Op.in]: jobUnits.map(({ unitId }) => unitId) } } })).map((unit) => [unit.id, unit]))
  const siteOf = new Map(sites.map((site) => [site.id, site]))
  const nameOf = new Map(users.map(({ id, name }) => [id, name]))
  return jobs.map((job) => ({
    id: job.id,
    siteId: job.siteId,
    siteName: siteOf.get(job.siteId)?.name ?? '',
    address: siteOf.get(job.siteId)?.form.address ?? '',
    onDate: job.onDate,
    crew: job.crewIds.flatMap((id) => nameOf.get(id) ?? []),
    crewIds: job.crewIds,
    revision: job.revision,
    cancelled: Boolean(job.cancelledAt),
    units: jobUnits
      .filter(({ jobId }) => jobId === job.id)
      .map(
        ({ unitId, stage, done, steps, verdict, worstGrade }) =>
          ({
            unitId,
            name: units.get(unitId)?.name ?? '',
            family: units.get(unitId)?.family ?? 'wall-head',
            stage,
            done,
            steps,
            verdict,
            worstGrade,
          }) as JobCard['units'][number],
      ),
  }))
}

/** More than this no firm does in a day. */
const mostToday = 200

export function jobRoutes(sequelize: Sequelize) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get<{ Querystring: { day?: string } }>('/api/today', async ({ query, user }) => {
      const day = readBy(daySchema, query.day, 'day')
      // Two questions, each along the index: what is still open, and what was closed on the very day.
      const inOrder = { order: [['onDate', 'ASC'] as [string, string], ['id', 'ASC'] as [string, string]], limit: mostToday }
      const [open, closed] = await Promise.all([
        Job.findAll({ where: { firmId: user.firmId, closed: false, onDate: { [Op.lte]: day } }, ...inOrder }),
        Job.findAll({ where: { firmId: user.firmId, closed: true, cancelledAt: null, onDate: day }, ...inOrder }),
      ])
      const jobs = [...open, ...closed]
        .sort((one, other) => one.onDate.localeCompare(other.onDate) || one.id.localeCompare(other.id))
        .slice(0, mostToday)
      const coming = await Job.findAll({
        where: { firmId: user.firmId, closed: false, onDate: { [Op.gt]: day } },
        order: [
          ['onDate', 'ASC'],
          ['id', 'ASC'],
        ],
        limit: 20,
      })
      const cards = await cardsOf([...jobs, ...coming], user.firmId)
      return { today: cards.slice(0, jobs.length), coming: cards.slice(jobs.length) }
    })

    app.get('/api/crew', async ({ user }) => (await User.findAll({ where: { firmId: user.firmId }, order: [['name', 'ASC']] })).map(crewRecord))

    app.post('/api/jobs', async ({ body, user }, reply) => {
      const form = readBy(jobFormSchema, body)
      const job = await sequelize.transaction((transaction) => makeJob(form, user.firmId, transaction))
      return reply.status(201).send((await cardsOf([await job.reload()], user.firmId))[0])
    })

    app.put<{ Params: { id: string } }>('/api/jobs/:id', async ({ params, body, user }) => {
      const change = readBy(jobMoveSchema, body)
      await findOwn(Job, 'job', params.id, user.firmId)
      const moved = await sequelize.transaction((transaction) => moveJob(params.id, change, user.firmId, transaction))
      return (await cardsOf([moved], user.firmId))[0]
    })

    app.post<{ Params: { id: string } }>('/api/jobs/:id/cancel', async ({ params, body, user }) => {
      const { revision } = readBy(jobCancelSchema, body)
      await findOwn(Job, 'job', params.id, user.firmId)
      const cancelled = await sequelize.transaction((transaction) => cancelJob(params.id, { revision }, transaction))
      return (await cardsOf([cancelled], user.firmId))[0]
    })

    app.get<{ Params: { id: string } }>('/api/jobs/:id', async ({ params, user, firm }): Promise<JobRecord> => {
      const job = await findOwn(Job, 'job', params.id, user.firmId)
      // One after the other they would each wait for the one before.
      const [site, jobUnits, people, log, quote, products] = await Promise.all([
        findOwn(Site, 'site', job.siteId, user.firmId),
        JobUnit.findAll({ where: { jobId: job.id }, order: [['position', 'ASC']] }),
        User.findAll({ where: { firmId: user.firmId } }),
        eventsAndSeq(job.id),
        Quote.findOne({ where: { jobId: job.id } }),
        productsOf(firm),
      ])
      const option = quote?.body.options.find(({ key }) => key === quote.chosen)
      const unitIds = jobUnits.map(({ unitId }) => unitId)
      const [units, visits] = await Promise.all([Unit.findAll({ where: { id: { [Op.in]: unitIds } } }), visitsOf(unitIds)])
      return {
        id: job.id,
        onDate: job.onDate,
        site: siteRecord(site, units),
        unitIds,
        crew: people.filter(({ id }) => job.crewIds.includes(id)).map(crewRecord),
        people: people.map(({ id, name }) => ({ id, name })),
        houseRules: firm.houseRules,
        products,
        equipment: firm.equipment,
        memory: {
          rates: firm.foulingRates ?? ratesAtFirst,
          units: units.map((unit) => {
            const others = (visits.get(unit.id) ?? []).filter(({ jobId }) => jobId !== job.id)
            const { use, fineFilter, lossIndex, ...past } = pastOf(unit, site, others)
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
        ...(quote && option ? { quoted: { quoteId: quote.id, name: option.name, total: quote.total } } : {}),
        ...log,
      }
    })

    app.post<{ Params: { id: string } }>('/api/jobs/:id/events', async ({ params, body, user }) => {
      const { events } = readBy(eventBatchSchema, body)
      return storeEvents(sequelize, await findOwn(Job, 'job', params.id, user.firmId), user, events)
    })
  }
}
