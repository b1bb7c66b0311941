// What is in a backup, and where do backups lie? One file each: the database as SQL, the photographs, and which moment of the log of changes it is of.
import { randomUUID } from 'node:crypto'
import { spawn } from 'node:child_process'
import {
  chmodSync,
  closeSync,
  copyFileSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { createInterface } from 'node:readline'
import { pipeline } from 'node:stream/promises'
import { clientOf, withDatabase } from './database.mjs'
import { changeLog } from './mariadb.mjs'
import { runQuietly } from './run.mjs'
import { Ending, say } from './say.mjs'
import { openSealed, sealedEnding, sealInto } from './seal.mjs'

const format = 'yastik.backup/1'
/** Where files lie, as the environment has it, or in the data directory. */
export const filesPlace = (dataDir) => process.env.YASTIK_FILES ?? join(dataDir, 'files')
const isBucket = (place) => place.startsWith('s3://')
/** The store behind a place, as the server has it. */
export async function storeAt(place) {
  const { storeAt: open } = await import('../../server/dist/files/place.js')
  return open(place, process.env.YASTIK_S3_ENDPOINT)
}

/** Runs one of MariaDB's own clients. @returns what it printed; undefined where it failed */
export function askDatabase(connection, sql, { database = true } = {}) {
  const { args, name, env } = clientOf(connection)
  return new Promise((done) => {
    const client = spawn('mariadb', [...args, '--batch', '--skip-column-names', '--execute', sql, ...(database ? [name] : [])], {
      env,
      stdio: ['ignore', 'pipe', 'ignore'],
    })
    let answer = ''
    client.stdout.on('data', (part) => (answer += part))
    client.once('close', (code) => done(code === 0 ? answer.trim() : undefined))
  })
}

/** Writes the database as SQL, all tables as they are at one moment; with how far the log of changes is then, where there is one. */
export async function dumpTo(path, connection, { withPosition = false } = {}) {
  const { args, name, env } = clientOf(connection)
  const position = withPosition ? ['--master-data=2'] : []
  const dump = spawn('mariadb-dump', [...args, '--single-transaction', '--hex-blob', ...position, name], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const ended = new Promise((done) => dump.once('close', done))
  await pipeline(dump.stdout, createWriteStream(path, { mode: 0o600 }))
  if ((await ended) !== 0) throw new Ending('The database could not be written out.')
}

/** How far the log of changes is, as a dump says in its first lines; undefined where it says nothing. */
function positionIn(path) {
  const bytes = Buffer.alloc(8192)
  const handle = openSync(path, 'r')
  readSync(handle, bytes, 0, bytes.length, 0)
  closeSync(handle)
  const [, file, position] = /MASTER_LOG_FILE='([^']+)', MASTER_LOG_POS=(\d+)/.exec(bytes.toString('utf8')) ?? []
  return file === undefined ? undefined : { file, position: Number(position) }
}

/** By what the instance is known whose log of changes it is: one that is named by where it answers, ours by a name of its own. */
function instanceOf(dataDir) {
  const { YASTIK_DB_HOST: host = '127.0.0.1', YASTIK_DB_PORT: port } = process.env
  if (port !== undefined) return `${host}-${port}`
  const file = join(dataDir, 'instance')
  if (!existsSync(file)) writeFileSync(file, randomUUID())
  return readFileSync(file, 'utf8')
}

/**
 * Writes the whole instance as one file, while it runs.
 * @param {{ file: string, dataDir: string, keyFile?: string }} what sealed with the key, where there is one
 */
