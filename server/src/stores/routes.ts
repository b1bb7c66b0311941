// Stores: everybody reads what the van holds, the owner changes it.
import { Fault, readBy, storesRecordSchema, type StoresRecord } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Firm } from '../db/models.ts'

export async function storesRoutes(app: FastifyInstance): Promise<void> {
  app.get('/api/stores', async ({ firm }): Promise<StoresRecord> => ({
    products: firm.products,
    equipment: firm.equipment,
    version: firm.storesVersion,
  }))

  app.put('/api/stores', { config: { role: 'owner' } }, async ({ body, firm }): Promise<StoresRecord> => {
    const { products, equipment, version } = readBy(storesRecordSchema, body)
    const [changed] = await Firm.update({ products, equipment, storesVersion: version + 1 }, { where: { id: firm.id, storesVersion: version } })
    if (changed !== 1) throw new Fault('changed-meanwhile')
    return { products, equipment, version: version + 1 }
  })
}
