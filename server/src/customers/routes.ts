// What is kept of customers, for owners.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import { note } from '../audit/doings.ts'
import type { Db } from '../db/database.ts'
import type { FileStore } from '../files/store.ts'
import { serverOf } from '../http/serve.ts'
import { fullSite } from '../sites/queries.ts'
import { eraseCustomer, removeFiles, saveRetention } from './doings.ts'
import { customerData, retentionOf } from './queries.ts'

export const customerRoutes =
  (house: Db, files: FileStore) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes, serves } = serverOf(app, house)

    serves(endpoints.customerData, async ({ db, params, firm, actor, reply }) => {
      const data = await customerData(db, params.id, firm.id)
      await note(db, actor, { what: 'customer-taken-out', about: `site ${params.id}` })
      reply.header('content-disposition', `attachment; filename="customer-${params.id}.json"`)
      return data
    })
    serves(endpoints.eraseCustomer, async ({ db, params, body, firm, actor }) => {
      const photos = await db.change((doing) => eraseCustomer(doing, params.id, body.version, actor))
      await removeFiles(files, photos)
      return fullSite(db, params.id, firm.id)
    })
    reads(endpoints.retention, ({ firm }) => retentionOf(firm))
    changes(endpoints.saveRetention, ({ db, body, firm, actor }) => saveRetention(db, firm, body, actor))
  }
