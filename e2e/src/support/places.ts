// Which place of the application is open? A page is waited for by what only it has: its own name, and that it has fetched what it shows.
import { clickText, expectText, find, type Sheet } from './browser.ts'

/** Address of each place that is opened by itself. */
const addresses = {
  today: '/',
  sites: '/sites',
  'new-site': '/sites/new',
  quotes: '/quotes',
  logbook: '/logbook',
  due: '/logbook/due',
  messages: '/logbook/messages',
  stores: '/stores',
  load: '/stores/load',
  stock: '/stores/stock',
  people: '/house-rules/people',
  yourself: '/yourself',
  'house-rules': '/house-rules',
  data: '/data',
} as const
export type Place = keyof typeof addresses

export const stations = ['look-over', 'method', 'at-the-unit', 'proof', 'record', 'crew', 'report'] as const
export type Station = (typeof stations)[number]

/** What a link or button reads, and the place that it leads to. */
const leads = {
  Today: 'today',
  Sites: 'sites',
  Logbook: 'logbook',
  Stores: 'stores',
  'Look-over': 'look-over',
  'See the method': 'method',
  Method: 'method',
  'At the unit': 'at-the-unit',
  'Go to Proof': 'proof',
  Proof: 'proof',
  Record: 'record',
  'Import and export': 'data',
  'The day’s load': 'load',
  'Report for the customer': 'report',
  'The crew’s day, all units together': 'crew',
  'Open the visit': 'look-over',
} as const satisfies Record<string, Place | Station>

const shows = (...places: readonly string[]) => places.map((place) => `main[data-place="${place}"][aria-busy="false"]`).join(', ')

/** Waits until one of the places is open, with all that it fetches. */
export const isAt = async (sheet: Sheet, ...places: readonly (Place | Station | 'sign-in' | 'site' | 'quote' | 'nothing-here')[]): Promise<void> =>
  void (await find(sheet, shows(...places)))

/** Opens a place by its address, as a bookmark would. */
export async function go(sheet: Sheet, place: Place): Promise<void> {
  await sheet.driver.get(sheet.base + addresses[place])
  await isAt(sheet, place)
}

/** Follows a link or button that leads to another place, and waits for that place. */
export async function follow(sheet: Sheet, words: keyof typeof leads): Promise<void> {
  await clickText(sheet, words)
  await isAt(sheet, leads[words])
}

/** Opens a unit of today's visits; at a station of its job, else where it stands. */
export async function openUnit(sheet: Sheet, name: string, station?: Station): Promise<void> {
  await go(sheet, 'today')
  await clickText(sheet, name)
  await isAt(sheet, ...stations)
  await expectText(sheet, 'h1', name)
  if (station) await goToStation(sheet, station)
}

/** Job and unit whose station is open. */
export async function openedUnit(sheet: Sheet): Promise<{ jobId: string; unitId: string }> {
  await isAt(sheet, ...stations)
  const [, , jobId, unitId] = new URL(await sheet.driver.getCurrentUrl()).pathname.split('/')
  return { jobId, unitId }
}

/** Another station of the unit that is open, by its address. */
export async function goToStation(sheet: Sheet, station: Station): Promise<void> {
  const { jobId, unitId } = await openedUnit(sheet)
  await sheet.driver.get(`${sheet.base}/jobs/${jobId}/${unitId}/${station}`)
  await isAt(sheet, station)
}
