// A crew that thinks in Spanish: the whole job of a wall head, its report and its letters, and no English on any page.
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startApp, type RunningApp } from './support/app.ts'
import {
  click,
  clickText,
  devtools,
  expectText,
  find,
  openBrowser,
  signIn,
  signInByForm,
  textOf,
  type,
  gone,
  waitUntil,
  type Sheet,
} from './support/browser.ts'
import { makeClockMovable } from './support/clock.ts'
import { goTo, sights, unitsOfDemo } from './support/everywhere.ts'
import { doStep, grade, sent, workUntil } from './support/moves.ts'
import { goToStation, isAt } from './support/places.ts'

jest.setTimeout(300_000)
const password = 'clear-to-the-fins'
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await makeClockMovable(sheet)
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

/** Asks the server as whoever is signed in. */
const ask = (method: string, path: string, body?: object): Promise<Record<string, unknown>> =>
  sheet.driver.executeAsyncScript(
    `const [method, path, body, back] = arguments
    fetch(path, { method, ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}) })
      .then((answer) => answer.json()).then(back)`,
    method,
    path,
    body ?? null,
  )

/** What people of the firm wrote, as all of it is in a bundle: it stays what it is in any language. Longest first, so that no rest stays. */
let written: string[] = []
async function readWritten(): Promise<void> {
  const found = new Set<string>()
  const walk = (value: unknown): void => {
    if (typeof value === 'string' && value.includes(' '))
      for (const line of [value, ...value.split('\n')]) found.add(line.replace(/\s+/g, ' ').trim())
    else if (value !== null && typeof value === 'object') Object.values(value).forEach(walk)
  }
  walk(await ask('GET', '/api/bundle'))
  // What the moves of these tests enter.
  found.add('no time for it today')
  written = [...found].sort((one, other) => other.length - one.length)
}
/** Words that English cannot do without, and that Spanish does not have. */
const english =
  /(?<!\p{L})(the|and|with|of|is|are|it|not|from|before|after|this|that|which|what|when|to|for|by|at|all|was|were|will|your|you|they|there|or)(?!\p{L})/iu
/** What is read on a page and read out of it; but for what is in another language and says so, and words that somebody wrote. */
const englishHere = async (): Promise<string[]> => {
  const texts = await sheet.driver.executeScript<string[]>(`
    const foreign = '[lang]:not(html):not([lang^="es"]), [data-written]'
    const out = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const { parentElement, textContent } = walker.currentNode
      if (!parentElement.closest('script, style, ' + foreign)) out.push(textContent)
    }
    for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
      for (const element of document.querySelectorAll('[' + name + ']')) if (!element.closest(foreign)) out.push(element.getAttribute(name))
    return out.map((text) => text.replace(/\\s+/g, ' ').trim())`)
  const bare = (text: string) => written.reduce((left, words) => left.replaceAll(words, ''), text)
  return [...new Set(texts)].filter((text) => english.test(text) && english.test(bare(text)))
}

