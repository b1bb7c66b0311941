// A real browser on a page of the application, and the few moves that tests and screenshots share.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, By, Key, logging, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'

export interface Sheet {
  readonly driver: WebDriver
  readonly base: string
  close(): Promise<void>
}

const patienceMs = 15_000
/** Between two looks at the page. */
const lookMs = 40
/** So often it is looked at, however long that takes, before a wait is given up. */
const leastLooks = 60

/** Opens headless Chromium with a profile of its own. */
export async function openBrowser(base: string, { width = 1280, height = 800 } = {}): Promise<Sheet> {
  const profile = mkdtempSync(join(tmpdir(), 'yastik-browser-'))
  const options = new Options()
  options.setBinaryPath('/usr/bin/chromium')
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-software-rasterizer',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    // What moves is clicked beside, and is waited for.
    '--force-prefers-reduced-motion',
    '--hide-scrollbars',
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
  )
  const preferences = new logging.Preferences()
  preferences.setLevel(logging.Type.BROWSER, logging.Level.SEVERE)
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setLoggingPrefs(preferences)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()
  const sheet: Sheet = {
    driver,
    base,
    // Whatever a test looked at, the pages kept to what the server allows them.
    close: async () => {
      const complaints = await driver.manage().logs().get(logging.Type.BROWSER)
      await driver.quit()
      rmSync(profile, { recursive: true, force: true })
      const broken = complaints.filter(({ message }) => message.includes('Content Security Policy'))
      if (broken.length > 0) throw new Error(`a page did what it may not: ${broken.map(({ message }) => message).join('\n')}`)
    },
  }
  await setSize(sheet, width, height)
  return sheet
}

/** A command of the browser's own devtools protocol. */
export const devtools = ({ driver }: Sheet, name: string, parameters: object): Promise<void> =>
  (driver as unknown as { sendDevToolsCommand(name: string, parameters: object): Promise<void> }).sendDevToolsCommand(name, parameters)

/** Cuts the page off from the network, or joins it again. */
export async function setOffline(sheet: Sheet, offline: boolean): Promise<void> {
  await devtools(sheet, 'Network.enable', {})
  await devtools(sheet, 'Network.emulateNetworkConditions', { offline, latency: 0, downloadThroughput: -1, uploadThroughput: -1 })
}

