// npm run backup -- FILE [--key FILE] [--data DIR]: the whole instance as one file, while it runs.
// npm run backup -- --into FOLDER [--key FILE] [--days 7] [--weeks 5] [--months 12] [--data DIR]: the same under a name of its time, with what was
// changed by then beside it; backups that are older than is kept are taken away. For whoever runs it again and again.
import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { readArguments, wholeNumber } from './lib/arguments.mjs'
import { clearOutdated, filesPlace, keepChanges, nameOf, writeBackup } from './lib/backups.mjs'
import { needPrograms } from './lib/debian.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareServer } from './lib/prepare.mjs'
import { giveUp, sayEnding } from './lib/say.mjs'
import { checkKey } from './lib/seal.mjs'

const usage =
  'usage: npm run backup -- FILE [--key FILE] [--data DIR]\n       npm run backup -- --into FOLDER [--key FILE] [--days 7] [--weeks 5] [--months 12] [--data DIR]'
const command = readArguments({
  usage,
  about: 'Writes the whole instance into one file while it runs, sealed where a key is given; with --into, keeps backups of days, weeks and months.',
  positionals: [0, 1],
  options: {
    data: { type: 'string', default: inRoot('.data') },
    into: { type: 'string' },
    key: { type: 'string' },
    days: { type: 'string', default: '7' },
    weeks: { type: 'string', default: '5' },
    months: { type: 'string', default: '12' },
  },
})
const { positionals, values, wrong } = command
const folder = values.into === undefined ? undefined : resolve(values.into)
if (positionals.length !== (folder ? 0 : 1)) wrong('Either a file or --into FOLDER is asked for.')
const [days, weeks, months] = ['days', 'weeks', 'months'].map((name) => wholeNumber(command, name, 0, 9999))
const keyFile = values.key === undefined ? undefined : resolve(values.key)
const dataDir = resolve(values.data)
const nowMs = Date.now()
if (folder) mkdirSync(folder, { recursive: true, mode: 0o700 })
const file = folder ? join(folder, nameOf(nowMs, keyFile !== undefined)) : resolve(positionals[0])
if (existsSync(file)) giveUp(`${file} is there already; a backup is never written over another one.`, 2)
if (!existsSync(dirname(file))) giveUp(`${dirname(file)} is not there.`, 2)
if (process.env.YASTIK_DB_PORT === undefined && !existsSync(join(dataDir, 'mariadb'))) giveUp(`There is no instance in ${dataDir}.`, 2)
try {
  if (keyFile) checkKey(keyFile)
  await needPrograms('mariadb')
  if (filesPlace(dataDir).startsWith('s3://')) await prepareServer()
  await writeBackup({ file, dataDir, keyFile })
  if (folder) {
    await keepChanges({ folder, dataDir, keyFile })
    clearOutdated(folder, { days, weeks, months }, nowMs)
  }
} catch (error) {
  sayEnding(error)
}
