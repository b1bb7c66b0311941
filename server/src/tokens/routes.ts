// Tokens for other programs, for owners.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { endToken, makeToken } from './doings.ts'
import { tokensOf } from './queries.ts'

export const tokenRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)
    reads(endpoints.tokens, ({ db, firm }) => tokensOf(db, firm.id))
    changes(endpoints.makeToken, ({ db, body, actor, firm }) => makeToken(db, body, actor, firm))
    changes(endpoints.endToken, ({ db, params, actor }) => endToken(db, params.id, actor))
  }
