// npm run restore -- FILE [--key FILE] [--until TIME] [--changes DIR] [--data DIR]: a backup into an instance that is still empty; all of it, or nothing.
// With a folder of backups for FILE: the newest of them, or the newest before TIME. With TIME (as 2026-11-27T10:00:00Z) what was changed after the
// backup is done again up to that second.
import { spawn } from 'node:child_process'
import { cpSync, createReadStream, existsSync, mkdirSync, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { readArguments } from './lib/arguments.mjs'
import { askDatabase, backupsIn, copyIn, doAgain, filesPlace, openBackup, storeAt } from './lib/backups.mjs'
import { clientOf, withDatabase } from './lib/database.mjs'
import { needPrograms } from './lib/debian.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareServer } from './lib/prepare.mjs'
import { Ending, giveUp, say, sayEnding } from './lib/say.mjs'

const usage = 'usage: npm run restore -- FILE|FOLDER [--key FILE] [--until TIME] [--changes DIR] [--data DIR]'
const { positionals, values } = readArguments({
  usage,
  about: 'Restores a backup into an instance that is still empty: all of it, or nothing; with --until, up to that second.',
  positionals: [1],
  options: {
    data: { type: 'string', default: inRoot('.data') },
    key: { type: 'string' },
    until: { type: 'string' },
    changes: { type: 'string' },
  },
})
const source = resolve(positionals[0])
const dataDir = resolve(values.data)
const keyFile = values.key === undefined ? undefined : resolve(values.key)
const untilMs = values.until === undefined ? undefined : Date.parse(values.until)
if (untilMs !== undefined && !(untilMs > 0 && /T.*(Z|[+-]\d\d:\d\d)$/.test(values.until)))
  giveUp(`--until ${values.until}: allowed is a time with its zone, as 2026-11-27T10:00:00Z.\n${usage}`, 2)
if (!existsSync(source)) giveUp(`${source} is not there.`, 2)

/** The backup itself: of a folder the newest, or the newest before the moment that is wanted. */
function chosen() {
  if (!statSync(source).isDirectory()) return source
  const [newest] = backupsIn(source).filter(({ madeMs }) => madeMs <= (untilMs ?? Infinity))
  if (!newest) giveUp(`There is no backup in ${source}${untilMs === undefined ? '' : ` from before ${values.until}`}.`, 2)
  say(`${newest.name} is the newest${untilMs === undefined ? '' : ' before that'}`)
  return join(source, newest.name)
}
const file = chosen()
const folders = [dirname(file), ...(values.changes === undefined ? [] : [resolve(values.changes)])]
const place = filesPlace(dataDir)
/** Takes all tables away again. */
async function emptied(connection) {
  const { name } = clientOf(connection)
  const tables = await askDatabase(connection, `SELECT table_name FROM information_schema.tables WHERE table_schema = '${name}'`)
  const drops = (tables ?? '').split('\n').filter(Boolean)
  if (drops.length > 0) await askDatabase(connection, `SET FOREIGN_KEY_CHECKS = 0; DROP TABLE ${drops.map((own) => `\`${own}\``).join(', ')}`)
}
const draft = mkdtempSync(join(tmpdir(), 'yastik-restore-'))
let ending
try {
  await needPrograms('mariadb')
  if (place.startsWith('s3://')) await prepareServer()
  say('opening the backup')
  const { dump, files, about } = await openBackup(file, draft, keyFile)
  if (untilMs !== undefined && about && untilMs < Date.parse(about.madeAt))
    throw new Ending(`This backup was made at ${about.madeAt}, after ${values.until}: an earlier one is needed.`, 2)
  const readIn = async (connection) => {
    say('reading the database in')
    const { args, name, env } = clientOf(connection)
    const client = spawn('mariadb', [...args, '--sandbox', '--skip-local-infile', name], { env, stdio: ['pipe', 'inherit', 'inherit'] })
    const ended = new Promise((done) => client.once('close', done))
    await pipeline(createReadStream(dump), client.stdin)
    if ((await ended) !== 0) throw new Ending('The database could not be read in.')
    if (untilMs !== undefined) {
      say(`doing again what was changed until ${new Date(untilMs).toISOString().slice(0, 19)}Z`)
      await doAgain({ about, draft, folders, untilMs, keyFile, connection })
    }
    // Nobody stays signed in across it.
    if ((await askDatabase(connection, 'DELETE FROM sessions')) === undefined) throw new Ending('Sessions could not be ended.')
  }
  await withDatabase(dataDir, async (connection) => {
    const { name } = clientOf(connection)
    const ask = (sql) => askDatabase(connection, sql)
    const tables = await ask(`SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '${name}'`)
    if (tables === undefined) throw new Ending('The database does not answer.')
    if (tables !== '0' && (await ask('SELECT COUNT(*) FROM firms')) !== '0')
      throw new Ending('This instance holds a firm already. Restore into an empty one: npm run restore -- FILE --data NEW_FOLDER', 2)
    try {
      await readIn(connection)
    } catch (error) {
      // All of it, or nothing.
      await emptied(connection)
      throw error
    }
    say('putting the photographs back')
    if (place.startsWith('s3://')) await copyIn(files, await storeAt(place))
    else {
      mkdirSync(place, { recursive: true, mode: 0o700 })
      cpSync(files, place, { recursive: true })
    }
    // Every photograph that is on record has its picture: held against the list.
    const listed = (await ask("SELECT CONCAT(firm_id, '/', id, '.', kind) FROM photos"))?.split('\n').filter(Boolean) ?? []
    const missing = listed.filter((key) => !existsSync(join(files, key)))
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
