// The crew's day: work moves to somebody else by drag, by tap and by key; what cannot be is turned down in words.
import { Key, Origin } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import {
  bringIntoView,
  click,
  clickText,
  exists,
  expectText,
  find,
  fitsPhone,
  gone,
  openBrowser,
  setSize,
  signIn,
  textOf,
  tryAgain,
  waitUntil,
  type Sheet,
} from './support/browser.ts'
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
const press = (sheet: Sheet, key: string) => sheet.driver.actions().sendKeys(key).perform()
/** Who does a step of the first unit, as the timeline shows it. */
const whoDoes = async (sheet: Sheet, step: string): Promise<string[]> => {
  let who: string[] = []
  const isDrawn = async () => {
    who = await sheet.driver.executeScript<string[]>(
      "return [...document.querySelectorAll('[data-task*=\"/' + arguments[0] + '\"]')].map((bar) => bar.dataset.who)",
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
  const bar = await find(sheet, `[data-task*="/${step}"]`)
  await bringIntoView(sheet, bar)
  const lane = await sheet.driver.executeScript<number>(
    "const day = document.querySelector('svg.day'); return (day.getBoundingClientRect().width / day.viewBox.baseVal.width) * 46",
  )
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
    await click(sanna, '[data-task*="/mix-agent"]')
    await expectText(sanna, '[data-picked]', 'assigned')
    await clickText(sanna, 'Anyone who is free')
    await expectText(sanna, '[data-outcome]', 'Anyone who is free')
  })
  it('that asks for training is not given to somebody without it, and it is said who has it', async () => {
    expect(await whoDoes(imre, 'off-end-plate')).toEqual(expect.arrayContaining(['Imre Vold']))
    await drag(imre, 'off-end-plate', 1)
    await expectText(imre, '[role="alert"]', 'Sanna Kirov is not trained for pulling wheels')
    await expectText(imre, '[role="alert"]', 'Allowed: Imre Vold')
    await gone(imre, '[data-outcome]')
    expect(await whoDoes(imre, 'off-end-plate')).not.toContain('Sanna Kirov')
  })
  it('moves with the arrow keys', async () => {
    const [before] = await whoDoes(imre, 'wash-pan')
    const [to, key] = before === 'Imre Vold' ? ['Sanna Kirov', Key.ARROW_DOWN] : ['Imre Vold', Key.ARROW_UP]
    await tryAgain(imre, async () => {
      const bar = await find(imre, '[data-task*="/wash-pan"]')
      await imre.driver.executeScript('arguments[0].focus()', bar)
      await bar.sendKeys(key)
    })
    await waitFor(imre, 'wash-pan', to)
    await follow(imre, 'At the unit')
    await find(imre, '[data-step]')
    await gone(imre, '[data-crew-timeline]')
  })
})

describe('the window on the day', () => {
  const minutesOf = (text: string) => {
    const [from, to] = text.split('–').map((time) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5)))
    return (to - from + 1440) % 1440
  }
  const shown = async () => textOf(imre, '[data-window]')
  const changes = async (doing: () => Promise<void>) => {
    const before = await shown()
    await doing()
    await waitUntil(imre, async () => (await shown()) !== before, 'the window stays')
    return [minutesOf(before), minutesOf(await shown())]
  }
  it('comes nearer and goes farther by taps and by keys, and its bars say what they are', async () => {
    await goToStation(imre, 'crew')
    await find(imre, '[data-crew-overview] .overlay')
    if (await exists(imre, '[data-farther]:not(:disabled)')) await press(imre, '0')
    const all = minutesOf(await shown())
    const bars = () => imre.driver.executeScript<number>("return document.querySelectorAll('svg.day .task').length")
    const [many] = [await bars()]
    const [before, after] = await changes(() => click(imre, '[data-nearer]'))
    expect(after).toBeLessThan(before)
    await changes(() => press(imre, '+'))
    expect(await bars()).toBeLessThan(many)
    await expectText(imre, 'svg.day', /[A-C] [A-Z][a-z]+ ?/)
    await changes(() => press(imre, Key.ARROW_RIGHT))
    await changes(() => press(imre, Key.ARROW_LEFT))
    await changes(() => press(imre, '-'))
    await press(imre, '0')
    await waitUntil(imre, async () => minutesOf(await shown()) === all, 'the whole day is not shown')
    await find(imre, '[data-farther]:disabled')
  })
  it('is drawn on the overview, pinched on a touchpad, and dragged along', async () => {
    const overview = await find(imre, '[data-crew-overview] .overlay')
    await bringIntoView(imre, overview)
    const [, drawn] = await changes(() =>
      imre.driver.actions().move({ origin: overview, x: -250 }).press().move({ origin: overview, x: -100 }).release().perform(),
    )
    expect(drawn).toBeGreaterThan(9)
    const wheel = (deltaY: number, ctrlKey: boolean) =>
      imre.driver.executeScript(
        `const day = document.querySelector('svg.day'), { x, y, width } = day.getBoundingClientRect()
        day.dispatchEvent(new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX: x + width / 2, clientY: y + 8, deltaY: arguments[0], ctrlKey: arguments[1] }))`,
        deltaY,
        ctrlKey,
      )
    const [before, after] = await changes(() => wheel(20, true) as Promise<void>)
    expect(after).toBeGreaterThan(before)
    // Without Ctrl the wheel is the page's.
    const stays = await shown()
    await wheel(-60, false)
    expect(await shown()).toBe(stays)
    const ground = await find(imre, 'svg.day .axis')
    const [length, same] = await changes(() =>
      imre.driver.actions().move({ origin: ground, y: -60 }).press().move({ origin: Origin.POINTER, x: -120 }).release().perform(),
    )
    expect(Math.abs(same - length)).toBeLessThanOrEqual(1)
    await press(imre, '0')
  })
  it('fits a phone without being scrolled sideways', async () => {
    await fitsPhone(imre)
    await setSize(imre, 390, 844)
    await waitUntil(
      imre,
      async () => (await imre.driver.executeScript<number>("return document.querySelector('svg.day').clientWidth")) < 390,
      'too wide',
    )
    await setSize(imre, 1280, 800)
  })
})

describe('the same as a list', () => {
  it('says who does what from when to when, and gives it to others', async () => {
    await goToStation(imre, 'crew')
    await find(imre, 'svg.day')
    await clickText(imre, 'List')
    await expectText(imre, '[data-crew-tasks]', /\d\d:\d\d–\d\d:\d\d/)
    await click(imre, '[data-pick-task*="/mix-agent"]')
    const own = await (await find(imre, '[data-picked]')).getText()
    const other = own.includes('Imre Vold,') ? 'Sanna Kirov' : 'Imre Vold'
    await clickText(imre, `Give to ${other}`)
    await expectText(imre, '[data-outcome]', other)
    await click(imre, '[data-pick-task*="/mix-agent"]')
    await expectText(imre, '[data-picked]', `${other}, from`)
    await clickText(imre, 'Anyone who is free')
    await clickText(imre, 'Timeline')
    await find(imre, 'svg.day')
  })
})
