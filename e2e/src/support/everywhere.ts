// Everything that can be seen: each view, with what can be opened on it, for whoever walks them all.
import { click, find, type Sheet } from './browser.ts'

export interface Sight {
  readonly name: string
  /** Address below the base; `JOB` stands for a unit under way, `PROVED` for one that was handed over. */
  readonly path: string
  /** What is there once it is all there. */
  readonly shows: string
  /** Opens what is to be seen. */
  readonly open?: (sheet: Sheet) => Promise<void>
}

const firstSite = async (sheet: Sheet) => {
  await click(sheet, 'tbody tr:first-child a')
  await find(sheet, '[data-units]')
}
const firstQuote = async (sheet: Sheet) => {
  await click(sheet, 'tbody tr:first-child a')
  await find(sheet, '[data-answer]')
}

export const sights: readonly Sight[] = [
  { name: 'today', path: '/', shows: 'a.unit' },
  {
    name: 'today, moving a visit',
    path: '/',
    shows: 'a.unit',
    open: async (sheet) => {
      await click(sheet, '[data-move-visit]')
      await find(sheet, '[data-job-move] [data-crew]')
    },
  },
  {
    name: 'today, finding',
    path: '/',
    shows: 'a.unit',
    open: async (sheet) => {
      await click(sheet, '[data-find-it]')
      const field = await find(sheet, 'input[name="find-anything"]')
      await field.sendKeys('room')
      await find(sheet, '[data-find] a')
    },
  },
  { name: 'sites', path: '/sites', shows: 'tbody tr' },
  {
    name: 'sites, none found',
    path: '/sites',
    shows: 'tbody tr',
    open: (sheet) => find(sheet, 'input[name="find"]').then((field) => field.sendKeys('zzzz')),
  },
  {
    name: 'a new site with what is wrong',
    path: '/sites/new',
    shows: '[data-site-form]',
    open: async (sheet) => {
      await click(sheet, '[data-save-site]')
      await find(sheet, '.wrong')
    },
  },
  { name: 'a site', path: '/sites', shows: 'tbody tr', open: firstSite },
  {
    name: 'a unit of a site',
    path: '/sites',
    shows: 'tbody tr',
    open: async (sheet) => {
      await firstSite(sheet)
      await click(sheet, '[data-add-unit]')
      await find(sheet, '[data-unit-form]')
    },
  },
  { name: 'look-over', path: 'JOB/look-over', shows: 'svg.section' },
  {
    name: 'look-over of a part',
    path: 'JOB/look-over',
    shows: 'svg.section',
    open: async (sheet) => {
      await click(sheet, '[data-callout="wheel"] .hit')
      await find(sheet, '[data-set-grade]')
      await click(sheet, '[data-before-readings] [aria-expanded="false"]')
      await find(sheet, '[data-readings="before"]')
    },
  },
  { name: 'method', path: 'JOB/method', shows: '[data-totals]' },
  {
    name: 'method, why not otherwise',
    path: 'JOB/method',
    shows: '[data-totals]',
    open: (sheet) => click(sheet, '[data-topic] [aria-expanded="false"]'),
  },
  { name: 'crew’s day', path: 'JOB/crew', shows: '[data-crew-timeline]' },
  {
    name: 'crew’s day as a list',
    path: 'JOB/crew',
    shows: '[data-crew-timeline]',
    open: async (sheet) => {
      await click(sheet, '#tab-list')
      await find(sheet, '[data-crew-tasks] tbody tr')
    },
  },
  { name: 'the visit', path: 'JOB/visit', shows: '[data-visit-steps]' },
  { name: 'at the unit', path: 'JOB/at-the-unit', shows: '[data-step]' },
  { name: 'at the unit, pausing', path: 'JOB/at-the-unit', shows: '[data-step]', open: (sheet) => click(sheet, '[data-pause]') },
  { name: 'proof, nothing measured', path: 'JOB/proof', shows: '[data-verdict]' },
  { name: 'proof', path: 'PROVED/proof', shows: '[data-line="cooling"]' },
  { name: 'report', path: 'PROVED/report', shows: '[data-report]' },
  { name: 'record', path: 'PROVED/record', shows: '[data-record]' },
  { name: 'quotes', path: '/quotes', shows: '[data-quotes] table' },
  { name: 'a quote', path: '/quotes', shows: '[data-quotes] table', open: firstQuote },
  {
    name: 'a quote being written to the customer',
    path: '/quotes',
    shows: '[data-quotes] table',
    open: async (sheet) => {
      await firstQuote(sheet)
      await click(sheet, '[data-write-quote]')
      await find(sheet, '[data-message] textarea')
    },
  },
  { name: 'logbook', path: '/logbook', shows: '[data-logbook] table' },
  {
    name: 'a unit’s life',
    path: '/logbook',
    shows: '[data-logbook] table',
    open: async (sheet) => {
      await click(sheet, '[data-logbook] tr:nth-child(2) [data-life]')
      await find(sheet, '[data-unit-life] svg')
    },
  },
  {
    name: 'what is due, planning a visit',
    path: '/logbook/due',
    shows: '[data-due-visits] table',
    open: async (sheet) => {
      await click(sheet, '[data-plan-due]')
      await find(sheet, '[data-plan-visit] [data-crew]')
    },
  },
  {
    name: 'what is due, by unit',
    path: '/logbook/due',
    shows: '[data-due-visits] table',
    open: async (sheet) => {
      await click(sheet, '#tab-units')
      await find(sheet, '[data-due] table')
    },
  },
  { name: 'messages', path: '/logbook/messages', shows: '[data-messages]' },
  { name: 'stores', path: '/stores', shows: '[data-mix]' },
  {
    name: 'a label with what is wrong',
    path: '/stores',
    shows: '[data-mix]',
    open: async (sheet) => {
      await click(sheet, '[data-write-label]')
      await click(sheet, '[data-save-label]')
      await find(sheet, '.wrong')
    },
  },
  {
    name: 'a list that opened',
    path: '/stores',
    shows: '[data-mix]',
    open: async (sheet) => {
      await click(sheet, '.mixer .el-select__wrapper')
      await find(sheet, '.el-select-dropdown__item')
    },
  },
  { name: 'the day’s load', path: '/stores/load', shows: '[data-load]' },
  { name: 'stock', path: '/stores/stock', shows: '[data-stock]' },
  {
    name: 'a month that opened',
    path: '/stores/stock',
    shows: '[data-stock]',
    open: async (sheet) => {
      await click(sheet, 'input[name="stock-date"]')
      await find(sheet, '[aria-labelledby^="month-"] .el-date-table')
    },
  },
  { name: 'house rules', path: '/house-rules', shows: '[data-school]' },
  {
    name: 'own wording',
    path: '/house-rules/wording',
    shows: '[data-wording]',
    open: async (sheet) => {
      await click(sheet, '[data-wording="letters.reminder.head"] [data-edit-wording]')
      await find(sheet, '[data-wording-preview]')
    },
  },
  { name: 'people', path: '/house-rules/people', shows: '[data-person]' },
  {
    name: 'somebody new',
    path: '/house-rules/people',
    shows: '[data-person]',
    open: async (sheet) => {
      await click(sheet, '[data-add-person]')
      await click(sheet, '[data-save-person]')
      await find(sheet, '.wrong')
    },
  },
  { name: 'programs', path: '/house-rules/programs', shows: '[data-token-form]' },
  { name: 'who did what', path: '/house-rules/audit', shows: '[data-audit] table' },
  { name: 'oneself', path: '/yourself', shows: '[data-sessions] li' },
  { name: 'data', path: '/data', shows: '[data-table-import]' },
  { name: 'nothing here', path: '/nowhere', shows: 'h1' },
  {
    name: 'light',
    path: '/sites',
    shows: 'tbody tr',
    open: async (sheet) => {
      await click(sheet, '[data-choose-light]')
      await find(sheet, '[data-set-light]')
    },
  },
  {
    name: 'units of measure',
    path: '/sites',
    shows: 'tbody tr',
    open: async (sheet) => {
      await click(sheet, '[data-units]')
      await find(sheet, '[data-measures]')
    },
  },
]

