// npm start: installs what is missing, builds, starts the database, migrates, loads the demo, serves. `-- --port N --data DIR --no-demo`; with
// `--backup FOLDER --backup-key FILE` it is backed up there once a day.
import { fork } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { readArguments, wholeNumber } from './lib/arguments.mjs'
import { holdDirectory } from './lib/dataDirectory.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { isFreePort } from './lib/ports.mjs'
import { inRoot } from './lib/paths.mjs'
import { prepareAll } from './lib/prepare.mjs'
import { backupsIn } from './lib/backups.mjs'
import { endProcess, runsWith } from './lib/processes.mjs'
import { run } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'
import { checkKey } from './lib/seal.mjs'

function readOptions() {
  const command = readArguments({
    usage: 'usage: npm start -- [--port N] [--data DIR] [--no-demo] [--backup FOLDER [--backup-key FILE]]',
    about: 'Installs what is missing, builds, starts the database, migrates, loads the demo and serves it; with --backup, backs up there once a day.',
    options: {
      port: { type: 'string', default: '4180' },
      data: { type: 'string', default: inRoot('.data') },
      'no-demo': { type: 'boolean', default: false },
      backup: { type: 'string' },
      'backup-key': { type: 'string' },
    },
  })
  const { values } = command
  const port = wholeNumber(command, 'port', 1, 65_535)
  if (values['backup-key'] !== undefined) checkKey(values['backup-key'])
  const backup = values.backup === undefined ? undefined : { folder: resolve(values.backup), keyFile: values['backup-key'] }
  return { port, dataDir: resolve(values.data), demo: !values['no-demo'], backup }
}

const main = inRoot('server/dist/main.js')

/** Ends an app process of this data directory that a killed launcher left behind. */
async function endLeftApp(pidFile) {
  if (!existsSync(pidFile)) return
  const pid = Number(readFileSync(pidFile, 'utf8'))
  if (runsWith(pid, main)) {
    say('ending the server that an earlier run left behind')
    await endProcess(pid, main, 10_000)
  }
  rmSync(pidFile, { force: true })
}

const { port, dataDir, demo, backup } = readOptions()
const pidFile = join(dataDir, 'app.pid')
holdDirectory(dataDir, `http://127.0.0.1:${port}/`)
await endLeftApp(pidFile)
if (!(await isFreePort(port))) giveUp(`Port ${port} is taken by another program. Choose another one: npm start -- --port ${port + 1}`, 3)
await prepareAll()
say('starting the database')
let database = await startMariadb(dataDir, { keepsChanges: true })
say(demo ? 'bringing the database up to date, loading the demo' : 'bringing the database up to date')
/** The demo has stand-ins for what is outside; a real instance has none unless somebody asks for them. */
const standIn = (name) => (demo ? `@yastik/stand-ins/${name}` : 'none')
const environment = {
  ...process.env,
  ...database.env,
  YASTIK_PORT: String(port),
  YASTIK_FILES: join(dataDir, 'files'),
  YASTIK_WEB_ROOT: inRoot('web/dist'),
  YASTIK_DEMO: standIn('demo'),
  YASTIK_INSTRUMENTS: process.env.YASTIK_INSTRUMENTS ?? standIn('instruments'),
  YASTIK_MESSAGES: process.env.YASTIK_MESSAGES ?? standIn('messages'),
  YASTIK_WEATHER: process.env.YASTIK_WEATHER ?? standIn('weather'),
  // Threads share two heaps of the system's: with one for each of them, what a large picture took was not handed back.
  MALLOC_ARENA_MAX: process.env.MALLOC_ARENA_MAX ?? '2',
  YASTIK_LOG: process.env.YASTIK_LOG ?? 'faults',
  // The database lies there as well: where it is full, nothing is taken that could not be kept.
  YASTIK_DISKS: process.env.YASTIK_DISKS ?? dataDir,
}

let stopping = false
/** @type {import('node:child_process').ChildProcess} */
let app
async function stop(status) {
  if (stopping) return
  stopping = true
  if (app.exitCode === null && app.signalCode === null) {
    app.kill('SIGTERM')
    await Promise.race([new Promise((done) => app.once('exit', done)), pause(10_000)])
  }
  rmSync(pidFile, { force: true })
  await database.stop()
  process.exit(status)
}

/** What died is started again after a pause that grows as long as it dies soon, ms. */
const pauses = { first: 1000, most: 60_000, soon: 60_000 }
function pausesOf() {
  let next = pauses.first
  return async (ranMs) => {
    if (ranMs > pauses.soon) next = pauses.first
    await pause(next)
    next = Math.min(2 * next, pauses.most)
  }
}

const rest = pausesOf()
let wasReady = false
function startApp() {
  const startedMs = performance.now()
  app = fork(main, { env: environment })
  writeFileSync(pidFile, String(app.pid))
  app.once('message', () => {
    if (!wasReady) void greet()
    if (!wasReady && backup) void backUp(backup)
    wasReady = true
  })
  app.once('exit', async (status, signal) => {
    // What never came up would not do so the next time either.
    if (stopping || !wasReady) return void stop(status ?? 1)
    say(`the server ended (${signal ?? status}): it is started again`)
    await rest(performance.now() - startedMs)
    if (!stopping) startApp()
  })
}

const restDatabase = pausesOf()
async function watchDatabase() {
  for (;;) {
    const startedMs = performance.now()
    await database.ended
    if (stopping) return
    say('the database ended: it is started again')
    await restDatabase(performance.now() - startedMs)
    if (stopping) return
    // Where the server looks for it.
    database = await startMariadb(dataDir, { keepsChanges: true, port: Number(database.env.YASTIK_DB_PORT) })
  }
}

async function greet() {
  console.log(`\nYastik is ready: http://127.0.0.1:${port}/\n`)
  if (demo) {
    const { demoPassword, demoPeople } = await import('../stand-ins/dist/demo/firm.js')
    console.log(`Demo sign-ins, all with the password ${demoPassword}:`)
    for (const { signIn, name, role } of demoPeople) console.log(`  ${signIn.padEnd(8)}${name}, ${role}`)
  }
  if (!demo) console.log('Add somebody who may sign in: echo PASSWORD | npm run person -- --firm NAME --name NAME --sign-in WORD --role owner')
  console.log('\nCtrl+C stops it.')
}

/** A day; and how often is looked whether the last backup is that old, ms. */
const backupEveryMs = 86_400_000
const lookEveryMs = 600_000
/** One that fails is said and tried again at the next look. */
async function backUp({ folder, keyFile }) {
  for (; !stopping; await pause(lookEveryMs, undefined, { ref: false })) {
    if (existsSync(folder) && Date.now() - (backupsIn(folder)[0]?.madeMs ?? 0) < backupEveryMs) continue
    const args = [inRoot('scripts/backup.mjs'), '--into', folder, '--data', dataDir, ...(keyFile ? ['--key', resolve(keyFile)] : [])]
    if ((await run(process.execPath, args)) !== 0) say('the backup failed; it is tried again in ten minutes')
  }
}

startApp()
void watchDatabase()
// npm does not pass on how it was ended: where it is gone, this ends too.
const parent = process.ppid
if (process.env.npm_lifecycle_event) setInterval(() => process.ppid !== parent && void stop(0), 500).unref()
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0))
