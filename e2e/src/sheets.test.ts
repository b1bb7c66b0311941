// Everything beside the whole path: sites, rules, no signal, phone width, keys.
import { startApp, type RunningApp } from './support/app.ts'
import { click, clickText, devtools, expectText, find, openBrowser, setSize, signIn, type, waitUntil, type Sheet } from './support/browser.ts'
import { go, isAt, openUnit } from './support/places.ts'
import { grade, sent } from './support/moves.ts'

jest.setTimeout(180_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base, { installs: true })
  await signIn(sheet, 'sanna', 'clear-to-the-fins')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

describe('sites', () => {
  it('are made with a unit, and a visit starts from them', async () => {
    await go(sheet, 'new-site')
    await type(sheet, 'input[name="site-name"]', 'Brook Cottage')
    await clickText(sheet, 'Save the site')
    await expectText(sheet, 'h1', 'Brook Cottage')
    await clickText(sheet, 'Add a unit')
    await type(sheet, 'input[name="unit-name"]', 'Landing')
    await type(sheet, 'input[name="ratedCoolingKw"]', '250')
    await clickText(sheet, 'Save the unit')
    await expectText(sheet, '[role="alert"]', 'Enter at most 60 kW.')
    await type(sheet, 'input[name="ratedCoolingKw"]', '2.5')
    await clickText(sheet, 'Save the unit')
    await expectText(sheet, 'table', 'Landing')
    await clickText(sheet, 'Plan the visit')
    await expectText(sheet, 'h1', 'Landing')
    await find(sheet, 'svg.section')
  })
  it('saved by somebody else meanwhile say so, and keep what was typed', async () => {
    await go(sheet, 'sites')
    await clickText(sheet, 'Lindqvist home')
    await isAt(sheet, 'site')
    await find(sheet, 'input[name="contact"]')
    await sheet.driver.executeAsyncScript(`
      const back = arguments[arguments.length - 1], path = '/api' + location.pathname
      fetch(path).then((answer) => answer.json()).then(({ site, address, version }) => fetch(path, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ site, address, contact: 'By phone only', version }) })).then(back)`)
    await type(sheet, 'input[name="contact"]', 'Ring twice')
    await clickText(sheet, 'Save the site')
    await expectText(sheet, '[role="alert"]', 'has saved this meanwhile')
    expect(await (await find(sheet, 'input[name="contact"]')).getAttribute('value')).toBe('Ring twice')
    await clickText(sheet, 'Load the newest version')
    await waitUntil(
      sheet,
      async () => (await (await find(sheet, 'input[name="contact"]')).getAttribute('value')) === 'By phone only',
      'the contact is not kept',
    )
  })
})

describe('without a signal', () => {
  it('taps are kept on the device, said to be unsent, and sent when the server answers again', async () => {
    await openUnit(sheet, 'Plotter room')
    await find(sheet, 'svg.section')
    await devtools(sheet, 'Network.enable', {})
    await devtools(sheet, 'Network.emulateNetworkConditions', { offline: true, latency: 0, downloadThroughput: -1, uploadThroughput: -1 })
    await grade(sheet, 'pan', 3)
    await expectText(sheet, '.unsent', '1 not sent yet')
    await expectText(sheet, '[role="alert"]', 'stay on this device')
    await devtools(sheet, 'Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 })
    await sent(sheet)
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-part="pan"][data-grade="3"]')
  })
})

describe('house rules', () => {
  it('are read-only for a technician and set by the owner', async () => {
    await go(sheet, 'house-rules')
    await find(sheet, '[data-school="rinseSchool"] [data-option="dry"]:has(:disabled)')
    const owner = await openBrowser(app.base)
    try {
      await signIn(owner, 'mira', 'clear-to-the-fins')
      await go(owner, 'house-rules')
      await click(owner, '[data-school="agentSchool"] [data-option="household"]')
      await expectText(owner, '[role="status"]', 'Saved')
    } finally {
      await owner.close()
    }
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-school="agentSchool"] [data-option="household"]:has(:checked)')
  })
})

describe('a unit with a scorched plug', () => {
  it('is declined, referred, and still handed over with a record', async () => {
    await openUnit(sheet, 'Over the counter')
    await click(sheet, '[data-finding="scorched-plug"]')
    await expectText(sheet, '[data-scope]', 'Do not clean today')
    await expectText(sheet, '.refer', 'electrician')
  })
})

describe('every sheet', () => {
  it('fits a phone of 390 px without scrolling sideways', async () => {
    await setSize(sheet, 390, 844)
    await go(sheet, 'today')
    await find(sheet, 'a.unit')
    const units = await sheet.driver.executeScript<string[]>(
      "return [...document.querySelectorAll('a.unit')].map((link) => link.getAttribute('href').replace(/[^/]*$/, ''))",
    )
    const paths = [
      '/',
      '/sites',
      '/sites/new',
      '/logbook',
      '/stores',
      '/house-rules',
      ...['look-over', 'method', 'crew', 'at-the-unit', 'proof', 'record'].map((station) => units.at(-1) + station),
    ]
    for (const path of paths) {
      await sheet.driver.get(app.base + path)
      await find(sheet, 'main[aria-busy="false"] h1')
      const [page, screen] = await sheet.driver.executeScript<[number, number]>('return [document.documentElement.scrollWidth, window.innerWidth]')
      expect({ path, page }).toEqual({ path, page: Math.min(page, screen) })
    }
    await setSize(sheet, 1280, 800)
  })
  it('shows its keys on a question mark', async () => {
    await openUnit(sheet, 'Room 3, over the door')
    await find(sheet, '[data-step]')
    await (await find(sheet, 'body')).sendKeys('?')
    await expectText(sheet, '.el-dialog', 'this step is done')
  })
  it('that does not exist says so', async () => {
    await sheet.driver.get(`${app.base}/cellar`)
    await isAt(sheet, 'nothing-here')
    await expectText(sheet, 'h1', 'Page not found')
    await sheet.driver.get(`${app.base}/sites/00000000-0000-4000-8000-000000000000`)
    await expectText(sheet, '[role="alert"]', 'there is no site')
  })
})
