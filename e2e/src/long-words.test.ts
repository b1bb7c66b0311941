// A made-up language whose words are 40 % longer than English: nothing sticks out of a phone.
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { builtPages, startApp, type RunningApp } from './support/app.ts'
import { expectText, find, fitsPhone, openBrowser, setSize, signIn, type Sheet } from './support/browser.ts'
import { goTo, sights, unitsOfDemo } from './support/everywhere.ts'

jest.setTimeout(60_000)
const longer = 0.4
/** Each word goes on with its own beginning; what is no word of the text, as values and how they are counted, stays. */
function lengthened(text: string): string {
  let depth = 0
  return text.replace(/[{}]|\p{L}{3,}/gu, (part) => {
    if (part === '{') depth++
    else if (part === '}') depth--
    else if (depth % 2 === 0) return part + part.slice(0, Math.ceil(longer * part.length)).toLowerCase()
    return part
  })
}
/** A text of the catalogue as it was built: its key, then the text, perhaps with the values that it asks for declared around it. */
const builtText = /("[a-z][\w-]*\.[\w.-]+":(?:\w+\()?)`((?:[^`\\]|\\.)*)`/g

const pages = mkdtempSync(join(tmpdir(), 'yastik-long-'))
let app: RunningApp
let sheet: Sheet
let units: { JOB: string; PROVED: string }
beforeAll(async () => {
  cpSync(builtPages, pages, { recursive: true })
  const assets = join(pages, 'assets')
  for (const name of readdirSync(assets).filter((own) => own.endsWith('.js'))) {
    const code = readFileSync(join(assets, name), 'utf8')
    const long = code.replace(builtText, (_, key: string, text: string) => `${key}\`${lengthened(text)}\``)
    if (long !== code) writeFileSync(join(assets, name), long)
  }
  app = await startApp(pages)
  sheet = await openBrowser(app.base, { width: 390, height: 844 })
  await signIn(sheet, 'mira', 'clear-to-the-fins')
  units = await unitsOfDemo(sheet)
}, 120_000)
afterAll(async () => {
  await sheet?.close()
  await app?.close()
  rmSync(pages, { recursive: true, force: true })
})

it('is what the pages speak', async () => {
  await sheet.driver.get(`${app.base}/sites`)
  await find(sheet, 'tbody tr')
  await expectText(sheet, 'header.strip', 'Sitessi')
})

/** Words that nobody can read: cut off by what holds them, or written over the edge of a drawing. */
const cutOff = () =>
  sheet.driver.executeScript<string[]>(`
    const found = []
    for (const element of document.querySelectorAll('main *, header *, .el-dialog *')) {
      const { overflowX } = getComputedStyle(element)
      const holdsWords = [...element.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent.trim() !== '')
      if (holdsWords && /hidden|clip/.test(overflowX) && element.clientWidth > 4 && element.scrollWidth > element.clientWidth + 1)
        found.push('cut: ' + element.textContent.trim().slice(0, 80))
    }
    for (const svg of document.querySelectorAll('svg')) {
      const own = svg.getBoundingClientRect()
      for (const text of svg.querySelectorAll('text')) {
        const box = text.getBoundingClientRect()
        if (box.width > 0 && (box.left < own.left - 1 || box.right > own.right + 1)) found.push('over the edge: ' + text.textContent.trim())
      }
    }
    return [...new Set(found)]`)

it.each(sights)('$name holds longer words', async (sight) => {
  await setSize(sheet, 390, 844)
  await goTo(sheet, sight, units)
  expect(await cutOff()).toEqual([])
  await fitsPhone(sheet)
})
