// npm run bench -- [--small] [group…]: measures against the budgets and prints a JSON line for each figure, {name, value, unit, budget, here, within}:
// `here` is the budget of a time as it is for this machine. With --small everything is measured on little of it: whether the bench works, and no figure.
import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { alignErrors, photoErrors } from './lib/photoBench.mjs'
import { readArguments } from './lib/arguments.mjs'
import { measureApi } from './lib/apiBench.mjs'
import { measuring } from './lib/budgets.mjs'
import { startMariadb } from './lib/mariadb.mjs'
import { paintTimes } from './lib/paintBench.mjs'
import { inRoot } from './lib/paths.mjs'
import { compiler, prepareAll } from './lib/prepare.mjs'
import { run } from './lib/run.mjs'
import { makeTemplates } from './lib/templates.mjs'

const groups = ['planning', 'photographs', 'phone', 'server', 'fetched']
const { values, positionals, wrong } = readArguments({
  usage: `usage: npm run bench -- [--small] [${groups.join('|')}]`,
  about: 'Measures against the budgets, all or some groups of figures. With --small on little of everything: whether the bench works.',
  options: { small: { type: 'boolean', default: false } },
  positionals: groups.map((_, at) => at).concat(groups.length),
})
const odd = positionals.find((name) => !groups.includes(name))
if (odd) wrong(`There is no group “${odd}”.`)
const { small } = values
const measured = measuring((line) => console.log(JSON.stringify(line)))
const isWanted = (...names) => positionals.length === 0 || names.some((name) => positionals.includes(name))
/** One group of figures, where it is wanted. */
const group = async (name, work) => {
  if (isWanted(name)) await measured.group(name, work)
}

/** Median of `runs` timings after as many warming ones. */
function median(runs, work) {
  for (let run = 0; run < runs; run++) work()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[runs >> 1]
}

/** Every file that a script imports at once, itself included. */
function withImports(assets, file, seen = new Set()) {
  if (seen.has(file)) return seen
  seen.add(file)
  const text = readFileSync(inRoot('web/dist/assets', file), 'utf8')
  for (const [, name] of text.matchAll(/(?:from|import)\s*["']\.\/([^"']+\.js)["']/g)) if (assets.includes(name)) withImports(assets, name, seen)
  return seen
}

console.log = (
  (log) =>
  (...said) =>
    String(said[0]).startsWith('·') ? console.error(...said) : log(...said)
)(console.log)
await prepareAll()
const { planJob, planUnit, contextOf, readJobFile } = await import('@yastik/core/plan')
const { stateOf } = await import('@yastik/core/run')
const { Fault } = await import('@yastik/core/faults')
const proof = { ...(await import('@yastik/core/proof')), Fault }
const job = readJobFile(readFileSync(inRoot('docs/examples/wall-head-strip-down.json'), 'utf8'))

const examples = readdirSync(inRoot('docs/examples')).map((name) => readJobFile(readFileSync(inRoot('docs/examples', name), 'utf8')))
const mixed = examples.flatMap((example) => example.units.map((unit) => ({ unit, context: contextOf(example) })))
await group('planning', (print) => {
  print(
    'plan for one unit, core only, median',
    median(small ? 5 : 300, () => planJob(job)),
    'ms',
    4,
  )
  // What another choice would change is worked out when it is read: by the plan command always, on a page where somebody looks.
  print(
    'plan for one unit with what every other choice would change, median',
    median(small ? 5 : 100, () => JSON.stringify(planJob(job))),
    'ms',
    20,
  )
  print(
    '1,000 mixed units planned without timeline',
    median(small ? 1 : 3, () => {
      for (let turn = 0; turn < (small ? 20 : 1000); turn++) {
        const { unit, context } = mixed[turn % mixed.length]
        planUnit(unit, context)
      }
    }),
    'ms',
    2000,
  )
  const twelve = {
    ...job,
    crew: [...job.crew, { name: 'Third' }],
    units: Array.from({ length: 12 }, (_, index) => ({ ...job.units[0], id: `unit-${index}` })),
  }
  print(
    '12 units, 3 people: plan with timeline',
    median(small ? 1 : 5, () => planJob(twelve)),
    'ms',
    200,
  )
  const { finishMin, lowerBoundMin } = planJob(twelve).timeline
  print('12 units, 3 people: finish over lower bound', finishMin / lowerBoundMin, 'ratio', 1.02)
  const events = Array.from({ length: 5000 }, (_, index) => ({
    id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
    atMs: index,
    by: 1,
    happening: { type: 'grade-set', unitId: 'u', part: 'wheel', grade: index % 5, kinds: [] },
  }))
  print(
    'state of a job with 5,000 events',
    median(small ? 1 : 10, () => stateOf(events)),
    'ms',
    50,
  )
})

