// Kills within migrations: a database of the first version with rows in it is brought to the present shape by a process that is killed on the way, or
// whose database is. The next process goes on; afterwards shape and rows are those of a way that nobody cut off.
import { spawn } from 'node:child_process'
import { setTimeout as pause } from 'node:timers/promises'
import mariadb from 'mariadb'
import { inRoot } from './paths.mjs'

const migrateScript = `
const { migrateAs } = await import(process.argv[1] + '/migrate.js')
const { ownerFrom } = await import(process.argv[1].replace(/db$/, 'config.js'))
process.send?.('begun')
await migrateAs(ownerFrom(process.env))
`
const rowsOfFirst = 300
const uuid = (last) => `00000000-0000-7000-8000-${String(last).padStart(12, '0')}`
const value = (own) => (own === null ? 'NULL' : typeof own === 'number' ? String(own) : `'${own}'`)
const insert = (table, columns, rows) => `INSERT INTO ${table} (${columns}) VALUES ${rows.map((row) => `(${row.map(value).join(', ')})`).join(', ')}`
const numbers = Array.from({ length: rowsOfFirst }, (_, at) => at + 1)
const seeds = [
  insert('firms', 'name, house_rules, products, equipment', [['A firm', '{}', '[{"id":"foam","inStockLitres":2.5}]', '[]']]),
  insert('users', 'firm_id, name, sign_in, role, password_hash, trained', [[1, 'Ada', 'ada', 'owner', '', '[]']]),
  insert(
    'sites',
    'id, firm_id, name, form, saved_by',
    numbers.map((at) => [uuid(at), 1, `Site ${at}`, '{}', 'Ada']),
  ),
  insert(
    'units',
    'id, firm_id, site_id, name, family, design, saved_by',
    numbers.map((at) => [uuid(at), 1, uuid(at), 'Head', 'window', '{}', 'Ada']),
  ),
  insert(
    'jobs',
    'id, firm_id, site_id, on_date, crew_ids',
    numbers.map((at) => [uuid(at), 1, uuid(at), '2026-01-01', '[1]']),
  ),
  insert(
    'job_units',
    'job_id, unit_id, firm_id, position, scope, worst_grade, handed_over_at',
    numbers.map((at) => [uuid(at), uuid(at), 1, 0, 'strip-down', 3, '2026-01-01']),
  ),
  insert(
    'events',
    'id, firm_id, job_id, unit_id, by_user, at_ms, happening',
    numbers.flatMap((at) => [0, 1].map((own) => [uuid(1000 * (own + 1) + at), 1, uuid(at), uuid(at), 1, 1, '{}'])),
  ),
]

/** @returns how many kills there were, and what was found wrong */
export async function migrationsKilled({ count, random, env, revive }) {
  const { migrations } = await import('../../server/dist/db/migrations.js')
  const connect = (name) =>
    mariadb.createConnection({
      host: '127.0.0.1',
      port: Number(env.YASTIK_DB_PORT),
      user: env.YASTIK_DB_OWNER,
      password: env.YASTIK_DB_OWNER_PASSWORD,
      ...(name ? { database: name } : {}),
    })
  const asked = async (name, ...statements) => {
    const own = await connect(name)
    let last
    try {
      for (const statement of statements) last = await own.query(statement)
      return last
    } finally {
      await own.end()
    }
  }
  const shapeOf = async (name) => {
    const tables = (await asked(name, 'SHOW TABLES')).map((row) => String(Object.values(row)[0])).filter((table) => table !== 'turns')
    const shape = {}
    for (const table of tables)
      shape[table] = Object.values((await asked(name, `SHOW CREATE TABLE ${table}`))[0])[1].replace(/ AUTO_INCREMENT=\d+/, '')
    const counts = ['stock_lots', 'events', 'jobs', 'units', 'migrations']
    for (const table of counts) shape[`rows of ${table}`] = Number((await asked(name, `SELECT COUNT(*) AS n FROM ${table}`))[0].n)
    shape.places = JSON.stringify((await asked(name, 'SELECT SUM(place) AS p, (SELECT SUM(log_length) FROM jobs) AS l FROM events'))[0], (_, own) =>
      typeof own === 'bigint' ? Number(own) : own,
    )
    return shape
  }
  /** A database as the first version left it. */
  const fresh = async (name) => {
    await asked(undefined, `DROP DATABASE IF EXISTS ${name}`, `CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
    await asked(
      name,
      ...migrations[0].up,
      ...seeds,
      'CREATE TABLE migrations (name VARCHAR(255) NOT NULL PRIMARY KEY)',
      `INSERT INTO migrations VALUES ('${migrations[0].name}')`,
    )
  }
  const start = (name) => {
    const child = spawn(process.execPath, ['--input-type=module', '-e', migrateScript, inRoot('server/dist/db')], {
      env: { ...env, YASTIK_DB_NAME: name },
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    })
    let said = ''
    child.stderr.on('data', (text) => (said += text))
    const begun = new Promise((done) => child.once('message', done))
    const ended = new Promise((done) => child.once('exit', (status) => done({ status, said })))
    return { child, begun, ended }
  }
  /** Whoever was killed holds their turn for half a minute more: as if that had gone by. */
  const letGo = (name) => asked(name, 'UPDATE turns SET holder = NULL, until = NULL').catch(() => undefined)

  const name = 'yastik_cut'
  await fresh(name)
  const whole = start(name)
  await whole.begun
  const startedMs = performance.now()
  if ((await whole.ended).status !== 0) throw new Error(`migrations fail with nobody killed: ${(await whole.ended).said}`)
  const tookMs = performance.now() - startedMs
  const usual = await shapeOf(name)
  const wrong = []
  let killed = 0
  while (killed < count) {
    await fresh(name)
    // Killed several times on the way of one database.
    for (let tries = 0; tries < 3 && killed < count; tries++) {
      const run = start(name)
      await run.begun
      await Promise.race([pause(random() * tookMs), run.ended])
      if (random() < 0.7) run.child.kill('SIGKILL')
      else await revive()
      run.child.kill('SIGKILL')
      await run.ended
      killed++
      await letGo(name)
    }
    const last = start(name)
    const { status, said } = await last.ended
    const shape = status === 0 ? await shapeOf(name) : {}
    for (const [what, own] of Object.entries(usual))
      if (shape[what] !== own) {
        wrong.push(`within migrations: ${status === 0 ? `${what} is ${shape[what]} instead of ${own}` : said.slice(0, 300)}`)
        break
      }
  }
  await asked(undefined, `DROP DATABASE ${name}`)
  return { killed, wrong }
}
