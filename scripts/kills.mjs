// npm run kills -- [--kills 100] [--seed 1]: kills the app or the database in the middle of work, again and again; one time in five within migrations: events, hand-overs, uploads, imports,
// saves, quotes that become visits, counts of the stock. Afterwards what was acknowledged is there once, and nothing is there in part.
import { randomBytes, randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { readArguments, wholeNumber } from './lib/arguments.mjs'
import mariadb from 'mariadb'
import sharp from 'sharp'
import { startMariadb } from './lib/mariadb.mjs'
import { migrationsKilled } from './lib/migrationKills.mjs'
import { addFirms, startOwnApp } from './lib/ownApp.mjs'
import { prepareServer } from './lib/prepare.mjs'
import { say } from './lib/say.mjs'
import { openScratch } from './lib/scratch.mjs'

const command = readArguments({
  usage: 'usage: npm run kills -- [--kills 100] [--seed 1]',
  about: 'Kills app and database in the middle of work, one time in five within a migration: nothing may be lost, doubled or there in part.',
  options: { kills: { type: 'string', default: '100' }, seed: { type: 'string', default: '1' } },
})
const [wanted, seed] = ['kills', 'seed'].map((name) => wholeNumber(command, name))
const password = 'four ducks past the quarry'
const today = new Date().toISOString().slice(0, 10)

await prepareServer()
const scratch = await openScratch()
let database = await startMariadb(scratch.database)
const dbPort = Number(database.env.YASTIK_DB_PORT)
Object.assign(process.env, database.env)
const { seeded } = await import('@yastik/core/quantities')
const random = seeded(seed)
await addFirms(password, 'ours')
const app = await startOwnApp()
const { base, ask } = app
const cookie = await app.cookieOf('ours-owner', password)
const me = await ask(cookie, 'GET', '/api/session')

/** Rows of one statement, by a connection of its own. */
async function rows(sql, ...bound) {
  const own = await mariadb.createConnection({
    host: '127.0.0.1',
    port: dbPort,
    user: process.env.YASTIK_DB_USER,
    password: process.env.YASTIK_DB_PASSWORD,
    database: process.env.YASTIK_DB_NAME,
    bigIntAsNumber: true,
  })
  try {
    return await own.query(sql, bound)
  } finally {
    await own.end()
  }
}
const count = async (sql, ...bound) => Number((await rows(sql, ...bound))[0].n)

/** Whether it was acknowledged: answered with a success, read to its end. */
const isDone = async (method, path, body, headers = {}) => {
  try {
    const answer = await fetch(base + path, {
      method,
      headers: { origin: base, cookie, 'content-type': 'application/json', ...headers },
      body: Buffer.isBuffer(body) ? body : JSON.stringify(body),
      signal: AbortSignal.timeout(60_000),
    })
    const text = await answer.text()
    const isRefused = text.includes('"fault"') || (path.endsWith('/events') && !text.includes('"refused":[]'))
    return answer.ok && !isRefused && (!path.includes('imports') || text.includes('"receipt"'))
  } catch {
    return false
  }
}
let made = 0
const site = (name) => ({ site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
async function newUnit() {
  const name = `place ${made++}`
  const { id: siteId } = await ask(cookie, 'POST', '/api/sites', site(name))
  const { id: unitId } = await ask(cookie, 'POST', `/api/sites/${siteId}/units`, { name: 'Head', family: 'wall-head', design: {} })
  return { name, siteId, unitId }
}
async function newJob() {
  const unit = await newUnit()
  const { id: jobId } = await ask(cookie, 'POST', '/api/jobs', { siteId: unit.siteId, unitIds: [unit.unitId], onDate: today, crewIds: [me.id] })
  return { ...unit, jobId }
}
let atMs = Date.now()
/** Each a moment after the one before. */
const event = (unitId, happening) => ({ id: randomUUID(), atMs: atMs++, by: me.id, happening: { ...happening, unitId } })

/** Each sets something up, starts its work, and says afterwards what is wrong: `work` is killed in its middle. */
const scenes = {
  async events() {
    const { jobId, unitId } = await newJob()
    const batches = Array.from({ length: 6 }, (_, at) => Array.from({ length: 8 }, () => event(unitId, { type: 'note', text: `note ${at}` })))
    return {
      work: () => batches.map((events) => isDone('POST', `/api/jobs/${jobId}/events`, { events })),
      wrong: async (done) => {
        const found = []
        // Whoever heard nothing sends again: that changes nothing.
        for (const events of batches) await ask(cookie, 'POST', `/api/jobs/${jobId}/events`, { events })
        for (const [at, events] of batches.entries())
          for (const { id } of events) {
            const there = await count('SELECT COUNT(*) AS n FROM events WHERE id = ?', id)
            if (there !== 1) found.push(`event of batch ${at} (${done[at] ? 'acknowledged' : 'not heard of'}) is there ${there} times`)
          }
        return found
      },
    }
  },
  async handOver() {
    const { jobId, unitId } = await newJob()
    const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
    const events = [
      event(unitId, { type: 'grade-set', part: 'coilBack', grade: 3, kinds: ['dust'] }),
      event(unitId, { type: 'method-agreed', decisions: [{ topic: 'scope', choice: 'open-clean', rule: 'r' }], steps: [step] }),
      event(unitId, { type: 'step-done', stepId: 'isolate' }),
      event(unitId, { type: 'handed-over', verdict: 'proved', notReached: [] }),
    ]
    return {
      work: () => [isDone('POST', `/api/jobs/${jobId}/events`, { events })],
      wrong: async ([done]) => {
        const stored = await count('SELECT COUNT(*) AS n FROM events WHERE job_id = ?', jobId)
        const handed = await count('SELECT COUNT(*) AS n FROM job_units WHERE job_id = ? AND handed_over_at IS NOT NULL', jobId)
        const dues = await count('SELECT COUNT(*) AS n FROM dues WHERE unit_id = ?', unitId)
        const closed = await count('SELECT COUNT(*) AS n FROM jobs WHERE id = ? AND closed = 1', jobId)
        const isWhole = stored === events.length && handed === 1 && dues > 0 && closed === 1
        const isNothing = stored === 0 && handed === 0 && dues === 0 && closed === 0
        return isWhole || (isNothing && !done) ? [] : [`hand-over: ${stored} events, ${handed} handed over, ${dues} due days, closed ${closed}`]
      },
    }
  },
  async uploads() {
    const { jobId, unitId } = await newJob()
    const photos = await Promise.all(
      Array.from({ length: 4 }, async () => ({
        id: randomUUID(),
        bytes: await sharp(randomBytes(400 * 300 * 3), { raw: { width: 400, height: 300, channels: 3 } })
          .jpeg()
          .toBuffer(),
      })),
    )
    return {
      work: () =>
        photos.map(({ id, bytes }) => isDone('PUT', `/api/jobs/${jobId}/units/${unitId}/photos/${id}`, bytes, { 'content-type': 'image/jpeg' })),
      wrong: async (done) => {
        const found = []
        for (const [at, { id }] of photos.entries()) {
          const there = await count('SELECT COUNT(*) AS n FROM photos WHERE id = ?', id)
          if (done[at] && there !== 1) found.push('an acknowledged photograph is gone')
          if (there === 0) continue
          const answer = await fetch(`${base}/api/photos/${id}`, { headers: { cookie } })
          const size = answer.ok ? (await sharp(Buffer.from(await answer.arrayBuffer())).metadata()).width : 0
          if (size !== 400 || !existsSync(join(app.files, '1', `${id}-small.webp`))) found.push('a photograph is on record without its picture')
        }
        return found
      },
    }
  },
  async imports() {
    const name = `import ${made++}`
    const units = Array.from({ length: 3 }, (_, at) => ({ name: `Head ${at}`, family: 'wall-head', design: {} }))
    const sites = Array.from({ length: 400 }, (_, at) => ({ form: site(`${name} no. ${at}`), units }))
    return {
      work: () => [isDone('POST', '/api/imports/sites', { sites })],
      wrong: async ([done]) => {
        const there = await count('SELECT COUNT(*) AS n FROM sites WHERE name LIKE ?', `${name} no.%`)
        const heads = await count('SELECT COUNT(*) AS n FROM units u JOIN sites s ON s.id = u.site_id WHERE s.name LIKE ?', `${name} no.%`)
        const isWhole = there === 400 && heads === 1200
        return isWhole || (there === 0 && heads === 0 && !done) ? [] : [`import: ${there} sites and ${heads} units, acknowledged ${done}`]
      },
    }
  },
  async saves() {
    const { siteId, name } = await newUnit()
    const names = Array.from({ length: 12 }, (_, at) => `Room ${at}`)
    return {
      work: () => [
        isDone('PUT', `/api/sites/${siteId}`, { ...site(`${name} saved`), version: 1 }),
        isDone('POST', `/api/sites/${siteId}/alike-units`, { names, family: 'wall-head', design: {} }),
      ],
      wrong: async ([saved, alike]) => {
        const [own] = await rows("SELECT version, name, JSON_VALUE(form, '$.site.name') AS inside FROM sites WHERE id = ?", siteId)
        const heads = await count("SELECT COUNT(*) AS n FROM units WHERE site_id = ? AND name LIKE 'Room %'", siteId)
        const [isNew, isOld] = [own.version === 2 && own.name === `${name} saved`, own.version === 1 && own.name === name]
        return [
          ...((isNew || (isOld && !saved)) && own.name === own.inside ? [] : [`save: version ${own.version}, ${own.name} / ${own.inside}`]),
          ...(heads === 12 || (heads === 0 && !alike) ? [] : [`alike units: ${heads} of 12, acknowledged ${alike}`]),
        ]
      },
    }
  },
  async quotes() {
    const { siteId, unitId } = await newUnit()
    const quote = await ask(cookie, 'POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 3, complaints: ['smell'] }] })
    const body = { option: quote.offered[0], onDate: today, crewIds: [me.id], version: 1 }
    return {
      work: () => [isDone('POST', `/api/quotes/${quote.id}/accept`, body), isDone('POST', `/api/quotes/${quote.id}/accept`, body)],
      wrong: async (done) => {
        const [own] = await rows('SELECT state, job_id AS jobId FROM quotes WHERE id = ?', quote.id)
        const visits = await count('SELECT COUNT(*) AS n FROM jobs WHERE site_id = ?', siteId)
        const heads = await count('SELECT COUNT(*) AS n FROM job_units WHERE unit_id = ?', unitId)
        const events = await count('SELECT COUNT(*) AS n FROM events WHERE unit_id = ?', unitId)
        const isWhole = own.state === 'accepted' && own.jobId && visits === 1 && heads === 1 && events > 0
        const isNothing = own.state === 'open' && !own.jobId && visits === 0 && heads === 0 && events === 0
        const twice = done.filter(Boolean).length > 1
        return (isWhole || (isNothing && !done.some(Boolean))) && !twice
          ? []
          : [`quote ${own.state}: ${visits} visits, ${heads} units, ${events} events, acknowledged ${done}`]
      },
    }
  },
  async stock() {
    const { products } = await ask(cookie, 'GET', '/api/stores')
    const productId = products[Math.floor(random() * products.length)].id
    const lot = `lot ${made++}`
    return {
      work: () => Array.from({ length: 5 }, () => isDone('POST', '/api/stock', { productId, kind: 'bought', litres: 2, lot })),
      wrong: async (done) => {
        const litres = Number((await rows('SELECT COALESCE(SUM(litres), 0) AS n FROM stock_lots WHERE lot = ?', lot))[0].n)
        const moved = Number((await rows('SELECT COALESCE(SUM(litres), 0) AS n FROM stock_moves WHERE lot = ?', lot))[0].n)
        const least = 2 * done.filter(Boolean).length
        return litres === moved && litres >= least && litres <= 10 ? [] : [`stock: ${litres} L there, ${moved} L moved, ${least} L acknowledged`]
      },
    }
  },
}

const victims = {
  app: async () => {
    await app.kill()
    await app.start()
  },
  database: async () => {
    process.kill(database.pid, 'SIGKILL')
    database = await startMariadb(scratch.database, { log: () => undefined, port: dbPort })
  },
}

const migrations = await migrationsKilled({
  count: Math.round(wanted / 5),
  random,
  env: process.env,
  revive: victims.database,
})
const wrong = migrations.wrong
const tally = { app: 0, database: 0, acknowledged: 0, unheard: 0 }
for (let kill = 1; kill <= wanted - migrations.killed; kill++) {
  const names = Object.keys(scenes)
  const name = names[kill % names.length]
  const victim = random() < 0.6 ? 'app' : 'database'
  const { work, wrong: judge } = await scenes[name]()
  const running = Promise.all(work())
  await pause(random() * (name === 'imports' ? 350 : 90))
  await victims[victim]()
  const done = await running
  for (const own of done) tally[own ? 'acknowledged' : 'unheard']++
  tally[victim]++
  // The app finds its database again by itself.
  for (
    let tries = 0;
    tries < 100 &&
    !(await fetch(`${base}/api/session`, { headers: { cookie } }).then(
      ({ ok }) => ok,
      () => false,
    ));
    tries++
  )
    await pause(100)
  for (const what of await judge(done)) wrong.push(`kill ${kill} (${victim}, ${name}): ${what}`)
  if (kill % 20 === 0) say(`${kill} kills, ${wrong.length} found wrong`)
}
console.log(
  `${wanted} kills, seed ${seed}: ${tally.app} of the app, ${tally.database} of the database; ${tally.acknowledged} acknowledged, ${tally.unheard} not`,
)
console.log(`${migrations.killed} of them within migrations, on data of the first version`)
console.log(`lost, doubled or half: ${wrong.length}`)
for (const what of wrong) console.log(`  ${what}`)
await app.close()
await database.stop()
scratch.close()
process.exit(wrong.length === 0 ? 0 : 1)