/** Addresses of a unit under way, and of one that was handed over, in the demo. */
export async function unitsOfDemo(sheet: Sheet): Promise<{ JOB: string; PROVED: string }> {
  const first = async (path: string, css: string) => {
    await sheet.driver.get(`${sheet.base}${path}`)
    const link = await find(sheet, css)
    return new URL((await link.getAttribute('href')) ?? '').pathname.replace(/\/[a-z-]+$/, '')
  }
  return { JOB: await first('/', 'a.unit[href$="/at-the-unit"]'), PROVED: await first('/logbook', '[data-logbook] tbody a[href$="/record"]') }
}

/** Pages that show nothing but what they are: nothing was opened on them, so that the next sight is one step of the application’s own away. */
const bare = new WeakSet<Sheet>()

/** Goes there, and opens what is to be seen. */
export async function goTo(sheet: Sheet, sight: Sight, units: { JOB: string; PROVED: string }): Promise<void> {
  const path = sight.path.replace(/^(JOB|PROVED)/, (name) => units[name as keyof typeof units])
  if (bare.has(sheet)) {
    await sheet.driver.executeScript('history.pushState(null, "", arguments[0]); dispatchEvent(new PopStateEvent("popstate"))', path)
    await find(sheet, `main[data-path="${path}"]`)
  } else await sheet.driver.get(`${sheet.base}${path}`)
  await find(sheet, sight.shows)
  if (sight.open) bare.delete(sheet)
  else bare.add(sheet)
  await sight.open?.(sheet)
}
