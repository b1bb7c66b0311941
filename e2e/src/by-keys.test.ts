// The main job by keyboard alone: no pointer from signing in to the logbook; and that dialogs give the focus back.
import { Key } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import { exists, expectText, find, gone, openBrowser, waitUntil, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { stepId, workUntil } from './support/moves.ts'
import { isAt } from './support/places.ts'

jest.setTimeout(300_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await makeClockMovable(sheet)
})
afterAll(async () => {
  await sheet.close()
  await app.close()
})

const press = (...keys: string[]) =>
  sheet.driver
    .actions()
    .sendKeys(...keys)
    .perform()
const focusIs = (css: string) => sheet.driver.executeScript<boolean>('return document.activeElement?.matches(arguments[0]) ?? false', css)
/** Goes on with the tabulator until what `css` names has the focus; whoever goes past the end starts again. */
async function tabTo(css: string): Promise<void> {
  // The control itself may be drawn by what stands beside it.
  await waitUntil(sheet, () => exists(sheet, css), `there is no ${css}`)
  for (let turn = 0; turn < 400; turn++) {
    if (await focusIs(css)) return
    await press(Key.TAB)
  }
  throw new Error(`the tabulator does not lead to ${css}`)
}
const enter = async (css: string) => {
  await tabTo(css)
  await press(Key.ENTER)
}
const write = async (css: string, text: string) => {
  await tabTo(css)
  await press(text)
}
const linkTo = (station: string) => `a[href$="/${station}"]`

/** Does the step that is shown, whatever it asks for. */
async function doStepByKeys(): Promise<string> {
  await find(sheet, '[data-step]')
  const id = await stepId(sheet)
  if (!id) throw new Error('no step is shown')
  const here = (css: string) => `[data-step="${id}"] ${css}`
  if (id === 'read-before' || id === 'start-unit') {
    await enter(here('[data-leave-out]'))
    await write('input[name="left-out-because"]', 'no time for it today')
    await press(Key.ENTER)
  } else {
    if (id === 'run-test') {
      await enter('[data-opens]')
      await isAt(sheet, 'proof')
      for (const [name, value] of Object.entries({ returnC: '26', returnRh: '54', supplyC: '13.5', airflowM3h: '490' }))
        await write(`[data-readings="after"] input[name="${name}"]`, value)
      await press(Key.ENTER)
      await find(sheet, '[data-line="cooling"]')
      await enter(linkTo('at-the-unit'))
      await find(sheet, `[data-step="${id}"]`)
    }
    if (await exists(sheet, here('[data-leave-photo]'))) {
      await enter(here('[data-leave-photo]'))
      await find(sheet, here('[data-photo-left-out]'))
    }
    const kinds = (await sheet.driver.findElements({ css: here('[data-all-back]') })).length
    for (let kind = 1; kind <= kinds; kind++) await enter(here(`.count:nth-child(${kind} of .count) [data-all-back]`))
    if (await exists(sheet, here('[data-gate]:not(:has(:checked))'))) {
      await tabTo(here('[data-gate] input'))
      await press(Key.SPACE)
      await find(sheet, here('[data-gate]:has(:checked)'))
    }
    await enter(here('[data-done]'))
    await waitUntil(sheet, async () => !(await focusIs('body')), `after ${id} the focus falls to the page`)
  }
  await waitUntil(sheet, async () => (await stepId(sheet)) !== id, `${id} stays`)
  return id
}

