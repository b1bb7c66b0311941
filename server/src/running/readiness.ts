// May this process be sent work? Its database answers, has the shape that this version asks for, and files can be kept.
import type { Db } from '../db/database.ts'
import { migrationNames } from '../db/migrations.ts'
import { ranMigrations } from './queries.ts'
import type { FileStore } from '../files/store.ts'

/** Longer nobody waits for an answer to this, ms. */
const patienceMs = 3000

/** What it needs, with `ok` or what is wrong in a few words: no values, no addresses. */
export type Readiness = Readonly<Record<'database' | 'migrations' | 'files', string>>

async function withinPatience<Of>(work: Promise<Of>): Promise<Of> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, reject) => (timer = setTimeout(() => reject(new Error('too late')), patienceMs)))
  return Promise.race([work, late]).finally(() => clearTimeout(timer))
}

export async function readinessOf(db: Db, files: FileStore): Promise<Readiness> {
  const [ran, kept] = await Promise.all([
    withinPatience(ranMigrations(db)).catch(() => undefined),
    withinPatience(files.check()).then(
      () => true,
      () => false,
    ),
  ])
  const names = new Set(ran?.map(({ name }) => name))
  const missing = migrationNames.filter((name) => !names.has(name))
  return {
    database: ran ? 'ok' : 'it does not answer',
    migrations: !ran ? 'not known' : missing.length === 0 ? 'ok' : `${missing.length} have not run`,
    files: kept ? 'ok' : 'nothing can be kept',
  }
}
export const isReady = (readiness: Readiness): boolean => Object.values(readiness).every((said) => said === 'ok')
