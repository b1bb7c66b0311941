// Stores: everybody reads what the van holds, the owner changes it. How much is left of a product is the stock's.
import { Fault, readBy, storesRecordSchema, type StoresRecord } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize } from 'sequelize'
import { owner, people } from '../auth/audience.ts'
import { Firm } from '../db/models.ts'
import { noteMove, productsOf } from '../stock/ledger.ts'

export function storesRoutes(sequelize: Sequelize) {
  const stores = async (firm: Firm): Promise<StoresRecord> => ({
    products: await productsOf(firm),
    equipment: firm.equipment,
    version: firm.storesVersion,
  })
  return async (app: FastifyInstance): Promise<void> => {
    app.get('/api/stores', people, ({ firm }) => stores(firm))

    app.put('/api/stores', owner, async ({ body, firm, user }): Promise<StoresRecord> => {
      const { products, equipment, version } = readBy(storesRecordSchema, body)
      await sequelize.transaction(async (transaction) => {
        // How much there is stands in the stock: a label that is saved does not count the van anew.
        const labels = products.map(({ inStockLitres: _, ...product }) => product)
        const [changed] = await Firm.update(
          { products: labels, equipment, storesVersion: version + 1 },
          { where: { id: firm.id, storesVersion: version }, transaction },
        )
        if (changed !== 1) throw new Fault('changed-meanwhile')
        const known = new Set(firm.products.map(({ id }) => id))
        await firm.reload({ transaction })
        for (const { id, inStockLitres } of products)
          if (inStockLitres !== undefined && !known.has(id))
            await noteMove(firm, user, { productId: id, kind: 'counted', litres: inStockLitres, lot: '' }, transaction)
      })
      return stores(firm)
    })
  }
}