export async function writeBackup({ file, dataDir, keyFile }) {
  const place = filesPlace(dataDir)
  // Beside the target: one disk, so that the last step is a rename.
  const draft = mkdtempSync(join(dirname(file), '.yastik-backup-'))
  try {
    const madeAt = new Date().toISOString()
    const dump = join(draft, 'database.sql')
    await withDatabase(dataDir, async (connection) => {
      say('writing the database')
      // Of a database whose log is not ours to read, the backup is of its own moment alone.
      const withPosition = (await askDatabase(connection, 'SHOW MASTER STATUS', { database: false })) ? true : false
      await dumpTo(dump, connection, { withPosition })
      const changes = positionIn(dump)
      const about = {
        format,
        madeAt,
        database: connection.YASTIK_DB_NAME,
        ...(changes ? { changes: { ...changes, instance: instanceOf(dataDir) } } : {}),
      }
      writeFileSync(join(draft, 'backup.json'), `${JSON.stringify(about, null, 2)}\n`, { mode: 0o600 })
    })
    // After the database: what was added since does no harm, and what was erased in between the restore tells.
    say('adding the photographs')
    const files = isBucket(place) ? join(draft, 'files') : place
    mkdirSync(files, { recursive: true })
    if (isBucket(place)) await copyOut(await storeAt(place), files)
    const args = [
      '-cf',
      '-',
      '-C',
      draft,
      'backup.json',
      'database.sql',
      '-C',
      dirname(files),
      `--transform=s,^${basename(files)},files,`,
      basename(files),
    ]
    const packed = join(draft, 'packed')
    const pack = async (into) => {
      const tar = spawn('tar', args, { stdio: ['ignore', 'pipe', 'inherit'] })
      const ended = new Promise((done) => tar.once('close', done))
      await pipeline(tar.stdout, into)
      // A file that was taken away while it was packed is no fault.
      if ((await ended) > 1) throw new Ending('The photographs could not be packed.')
    }
    await (keyFile ? sealInto(packed, keyFile, pack) : pack(createWriteStream(packed)))
    // It holds names and addresses: for its owner's eyes.
    chmodSync(packed, 0o600)
    renameSync(packed, file)
    say(`${file}, ${Math.ceil(statSync(file).size / 1e6)} MB`)
  } finally {
    rmSync(draft, { recursive: true, force: true })
  }
}

/** Everything of a store, as files. */
async function copyOut(store, folder) {
  for await (const { key } of store.list()) {
    const bytes = await store.get(key)
    if (!bytes) continue
    const path = join(folder, key)
    mkdirSync(dirname(path), { recursive: true })
    writeFileSync(path, bytes, { mode: 0o600 })
  }
}
/** And back. */
export async function copyIn(folder, store) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue
    const path = join(entry.parentPath, entry.name)
    await store.put(path.slice(folder.length + 1), readFileSync(path))
  }
}

/** Whether a dump was written to its end: MariaDB says so in its last line. */
function isWhole(path) {
  const length = Math.min(200, statSync(path).size)
  const bytes = Buffer.alloc(length)
  const handle = openSync(path, 'r')
  readSync(handle, bytes, 0, length, statSync(path).size - length)
  closeSync(handle)
  return bytes.toString('utf8').includes('-- Dump completed')
}

/** What a backup holds is files and folders: a link would lead out of it. @throws Ending */
async function checkArchive(packed, file) {
  const { status, output } = await runQuietly('tar', ['-tvf', packed])
  if (status !== 0) throw new Ending(`${file} is no backup of Yastik, or it is cut off.`, 2)
  const odd = output.split('\n').find((line) => line !== '' && !/^[-d]/.test(line))
  if (odd) throw new Ending(`${file} holds something that is neither a file nor a folder: ${odd.slice(0, 200)}. Nothing of it was read.`, 2)
}

/**
 * Lines of a dump as MariaDB writes it: tables and their rows. Texts have no line breaks of their own in it, so that every line begins something.
 * Whatever else would be done (commands of the client, triggers, other databases) is no part of a backup.
 */
