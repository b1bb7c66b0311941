// Who did what, for owners.
import { Readable } from 'node:stream'
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { note } from './doings.ts'
import { auditPage, auditTable } from './queries.ts'

export const auditRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, serves } = serverOf(app, house)
    reads(endpoints.audit, ({ db, query, firm }) => auditPage(db, firm.id, query.after))
    serves(endpoints.auditTable, async ({ db, actor, firm, reply }) => {
      await note(db, actor, { what: 'exported', about: 'audit.csv' })
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="audit.csv"')
        .send(Readable.from(auditTable(firm.id)))
    })
  }
