// Thread: reads a table of sites in, and says how far it is.
import { readBy } from '@yastik/core/faults'
import { endpoints } from '@yastik/core/wire'
import type { Actor } from '../audit/doings.ts'
import type { Config } from '../config.ts'
import { readJson } from '../http/budget.ts'
import { answering } from '../threads/answer.ts'
import { withDb } from '../threads/ownDb.ts'
import { largeBudget } from './largeBudget.ts'
import { takeInSites, type Importer } from './siteImport.ts'

export interface SitesGiven {
  readonly bytes: Uint8Array
  readonly database: Config['database']
  readonly user: Importer
  readonly actor: Actor
}

export default answering(({ bytes, database, user, actor }: SitesGiven, progress) => {
  const { sites } = readBy(endpoints.takeSites.body, readJson(bytes, largeBudget))
  return withDb(database, (db) => takeInSites(db, user, actor, sites, (rows, of) => progress({ rows, of })))
})
