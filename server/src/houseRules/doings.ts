// The rules by which the firm works are set.
import { Fault, type HouseRulesRecord } from '@yastik/core'
import type { Doing } from '../db/database.ts'
import { Firm } from '../db/models.ts'

/** @throws Fault `changed-meanwhile` over another version than the one that was seen */
export async function saveHouseRules({ transaction }: Doing, { id }: Firm, { rules, version }: HouseRulesRecord): Promise<HouseRulesRecord> {
  const values = { houseRules: rules, houseRulesVersion: version + 1 }
  const [changed] = await Firm.update(values, { where: { id, houseRulesVersion: version }, transaction })
  if (changed !== 1) throw new Fault('changed-meanwhile')
  return { rules, version: version + 1 }
}
