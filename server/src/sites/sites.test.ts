import type { SitePage } from '@yastik/core/wire'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
})
afterAll(() => house.close())

const form = (name: string) => ({
  site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true },
  address: '1 Some Lane',
  contact: 'Someone',
})
const unitForm = (name: string) => ({ name, family: 'wall-head', design: { ratedCoolingKw: 3.5 } })

describe('sites', () => {
  it('are made, read and saved', async () => {
    const made = (await ask('POST', '/api/sites', form('Alder House'))).json()
    expect(made).toMatchObject({ version: 1, site: { name: 'Alder House' }, units: [] })
    const saved = await ask('PUT', `/api/sites/${made.id}`, { ...form('Alder Lodge'), version: 1 })
    expect(saved.json()).toMatchObject({ version: 2, site: { name: 'Alder Lodge' } })
    const list = async (query = '') => (await ask('GET', `/api/sites${query}`)).json() as SitePage
    expect((await list()).entries.map(({ name }) => name)).toContain('Alder Lodge')
    await ask('POST', `/api/sites/${made.id}/units`, unitForm('Over the 100 % stove'))
    for (const find of ['alder LODGE', '100 %25', 'stove'])
      expect((await list(`?find=${find}`)).entries).toEqual([
        expect.objectContaining({ id: made.id, units: ['Over the 100 % stove'], lastCleanedAt: null }),
      ])
    expect((await list('?find=nowhere')).entries).toEqual([])
    expect((await ask('GET', '/api/sites?after=nonsense')).statusCode).toBe(422)
  })
  it('are listed by name, page by page, without a gap or a double', async () => {
    const made = await Promise.all(Array.from({ length: 55 }, (_, index) => ask('POST', '/api/sites', form(`Row house ${index % 7}`))))
    const pages = [(await ask('GET', '/api/sites?find=Row house')).json() as SitePage]
    for (let next = pages[0].next; next; next = pages.at(-1)!.next)
      pages.push((await ask('GET', `/api/sites?find=Row house&after=${encodeURIComponent(next)}`)).json() as SitePage)
    const entries = pages.flatMap((page) => page.entries)
    expect(pages.length).toBe(2)
    expect(entries.map(({ name }) => name)).toEqual(entries.map(({ name }) => name).sort())
    expect(new Set(entries.map(({ id }) => id)).size).toBe(made.length)
  })
  it('saved by two people: the second is told who was faster, and nothing is overwritten', async () => {
    const made = (await ask('POST', '/api/sites', form('Both'))).json()
    await ask('PUT', `/api/sites/${made.id}`, { ...form('First'), version: 1 })
    const late = await ask('PUT', `/api/sites/${made.id}`, { ...form('Second'), version: 1 })
    expect(late.statusCode).toBe(409)
    expect(late.json().sentence).toMatch(/^Technician a has saved this meanwhile/)
    expect(late.json().lines[0]).toMatchObject({ where: 'version', allowed: '2' })
    expect((await ask('GET', `/api/sites/${made.id}`)).json().site.name).toBe('First')
  })
  it('saved at the very same time: one wins, one is told', async () => {
    const made = (await ask('POST', '/api/sites', form('Race'))).json()
    const answers = await Promise.all(['One', 'Two', 'Three'].map((name) => ask('PUT', `/api/sites/${made.id}`, { ...form(name), version: 1 })))
    expect(answers.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409, 409])
  })
  it('say where and what when the body breaks its schema', async () => {
    const answer = await ask('POST', '/api/sites', { ...form('X'), site: { name: '', setting: 'castle', waterOnSite: 'yes' }, extra: 1 })
    expect(answer.statusCode).toBe(422)
    const places = answer.json().lines.map(({ where }: { where: string }) => where)
    expect(places).toEqual(expect.arrayContaining(['site.name', 'site.setting', 'site.waterOnSite', 'site.foulDrainOnSite', 'extra']))
  })
  it('that are not there, or another firm’s, are not there', async () => {
    const made = (await ask('POST', '/api/sites', form('Ours'))).json()
    expect((await ask('GET', '/api/sites/00000000-0000-4000-8000-000000000000')).statusCode).toBe(404)
    expect((await other('GET', `/api/sites/${made.id}`)).statusCode).toBe(404)
    expect((await other('PUT', `/api/sites/${made.id}`, { ...form('Theirs'), version: 1 })).statusCode).toBe(404)
    expect((await ask('GET', `/api/sites/${made.id}`)).json().site.name).toBe('Ours')
  })
})

