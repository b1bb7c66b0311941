// House rules: everybody reads them, the owner sets them.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { saveHouseRules } from './doings.ts'
import { stepTimes } from './queries.ts'

export const houseRulesRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)
    reads(endpoints.houseRules, ({ firm }) => ({ rules: firm.houseRules, version: firm.houseRulesVersion }))
    reads(endpoints.stepTimes, ({ db, firm }) => stepTimes(db, firm.id))
    changes(endpoints.saveHouseRules, ({ db, body, firm, actor }) => saveHouseRules(db, firm, body, actor))
  }
