// Who reads in gallons and Fahrenheit finds no litre and no Celsius on any view, whoever wrote the sentence.
import { startApp, type RunningApp } from './support/app.ts'
import { click, expectText, openBrowser, signIn, type Sheet } from './support/browser.ts'
import { goTo, sights, unitsOfDemo } from './support/everywhere.ts'

jest.setTimeout(240_000)
let app: RunningApp
let sheet: Sheet
let units: { JOB: string; PROVED: string }
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'mira', 'clear-to-the-fins')
  units = await unitsOfDemo(sheet)
  await click(sheet, '[data-units]')
  for (const measure of ['°F', 'gal', 'CFM', 'Btu/h']) await click(sheet, `[data-measure="${measure}"]`)
  await click(sheet, '.el-dialog__headerbtn')
  // However quickly they were tapped, all four are kept.
  await expectText(sheet, '[data-units]', '°F')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

/** What is the customer's, who reads in units of their own; and what offers units to choose from. */
const others = '[data-report], [data-customer-text], [data-quote-text], [data-customer-units], [data-choose-units], [data-units]'
/** Everything that is read, in folds that are not opened too. */
const metricIn = () =>
  sheet.driver.executeScript<string[]>(
    `const page = document.querySelector('main').cloneNode(true)
    for (const other of page.querySelectorAll(arguments[0])) other.remove()
    const texts = [...page.querySelectorAll('*')].flatMap((element) => [...element.childNodes].filter(({ nodeType }) => nodeType === 3))
    const lines = [...page.querySelectorAll('li, p, td, h1, h2, h3, dd, dt, label, .figure, span')].map((element) => element.textContent.replace(/\\s+/g, ' ').trim())
    return [...new Set(lines.filter((line) => /\\d\\s?(°C|m?L|L\\/min|L\\/h|m³\\/h|kW)(?![\\w/])/.test(line) && texts.length > 0))].map((line) => line.slice(0, 160))`,
    others,
  )

it.each(sights.map((sight) => [sight.name, sight] as const))('%s', async (_, sight) => {
  await goTo(sheet, sight, units)
  expect(await metricIn()).toEqual([])
})
