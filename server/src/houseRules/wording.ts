// A firm says in its own words what its customers read; each text holds up in its language before it is kept.
import { Fault } from '@yastik/core/faults'
import { faultsOfWording } from '@yastik/core/words/speech'
import type { WordingRecord } from '@yastik/core/wire'
import { difference, note, type Actor } from '../audit/doings.ts'
import type { Doing } from '../db/database.ts'
import { Firm } from '../db/models.ts'

/** @throws Fault `does-not-hold-up` for a text with values that its key does not have, `changed-meanwhile` over another version than the one that was seen */
export async function saveWording(db: Doing, { id, wording: was }: Firm, { wording, version }: WordingRecord, actor: Actor): Promise<WordingRecord> {
  const lines = await faultsOfWording(wording, 'wording')
  if (lines.length > 0) throw new Fault('does-not-hold-up', { lines })
  const values = { wording, wordingVersion: version + 1 }
  const [changed] = await Firm.update(values, { where: { id, wordingVersion: version }, transaction: db.transaction })
  if (changed !== 1) throw new Fault('changed-meanwhile')
  await note(db, actor, { what: 'wording-changed', ...difference(was, wording) })
  return { wording, version: version + 1 }
}
