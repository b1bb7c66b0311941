// The rules by which the firm works are set.
import { Fault } from '@yastik/core/faults'
import type { HouseRulesRecord } from '@yastik/core/wire'
import { difference, note, type Actor } from '../audit/doings.ts'
import type { Doing } from '../db/database.ts'
import { Firm } from '../db/models.ts'

/** @throws Fault `changed-meanwhile` over another version than the one that was seen */
export async function saveHouseRules(
  db: Doing,
  { id, houseRules }: Firm,
  { rules, version }: HouseRulesRecord,
  actor: Actor,
): Promise<HouseRulesRecord> {
  const { transaction } = db
  const values = { houseRules: rules, houseRulesVersion: version + 1 }
  const [changed] = await Firm.update(values, { where: { id, houseRulesVersion: version }, transaction })
  if (changed !== 1) throw new Fault('changed-meanwhile')
  await note(db, actor, { what: 'house-rules-changed', ...difference(houseRules, rules) })
  return { rules, version: version + 1 }
}
