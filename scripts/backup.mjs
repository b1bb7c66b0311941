// npm run backup -- FILE [--data DIR]: the whole instance as one file, while it runs: its database, then its photographs.
import { spawn } from 'node:child_process'
import { chmodSync, createWriteStream, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { parseArgs } from 'node:util'
import { clientOf, withDatabase } from './lib/database.mjs'
import { needPrograms } from './lib/debian.mjs'
import { inRoot } from './lib/paths.mjs'
import { runQuietly } from './lib/run.mjs'
import { Ending, giveUp, say, sayEnding } from './lib/say.mjs'

const usage = 'usage: npm run backup -- FILE [--data DIR]'
let options
try {
  options = parseArgs({ allowPositionals: true, options: { data: { type: 'string', default: inRoot('.data') } } })
} catch (error) {
  giveUp(`${error.message}\n${usage}`, 2)
}
const [target] = options.positionals
if (!target || options.positionals.length > 1) giveUp(usage, 2)
const file = resolve(target)
const dataDir = resolve(options.values.data)
const filesRoot = process.env.YASTIK_FILES ?? join(dataDir, 'files')
if (existsSync(file)) giveUp(`${file} is there already; a backup is never written over another one.`, 2)
if (!existsSync(dirname(file))) giveUp(`${dirname(file)} is not there.`, 2)
if (process.env.YASTIK_DB_PORT === undefined && !existsSync(join(dataDir, 'mariadb'))) giveUp(`There is no instance in ${dataDir}.`, 2)
await needPrograms('mariadb')

// Beside the target: one disk, so that the last step is a rename.
const draft = mkdtempSync(join(dirname(file), '.yastik-backup-'))
let ending
try {
  await withDatabase(dataDir, async (connection) => {
    say('writing the database')
    const { args, name, env } = clientOf(connection)
    // One moment for all tables; who signs in now is not part of it.
    const dump = spawn('mariadb-dump', [...args, '--single-transaction', '--hex-blob', `--ignore-table-data=${name}.sessions`, name], {
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    const ended = new Promise((done) => dump.once('close', done))
    await pipeline(dump.stdout, createWriteStream(join(draft, 'database.sql'), { mode: 0o600 }))
    if ((await ended) !== 0) throw new Ending('The database could not be written out.')
  })
  // After the database: what was added since does no harm, and what was erased in between the restore tells.
  say('adding the photographs')
  mkdirSync(filesRoot, { recursive: true })
  const { status, output } = await runQuietly('tar', [
    '-cf',
    join(draft, 'backup.tar'),
    '-C',
    draft,
    'database.sql',
    '-C',
    dirname(filesRoot),
    `--transform=s,^${filesRoot.split('/').at(-1)},files,`,
    filesRoot.split('/').at(-1),
  ])
  if (status !== 0) throw new Ending(`The photographs could not be packed:\n${output.slice(-2000)}`)
  // It holds names and addresses: for its owner's eyes.
  chmodSync(join(draft, 'backup.tar'), 0o600)
  renameSync(join(draft, 'backup.tar'), file)
  say(`${file}, ${Math.ceil(statSync(file).size / 1e6)} MB`)
} catch (error) {
  ending = error
} finally {
  rmSync(draft, { recursive: true, force: true })
}
if (ending) sayEnding(ending)
