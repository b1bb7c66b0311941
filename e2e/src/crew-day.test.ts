// The crew's day: work moves to somebody else by drag, by tap and by key; what cannot be is turned down in words.
import { Key, Origin } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import { bringIntoView, click, clickText, expectText, find, gone, openBrowser, signIn, tryAgain, waitUntil, type Sheet } from './support/browser.ts'
import { follow, goToStation, openUnit } from './support/places.ts'

jest.setTimeout(180_000)
let app: RunningApp
let imre: Sheet
let sanna: Sheet
beforeAll(async () => {
  app = await startApp()
  ;[imre, sanna] = await Promise.all([openBrowser(app.base), openBrowser(app.base)])
  await signIn(imre, 'imre', 'clear-to-the-fins')
  await signIn(sanna, 'sanna', 'clear-to-the-fins')
  for (const sheet of [imre, sanna]) {
    await openUnit(sheet, 'Room 3, over the door', 'crew')
    await find(sheet, '[data-crew-timeline]')
  }
})
afterAll(async () => {
  await imre?.close()
  await sanna?.close()
  await app?.close()
})
/** Who does a step of the first unit, as the timeline shows it. */
const whoDoes = async (sheet: Sheet, step: string): Promise<string[]> => {
  let who: string[] = []
  const isDrawn = async () => {
    who = await sheet.driver.executeScript<string[]>(
      "return [...document.querySelectorAll('[data-task$=\"/' + arguments[0] + '\"]')].map((bar) => bar.dataset.who)",
      step,
    )
    return who.length > 0
  }
  await waitUntil(sheet, isDrawn, `${step} is not drawn`)
  return who
}
const waitFor = (sheet: Sheet, step: string, who: string) =>
  waitUntil(sheet, async () => (await whoDoes(sheet, step)).includes(who), `${step} is not ${who}’s`)
/** Drags the first bar of a step by so many lanes; the day may be drawn anew before the drag begins. */
const drag = (sheet: Sheet, step: string, lanes: number) => tryAgain(sheet, () => dragOnce(sheet, step, lanes))
async function dragOnce(sheet: Sheet, step: string, lanes: number): Promise<void> {
  const bar = await find(sheet, `[data-task$="/${step}"]`)
  await bringIntoView(sheet, bar)
  const lane = await sheet.driver.executeScript<number>("return document.querySelector('svg.day').getBoundingClientRect().width / 1180 * 46")
  await sheet.driver
    .actions()
    .move({ origin: bar })
    .press()
    .move({ origin: Origin.POINTER, x: 0, y: Math.round((lane * lanes) / 2) })
    .move({ origin: Origin.POINTER, x: 0, y: Math.round((lane * lanes) / 2) })
    .release()
    .perform()
}

describe('work in the crew’s day', () => {
  it('is dragged to somebody else, for all to see, and taken back', async () => {
    const [before] = await whoDoes(imre, 'mix-agent')
    const [to, lanes] = before === 'Imre Vold' ? ['Sanna Kirov', 1] : ['Imre Vold', -1]
    await drag(imre, 'mix-agent', lanes)
    await expectText(imre, '[data-outcome]', new RegExp(`${to}: the end (stays|comes \\d+ min (later|sooner))`))
    await waitFor(imre, 'mix-agent', to)
    await waitFor(sanna, 'mix-agent', to)
    await click(sanna, '[data-task$="/mix-agent"]')
    await expectText(sanna, '[data-picked]', 'given')
    await clickText(sanna, 'Whoever is free')
    await expectText(sanna, '[data-outcome]', 'Whoever is free')
  })
  it('that asks for training is not given to somebody without it, and it is said who has it', async () => {
    expect(await whoDoes(imre, 'off-end-plate')).toEqual(expect.arrayContaining(['Imre Vold']))
    await drag(imre, 'off-end-plate', 1)
    await expectText(imre, '[role="alert"]', 'Sanna Kirov is not trained for wheel removal')
    await expectText(imre, '[role="alert"]', 'Allowed: Imre Vold')
    await gone(imre, '[data-outcome]')
    expect(await whoDoes(imre, 'off-end-plate')).not.toContain('Sanna Kirov')
  })
  it('moves with the arrow keys', async () => {
    const [before] = await whoDoes(imre, 'wash-pan')
    const [to, key] = before === 'Imre Vold' ? ['Sanna Kirov', Key.ARROW_DOWN] : ['Imre Vold', Key.ARROW_UP]
    await tryAgain(imre, async () => {
      const bar = await find(imre, '[data-task$="/wash-pan"]')
      await imre.driver.executeScript('arguments[0].focus()', bar)
      await bar.sendKeys(key)
    })
    await waitFor(imre, 'wash-pan', to)
    await follow(imre, 'At the unit')
    await find(imre, '[data-step]')
    await gone(imre, '[data-crew-timeline]')
  })
})

describe('the same as a list', () => {
  it('says who does what from when to when, and gives it to others', async () => {
    await goToStation(imre, 'crew')
    await find(imre, 'svg.day')
    await clickText(imre, 'As a list')
    await expectText(imre, '[data-crew-tasks]', /\d\d:\d\d–\d\d:\d\d/)
    await click(imre, '[data-pick-task$="/mix-agent"]')
    const own = await (await find(imre, '[data-picked]')).getText()
    const other = own.includes('Imre Vold,') ? 'Sanna Kirov' : 'Imre Vold'
    await clickText(imre, `Give to ${other}`)
    await expectText(imre, '[data-outcome]', other)
    await click(imre, '[data-pick-task$="/mix-agent"]')
    await expectText(imre, '[data-picked]', `${other}, from`)
    await clickText(imre, 'Whoever is free')
    await clickText(imre, 'In time')
    await find(imre, 'svg.day')
  })
})
