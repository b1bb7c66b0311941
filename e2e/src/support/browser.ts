// A real browser on a page of the application, and the few moves that tests and screenshots share.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, By, Key, logging, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { isGroup } from './group.ts'

export interface Sheet {
  readonly driver: WebDriver
  readonly base: string
  close(): Promise<void>
}

const patienceMs = 15_000
/** Between two looks at the page. */
const lookMs = 40
/** So long a page may take to be laid out anew after its size changed. */
const settlesMs = 5_000
/** So often it is looked at, however long that takes, before a wait is given up. */
const leastLooks = 60

/** Pages on which the application does not install itself: it would fetch and keep all of its program in the background of every test. */
const installsNothing = "Object.defineProperty(Navigator.prototype, 'serviceWorker', { value: undefined }); delete Navigator.prototype.serviceWorker"

/** Starts headless Chromium with a profile of its own. */
async function startBrowser(): Promise<WebDriver> {
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
    '--window-size=1280,800',
  )
  const preferences = new logging.Preferences()
  preferences.setLevel(logging.Type.BROWSER, logging.Level.SEVERE)
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setLoggingPrefs(preferences)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()
  profiles.set(driver, profile)
  return driver
}

const profiles = new WeakMap<WebDriver, string>()
/** A browser that the next test file goes on with, in a page of its own, with nothing of what was kept in it. */
let keptBrowser: WebDriver | undefined
/** What a page keeps; but for the program itself, which a browser has read already. */
const keptByPages = 'cookies,indexeddb,local_storage,service_workers,cache_storage,websql,file_systems,shader_cache'

/** Ends a browser for good. */
async function endBrowser(driver: WebDriver): Promise<void> {
  await driver.quit()
  const profile = profiles.get(driver)
  if (profile !== undefined) rmSync(profile, { recursive: true, force: true })
}

/** Opens an empty page and closes all others: what was put into those by the devtools is gone with them. */
async function startAfresh(driver: WebDriver): Promise<void> {
  const before = await driver.getAllWindowHandles()
  await driver.switchTo().newWindow('tab')
  const own = await driver.getWindowHandle()
  for (const page of before) {
    await driver.switchTo().window(page)
    await driver.close()
  }
  await driver.switchTo().window(own)
}

/**
 * Opens an empty page in a browser that keeps nothing of anybody else's.
 * @param installs whether the application installs itself, as it has to where pages are opened without a server
 */
export async function openBrowser(base: string, { width = 1280, height = 800, installs = false } = {}): Promise<Sheet> {
  const driver = keptBrowser ?? (await startBrowser())
  keptBrowser = undefined
  const sheet: Sheet = {
    driver,
    base,
    // Whatever a test looked at, the pages kept to what the server allows them.
    close: async () => {
      const complaints = await driver.manage().logs().get(logging.Type.BROWSER)
      if (keptBrowser || !isGroup) await endBrowser(driver)
      else {
        await startAfresh(driver)
        await devtools(sheet, 'Network.clearBrowserCookies', {})
        await devtools(sheet, 'Storage.clearDataForOrigin', { origin: base, storageTypes: keptByPages })
        keptBrowser = driver
      }
      const broken = complaints.filter(({ message }) => message.includes('Content Security Policy'))
      if (broken.length > 0) throw new Error(`a page did what it may not: ${broken.map(({ message }) => message).join('\n')}`)
    },
  }
  if (!installs) await devtools(sheet, 'Page.addScriptToEvaluateOnNewDocument', { source: installsNothing })
  await setSize(sheet, width, height)
  return sheet
}

