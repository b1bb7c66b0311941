// Two people on one job: each sees what the other does, and after a time apart nothing is lost.
import { get } from 'node:http'
import { startApp, type RunningApp } from './support/app.ts'
import { click, expectText, find, openBrowser, setOffline, signIn, waitUntil, type Sheet } from './support/browser.ts'
import { openUnit, type Station } from './support/places.ts'
import { doStep, grade, sent } from './support/moves.ts'

jest.setTimeout(180_000)
let app: RunningApp
let imre: Sheet
let sanna: Sheet
beforeAll(async () => {
  app = await startApp()
  ;[imre, sanna] = await Promise.all([openBrowser(app.base, { installs: true }), openBrowser(app.base, { installs: true })])
  await signIn(imre, 'imre', 'clear-to-the-fins')
  await signIn(sanna, 'sanna', 'clear-to-the-fins')
})
afterAll(async () => {
  await imre?.close()
  await sanna?.close()
  await app?.close()
})
async function openBoth(unit: string, station: Station): Promise<void> {
  for (const sheet of [imre, sanna]) {
    await openUnit(sheet, unit, station)
  }
}

describe('two people on one job', () => {
  it('see each other grade a part within two seconds', async () => {
    await openBoth('Room 5, window wall', 'look-over')
    await find(sanna, 'svg.section')
    await grade(imre, 'wheel', 4)
    const startMs = Date.now()
    await find(sanna, '[data-part="wheel"][data-grade="4"]')
    expect(Date.now() - startMs).toBeLessThan(2500)
  })
  it('are not asked to do what the other has done', async () => {
    await openBoth('Room 3, over the door', 'at-the-unit')
    await find(sanna, '[data-step]')
    const done = await doStep(imre)
    await waitUntil(
      sanna,
      async () => (await sanna.driver.executeScript<string | null>("return document.querySelector('[data-step]')?.dataset.step")) !== done,
      'the other still shows it',
    )
  })
  it('come together again after one was without a signal, with everything that both did', async () => {
    await openBoth('Plotter room', 'look-over')
    await find(sanna, 'svg.section')
    await setOffline(sanna, true)
    await grade(sanna, 'pan', 3)
    await expectText(sanna, '.unsent', '1 not sent yet')
    await grade(imre, 'coilFace', 2)
    await sent(imre)
    await setOffline(sanna, false)
    await sent(sanna)
    await find(imre, '[data-part="pan"][data-grade="3"]')
    await find(sanna, '[data-part="coilFace"][data-grade="2"]')
    await click(imre, '[data-finding="bent-fins"]')
    await find(sanna, '[data-finding="bent-fins"]:has(:checked)')
  })
})

describe('somebody who hangs up in the middle of an answer', () => {
  it('is answered the next time, and nothing is called a fault', async () => {
    const [script] = await imre.driver.executeScript<string[]>('return [...document.scripts].map(({ src }) => src).filter(Boolean)')
    const hangUp = () =>
      new Promise<void>((resolve, reject) => {
        const asking = get(script, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
          answer.once('data', () => asking.destroy())
          answer.once('close', () => resolve())
        })
        asking.once('error', reject)
      })
    for (let times = 0; times < 20; times++) await hangUp()
    expect((await fetch(script)).status).toBe(200)
    // What the server complains of fails the file, when it closes.
  })
})