describe('without a pointer', () => {
  it('somebody signs in, and a wrong password is said where they listen', async () => {
    await sheet.driver.get(`${app.base}/`)
    await isAt(sheet, 'sign-in')
    await write('input[name="sign-in"]', 'imre')
    await write('input[name="password"]', 'wrong')
    await press(Key.ENTER)
    await expectText(sheet, '[role="alert"]', 'Wrong name or password')
    await tabTo('input[name="password"]')
    await sheet.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).sendKeys('clear-to-the-fins', Key.ENTER).perform()
    await isAt(sheet, 'today')
  })
  it('opens a unit and grades its parts on the drawing', async () => {
    const path = await sheet.driver.executeScript<string>(
      `return [...document.querySelectorAll('a.unit')].find((link) => link.textContent.includes('Meeting room')).getAttribute('href')`,
    )
    await enter(`a.unit[href="${path}"]`)
    await isAt(sheet, 'look-over')
    const grades: Record<string, number> = { filter: 1, coilFace: 1, coilBack: 1, wheel: 1, pan: 0, drainLine: 0, outlet: 0, housing: 0 }
    await tabTo('[data-part="coilFace"]')
    await press('1')
    await find(sheet, '[data-part="coilFace"][data-grade="1"]')
    // The others by `n`: each opens, has the focus, and takes its grade.
    for (let left = Object.keys(grades).length - 1; left > 0; left--) {
      await press('n')
      await waitUntil(sheet, () => focusIs('[data-part]:not([data-grade="0"], [data-grade="1"])'), 'the next part has not the focus')
      const part = await sheet.driver.executeScript<string>('return document.activeElement.dataset.part')
      await press(String(grades[part]))
      await find(sheet, `[data-part="${part}"][data-grade="${grades[part]}"]`)
    }
    // What is open is graded wherever the focus is, and `u` takes it back.
    await press(Key.TAB)
    await press('3')
    await find(sheet, '[data-part][data-grade="3"]')
    await press('u')
    await gone(sheet, '[data-part][data-grade="3"]')
    await tabTo('[data-complaint="odour"] input, [data-complaint] input')
    await press(Key.SPACE)
    await find(sheet, '[data-complaint]:has(:checked)')
  })
  it('agrees the method by its key, and finds the keys of a sheet by “?”', async () => {
    await enter(linkTo('method'))
    await find(sheet, '[data-totals]')
    await tabTo('[data-topic] [aria-expanded="false"]')
    await press(Key.ENTER)
    await find(sheet, '[data-topic] [aria-expanded="true"]')
    await press('?')
    await expectText(sheet, '.el-dialog', 'agree the method')
    await press(Key.ESCAPE)
    await waitUntil(sheet, () => focusIs('[data-topic] [aria-expanded="true"]'), 'the focus is not given back')
    await press('a')
    await isAt(sheet, 'at-the-unit')
  })
  it('finds on the sheet of keys what there is, and each does it', async () => {
    await press('?')
    await find(sheet, '[data-key="g"]')
    const named = await sheet.driver.executeScript<string[]>("return [...document.querySelectorAll('[data-key]')].map((entry) => entry.dataset.key)")
    await press(Key.ESCAPE)
    const isOpen = () => sheet.driver.executeScript<boolean>("return document.querySelector('[data-key]')?.checkVisibility() ?? false")
    await waitUntil(sheet, async () => !(await isOpen()), 'the sheet of keys stays')
    const shown = () => stepId(sheet)
    /** Does steps until one is shown that is fit for what is tried. */
    const until = async (css: string) => {
      for (let steps = 0; steps < 20 && !(await exists(sheet, css)); steps++) await doStepByKeys()
      await find(sheet, css)
    }
    await until('[data-stage-done]')
    const stage = () => sheet.driver.executeScript<string>("return document.querySelector('[data-stage] h2')?.textContent ?? ''")
    const before = await stage()
    await press('s')
    await waitUntil(sheet, async () => (await stage()) !== before, 's does not end the stage')
    await until('[data-other]')
    const first = await shown()
    const other = async (key: string, before: string | undefined) => {
      await press(key)
      await waitUntil(sheet, async () => (await shown()) !== before, `${key} shows no other step`)
    }
    const does: Record<string, () => Promise<void>> = {
      '/': async () => {
        await press('/')
        await find(sheet, 'input[name="find-anything"]')
        await press(Key.ESCAPE)
        await waitUntil(sheet, async () => !(await focusIs('input[name="find-anything"]')), 'the search stays')
      },
      // Opened above.
      '?': () => Promise.resolve(),
      ArrowRight: () => other(Key.ARROW_RIGHT, first),
      ArrowLeft: async () => {
        await other(Key.ARROW_LEFT, await shown())
        expect(await shown()).toBe(first)
      },
      b: async () => {
        await press('b')
        await expectText(sheet, '[data-step]', 'started by you')
      },
      u: async () => {
        await press('u')
        await find(sheet, '[data-begin]')
      },
      Enter: async () => {
        await until('[data-done]:not(:disabled)')
        const before = await shown()
        await sheet.driver.executeScript('document.activeElement.blur()')
        await press(Key.ENTER)
        await waitUntil(sheet, async () => (await shown()) !== before, 'Enter does not do the step')
      },
      // Pressed above.
      s: () => Promise.resolve(),
      // Every gate of the run is confirmed by hand below; here by its key.
      g: async () => {
        await until('[data-gate]:not(:has(:checked))')
        await press('g')
        await find(sheet, '[data-gate]:has(:checked)')
      },
    }
    expect([...named].sort()).toEqual(Object.keys(does).sort())
    for (const doing of Object.values(does)) await doing()
  })
  it('keeps the focus where the work is when what had it is gone', async () => {
    await enter('[data-begin]')
    await waitUntil(sheet, () => focusIs('[data-step] button, [data-step] a'), 'the focus falls to the page')
  })
  it('keeps it when a button is greyed and nothing else changes after it', async () => {
    await tabTo('[data-done]')
    // The browser takes the focus from a greyed button only when it lays the page out, after whoever watches the page has looked.
    await sheet.driver.executeScript('document.activeElement.disabled = true')
    await waitUntil(sheet, () => focusIs('main button:not(:disabled), main a'), 'the focus stays on a greyed button, or on the page')
    await sheet.driver.executeScript("document.querySelector('[data-done]').disabled = false")
  })
  it('does every step', async () => {
    const done = await workUntil(sheet, () => false, doStepByKeys)
    expect(done.length).toBeGreaterThan(15)
    await find(sheet, '[data-finished]')
  })
  it('hands it over, and finds it in the logbook', async () => {
    await enter(linkTo('proof'))
    await find(sheet, '[data-verdict]')
    await enter('[data-hand-over]')
    await find(sheet, '[data-record]')
    await enter('header a[href="/logbook"]')
    await expectText(sheet, '[data-logbook] tbody tr:first-child', 'Meeting room')
  })
  it('changes what stands in a row of choices with the arrow keys', async () => {
    await enter('[data-choose-light]')
    await find(sheet, '[data-set-light]')
    await tabTo('[data-set-light] input')
    await press(Key.ARROW_RIGHT)
    await waitUntil(
      sheet,
      () => sheet.driver.executeScript<boolean>("return localStorage.getItem('yastik-light') !== 'device'"),
      'the arrow key chooses nothing',
    )
    await press(Key.ESCAPE)
    await waitUntil(sheet, () => focusIs('[data-choose-light]'), 'the focus is not given back')
  })
})
