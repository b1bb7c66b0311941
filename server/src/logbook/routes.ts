// The logbook, and one unit's life in it.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { logPage, unitLife } from './queries.ts'

export const logbookRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads } = serverOf(app, house)
    reads(endpoints.logbook, ({ db, query, user }) => logPage(db, user.firmId, query))
    reads(endpoints.unitLife, ({ db, params, user }) => unitLife(db, params.id, user.firmId))
  }
