// What the owner does before and after the work: a quote that becomes a visit, a reminder and its answer, the van's load and its stock.
import { By } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import {
  click,
  clickText,
  exists,
  expectText,
  find,
  fitsPhone,
  gone,
  openBrowser,
  signIn,
  textOf,
  type,
  waitUntil,
  type Sheet,
} from './support/browser.ts'
import { follow, go, isAt } from './support/places.ts'

jest.setTimeout(180_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'mira', 'clear-to-the-fins')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})
const count = async (css: string) => (await sheet.driver.findElements(By.css(css))).length

/** What the customer pays for the usual way, in the firm's money. */
async function toPay(): Promise<number> {
  const said = await textOf(sheet, '[data-to-pay="usual"]')
  const [, amount] = /^€([\d,]+\.\d\d)$/.exec(said) ?? []
  if (amount === undefined) throw new Error(`“${said}” is no amount of money`)
  return Number(amount.replaceAll(',', ''))
}
describe('a quote', () => {
  it('is made from a site, reckoned anew with another grade, and put side by side', async () => {
    await follow(sheet, 'Sites')
    await clickText(sheet, 'Lindqvist home')
    await isAt(sheet, 'site')
    await click(sheet, '[data-make-quote]')
    await find(sheet, '[data-to-pay="usual"]')
    await expectText(sheet, '[data-quote]', 'by forecast')
    await click(sheet, '[data-say-grade="2"]')
    await expectText(sheet, '[data-quoted-unit]', 'as you say')
    const cheap = await toPay()
    await click(sheet, '[data-say-grade="3"]')
    await waitUntil(sheet, async () => (await toPay()) > cheap, 'a worse grade costs no more')
    await click(sheet, '[data-say-grade="2"]')
    await waitUntil(sheet, async () => (await toPay()) === cheap, 'the price does not come back')
    expect(await count('[data-way]')).toBeGreaterThan(1)
    await expectText(sheet, '[data-tax="usual"]', `€${(cheap / 6).toFixed(2)}`)
    await find(sheet, '[data-quote-years] .course')
  })
  it('takes what is added or taken off, and no word for a number', async () => {
    const before = await toPay()
    await type(sheet, 'input[name="adjust-what"]', 'neighbour at the same time')
    await type(sheet, 'input[name="adjust-amount"]', 'a little')
    await find(sheet, 'form button[type="submit"]:disabled')
    await type(sheet, 'input[name="adjust-amount"]', '-15')
    await clickText(sheet, 'Add to every option')
    await waitUntil(sheet, async () => (await toPay()) === before - 15, 'nothing is taken off')
    await fitsPhone(sheet)
  })
  it('that is accepted becomes a visit that goes that way, and says so there', async () => {
    await click(sheet, '[data-accept="light"]')
    await click(sheet, '[data-accepted]')
    await expectText(sheet, '[data-quote-state]', 'accepted')
    await follow(sheet, 'Open the visit')
    await click(sheet, '[data-callout="coilFace"] .hit')
    await click(sheet, '[data-set-grade="1"]')
    await follow(sheet, 'See the method')
    await expectText(sheet, '[data-quoted]', 'Light clean')
    await find(sheet, '[data-topic="scope"][data-choice="clean-in-place"]')
    await go(sheet, 'quotes')
    await expectText(sheet, '[data-quotes]', 'accepted')
  })
  it('of a finished visit shows what it really took', async () => {
    await go(sheet, 'quotes')
    await click(sheet, '[data-quotes] tbody tr:last-child a')
    await expectText(sheet, '[data-outcome]', 'Left after wages and products')
    await expectText(sheet, '[data-outcome]', /Product\s+€\d+\.\d\d/)
    await expectText(sheet, '[data-outcome]', '100 % of the minutes were timed')
  })
})

