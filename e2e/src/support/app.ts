// The real server on a database of its own, with the demo, started for a test file.
import { fork, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { pathToFileURL } from 'node:url'
import mariadb from 'mariadb'

export const root = process.cwd()

export interface RunningApp {
  readonly base: string
  /** Ends the app process at once, as a power cut would. */
  kill(): Promise<void>
  /** Starts it again on the same port and database. */
  revive(): Promise<void>
  /** Moves the server's clock on. */
  moveClock(minutes: number): Promise<void>
  userId(signIn: string): Promise<number>
  /** What the database holds of a job's events: their ids. */
  storedIds(jobId: string): Promise<string[]>
  /** What the server complains of on purpose in this test file: it has to, and may of nothing else, or the file fails when it closes. */
  expectTrouble(...patterns: RegExp[]): void
  close(): Promise<void>
}

function need(name: string): string {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is missing: run the interface tests with npm test`)
  return value
}

const connection = (database?: string) =>
  mariadb.createConnection({
    ...(database === undefined ? {} : { database, multipleStatements: true }),
    host: need('YASTIK_DB_HOST'),
    port: Number(need('YASTIK_DB_PORT')),
    user: need('YASTIK_DB_OWNER'),
    password: need('YASTIK_DB_OWNER_PASSWORD'),
    connectTimeout: 15_000,
  })

/** Where the database is: as the test launcher says, or one of the test's own. */
export type DatabaseEnv = Readonly<Record<string, string>>

async function inDatabase(statement: string, name?: string): Promise<void> {
  const database = await connection(name)
  await database.query(statement)
  await database.end()
}

/** Makes a database that holds the demo, as the launcher wrote it down once for all test files. */
async function makeDatabase(name: string): Promise<void> {
  await inDatabase(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await inDatabase(readFileSync(need('YASTIK_TEST_DEMO'), 'utf8'), name)
}

async function select<Row>(query: string, value: string): Promise<Row[]> {
  const database = await connection()
  const rows: Row[] = await database.query(query, [value])
  await database.end()
  return rows
}

/** Starts the server on a port (0 takes one that is free) and waits until it listens. */
async function launch(
  database: string,
  files: string,
  pages: string,
  port: number,
  hear: (line: string) => void,
  shiftMs = 0,
): Promise<{ child: ChildProcess; port: number }> {
  const child: ChildProcess = fork(join(root, 'server/dist/main.js'), {
    silent: true,
    execArgv: ['--import', pathToFileURL(join(root, 'e2e/src/support/serverClock.mjs')).href],
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      TEST_CLOCK_SHIFT_MS: String(shiftMs),
      YASTIK_PORT: String(port),
      YASTIK_DB_NAME: database,
      YASTIK_FILES: files,
      YASTIK_WEB_ROOT: pages,
      YASTIK_INSTRUMENTS: '@yastik/stand-ins/instruments',
      YASTIK_MESSAGES: '@yastik/stand-ins/messages',
      YASTIK_WEATHER: '@yastik/stand-ins/weather',
    },
  })
  for (const stream of [child.stdout, child.stderr]) if (stream) createInterface(stream).on('line', hear)
  const address = await new Promise<AddressInfo>((resolve, reject) => {
    child.once('message', (message: { listening: AddressInfo }) => resolve(message.listening))
    child.once('exit', (status) => reject(new Error(`the server ended with status ${status}`)))
  })
  return { child, port: address.port }
}

const ended = (child: ChildProcess, signal: NodeJS.Signals): Promise<unknown> => {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  const exit = new Promise((resolve) => child.once('exit', resolve))
  child.kill(signal)
  return exit
}

export const builtPages = join(root, 'web/dist')

/** @param pages the interface that is served, where it is not the one that was built */
export async function startApp(pages = builtPages): Promise<RunningApp> {
  const name = `yastik_${randomBytes(6).toString('hex')}`
  await makeDatabase(name)
  const files = mkdtempSync(join(tmpdir(), 'yastik-files-'))
  const trouble: string[] = []
  const expected: RegExp[] = []
  const hear = (line: string) => {
    if (isTrouble(line)) trouble.push(line)
  }
  let running = await launch(name, files, pages, 0, hear)
  const { port } = running
  let shiftMs = 0
  const app: RunningApp = {
    base: `http://127.0.0.1:${port}`,
    kill: async () => void (await ended(running.child, 'SIGKILL')),
    revive: async () => void (running = await launch(name, files, pages, port, hear, shiftMs)),
    moveClock: async (minutes) => {
      shiftMs += minutes * 60_000
      const moved = new Promise((resolve) => running.child.once('message', resolve))
      running.child.send({ shiftMs })
      await moved
    },
    userId: async (signIn) => (await select<{ id: number }>(`SELECT id FROM ${name}.users WHERE sign_in = ?`, signIn))[0].id,
    storedIds: async (jobId) =>
      (await select<{ id: string }>(`SELECT id FROM ${name}.events WHERE job_id = ? ORDER BY seq`, jobId)).map(({ id }) => id),
    expectTrouble: (...patterns) => void expected.push(...patterns),
    close: async () => {
      await ended(running.child, 'SIGTERM')
      await inDatabase(`DROP DATABASE ${name}`)
      rmSync(files, { recursive: true, force: true })
      apps.delete(app.base)
      const surprises = trouble.filter((line) => !expected.some((pattern) => pattern.test(line)))
      if (surprises.length > 0) throw new Error(`the server complained:\n${surprises.slice(0, 5).join('\n')}`)
      const unheard = expected.filter((pattern) => !trouble.some((line) => pattern.test(line)))
      if (unheard.length > 0) throw new Error(`the server never complained of ${unheard.join(', ')}`)
    },
  }
  apps.set(app.base, app)
  return app
}

/** Warnings and errors of the log, and whatever is no line of the log. */
const warningLevel = 40
function isTrouble(line: string): boolean {
  if (line.trim() === '') return false
  if (!line.startsWith('{')) return true
  const { level } = JSON.parse(line) as { level?: number }
  return level === undefined || level >= warningLevel
}

/** Running servers by their address. */
const apps = new Map<string, RunningApp>()
export const appAt = (base: string): RunningApp => {
  const app = apps.get(base)
  if (!app) throw new Error(`no server runs at ${base}`)
  return app
}
