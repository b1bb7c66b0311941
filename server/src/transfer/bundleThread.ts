// Thread: reads a bundle in.
import type { Firm } from '../db/models.ts'
import { note, type Actor } from '../audit/doings.ts'
import type { Config } from '../config.ts'
import { checkBudget } from '../http/budget.ts'
import { answering } from '../threads/answer.ts'
import { withDb } from '../threads/ownDb.ts'
import { readBundle, takeIn } from './bundle.ts'
import { largeBudget } from './largeBudget.ts'

export interface BundleGiven {
  readonly bytes: Uint8Array
  readonly database: Config['database']
  readonly firm: Pick<Firm, 'id'>
  readonly actor: Actor
}

export default answering(async ({ bytes, database, firm, actor }: BundleGiven) => {
  checkBudget(bytes, largeBudget)
  const bundle = readBundle(new TextDecoder().decode(bytes))
  const receipt = await withDb(database, (db) =>
    db.change(async (doing) => {
      const own = await takeIn(doing, firm, bundle)
      const { codes: _, ...counts } = own
      await note(doing, actor, { what: 'imported', about: 'bundle', after: counts })
      return own
    }),
  )
  return { receipt, photos: bundle.photos.map(({ id, kind }) => ({ id, kind })) }
})
