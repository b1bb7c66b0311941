// How long does a person wait for the page on a phone-sized processor? From a tap to the next paint, from one view to the next, and how far things
// jump meanwhile: measured by the browser itself, four times slowed.
const slowed = 4

/** Puts watchers on the page that is open: taps that took long, and shifts that nobody caused. */
const watch = `
  window.waits = []; window.shifts = []
  new PerformanceObserver((list) => { for (const { name, duration, interactionId } of list.getEntries())
    if (interactionId > 0 && ['pointerup', 'click', 'keydown'].includes(name)) waits.push({ interactionId, duration })
  }).observe({ type: 'event', durationThreshold: 16, buffered: false })
  new PerformanceObserver((list) => { for (const { value, hadRecentInput } of list.getEntries()) if (!hadRecentInput) shifts.push(value) })
    .observe({ type: 'layout-shift', buffered: true })`

/** Milliseconds of each tap, the longest event of it counting; what is shorter than the browser tells is 8. */
const taken = `
  const longest = new Map()
  for (const { interactionId, duration } of waits) longest.set(interactionId, Math.max(longest.get(interactionId) ?? 0, duration))
  const own = [...longest.values()]
  waits.length = 0
  return own`

/** Follows a link by a script and says how long it took until the view is there and painted. */
const follow = `
  const [css, place, back] = arguments
  const link = document.querySelector(css)
  if (!link) return back(null)
  const start = performance.now()
  // With the layout of the frame that shows it; what is done after that frame is not waited for.
  const painted = () => {
    document.body.offsetHeight
    back(performance.now() - start)
  }
  const look = () => {
    const main = document.querySelector('main')
    if (main.dataset.place === place && main.ariaBusy === 'false') painted()
    else requestAnimationFrame(look)
  }
  link.click()
  look()`

/** Makes a site of many units, and a visit to some of them, as the page would. @returns their ids */
const makeLarge = `
  const [units, onVisit, back] = arguments
  const post = async (path, body) => {
    const response = await fetch(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
    const said = await response.json()
    if (!response.ok) throw new Error(path + ': ' + JSON.stringify(said))
    return said
  }
  const make = async () => {
    const site = await post('/api/sites', { site: { name: 'The long corridor', setting: 'lodging', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
    const traits = { family: 'wall-head', design: { ratedCoolingKw: 3.5 } }
    for (let from = 0; from < units; from += 50)
      await post('/api/sites/' + site.id + '/alike-units', { names: Array.from({ length: 50 }, (_, at) => 'Room ' + (from + at)), ...traits })
    const made = await (await fetch('/api/sites/' + site.id)).json()
    const me = await (await fetch('/api/session')).json()
    const job = await post('/api/jobs', {
      siteId: site.id, unitIds: made.units.slice(0, onVisit).map(({ id }) => id), onDate: new Date().toISOString().slice(0, 10), crewIds: [me.id],
    })
    return { siteId: site.id, jobId: job.id, unitId: made.units[0].id }
  }
  make().then(back, (error) => back({ error: String(error) }))`

