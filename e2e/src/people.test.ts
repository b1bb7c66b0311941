// Getting in: people are added by an owner, set a password by a code, sign in with a second factor, and get in no more.
import { By } from 'selenium-webdriver'
import { TOTP } from 'otpauth'
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
  signInByForm,
  textOf,
  type,
  type Sheet,
} from './support/browser.ts'
import { go } from './support/places.ts'

jest.setTimeout(180_000)
let app: RunningApp
/** For the loss of a second factor. */
let codes: string[] = []
let owner: Sheet
let person: Sheet
beforeAll(async () => {
  app = await startApp()
  owner = await openBrowser(app.base)
  person = await openBrowser(app.base)
  await signInByForm(owner, 'mira', 'clear-to-the-fins')
})
afterAll(async () => {
  await owner?.close()
  await person?.close()
  await app?.close()
})
const better = 'three herons over wet slate'
let code = ''

describe('an owner', () => {
  it('adds somebody, with wrong input told at its field, and is shown a code', async () => {
    await go(owner, 'house-rules')
    await click(owner, '[data-to-people]')
    await find(owner, '[data-person="imre"]')
    await click(owner, '[data-add-person]')
    await type(owner, '[name="person-name"]', 'Rana Quill')
    await type(owner, '[name="person-sign-in"]', 'imre')
    await type(owner, '[name="person-lift"]', 'much')
    await click(owner, '[data-skill="roof"]')
    await click(owner, '[data-save-person]')
    await expectText(owner, '[role="alert"]', 'Enter a number.')
    await type(owner, '[name="person-lift"]', '25')
    await click(owner, '[data-save-person]')
    await expectText(owner, '[role="alert"]', 'This name is taken')
    await type(owner, '[name="person-sign-in"]', 'rana')
    await click(owner, '[data-save-person]')
    code = await textOf(owner, '[data-code-itself]')
    expect(code).toMatch(/^[2-9A-Z-]{19}$/)
    await expectText(owner, '[data-person="rana"]', 'goes on roofs; lifts up to 25 kg alone')
    await fitsPhone(owner)
  })
})

describe('somebody new', () => {
  it('sets a password by the code, and is in', async () => {
    await person.driver.get(app.base)
    await click(person, '[data-by-code]')
    await type(person, '[name="sign-in"]', 'rana')
    await type(person, '[name="one-time-code"]', code.toLowerCase())
    await type(person, '[name="password"]', 'password12345')
    await clickText(person, 'Set password and sign in')
    await expectText(person, '[role="alert"]', 'easy to guess')
    await type(person, '[name="password"]', better)
    await clickText(person, 'Set password and sign in')
    await expectText(person, '[data-yourself]', 'Rana Quill')
    expect(await exists(person, '[data-to-people]')).toBe(false)
  })
  it('sets a second factor, and is asked for it', async () => {
    await click(person, '[data-yourself]')
    await find(person, '[data-session="this"]')
    await type(person, '[name="factor-password"]', better)
    await click(person, '[data-factor]')
    await find(person, '[data-qr]')
    const totp = new TOTP({ secret: (await textOf(person, '[data-secret]')).replace(/\s/g, '') })
    await type(person, '[name="factor-code"]', '000000')
    await click(person, '[data-confirm-factor]')
    await expectText(person, '[data-second-factor] [role="alert"]', 'is wrong')
    await type(person, '[name="factor-code"]', totp.generate())
    await click(person, '[data-confirm-factor]')
    await find(person, '[data-recovery-codes]')
    codes = (await textOf(person, '[data-recovery-codes]')).split(/\s+/)
    expect(codes).toHaveLength(10)
    await fitsPhone(person)
    await clickText(person, 'Sign out')
    await find(person, '[name="sign-in"]')
    await type(person, '[name="sign-in"]', 'rana')
    await type(person, '[name="password"]', better)
    await clickText(person, 'Sign in')
    await find(person, '[data-asks-factor]')
    await type(person, '[name="second-factor"]', codes[0])
    await clickText(person, 'Sign in')
    await expectText(person, '[data-yourself]', 'Rana Quill')
  })
  it('takes it off with the password and a code, not with the password alone', async () => {
    await go(person, 'yourself')
    await type(person, '[name="factor-password"]', better)
    await expectText(person, '[data-factor]', 'Turn off')
    expect(await (await find(person, '[data-factor]')).isEnabled()).toBe(false)
    await type(person, '[name="drop-code"]', '000000')
    await click(person, '[data-factor]')
    await expectText(person, '[data-second-factor] [role="alert"]', 'is wrong')
    await type(person, '[name="factor-password"]', better)
    await type(person, '[name="drop-code"]', codes[1])
    await click(person, '[data-factor]')
    await expectText(person, '[data-factor]', 'Set up')
  })
  it('sees where else they are signed in, and signs out there', async () => {
    await go(person, 'yourself')
    await find(person, '[data-session="this"]')
    expect(await exists(person, '[data-session="other"]')).toBe(false)
  })
})

