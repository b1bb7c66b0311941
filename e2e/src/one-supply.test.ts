// Two units on one breaker, two people: one isolation, nothing read meanwhile, and no power before the last count, on a phone without a signal too.
import { startApp, type RunningApp } from './support/app.ts'
import { click, clickText, expectText, find, gone, openBrowser, setOffline, signIn, textOf, type, waitUntil, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { doStep, grade, sent, stepId, workUntil } from './support/moves.ts'
import { go, isAt, openUnit } from './support/places.ts'

jest.setTimeout(240_000)
let app: RunningApp
let mira: Sheet
let sanna: Sheet
beforeAll(async () => {
  app = await startApp()
  ;[mira, sanna] = await Promise.all([openBrowser(app.base, { installs: true }), openBrowser(app.base, { installs: true })])
  await signIn(mira, 'mira', 'clear-to-the-fins')
  await signIn(sanna, 'sanna', 'clear-to-the-fins')
  await go(mira, 'sites')
  await clickText(mira, 'Halvmark Survey Office')
  await isAt(mira, 'site')
  for (const name of ['Meeting room', 'Plotter room']) {
    await click(mira, `[aria-label="Traits of ${name}"]`)
    await type(mira, '[data-unit-form] input[name="supply"]', 'breaker 6')
    await clickText(mira, 'Save the unit')
    await gone(mira, '[data-unit-form]')
  }
  for (const sheet of [mira, sanna]) await makeClockMovable(sheet)
}, 240_000)
afterAll(async () => {
  await mira?.close()
  await sanna?.close()
  await app?.close()
})

async function agree(sheet: Sheet, unit: string): Promise<void> {
  await openUnit(sheet, unit)
  await grade(sheet, 'coilFace', 1)
  await clickText(sheet, 'See the method')
  await isAt(sheet, 'method')
  await click(sheet, '[data-agree]')
  await isAt(sheet, 'at-the-unit')
  await find(sheet, '[data-step]')
  await sent(sheet)
}
const toVisit = async (sheet: Sheet) => {
  await click(sheet, '[data-to-visit]')
  await find(sheet, '[data-visit]')
}

describe('two units on one breaker', () => {
  it('share what is done once: what one of two people did is not asked of the other', async () => {
    await agree(mira, 'Meeting room')
    await agree(sanna, 'Plotter room')
    expect(await doStep(mira)).toBe('arrive')
    await sent(mira)
    await waitUntil(sanna, async () => (await stepId(sanna)) !== 'arrive', 'both arrive')
  })
  it('are isolated once, after both were read, and both see by whom', async () => {
    await workUntil(sanna, (id) => id === 'read-before')
    await doStep(sanna)
    await sent(sanna)
    await workUntil(mira, (id) => id === 'isolate')
    await doStep(mira)
    await doStep(mira)
    await sent(mira)
    await expectText(sanna, '[data-isolated]', 'Mira Fennick')
    await expectText(sanna, '[data-isolated]', 'together with Meeting room')
  })
  it('get no power while the other one is open, on a phone without a signal either', async () => {
    await setOffline(mira, true)
    await workUntil(mira, (id) => id === 'check-ledger')
    await doStep(mira)
    expect(await stepId(mira)).not.toBe('power-on')
    await toVisit(mira)
    await expectText(mira, '[data-supply]', 'No power until every part is back: Plotter room')
    await expectText(mira, '[data-visit-steps]', /Power on.*first: Check every part is back/s)
    await setOffline(mira, false)
    await sent(mira)
  })
  it('are powered once after the last count, and both go on', async () => {
    await workUntil(sanna, (id) => id === 'power-on')
    await doStep(sanna)
    await sent(sanna)
    await expectText(mira, '[data-supply]', 'Power on')
    await clickText(mira, 'Meeting room')
    await isAt(mira, 'at-the-unit')
    expect(await workUntil(mira, () => false)).toEqual(expect.arrayContaining(['run-unit', 'run-test']))
    expect(await workUntil(sanna, () => false)).not.toContain('power-on')
  })
  it('leave who came and went, and notes, on the record of the visit', async () => {
    await toVisit(sanna)
    await click(sanna, '[data-came]')
    await type(sanna, 'input[name="visit-note"]', 'key back at the desk')
    await click(sanna, '[data-visit] [data-note]')
    await expectText(sanna, '[data-visit-log]', 'key back at the desk')
    await expectText(sanna, '[data-visit-log]', 'Sanna Kirov arrived')
    expect(await textOf(sanna, '[data-visit-steps]')).not.toMatch(/can start/)
  })
})
