// Photographs that are measured: by the camera stand-in, corners by keyboard, the grade taken or overruled, before and after laid over each other, and files that are none.
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { By, Key } from 'selenium-webdriver'
import { startApp, type RunningApp } from './support/app.ts'
import {
  click,
  clickText,
  exists,
  expectText,
  find,
  gone,
  openBrowser,
  setSize,
  signIn,
  textOf,
  type,
  waitUntil,
  type Sheet,
} from './support/browser.ts'
import { sent } from './support/moves.ts'
import { follow, goToStation, isAt } from './support/places.ts'

jest.setTimeout(180_000)
const folder = mkdtempSync(join(tmpdir(), 'yastik-photographs-'))
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'imre', 'clear-to-the-fins')
  await clickText(sheet, 'Meeting room')
  await isAt(sheet, 'look-over')
  await find(sheet, 'svg.section')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})
const countOf = async (css: string) => (await sheet.driver.findElements(By.css(css))).length
/** Gives the slot a file as a person would, and waits for a picture or a sentence. */
async function give(path: string): Promise<void> {
  const photos = await countOf('[data-photos] [data-photo]')
  await sheet.driver.findElement(By.css('[data-photos] input[name="photo"]')).sendKeys(path)
  await waitUntil(
    sheet,
    async () => (await exists(sheet, '[data-photos] [role="alert"]')) || (await countOf('[data-photos] [data-photo]')) > photos,
    'neither a picture nor a sentence',
  )
}
const measure = async (): Promise<void> => {
  await click(sheet, '[data-measure-now]')
  await find(sheet, '[data-photo-measure] :is([data-covered], [role="alert"])')
}

/** The grade that follows; where two are as likely, the one of them that is named first. */
const likeliest = '[data-photo-measure] :is([data-take-grade], [data-other-grade])'

describe('at the look-over', () => {
  it('offers to measure parts with fins or blades, and no others', async () => {
    await click(sheet, '[data-callout="pan"] .hit')
    await find(sheet, '[data-photos]')
    await gone(sheet, '[data-camera]')
    await click(sheet, '[data-callout="coilFace"] .hit')
    await find(sheet, '[data-camera]')
  })
  it('takes a photograph by the camera, measures it between the corners, and takes the grade that follows', async () => {
    await click(sheet, '[data-camera]')
    await click(sheet, '[data-measure]')
    const corner = await find(sheet, '[data-corner="0"]')
    const from = await corner.getAttribute('style')
    await corner.sendKeys(Key.ARROW_LEFT, Key.ARROW_UP)
    expect(await corner.getAttribute('style')).not.toBe(from)
    // However far it is pushed, it stays on the picture.
    await corner.sendKeys(...Array.from({ length: 20 }, () => Key.chord(Key.SHIFT, Key.ARROW_LEFT)))
    expect(await corner.getAttribute('style')).toContain('left: 0%')
    await corner.sendKeys(...Array.from({ length: 4 }, () => Key.chord(Key.SHIFT, Key.ARROW_RIGHT)))
    await measure()
    const covered = Number.parseInt(await textOf(sheet, '[data-covered]'), 10)
    expect(covered).toBeGreaterThan(0)
    await expectText(sheet, '[data-photo-measure]', /between \d+ and \d+ % \(9 times in 10\)/)
    const [proposed] = /\d/.exec(await textOf(sheet, likeliest)) ?? []
    expect(Number(proposed)).toBe(covered < 2 ? 0 : covered < 10 ? 1 : covered < 35 ? 2 : covered < 70 ? 3 : 4)
    await click(sheet, likeliest)
    await find(sheet, `[data-part="coilFace"][data-grade="${proposed}"]`)
    await expectText(sheet, '[data-measure]', `${covered} % covered`)
  })
  it('lets a person overrule it, and keeps both in the record', async () => {
    await click(sheet, '[data-measure]')
    await measure()
    await click(sheet, '[data-other-grade="4"]')
    await find(sheet, '[data-part="coilFace"][data-grade="4"]')
    await follow(sheet, 'Record')
    await expectText(sheet, '[data-record]', /measured on a photo: \d+ % covered/)
    await follow(sheet, 'Look-over')
    await click(sheet, '[data-callout="coilFace"] .hit')
  })
})