const dumpLines = [
  /^$/,
  /^--/,
  /^\/\*M?!\d+\\- enable the sandbox mode \*\/ ?$/,
  /^\/\*!\d+ (SET [^;]*|ALTER TABLE `\w+` (DISABLE|ENABLE) KEYS) ?\*\/;$/,
  /^(DROP TABLE IF EXISTS `\w+`|LOCK TABLES `\w+` WRITE|UNLOCK TABLES);$/,
  /^CREATE TABLE `\w+` \($/,
  /^ {2}(`\w+` |(PRIMARY|UNIQUE|FULLTEXT)? ?KEY |CONSTRAINT `)/,
  /^\) ENGINE=\w+[^;]*;$/,
  /^INSERT INTO `\w+` VALUES$/,
  /^INSERT INTO `\w+` VALUES \(/,
  /^\(/,
  /^(commit|COMMIT|SET autocommit\s?=\s?[01]|SET AUTOCOMMIT\s?=\s?[01]);$/,
]
/** @throws Ending where a dump would do something else */
export async function checkDump(dump) {
  let number = 0
  for await (const line of createInterface({ input: createReadStream(dump), crlfDelay: Infinity })) {
    number++
    if (!dumpLines.some((own) => own.test(line)))
      throw new Ending(`Line ${number} of the database in this backup is no part of one: “${line.slice(0, 80)}”. Nothing of it was read in.`, 2)
  }
}

/**
 * Unpacks a backup. @throws Ending where it is none, is cut off, or does not open with the key
 * @returns what it says of itself; those of earlier versions say nothing
 */
export async function openBackup(file, draft, keyFile) {
  const isSealed = file.endsWith(sealedEnding)
  if (isSealed && !keyFile) throw new Ending(`${file} is sealed: name its key, --key FILE.`, 2)
  const packed = isSealed ? join(draft, 'packed.tar') : file
  if (isSealed) await openSealed(file, keyFile, packed)
  await checkArchive(packed, file)
  const { status } = await runQuietly('tar', ['-xf', packed, '-C', draft, '--no-same-owner', '--no-same-permissions'])
  if (isSealed) rmSync(packed)
  const dump = join(draft, 'database.sql')
  if (status !== 0 || !existsSync(dump) || !existsSync(join(draft, 'files'))) throw new Ending(`${file} is no backup of Yastik, or it is cut off.`, 2)
  if (!isWhole(dump)) throw new Ending(`The database in ${file} breaks off in the middle.`, 2)
  await checkDump(dump)
  const about = join(draft, 'backup.json')
  return { dump, files: join(draft, 'files'), about: existsSync(about) ? JSON.parse(readFileSync(about, 'utf8')) : undefined }
}

const named = /^yastik-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.tar(\.gpg)?$/
export const nameOf = (ms, isSealed) => `yastik-${new Date(ms).toISOString().slice(0, 19).replaceAll(':', '-')}Z.tar${isSealed ? sealedEnding : ''}`

/** Backups of a folder, newest first, with when each was begun. */
export const backupsIn = (folder) =>
  readdirSync(folder)
    .flatMap((name) => {
      const [, day, hour, minute, second] = named.exec(name) ?? []
      return day === undefined ? [] : [{ name, madeMs: Date.parse(`${day}T${hour}:${minute}:${second}Z`) }]
    })
    .sort((a, b) => b.madeMs - a.madeMs)

const dayMs = 86_400_000
/**
 * Which backups go? Of the last `days` days all are kept, then the newest of each week for `weeks`, then of each month for `months`; the newest of all
 * in any case.
 */
export function outdated(backups, { days, weeks, months }, nowMs) {
  const kept = new Set(backups.slice(0, 1).map(({ name }) => name))
  const firstOfEach = (spanMs, count, key) => {
    const seen = new Set()
    for (const { name, madeMs } of backups) {
      if (nowMs - madeMs > count * spanMs || seen.has(key(madeMs))) continue
      seen.add(key(madeMs))
      kept.add(name)
    }
  }
  for (const { name, madeMs } of backups) if (nowMs - madeMs <= days * dayMs) kept.add(name)
  firstOfEach(7 * dayMs, weeks, (ms) => Math.floor(ms / (7 * dayMs)))
  firstOfEach(31 * dayMs, months, (ms) => new Date(ms).toISOString().slice(0, 7))
  return backups.filter(({ name }) => !kept.has(name))
}

const changesFolder = (folder, instance) => join(folder, `changes-${instance}`)

/** Lays what was changed by now beside the backups, so that they can be brought to any moment before it, also where the instance is lost. */
export async function keepChanges({ folder, dataDir, keyFile }) {
  const own = join(dataDir, changeLog.folder)
  if (!existsSync(own)) return
  await withDatabase(dataDir, (connection) => askDatabase(connection, 'FLUSH BINARY LOGS', { database: false }))
  const into = changesFolder(folder, instanceOf(dataDir))
  mkdirSync(into, { recursive: true, mode: 0o700 })
  // The newest is still written to.
  for (const name of changeFilesIn(own).slice(0, -1)) {
    const target = join(into, name + (keyFile ? sealedEnding : ''))
    if (existsSync(target)) continue
    const draft = `${target}.part`
    rmSync(draft, { force: true })
    if (keyFile) await sealInto(draft, keyFile, (input) => pipeline(createReadStream(join(own, name)), input))
    else copyFileSync(join(own, name), draft)
    chmodSync(draft, 0o600)
    renameSync(draft, target)
  }
}
const changeFilesIn = (folder) =>
  readdirSync(folder)
    .filter((name) => new RegExp(`^${changeLog.name}\\.\\d+(\\.gpg)?$`).test(name))
    .sort()

/** Takes away backups that are kept no longer, and changes that are older than the oldest of the last days. */
export function clearOutdated(folder, keeping, nowMs) {
  for (const { name } of outdated(backupsIn(folder), keeping, nowMs)) {
    rmSync(join(folder, name))
    say(`${name} is kept no longer`)
  }
  const oldestMs = nowMs - (keeping.days + 1) * dayMs
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (!entry.isDirectory() || !entry.name.startsWith('changes-')) continue
    for (const name of changeFilesIn(join(folder, entry.name))) {
      const path = join(folder, entry.name, name)
      if (statSync(path).mtimeMs < oldestMs) rmSync(path)
    }
  }
}

/**
 * Has done again what was changed after a backup, up to a moment.
 * @param {{ about: object, draft: string, folders: string[], untilMs: number, keyFile?: string, connection: object }} what `folders`: where files of
 *   changes may lie
 * @throws Ending where the backup does not say from where on, or changes are missing
 */
export async function doAgain({ about, draft, folders, untilMs, keyFile, connection }) {
  const { changes, database } = about ?? {}
  if (!changes) throw new Ending('This backup does not say which moment of the log of changes it is of: it is restored to its own moment alone.', 2)
  const places = folders.flatMap((folder) => [folder, changesFolder(folder, changes.instance)]).filter(existsSync)
  const found = new Map()
  for (const place of places)
    for (const name of changeFilesIn(place)) {
      const plain = name.replace(sealedEnding, '')
      if (plain >= changes.file && !found.has(plain)) found.set(plain, join(place, name))
    }
  const names = [...found.keys()].sort()
  const numberOf = (name) => Number(name.split('.').at(-1))
  const gap = names.find((name, at) => numberOf(name) !== numberOf(changes.file) + at)
  if (names[0] !== changes.file || gap !== undefined)
    throw new Ending(
      `What was changed after the backup is not there: ${names[0] === changes.file ? `a file before ${gap}` : changes.file} is missing. Name its folder, --changes DIR.`,
      2,
    )
  const paths = []
  for (const name of names) {
    const path = found.get(name)
    if (!path.endsWith(sealedEnding)) paths.push(path)
    else {
      if (!keyFile) throw new Ending(`${path} is sealed: name its key, --key FILE.`, 2)
      const opened = join(draft, name)
      await openSealed(path, keyFile, opened)
      paths.push(opened)
    }
  }
  const until = new Date(untilMs).toISOString().slice(0, 19).replace('T', ' ')
  const { args, name, env } = clientOf(connection)
  const renamed = name === database ? [] : [`--rewrite-db=${database}->${name}`]
  const log = spawn(
    'mariadb-binlog',
    ['--no-defaults', ...renamed, `--database=${name}`, `--start-position=${changes.position}`, `--stop-datetime=${until}`, ...paths],
    { env: { ...process.env, TZ: 'UTC' }, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  const client = spawn('mariadb', [...args, name], { env, stdio: ['pipe', 'ignore', 'inherit'] })
  const ended = Promise.all([log, client].map((child) => new Promise((done) => child.once('close', done))))
  await pipeline(log.stdout, client.stdin).catch(() => undefined)
  if ((await ended).some((status) => status !== 0)) throw new Ending('What was changed after the backup could not be done again.')
}
