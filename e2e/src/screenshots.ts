// Makes docs/screenshots from the demo: one picture of each main view.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root, startApp } from './support/app.ts'
import { click, find, openBrowser, setSize, signIn } from './support/browser.ts'

const folder = process.env.SCREENSHOTS_INTO ?? join(root, 'docs/screenshots')
const app = await startApp()
const sheet = await openBrowser(app.base)

async function shoot(name: string): Promise<void> {
  await sheet.driver.executeScript('document.activeElement?.blur(); scrollTo(0, 0)')
  await sheet.driver.sleep(700)
  writeFileSync(join(folder, `${name}.png`), Buffer.from(await sheet.driver.takeScreenshot(), 'base64'))
}
const go = async (path: string, css: string) => {
  await sheet.driver.get(app.base + path)
  await find(sheet, css)
}

try {
  mkdirSync(folder, { recursive: true })
  for (const file of readdirSync(folder)) rmSync(join(folder, file))
  await signIn(sheet, 'imre', 'clear-to-the-fins')
  await go('/', 'a.unit')
  await shoot('today')
  const started = await sheet.driver.executeScript<string>(
    "return document.querySelector('a.unit[href$=\"/at-the-unit\"]').getAttribute('href').replace('/at-the-unit', '')",
  )
  await go(`${started}/look-over`, 'svg.section')
  await click(sheet, '[data-callout="wheel"] .hit')
  await shoot('look-over')
  await go(`${started}/method`, '[data-totals]')
  await shoot('method')
  await go(`${started}/crew`, '[data-crew-timeline]')
  await shoot('crew-day')
  await go(`${started}/at-the-unit`, '[data-step]')
  await shoot('at-the-unit')
  await setSize(sheet, 390, 844)
  await go(`${started}/at-the-unit`, '[data-step]')
  await shoot('at-the-unit-phone')
  await setSize(sheet, 1280, 800)
  await go(`${started}/visit`, '[data-visit-steps]')
  await shoot('visit')
  for (const [name, unit] of [
    ['cassette', 'Reading hall'],
    ['roof-unit', 'Pitch B7'],
  ]) {
    await go('/', 'a.unit')
    const path = await sheet.driver.executeScript<string>(
      "return [...document.querySelectorAll('a.unit')].find((link) => link.textContent.includes(arguments[0])).getAttribute('href').replace(/[a-z-]+$/, '')",
      unit,
    )
    await go(`${path}look-over`, 'svg.section')
    await shoot(`look-over-${name}`)
  }
  await go('/stores', '[data-mix]')
  await shoot('stores')
  await go('/logbook', '[data-logbook]')
  await shoot('logbook')
  const proved = await sheet.driver.executeScript<string>(
    "return [...document.querySelectorAll('[data-logbook] a')].find((link) => link.textContent.includes('Over the counter')).getAttribute('href').replace('/record', '')",
  )
  await go(`${proved}/proof`, '[data-line="cooling"]')
  await shoot('proof')
  await go(`${proved}/report`, '[data-report]')
  await shoot('report')
  await go('/logbook', '[data-logbook]')
  await click(sheet, '[data-logbook] tr:nth-child(2) [data-life]')
  await find(sheet, '[data-unit-life] svg')
  await shoot('unit-life')
  await go(`${proved}/record`, '[data-record]')
  await shoot('record')
  await go('/house-rules', '[data-school]')
  await shoot('house-rules')
  await go('/stores/load', '[data-load]')
  await shoot('load')
  await sheet.driver.manage().deleteAllCookies()
  await signIn(sheet, 'mira', 'clear-to-the-fins')
  await go('/logbook/due', '[data-worth]')
  await shoot('due')
  await go('/quotes', '[data-quotes]')
  await click(sheet, '[data-quotes] tbody tr:first-child a')
  await find(sheet, '[data-quote-years]')
  await shoot('quote')
} finally {
  await sheet.close()
  await app.close()
}
