// npm run restore -- FILE [--data DIR]: a backup into an instance that is still empty. All of it, or nothing.
import { spawn } from 'node:child_process'
import { cpSync, createReadStream, existsSync, mkdirSync, mkdtempSync, openSync, readSync, closeSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { parseArgs } from 'node:util'
import { clientOf, withDatabase } from './lib/database.mjs'
import { needPrograms } from './lib/debian.mjs'
import { inRoot } from './lib/paths.mjs'
import { runQuietly } from './lib/run.mjs'
import { Ending, giveUp, say, sayEnding } from './lib/say.mjs'

const usage = 'usage: npm run restore -- FILE [--data DIR]'
let options
try {
  options = parseArgs({ allowPositionals: true, options: { data: { type: 'string', default: inRoot('.data') } } })
} catch (error) {
  giveUp(`${error.message}\n${usage}`, 2)
}
const [source] = options.positionals
if (!source || options.positionals.length > 1) giveUp(usage, 2)
const file = resolve(source)
const dataDir = resolve(options.values.data)
const filesRoot = process.env.YASTIK_FILES ?? join(dataDir, 'files')
if (!existsSync(file)) giveUp(`${file} is not there.`, 2)
await needPrograms('mariadb')

/** Whether a dump was written to its end: MariaDB says so in its last line. */
function isWhole(path) {
  const length = Math.min(200, statSync(path).size)
  const bytes = Buffer.alloc(length)
  const handle = openSync(path, 'r')
  readSync(handle, bytes, 0, length, statSync(path).size - length)
  closeSync(handle)
  return bytes.toString('utf8').includes('-- Dump completed')
}

const draft = mkdtempSync(join(tmpdir(), 'yastik-restore-'))
let ending
try {
  say('opening the backup')
  const { status } = await runQuietly('tar', ['-xf', file, '-C', draft])
  const dump = join(draft, 'database.sql')
  if (status !== 0 || !existsSync(dump) || !existsSync(join(draft, 'files'))) throw new Ending(`${file} is no backup of Yastik, or it is cut off.`, 2)
  if (!isWhole(dump)) throw new Ending(`The database in ${file} breaks off in the middle.`, 2)
  await withDatabase(dataDir, async (connection) => {
    const { args, name, env } = clientOf(connection)
    const ask = (sql) =>
      new Promise((done) => {
        const client = spawn('mariadb', [...args, '--batch', '--skip-column-names', '--execute', sql, name], {
          env,
          stdio: ['ignore', 'pipe', 'inherit'],
        })
        let answer = ''
        client.stdout.on('data', (part) => (answer += part))
        client.once('close', (code) => done(code === 0 ? answer.trim() : undefined))
      })
    const tables = await ask(`SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '${name}'`)
    if (tables === undefined) throw new Ending('The database does not answer.')
    if (tables !== '0' && (await ask('SELECT COUNT(*) FROM firms')) !== '0')
      throw new Ending('This instance holds a firm already. Restore into an empty one: npm run restore -- FILE --data NEW_FOLDER', 2)
    say('reading the database in')
    const client = spawn('mariadb', [...args, name], { env, stdio: ['pipe', 'inherit', 'inherit'] })
    const ended = new Promise((done) => client.once('close', done))
    await pipeline(createReadStream(dump), client.stdin)
    if ((await ended) !== 0) throw new Ending('The database could not be read in.')
    say('putting the photographs back')
    mkdirSync(filesRoot, { recursive: true, mode: 0o700 })
    cpSync(join(draft, 'files'), filesRoot, { recursive: true })
    // Every photograph that is on record has its picture: held against the list.
    const listed = (await ask("SELECT CONCAT(firm_id, '/', id, '.', kind) FROM photos"))?.split('\n').filter(Boolean) ?? []
    const missing = listed.filter((key) => !existsSync(join(filesRoot, key)))
    say(
      missing.length === 0
        ? `restored, ${listed.length} photographs among it`
        : `restored; ${missing.length} of ${listed.length} photographs are without their picture`,
    )
    for (const key of missing.slice(0, 20)) say(`without its picture: ${key}`)
  })
} catch (error) {
  ending = error
} finally {
  rmSync(draft, { recursive: true, force: true })
}
if (ending) sayEnding(ending)