describe('units', () => {
  it('are added to a site and saved over the version that was seen', async () => {
    const site = (await ask('POST', '/api/sites', form('Units'))).json()
    const unit = (await ask('POST', `/api/sites/${site.id}/units`, unitForm('Hall'))).json()
    expect(unit).toMatchObject({ siteId: site.id, version: 1, design: { ratedCoolingKw: 3.5 }, lastCleanedAt: null })
    expect((await ask('PUT', `/api/units/${unit.id}`, { ...unitForm('Hallway'), hoursPerDay: 9, version: 1 })).json()).toMatchObject({
      name: 'Hallway',
      hoursPerDay: 9,
      version: 2,
    })
    expect((await ask('PUT', `/api/units/${unit.id}`, { ...unitForm('Late'), version: 1 })).statusCode).toBe(409)
  })
  it('of a family that does not exist, or with an unknown trait, are turned down', async () => {
    const site = (await ask('POST', '/api/sites', form('Later'))).json()
    const odd = await ask('POST', `/api/sites/${site.id}/units`, { ...unitForm('Sash'), family: 'tower' })
    expect(odd.json()).toMatchObject({ code: 'does-not-hold-up', lines: [{ where: 'family', allowed: expect.stringContaining('rv-rooftop') }] })
    expect((await ask('POST', `/api/sites/${site.id}/units`, { ...unitForm('Hall'), design: { colour: 'white' } })).json().lines[0].where).toBe(
      'design.colour',
    )
    expect((await ask('GET', `/api/sites/${site.id}`)).json().units).toEqual([])
  })
  it('have what stands on their nameplate, in a visit as well, until it is taken away', async () => {
    const { id: siteId } = (await ask('POST', '/api/sites', form('Plate House'))).json()
    const plate = { maker: 'Norra', model: 'N-35', serialNumber: '007' }
    const unit = (await ask('POST', `/api/sites/${siteId}/units`, { ...unitForm('Loft'), ...plate })).json()
    expect(unit).toMatchObject(plate)
    const [me] = (await ask('GET', '/api/crew')).json()
    const { id: jobId } = (await ask('POST', '/api/jobs', { siteId, unitIds: [unit.id], onDate: visitDay, crewIds: [me.id] })).json()
    expect((await ask('GET', `/api/jobs/${jobId}`)).json().site.units).toMatchObject([plate])
    const bare = (await ask('PUT', `/api/units/${unit.id}`, { ...unitForm('Loft'), version: 1 })).json()
    expect(Object.keys(bare).filter((name) => name in plate)).toEqual([])
    const wrong = await ask('PUT', `/api/units/${unit.id}`, { ...unitForm('Loft'), maker: '', version: 2 })
    expect(wrong.json().lines[0].where).toBe('maker')
    const alike = { names: ['101', '102'], family: 'wall-head', design: {}, maker: 'Norra' }
    const { units } = (await ask('POST', `/api/sites/${siteId}/alike-units`, alike)).json()
    expect(units.filter(({ maker }: { maker?: string }) => maker === 'Norra')).toHaveLength(2)
    expect((await ask('POST', `/api/sites/${siteId}/alike-units`, { ...alike, names: ['103'], serialNumber: '1' })).statusCode).toBe(422)
  })
  it('that are alike are added all at once, or not at all', async () => {
    const site = (await ask('POST', '/api/sites', form('Corridor'))).json()
    const alike = { names: ['101', '102', '103'], family: 'through-wall', design: { weightKg: 44, removable: true }, hoursPerDay: 7 }
    const made = await ask('POST', `/api/sites/${site.id}/alike-units`, alike)
    expect(made.statusCode).toBe(201)
    expect(made.json().units).toMatchObject(alike.names.map((name) => ({ name, family: 'through-wall', design: alike.design, hoursPerDay: 7 })))
    const twice = await ask('POST', `/api/sites/${site.id}/alike-units`, { ...alike, names: ['104', '104'] })
    expect(twice.json()).toMatchObject({ code: 'does-not-hold-up', lines: [{ where: 'names', allowed: 'one name per unit' }] })
    expect((await other('POST', `/api/sites/${site.id}/alike-units`, alike)).statusCode).toBe(404)
    expect((await ask('GET', `/api/sites/${site.id}`)).json().units).toHaveLength(3)
  })
})
