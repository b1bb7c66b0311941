import type { Found } from '@yastik/core/wire'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
beforeAll(async () => {
  house = await openHouse()
  const { technician } = await addFirm('a')
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
  for (const [name, address, unit] of [
    ['Old Mill', '1 Weir Lane', 'Loft'],
    ['Mill House', '2 Weir Lane', 'Millstone room'],
    ['100 % Dry', '3 Salt Row', 'Attic'],
  ]) {
    const site = { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const { id: siteId } = (await ask('POST', '/api/sites', { site, address, contact: '' })).json()
    const { id } = (await ask('POST', `/api/sites/${siteId}/units`, { name: unit, family: 'wall-head', design: {} })).json()
    await ask('POST', '/api/jobs', { siteId, unitIds: [id], onDate: visitDay, crewIds: [technician.id] })
  }
})
afterAll(() => house.close())
const find = async (words: string, by = ask) => (await by('GET', `/api/find?words=${encodeURIComponent(words)}`)).json() as Found

describe('a search over everything', () => {
  it('finds sites by name and address, units, and visits to them; what begins so first', async () => {
    const { sites, units, visits } = await find('mill')
    expect(sites.map(({ name }) => name)).toEqual(['Mill House', 'Old Mill'])
    expect(units).toMatchObject([{ name: 'Millstone room', siteName: 'Mill House', family: 'wall-head' }])
    expect(visits.map(({ siteName, unitName, onDate, stage }) => [siteName, unitName, onDate, stage]).sort()).toEqual([
      ['Mill House', 'Millstone room', visitDay, 'look-over'],
      ['Old Mill', 'Loft', visitDay, 'look-over'],
    ])
    expect((await find('Weir')).sites).toHaveLength(2)
  })
  it('takes letters as they are', async () => {
    expect((await find('0 %')).sites.map(({ name }) => name)).toEqual(['100 % Dry'])
    for (const words of ['_', "' OR 1=1 -- ", '%%']) expect((await find(words)).sites).toEqual([])
  })
  it('finds nothing of another firm, nor a visit that was cancelled', async () => {
    expect(await find('mill', other)).toEqual({ sites: [], units: [], visits: [] })
    const [{ jobId }] = (await find('Attic')).visits
    await ask('POST', `/api/jobs/${jobId}/cancel`, { revision: 0 })
    expect((await find('Attic')).visits).toEqual([])
  })
  it('asks for a letter at least', async () => {
    expect((await ask('GET', '/api/find?words=%20')).json().lines[0].where).toBe('words')
  })
})
