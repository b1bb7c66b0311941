// House rules: everybody reads them, the owner sets them.
import { Fault, houseRulesRecordSchema, readBy, type HouseRulesRecord } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Firm } from '../db/models.ts'

export async function houseRulesRoutes(app: FastifyInstance): Promise<void> {
  app.get('/api/house-rules', async ({ firm }): Promise<HouseRulesRecord> => ({ rules: firm.houseRules, version: firm.houseRulesVersion }))

  app.put('/api/house-rules', { config: { role: 'owner' } }, async ({ body, firm }): Promise<HouseRulesRecord> => {
    const { rules, version } = readBy(houseRulesRecordSchema, body)
    const [changed] = await Firm.update({ houseRules: rules, houseRulesVersion: version + 1 }, { where: { id: firm.id, houseRulesVersion: version } })
    if (changed !== 1) throw new Fault('changed-meanwhile')
    return { rules, version: version + 1 }
  })
}
