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
  await appAt(sheet.base).moveClock(minutes)
  await setPageClock(sheet, minutes)
}
