// Every family on its own sheet, stores and the mixing calculator, schools for one job, and units that are alike.
import { startApp, type RunningApp } from './support/app.ts'
import { click, clickText, expectText, find, gone, openBrowser, pick, signIn, textOf, type, type Sheet } from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { follow, go, goToStation, isAt, openUnit } from './support/places.ts'
import { followSchool, grade, sent, workUntil } from './support/moves.ts'

jest.setTimeout(240_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await makeClockMovable(sheet)
  await signIn(sheet, 'mira', 'clear-to-the-fins')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

describe('a unit of each family', () => {
  it.each([
    ['Reading hall, east', 'ceiling-cassette', 'Strip down'],
    ['Keeper’s den', 'window', 'Take out of the wall and clean'],
    ['Pitch B7, above the berth', 'rv-rooftop', 'Cover off, clean in place'],
  ])('%s shows its own section, and how far one goes in', async (name, family, scope) => {
    await openUnit(sheet, name, 'look-over')
    await find(sheet, `svg.section[data-family="${family}"]`)
    await expectText(sheet, '[data-scope]', scope)
  })
  it('is graded on its section, outdoor side included, and sent to the bench', async () => {
    await openUnit(sheet, 'Room 21', 'look-over')
    await find(sheet, 'svg.section[data-family="through-wall"]')
    await grade(sheet, 'condenserFace', 3)
    await expectText(sheet, '[data-scope]', 'Take out of the wall and clean')
    await follow(sheet, 'See the method')
    await find(sheet, '[data-topic="condenser-agent"][data-choice="outdoor-foam"]')
  })
})

describe('a roof unit at work', () => {
  it('has its battery parted before it is proved dead, and its opening plugged before anything is brushed', async () => {
    await openUnit(sheet, 'Pitch B7, above the berth', 'method')
    await click(sheet, '[data-agree]')
    const done = await workUntil(sheet, (id) => id === 'vacuum-coil')
    expect(done.indexOf('part-battery')).toBeLessThan(done.indexOf('prove-dead'))
    expect(done).toEqual(expect.arrayContaining(['go-up', 'set-containment', 'off-shroud', 'off-cover', 'off-ice-probe', 'plug-opening']))
    await expectText(sheet, '[data-caution]', 'Mould and dust')
    await click(sheet, '[data-caution] [aria-expanded="false"]')
    await expectText(sheet, '[data-caution]', 'respirator on')
  })
  it('waits in the wind, says so to the customer, and can still be handed over', async () => {
    await go(sheet, 'sites')
    await clickText(sheet, 'Uferlund Pitches')
    await isAt(sheet, 'site')
    await type(sheet, 'input[name="wind"]', '12')
    await clickText(sheet, 'Save the site')
    await expectText(sheet, '[role="status"]', 'Saved')
    await openUnit(sheet, 'Pitch C2, over the galley', 'look-over')
    await grade(sheet, 'coilFace', 2)
    await expectText(sheet, '[data-scope]', 'Filter service only')
    await expectText(sheet, '.because', 'wind of 12 m/s')
    await follow(sheet, 'See the method')
    await click(sheet, '[data-agree]')
    expect(await workUntil(sheet, () => false)).not.toContain('go-up')
    await follow(sheet, 'Go to Proof')
    await expectText(sheet, '[data-customer-text]', /We washed the filters.*Wind of 12 m\/s: above 8 m\/s nobody goes on a roof/)
    await click(sheet, '[data-hand-over]')
    await expectText(sheet, '[data-record]', 'handed over')
    await expectText(sheet, '[data-customer-text]', 'just the filters are cleaned on this visit')
  })
})

describe('a school for one job', () => {
  it('asks why, changes the plan, and stands in the record with its reason', async () => {
    await openUnit(sheet, 'Keeper’s den', 'method')
    const before = await textOf(sheet, '[data-totals]')
    await followSchool(sheet, 'wheel', 'wheelSchool', 'in-place')
    await type(sheet, 'input[name="school-because"]', 'its hub is corroded')
    await clickText(sheet, 'Choose this')
    await find(sheet, '[data-topic="wheel"][data-choice="wash-in-place"]')
    expect(await textOf(sheet, '[data-totals]')).not.toBe(before)
    await sent(sheet)
    await follow(sheet, 'Record')
    await expectText(sheet, '[data-record]', 'house rule for this job: in place — its hub is corroded')
  })
  it('shows what a choice that nothing calls for would change, before it is made', async () => {
    await follow(sheet, 'Method')
    await click(sheet, '[data-topic="pan-treatment"] [aria-expanded="false"]')
    await click(sheet, '[data-topic="pan-treatment"] [data-flip="slow-release"]')
    await expectText(sheet, '[data-topic="pan-treatment"] .diff', '+1 min')
  })
})

describe('something found in the middle of the work', () => {
  it('changes what is left, says what, and keeps what is done', async () => {
    await openUnit(sheet, 'Room 5, window wall', 'method')
    await click(sheet, '[data-agree]')
    const done = await workUntil(sheet, (id) => id === 'off-cover')
    await follow(sheet, 'Look-over')
    await grade(sheet, 'wheel', 4)
    await follow(sheet, 'At the unit')
    await expectText(sheet, '[data-found]', 'New findings change the work')
    await clickText(sheet, 'See the change')
    await expectText(sheet, '[data-change]', 'Pull the wheel off the motor shaft')
    await click(sheet, '[data-agree-change]')
    // A wheel that is washed throws specks: the customer is told before the work goes on.
    expect(await workUntil(sheet, (id) => id === 'off-cover')).toEqual(['tell-before'])
    await gone(sheet, '[data-found]')
    expect(done).toContain('prove-dead')
  })
})

describe('the crew’s day', () => {
  it('puts every unit that was looked over in time, and says who does what next', async () => {
    await openUnit(sheet, 'Room 3, over the door', 'at-the-unit')
    await follow(sheet, 'Method')
    await follow(sheet, 'The crew’s day, all units together')
    await find(sheet, '[data-crew-timeline]')
    await expectText(sheet, '[data-day-figures]', /\d+ h( \d+)?\s+with this crew, until \d\d:\d\d\s+\d+ h( \d+)?\s+shortest possible/)
    await expectText(sheet, '[data-crew-day]', /Imre Vold: Room [35], /)
    await expectText(sheet, '[data-crew-day]', 'Room 5, window wall')
  })
  it('says what is missing where nothing was looked over', async () => {
    await openUnit(sheet, 'Plotter room', 'look-over')
    await goToStation(sheet, 'crew')
    await expectText(sheet, '[data-crew-day]', 'No unit has been looked over yet')
  })
})

describe('house rules', () => {
  it('say what each way would change on the same round of units', async () => {
    await go(sheet, 'house-rules')
    await expectText(sheet, '[data-round]', /\d+ h including waits/)
    await expectText(sheet, '[data-brings="dry"]', /L water.*not reached/)
    await gone(sheet, '[data-brings="rinse"]')
  })
})

describe('alike units', () => {
  it('are added in one go, with the traits of the one they are like', async () => {
    await go(sheet, 'sites')
    await clickText(sheet, 'Kornfeld Lodge')
    await isAt(sheet, 'site')
    await find(sheet, '[data-alike]')
    await click(sheet, 'tbody tr:last-child [data-alike]')
    await find(sheet, '[data-family="through-wall"]:has(:checked)')
    await type(sheet, 'input[name="unit-name"]', 'Room 24')
    await type(sheet, 'textarea[name="more-names"]', 'Room 25\nRoom 25')
    await clickText(sheet, 'Save the unit')
    await expectText(sheet, '[role="alert"]', 'The same name twice')
    await type(sheet, 'textarea[name="more-names"]', 'Room 25\nRoom 26')
    await clickText(sheet, 'Save the unit')
    await expectText(sheet, 'table', 'Room 26')
    await expectText(sheet, 'table', 'Room 24')
  })
  it('lose the traits that another family does not have', async () => {
    await clickText(sheet, 'Add a unit')
    await click(sheet, '[data-family="window"]')
    await find(sheet, 'input[name="weightKg"]')
    await click(sheet, '[data-family="wall-head"]')
    await find(sheet, 'input[name="ceilingGapCm"]')
    await gone(sheet, 'input[name="weightKg"]')
  })
})

describe('stores', () => {
  it('mix within the label, and stop where two products must not meet', async () => {
    await go(sheet, 'stores')
    await expectText(sheet, '[data-mix]', /m?L of product/)
    await type(sheet, 'input[name="mix-dilution"]', '3')
    await expectText(sheet, '[data-wrong]', 'dilution 1:3 is outside the label’s 1:10 to 1:20')
    await type(sheet, 'input[name="mix-dilution"]', '10')
    await expectText(sheet, '[data-mix]', /25\s*mL of product/)
    await pick(sheet, '.mixer .field:nth-child(2)', 'Antimicrobial')
    await expectText(sheet, '[data-stop]', 'without a rinse between: stop')
    await click(sheet, '[data-rinsed]')
    await expectText(sheet, '[data-mix]', /25\s*mL of product/)
  })
  it('count the van, and turn down a count that cannot be', async () => {
    await click(sheet, '[data-to-stock]')
    await click(sheet, '[data-lot-of="outdoor"]')
    await click(sheet, '[data-move="counted"]')
    await type(sheet, 'input[name="stock-litres"]', '-2')
    await click(sheet, '[data-note-stock]')
    await expectText(sheet, '[role="alert"]', 'Enter at least 0')
    await type(sheet, 'input[name="stock-litres"]', '0')
    await click(sheet, '[data-note-stock]')
    await expectText(sheet, '[role="status"]', 'Noted')
    await expectText(sheet, '[data-stock-of="outdoor"] .number', '0 L')
    // What is entered next is not complained of before anybody tried.
    await gone(sheet, '.wrong')
  })
  it('take no day that is in no calendar for another one', async () => {
    await type(sheet, 'input[name="stock-date"]', '31 Feb 2027\t')
    await expectText(sheet, '[role="alert"]', '“31 Feb 2027” is not a date. Write it like 1 Mar 2027.')
    expect(await (await find(sheet, 'input[name="stock-date"]')).getAttribute('value')).toBe('')
    await type(sheet, 'input[name="stock-date"]', '28 Feb 2027\t')
    await gone(sheet, '.wrong')
    expect(await (await find(sheet, 'input[name="stock-date"]')).getAttribute('value')).toBe('28 Feb 2027')
  })
  it('change what the plan takes: second best, and what is missing is said', async () => {
    await openUnit(sheet, 'Room 22', 'look-over')
    await grade(sheet, 'condenserFace', 3)
    await follow(sheet, 'See the method')
    await find(sheet, '[data-topic="condenser-agent"][data-choice="mild-detergent"]')
    await expectText(sheet, 'aside', 'Outdoor coil foam: out of stock; second best is mild detergent')
  })
  it('are written by the owner alone', async () => {
    const technician = await openBrowser(app.base)
    try {
      await signIn(technician, 'sanna', 'clear-to-the-fins')
      await go(technician, 'stores')
      await expectText(technician, '.page', 'You can mix what is here')
      await gone(technician, '[data-product="outdoor"] button')
      await gone(technician, '[data-add-equipment]')
    } finally {
      await technician.close()
    }
  })
  it('take a new product from its label', async () => {
    await go(sheet, 'stores')
    await clickText(sheet, 'Add a product')
    await type(sheet, 'input[name="product-name"]', 'Fin rinse aid')
    await type(sheet, 'input[name="pH-least"]', '7')
    await type(sheet, 'input[name="pH-most"]', '6')
    await clickText(sheet, 'Save the label')
    await expectText(sheet, '[role="alert"]', 'The first number is above the second')
    await type(sheet, 'input[name="pH-most"]', '8')
    await clickText(sheet, 'allowed indoors')
    await clickText(sheet, 'Save the label')
    await expectText(sheet, '.cards', 'Fin rinse aid')
  })
})
