// The logbook's other side: what is due and a unit's life; and the firm's data out and in, with tables as other programs write them.
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startApp, type RunningApp } from './support/app.ts'
import { By } from 'selenium-webdriver'
import {
  click,
  clickText,
  exists,
  expectText,
  find,
  fitsPhone,
  gone,
  openBrowser,
  pick,
  signIn,
  textOf,
  type,
  type Sheet,
  waitUntil,
} from './support/browser.ts'
import { follow, go, isAt } from './support/places.ts'

jest.setTimeout(180_000)
const folder = mkdtempSync(join(tmpdir(), 'yastik-data-'))
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
const give = async (name: string, file: string, content: string | Buffer): Promise<void> => {
  const path = join(folder, file)
  writeFileSync(path, content)
  await sheet.driver.findElement(By.css(`input[name="${name}"]`)).sendKeys(path)
}

describe('the logbook', () => {
  const rows = async () => (await sheet.driver.findElements(By.css('[data-logbook] tbody tr'))).length
  const choose = async (name: string, text: string): Promise<void> => {
    const before = await rows()
    await pick(sheet, `[data-log-filters] .field:has([name="${name}"])`, text)
    await waitUntil(sheet, async () => (await rows()) !== before, `${name} changes nothing`)
  }
  it('is narrowed down by family and verdict, and says when nothing is like that', async () => {
    await follow(sheet, 'Logbook')
    await find(sheet, '[data-logbook]')
    const all = await rows()
    await choose('family', 'window unit')
    const windows = await rows()
    expect(windows).toBeGreaterThan(0)
    expect(windows).toBeLessThan(all)
    await type(sheet, '[data-log-filters] [name="find"]', 'no such place\n')
    await expectText(sheet, 'main', 'Nothing in the logbook matches.')
    await fitsPhone(sheet)
  })
})

describe('a unit’s life', () => {
  it('shows every part as it was found, what became of findings, and parts that were changed', async () => {
    await follow(sheet, 'Sites')
    await clickText(sheet, 'Tannwinkel Guest House')
    await isAt(sheet, 'site')
    await click(sheet, '[data-site-log]')
    await expectText(sheet, '[data-one-site]', 'Tannwinkel Guest House alone')
    const sites = await textOf(sheet, '[data-logbook] tbody')
    expect(sites).not.toContain('Ehrenfurt')
    await click(sheet, '[data-life]')
    await find(sheet, '[data-life-rows] [data-life-part="wheel"]')
    await go(sheet, 'logbook')
    await type(sheet, '[data-log-filters] [name="find"]', 'Room 3\n')
    await waitUntil(sheet, async () => !(await textOf(sheet, '[data-logbook] tbody')).includes('Room 5'), 'other rooms stay')
    await click(sheet, '[data-life]')
    await find(sheet, '[data-life-finding="bent-fins"][data-open="true"]')
    await find(sheet, '[data-life-finding="failed-gasket"][data-open="false"]')
    await expectText(sheet, '[data-life-parts-changed]', 'gasket changed')
    await expectText(sheet, '[data-life-cooling]', /\d+ % → \d+ %/)
    await fitsPhone(sheet)
  })
})

