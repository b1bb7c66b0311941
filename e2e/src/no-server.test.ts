// The server is killed in the middle of work: pages still open, work goes on, and afterwards every event is there once.
import { startApp, type RunningApp } from './support/app.ts'
import { clickText, expectText, find, openBrowser, signIn, waitUntil, type Sheet } from './support/browser.ts'
import { go, isAt, openedUnit } from './support/places.ts'
import { grade, sent } from './support/moves.ts'

jest.setTimeout(180_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base, { installs: true })
  await signIn(sheet, 'sanna', 'clear-to-the-fins')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})
/** Whether the pages are kept on the device, today's jobs too. */
const isKept = () =>
  sheet.driver.executeAsyncScript<boolean>(`
    const back = arguments[arguments.length - 1]
    Promise.all([
      navigator.serviceWorker.ready,
      new Promise((done) => { const open = indexedDB.open('yastik'); open.onsuccess = () => { const all = open.result.transaction('shelf').objectStore('shelf').getAllKeys(); all.onsuccess = () => { open.result.close(); done(all.result) } } }),
    ]).then(([worker, kept]) => back(worker.active?.state === 'activated' && kept.filter((path) => path.startsWith('/api/jobs/')).length >= 3), () => back(false))`)

describe('a server that is gone', () => {
  it('leaves the pages and today’s jobs on the device', async () => {
    await go(sheet, 'today')
    await find(sheet, 'a.unit')
    await waitUntil(sheet, isKept, 'the pages are not kept on the device', 30_000)
    await app.kill()
    await sheet.driver.navigate().refresh()
    await expectText(sheet, '[data-from-device]', 'showing the last known state')
    await clickText(sheet, 'Meeting room')
    await isAt(sheet, 'look-over')
    await find(sheet, 'svg.section')
  })
  it('keeps what is tapped, over a reload too, and says that it is not sent', async () => {
    await grade(sheet, 'pan', 3)
    await grade(sheet, 'wheel', 2)
    await expectText(sheet, '.unsent', '2 not sent yet')
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-part="pan"][data-grade="3"]')
    await find(sheet, '[data-part="wheel"][data-grade="2"]')
    await expectText(sheet, '.unsent', '2 not sent yet')
  })
  it('has every event once when it is back, killed again in the middle of sending or not', async () => {
    const { jobId } = await openedUnit(sheet)
    await app.revive()
    await sheet.driver.sleep(300)
    await app.kill()
    await grade(sheet, 'filter', 1)
    await app.revive()
    await sent(sheet)
    const stored = await app.storedIds(jobId)
    expect(stored).toHaveLength(3)
    expect(new Set(stored).size).toBe(3)
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-part="filter"][data-grade="1"]')
    await find(sheet, '[data-part="pan"][data-grade="3"]')
  })
  it('shows nothing of anybody after signing out', async () => {
    await app.kill()
    await clickText(sheet, 'Sign out')
    await expectText(sheet, 'header [role="alert"]', 'you need one to sign out')
    await app.revive()
    await clickText(sheet, 'Sign out')
    await isAt(sheet, 'sign-in')
    await app.kill()
    await sheet.driver.get(`${app.base}/`)
    await isAt(sheet, 'sign-in')
    await app.revive()
  })
})