await group('photographs', async (print) => {
  // Photographs: the errors against known truth, and 12 megapixels.
  const named = { fins: 'coil', blades: 'wheel' }
  for (const { surface, of, errors, straight, held, clean, cleanRight, cleanNamed, refused } of await photoErrors(proof, small)) {
    const sizes = errors.map(Math.abs).sort((a, b) => a - b)
    const share = (part, all) => (100 * part) / all
    const within = (own, limit) => share(own.filter((error) => Math.abs(error) <= limit).length, own.length)
    const what = `covered share of a ${named[surface]}, ${errors.length} ${of}`
    print(`${what}: within five points`, within(errors, 5), '%', surface === 'fins' ? 95 : 90, true)
    print(`${what}: mean of the errors, signed`, errors.reduce((sum, error) => sum + error, 0) / errors.length, 'points', 0.5)
    print(`${what}: 95 of 100 errors below`, sizes[Math.floor(0.95 * sizes.length)], 'points', 5)
    print(`${what}: largest error`, sizes.at(-1), 'points', 15)
    print(`${what}: truth in the band`, share(held, errors.length), '%', 90, true)
    print(`${what}: nearly clean ones with their grade`, share(cleanRight, clean), '%', 85, true)
    print(`${what}: nearly clean ones with their grade, or it named beside another`, share(cleanNamed, clean), '%', 95, true)
    print(`${what}: refused`, refused, 'photographs', Math.round(0.05 * (errors.length + refused)))
    if (straight.length > 0) print(`straight fins, ${straight.length} ${of}: within five points`, within(straight, 5), '%', 90, true)
  }
  const large = proof.samplePhoto({
    seed: 5,
    surface: 'fins',
    width: small ? 800 : 4000,
    height: small ? 600 : 3000,
    coveredShare: 0.4,
    kind: 'dust',
    bentShare: 0.1,
  })
  print(
    'photo coverage and fin straightness, 12 MP',
    median(small ? 1 : 3, () => proof.measurePhoto(large.raster, large.truth.region, 'fins')),
    'ms',
    800,
  )

  for (const { surface, of, offs, refused, ms } of await alignErrors(proof, small)) {
    const what = `a ${named[surface]} found on a second photograph, ${offs.length + refused} ${of}`
    print(`${what}: all corners within 25 px of 960`, (100 * offs.filter((off) => off <= 25).length) / offs.length, '%', 90, true)
    print(`${what}: farthest corner`, Math.max(...offs), 'px', 60)
    print(`${what}: not found`, refused, 'pairs', 2)
    print(`${what}: middle of the times`, ms.sort((a, b) => a - b)[ms.length >> 1], 'ms', 1000)
  }
})