describe('a correction by hand', () => {
  const shareNow = async () => Number.parseInt(await textOf(sheet, '[data-covered]'), 10)
  it('hatches more and rubs out, by keys as by finger, and keeps the share beside the one that was read', async () => {
    await click(sheet, '[data-measure]')
    await measure()
    const read = await shareNow()
    await click(sheet, '[data-mark="covered"]')
    const brush = await find(sheet, '[data-brush]')
    // A row of dabs right across, by keys.
    await brush.sendKeys(...Array.from({ length: 12 }, () => Key.ARROW_LEFT))
    await brush.sendKeys(...Array.from({ length: 24 }, () => [Key.SPACE, Key.ARROW_RIGHT]).flat())
    await expectText(sheet, '[data-read]', `the photo said ${read} %`)
    const more = await shareNow()
    expect(more).toBeGreaterThan(read)
    // A stroke of a finger over half of it takes it back there.
    await click(sheet, '[data-mark="bare"]')
    await sheet.driver
      .actions()
      .move({ origin: brush, x: -120, y: 0 })
      .press()
      .move({ origin: brush, x: 0, y: 0 })
      .move({ origin: brush, x: 60, y: 0 })
      .release()
      .perform()
    await waitUntil(sheet, async () => (await shareNow()) < more, 'the finger rubbed nothing out')
    const byHand = await shareNow()
    // Closed without a word: what was painted is kept all the same, and measuring again between the same corners does not lose it.
    await click(sheet, '.el-dialog__headerbtn')
    await expectText(sheet, '[data-measure]', `${byHand} % covered, by hand`)
    await click(sheet, '[data-measure]')
    await measure()
    await expectText(sheet, '[data-read]', `the photo said ${read} %`)
    expect(await shareNow()).toBe(byHand)
    await click(sheet, '.el-dialog__headerbtn')
    await gone(sheet, '[data-photo-measure]')
    await follow(sheet, 'Record')
    await expectText(sheet, '[data-record]', new RegExp(`${byHand} % covered, corrected by hand \\(read: ${read} %\\)`))
    await follow(sheet, 'Look-over')
    await click(sheet, '[data-callout="coilFace"] .hit')
  })
})

describe('pictures that are none, or show nothing', () => {
  it.each<[string, Buffer, RegExp]>([
    ['a text.jpg', Buffer.from('Dear Sir, this is not a photograph.'), /cannot be read as a picture/],
    ['heic.jpg', Buffer.from('000000186674797068656963000000006d69663168656963', 'hex'), /cannot be read as a picture/],
  ])('%s is turned down with a sentence', async (name, bytes, says) => {
    const path = join(folder, name)
    writeFileSync(path, bytes)
    const before = await countOf('[data-photos] [data-photo]')
    await give(path)
    await expectText(sheet, '[data-photos] [role="alert"]', says)
    expect(await countOf('[data-photos] [data-photo]')).toBe(before)
  })
  it('50 megapixels are turned down with their number', async () => {
    const path = join(folder, 'large.png')
    await sharp({ create: { width: 8660, height: 5774, channels: 3, background: '#888' } })
      .png({ compressionLevel: 1 })
      .toFile(path)
    await give(path)
    await expectText(sheet, '[data-photos] [role="alert"]', '50 megapixels')
  })
  it('a wall is kept as a photograph, but gives no figure and no grade', async () => {
    const path = join(folder, 'wall.jpg')
    await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#cfcac0' } })
      .jpeg()
      .toFile(path)
    await give(path)
    const buttons = await sheet.driver.findElements(By.css('[data-measure]'))
    await buttons.at(-1)!.click()
    await measure()
    await expectText(sheet, '[data-photo-measure] [role="alert"]', 'no fins can be seen')
    await gone(sheet, '[data-take-grade]')
    await click(sheet, '.el-dialog__headerbtn')
  })
})