describe('what is no longer used', () => {
  it('is retired with one tap and taken back with another: a unit', async () => {
    await go(sheet, 'sites')
    await clickText(sheet, 'Tannwinkel Guest House')
    await isAt(sheet, 'site')
    // Somebody is going there today.
    await click(sheet, '[data-retire-unit="Room 5, window wall"]')
    await expectText(sheet, '[role="alert"]', 'A visit is planned')
    await click(sheet, '[data-retire-unit="Breakfast room"]')
    await expectText(sheet, '[data-unit-gone]', 'Breakfast room is retired')
    await gone(sheet, '[data-retire-unit="Breakfast room"]')
    await click(sheet, '[data-unit-back]')
    await find(sheet, '[data-retire-unit="Breakfast room"]')
    await click(sheet, '[data-retire-unit="Breakfast room"]')
    await find(sheet, '[data-unit-gone]')
    await sheet.driver.navigate().refresh()
    await click(sheet, '[data-retired-units] [aria-expanded="false"]')
    await click(sheet, '[data-unit-in-use="Breakfast room"]')
    await find(sheet, '[data-retire-unit="Breakfast room"]')
    await fitsPhone(sheet)
  })
  it('a site: out of the list, found as retired, and in use again', async () => {
    await go(sheet, 'sites')
    await clickText(sheet, 'Auweide Hearing Practice')
    await isAt(sheet, 'site')
    await click(sheet, '[data-retire-site]')
    await expectText(sheet, '[data-site-retired]', 'retired since')
    await gone(sheet, '[data-visit-plan]')
    await go(sheet, 'sites')
    await find(sheet, 'tbody tr')
    expect(await textOf(sheet, 'table')).not.toContain('Auweide')
    await click(sheet, '[data-which-sites="retired"]')
    await expectText(sheet, 'table', 'Auweide Hearing Practice')
    await clickText(sheet, 'Auweide Hearing Practice')
    await isAt(sheet, 'site')
    await click(sheet, '[data-site-in-use]')
    await find(sheet, '[data-visit-plan]')
  })
})

describe('what is due', () => {
  it('is a line a site, from which a visit is planned: its units, a day and people are filled in', async () => {
    await go(sheet, 'due')
    await expectText(sheet, '[data-due-site="Uferlund Pitches"] [data-due-planned]', /planned for .*, all of it/)
    await expectText(sheet, '[data-due-site="Tannwinkel Guest House"] [data-due-planned]', '2 of 3 units')
    await click(sheet, '[data-plan-due="Tannwinkel Guest House"]')
    await find(sheet, '[data-plan-unit].is-checked')
    expect((await sheet.driver.findElements(By.css('[data-plan-unit].is-checked'))).length).toBe(1)
    await expectText(sheet, '[data-plan-unit].is-checked', 'Breakfast room')
    await clickText(sheet, 'Plan the visit')
    await expectText(sheet, '[data-planned-note]', /Tannwinkel Guest House is planned for \d/)
    await gone(sheet, '[data-plan-due="Tannwinkel Guest House"]')
    expect(await sheet.driver.findElements(By.css('[data-due-site="Tannwinkel Guest House"] [data-due-planned]'))).toHaveLength(2)
    await click(sheet, '[data-due-weeks="0"]')
    await find(sheet, '[data-due-site="Tannwinkel Guest House"]')
    await fitsPhone(sheet)
  })
  it('is listed by unit, soonest first, and by kind', async () => {
    await follow(sheet, 'Logbook')
    await click(sheet, '[data-to-due]')
    await find(sheet, '[data-due-site]')
    await clickText(sheet, 'By unit')
    await find(sheet, '[data-due-entry="filter"]')
    await click(sheet, '[data-due-kind="deep-clean"]')
    await gone(sheet, '[data-due-entry="filter"]')
    await expectText(sheet, '[data-due]', /\w{3} \d{4} – \w{3} \d{4}/)
    await fitsPhone(sheet)
  })
  it('leads to the unit’s life: past visits, the band ahead, and what other use would change', async () => {
    await clickText(sheet, 'Over the counter')
    await isAt(sheet, 'logbook')
    await find(sheet, '[data-unit-life] [data-band]')
    expect(await sheet.driver.findElements(By.css('[data-unit-life] .visit'))).toHaveLength(2)
    await expectText(sheet, '[data-due-says]', /Due/)
    await type(sheet, '[name="what-if-hours"]', '1')
    await expectText(sheet, '[data-what-if]', /weeks later/)
    await fitsPhone(sheet)
    await sheet.driver.findElement(By.css('[data-unit-life] .visit')).click()
    await find(sheet, '[data-record]')
  })
})

