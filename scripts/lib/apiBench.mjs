// How fast does the API read with a long past stored? Fifty connections, asking as people do, not as fast as they can.
import { fork } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { Agent, get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { measureImport } from './importBench.mjs'
import { measureLoad, measureStreams, residentMb } from './loadBench.mjs'
import { inRoot } from './paths.mjs'

const usual = { jobs: 20_000, eventsPerJob: 25, units: 1000, seed: 7 }
const password = 'a long enough password'
const connections = 50
/** Each of them asks about four times a second, at moments of its own: nobody does that for long. */
const everyMs = 250
const turns = 12
/** A server that is up for a while is measured: everything is asked once around before it counts, then three times around; the middle one is told. */
const rounds = 3

/** Milliseconds until the last byte of an answer. */
const timeOf = (url, agent, cookie) =>
  new Promise((done, failed) => {
    const startedMs = performance.now()
    get(url, { agent, headers: { cookie } }, (answer) => {
      answer
        .resume()
        .once('end', () => (answer.statusCode === 200 ? done(performance.now() - startedMs) : failed(new Error(`${url}: ${answer.statusCode}`))))
    }).once('error', failed)
  })

/** The 95th percentile over all connections. */
async function p95(url, cookie, turns) {
  const agent = new Agent({ keepAlive: true, maxSockets: connections })
  const times = []
  await Promise.all(
    Array.from({ length: connections }, async () => {
      for (let turn = 0; turn < turns; turn++) {
        await pause(everyMs * (0.5 + Math.random()))
        times.push(await timeOf(url, agent, cookie))
      }
    }),
  )
  agent.destroy()
  return times.sort((x, y) => x - y)[Math.floor(times.length * 0.95)]
}

/** Jobs that are open on many units, and what people ask for all day, in turn. @returns what measures the load */
export async function loadOf(base, cookie, unitId, jobId) {
  const ask = async (method, path, body) => {
    const answer = await fetch(base + path, {
      method,
      headers: { cookie, origin: base, ...(body ? { 'content-type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`)
    return answer.json()
  }
  const day = new Date().toISOString().slice(0, 10)
  const { id: me } = await ask('GET', '/api/session')
  const { entries } = await ask('GET', '/api/sites')
  const jobs = []
  for (const { id: siteId } of entries) {
    const { units } = await ask('GET', `/api/sites/${siteId}`)
    const unit = units[0]
    if (unit) jobs.push({ unitId: unit.id, jobId: (await ask('POST', '/api/jobs', { siteId, unitIds: [unit.id], onDate: day, crewIds: [me] })).id })
  }
  const reads = [
    ...[`/api/today?day=${day}`, '/api/sites', `/api/jobs/${jobs[0].jobId}`, '/api/due', `/api/jobs/${jobId}`, '/api/session', '/api/logbook'],
    ...[`/api/units/${unitId}/life`, '/api/house-rules', '/api/stores', '/api/stock', '/api/quotes', `/api/sites/${entries[0].id}`, '/api/crew'],
  ]
  return async (print, pid, small = false) => {
    for (const [connections, least, most] of [
      [50, 600, 120],
      [500, 300, 1500],
    ]) {
      const { perSecond, readMs, writeMs, errors, statuses } = await measureLoad(base, cookie, reads, jobs, me, connections, small)
      const what = `mixed load, 20 % writes, ${connections} connections`
      print(`${what}: requests a second`, perSecond, '/s', least, true)
      print(`${what}: reads, p95`, readMs, 'ms', most)
      print(`${what}: writes, p95`, writeMs, 'ms', most)
      print(`${what}: errors ${errors > 0 ? JSON.stringify(statuses) : ''}`.trim(), errors, 'answers', 0)
    }
    const { open, delayMs } = await measureStreams(base, cookie, jobs, me, small ? 20 : 1000)
    print('1,000 streams: open', open, 'streams', small ? 20 : 1000, true)
    print('1,000 streams: longest from storing an event to hearing it', delayMs, 'ms', 2000)
    print('memory after the load', residentMb(pid), 'MB', 400)
  }
}

/**
 * Fills a database of its own, starts one app process on it, and asks.
 * @param {Record<string, string>} env what is needed to connect
 * @param {(name: string, value: number, unit: string, budget: number) => void} print
 */
export async function measureApi(env, print, small) {
  const many = small ? { ...usual, jobs: 200, units: 100 } : usual
  Object.assign(process.env, env)
  const { connect } = await import('../../server/dist/db/connection.js')
  const { databaseFrom, ownerFrom } = await import('../../server/dist/config.js')
  const { defineModels, Firm, JobUnit } = await import('../../server/dist/db/models.js')
  const { migrateAs } = await import('../../server/dist/db/migrate.js')
  const { loadMany } = await import('../../stand-ins/dist/demo/many.js')
  const { learnAndRenew } = await import('../../server/dist/upkeep/doings.js')
  const name = 'yastik_many'
  const first = connect(ownerFrom(process.env))
  await first.query(`DROP DATABASE IF EXISTS ${name}`)
  await first.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await first.close()
  const { Db } = await import('../../server/dist/db/database.js')
  const database = connect({ ...databaseFrom(process.env), name })
  const db = new Db(database)
  defineModels(database)
  await migrateAs({ ...ownerFrom(process.env), name })
  const filledMs = performance.now()
  const { signIn } = await loadMany(db, password, many)
  console.error(`· ${many.jobs} jobs and ${many.jobs * many.eventsPerJob} events stored in ${Math.round((performance.now() - filledMs) / 1000)} s`)
  const learnMs = performance.now()
  await learnAndRenew(db, await Firm.findOne())
  print('forecast and due days of 1,000 units, on the server', performance.now() - learnMs, 'ms', 1000)
  const { jobId, unitId } = await JobUnit.findOne({ order: [['handedOverAt', 'DESC']] })
  await database.close()
  const files = mkdtempSync(join(tmpdir(), 'yastik-bench-'))
  const server = fork(inRoot('server/dist/main.js'), {
    env: {
      ...process.env,
      YASTIK_DB_NAME: name,
      YASTIK_PORT: '0',
      YASTIK_FILES: files,
      YASTIK_LOG: 'faults',
      YASTIK_WEATHER: '@yastik/stand-ins/weather',
    },
  })
  try {
    const { port } = await new Promise((done, failed) => {
      server.once('message', ({ listening }) => done(listening))
      server.once('exit', (status) => failed(new Error(`the server ended with ${status}`)))
    })
    const base = `http://127.0.0.1:${port}`
    const answer = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { origin: base, 'content-type': 'application/json' },
      body: JSON.stringify({ signIn, password }),
    })
    const cookie = answer.headers
      .getSetCookie()
      .map((own) => own.split(';')[0])
      .join('; ')
    const reads = {
      sites: '/api/sites',
      'the logbook': '/api/logbook',
      'the logbook by soil': '/api/logbook?soil=pollen',
      'what is due': '/api/due',
      'a unit’s life': `/api/units/${unitId}/life`,
      'a unit’s outlook': `/api/units/${unitId}/outlook`,
      'a job': `/api/jobs/${jobId}`,
      today: `/api/today?day=${new Date().toISOString().slice(0, 10)}`,
      'house rules': '/api/house-rules',
      'what is due is worth': '/api/due/worth',
      quotes: '/api/quotes',
      messages: '/api/messages',
      'the ledger of the stock': '/api/stock/moves',
    }
    const measured = Object.fromEntries(Object.keys(reads).map((what) => [what, []]))
    for (let round = 0; round <= (small ? 1 : rounds); round++)
      for (const [what, path] of Object.entries(reads)) {
        const ms = await p95(base + path, cookie, small ? 1 : turns)
        if (round > 0) measured[what].push(ms)
      }
    const middle = (values) => values.sort((x, y) => x - y)[Math.floor(values.length / 2)]
    for (const [what, values] of Object.entries(measured)) print(`read ${what}, p95, ${connections} connections`, middle(values), 'ms', 20)
    const load = await loadOf(base, cookie, unitId, jobId)
    await load(print, server.pid, small)
    // Last, for it changes how much there is.
    await measureImport(base, cookie, print, small)
  } finally {
    const ended = new Promise((done) => server.once('exit', done))
    server.kill('SIGTERM')
    await ended
    rmSync(files, { recursive: true, force: true })
    const last = connect(ownerFrom(process.env))
    await last.query(`DROP DATABASE ${name}`)
    await last.close()
  }
}
