// How many taps does a wall head take, from the doorbell to the report? Counted by the page itself, for somebody who does it the first time.
import { devtools, click, clickText, exists, expectText, find, openBrowser, signIn, type, waitUntil, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { startApp, type RunningApp } from './support/app.ts'
import { countAllBack, stepId, workUntil } from './support/moves.ts'
import { follow, isAt } from './support/places.ts'

jest.setTimeout(180_000)
const mostTaps = 75
let app: RunningApp
let sheet: Sheet
/** Fields that were written in: each takes a tap of its own. */
let written = 0
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base, { width: 390, height: 844 })
  await makeClockMovable(sheet)
  await devtools(sheet, 'Page.addScriptToEvaluateOnNewDocument', {
    source: `addEventListener('click', ({ isTrusted }) => {
      if (isTrusted) sessionStorage.setItem('taps', String(Number(sessionStorage.getItem('taps') ?? 0) + 1))
    }, true)`,
  })
  await signIn(sheet, 'sanna', 'clear-to-the-fins')
  await sheet.driver.executeScript("sessionStorage.removeItem('taps')")
}, 120_000)
afterAll(async () => {
  await sheet.close()
  await app.close()
})
const taps = async () => Number((await sheet.driver.executeScript<string | null>("return sessionStorage.getItem('taps')")) ?? 0) + written
const write = async (css: string, text: string) => {
  written++
  await type(sheet, css, text)
}

/** As few taps as the step allows: photograph left out or taken, everything counted, its gate confirmed. */
async function doStep(): Promise<string> {
  const id = (await stepId(sheet)) ?? ''
  if (id === 'read-before' || id === 'start-unit') {
    await click(sheet, '[data-leave-out]')
    await write('input[name="left-out-because"]', 'the unit is off')
    await click(sheet, '[data-step] form button[type="submit"]')
  } else {
    if (id === 'run-test') {
      await click(sheet, '[data-opens]')
      await isAt(sheet, 'proof')
      for (const [name, value] of Object.entries({ returnC: '26', returnRh: '54', supplyC: '13.5', airflowM3h: '490' }))
        await write(`[data-readings="after"] input[name="${name}"]`, value)
      await click(sheet, '[data-readings="after"] button[type="submit"]')
      await follow(sheet, 'At the unit')
      await find(sheet, '[data-step="run-test"]')
    }
    if (await exists(sheet, '[data-leave-photo]')) {
      await click(sheet, '[data-leave-photo]')
      await find(sheet, '[data-photo-left-out]')
    }
    await countAllBack(sheet, id)
    const quickest = ['[data-stage-done]', '[data-confirm-done]', '[data-done]']
    for (const css of quickest)
      if (await exists(sheet, css)) {
        await click(sheet, css)
        break
      }
  }
  await waitUntil(sheet, async () => (await stepId(sheet)) !== id, `${id} stays`)
  return id
}

it(`a wall head takes at most ${mostTaps} taps`, async () => {
  const told: Record<string, number> = {}
  await clickText(sheet, 'Meeting room')
  await isAt(sheet, 'look-over')
  // What is soiled is graded part by part; what is clear, in one go.
  for (const [part, grade] of Object.entries({ filter: 2, coilFace: 2, wheel: 1, drainLine: 1 })) {
    await click(sheet, `[data-callout="${part}"] .hit`)
    await click(sheet, `[data-set-grade="${grade}"]`)
    await find(sheet, `[data-part="${part}"][data-grade="${grade}"]`)
  }
  await click(sheet, '[data-rest-clear]')
  await click(sheet, '[data-complaint="smell"]')
  told.lookOver = await taps()
  await follow(sheet, 'See the method')
  await click(sheet, '[data-agree]')
  await isAt(sheet, 'at-the-unit')
  const steps = await workUntil(sheet, () => false, doStep)
  expect(steps).toEqual(expect.arrayContaining(['prove-dead', 'apply-coil', 'check-ledger', 'power-on', 'run-test']))
  told.atTheUnit = await taps()
  await follow(sheet, 'Go to Proof')
  await click(sheet, '[data-hand-over]')
  await expectText(sheet, 'h2', 'proved')
  await clickText(sheet, 'Report')
  await isAt(sheet, 'report')
  told.all = await taps()
  expect(Object.entries(told).filter(([, count]) => !(count > 0 && count <= mostTaps))).toEqual([])
})