let siteId = ''
describe('one wall head, in Spanish', () => {
  it('has a customer who reads Spanish and °F, and a technician who reads Spanish and °C', async () => {
    await signIn(sheet, 'mira', password)
    await readWritten()
    const { entries } = (await ask('GET', '/api/sites?find=Halvmark')) as { entries: { id: string }[] }
    const [{ id }] = entries
    siteId = id
    const { site, address, contact, access, reminders, version } = await ask('GET', `/api/sites/${id}`)
    const form = { site, address, contact, version, ...(access ? { access } : {}), ...(reminders ? { reminders } : {}) }
    await ask('PUT', `/api/sites/${id}`, { ...form, customerLanguage: 'es', customerUnits: 'us' })
    await click(sheet, '[data-sign-out]')
    await isAt(sheet, 'sign-in')
    await click(sheet, '[data-read-in="es"]')
    await expectText(sheet, 'main', 'Contraseña')
    expect(await englishHere()).toEqual([])
    await signInByForm(sheet, 'imre', password)
    expect(await sheet.driver.executeScript('const { lang, dir } = document.documentElement; return [lang, dir]')).toEqual(['es-419', 'ltr'])
    await find(sheet, '[data-units]')
  })

  it('keeps the language that was chosen, on any device, once it is the person’s own', async () => {
    await click(sheet, '[data-units]')
    await click(sheet, '[data-language="en"]')
    await expectText(sheet, 'header.strip', 'Today')
    await click(sheet, '[data-units]')
    await click(sheet, '[data-language="es"]')
    await expectText(sheet, 'header.strip', 'Hoy')
    await sheet.driver.executeScript('localStorage.clear()')
    await sheet.driver.get(`${app.base}/`)
    await expectText(sheet, 'header.strip', 'Hoy')
  })

  it('is looked over, planned and worked at, without an English word', async () => {
    await clickText(sheet, 'Meeting room')
    await isAt(sheet, 'look-over')
    for (const [part, value] of Object.entries({ filter: 2, coilFace: 2, coilBack: 1, wheel: 1, pan: 0, drainLine: 0, outlet: 1, housing: 0 }))
      await grade(sheet, part, value)
    await expectText(sheet, '[data-scope]', 'limpiar en su lugar')
    expect(await englishHere()).toEqual([])
    await goToStation(sheet, 'method')
    expect(await englishHere()).toEqual([])
    await click(sheet, '[data-agree]')
    const found: string[] = []
    await workUntil(sheet, (id) => id === 'prove-dead')
    await expectText(sheet, '[data-step="prove-dead"]', /ausencia de tensión/)
    await workUntil(
      sheet,
      () => false,
      async (own) => {
        found.push(...(await englishHere()))
        return doStep(own)
      },
    )
    expect([...new Set(found)]).toEqual([])
  })

  it('says what cannot be entered, in Spanish', async () => {
    await goToStation(sheet, 'proof')
    const after = '[data-readings="after"]'
    await type(sheet, `${after} input[name="returnRh"]`, '540')
    await click(sheet, `${after} button[type="submit"]`)
    await expectText(sheet, `${after} [role="alert"]`, 'Escriba como máximo 100 %.')
    await type(sheet, `${after} input[name="returnRh"]`, '54')
    await click(sheet, `${after} button[type="submit"]`)
    await expectText(sheet, '[data-line="cooling"]', 'comprobado')
    expect(await englishHere()).toEqual([])
  })

  it('is handed over with words for the customer in Spanish, and stands so in record and report, in °F', async () => {
    await expectText(sheet, '[data-customer-text]', /Abiert|abri|limpi/)
    await click(sheet, '[data-hand-over]')
    await sent(sheet)
    await goToStation(sheet, 'record')
    await find(sheet, '[data-record]')
    expect(await englishHere()).toEqual([])
    await goToStation(sheet, 'report')
    await find(sheet, '[data-report]')
    const report = await textOf(sheet, '[data-report]')
    expect(report).toMatch(/\d °F/)
    expect(report).not.toMatch(/°C/)
    expect(await (await find(sheet, '[data-report]')).getAttribute('lang')).toMatch(/^es/)
    expect(await englishHere()).toEqual([])
  })

  it('has a PDF that says its language', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yastik-spanish-'))
    await devtools(sheet, 'Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder })
    await click(sheet, '[data-save-report]')
    const pdf = () => readdirSync(folder).find((name) => name.endsWith('.pdf'))
    await waitUntil(sheet, () => pdf() !== undefined, 'no report was saved', 60_000)
    expect(readFileSync(join(folder, pdf() ?? '')).toString('latin1')).toMatch(/\/Lang \(es/)
  })

  it('says in Spanish what the server turns down, and where', async () => {
    await sheet.driver.get(`${app.base}/yourself`)
    await type(sheet, 'input[name="password"]', 'not the one')
    await type(sheet, 'input[name="next-password"]', 'four words of some length')
    await click(sheet, '[data-change-password] button[type="submit"]')
    await expectText(sheet, '[data-change-password]', 'Esta no es su contraseña')
    expect(await englishHere()).toEqual([])
  })

  it('is written about in Spanish: what falls due, with the word that ends it', async () => {
    await signIn(sheet, 'mira', password)
    const draft = (await ask('GET', `/api/sites/${siteId}/reminder`)) as { body: string; stopLine: string; language: string }
    expect(draft.language).toBe('es')
    expect([draft.body, draft.stopLine]).toEqual([expect.stringContaining('sobre el aire acondicionado en'), expect.stringContaining('ALTO')])
    expect(draft.body).not.toMatch(english)
  })
})

describe('a firm’s own words', () => {
  const at = '[data-wording="letters.reminder.head"]'
  const head = async () => ((await ask('GET', `/api/sites/${siteId}/reminder`)) as { body: string }).body.split('\n')[0]

  it('are written with a look at every language, refused with a value that there is not, and read by the customer', async () => {
    await sheet.driver.get(`${app.base}/house-rules/wording`)
    await click(sheet, '[data-wording-language="es"]')
    await click(sheet, `${at} [data-edit-wording]`)
    await type(sheet, `${at} textarea`, 'Hola de parte de {firma}')
    await expectText(sheet, '[data-wording-fault]', '{firma}')
    expect(await (await find(sheet, '[data-save-wording]')).isEnabled()).toBe(false)
    await type(sheet, `${at} textarea`, 'Hola de parte de {firm}')
    await expectText(sheet, '[data-wording-preview]', /English.*about the air conditioning.*Español.*Hola de parte de Fennick Indoor Air/s)
    await click(sheet, '[data-save-wording]')
    await find(sheet, `${at} [data-own]`)
    expect(await head()).toBe('Hola de parte de Fennick Indoor Air')
  })

  it('go back to the usual ones', async () => {
    await click(sheet, `${at} [data-edit-wording]`)
    await click(sheet, '[data-default-wording]')
    // The row is open until the server has answered.
    await gone(sheet, '[data-default-wording]')
    expect(await sheet.driver.executeScript('return document.querySelector("[data-own]")')).toBeNull()
    expect(await head()).toMatch(/sobre el aire acondicionado en/)
  })
})

describe('every page in Spanish', () => {
  let units: { JOB: string; PROVED: string }
  beforeAll(async () => {
    await signIn(sheet, 'mira', password)
    await readWritten()
    await ask('PUT', '/api/session/language', { language: 'es' })
    units = await unitsOfDemo(sheet)
  })
  it.each(sights)('$name has no English on it', async (sight) => {
    await goTo(sheet, sight, units)
    await find(sheet, 'main[aria-busy="false"]')
    expect(await englishHere()).toEqual([])
  })
})