/** Ends the browser that is kept for the next test file: there is none. */
export async function endBrowsers(): Promise<void> {
  const driver = keptBrowser
  keptBrowser = undefined
  if (driver) await endBrowser(driver)
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

/** How wide the page is, once it is laid out anew: a width beyond `most` is told only when it stays. */
export async function pageWidth(sheet: Sheet, most: number): Promise<number> {
  const width = () => sheet.driver.executeScript<number>('return document.documentElement.scrollWidth')
  const startMs = performance.now()
  while ((await width()) > most && performance.now() - startMs < settlesMs) await sheet.driver.sleep(lookMs)
  return width()
}

/** Whether nothing on the page sticks out of a phone's width. A phone's browser widens its window to what sticks out: the width is the one that was set. */
export async function fitsPhone(sheet: Sheet): Promise<void> {
  const phone = 390
  await setSize(sheet, phone, 844)
  const width = await pageWidth(sheet, phone)
  await setSize(sheet, 1280, 800)
  if (width > phone) throw new Error(`the page is ${width} wide on a phone of ${phone}`)
}

/** How far things moved that nobody had touched, since this was asked last on the page: the browser's own sum of layout shifts. */
export const shiftsSince = ({ driver }: Sheet): Promise<number> =>
  driver.executeScript(`
    const own = (window.ownShifts ??= { sum: 0 })
    const count = (entries) => { for (const { value, hadRecentInput } of entries) if (!hadRecentInput) own.sum += value }
    if (!own.watch) {
      own.watch = new PerformanceObserver((list) => count(list.getEntries()))
      own.watch.observe({ type: 'layout-shift', buffered: true })
    }
    count(own.watch.takeRecords())
    const { sum } = own
    own.sum = 0
    return sum`)

/** What is open, for whoever reads why a wait was given up. */
const whatIsOpen = ({ driver }: Sheet): Promise<string> =>
  driver.executeScript(
    `const main = document.querySelector('main')
    const said = main ? main.dataset.place + (main.ariaBusy === 'true' ? ', still fetching' : '') + ': ' + main.innerText : document.body.innerText
    return 'open is ' + location.pathname + ', ' + said.replace(/\\s+/g, ' ').slice(0, 600)`,
  )

/** The page was drawn anew between a look and a move: one looks again. */
const isRedrawn = (error: unknown): error is Error =>
  error instanceof Error && /stale|intercepted|not interactable|unloaded/i.test(`${error.name} ${error.message}`)

/**
 * Looks until there is something, and hands it over. Patience is counted in time and in looks: a machine that stood still in between has not looked.
 * @throws Error that says `otherwise` and what is open instead
 */
async function waitFor<Thing>(
  sheet: Sheet,
  look: () => Promise<Thing | undefined>,
  otherwise: string,
  ms = patienceMs,
  least = leastLooks,
): Promise<Thing> {
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
    if (looks >= least && performance.now() - startMs > ms) throw new Error(`${otherwise}${redrawn}; ${await whatIsOpen(sheet)}`)
    await sheet.driver.sleep(lookMs)
  }
}

/** Waits until something holds, and says `otherwise` when it does not in time. */
export async function waitUntil(sheet: Sheet, holds: () => boolean | Promise<boolean>, otherwise: string, ms = patienceMs): Promise<void> {
  await waitFor(sheet, async () => ((await holds()) ? true : undefined), otherwise, ms)
}

/** So long the page looks by itself before it is asked anew. */
const roundMs = 500
/** So many such rounds, however long they take, before a wait is given up. */
const leastRounds = 15

/**
 * Looks in the page itself until there is something, and hands it over: it costs a question to the driver, not one for every look.
 * @param look body of a function of `args`; what it returns is waited for until it is neither null nor undefined, or a promise of it
 * @throws Error that says `otherwise` and what is open instead
 */
async function waitInPage<Thing>(sheet: Sheet, look: string, args: readonly unknown[], otherwise: string, ms = patienceMs): Promise<Thing> {
  const ask = async () => {
    const { found, wrong } = await sheet.driver.executeAsyncScript<{ found?: Thing | null; wrong?: string }>(
      `const [args, done] = arguments
      const untilMs = performance.now() + ${roundMs}
      const look = async () => { ${look} }
      const again = async () => {
        const found = await look() ?? null
        if (found !== null || performance.now() > untilMs) done({ found })
        else setTimeout(() => void again().catch(fail), ${lookMs})
      }
      const fail = (error) => done({ wrong: String(error) })
      again().catch(fail)`,
      args,
    )
    if (wrong !== undefined) throw new Error(wrong)
    return found ?? undefined
  }
  return waitFor(sheet, ask, otherwise, ms, leastRounds)
}

/** As the page is asked whether something can be seen. */
const isSeen = `const isSeen = (one) => one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && one.getClientRects().length > 0`

/** The first element that `css` names, once it can be seen. */
export const find = (sheet: Sheet, css: string): Promise<WebElement> =>
  waitInPage(
    sheet,
    `${isSeen}
    const first = document.querySelector(args[0])
    return first && isSeen(first) ? first : null`,
    [css],
    `nothing to be seen is ${css}`,
  )

/** Where something stands once it stands still: while a page still lays itself out, a click goes beside it. */
const standStill = `const standStill = (element) => new Promise((done) => {
    element.scrollIntoView({ block: 'center' })
    let last
    const look = () => {
      const { x, y } = element.getBoundingClientRect()
      if (last === x + ' ' + y) return done()
      last = x + ' ' + y
      setTimeout(look, 30)
    }
    look()
  })`

/** Brings an element into view and waits until it stands still. */
export const bringIntoView = ({ driver }: Sheet, element: WebElement): Promise<void> =>
  driver.executeAsyncScript(`${standStill}; standStill(arguments[0]).then(arguments[1])`, element)

