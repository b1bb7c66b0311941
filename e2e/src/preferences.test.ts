// What somebody asks of every page: a dark one, more contrast, no motion, their own colours, larger letters further apart.
import { startApp, type RunningApp } from './support/app.ts'
import { click, devtools, find, openBrowser, pageWidth, setSize, signIn, type Sheet } from './support/browser.ts'
import { goTo, sights, unitsOfDemo } from './support/everywhere.ts'

jest.setTimeout(120_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'mira', 'clear-to-the-fins')
}, 120_000)
afterAll(async () => {
  await sheet.close()
  await app.close()
})

/** Sets what the device asks of every page, and looks at the page anew. */
async function prefer(features: Record<string, string>): Promise<void> {
  await devtools(sheet, 'Emulation.setEmulatedMedia', { features: Object.entries(features).map(([name, value]) => ({ name, value })) })
  await sheet.driver.get(`${app.base}/sites`)
  await find(sheet, 'tbody tr')
}
const light = () => sheet.driver.executeScript<string>('return document.documentElement.dataset.light')

describe('the device', () => {
  it.each([
    [{}, 'paper'],
    [{ 'prefers-color-scheme': 'dark' }, 'cellar'],
    [{ 'prefers-contrast': 'more' }, 'outdoor'],
  ])('that asks for %j gets %s', async (features, name) => {
    await prefer(features)
    expect(await light()).toBe(name)
  })
  it('is overruled by who chose, and followed again when they say so', async () => {
    await prefer({ 'prefers-color-scheme': 'dark' })
    const choose = async (name: string) => {
      await click(sheet, '[data-choose-light]')
      await click(sheet, `[data-set-light="${name}"]`)
      await click(sheet, '.el-dialog__headerbtn')
    }
    await choose('paper')
    expect(await light()).toBe('paper')
    await choose('device')
    expect(await light()).toBe('cellar')
  })
  it('that asks for no motion sees none', async () => {
    await prefer({ 'prefers-reduced-motion': 'reduce' })
    await click(sheet, '[data-units]')
    const longest = await sheet.driver.executeScript<number>(
      `return Math.max(0, ...[...document.querySelectorAll('*')].flatMap((element) => {
        const { animationDuration, transitionDuration } = getComputedStyle(element)
        return [animationDuration, transitionDuration].flatMap((all) => all.split(',').map(parseFloat))
      }))`,
    )
    expect(longest).toBeLessThan(0.001)
  })
  it('that brings its own colours still tells what is chosen', async () => {
    await prefer({ 'forced-colors': 'active' })
    await click(sheet, '[data-units]')
    await find(sheet, '[data-measure]')
    const [chosen, other] = await sheet.driver.executeScript<string[]>(
      `const look = (css) => getComputedStyle(document.querySelector(css + ' > span')).backgroundColor
      return [look('[data-measure]:has(:checked)'), look('[data-measure]:not(:has(:checked))')]`,
    )
    expect(chosen).not.toBe(other)
  })
})

describe('larger and further apart', () => {
  /** What WCAG 1.4.12 lets anybody set. */
  const spacing = `const sheet = new CSSStyleSheet()
    sheet.replaceSync('* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important }')
    document.adoptedStyleSheets = [sheet]`
  it('nothing sticks out, at twice the size and with letters apart on a phone', async () => {
    await prefer({})
    const units = await unitsOfDemo(sheet)
    const out: string[] = []
    for (const sight of sights.filter(({ open }) => open === undefined)) {
      // A desk of 1280 at 200 %.
      await setSize(sheet, 640, 400)
      await goTo(sheet, sight, units)
      const desk = await pageWidth(sheet, 640)
      if (desk > 640) out.push(`${sight.name}: ${desk} of 640`)
      await setSize(sheet, 390, 844)
      await sheet.driver.executeScript(spacing)
      const phone = await pageWidth(sheet, 390)
      if (phone > 390) out.push(`${sight.name}, letters apart: ${phone} of 390`)
    }
    expect(out).toEqual([])
  })
})
