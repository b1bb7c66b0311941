// One search over sites, units and visits.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { foundBy } from './queries.ts'

export const findRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads } = serverOf(app, house)
    reads(endpoints.find, ({ db, query, user }) => foundBy(db, user.firmId, query.words))
  }
