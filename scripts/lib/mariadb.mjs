// Our own MariaDB: own data directory, own socket, a free loopback port, own password. Never touches anybody else's server.
import { execFileSync, fork, spawn, spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createConnection } from 'node:net'
import { dirname, join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { holdDirectory } from './dataDirectory.mjs'
import { needPrograms } from './debian.mjs'
import { freePort } from './ports.mjs'
import { endProcess, runsWith } from './processes.mjs'
import { runQuietly } from './run.mjs'
import { giveUp, say } from './say.mjs'

/** The argument by which a server is known to run on this data directory. */
const dataArgument = (dataDir) => `--datadir=${join(dataDir, 'mariadb')}`

/** A server writes everything out before it ends; on a slow disk that takes its time, and ended hard it has to recover. */
const endPatienceMs = 120_000
/** So long a server may take until it answers: after a power cut it recovers first. */
const startPatienceMs = 180_000

/** Pid of a server that runs on this very data directory, left by a launcher that was killed. */
export function ownServerPid(dataDir) {
  const pidFile = join(dataDir, 'run', 'mariadb.pid')
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
const socketIn = (run) =>
  join(run, 'mariadb.sock').length < 100 ? join(run, 'mariadb.sock') : join('/tmp', `yastik-${randomBytes(6).toString('hex')}.sock`)

/** The user that Debian's package makes for the server. */
const systemUser = 'mysql'
/**
 * Whom the server runs as: whoever starts it; started as root, its own system user.
 * @returns {{ args: string[], give: (...paths: string[]) => void }} arguments of MariaDB's programs, and what makes a file or folder the server's own
 */
export function ownUser(dataDir, log) {
  if (process.getuid?.() !== 0) return { args: [], give: () => undefined }
  // It passes through the data directory and reads nothing there but what is its own.
  chmodSync(dataDir, 0o711)
  if (spawnSync('setpriv', ['--reuid', systemUser, '--regid', systemUser, '--clear-groups', 'test', '-x', dataDir]).status !== 0) {
    log(`the way to ${dataDir} is closed to the system user “${systemUser}”: the database runs as root. Open it, or choose another --data DIR.`)
    return { args: ['--user=root'], give: () => undefined }
  }
  const uid = Number(execFileSync('id', ['-u', systemUser], { encoding: 'utf8' }))
  return {
    args: [`--user=${systemUser}`],
    give: (...paths) => {
      for (const path of paths) if (statSync(path).uid !== uid) execFileSync('chown', ['-R', `${systemUser}:${systemUser}`, path])
    },
  }
}

/** A password of our own, made once. */
function passwordIn(file) {
  if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

/** Folder of what was changed, in a data directory, and what its files’ names begin with. */
export const changeLog = { folder: 'changes', name: 'changes' }
/** Changes are kept for so long, and one file of them holds so much. */
const changesKeptDays = 15
const changesAtOnce = '64M'

/**
 * Starts MariaDB on `dataDir`, at `port` or a free one, and resolves once it answers.
 * @param {{ log?: (text: string) => void, port?: number, keepsChanges?: boolean }} [given] `keepsChanges`: whether it writes down what is changed, so
 *   that a backup can be brought to any later moment
 * @returns {Promise<{ env: Record<string, string>, pid: number, ended: Promise<void>, stop: () => Promise<void> }>} what the app needs to connect; `ended` when the server is gone, whoever ended it
 */
export async function startMariadb(dataDir, { log = say, port: wanted, keepsChanges = false } = {}) {
  const [server] = await needPrograms('mariadb')
  holdDirectory(dataDir)
  await endLeftMariadb(dataDir, log)
  const [files, run, changes] = ['mariadb', 'run', changeLog.folder].map((name) => join(dataDir, name))
  const folders = keepsChanges ? [files, run, changes] : [files, run]
  for (const folder of folders) mkdirSync(folder, { recursive: true, mode: 0o750 })
  const own = ownUser(dataDir, log)
  own.give(...folders)
  if (!existsSync(join(files, 'mysql'))) {
    log('making a new database')
    // What a start that was cut off left behind.
    rmSync(files, { recursive: true, force: true })
    mkdirSync(files, { mode: 0o750 })
    own.give(files)
    const { status, output } = await runQuietly('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${files}`,
      `--tmpdir=${run}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      ...own.args,
    ])
    if (status !== 0) giveUp(`Making the database failed:\n${output.slice(-3000)}`)
  }
  const [password, appPassword] = ['password', 'app-password'].map((name) => passwordIn(join(dataDir, name)))
  const initFile = join(run, 'init.sql')
  const at127 = (user) => `${user}@'127.0.0.1'`
  // Tests make databases of their own beside it.
  const scopes = ['yastik.*', '`yastik\\_%`.*']
  writeFileSync(
    initFile,
    [
      'CREATE DATABASE IF NOT EXISTS yastik CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
      ...[
        // Makes and changes tables: migrations, backup and restore.
        ['yastik', password, 'ALL'],
        // Of the app, which reads and writes rows and nothing else.
        ['yastik_app', appPassword, 'SELECT, INSERT, UPDATE, DELETE'],
      ].flatMap(([user, own, rights]) => [
        `CREATE USER IF NOT EXISTS ${at127(user)} IDENTIFIED BY '${own}';`,
        `ALTER USER ${at127(user)} IDENTIFIED BY '${own}';`,
        ...scopes.map((scope) => `GRANT ${rights} ON ${scope} TO ${at127(user)};`),
      ]),
      // And where changes are written down: asks how far they are, and has them done again.
      `GRANT RELOAD, BINLOG MONITOR, BINLOG REPLAY ON *.* TO ${at127('yastik')};`,
      `ALTER USER root@localhost IDENTIFIED BY '${password}';`,
      '',
    ].join('\n'),
    { mode: 0o600 },
  )
  own.give(initFile)
  const port = wanted ?? (await freePort())
  const socketPath = socketIn(run)
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
      // Not where the caller keeps what is temporary: that may be closed to the server.
      `--tmpdir=${run}`,
      `--pid-file=${join(run, 'mariadb.pid')}`,
      '--skip-name-resolve',
      '--character-set-server=utf8mb4',
      '--innodb-buffer-pool-size=256M',
      '--max-connections=100',
      '--transaction-isolation=READ-COMMITTED',
      ...(keepsChanges
        ? [
            // From the data on, so that the whole directory may be moved.
            `--log-bin=${join('..', changeLog.folder, changeLog.name)}`,
            '--binlog-format=ROW',
            // What was acknowledged is there after a power cut, in the log as in the tables.
            '--sync-binlog=1',
            `--expire-logs-days=${changesKeptDays}`,
            `--max-binlog-size=${changesAtOnce}`,
          ]
        : []),
      ...own.args,
    ],
    { stdio: ['ignore', openSync(logFile, 'a'), openSync(logFile, 'a')], detached: true, cwd: dirname(files) },
  )
  let ended = false
  const gone = new Promise((done) => child.once('exit', () => ((ended = true), done())))
  const lastMs = performance.now() + startPatienceMs
  while (!(await answers(socketPath))) {
    if (ended || performance.now() > lastMs)
      giveUp(`The database did not start; its last words are in ${logFile}:\n${readFileSync(logFile, 'utf8').slice(-2000)}`)
    await pause(100)
  }
  // However the launcher is ended, its server is told to write everything out and end.
  const watcher = fork(join(import.meta.dirname, 'endWith.mjs'), [String(child.pid), dataArgument(dataDir)], { detached: true, stdio: 'ignore' })
  watcher.unref()
  watcher.channel?.unref()
  void gone.then(() => watcher.kill('SIGKILL'))
  const env = {
    YASTIK_DB_HOST: '127.0.0.1',
    YASTIK_DB_PORT: String(port),
    YASTIK_DB_USER: 'yastik_app',
    YASTIK_DB_PASSWORD: appPassword,
    YASTIK_DB_OWNER: 'yastik',
    YASTIK_DB_OWNER_PASSWORD: password,
    YASTIK_DB_NAME: 'yastik',
  }
  writeFileSync(join(dataDir, 'connection.json'), JSON.stringify(env), { mode: 0o600 })
  return {
    pid: child.pid,
    env,
    ended: gone,
    stop: async () => {
      if (!ended) await endProcess(child.pid, dataArgument(dataDir), endPatienceMs)
      rmSync(initFile, { force: true })
    },
  }
}
