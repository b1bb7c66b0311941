// For everyone: nothing that can be seen keeps anybody from using it, on a desk or on a phone, in whatever light; and who reads in gallons and Fahrenheit
// finds no litre and no Celsius, whoever wrote the sentence. And nothing jumps while a view opens.
import { startApp, type RunningApp } from './support/app.ts'
import { findings } from './support/axe.ts'
import { click, expectText, find, fitsPhone, openBrowser, setSize, shiftsSince, signInByForm, type Sheet } from './support/browser.ts'
import { goTo, sights, unitsOfDemo } from './support/everywhere.ts'

jest.setTimeout(60_000)
let app: RunningApp
let sheet: Sheet
let units: { JOB: string; PROVED: string }
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await sheet.driver.get(`${app.base}/sign-in`)
}, 120_000)
afterAll(async () => {
  await sheet.close()
  await app.close()
})

it('signing in keeps nobody out', async () => {
  await find(sheet, 'input[name="sign-in"]')
  expect(await findings(sheet)).toEqual([])
  await signInByForm(sheet, 'mira', 'clear-to-the-fins')
  units = await unitsOfDemo(sheet)
})

it('measures are all kept, however quickly they were tapped', async () => {
  await click(sheet, '[data-units]')
  for (const measure of ['°F', 'gal', 'CFM', 'Btu/h']) await click(sheet, `[data-measure="${measure}"]`)
  await click(sheet, '.el-dialog__headerbtn')
  await expectText(sheet, '[data-units]', '°F')
})

/** What a page shows where something was put into it that nobody has said: a message, an object, nothing. */
const unsaid = /\[object|"key"|undefined|\bNaN\b|\b(names|plan|procedure|units|method|lookover|run|proof)\.[a-z][\w-]*\./
/** What is the customer's, who reads in units of their own; and what offers units to choose from. */
const others = '[data-report], [data-customer-text], [data-quote-text], [data-customer-units], [data-choose-units], [data-units]'
/** Lines in other units than somebody chose, in folds that are not opened too. */
const metricIn = () =>
  sheet.driver.executeScript<string[]>(
    `const page = document.querySelector('main').cloneNode(true)
    for (const other of page.querySelectorAll(arguments[0])) other.remove()
    const lines = [...page.querySelectorAll('li, p, td, h1, h2, h3, dd, dt, label, .figure, span')].map((element) => element.textContent.replace(/\\s+/g, ' ').trim())
    return [...new Set(lines.filter((line) => /\\d\\s?(°C|m?L|L\\/min|L\\/h|m³\\/h|kW)(?![\\w/])/.test(line)))].map((line) => line.slice(0, 160))`,
    others,
  )

/** So far things may move by themselves while a view opens, by the browser's own measure. */
const mostShift = 0.05

it.each(sights)('$name keeps nobody out, on a desk or on a phone, speaks in chosen units; nothing sticks out, and nothing jumps', async (sight) => {
  await setSize(sheet, 1280, 800)
  await shiftsSince(sheet)
  await goTo(sheet, sight, units)
  expect(await sheet.driver.executeScript<string>('return document.body.innerText')).not.toMatch(unsaid)
  expect(await metricIn()).toEqual([])
  expect(await findings(sheet, 'as it is')).toEqual([])
  // What comes late has come by now.
  expect(await shiftsSince(sheet)).toBeLessThanOrEqual(mostShift)
  expect(await findings(sheet, 'in the other lights')).toEqual([])
  await setSize(sheet, 390, 844)
  expect(await findings(sheet, 'as it is')).toEqual([])
  await fitsPhone(sheet)
})
