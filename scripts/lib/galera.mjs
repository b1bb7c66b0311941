// A Galera cluster of our own on loopback: nodes from Debian's packages, each with its own data directory and ports, killed and started again.
import { spawn } from 'node:child_process'
import { mkdirSync, openSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { needPrograms } from './debian.mjs'
import { ownUser } from './mariadb.mjs'
import { isFreePort } from './ports.mjs'
import { runQuietly } from './run.mjs'
import { say } from './say.mjs'

const provider = '/usr/lib/galera/libgalera_smm.so'
const host = '127.0.0.1'
const startPatienceMs = 120_000
/** The same as `docs/running/galera.cnf` says, but for what is of one machine. */
const settings = [
  '--binlog-format=ROW',
  '--default-storage-engine=InnoDB',
  '--innodb-autoinc-lock-mode=2',
  '--innodb-flush-log-at-trx-commit=2',
  '--wsrep-on=ON',
  `--wsrep-provider=${provider}`,
  '--wsrep-cluster-name=yastik',
  '--wsrep-sst-method=rsync',
  '--wsrep-slave-threads=4',
  '--wsrep-retry-autocommit=4',
]

/** Free ports below those that the system hands out to connections: one that a node left when it was killed is still free when it comes back. */
async function* lowPorts() {
  for (let port = 20_000 + Math.floor(Math.random() * 8000); ; port++) if (await isFreePort(port)) yield port
}

/**
 * Starts a cluster with an empty database `yastik` and the two accounts that the app asks for.
 * @param {string} folder for the nodes' data
 * @param {number} size
 */
export async function startCluster(folder, size) {
  const [server] = await needPrograms('mariadb', 'rsync')
  // Installed by now: on a fresh machine nothing is there when this file is read.
  const { default: mariadb } = await import('mariadb')
  const nodes = []
  const ports = lowPorts()
  const port = async () => (await ports.next()).value
  for (let at = 0; at < size; at++)
    nodes.push({ at, dir: join(folder, `node${at}`), sql: await port(), group: await port(), ist: await port(), sst: await port() })
  const address = `gcomm://${nodes.map(({ group }) => `${host}:${group}`).join(',')}`
  const passwords = { yastik: 'owner of the tables', yastik_app: 'rows and nothing else' }

  async function install(node) {
    const { dir } = node
    const [data, run] = ['data', 'run'].map((name) => join(dir, name))
    mkdirSync(run, { recursive: true })
    mkdirSync(data)
    node.user = ownUser(dir, say)
    node.user.give(data, run)
    const { status, output } = await runQuietly('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${data}`,
      // A server clears its folder for temporary tables when it starts: in a shared one it takes those of the others away.
      `--tmpdir=${run}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      ...node.user.args,
    ])
    if (status !== 0) throw new Error(`making a node failed:\n${output.slice(-2000)}`)
  }
  const connectTo = ({ sql }, user = 'yastik', database = 'yastik') =>
    mariadb.createConnection({ host, port: sql, user, password: passwords[user] ?? '', database, bigIntAsNumber: true, connectTimeout: 2000 })

  /** @param isFirst whether it begins the cluster instead of joining it */
  async function start(node, isFirst = false) {
    const { dir, sql, group, ist, sst } = node
    const log = join(dir, 'log')
    node.process = spawn(
      server,
      [
        '--no-defaults',
        ...node.user.args,
        `--datadir=${join(dir, 'data')}`,
        `--tmpdir=${join(dir, 'run')}`,
        `--socket=${join(dir, 'run', 'sock')}`,
        `--pid-file=${join(dir, 'run', 'pid')}`,
        `--port=${sql}`,
        `--bind-address=${host}`,
        '--character-set-server=utf8mb4',
        '--innodb-buffer-pool-size=128M',
        '--max-connections=200',
        ...settings,
        `--wsrep-node-name=node${node.at}`,
        `--wsrep-node-address=${host}`,
        `--wsrep-sst-receive-address=${host}:${sst}`,
        `--wsrep-cluster-address=${isFirst ? 'gcomm://' : address}`,
        `--wsrep-provider-options=gmcast.listen_addr=tcp://${host}:${group};ist.recv_addr=${host}:${ist};gcache.size=128M`,
        ...(isFirst ? ['--wsrep-new-cluster'] : []),
      ],
      { stdio: ['ignore', openSync(log, 'a'), openSync(log, 'a')], detached: true },
    )
    let ended = false
    node.process.once('exit', () => (ended = true))
    for (const lastMs = performance.now() + startPatienceMs; ; await pause(200)) {
      if (ended || performance.now() > lastMs) throw new Error(`node ${node.at} did not start:\n${readFileSync(log, 'utf8').slice(-3000)}`)
      if (await isSynced(node, isFirst ? 'root' : 'yastik')) return
    }
  }
  /** Whether it takes work: it has everything that the others have. */
  async function isSynced(node, user = 'yastik') {
    try {
      const own = user === 'root' ? await mariadb.createConnection({ socketPath: join(node.dir, 'run', 'sock'), user }) : await connectTo(node)
      try {
        const [{ Value: state }] = await own.query("SHOW STATUS LIKE 'wsrep_local_state_comment'")
        return state === 'Synced'
      } finally {
        await own.end()
      }
    } catch {
      return false
    }
  }
  /** However the script ends, its nodes do. */
  process.once('exit', () => {
    for (const node of nodes) node.process?.kill('SIGKILL')
  })
  const gone = (node) =>
    node.process.exitCode !== null || node.process.signalCode !== null ? undefined : new Promise((done) => node.process.once('exit', done))

  say(`making ${size} nodes`)
  await Promise.all(nodes.map(install))
  await start(nodes[0], true)
  const root = await mariadb.createConnection({ socketPath: join(nodes[0].dir, 'run', 'sock'), user: 'root' })
  for (const sql of [
    'CREATE DATABASE yastik CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
    ...Object.entries(passwords).map(([user, password]) => `CREATE USER ${user}@'${host}' IDENTIFIED BY '${password}'`),
    `GRANT ALL ON yastik.* TO yastik@'${host}'`,
    `GRANT SELECT, INSERT, UPDATE, DELETE ON yastik.* TO yastik_app@'${host}'`,
  ])
    await root.query(sql)
  await root.end()
  for (const node of nodes.slice(1)) await start(node)
  return {
    nodes,
    isSynced,
    start,
    /** Rows of one statement at one node, by a connection of its own, once the node has what the others have. */
    async rows(node, sql, ...bound) {
      const own = await connectTo(node)
      try {
        await own.query('SET SESSION wsrep_sync_wait = 1')
        return await own.query(sql, bound)
      } finally {
        await own.end()
      }
    },
    /** An empty database once more. */
    async clear() {
      const own = await connectTo(nodes[0])
      await own.query('DROP DATABASE yastik')
      await own.query('CREATE DATABASE yastik CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci')
      await own.end()
    },
    envOf: ({ sql }) => ({
      YASTIK_DB_HOST: host,
      YASTIK_DB_PORT: String(sql),
      YASTIK_DB_USER: 'yastik_app',
      YASTIK_DB_PASSWORD: passwords.yastik_app,
      YASTIK_DB_OWNER: 'yastik',
      YASTIK_DB_OWNER_PASSWORD: passwords.yastik,
      YASTIK_DB_NAME: 'yastik',
    }),
    async kill(node) {
      const ended = gone(node)
      node.process.kill('SIGKILL')
      await ended
    },
    async stop() {
      for (const node of nodes.toReversed()) {
        const ended = gone(node)
        node.process.kill('SIGTERM')
        await Promise.race([ended, pause(20_000).then(() => node.process.kill('SIGKILL'))])
      }
    },
  }
}
