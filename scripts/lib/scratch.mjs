// Where do tests keep what they throw away: databases, profiles of browsers, files? In memory where there is room, so that a disk which stands
// still for seconds fails no test.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { endLeftMariadb } from './mariadb.mjs'
import { inRoot, root } from './paths.mjs'
import { ownScript, runsWith } from './processes.mjs'
import { giveUp } from './say.mjs'

const memory = '/dev/shm'
/** A whole run was seen to take less than half of it. */
const leastBytes = 4e9

function roomyPlace() {
  if (!existsSync(memory)) return inRoot('.test-data')
  const { bavail, bsize } = statfsSync(memory)
  return bavail * bsize >= leastBytes ? memory : inRoot('.test-data')
}

/**
 * Opens this checkout's own scratch folder, empty: what a run that was killed left in it is ended and cleared away.
 * @returns {Promise<{ temporary: string, database: string, close: () => void }>} folder for temporary files, data directory of the database
 */
export async function openScratch() {
  const folder = join(roomyPlace(), `yastik-test-${createHash('sha256').update(root).digest('hex').slice(0, 12)}`)
  const [temporary, database, holder] = ['tmp', 'database', 'holder.json'].map((name) => join(folder, name))
  if (existsSync(holder)) {
    const { pid, script } = JSON.parse(readFileSync(holder, 'utf8'))
    if (runsWith(pid, script)) giveUp(`The tests of this checkout run already, as process ${pid}: wait for them, or end them.`)
  }
  await endLeftMariadb(database)
  const clear = () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  clear()
  // The database passes through as its own system user; nobody lists what is there.
  mkdirSync(temporary, { recursive: true, mode: 0o711 })
  writeFileSync(holder, JSON.stringify({ pid: process.pid, script: ownScript() }))
  return { temporary, database, close: clear }
}
