// For everyone: nothing that can be seen keeps anybody from using it, on a desk or on a phone, in whatever light.
import { startApp, type RunningApp } from './support/app.ts'
import { findings } from './support/axe.ts'
import { find, fitsPhone, openBrowser, setSize, signIn, type Sheet } from './support/browser.ts'
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
  await signIn(sheet, 'mira', 'clear-to-the-fins')
  units = await unitsOfDemo(sheet)
})

/** What a page shows where something was put into it that nobody has said: a message, an object, nothing. */
const unsaid = /\[object|"key"|undefined|\bNaN\b|\b(names|plan|procedure|units|method|lookover|run|proof)\.[a-z][\w-]*\./

it.each(sights)('$name keeps nobody out, on a desk or on a phone, and nothing sticks out', async (sight) => {
  await setSize(sheet, 1280, 800)
  await goTo(sheet, sight, units)
  expect(await sheet.driver.executeScript<string>('return document.body.innerText')).not.toMatch(unsaid)
  expect(await findings(sheet)).toEqual([])
  await setSize(sheet, 390, 844)
  expect(await findings(sheet)).toEqual([])
  await fitsPhone(sheet)
})
