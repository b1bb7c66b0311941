// The day as it goes: who is where when, what is late and who is told, and what moving or cancelling a visit makes of the rest.
import { By, Key } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import { click, clickText, expectText, find, fitsPhone, gone, openBrowser, pick, signIn, textOf, waitUntil, type Sheet } from './support/browser.ts'
import { follow, isAt } from './support/places.ts'

jest.setTimeout(60_000)
const site = 'Halvmark Survey Office'
let app: RunningApp
let sheet: Sheet
/** Address of a unit of the visit that is moved about. */
let unitPath: string
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'imre', 'clear-to-the-fins')
}, 120_000)
afterAll(async () => {
  await sheet.close()
  await app.close()
})

/** Something within the sheet of the visit to that site. */
const visit = `//article[.//h3[normalize-space()='${site}']]`
const inVisit = (css: string) => sheet.driver.findElement(By.xpath(visit)).findElement(By.css(css))
const textIn = async (css: string) => (await inVisit(css)).getText()
const isThere = async (css: string) => {
  const [own] = await sheet.driver.findElements(By.xpath(visit))
  return own !== undefined && (await own.findElements(By.css(css))).length > 0
}

describe('a day', () => {
  it('leads: what one does next is one tap away', async () => {
    await expectText(sheet, '[data-next]', 'Tannwinkel Guest House')
    await click(sheet, '[data-go-on]')
    await isAt(sheet, 'at-the-unit')
    await expectText(sheet, 'h1', 'Room 3')
    await follow(sheet, 'Today')
  })
  it('has one’s own visits first, each with its times, how one gets in, and what is special', async () => {
    const lines = await sheet.driver.findElements(By.css('[data-crew-line]'))
    expect(await Promise.all(lines.map((line) => line.getAttribute('aria-label')))).toEqual([
      'Imre Vold, Sanna Kirov',
      'Imre Vold',
      'Mira Fennick',
      'Sanna Kirov',
    ])
    await expectText(sheet, '[data-stands]', 'under way, about')
    await expectText(sheet, '[data-access]', 'Keys at the desk')
    await expectText(sheet, '[data-special]', 'step ladder')
    expect(await textOf(sheet, '[data-when]')).toMatch(/^\d\d:\d\d–\d\d:\d\d$/)
    expect(await textOf(sheet, '[data-now]')).toMatch(/^now, \d\d:\d\d$/)
  })
  it('tells what runs late, and drafts what its customer is written', async () => {
    await waitUntil(sheet, () => isThere('[data-late]'), 'nothing is late')
    expect(await textIn('[data-late]')).toMatch(/^About \d+ min late|^About \d h/)
    await (await inVisit('[data-tell-late]')).click()
    const draft = await (await find(sheet, '[data-message] textarea')).getAttribute('value')
    expect(draft).toMatch(/reach Halvmark Survey Office at about \d\d:\d[05] instead of \d\d:\d\d/)
    await clickText(sheet, 'Cancel')
    await gone(sheet, '[data-message]')
  })
  it('fits a phone', () => fitsPhone(sheet))
})

describe('finding', () => {
  const typed = () => find(sheet, '[data-find] input[name="find-anything"]')
  it('is one key away, and goes by keys to what was found', async () => {
    await sheet.driver.actions().sendKeys('/').perform()
    await waitUntil(sheet, async () => (await sheet.driver.switchTo().activeElement().getAttribute('name')) === 'find-anything', 'one cannot type')
    await (await typed()).sendKeys('survey')
    await expectText(sheet, '[data-find]', '21 Ropewalk')
    await (await typed()).sendKeys(Key.ARROW_DOWN)
    await sheet.driver.switchTo().activeElement().sendKeys(Key.ENTER)
    await isAt(sheet, 'site')
    await expectText(sheet, 'h1', site)
  })
  it('has what was opened last at once, and says where nothing is called so', async () => {
    await click(sheet, '[data-find-it]')
    await expectText(sheet, '[data-find]', site)
    await (await typed()).sendKeys('zzzz')
    await expectText(sheet, '[data-nothing-found]', 'Nothing found')
    await (await typed()).sendKeys(Key.ESCAPE)
    await gone(sheet, '[data-find]')
    await follow(sheet, 'Today')
  })
})

describe('a visit', () => {
  it('shows what another time makes of the day before it is saved', async () => {
    unitPath = new URL((await (await inVisit('a.unit')).getAttribute('href')) ?? '', app.base).pathname
    await (await inVisit('[data-move-visit]')).click()
    await expectText(sheet, '[data-effect]', 'late')
    await pick(sheet, '[data-job-move] .time', 'no time')
    await waitUntil(sheet, async () => !(await textOf(sheet, '[data-effect]')).includes('late'), 'it is late although nobody waits')
    await expectText(sheet, '[data-effect]', site)
    await click(sheet, '[data-move-it]')
    await waitUntil(sheet, async () => !(await isThere('[data-late]')), 'it is late still')
    await waitUntil(sheet, async () => (await textIn('[data-stands]')).startsWith('no time agreed'), 'it still has a time')
  })
  it('is cancelled on a second word only, is seen as cancelled, and its job says so', async () => {
    await (await inVisit('[data-move-visit]')).click()
    await click(sheet, '[data-cancel]')
    await click(sheet, '[data-cancel-sure]')
    await expectText(sheet, `[data-cancelled="${site}"]`, 'cancelled')
    expect(await sheet.driver.findElements(By.xpath(visit))).toEqual([])
    await sheet.driver.get(`${app.base}${unitPath}`)
    await expectText(sheet, '[data-cancelled-job]', 'This visit was cancelled')
  })
  it('is taken back where it was cancelled, or from its job', async () => {
    await click(sheet, '[data-take-back]')
    await gone(sheet, '[data-cancelled-job]')
    await follow(sheet, 'Today')
    await waitUntil(sheet, () => isThere('[data-move-visit]'), 'it is not there again')
    await (await inVisit('[data-move-visit]')).click()
    await click(sheet, '[data-cancel]')
    await click(sheet, '[data-cancel-sure]')
    await click(sheet, `[data-cancelled="${site}"] [data-take-back]`)
    await waitUntil(sheet, () => isThere('[data-stands]'), 'it is not there again')
  })
  it('that nobody goes to cannot be saved, and says why', async () => {
    await (await inVisit('[data-move-visit]')).click()
    await click(sheet, '[data-job-move] .is-checked')
    await expectText(sheet, '[data-job-move]', 'choose who goes')
    await find(sheet, '[data-move-it]:disabled')
    await clickText(sheet, 'Close')
  })
})
