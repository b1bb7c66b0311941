// Visits: today's, one whole, a new one, and one that is moved or cancelled.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { cancelJob, checkDay, makeJob, moveJob } from './doings.ts'
import { dayOutlook } from './outlook.ts'
import { cardOf, crewOf, dayOfVisits, jobRecord } from './queries.ts'

export const jobRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)

    reads(endpoints.today, ({ db, query, user }) => dayOfVisits(db, user.firmId, query.day))
    reads(endpoints.dayOutlook, ({ db, query, firm }) => dayOutlook(db, firm, query.day, Date.now()))
    reads(endpoints.crew, ({ db, user }) => crewOf(db, user.firmId))
    reads(endpoints.job, ({ db, params, firm }) => jobRecord(db, params.id, firm))

    changes(endpoints.makeJob, async ({ db, body, user, firm }) => {
      checkDay(body.onDate, firm)
      return cardOf(db, (await makeJob(db, body, user.firmId)).id, user.firmId)
    })
    changes(endpoints.moveJob, async ({ db, params, body, user, firm }) =>
      cardOf(db, (await moveJob(db, params.id, { ...body, judgedBy: firm }, user.firmId)).id, user.firmId),
    )
    changes(endpoints.cancelJob, async ({ db, params, body, user }) =>
      cardOf(db, (await cancelJob(db, params.id, body, user.firmId)).id, user.firmId),
    )
  }
