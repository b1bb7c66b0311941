// A real browser on a page of the application, and the few moves that tests and screenshots share.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, By, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'

export interface Sheet {
  readonly driver: WebDriver
  readonly base: string
  close(): Promise<void>
}

const patienceMs = 15_000
/** Between two looks at the page. */
const lookMs = 40

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
    '--hide-scrollbars',
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
  )
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()
  const sheet: Sheet = {
    driver,
    base,
    close: async () => {
      await driver.quit()
      rmSync(profile, { recursive: true, force: true })
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

/** Waits until something holds, and says `otherwise` when it does not in time. */
export const waitUntil = ({ driver }: Sheet, holds: () => boolean | Promise<boolean>, otherwise: string, ms = patienceMs): Promise<boolean> =>
  driver.wait(holds, ms, otherwise, lookMs)

/** The first element that `css` names, once it can be seen. A page that is drawn anew meanwhile is looked at again. */
export async function find(sheet: Sheet, css: string): Promise<WebElement> {
  let found: WebElement | undefined
  await tryAgain(sheet, async () => {
    const element = await sheet.driver.wait(until.elementLocated(By.css(css)), patienceMs, `nothing on the page is ${css}`, lookMs)
    found = await sheet.driver.wait(until.elementIsVisible(element), patienceMs, `${css} is not visible`, lookMs)
  })
  return found!
}

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

/** Clicks as a person would: brought into view, visible, enabled. */
export async function click(sheet: Sheet, css: string): Promise<void> {
  await tryAgain(sheet, async () => {
    const element = await find(sheet, css)
    await sheet.driver.wait(until.elementIsEnabled(element), patienceMs, `${css} stays disabled`, lookMs)
    await bringIntoView(sheet, element)
    await element.click()
  })
}

/** Clicks the button or link that reads so. */
export const clickText = (sheet: Sheet, text: string): Promise<void> =>
  tryAgain(sheet, async () => {
    const path = `//*[self::button or self::a or self::summary][contains(normalize-space(.), "${text}")]`
    const element = await sheet.driver.wait(until.elementLocated(By.xpath(path)), patienceMs, `nothing reads “${text}”`, lookMs)
    await bringIntoView(sheet, element)
    await element.click()
  })

export async function type(sheet: Sheet, css: string, text: string): Promise<void> {
  const element = await find(sheet, css)
  await sheet.driver.executeScript('arguments[0].scrollIntoView({ block: "center" }); arguments[0].select?.()', element)
  await element.sendKeys(text)
}

export const textOf = async (sheet: Sheet, css: string): Promise<string> => {
  let text = ''
  await tryAgain(sheet, async () => {
    text = await (await find(sheet, css)).getText()
  })
  return text
}

/** Waits until the text of what `css` names holds `part`. */
export async function expectText(sheet: Sheet, css: string, part: string | RegExp): Promise<void> {
  let last = ''
  const holds = async () => {
    last = await sheet.driver
      .findElements(By.css(css))
      .then(async (elements) => (await Promise.all(elements.map((element) => element.getText()))).join('\n'))
      .catch(() => '')
    return typeof part === 'string' ? last.includes(part) : part.test(last)
  }
  await waitUntil(sheet, holds, 'the text is another').catch(() => {
    throw new Error(`${css} reads “${last.slice(0, 400)}”, not ${String(part)}`)
  })
}

export const exists = async ({ driver }: Sheet, css: string): Promise<boolean> => (await driver.findElements(By.css(css))).length > 0

export async function signIn(sheet: Sheet, name: string, password: string): Promise<void> {
  await sheet.driver.get(`${sheet.base}/sign-in`)
  await type(sheet, 'input[name="sign-in"]', name)
  await type(sheet, 'input[name="password"]', password)
  await clickText(sheet, 'Sign in')
  await find(sheet, 'header.strip')
}

/** The page redraws while one looks: what went stale is looked for again. */
export async function tryAgain(sheet: Sheet, move: () => Promise<void>): Promise<void> {
  let last: unknown
  const moved = () =>
    move().then(
      () => true,
      (error: Error) => {
        last = error
        if (!/stale|intercepted|not interactable/i.test(`${error.name} ${error.message}`)) throw error
        return false
      },
    )
  await waitUntil(sheet, moved, 'the page does not come to rest').catch((error: Error) => {
    throw last instanceof Error ? last : error
  })
}
