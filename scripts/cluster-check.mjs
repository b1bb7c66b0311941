// npm run cluster-check -- [--seconds 60]: three nodes of a Galera cluster, one app process each. They start at once on an empty database, with the
// demo and without; work goes through all three while one node is killed and comes back. Afterwards whatever was acknowledged is there once on
// every node, nobody was answered 5xx but 503 while a node was away, and every stream said everything.
import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { readArguments, wholeNumber } from './lib/arguments.mjs'
import { startCluster } from './lib/galera.mjs'
import { addFirms, startOwnApp } from './lib/ownApp.mjs'
import { prepareServer } from './lib/prepare.mjs'
import { say } from './lib/say.mjs'
import { openScratch } from './lib/scratch.mjs'

const command = readArguments({
  usage: 'usage: npm run cluster-check -- [--seconds 60]',
  about: 'Works on a Galera cluster of three nodes while one of them is killed and comes back: nothing may be lost or doubled.',
  options: { seconds: { type: 'string', default: '60' } },
})
const workMs = wholeNumber(command, 'seconds', 1, 86_400) * 1000
const password = 'four ducks past the quarry'
const today = new Date().toISOString().slice(0, 10)
const wrong = []
const judge = (holds, what) => void (holds || wrong.push(what))

await prepareServer()
const scratch = await openScratch()
const cluster = await startCluster(scratch.database, 3)
const { nodes } = cluster
const files = join(scratch.temporary, 'files')
mkdirSync(files, { recursive: true })
const startApps = (env = {}) => Promise.all(nodes.map((node) => startOwnApp({ env: { ...cluster.envOf(node), YASTIK_DEMO: 'none', ...env }, files })))
const count = async (node, sql, ...bound) => Number((await cluster.rows(node, sql, ...bound))[0].n)

/** Three processes that find nothing at all. */
async function firstStart(name, env, firms) {
  const startedMs = performance.now()
  const apps = await startApps(env)
  say(`first start ${name}: ${((performance.now() - startedMs) / 1000).toFixed(1)} s`)
  for (const node of nodes) {
    const [ran, distinct] = [
      await count(node, 'SELECT COUNT(*) AS n FROM migrations'),
      await count(node, 'SELECT COUNT(DISTINCT name) AS n FROM migrations'),
    ]
    judge(ran === distinct && ran > 20, `first start ${name}: ${ran} migrations ran on node ${node.at}, ${distinct} of them once`)
    const there = await count(node, 'SELECT COUNT(*) AS n FROM firms')
    judge(there === firms, `first start ${name}: ${there} firms on node ${node.at}, not ${firms}`)
  }
  for (const { base } of apps) {
    const answer = await fetch(`${base}/ready`)
    judge(answer.status === 200, `first start ${name}: a process is not ready: ${await answer.text()}`)
  }
  return apps
}
for (const app of await firstStart('with the demo', { YASTIK_DEMO: '@yastik/stand-ins/demo' }, 1)) await app.close()
await cluster.clear()
const apps = await firstStart('without', {}, 0)
Object.assign(process.env, cluster.envOf(nodes[0]))
await addFirms(password, 'ours')
const [first] = apps
const cookie = await first.cookieOf('ours-owner', password)
const me = await first.ask(cookie, 'GET', '/api/session')

