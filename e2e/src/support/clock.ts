// Sets the clock of the page, so that a dwell of ten minutes does not take a test ten minutes. The page's own code is untouched.
import type { Sheet } from './browser.ts'

const shim = `(() => {
  const RealDate = Date
  const shift = () => Number(localStorage.getItem('test-clock-shift') ?? 0)
  window.Date = class extends RealDate {
    constructor(...given) { if (given.length > 0) super(...given); else super(RealDate.now() + shift()) }
    static now() { return RealDate.now() + shift() }
  }
})()`

/** Makes the clock of every page that is opened from now on movable. */
export const makeClockMovable = ({ driver }: Sheet): Promise<void> =>
  (driver as unknown as { sendDevToolsCommand(name: string, parameters: object): Promise<void> }).sendDevToolsCommand(
    'Page.addScriptToEvaluateOnNewDocument',
    { source: shim },
  )

/** Moves the clock of the page by `minutes`; it never runs ahead of the server's. */
export const moveClock = async ({ driver }: Sheet, minutes: number): Promise<void> => {
  await driver.executeScript(
    "localStorage.setItem('test-clock-shift', String(Math.min(0, Number(localStorage.getItem('test-clock-shift') ?? 0) + arguments[0] * 60000)))",
    minutes,
  )
}