describe('a table of sites and units', () => {
  const header = 'Kunde;Straße;setting;waterOnSite;foulDrainOnSite;unit;family;ratedCoolingKw'
  const good = 'Mühle;Wehrgasse 1;home;yes;yes;Loft;wall-head;3,5'
  it('is shown with its dialect, and asks for the columns that it does not know', async () => {
    await go(sheet, 'data')
    await find(sheet, '[data-table-import]')
    const latin = Buffer.from([header, good, 'Mühle;Wehrgasse 1;home;yes;yes;Attic;chimney;3,5'].join('\r\n'), 'latin1')
    await give('table', 'latin.csv', latin)
    await expectText(sheet, '[data-dialect]', '2 rows, semicolons between cells, encoding Windows-1252')
    await expectText(sheet, '[data-table-import]', 'Mühle')
    await expectText(sheet, '[data-table-import] [role="alert"]', 'Columns still to choose: site')
    for (const [heading, column] of [
      ['Kunde', 'site'],
      ['Straße', 'address'],
    ])
      await pick(sheet, `th:has([data-column="${heading}"])`, column)
  })
  it('says what is wrong row by row, and takes nothing before it is mended or set aside', async () => {
    await expectText(sheet, '[data-row-faults]', 'row 3, family: "chimney" is not allowed')
    expect(await (await find(sheet, '[data-take-in]')).isEnabled()).toBe(false)
    await click(sheet, 'label:has([name="set-aside"])')
    await click(sheet, '[data-take-in]')
    await expectText(sheet, '[data-taken-in]', 'Imported: 1 site with 1 unit')
    await go(sheet, 'sites')
    await expectText(sheet, 'table', 'Mühle')
  })
  it('does not take the same twice', async () => {
    await go(sheet, 'data')
    await find(sheet, '[data-table-import]')
    await give('table', 'again.csv', `\uFEFF${[header.replace('Kunde', 'site').replace('Straße', 'address'), good].join('\n')}`)
    await expectText(sheet, '[data-dialect]', 'UTF-8 with BOM')
    await click(sheet, '[data-take-in]')
    await expectText(sheet, '[data-table-import] .fault', '“Mühle” already exists')
  })
  it('is taken back: what nobody touched goes, the rest stays and is named', async () => {
    await click(sheet, '[data-import="sites"] [data-take-back]')
    await click(sheet, '[data-take-back-sure]')
    await expectText(sheet, '[data-taken-back]', '1 undone')
    await expectText(sheet, '[data-import="sites"]', 'undone')
    await go(sheet, 'sites')
    await find(sheet, 'tbody tr')
    expect(await textOf(sheet, 'table')).not.toContain('Mühle')
    await go(sheet, 'data')
    await find(sheet, '[data-table-import]')
  })
  it.each([
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 0xd, 0xff, 0xfe]), 'not a text table'],
    ['one line of prose', 'Dear Sir', 'No table found'],
  ])('turns down %s with a sentence', async (name, content, says) => {
    await give('table', `${name}.csv`, content as Buffer)
    await expectText(sheet, '[data-table-import] .fault', says as string)
  })
  it('says which line a quotation mark spoils, and what stands beyond the headings, and reads the others', async () => {
    const rows = ['sep=;', 'site;address', '"Anker;Lände 2', 'Birke;Lände 3', 'Erle;Lände 4;more', 'Föhre;Lände 5']
    await give('table', 'stray.csv', rows.join('\r\n'))
    await expectText(sheet, '[data-dialect]', '4 rows, semicolons')
    await expectText(sheet, '[data-row-faults]', 'row 2, the line: a quotation mark opens a cell here and is never closed')
    await expectText(sheet, '[data-row-faults]', 'row 4, cell 3: “more” is past the last heading')
    expect(await textOf(sheet, '[data-take-in]')).toContain('Import 2 sites with 0 units')
  })
  it('does not send what is more than is taken in at once', async () => {
    const rows = Array.from({ length: 50_001 }, (_, index) => `Row ${index},Lane ${index}`)
    await give('table', 'larger.csv', ['site,address', ...rows].join('\n'))
    await waitUntil(sheet, async () => exists(sheet, '[data-too-much]'), 'the table was not read', 30_000)
    await expectText(sheet, '[data-too-much]', '50,001 sites; at most 50,000 at once')
    expect(await (await find(sheet, '[data-take-in]')).isEnabled()).toBe(false)
  })
  it('reads fifty thousand rows while the page still answers', async () => {
    const rows = Array.from({ length: 50_000 }, (_, index) => `Row ${index},Lane ${index},home,yes,no,Loft,wall-head,3.5`)
    await give('table', 'large.csv', [header.replace('Kunde', 'site').replace('Straße', 'address').replaceAll(';', ','), ...rows].join('\n'))
    await expectText(sheet, '[data-table-import] [role="status"]', /Reading|Checking/)
    await waitUntil(sheet, async () => exists(sheet, '[data-take-in]'), 'the table was not read', 30_000)
    expect(await textOf(sheet, '[data-take-in]')).toBe('Import 50,000 sites with 50,000 units')
    await fitsPhone(sheet)
  })
})

