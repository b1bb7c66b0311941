// Less common taps: how much of a finding there is, work ordered besides, and a wait that somebody ends.
import { startApp, type RunningApp } from './support/app.ts'
import { click, clickText, expectText, find, gone, openBrowser, signIn, textOf, type, waitUntil, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { doStep, followSchool, sent, workUntil } from './support/moves.ts'
import { follow, goToStation, isAt, openUnit } from './support/places.ts'

jest.setTimeout(300_000)
let app: RunningApp
let imre: Sheet
let mira: Sheet
beforeAll(async () => {
  app = await startApp()
  ;[imre, mira] = await Promise.all([openBrowser(app.base), openBrowser(app.base)])
  await makeClockMovable(imre)
  await makeClockMovable(mira)
  await signIn(imre, 'imre', 'clear-to-the-fins')
  await signIn(mira, 'mira', 'clear-to-the-fins')
})
afterAll(async () => {
  await imre?.close()
  await mira?.close()
  await app?.close()
})
/** How long the work takes alone, as the method says it: 45 min, 3 h 05. */
async function minutes(): Promise<number> {
  const said = await textOf(imre, '[data-totals] .figure')
  const [, hours = '0', rest = '0'] = /^(?:(\d+) h ?)?(?:(\d+)(?: min)?)?/.exec(said) ?? []
  return Number(hours) * 60 + Number(rest)
}

describe('a unit that is looked over', () => {
  it('is cleaned with an old nest in it, and not with one that is alive', async () => {
    await openUnit(imre, 'Plotter room', 'look-over')
    await click(imre, '[data-finding="insect-nest"]')
    await click(imre, '[data-extent-of-insect-nest="alive"]')
    await expectText(imre, 'aside h2', 'Do not clean today')
    await click(imre, '[data-extent-of-insect-nest="little"]')
    await find(imre, '[data-extent-of-insect-nest="little"]:has(:checked)')
    await waitUntil(imre, async () => !/do not clean/i.test(await textOf(imre, 'aside h2')), 'it is still not cleaned')
  })
  it('asks of bent fins whether few or many, in words that fit them', async () => {
    await click(imre, '[data-finding="bent-fins"]')
    await expectText(imre, '[data-extent-of-bent-fins="little"]', 'a few')
    await gone(imre, '[data-extent-of-bent-fins="alive"]')
    await click(imre, '[data-extent-of-bent-fins="much"]')
    await find(imre, '[data-extent-of-bent-fins="much"]:has(:checked)')
    await sent(imre)
    await follow(imre, 'Record')
    await expectText(imre, '[data-record]', 'bent fins (many)')
  })
  it('takes the outdoor unit with it where the customer orders that, and leaves it again', async () => {
    await goToStation(imre, 'method')
    const alone = await minutes()
    await click(imre, '[data-order-outdoor]')
    await find(imre, '[data-drop-outdoor]')
    expect(await minutes()).toBeGreaterThan(alone)
    await click(imre, '[data-drop-outdoor]')
    await find(imre, '[data-order-outdoor]')
    expect(await minutes()).toBe(alone)
  })
})

describe('a drying wait', () => {
  it('is ended by the hand that feels it dry', async () => {
    await openUnit(imre, 'Room 5, window wall', 'method')
    await followSchool(imre, 'drying', 'dryingSchool', 'long-air-dry')
    await type(imre, 'input[name="school-because"]', 'nobody sleeps here before Thursday')
    await clickText(imre, 'Choose this')
    await find(imre, '[data-topic="drying"][data-choice="long-air-dry"]')
    await click(imre, '[data-agree]')
    await isAt(imre, 'at-the-unit')
    await workUntil(imre, (id) => id === 'open-to-dry')
    await doStep(imre)
    await expectText(imre, '[data-wait-end]', 'It is dry to the touch')
    await click(imre, '[data-dry-to-the-touch]')
    await gone(imre, '[data-dry-to-the-touch]')
    await sent(imre)
    await follow(imre, 'Record')
    await expectText(imre, '[data-record]', 'dry to the touch')
  })
  it('before power, of a unit that was carried, is shortened by the owner in writing, and by nobody else', async () => {
    await openUnit(imre, 'Keeper’s den', 'method')
    await click(imre, '[data-agree]')
    await isAt(imre, 'at-the-unit')
    await workUntil(imre, (id) => id === 'stand-upright')
    await doStep(imre)
    await expectText(imre, '[data-wait-end]', 'Only the owner may shorten this wait')
    await sent(imre)
    await openUnit(mira, 'Keeper’s den', 'at-the-unit')
    await click(mira, '[data-shorten]')
    await find(mira, '[data-wait-end] button[type="submit"]:disabled')
    await type(mira, 'input[name="shorten"]', 'it was never tipped')
    await click(mira, '[data-wait-end] button[type="submit"]')
    await gone(mira, '[data-shorten]')
    await sent(mira)
    await goToStation(mira, 'record')
    await expectText(mira, '[data-record]', 'wait shortened by the owner')
  })
})
