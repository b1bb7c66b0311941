// Judges the plans of generated jobs: npm run judge -- --jobs 10000 --seed 1 [--pairs 3000]. Groups what it finds, shrinks each to its smallest job,
// and prints `N of M jobs without a fault` last; exits 1 where not all are. Uses all cores.
import { availableParallelism } from 'node:os'
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads'
import { readArguments, wholeNumber } from './lib/arguments.mjs'
import { prepareCore } from './lib/prepare.mjs'

const judgeRoom = new URL('../core/dist/tests/judge/index.js', import.meta.url)
const perMessage = 20
/** Somebody works for this share of the time on site. */
const leastBusy = 0.85

if (isMainThread) await lead()
else await work()

/** Judges every seed of its share, a few at a time, so that the leader sees how far it is. */
async function work() {
  const { jobOf, judgeVisit, senseOf } = await import(judgeRoom.href)
  const { from, step, jobs, pairs, seed } = workerData
  let batch = []
  const times = []
  const send = (last) => {
    parentPort.postMessage({ batch, last, times: last ? times : [] })
    batch = []
  }
  for (let index = from; index < Math.max(jobs, pairs); index += step) {
    const entry = { seed: seed * 1_000_003 + index, judged: index < jobs, faults: [], compared: 0, senseless: [] }
    if (entry.judged) {
      const job = jobOf(entry.seed)
      const startMs = performance.now()
      const { faults, busyShare, cautions = [], idleFor = [] } = judgeVisit(job)
      Object.assign(entry, { faults, busyShare, cautions, idleFor: busyShare < leastBusy ? idleFor.slice(0, 1) : [] })
      times.push({ ms: performance.now() - startMs, units: job.units.length })
    }
    if (index < pairs) {
      const { compared, faults } = senseOf(entry.seed)
      Object.assign(entry, { compared, senseless: faults })
    }
    batch.push(entry)
    if (batch.length >= perMessage) send(false)
  }
  send(true)
}

/** What most of a visit's idle minutes wait for. */
function causeOf({ idleFor: [first] }) {
  return first?.what ?? 'nothing in particular'
}
function groupedBy(entries, keyOf) {
  const groups = new Map()
  for (const entry of entries) groups.set(keyOf(entry), [...(groups.get(keyOf(entry)) ?? []), entry])
  return groups
}

async function lead() {
  const command = readArguments({
    usage: 'usage: npm run judge -- [--jobs 10000] [--seed 1] [--pairs 0] [--no-smallest]',
    about: 'Judges the plans of generated jobs by sentences of the trade, and pairs of them by whether they make sense beside one another.',
    options: {
      jobs: { type: 'string', default: '10000' },
      seed: { type: 'string', default: '1' },
      pairs: { type: 'string', default: '0' },
      'no-smallest': { type: 'boolean', default: false },
    },
  })
  const [jobs, seed, pairs] = ['jobs', 'seed', 'pairs'].map((name) => wholeNumber(command, name))
  await prepareCore()
  const cores = availableParallelism()
  const startMs = performance.now()
  const entries = []
  const times = []
  await Promise.all(
    Array.from(
      { length: cores },
      (_, from) =>
        new Promise((resolve, reject) => {
          const worker = new Worker(new URL(import.meta.url), { workerData: { from, step: cores, jobs, pairs, seed } })
          worker.on('message', (message) => {
            entries.push(...message.batch)
            times.push(...message.times)
            if (message.last) resolve()
          })
          worker.on('error', reject)
        }),
    ),
  )
  const { jobOf, shrink } = await import(judgeRoom.href)
  const groups = new Map()
  for (const { seed: own, faults } of entries)
    for (const fault of faults) {
      const group = groups.get(fault.predicate) ?? { kind: fault.kind, seeds: new Set(), says: fault.says }
      groups.set(fault.predicate, { ...group, seeds: group.seeds.add(own) })
    }
  for (const [predicate, { kind, seeds, says }] of [...groups].sort((a, b) => b[1].seeds.size - a[1].seeds.size)) {
    const [first] = [...seeds].sort((a, b) => a - b)
    console.log(`\n${kind} ${predicate}: ${seeds.size} jobs, such as seed ${first}: ${says}`)
    if (!command.values['no-smallest']) console.log(JSON.stringify(shrink(jobOf(first), predicate)))
  }
  const senseless = entries.flatMap((entry) => entry.senseless)
  for (const { what, says, seed: own } of senseless.slice(0, 20)) console.log(`sense ${what}, seed ${own}: ${says}`)
  const judged = entries.filter((entry) => entry.judged)
  const clean = judged.filter(({ faults }) => faults.length === 0).length
  const safe = judged.filter(({ faults }) => faults.every(({ kind }) => kind !== 'safety' && kind !== 'crash')).length
  const idle = judged.filter(({ busyShare }) => busyShare !== undefined && busyShare < leastBusy).sort((a, b) => a.busyShare - b.busyShare)
  const causes = groupedBy(idle, causeOf)
  const single = times
    .filter(({ units }) => units === 1)
    .map(({ ms }) => ms)
    .sort((a, b) => a - b)
  const share = (part) => single[Math.min(single.length - 1, Math.floor(single.length * part))] ?? 0
  console.log(`\n${safe} of ${judged.length} jobs without a fault of safety`)
  console.log(
    `${judged.length - idle.length} of ${judged.length} visits in which somebody works for at least ${leastBusy * 100} % of the time on site`,
  )
  for (const [cause, [{ busyShare, seed: own }, ...more]] of [...causes].sort((a, b) => b[1].length - a[1].length))
    console.log(`  ${more.length + 1} for ${cause}, such as seed ${own}: ${Math.round(busyShare * 100)} %`)
  const cautions = judged.flatMap((entry) => entry.cautions ?? []).sort((a, b) => a - b)
  console.log(`cautions a unit: ${cautions[cautions.length >> 1] ?? 0} in the median, ${cautions.at(-1) ?? 0} at most`)
  if (pairs > 0)
    console.log(
      `${entries.reduce((sum, entry) => sum + entry.compared, 0) - senseless.length} of ${entries.reduce((sum, entry) => sum + entry.compared, 0)} comparisons make sense`,
    )
  console.log(
    `${Math.round((performance.now() - startMs) / 1000)} s on ${cores} cores; one unit planned and judged: median ${share(0.5).toFixed(1)} ms, 99 % within ${share(0.99).toFixed(1)} ms`,
  )
  console.log(`${clean} of ${judged.length} jobs without a fault`)
  process.exit(clean === judged.length && senseless.length === 0 ? 0 : 1)
}