const siteForm = (name) => ({ site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
async function newJob(at) {
  const { id: siteId } = await first.ask(cookie, 'POST', '/api/sites', siteForm(`place ${at}`))
  const { id: unitId } = await first.ask(cookie, 'POST', `/api/sites/${siteId}/units`, { name: 'Head', family: 'wall-head', design: {} })
  const { id: jobId } = await first.ask(cookie, 'POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: today, crewIds: [me.id] })
  return { jobId, unitId }
}
const jobs = await Promise.all(Array.from({ length: 6 }, (_, at) => newJob(at)))

/** When a node was away; open where it is not back yet. */
const away = []
const isAway = (atMs) => away.some(({ fromMs, toMs = Infinity }) => atMs >= fromMs && atMs <= toMs)
const statuses = new Map()
const acknowledged = new Map()
const madeSites = new Set()
let working = true

/** Answered with a success; anything else is counted, and judged by when it was. */
async function send(app, method, path, body) {
  const askedMs = performance.now()
  try {
    const answer = await fetch(app.base + path, {
      method,
      headers: { origin: app.base, cookie, 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(60_000),
    })
    const text = await answer.text()
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
    if (answer.status >= 500) {
      const allowed = answer.status === 503 && (isAway(askedMs) || isAway(performance.now()))
      judge(
        allowed,
        `${method} ${path.replace(/[0-9a-f-]{36}/, ':id')} at process ${apps.indexOf(app)} was answered ${answer.status}: ${text.slice(0, 200)}`,
      )
    }
    return answer.ok ? JSON.parse(text) : undefined
  } catch (error) {
    judge(false, `a process did not answer: ${error.message}`)
    return undefined
  }
}
/** Somebody at one process: notes on jobs that others work on too, and a site now and then. Whoever heard nothing sends the same again. */
async function writer(app, own) {
  let at = own
  while (working) {
    const { jobId, unitId } = jobs[at++ % jobs.length]
    const events = Array.from({ length: 3 }, () => ({
      id: randomUUID(),
      atMs: Date.now(),
      by: me.id,
      happening: { type: 'note', unitId, text: `by ${own}` },
    }))
    for (let done = false; !done && working;) {
      const receipt = await send(app, 'POST', `/api/jobs/${jobId}/events`, { events })
      done = receipt !== undefined
      for (const id of receipt?.accepted ?? []) acknowledged.set(id, jobId)
      if (!done) await pause(300)
    }
    if (at % 5 === 0) {
      const made = await send(app, 'POST', '/api/sites', siteForm(`site ${randomUUID()}`))
      if (made) madeSites.add(made.id)
    }
  }
}
/** Somebody who listens to a job at one process, as a browser does: from where it was when a stream ended. */
function listen(app, { jobId }) {
  const heard = []
  let last = ''
  const own = { app, jobId, heard }
  own.over = (async () => {
    while (own.isOpen !== false) {
      try {
        const stop = new AbortController()
        own.stop = () => stop.abort()
        const answer = await fetch(`${app.base}/api/jobs/${jobId}/stream`, {
          headers: { cookie, ...(last ? { 'last-event-id': last } : {}) },
          signal: stop.signal,
        })
        if (!answer.ok) throw new Error(String(answer.status))
        let text = ''
        for await (const part of answer.body.pipeThrough(new TextDecoderStream())) {
          text += part
          const messages = text.split('\n\n')
          text = messages.pop()
          for (const message of messages) {
            const data = /^data: (.*)$/m.exec(message)?.[1]
            if (data) heard.push(...JSON.parse(data).events.map(({ id }) => id))
            last = /^id: (\d+)$/m.exec(message)?.[1] ?? last
          }
        }
      } catch {
        // As a browser does: it asks again.
      }
      await pause(300)
    }
  })()
  return own
}

const listeners = apps.flatMap((app) => jobs.map((job) => listen(app, job)))
const writers = apps.flatMap((app, at) => Array.from({ length: 3 }, (_, own) => writer(app, at * 3 + own)))
const victim = nodes[2]
await pause(workMs / 4)
say('killing a node')
const gone = { fromMs: performance.now() }
away.push(gone)
await cluster.kill(victim)
await pause(workMs / 3)
say(`${acknowledged.size} events acknowledged; the node comes back`)
await cluster.start(victim)
// Its process finds it again within a moment.
for (let tries = 0; tries < 60 && (await fetch(`${apps[2].base}/ready`)).status !== 200; tries++) await pause(500)
gone.toMs = performance.now()
say(`the node is back after ${((gone.toMs - gone.fromMs) / 1000).toFixed(1)} s`)
await pause(workMs / 3)
working = false
await Promise.all(writers)
await pause(3000)

for (const node of nodes) {
  const stored = await cluster.rows(node, 'SELECT id, job_id AS jobId FROM events')
  const there = new Map(stored.map(({ id, jobId }) => [id, jobId]))
  judge(there.size === stored.length, `node ${node.at}: an event is there twice`)
  const lost = [...acknowledged].filter(([id, jobId]) => there.get(id) !== jobId)
  judge(lost.length === 0, `node ${node.at}: ${lost.length} acknowledged events are gone`)
  const sites = new Set((await cluster.rows(node, 'SELECT id FROM sites')).map(({ id }) => id))
  const lostSites = [...madeSites].filter((id) => !sites.has(id))
  judge(lostSites.length === 0, `node ${node.at}: ${lostSites.length} acknowledged sites are gone`)
  for (const { jobId } of jobs) {
    const [{ n, least, most, length }] = await cluster.rows(
      node,
      'SELECT COUNT(*) AS n, MIN(e.place) AS least, MAX(e.place) AS most, MAX(j.log_length) AS length FROM events e JOIN jobs j ON j.id = e.job_id WHERE e.job_id = ?',
      jobId,
    )
    judge(
      Number(n) === Number(most) && Number(least) === 1 && Number(most) === Number(length),
      `node ${node.at}: a log has gaps: ${n} events up to place ${most} of ${length}`,
    )
  }
}
const inOrder = new Map()
for (const { jobId } of jobs)
  inOrder.set(
    jobId,
    (await cluster.rows(nodes[0], 'SELECT id FROM events WHERE job_id = ? ORDER BY place', jobId)).map(({ id }) => id),
  )
for (const { app, jobId, heard } of listeners) {
  const said = inOrder.get(jobId)
  const missed = said.filter((id) => !heard.includes(id)).length
  judge(missed === 0, `a stream at process ${apps.indexOf(app)} missed ${missed} of ${said.length} events`)
  judge(
    heard.length === said.length && heard.every((id, at) => id === said[at]),
    `a stream at process ${apps.indexOf(app)} said ${heard.length} events, not ${said.length} in their order`,
  )
}
const states = new Set()
for (const node of nodes) states.add(String((await cluster.rows(node, "SHOW STATUS LIKE 'wsrep_last_committed'"))[0].Value))
for (const own of listeners) {
  own.isOpen = false
  own.stop?.()
}
await Promise.all(listeners.map(({ over }) => over))
console.log(
  `answers: ${[...statuses]
    .sort()
    .map(([status, n]) => `${n} × ${status}`)
    .join(', ')}`,
)
console.log(`${acknowledged.size} events and ${madeSites.size} sites acknowledged through three processes; ${listeners.length} streams`)
console.log(`wrong: ${wrong.length}`)
for (const what of wrong.slice(0, 40)) console.log(`  ${what}`)
// What a process said of what failed on its side.
if (wrong.length > 0)
  for (const app of apps)
    for (const line of app
      .said()
      .filter((own) => own.includes('"level":50'))
      .slice(0, 5))
      console.log(`  process ${apps.indexOf(app)}: ${line.slice(0, 1000)}`)
for (const app of apps) await app.close()
await cluster.stop()
scratch.close()
process.exit(wrong.length === 0 ? 0 : 1)
