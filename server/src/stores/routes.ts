// Stores: everybody reads what the van holds, the owner changes it.
import { endpoints, type StoresRecord } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import type { Firm } from '../db/models.ts'
import { serverOf } from '../http/serve.ts'
import { productsOf } from '../stock/queries.ts'
import { saveStores } from './doings.ts'

const recordOf = async (db: Db, firm: Firm): Promise<StoresRecord> => ({
  products: await productsOf(db, firm),
  equipment: firm.equipment,
  version: firm.storesVersion,
})

export const storesRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)
    reads(endpoints.stores, ({ db, firm }) => recordOf(db, firm))
    changes(endpoints.saveStores, async ({ db, body, firm, user, actor }) => recordOf(db, await saveStores(db, firm, user, body, actor)))
  }
