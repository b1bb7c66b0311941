// A run stage by stage: where one stands, what one tap says, how it is taken back, and how the record has it.
import { startApp, type RunningApp } from './support/app.ts'
import { click, exists, expectText, find, fitsPhone, gone, openBrowser, setSize, signIn, textOf, waitUntil, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { sent, workUntil } from './support/moves.ts'
import { follow, openUnit } from './support/places.ts'

jest.setTimeout(300_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await makeClockMovable(sheet)
  await signIn(sheet, 'imre', 'clear-to-the-fins')
  await openUnit(sheet, 'Room 3, over the door', 'at-the-unit')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

const lines = () =>
  sheet.driver.executeScript<string[]>(
    "return [...document.querySelectorAll('[data-line]')].map((line) => line.dataset.line + (line.querySelector('[role=img]') ? ' done' : ''))",
  )

it('says which stage it is, of how many, and what else belongs to it', async () => {
  await expectText(sheet, '[data-stage]', /Stage \d+ of \d+ · \d+ min left in it/)
  await workUntil(sheet, (id) => id === 'wash-filters' || id === 'wipe-outside')
  await expectText(sheet, '[data-stage] h2', 'Filters and cover')
  await expectText(sheet, '[data-stage-count]', '0 of 2 done')
})

it('shows another line of the stage where it is tapped', async () => {
  const [other] = await lines()
  await click(sheet, `[data-pick-line="${other}"]`)
  await find(sheet, `[data-step="${other}"]`)
  expect(await lines()).not.toContain(other)
})

it('takes one tap, or one key, for all of a stage in which nothing is counted or confirmed; and one to take it back', async () => {
  for (const finish of [() => click(sheet, '[data-stage-done]'), () => sheet.driver.actions().sendKeys('s').perform()]) {
    await expectText(sheet, '[data-stage-done]', 'All 2 done')
    const before = await textOf(sheet, '[data-to-come]')
    await finish()
    await waitUntil(sheet, async () => (await textOf(sheet, '[data-to-come]')) !== before, 'the stage is still to come')
    await gone(sheet, '[data-step="wash-filters"]')
    await click(sheet, '[data-undo]')
    await expectText(sheet, '[data-stage-count]', '0 of 2 done')
  }
  await click(sheet, '[data-stage-done]')
  await gone(sheet, '[data-step="wash-filters"]')
})

it('is one line of the record, under its stage, on every device', async () => {
  await sent(sheet)
  await follow(sheet, 'Record')
  await expectText(sheet, '[data-record]', /Filters and cover\s+done together: Wash filters and louvres.*; Wash or wipe cover/)
  const other = await openBrowser(app.base)
  await signIn(other, 'sanna', 'clear-to-the-fins')
  await openUnit(other, 'Room 3, over the door', 'record')
  await expectText(other, '[data-record]', 'done together: Wash filters')
  await other.close()
})

it('never offers one tap where something is counted, and fits a phone', async () => {
  await follow(sheet, 'At the unit')
  await workUntil(sheet, (id) => id.startsWith('on-'))
  expect(await exists(sheet, '[data-stage-done]')).toBe(false)
  await setSize(sheet, 390, 844)
  await fitsPhone(sheet)
})