/** @param browser the moves of the interface tests @returns {taps, views, shift}: ms each, and the largest sum of shifts on one view */
export async function paintTimes(sheet, { find, devtools }, small = false) {
  const rounds = small ? ['second'] : ['first', 'second']
  const { driver, base } = sheet
  const slow = (rate) => devtools(sheet, 'Emulation.setCPUThrottlingRate', { rate })
  const [taps, views, jumps] = [[], [], []]
  const tap = async (css) => {
    await find(sheet, css)
    const [first] = await driver.findElements({ css })
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', first)
    await driver.sleep(250)
    await first.click()
    await driver.sleep(700)
    const own = await driver.executeScript(taken)
    taps.push({ css, ms: own.length === 0 ? 8 : Math.max(...own) })
  }
  const open = async (path, css) => {
    await driver.get(base + path)
    await find(sheet, css)
    await driver.executeScript(watch)
    await driver.sleep(1500)
  }
  const settle = async (name) => {
    const all = await driver.executeScript('const own = shifts.reduce((sum, value) => sum + value, 0); shifts.length = 0; return own')
    jumps.push({ name, shift: all })
  }
  const go = async (css, place) => {
    const ms = await driver.executeAsyncScript(follow, css, place)
    if (ms === null) throw new Error(`nothing leads to ${place} by ${css}`)
    views.push({ place, ms })
    await driver.sleep(900)
    await settle(place)
  }
  await driver.get(base)
  await find(sheet, 'a.unit')
  const started = await driver.executeScript(
    "return document.querySelector('a.unit[href$=\"/at-the-unit\"]').getAttribute('href').replace('/at-the-unit', '')",
  )
  await slow(slowed)
  await open('/', 'a.unit')
  await settle('today')
  // Every view is opened once before, as somebody has who works with it: what is fetched the first time is the network's time.
  for (const round of rounds) {
    for (const [css, place] of [
      ['header a[href="/sites"]', 'sites'],
      ['header a[href="/logbook"]', 'logbook'],
      ['header a[href="/stores"]', 'stores'],
      ['header a[href="/house-rules"]', 'house-rules'],
      ['header nav a[href="/"]', 'today'],
      [`a.unit[href="${started}/at-the-unit"]`, 'at-the-unit'],
      ['a[href$="/look-over"]', 'look-over'],
      ['a[href$="/method"]', 'method'],
      ['a[href$="/proof"]', 'proof'],
      ['header nav a[href="/"]', 'today'],
    ])
      await go(css, place)
    if (round === 'first') views.length = 0
  }
  await slow(1)
  const large = await driver.executeAsyncScript(makeLarge, small ? 50 : 200, small ? 3 : 24)
  if (large.error) throw new Error(large.error)
  await slow(slowed)
  const toSite = `a[href="/sites/${large.siteId}"]`
  const toJob = `a.unit[href*="${large.jobId}/${large.unitId}"]`
  await open('/sites', toSite)
  for (const round of rounds) {
    await go(toSite, 'site')
    if (round === 'second') views.at(-1).place = 'a site of 200 units'
    await go('header nav a[href="/"]', 'today')
    await find(sheet, toJob)
    await go(toJob, 'look-over')
    if (round === 'second') views.at(-1).place = 'look-over in a job of 24'
    await go('header nav a[href="/sites"]', 'sites')
    if (round === 'first') views.length -= 4
  }
  await open('/', toJob)
  await go(toJob, 'look-over')
  views.length--
  await tap('[data-callout="wheel"] .hit')
  for (const grade of [1, 3, 2]) await tap(`[data-set-grade="${grade}"]`)
  await open(`${started}/look-over`, 'svg.section')
  for (const part of small ? ['pan'] : ['wheel', 'coilFace', 'pan', 'outlet']) {
    await tap(`[data-callout="${part}"] .hit`)
    for (const grade of [1, 3, 2]) await tap(`[data-set-grade="${grade}"]`)
  }
  for (const name of ['musty-smell', 'weak-cooling', 'dripping'])
    if ((await driver.findElements({ css: `[data-complaint="${name}"]` })).length > 0) await tap(`[data-complaint="${name}"]`)
  await tap('[data-complaint]')
  await tap('[data-finding]')
  await tap('[data-finding]')
  await tap('[data-undo]')
  await settle('look-over, tapped')
  await open(`${started}/method`, '[data-totals]')
  await tap('[data-topic] [aria-expanded="false"]')
  await settle('method, tapped')
  await open(`${started}/at-the-unit`, '[data-step]')
  for (const css of ['[data-other]', '[data-other]', '[data-begin]', '[data-more]', '[data-less]', '[data-pause]'])
    if ((await driver.findElements({ css })).length > 0) await tap(css)
  await settle('at the unit, tapped')
  await slow(1)
  return { taps, views, jumps }
}