describe('a calendar that keeps itself up to date', () => {
  it('is made for a person, fetched by another program without signing in, and taken back', async () => {
    await go(sheet, 'data')
    await pick(sheet, '[data-calendars] .whose', 'Sanna Kirov')
    await click(sheet, 'label:has([name="calendar-contact"])')
    await click(sheet, '[data-make-calendar]')
    const address = await textOf(sheet, '[data-shown-itself]')
    expect(address).toMatch(/^http.*\/api\/calendars\/[\w-]{43}\/visits\.ics$/)
    const answer = await fetch(address)
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8'])
    expect(await answer.text()).toMatch(/SUMMARY:[\s\S]*With .*Sanna/)
    await expectText(sheet, '[data-calendar="Sanna Kirov"]', 'with first names')
    await click(sheet, '[data-calendar="Sanna Kirov"] [data-end-calendar]')
    await click(sheet, '[data-end-calendar-sure]')
    await waitUntil(sheet, async () => !(await exists(sheet, '[data-calendar="Sanna Kirov"]')), 'it is still there', 10_000)
    expect(await exists(sheet, '[data-shown-itself]')).toBe(false)
    expect((await fetch(address)).status).toBe(404)
    await fitsPhone(sheet)
  })
})

describe('step times', () => {
  it('are looked through on the owner’s word, planned with, and taken back', async () => {
    await go(sheet, 'house-rules')
    await expectText(sheet, '[data-step-times]', 'No step is corrected yet')
    await click(sheet, '[data-look-through]')
    await find(sheet, '[data-step-time]')
    await click(sheet, '[data-use-times]')
    await expectText(sheet, '[data-step-times]', /\d+ steps are corrected now/)
    await click(sheet, '[data-back-to-start]')
    await expectText(sheet, '[data-step-times]', 'No step is corrected yet')
  })
  it('are learned for each person, who are planned with them and put back by hand', async () => {
    await click(sheet, '[data-use-paces]')
    await waitUntil(sheet, async () => !(await exists(sheet, '[data-use-paces]')), 'the paces are not taken over')
    await go(sheet, 'people')
    await click(sheet, '[data-person="sanna"] [data-edit-person]')
    const pace = await (await find(sheet, '[name="person-pace"]')).getAttribute('value')
    expect(Number(pace)).toBeGreaterThanOrEqual(70)
    expect(Number(pace)).not.toBe(100)
    await type(sheet, '[name="person-pace"]', '40')
    await click(sheet, '[data-save-person]')
    await expectText(sheet, '[data-person-form]', '70')
    await type(sheet, '[name="person-pace"]', '100')
    await click(sheet, '[data-save-person]')
    await waitUntil(sheet, async () => !(await exists(sheet, '[data-person-form]')), 'it is not saved')
  })
})

describe('a bundle', () => {
  beforeAll(async () => {
    await go(sheet, 'data')
    await find(sheet, '[data-bundle-import]')
  })
  it('that was cut off, or comes where there is a firm already, is turned down', async () => {
    const bundle = await sheet.driver.executeAsyncScript<string>(
      'const back = arguments[0]; fetch("/api/bundle").then((answer) => answer.text()).then(back)',
    )
    expect(JSON.parse(bundle).format).toBe('yastik.bundle/1')
    await give('bundle', 'cut.json', bundle.slice(0, 2000))
    await expectText(sheet, '[data-bundle-import] .fault', 'broke off')
    await give('bundle', 'whole.json', bundle)
    await expectText(sheet, '[data-bundle-import] .fault', 'This firm already has sites')
  })
})