describe('whoever gets in no more', () => {
  it('is out with the next thing they do, and their past stays', async () => {
    await click(owner, '[data-person="rana"] [data-end]')
    await click(owner, '[data-person="rana"] [data-end-sure]')
    await expectText(owner, '[data-gone]', 'Rana Quill')
    await person.driver.navigate().refresh()
    await find(person, '[name="sign-in"]')
    await click(owner, '[data-person="rana"] [data-let-in]')
    await gone(owner, '[data-gone]')
  })
  it('is never the last owner', async () => {
    const mira = owner.driver.findElement(By.css('[data-person="mira"]'))
    expect(await mira.findElements(By.css('[data-end]'))).toHaveLength(0)
    await click(owner, '[data-person="mira"] [data-edit-person]')
    await click(owner, '[data-person="mira"] [data-role="technician"]')
    await click(owner, '[data-person="mira"] [data-save-person]')
    await expectText(owner, '[role="alert"]', 'This is the only owner with access')
  })
})

describe('who did what', () => {
  it('is on record, with what was before and after', async () => {
    await click(owner, '[data-to-audit]')
    await expectText(owner, '[data-audit-what="person-changed"]', 'changed a person: rana')
    await expectText(owner, '[data-audit]', /before: active false/)
    await fitsPhone(owner)
  })
})

describe('another program', () => {
  it('gets a token that is shown once, and gets in no more when it is ended', async () => {
    await click(owner, '[data-to-programs]')
    await type(owner, '[name="token-name"]', 'The bookkeeper')
    await type(owner, '[name="token-ends"]', '1 Jan 2020\n')
    await click(owner, '[data-make-token]')
    await expectText(owner, '[role="alert"]', 'cannot end on 1 Jan 2020')
    await owner.driver.navigate().refresh()
    await type(owner, '[name="token-name"]', 'The bookkeeper')
    await click(owner, '[data-area="sites"]')
    // Signed in some time ago: the password is asked for again.
    await app.moveClock(11)
    await click(owner, '[data-make-token]')
    await type(owner, '[name="confirm-password"]', 'not the one')
    await click(owner, '[data-confirm-password] button[type="submit"]')
    await expectText(owner, '[data-confirm-password] [role="alert"]', 'not your password')
    await type(owner, '[name="confirm-password"]', 'clear-to-the-fins')
    await click(owner, '[data-confirm-password] button[type="submit"]')
    const token = await textOf(owner, '[data-shown-itself]')
    await expectText(owner, '[data-program="The bookkeeper"]', 'reads until')
    await fitsPhone(owner)
    const asked = async () => (await fetch(`${app.base}/api/sites`, { headers: { authorization: `Bearer ${token}` } })).status
    expect(await asked()).toBe(200)
    expect((await fetch(`${app.base}/api/quotes`, { headers: { authorization: `Bearer ${token}` } })).status).toBe(403)
    await click(owner, '[data-end-token]')
    await click(owner, '[data-end-token-sure]')
    await gone(owner, '[data-program]')
    expect(await asked()).toBe(401)
  })
})
