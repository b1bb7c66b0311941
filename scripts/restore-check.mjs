// npm run restore-check -- FILE|FOLDER [--key FILE]: is a backup worth its name? It is restored into an instance of its own, written out once more, and
// compared table by table, row by row, and picture by picture with what was in the backup.
import { createHash } from 'node:crypto'
import { chmodSync, createReadStream, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline'
import { readArguments } from './lib/arguments.mjs'
import { backupsIn, dumpTo, openBackup } from './lib/backups.mjs'
import { withDatabase } from './lib/database.mjs'
import { inRoot } from './lib/paths.mjs'
import { runQuietly } from './lib/run.mjs'
import { Ending, say, sayEnding } from './lib/say.mjs'

const usage = 'usage: npm run restore-check -- FILE|FOLDER [--key FILE]'
const { positionals, values } = readArguments({
  usage,
  about: 'Restores a backup into an instance of its own and compares it with what was in the backup, row by row and picture by picture.',
  positionals: [1],
  options: { key: { type: 'string' } },
})
const source = resolve(positionals[0])
const keyFile = values.key === undefined ? undefined : resolve(values.key)

/** How many rows each table of a dump has, and what they come to, line by line in an order of their own. Of sessions none is kept. */
async function rowsIn(dump) {
  const tables = new Map()
  let rows
  for await (const line of createInterface({ input: createReadStream(dump) })) {
    const made = /^CREATE TABLE `(\w+)`/.exec(line)?.[1]
    if (made && made !== 'sessions') tables.set(made, { count: 0, hash: createHash('sha256') })
    const into = /^INSERT INTO `(\w+)` VALUES/.exec(line)?.[1]
    if (into !== undefined) rows = tables.get(into)
    // One row a line; where many are written at once depends on the server.
    else if (line.startsWith('(')) {
      if (rows) rows.count += 1
      rows?.hash.update(line.replace(/[,;]$/, '\n'))
    } else rows = undefined
  }
  return new Map([...tables].map(([table, { count, hash }]) => [table, { count, hash: hash.digest('hex') }]))
}
const filesIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true }).flatMap((entry) =>
    entry.isFile() ? join(entry.parentPath, entry.name).slice(folder.length + 1) : [],
  )

// An instance of its own, whatever database and files the environment names: a backup is tried beside the one that it is of.
for (const name of Object.keys(process.env)) if (name.startsWith('YASTIK_')) delete process.env[name]
const scratch = mkdtempSync(join(tmpdir(), 'yastik-check-'))
// The database passes through as its own system user.
chmodSync(scratch, 0o711)
let ending
try {
  const file = statSync(source).isDirectory() ? join(source, backupsIn(source)[0]?.name ?? '') : source
  const [draft, data] = ['draft', 'restored'].map((name) => join(scratch, name))
  mkdirSync(draft)
  const { dump, files } = await openBackup(file, draft, keyFile)
  const args = [inRoot('scripts/restore.mjs'), file, '--data', data, ...(keyFile ? ['--key', keyFile] : [])]
  const { status, output } = await runQuietly(process.execPath, args)
  if (status !== 0) throw new Ending(`It was not restored:\n${output.slice(-2000)}`)
  const again = join(draft, 'again.sql')
  await withDatabase(data, (connection) => dumpTo(again, connection))
  const [before, after] = [await rowsIn(dump), await rowsIn(again)]
  const apart = [...new Set([...before.keys(), ...after.keys()])].filter((table) => before.get(table)?.hash !== after.get(table)?.hash)
  const names = filesIn(files)
  const lost = names.filter((name) => !readFileSync(join(files, name)).equals(readFileSync(join(data, 'files', name))))
  if (apart.length > 0) throw new Ending(`Other rows came back in: ${apart.join(', ')}.`)
  if (lost.length > 0) throw new Ending(`Other bytes came back in: ${lost.slice(0, 20).join(', ')}.`)
  const rows = [...before.values()].reduce((sum, { count }) => sum + count, 0)
  if (rows === 0) throw new Ending('There was no row in it.')
  say(`${file}: ${rows} rows of ${before.size} tables and ${names.length} files came back as they were`)
} catch (error) {
  ending = error
} finally {
  rmSync(scratch, { recursive: true, force: true })
}
if (ending) sayEnding(ending)