/** Clicks the first that `all` gives and that can be seen, as a person would: brought into view, enabled. @param all an expression of `arg` */
async function clickFirst(sheet: Sheet, all: string, arg: string, otherwise: string): Promise<void> {
  const ready = `${standStill}
    const all = ((arg) => ${all})(args[0])
    const first = all.find((one) => one.checkVisibility()) ?? all[0]
    if (!first || first.matches(':disabled')) return null
    await standStill(first)
    window.clickArrived = false
    first.addEventListener('click', () => { window.clickArrived = true }, { once: true, capture: true })
    return first`
  await waitUntil(
    sheet,
    async () => {
      const first = await waitInPage<WebElement>(sheet, ready, [arg], otherwise)
      await first.click()
      // Where the page moved between the press and the release, nothing was clicked at all. A page that was left has no such mark any more.
      return (await sheet.driver.executeScript<boolean | null>('return window.clickArrived ?? null')) !== false
    },
    otherwise,
  )
}

export const click = (sheet: Sheet, css: string): Promise<void> =>
  clickFirst(sheet, '[...document.querySelectorAll(arg)]', css, `${css} cannot be clicked`)

const clickable = 'button, a, label, [role="button"], [role="tab"]'
/** Clicks the button or link that reads so. */
export const clickText = (sheet: Sheet, text: string): Promise<void> =>
  clickFirst(
    sheet,
    `[...document.querySelectorAll('${clickable}')].filter((one) => one.textContent.replace(/[ \\t\\r\\n]+/g, ' ').includes(arg))`,
    text,
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
  await waitInPage(
    sheet,
    `const list = document.getElementById(document.querySelector(args[0] + ' [aria-controls]')?.getAttribute('aria-controls'))
    const item = [...(list?.querySelectorAll('[role="option"]') ?? [])].find((one) => one.offsetParent && one.textContent.trim().startsWith(args[1]))
    item?.click()
    return item ? true : null`,
    [css, text],
    `nothing on the list of ${css} reads “${text}”`,
  )
}

export const textOf = (sheet: Sheet, css: string): Promise<string> =>
  waitFor(sheet, async () => (await find(sheet, css)).getText(), `${css} does not come to rest`)

/** What is read of elements that can be seen: lines without what lays them out. */
const readsAs = `const readsAs = (css) => [...document.querySelectorAll(css)].map((one) => one.checkVisibility()
    ? (one.innerText ?? one.textContent).replace(/[^\\S\\n]+/g, ' ').replace(/ ?\\n[ \\n]*/g, '\\n').trim() : '').join('\\n')`

/** Waits until the text of what `css` names holds `part`. */
export async function expectText(sheet: Sheet, css: string, part: string | RegExp, ms = patienceMs): Promise<void> {
  const holds = `${readsAs}
    const text = readsAs(args[0])
    return (args[2] === null ? text.includes(args[1]) : new RegExp(args[1], args[2]).test(text)) ? true : null`
  const [wanted, flags] = typeof part === 'string' ? [part, null] : [part.source, part.flags]
  await waitInPage(sheet, holds, [css, wanted, flags], `${css} does not read ${String(part)}`, ms).catch(async (error: Error) => {
    const last = await sheet.driver.executeScript<string>(`${readsAs}; return readsAs(arguments[0])`, css)
    throw new Error(`${error.message}\nIt reads “${last.slice(0, 400)}”.`)
  })
}

export const exists = async ({ driver }: Sheet, css: string): Promise<boolean> => (await driver.findElements(By.css(css))).length > 0

/** Waits until nothing on the page is `css` any more; where something must never come, that it is not there. */
export const gone = async (sheet: Sheet, css: string): Promise<void> => {
  await waitInPage(sheet, 'return document.querySelector(args[0]) ? null : true', [css], `${css} stays`)
}

/** Signs in by the form, as a person does. */
export async function signInByForm(sheet: Sheet, name: string, password: string): Promise<void> {
  await sheet.driver.get(`${sheet.base}/sign-in`)
  await type(sheet, 'input[name="sign-in"]', name)
  await type(sheet, 'input[name="password"]', password)
  await click(sheet, 'form button[type="submit"]')
  await find(sheet, 'header.strip')
}

/** Signs in without the form: the server is asked, and the browser given the cookie. */
export async function signIn(sheet: Sheet, name: string, password: string): Promise<void> {
  const { base } = sheet
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { origin: base, 'content-type': 'application/json', 'user-agent': await sheet.driver.executeScript('return navigator.userAgent') },
    body: JSON.stringify({ signIn: name, password }),
  })
  if (!answer.ok) throw new Error(`${name} could not sign in: ${answer.status} ${await answer.text()}`)
  for (const cookie of answer.headers.getSetCookie()) {
    const [own, ...rest] = cookie.split(/; */)
    const [key, value] = own.split('=')
    await devtools(sheet, 'Network.setCookie', { url: base, name: key, value, httpOnly: rest.includes('HttpOnly'), sameSite: 'Strict' })
  }
  await sheet.driver.get(`${base}/`)
  await find(sheet, 'header.strip')
}

/** Makes a move; where the page is drawn anew in the middle of it, it is made again. */
export const tryAgain = (sheet: Sheet, move: () => Promise<void>): Promise<void> =>
  waitUntil(sheet, () => move().then(() => true), 'the page does not come to rest')
