// Stock: what is left, what came and went, what to buy, and what a day needs. Everybody notes what they see; it is on record who did.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { noteMove } from './doings.ts'
import { dayLoad } from './load.ts'
import { stockMoves } from './queries.ts'
import { stockRecord } from './record.ts'

export const stockRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)

    reads(endpoints.stock, ({ db, firm }) => stockRecord(db, firm, Date.now()))
    changes(endpoints.noteStock, async ({ db, body, firm, user }) => {
      await noteMove(db, firm, user, body)
      return stockRecord(db, firm, Date.now())
    })
    reads(endpoints.stockMoves, ({ db, query, firm }) => stockMoves(db, firm, query.after))
    reads(endpoints.dayLoad, ({ db, query, firm }) => dayLoad(db, firm, query.day, Date.now()))
  }
