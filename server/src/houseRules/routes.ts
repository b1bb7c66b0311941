// House rules and the firm's own words: everybody reads them, the owner sets them.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { saveHouseRules } from './doings.ts'
import { stepTimes } from './queries.ts'
import { saveWording } from './wording.ts'

export const houseRulesRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)
    reads(endpoints.houseRules, ({ firm }) => ({ rules: firm.houseRules, version: firm.houseRulesVersion }))
    reads(endpoints.stepTimes, ({ db, firm }) => stepTimes(db, firm.id))
    reads(endpoints.wording, ({ firm }) => ({ wording: firm.wording, version: firm.wordingVersion }))
    changes(endpoints.saveWording, ({ db, body, firm, actor }) => saveWording(db, firm, body, actor))
    changes(endpoints.saveHouseRules, ({ db, body, firm, actor }) => saveHouseRules(db, firm, body, actor))
  }
