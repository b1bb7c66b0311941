// Moves the clocks of page and server together, so that a dwell of ten minutes does not take a test ten minutes. Neither's own code is touched.
import { appAt } from './app.ts'
import { devtools, type Sheet } from './browser.ts'

const shim = `(() => {
  const RealDate = Date
  const shift = () => Number(localStorage.getItem('test-clock-shift') ?? 0)
  window.Date = class extends RealDate {
    constructor(...given) { if (given.length > 0) super(...given); else super(RealDate.now() + shift()) }
    static now() { return RealDate.now() + shift() }
  }
  // While both clocks are moved nothing is asked: what one of them says would be of another time than the other.
  const realFetch = window.fetch
  let underWay = 0
  let goesOn = Promise.resolve()
  window.fetch = async (...given) => {
    await goesOn
    underWay++
    try { return await realFetch(...given) } finally { underWay-- }
  }
  window.testClock = {
    async hold() {
      goesOn = new Promise((resolve) => { window.testClock.release = resolve })
      do await new Promise((resolve) => setTimeout(resolve, 20)); while (underWay > 0)
    },
    release() {},
  }
})()`

/** Makes the clock of every page that is opened from now on movable. */
export const makeClockMovable = (sheet: Sheet): Promise<void> => devtools(sheet, 'Page.addScriptToEvaluateOnNewDocument', { source: shim })

/** Moves the clock of the page alone, as somebody who sets a phone would. */
export const setPageClock = async ({ driver }: Sheet, minutes: number): Promise<void> => {
  await driver.executeScript(
    "localStorage.setItem('test-clock-shift', String(Number(localStorage.getItem('test-clock-shift') ?? 0) + arguments[0] * 60000))",
    minutes,
  )
}

/** Time goes by, for the page and for the server. */
export const moveClock = async (sheet: Sheet, minutes: number): Promise<void> => {
  const { driver } = sheet
  await driver.executeAsyncScript('window.testClock.hold().then(arguments[0])')
  await appAt(sheet.base).moveClock(minutes)
  await setPageClock(sheet, minutes)
  await driver.executeScript('window.testClock.release()')
}
