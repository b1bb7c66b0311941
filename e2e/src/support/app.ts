// The real server on a database of its own, with the demo, started for a test file.
import { randomBytes } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import mariadb from 'mariadb'
import { isGroup } from './group.ts'
import { hostOfServers, type ServerHost } from './serverHost.ts'

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

/**
 * What the next test file goes on with: a process that has loaded the server, and the port it was at, so that a browser knows the pages. Database,
 * files and the server itself are made anew.
 */
const kept: { host?: ServerHost; port: number } = { port: 0 }

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
  // Pages that are not those that were built are not to be taken for them by a browser that kept those.
  let port = pages === builtPages ? kept.port : 0
  let shiftMs = 0
  let host = kept.host ?? hostOfServers()
  kept.host = undefined
  const start = async () => {
    host.hear(hear)
    await host.moveClock(shiftMs)
    port = await host.start({
      YASTIK_PORT: String(port),
      YASTIK_DB_NAME: name,
      YASTIK_FILES: files,
      YASTIK_WEB_ROOT: pages,
      YASTIK_INSTRUMENTS: '@yastik/stand-ins/instruments',
      YASTIK_MESSAGES: '@yastik/stand-ins/messages',
      YASTIK_WEATHER: '@yastik/stand-ins/weather',
    })
  }
  await start()
  const app: RunningApp = {
    base: `http://127.0.0.1:${port}`,
    kill: () => host.kill(),
    revive: () => {
      host = hostOfServers()
      return start()
    },
    moveClock: async (minutes) => {
      shiftMs += minutes * 60_000
      await host.moveClock(shiftMs)
    },
    userId: async (signIn) => (await select<{ id: number }>(`SELECT id FROM ${name}.users WHERE sign_in = ?`, signIn))[0].id,
    storedIds: async (jobId) =>
      (await select<{ id: string }>(`SELECT id FROM ${name}.events WHERE job_id = ? ORDER BY seq`, jobId)).map(({ id }) => id),
    expectTrouble: (...patterns) => void expected.push(...patterns),
    close: async () => {
      if (host.runs()) {
        await host.stop()
        if (kept.host || !isGroup) await host.kill()
        else [kept.host, kept.port] = [host, pages === builtPages ? port : kept.port]
      }
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

/** Ends the process that is kept for the next test file: there is none. */
export async function endServers(): Promise<void> {
  await kept.host?.kill()
  kept.host = undefined
}

/** Warnings and errors of the log, and whatever is no line of the log. */
const warningLevel = 40
/** Of a page that was closed the server does not know that nobody waits any more; a process of its own would have ended here. */
const isAfterItsEnd = /was called after the connection manager was closed/
function isTrouble(line: string): boolean {
  if (line.trim() === '' || isAfterItsEnd.test(line)) return false
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