// A phone that comes back: a real browser with a full outbox, the real server and database.
await run(process.execPath, [compiler, '-b', 'e2e'])
// The demo is of the day on which it is loaded: it is loaded anew.
rmSync(inRoot('.test-data', 'bench-database'), { recursive: true, force: true })
const database = isWanted('phone', 'server') ? await startMariadb(inRoot('.test-data', 'bench-database'), { log: console.error }) : undefined
if (database) {
  mkdirSync(inRoot('.test-data', 'bench'), { recursive: true })
  Object.assign(process.env, database.env, await makeTemplates(database.env, inRoot('.test-data', 'bench'), true))
}
await group('phone', async (print) => {
  const { startApp } = await import('../e2e/dist/support/app.js')
  const { clickText, devtools, find, openBrowser, setOffline, signIn } = await import('../e2e/dist/support/browser.js')
  const app = await startApp()
  const sheet = await openBrowser(app.base, { installs: true })
  try {
    await signIn(sheet, 'sanna', 'clear-to-the-fins')
    await clickText(sheet, 'Meeting room')
    await find(sheet, 'svg.section')
    await setOffline(sheet, true)
    const inOutbox = (script) =>
      sheet.driver.executeAsyncScript(`
        const back = arguments[arguments.length - 1]
        const [, , jobId, unitId] = location.pathname.split('/')
        const open = indexedDB.open('yastik')
        open.onsuccess = () => { const store = open.result.transaction('waiting', 'readwrite').objectStore('waiting'); ${script} }`)
    const by = await app.userId('sanna')
    await inOutbox(`
      for (let index = 0; index < 1000; index++)
        store.put({ jobId, event: { id: crypto.randomUUID(), atMs: Date.now() - 1000 + index, by: ${by}, happening: { type: 'note', unitId, text: 'note ' + index } } })
      store.transaction.oncomplete = () => back()`)
    const startedMs = performance.now()
    await setOffline(sheet, false)
    while ((await inOutbox('const count = store.count(); count.onsuccess = () => back(count.result)')) > 0);
    print('1,000 events recorded offline, sent on return', performance.now() - startedMs, 'ms', 800)
    await setOffline(sheet, false)
    // A processor of a phone: the site of 200 units and the job of 24 are made by the owner, as somebody would.
    await sheet.driver.manage().deleteAllCookies()
    await signIn(sheet, 'mira', 'clear-to-the-fins')
    const { taps, views, jumps } = await paintTimes(sheet, { find, devtools }, small)
    const sorted = taps.map(({ ms }) => ms).sort((a, b) => a - b)
    print(`tap to paint, ${taps.length} taps, 95 of 100 below`, sorted[Math.ceil(0.95 * sorted.length) - 1], 'ms', 100)
    for (const { place, ms } of views) print(`from one view to the next, ${place}`, ms, 'ms', 300)
    print('largest sum of layout shifts on a view', Math.max(...jumps.map(({ shift }) => shift)), '', 0.05)
  } finally {
    await sheet.close()
    await app.close()
  }
})
try {
  await group('server', (print) => measureApi(process.env, print, small))
} finally {
  await database?.stop()
}

await group('fetched', (print) => {
  const assets = readdirSync(inRoot('web/dist/assets'))
  const entry = readFileSync(inRoot('web/dist/index.html'), 'utf8').match(/src="\/assets\/([^"]+\.js)"/)[1]
  const firstView = withImports(
    assets,
    assets.find((name) => /^Today-.*\.js$/.test(name)),
    withImports(assets, entry),
  )
  const compressed = (files) => [...files].reduce((sum, file) => sum + gzipSync(readFileSync(inRoot('web/dist/assets', file))).length, 0) / 1000
  print('JavaScript for the first view, compressed', compressed(firstView), 'kB', 180)
  const sheetsOfFirst = readFileSync(inRoot('web/dist/index.html'), 'utf8').matchAll(/href="\/assets\/([^"]+\.css)"/g)
  print('styles for the first view, compressed', compressed([...sheetsOfFirst].map(([, name]) => name)), 'kB', 40)
  const lazy = assets
    .filter((name) => /^[A-Z]\w+-.*\.js$/.test(name))
    .map((name) => ({ name, kB: compressed([...withImports(assets, name, new Set(firstView))].filter((file) => !firstView.has(file))) }))
  const largest = lazy.reduce((most, own) => (own.kB > most.kB ? own : most))
  print(`most that a view brings besides (${largest.name.split('-')[0]})`, largest.kB, 'kB', 120)
  const kept = [...readFileSync(inRoot('web/dist/sw.js'), 'utf8').matchAll(/url:"([^"]+)"/g)].map(([, url]) => url)
  print('kept on the device, all pages', kept.reduce((sum, url) => sum + readFileSync(inRoot('web/dist', url)).length, 0) / 1e6, 'MB', 2.6)
})
console.log(measured.summary())
