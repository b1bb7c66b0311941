// Thread: reads a table of sites in, and says how far it is.
import { Fault, readBy } from '@yastik/core/faults'
import { endpoints } from '@yastik/core/wire'
import type { Actor } from '../audit/doings.ts'
import type { Config } from '../config.ts'
import { checkBudget } from '../http/budget.ts'
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

function parsed(bytes: Uint8Array): unknown {
  checkBudget(bytes, largeBudget)
  try {
    return JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    throw new Fault('not-json')
  }
}

export default answering(({ bytes, database, user, actor }: SitesGiven, progress) => {
  const { sites } = readBy(endpoints.takeSites.body, parsed(bytes))
  return withDb(database, (db) => takeInSites(db, user, actor, sites, (rows, of) => progress({ rows, of })))
})