describe('a calendar', () => {
  const calendar = (...entries: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//', ...entries, 'END:VCALENDAR', ''].join('\r\n')
  const entry = (uid: string, ...lines: string[]) => ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'].join('\r\n')
  it('is read entry by entry, and nothing is taken in before its faults are set aside', async () => {
    await follow(sheet, 'Sites')
    await follow(sheet, 'Import and export')
    await give(
      'calendar',
      'visits.ics',
      calendar(
        entry('first', 'DTSTART;VALUE=DATE:20280210', 'SUMMARY:Spring clean', 'LOCATION:Lindqvist home'),
        entry('second', 'DTSTART:20280211T090000', 'SUMMARY:No zone', 'LOCATION:Lindqvist home'),
        entry('third', 'DTSTART;VALUE=DATE:20280212', 'RRULE:FREQ=YEARLY', 'SUMMARY:Every year', 'LOCATION:Lindqvist home'),
      ),
    )
    await expectText(sheet, '[data-calendar-faults]', 'has no time zone')
    await expectText(sheet, '[data-calendar-faults]', 'this entry repeats')
    await expectText(sheet, '[data-calendar-rows]', 'a new visit')
    await find(sheet, '[data-take-calendar]:disabled')
    await click(sheet, 'label:has([name="calendar-set-aside"])')
    await click(sheet, '[data-take-calendar]')
    await expectText(sheet, '[data-calendar-taken]', '1 planned, 0 moved, 0 cancelled')
    await give('calendar', 'broken.ics', 'BEGIN:VCALENDAR')
    await expectText(sheet, '[data-calendar-import] [role="alert"]', 'broke off')
    await fitsPhone(sheet)
  })
})

describe('what is kept of customers', () => {
  it('goes after months, where the owner says so; what is no number of months is told', async () => {
    await go(sheet, 'data')
    await type(sheet, '[name="keep-messages"]', '0\t')
    await expectText(sheet, '[data-retention] [role="alert"]', 'messages')
    await type(sheet, '[name="keep-messages"]', '24\t')
    await expectText(sheet, '[data-retention] [role="status"]', 'Saved')
  })
  it('is erased on request, after a second word, and the sheet is of nobody any more', async () => {
    await go(sheet, 'sites')
    await click(sheet, 'main a[href^="/sites/"]:not([href$="new"])')
    await isAt(sheet, 'site')
    const name = await find(sheet, '[name="site-name"]')
    expect(await name.getAttribute('value')).not.toBe('')
    await click(sheet, '[data-erase]')
    await find(sheet, '[data-erase-sure]')
    await click(sheet, '[data-erase-sure]')
    await waitUntil(sheet, async () => /^Erased customer/.test((await name.getAttribute('value')) ?? ''), 'the name stays')
    await fitsPhone(sheet)
  })
})

describe('an error that nobody handled', () => {
  it('is shown, and the page is loaded anew where the person wants it', async () => {
    await sheet.driver.executeScript(`Storage.prototype.setItem = () => { throw new Error('made up for the test') }`)
    await click(sheet, '[data-choose-light]')
    await click(sheet, '[data-set-light="outdoor"]')
    await click(sheet, '.el-dialog__headerbtn')
    await expectText(sheet, '[data-unhandled]', 'made up for the test. Nothing that waits on this device is lost.')
    await clickText(sheet, 'Continue')
    await gone(sheet, '[data-unhandled]')
    await sheet.driver.executeScript(
      `dispatchEvent(new PromiseRejectionEvent('unhandledrejection', { promise: Promise.resolve(), reason: new Error('once more') }))`,
    )
    await expectText(sheet, '[data-unhandled]', 'once more')
    await clickText(sheet, 'Reload')
    await gone(sheet, '[data-unhandled]')
  })
})

describe('a technician', () => {
  it('takes nothing out of the house, and reads in', async () => {
    const own = await openBrowser(app.base)
    try {
      await signIn(own, 'sanna', 'clear-to-the-fins')
      await follow(own, 'Sites')
      await follow(own, 'Import and export')
      await expectText(own, '[data-owner-takes-out]', 'only the owner makes them')
      expect(await own.driver.findElements(By.css('a[href^="/api/exports"], a[href^="/api/bundle"]'))).toEqual([])
      await expectText(own, '[data-table-import]', 'Choose a table')
    } finally {
      await own.close()
    }
  })
})
