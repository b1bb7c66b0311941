import { startHouseRules } from '@yastik/core/method'
import { builtInProducts } from '@yastik/core/products'
import { endpoints, type AuditEntry, type AuditPage } from '@yastik/core/wire'
import { Audit, Firm } from '../db/models.ts'
import { addFirm, openHouse, origin, password, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let ids: { firm: number; technician: number }
beforeAll(async () => {
  house = await openHouse()
  const { firm, technician: person } = await addFirm('a')
  ids = { firm: firm.id, technician: person.id }
  await addFirm('b')
  owner = await signedIn(house.app, 'owner-a')
  technician = await signedIn(house.app, 'technician-a')
})
afterAll(() => house.close())
beforeEach(() => Audit.destroy({ where: {} }))

const list = async () => ((await owner('GET', '/api/audit')).json() as AuditPage).entries
const newest = async (): Promise<AuditEntry> => (await list())[0]

describe('what is on record', () => {
  it('is who, when, from where, and what before and after', async () => {
    await owner('PUT', `/api/people/${ids.technician}`, { name: 'Technician a', role: 'technician', trained: ['roof'], liftKg: 20, active: true })
    expect(await newest()).toEqual({
      id: expect.any(Number),
      at: expect.any(String),
      by: 'Owner a',
      from: '127.0.0.1',
      what: 'person-changed',
      about: 'technician-a',
      before: { trained: [] },
      after: { trained: ['roof'], liftKg: 20 },
    })
  })
  it('are prices and labels: of what differs alone', async () => {
    const { version } = (await owner('GET', '/api/stores')).json()
    const [first, second] = builtInProducts.map(({ inStockLitres: _, ...product }) => product)
    await owner('PUT', '/api/stores', { products: [first, second], equipment: [], version })
    await owner('PUT', '/api/stores', { products: [{ ...first, pricePerPack: 77 }], equipment: [], version: version + 1 })
    expect(await newest()).toMatchObject({
      what: 'labels-changed',
      before: { [first.id]: { pricePerPack: first.pricePerPack }, [second.id]: expect.objectContaining({ name: second.name }) },
      after: { [first.id]: { pricePerPack: 77 } },
    })
  })
  it('are house rules', async () => {
    await Firm.update({ houseRules: startHouseRules }, { where: { id: ids.firm } })
    const { rules, version } = (await owner('GET', '/api/house-rules')).json()
    await owner('PUT', '/api/house-rules', { rules: { ...rules, hourCost: 61 }, version })
    expect(await newest()).toMatchObject({ what: 'house-rules-changed', before: { hourCost: startHouseRules.hourCost }, after: { hourCost: 61 } })
  })
  it('are sign-ins, failures of names that somebody has, and what a role refused', async () => {
    const enter = (signIn: string, secret: string) =>
      house.app.inject({ method: 'POST', url: '/api/session', headers: { host: 'yastik.test', origin }, payload: { signIn, password: secret } })
    await enter('nobody-at-all', password)
    await enter('technician-a', 'wrong password')
    await enter('technician-a', password)
    await technician('GET', '/api/quotes')
    await technician('GET', '/api/exports/sites.csv')
    expect((await list()).map(({ by, what, about }) => `${by}: ${what} ${about}`.trim())).toEqual([
      'Technician a: refused GET /api/exports/sites.csv',
      'Technician a: refused GET /api/quotes',
      'Technician a: signed-in Some program',
      'Technician a: sign-in-failed',
    ])
  })
  it('is each export before the first of it leaves, and each import', async () => {
    for (const path of [
      '/api/bundle',
      '/api/exports/sites.csv',
      '/api/exports/readings.csv',
      '/api/exports/visits.ics',
      '/api/exports/photographs.zip',
      '/api/exports/audit.csv',
    ])
      expect((await owner('GET', path)).statusCode).toBe(200)
    const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    await technician('POST', '/api/imports/sites', { sites: [{ form: { site, address: '', contact: '' }, units: [] }] })
    expect((await list()).map(({ what, about }) => `${what} ${about}`)).toEqual([
      'imported sites',
      ...['audit.csv', 'photographs.zip', 'visits.ics', 'readings.csv', 'sites.csv', 'bundle'].map((name) => `exported ${name}`),
    ])
    const exporting = Object.values(endpoints).filter(({ path }) => path.startsWith('/api/exports/') || path === '/api/bundle')
    expect(exporting.every(({ who }) => who === 'owner')).toBe(true)
  })
  it('stays with nothing that failed', async () => {
    await owner('PUT', '/api/house-rules', { rules: {}, version: 99 })
    expect(await list()).toEqual([])
  })
  it('comes page by page, and as a table in which nothing is a formula', async () => {
    await Audit.bulkCreate(
      Array.from({ length: 120 }, (_, at) => ({
        firmId: ids.firm,
        at: new Date(),
        byName: '=HYPERLINK("x")',
        address: '',
        what: 'refused' as const,
        about: `no. ${at}`,
        before: null,
        after: null,
      })),
    )
    const seen: string[] = []
    for (let after: string | null = ''; after !== null;) {
      const page: AuditPage = (await owner('GET', `/api/audit${after === '' ? '' : `?after=${after}`}`)).json()
      seen.push(...page.entries.map(({ about }) => about))
      after = page.next
    }
    expect(seen).toEqual(Array.from({ length: 120 }, (_, at) => `no. ${119 - at}`))
    expect((await owner('GET', '/api/audit?after=x')).statusCode).toBe(422)
    const table = (await owner('GET', '/api/exports/audit.csv')).body
    expect(table.split('\r\n')[0]).toBe('\uFEFFat,by,from,what,about,before,after')
    expect(table).not.toMatch(/(^|,)"?=/m)
  })
  it('is for owners of the firm alone', async () => {
    await owner('GET', '/api/bundle')
    expect((await technician('GET', '/api/audit')).statusCode).toBe(403)
    const other = await signedIn(house.app, 'owner-b')
    const { entries } = (await other('GET', '/api/audit')).json() as AuditPage
    expect(entries.every(({ by }) => by === 'Owner b')).toBe(true)
  })
})