/** Sets the size of the page itself, phone widths included. */
export const setSize = (sheet: Sheet, width: number, height: number): Promise<void> =>
  devtools(sheet, 'Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: width < 700 })

/** Whether nothing on the page sticks out of a phone's width. A phone's browser widens its window to what sticks out: the width is the one that was set. */
export async function fitsPhone(sheet: Sheet): Promise<void> {
  const phone = 390
  await setSize(sheet, phone, 844)
  const width = await sheet.driver.executeScript<number>('return document.documentElement.scrollWidth')
  await setSize(sheet, 1280, 800)
  if (width > phone) throw new Error(`the page is ${width} wide on a phone of ${phone}`)
}

/** What is open, for whoever reads why a wait was given up. */
const whatIsOpen = ({ driver }: Sheet): Promise<string> =>
  driver.executeScript(
    `const main = document.querySelector('main')
    const said = main ? main.dataset.place + (main.ariaBusy === 'true' ? ', still fetching' : '') + ': ' + main.innerText : document.body.innerText
    return 'open is ' + location.pathname + ', ' + said.replace(/\\s+/g, ' ').slice(0, 600)`,
  )

/** The page was drawn anew between a look and a move: one looks again. */
const isRedrawn = (error: unknown): error is Error =>
  error instanceof Error && /stale|intercepted|not interactable/i.test(`${error.name} ${error.message}`)

/**
 * Looks until there is something, and hands it over. Patience is counted in time and in looks: a machine that stood still in between has not looked.
 * @throws Error that says `otherwise` and what is open instead
 */
async function waitFor<Thing>(sheet: Sheet, look: () => Promise<Thing | undefined>, otherwise: string, ms = patienceMs): Promise<Thing> {
  const startMs = performance.now()
  for (let looks = 1; ; looks++) {
    let redrawn = ''
    try {
      const thing = await look()
      if (thing !== undefined) return thing
    } catch (error) {
      if (!isRedrawn(error)) throw error
      redrawn = `: ${error.message}`
    }
    if (looks >= leastLooks && performance.now() - startMs > ms) throw new Error(`${otherwise}${redrawn}; ${await whatIsOpen(sheet)}`)
    await sheet.driver.sleep(lookMs)
  }
}

/** Waits until something holds, and says `otherwise` when it does not in time. */
export async function waitUntil(sheet: Sheet, holds: () => boolean | Promise<boolean>, otherwise: string, ms = patienceMs): Promise<void> {
  await waitFor(sheet, async () => ((await holds()) ? true : undefined), otherwise, ms)
}

/** Asked in one go and of the page itself: waits look often, and what the driver asks of an element costs several times as much. */
const firstSeen = `const first = document.querySelector(arguments[0])
  return first && first.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && first.getClientRects().length > 0 ? first : null`

/** The first element that `css` names, once it can be seen. */
export const find = (sheet: Sheet, css: string): Promise<WebElement> =>
  waitFor(sheet, async () => (await sheet.driver.executeScript<WebElement | null>(firstSeen, css)) ?? undefined, `nothing to be seen is ${css}`)

/** Brings an element into view and waits until it stands still: while a page still lays itself out, a click goes beside it. */
export const bringIntoView = ({ driver }: Sheet, element: WebElement): Promise<void> =>
  driver.executeAsyncScript(
    `const [element, done] = arguments
    element.scrollIntoView({ block: 'center' })
    let last
    const look = () => {
      const { x, y } = element.getBoundingClientRect()
      if (last === x + ' ' + y) return done()
      last = x + ' ' + y
      setTimeout(look, 30)
    }
    look()`,
    element,
  )

/** The first that can be seen; where none can, the first. */
async function firstShown({ driver }: Sheet, by: By): Promise<WebElement | undefined> {
  const all = await driver.findElements(by)
  if (all.length < 2) return all[0]
  return (await driver.executeScript<WebElement | null>('return arguments[0].find((one) => one.checkVisibility()) ?? null', all)) ?? all[0]
}

const listensForClick = `window.clickArrived = false
  arguments[0].addEventListener('click', () => { window.clickArrived = true }, { once: true, capture: true })`

/** Clicks the first of what `by` names as a person would: brought into view, enabled. */
const clickOn = (sheet: Sheet, by: By, otherwise: string): Promise<void> =>
  waitUntil(
    sheet,
    async () => {
      const first = await firstShown(sheet, by)
      if (first === undefined || !(await first.isEnabled())) return false
      await bringIntoView(sheet, first)
      await sheet.driver.executeScript(listensForClick, first)
      await first.click()
      // Where the page moved between the press and the release, nothing was clicked at all. A page that was left has no such mark any more.
      return (await sheet.driver.executeScript<boolean | null>('return window.clickArrived ?? null')) !== false
    },
    otherwise,
  )

export const click = (sheet: Sheet, css: string): Promise<void> => clickOn(sheet, By.css(css), `${css} cannot be clicked`)

/** Clicks the button or link that reads so. */
export const clickText = (sheet: Sheet, text: string): Promise<void> =>
  clickOn(
    sheet,
    By.xpath(`//*[self::button or self::a or self::label or @role="button" or @role="tab"][contains(normalize-space(.), "${text}")]`),
    `nothing that can be clicked reads “${text}”`,
  )

export async function type(sheet: Sheet, css: string, text: string): Promise<void> {
  const element = await find(sheet, css)
  await sheet.driver.executeScript('arguments[0].scrollIntoView({ block: "center" }); arguments[0].select?.()', element)
  await element.sendKeys(text)
}

/** Slides to a figure with the arrow keys. @param steps from the least on */
export async function slide(sheet: Sheet, css: string, steps: number): Promise<void> {
  const handle = await find(sheet, `${css} [role="slider"]`)
  await handle.sendKeys(Key.HOME, ...Array.from({ length: steps }, () => Key.ARROW_RIGHT))
}

/** Picks from a list that opens. @param css what holds the list */
export async function pick(sheet: Sheet, css: string, text: string): Promise<void> {
  await click(sheet, `${css} .el-select__wrapper`)
  const chosen = () =>
    sheet.driver.executeScript<boolean>(
      `const list = document.getElementById(document.querySelector(arguments[0] + ' [aria-controls]')?.getAttribute('aria-controls'))
      const item = [...(list?.querySelectorAll('[role="option"]') ?? [])].find((one) => one.offsetParent && one.textContent.trim().startsWith(arguments[1]))
      item?.click()
      return item !== undefined`,
      css,
      text,
    )
  await waitUntil(sheet, chosen, `nothing on the list of ${css} reads “${text}”`)
}

export const textOf = (sheet: Sheet, css: string): Promise<string> =>
  waitFor(sheet, async () => (await find(sheet, css)).getText(), `${css} does not come to rest`)

/** Waits until the text of what `css` names holds `part`. */
export async function expectText(sheet: Sheet, css: string, part: string | RegExp): Promise<void> {
  let last = ''
  const holds = async () => {
    const elements = await sheet.driver.findElements(By.css(css))
    last = (await Promise.all(elements.map((element) => element.getText()))).join('\n')
    return typeof part === 'string' ? last.includes(part) : part.test(last)
  }
  await waitUntil(sheet, holds, `${css} does not read ${String(part)}`).catch((error: Error) => {
    throw new Error(`${error.message}\nIt reads “${last.slice(0, 400)}”.`)
  })
}

export const exists = async ({ driver }: Sheet, css: string): Promise<boolean> => (await driver.findElements(By.css(css))).length > 0

/** Waits until nothing on the page is `css` any more; where something must never come, that it is not there. */
export const gone = (sheet: Sheet, css: string): Promise<void> => waitUntil(sheet, async () => !(await exists(sheet, css)), `${css} stays`)

export async function signIn(sheet: Sheet, name: string, password: string): Promise<void> {
  await sheet.driver.get(`${sheet.base}/sign-in`)
  await type(sheet, 'input[name="sign-in"]', name)
  await type(sheet, 'input[name="password"]', password)
  await click(sheet, 'form button[type="submit"]')
  await find(sheet, 'header.strip')
}

/** Makes a move; where the page is drawn anew in the middle of it, it is made again. */
export const tryAgain = (sheet: Sheet, move: () => Promise<void>): Promise<void> =>
  waitUntil(sheet, () => move().then(() => true), 'the page does not come to rest')
