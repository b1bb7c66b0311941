// Our own MariaDB: own data directory, own socket, a free loopback port, own password. Never touches anybody else's server.
import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createConnection, createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { needPrograms } from './debian.mjs'
import { endProcess, runsWith } from './processes.mjs'
import { runQuietly } from './run.mjs'
import { giveUp, say } from './say.mjs'

export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer()
      .once('error', reject)
      .listen(0, '127.0.0.1', () => {
        const { port } = probe.address()
        probe.close(() => resolve(port))
      })
  })

/** The argument by which a server is known to run on this data directory. */
const dataArgument = (dataDir) => `--datadir=${join(dataDir, 'mariadb')}`

/** A server writes everything out before it ends; on a slow disk that takes its time, and ended hard it has to recover. */
const endPatienceMs = 120_000
/** So long a server may take until it answers: after a power cut it recovers first. */
const startPatienceMs = 180_000

/** Pid of a server that runs on this very data directory, left by a launcher that was killed. */
export function ownServerPid(dataDir) {
  const pidFile = join(dataDir, 'mariadb.pid')
  if (!existsSync(pidFile)) return undefined
  const pid = Number(readFileSync(pidFile, 'utf8'))
  return runsWith(pid, dataArgument(dataDir)) ? pid : undefined
}

/** Ends the server that a launcher which was killed left on this data directory. */
export async function endLeftMariadb(dataDir, log = say) {
  const left = ownServerPid(dataDir)
  if (left === undefined) return
  log('ending the database that an earlier run left behind')
  await endProcess(left, dataArgument(dataDir), endPatienceMs)
}

const answers = (socketPath) =>
  new Promise((resolve) => {
    const probe = createConnection(socketPath)
    probe.once('connect', () => (probe.destroy(), resolve(true))).once('error', () => resolve(false))
  })

/** Sockets have a short longest path; a deep data directory gets one in the temporary folder. */
const socketIn = (dataDir) =>
  join(dataDir, 'mariadb.sock').length < 100 ? join(dataDir, 'mariadb.sock') : join('/tmp', `yastik-${randomBytes(6).toString('hex')}.sock`)

/**
 * Starts MariaDB on `dataDir`, at `port` or a free one, and resolves once it answers.
 * @returns {Promise<{ env: Record<string, string>, pid: number, stop: () => Promise<void> }>} what the app needs to connect
 */
export async function startMariadb(dataDir, { log = say, port: wanted } = {}) {
  const [server] = await needPrograms('mariadb')
  mkdirSync(dataDir, { recursive: true, mode: 0o700 })
  await endLeftMariadb(dataDir, log)
  const files = join(dataDir, 'mariadb')
  const asRoot = process.getuid?.() === 0 ? ['--user=root'] : []
  if (!existsSync(join(files, 'mysql'))) {
    log('making a new database')
    rmSync(files, { recursive: true, force: true })
    const { status, output } = await runQuietly('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${files}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      ...asRoot,
    ])
    if (status !== 0) giveUp(`Making the database failed:\n${output.slice(-3000)}`)
  }
  const passwordFile = join(dataDir, 'password')
  if (!existsSync(passwordFile)) writeFileSync(passwordFile, randomBytes(24).toString('base64url'), { mode: 0o600 })
  const password = readFileSync(passwordFile, 'utf8')
  const initFile = join(dataDir, 'init.sql')
  writeFileSync(
    initFile,
    [
      'CREATE DATABASE IF NOT EXISTS yastik CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
      `CREATE USER IF NOT EXISTS yastik@'127.0.0.1' IDENTIFIED BY '${password}';`,
      `ALTER USER yastik@'127.0.0.1' IDENTIFIED BY '${password}';`,
      "GRANT ALL ON yastik.* TO yastik@'127.0.0.1';",
      // Tests make databases of their own beside it.
      "GRANT ALL ON `yastik\\_%`.* TO yastik@'127.0.0.1';",
      `ALTER USER root@localhost IDENTIFIED BY '${password}';`,
      '',
    ].join('\n'),
    { mode: 0o600 },
  )
  const port = wanted ?? (await freePort())
  const socketPath = socketIn(dataDir)
  rmSync(socketPath, { force: true })
  const logFile = join(dataDir, 'mariadb.log')
  const child = spawn(
    server,
    [
      '--no-defaults',
      dataArgument(dataDir),
      `--socket=${socketPath}`,
      `--port=${port}`,
      '--bind-address=127.0.0.1',
      `--init-file=${initFile}`,
      `--pid-file=${join(dataDir, 'mariadb.pid')}`,
      '--skip-name-resolve',
      '--character-set-server=utf8mb4',
      '--innodb-buffer-pool-size=256M',
      '--max-connections=100',
      '--transaction-isolation=READ-COMMITTED',
      ...asRoot,
    ],
    { stdio: ['ignore', openSync(logFile, 'a'), openSync(logFile, 'a')], detached: true, cwd: dirname(files) },
  )
  let ended = false
  child.once('exit', () => (ended = true))
  const lastMs = performance.now() + startPatienceMs
  while (!(await answers(socketPath))) {
    if (ended || performance.now() > lastMs)
      giveUp(`The database did not start; its last words are in ${logFile}:\n${readFileSync(logFile, 'utf8').slice(-2000)}`)
    await pause(100)
  }
  const env = {
    YASTIK_DB_HOST: '127.0.0.1',
    YASTIK_DB_PORT: String(port),
    YASTIK_DB_USER: 'yastik',
    YASTIK_DB_PASSWORD: password,
    YASTIK_DB_NAME: 'yastik',
  }
  writeFileSync(join(dataDir, 'connection.json'), JSON.stringify(env), { mode: 0o600 })
  return {
    pid: child.pid,
    env,
    stop: async () => {
      if (!ended) await endProcess(child.pid, dataArgument(dataDir), endPatienceMs)
      rmSync(initFile, { force: true })
    },
  }
}