describe('at the proof', () => {
  it('lays before and after over each other once both are measured', async () => {
    await follow(sheet, 'Proof')
    const part = '[data-part-after="coilFace"]'
    await find(sheet, `${part} [data-camera]`)
    const cameras = await sheet.driver.findElements(By.css(`${part} [data-camera]`))
    await cameras[1].click()
    await waitUntil(sheet, async () => (await countOf(`${part} [data-measure]`)) === 3, 'no photograph of after', 20_000)
    const buttons = await sheet.driver.findElements(By.css(`${part} [data-measure]`))
    await buttons.at(-1)!.click()
    await find(sheet, '[data-region] img')
    // Nobody touches a corner: the part is looked for, and what became of it is said; how well it is found is tested in the core.
    await find(sheet, ':is([data-found], [data-not-found])')
    await measure()
    await click(sheet, likeliest)
    await find(sheet, `${part} [data-after-grade]:has(:checked)`)
    await expectText(sheet, '[data-compare="coilFace"]', /covered \d+ % before, \d+ % now/)
    const slider = await find(sheet, '[data-compare="coilFace"] [role="slider"]')
    await slider.sendKeys(Key.HOME)
    const clip = await (await find(sheet, '[data-compare="coilFace"] .before')).getAttribute('style')
    expect(clip).toContain('100%')
    // Each label stands on its own side of the line.
    await slider.sendKeys(...Array.from({ length: 50 }, () => Key.ARROW_RIGHT))
    const [before, after] = await sheet.driver.findElements(By.css('[data-compare="coilFace"] .divide i'))
    const [left, right] = [await before.getRect(), await after.getRect()]
    expect(left.x + left.width).toBeLessThanOrEqual(right.x)
  })
  it('says so where the corners hold another piece of the part', async () => {
    const part = '[data-part-after="coilFace"]'
    await (await sheet.driver.findElements(By.css(`${part} [data-measure]`))).at(-1)!.click()
    await find(sheet, '[data-region] img')
    for (const corner of [1, 2])
      await (await find(sheet, `[data-corner="${corner}"]`)).sendKeys(...Array.from({ length: 10 }, () => Key.chord(Key.SHIFT, Key.ARROW_LEFT)))
    expect(await exists(sheet, '[data-found]')).toBe(false)
    await measure()
    await click(sheet, likeliest)
    await expectText(sheet, '[data-pair-note]', /that is another piece/)
    // Two corners went in by four tenths of the picture, out of seven: less than half is left, however near the camera stood.
    const plates = async () => [...(await textOf(sheet, '[data-pair-note]')).matchAll(/(\d+) (?:fins before|now)/g)].map(([, count]) => Number(count))
    await waitUntil(
      sheet,
      async () => {
        const [before, now] = await plates()
        return now < 0.75 * before
      },
      'the note counts the fins of other corners',
    )
  })
  it('puts the corners by the same two places on both, where a person taps them', async () => {
    const part = '[data-part-after="coilFace"]'
    await (await sheet.driver.findElements(By.css(`${part} [data-measure]`))).at(-1)!.click()
    await find(sheet, '[data-region] img')
    const cornerAt = async (index: number) => (await find(sheet, `[data-region] [data-corner="${index}"]`)).getAttribute('style')
    const before = await cornerAt(1)
    await click(sheet, '[data-tap-places]')
    const tap = async (on: string, share: readonly [number, number]) => {
      const picture = await find(sheet, `[data-places="${on}"] img`)
      const { width, height } = await picture.getRect()
      const [x, y] = [Math.round((share[0] - 0.5) * width), Math.round((share[1] - 0.5) * height)]
      await sheet.driver.actions().move({ origin: picture, x, y }).press().release().perform()
    }
    // Two taps in one place say nothing.
    for (const on of ['guide', 'own']) for (const share of [0.5, 0.6]) await tap(on, [share, 0.5])
    await click(sheet, '[data-put-corners]')
    await expectText(sheet, '[data-two-places] [role="alert"]', /too near each other/)
    for (const on of ['guide', 'own']) {
      await tap(on, [0.2, 0.2])
      await tap(on, [0.8, 0.8])
    }
    await click(sheet, '[data-put-corners]')
    await find(sheet, '[data-by-places]')
    expect(await cornerAt(1)).not.toBe(before)
    await click(sheet, '.el-dialog__headerbtn')
    await gone(sheet, '[data-photo-measure]')
  })
  it('judges the part by what was read, in the proof', async () => {
    const row = '[data-line="covered-coilFace"]'
    await expectText(sheet, row, /coil front, covered\s+%, limit 10/)
    const proposed = Number(
      await (await find(sheet, '[data-part-after="coilFace"] [data-after-grade]:has(:checked)')).getAttribute('data-after-grade'),
    )
    await expectText(sheet, row, proposed <= 1 ? /clean, by eye/ : /still \d \w+ by eye/)
    await click(sheet, '[data-part-after="coilFace"] [data-after-grade="0"]')
    await expectText(sheet, row, /clean, by eye/)
    await click(sheet, '[data-part-after="coilFace"] [data-after-grade="4"]')
    await expectText(sheet, row, /still 4 choked by eye/)
    await click(sheet, `[data-part-after="coilFace"] [data-after-grade="${proposed}"]`)
  })
  it('says both shares in the report', async () => {
    await goToStation(sheet, 'report')
    await expectText(sheet, '[data-report]', /coil front, after: covered \d+ % before, \d+ % now/)
    await goToStation(sheet, 'proof')
  })
  it('fits a phone', async () => {
    await setSize(sheet, 390, 844)
    await find(sheet, '[data-compare="coilFace"] canvas')
    const wide = await sheet.driver.executeScript(
      "return document.documentElement.scrollWidth <= 390 ? [] : [...document.querySelectorAll('main *')].filter((one) => one.getBoundingClientRect().right > 391 && !one.closest('.along')).map((one) => `${one.tagName} ${one.className}`).slice(0, 8)",
    )
    expect(wide).toEqual([])
  })
})

describe('a photograph', () => {
  it('of the nameplate stands at the unit from then on, and beside the fields that are read off it', async () => {
    await setSize(sheet, 1280, 800)
    await follow(sheet, 'Look-over')
    await click(sheet, '[data-plate-fold] [aria-expanded="false"]')
    const file = join(folder, 'plate.jpg')
    writeFileSync(
      file,
      await sharp({ create: { width: 300, height: 200, channels: 3, background: '#aab' } })
        .jpeg()
        .toBuffer(),
    )
    await (await find(sheet, '[data-nameplate] label')).findElement(By.css('input')).sendKeys(file)
    await find(sheet, '[data-nameplate] [data-photo]')
    await expectText(sheet, '[data-plate-fold]', 'Nameplate (photo taken)')
    await sent(sheet)
    await click(sheet, '.eyebrow a')
    await isAt(sheet, 'site')
    await click(sheet, '[aria-label="Traits of Meeting room"]')
    await find(sheet, '[data-plate-photo] [data-photo] img')
    await type(sheet, 'input[name="maker"]', 'Norra')
    await clickText(sheet, 'Save the unit')
    await gone(sheet, '[data-unit-form]')
  })
})
