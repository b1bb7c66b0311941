// Devices with clocks of their own, tabs of one browser, a phone that sleeps: nothing lost, nothing doubled, and all agree on a wait.
import { startApp, type RunningApp } from './support/app.ts'
import { devtools, expectText, find, gone, openBrowser, signIn, textOf, type Sheet } from './support/browser.ts'
import { follow, isAt, openUnit } from './support/places.ts'
import { makeClockMovable, moveClock, setPageClock } from './support/clock.ts'
import { doStep, grade, sent, workUntil } from './support/moves.ts'

jest.setTimeout(240_000)
let app: RunningApp
let imre: Sheet
let sanna: Sheet
beforeAll(async () => {
  app = await startApp()
  ;[imre, sanna] = await Promise.all([openBrowser(app.base, { installs: true }), openBrowser(app.base, { installs: true })])
  await makeClockMovable(imre)
  await makeClockMovable(sanna)
  await signIn(imre, 'imre', 'clear-to-the-fins')
  await signIn(sanna, 'sanna', 'clear-to-the-fins')
})
afterAll(async () => {
  await imre?.close()
  await sanna?.close()
  await app?.close()
})
/** Minutes that the dwell clock shows. */
const shownMin = async (sheet: Sheet) => Number((await textOf(sheet, '[role="timer"] .time')).split(':')[0])

describe('clocks that differ', () => {
  it('are measured and said; waits are counted by the server’s', async () => {
    await setPageClock(sanna, 37)
    await openUnit(sanna, 'Room 3, over the door', 'at-the-unit')
    await expectText(sanna, '[data-clock]', 'clock is 37 min ahead')
    await openUnit(imre, 'Room 3, over the door', 'at-the-unit')
    await find(imre, '[data-step]')
    await gone(imre, '[data-clock]')
    await workUntil(imre, (id) => id === 'apply-coil')
    await find(sanna, '[data-step="apply-coil"]')
    await doStep(sanna)
    const left = await shownMin(sanna)
    expect(left).toBeLessThanOrEqual(10)
    expect(left).toBeGreaterThan(5)
    await find(imre, '[role="timer"]')
    expect(Math.abs((await shownMin(imre)) - left)).toBeLessThanOrEqual(1)
    await sent(sanna)
    await follow(sanna, 'Record')
    await expectText(sanna, '[data-record]', 'that device’s clock was 37 min ahead')
  })
  it('run on while the phone sleeps, and what others did meanwhile is there when it wakes', async () => {
    await openUnit(imre, 'Room 3, over the door', 'at-the-unit')
    await find(imre, '[role="timer"][data-alarm="soaking"]')
    await devtools(imre, 'Page.setWebLifecycleState', { state: 'frozen' })
    await openUnit(sanna, 'Room 3, over the door', 'look-over')
    await grade(sanna, 'drainLine', 2)
    await sent(sanna)
    await app.moveClock(11)
    await devtools(imre, 'Page.setWebLifecycleState', { state: 'active' })
    await setPageClock(imre, 11)
    await expectText(imre, '[role="timer"]', 'may go on')
    await follow(imre, 'Look-over')
    await find(imre, '[data-part="drainLine"][data-grade="2"]')
  })
})

describe('two tabs of one browser', () => {
  it('share what happened while nobody answers, and every event is there once afterwards', async () => {
    await openUnit(imre, 'Plotter room', 'look-over')
    await find(imre, 'svg.section')
    const address = await imre.driver.getCurrentUrl()
    const first = await imre.driver.getWindowHandle()
    await imre.driver.switchTo().newWindow('tab')
    await imre.driver.get(address)
    await isAt(imre, 'look-over')
    const jobId = new URL(address).pathname.split('/')[2]
    const before = await app.storedIds(jobId)
    await app.kill()
    await grade(imre, 'wheel', 3)
    await imre.driver.switchTo().window(first)
    await find(imre, '[data-part="wheel"][data-grade="3"]')
    await grade(imre, 'pan', 2)
    await expectText(imre, '.unsent', '2 not sent yet')
    await app.revive()
    await sent(imre)
    const after = await app.storedIds(jobId)
    expect(after).toHaveLength(before.length + 2)
    expect(new Set(after).size).toBe(after.length)
  })
  it('find their way by address and by the back button', async () => {
    await follow(imre, 'Method')
    await find(imre, '[data-totals]')
    await imre.driver.navigate().back()
    await find(imre, '[data-part="pan"][data-grade="2"]')
    await imre.driver.navigate().forward()
    await find(imre, '[data-totals]')
    await moveClock(imre, 1)
    await imre.driver.navigate().refresh()
    await find(imre, '[data-totals]')
  })
})