describe('a reminder', () => {
  it('is drafted from what is due, sent, delivered, and ended by its customer', async () => {
    await follow(sheet, 'Logbook')
    await click(sheet, '[data-to-due]')
    await find(sheet, '[data-worth]')
    await clickText(sheet, 'By unit')
    await find(sheet, '[data-roof-days]')
    await clickText(sheet, 'By visit')
    // Where somebody goes anyway, nobody is reminded.
    await find(sheet, '[data-due-site="Quellhof Reading Rooms"] [data-due-planned]')
    expect(await exists(sheet, '[data-write="Quellhof Reading Rooms"]')).toBe(false)
    await click(sheet, '[data-write="Tannwinkel Guest House"]')
    await expectText(sheet, '[data-message]', 'Answer STOP')
    const draft = await (await find(sheet, '[data-message] textarea')).getAttribute('value')
    expect(draft).toContain('Tannwinkel Guest House')
    expect(draft).toMatch(/is due now: a (light|deep) clean/)
    await click(sheet, '[data-send-message]')
    await find(sheet, '[data-reminded]')
    await gone(sheet, '[data-write="Tannwinkel Guest House"]')
    await click(sheet, '[data-to-messages]')
    await expectText(sheet, '[data-messages]', '“STOP”')
    await expectText(sheet, '[data-messages]', 'delivered')
    await fitsPhone(sheet)
    await go(sheet, 'due')
    await expectText(sheet, '[data-due-site="Tannwinkel Guest House"]', 'opted out')
  })
  it('is not sent where nobody agreed, and an address has to be one', async () => {
    await follow(sheet, 'Sites')
    await clickText(sheet, 'Lindqvist home')
    await isAt(sheet, 'site')
    await click(sheet, '[data-write-by="text"]')
    await type(sheet, 'input[name="write-to"]', 'call me')
    await clickText(sheet, 'Save the site')
    await expectText(sheet, '[role="alert"]', 'a phone number')
    await type(sheet, 'input[name="write-to"]', '+00 555 0150')
    await clickText(sheet, 'Save the site')
    await expectText(sheet, 'form [role="status"]', 'Saved')
  })
})

describe('the van', () => {
  it('is loaded from the plans of the day, item by item', async () => {
    await follow(sheet, 'Today')
    await follow(sheet, 'The day’s load')
    await expectText(sheet, '[data-loaded]', '0 of')
    await click(sheet, '[data-load-item="plan.always.lock-tag"]')
    await expectText(sheet, '[data-loaded]', '1 of')
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-load-item="plan.always.lock-tag"]:has(:checked)')
    await fitsPhone(sheet)
  })
  it('is loaded crew by crew, one’s own first, and each ticks off its own', async () => {
    const needed = async () => Number((await textOf(sheet, '[data-loaded]')).split(' of ')[1].split(' ')[0])
    await click(sheet, '[data-van=""]')
    await expectText(sheet, '[data-loaded]', '0 of')
    const [all, others] = [await needed(), await count('[data-van]:not([data-van=""]):not(.is-active)')]
    expect(others).toBeGreaterThan(0)
    await clickText(sheet, 'Imre Vold, Sanna Kirov')
    await waitUntil(sheet, async () => (await needed()) <= all, 'a crew takes more than everybody')
    await click(sheet, '[data-load] [data-load-item]')
    await expectText(sheet, '[data-loaded]', '1 of')
    await click(sheet, '[data-van=""]')
    await expectText(sheet, '[data-loaded]', '0 of')
  })
  it('is short of what nobody bought, and says how many packs', async () => {
    await click(sheet, '[data-to-stock]')
    await expectText(sheet, '[data-stock]', 'expired')
    await click(sheet, '[data-lot-of="antimicrobial"]')
    await click(sheet, '[data-move="counted"]')
    await type(sheet, 'input[name="stock-litres"]', '0')
    await click(sheet, '[data-note-stock]')
    await expectText(sheet, '[data-to-buy]', '1 pack')
    await click(sheet, '[data-to-load]')
    await expectText(sheet, '[data-short]', 'Antimicrobial coil foam')
    await click(sheet, '[data-to-stock]')
    await click(sheet, '[data-move="thrown-out"]')
    await type(sheet, 'input[name="stock-litres"]', '99')
    await click(sheet, '[data-note-stock]')
    await expectText(sheet, '[role="alert"]', 'more than the')
    await fitsPhone(sheet)
  })
})
