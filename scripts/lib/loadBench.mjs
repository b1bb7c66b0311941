// How much does one app process bear? So many connections, each asking again as soon as it is answered, one request in five a write; many who listen;
// and how much memory it takes.
import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { randomUUID } from 'node:crypto'

/** One request of five changes something. */
const writeEvery = 5
const warmMs = 3000
const measuredMs = 15_000

/** Milliseconds until the last byte, and the status; 0 where there was no answer. */
const timed = (base, { method = 'GET', path, body }, { agent, cookie }) =>
  new Promise((done) => {
    const startedMs = performance.now()
    const text = body === undefined ? undefined : JSON.stringify(body)
    const sent = request(
      base + path,
      {
        method,
        agent,
        headers: {
          cookie,
          ...(text === undefined ? {} : { origin: base, 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
        },
      },
      (answer) => answer.resume().once('end', () => done({ ms: performance.now() - startedMs, status: answer.statusCode })),
    )
    sent.once('error', () => done({ ms: performance.now() - startedMs, status: 0 }))
    sent.end(text)
  })

const at95 = (times) => times.sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? 0
/** Resident memory of a process, MB. */
export const residentMb = (pid) => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000

/**
 * @param {string} base where the app is
 * @param {string} cookie of somebody who is in
 * @param {readonly string[]} reads what is asked for, in turn
 * @param {readonly { jobId: string, unitId: string }[]} jobs on which is written, in turn
 * @param {number} by id of whoever writes
 */
export async function measureLoad(base, cookie, reads, jobs, by, connections, small = false) {
  const agent = new Agent({ keepAlive: true, maxSockets: connections })
  const [readMs, writeMs] = [[], []]
  let [asked, errors, measuring, going] = [0, 0, false, true]
  const statuses = {}
  let turn = 0
  async function one(own) {
    for (let at = own; going; at++) {
      const isWrite = at % writeEvery === 0
      const { jobId, unitId } = jobs[turn++ % jobs.length]
      const events = [{ id: randomUUID(), atMs: Date.now(), by, happening: { type: 'grade-set', unitId, part: 'wheel', grade: at % 5, kinds: [] } }]
      const what = isWrite ? { method: 'POST', path: `/api/jobs/${jobId}/events`, body: { events } } : { path: reads[turn % reads.length] }
      const { ms, status } = await timed(base, what, { agent, cookie })
      if (!measuring) continue
      asked++
      if (status < 200 || status >= 300) {
        errors++
        statuses[status] = (statuses[status] ?? 0) + 1
      }
      ;(isWrite ? writeMs : readMs).push(ms)
    }
  }
  const all = Promise.all(Array.from({ length: connections }, (_, own) => one(own)))
  const pause = (ms) => new Promise((done) => setTimeout(done, ms))
  await pause(small ? 200 : warmMs)
  measuring = true
  const startedMs = performance.now()
  await pause(small ? 800 : measuredMs)
  const perSecond = (1000 * asked) / (performance.now() - startedMs)
  measuring = false
  going = false
  await all
  agent.destroy()
  return { perSecond, readMs: at95(readMs), writeMs: at95(writeMs), errors, statuses }
}

/** Opens so many streams of jobs, and hears how soon an event that is stored reaches them. */
export async function measureStreams(base, cookie, jobs, by, count) {
  const agent = new Agent({ keepAlive: false, maxSockets: Infinity })
  let open = 0
  const heard = new Map()
  const streams = await Promise.all(
    Array.from(
      { length: count },
      (_, at) =>
        new Promise((done) => {
          const { jobId } = jobs[at % jobs.length]
          const sent = request(`${base}/api/jobs/${jobId}/stream`, { agent, headers: { cookie } }, (answer) => {
            open += answer.statusCode === 200 ? 1 : 0
            answer.setEncoding('utf8')
            answer.on('data', (text) => {
              for (const [id, resolve] of heard) if (text.includes(id)) resolve(at)
            })
            answer.on('error', () => undefined)
            done(sent)
          })
          sent.once('error', () => done(sent))
          sent.end()
        }),
    ),
  )
  // What was there before is said first.
  await new Promise((done) => setTimeout(done, 5000))
  const delays = []
  for (let round = 0; round < 10; round++) {
    const { jobId, unitId } = jobs[round % jobs.length]
    const id = randomUUID()
    const arrived = new Promise((done) => heard.set(id, done))
    const startedMs = performance.now()
    await timed(
      base,
      {
        method: 'POST',
        path: `/api/jobs/${jobId}/events`,
        body: { events: [{ id, atMs: Date.now(), by, happening: { type: 'note', unitId, text: 'heard?' } }] },
      },
      { agent, cookie },
    )
    await arrived
    delays.push(performance.now() - startedMs)
    heard.delete(id)
  }
  for (const sent of streams) sent.destroy()
  agent.destroy()
  return { open, delayMs: Math.max(...delays) }
}
