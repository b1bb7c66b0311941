import ICAL from 'ical.js'
import { momentAt } from '@yastik/core/quantities'
import { Calendar, Job, JobUnit, Quote, User } from '../db/models.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'
import { firstNameIn } from './entries.ts'
import { sayFor } from '../words.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let ids: { owner: number; technician: number }
let siteId: string
let unitId: string
const zone = 'America/Bogota'
beforeAll(async () => {
  house = await openHouse()
  const a = await addFirm('a')
  await addFirm('b')
  ids = { owner: a.owner.id, technician: a.technician.id }
  ;[owner, technician] = [await signedIn(house.app, 'owner-a'), await signedIn(house.app, 'technician-a')]
  await owner('PUT', '/api/house-rules', { rules: { timeZone: zone }, version: 1 })
  const site = {
    site: { name: 'Мельница', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    address: '4 Alder Rise',
    contact: 'Zoë Ray, 555 0142',
  }
  siteId = (await owner('POST', '/api/sites', site)).json().id
  unitId = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Loft, 北側', family: 'wall-head', design: {} })).json().id
  await plan([ids.owner])
  await plan([ids.technician, ids.owner], 9 * 60 + 30)
})
afterAll(() => house.close())
const plan = async (crewIds: number[], startMin?: number) =>
  (
    await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds, ...(startMin === undefined ? {} : { startMin }) })
  ).json() as {
    id: string
    revision: number
  }
const make = (ask: Ask, personId: number | null, showsContact = false) => ask('POST', '/api/calendars', { personId, showsContact })
const pathOf = async (ask: Ask, personId: number | null, showsContact = false) => (await make(ask, personId, showsContact)).json().path as string
/** Fetched as another program does: with the address and nothing else. */
const fetched = (url: string) => house.app.inject({ url, headers: { host: 'yastik.test' } })
/** As another package reads it. */
const entriesAt = async (url: string) => {
  const answer = await fetched(url)
  expect([answer.statusCode, answer.headers['content-type']]).toEqual([200, 'text/calendar; charset=utf-8'])
  return new ICAL.Component(ICAL.parse(answer.body) as never).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
}

describe('a calendar that is fetched', () => {
  it('shows all visits of the firm, or those of one person', async () => {
    expect(await entriesAt(await pathOf(owner, null))).toHaveLength(2)
    expect(await entriesAt(await pathOf(owner, ids.technician))).toHaveLength(1)
    expect(await entriesAt(await pathOf(technician, ids.technician))).toHaveLength(1)
  })
  it('says when it begins and ends, where, what is done at which units, with whom, and where one reads more', async () => {
    const [entry] = await entriesAt(await pathOf(owner, ids.technician))
    expect(entry.startDate.toJSDate().getTime()).toBe(momentAt(visitDay, 570, zone))
    const minutes = (entry.endDate.toJSDate().getTime() - entry.startDate.toJSDate().getTime()) / 60_000
    expect(minutes % 15).toBe(0)
    expect(minutes).toBeGreaterThanOrEqual(30)
    expect(entry.summary).toBe('Мельница: Loft, 北側')
    expect(entry.location).toBe('4 Alder Rise')
    expect(entry.description).toBe('Cleaning\nLoft, 北側: wall head\nWith Technician a, Owner a')
    const jobId = entry.uid.replace(/^job-|@yastik$/g, '')
    expect(entry.component.getFirstPropertyValue('url')).toBe(`http://yastik.test/jobs/${jobId}/${unitId}/look-over`)
  })
  it('speaks the language of whoever’s visits it shows', async () => {
    const path = await pathOf(owner, ids.technician)
    await technician('PUT', '/api/session/language', { language: 'es' })
    expect((await entriesAt(path))[0].description).toBe('Limpieza\nLoft, 北側: unidad de pared\nCon Technician a, Owner a')
    await technician('PUT', '/api/session/language', { language: 'en' })
    expect((await entriesAt(path))[0].description).toContain('With Technician a')
  })
  it('without a time is on its whole day', async () => {
    const whole = (await entriesAt(await pathOf(owner, null))).filter(({ startDate }) => startDate.isDate)
    expect(whole.map(({ startDate }) => startDate.toString())).toEqual([visitDay])
  })
  it('says what was quoted, where the visit came of a quote', async () => {
    const { id } = (await owner('POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 3 }] })).json() as { id: string }
    const { options, version } = (await owner('GET', `/api/quotes/${id}`)).json() as {
      options: { key: string; name: string; handsMin: number }[]
      version: number
    }
    const accepted = await owner('POST', `/api/quotes/${id}/accept`, { option: options[0].key, onDate: visitDay, crewIds: [ids.owner], version })
    expect(accepted.statusCode).toBe(200)
    const { jobId } = (await Quote.findByPk(id))!
    const entry = (await entriesAt(await pathOf(owner, null))).find(({ uid }) => uid === `job-${jobId}@yastik`)!
    expect(entry.description.split('\n')[0]).toBe(sayFor({ houseRules: {} })(options[0].name))
    await JobUnit.destroy({ where: { jobId: jobId! } })
    await Quote.destroy({ where: { id } })
    await Job.destroy({ where: { id: jobId! } })
  })
  it('says when it was changed last, and grows by one each time', async () => {
    const { id, revision } = await plan([ids.owner])
    const path = await pathOf(owner, null)
    const seen = async () => {
      const entry = (await entriesAt(path)).find(({ uid }) => uid === `job-${id}@yastik`)!
      return {
        sequence: entry.sequence,
        at: String(entry.component.getFirstPropertyValue('last-modified')),
        status: entry.component.getFirstPropertyValue('status'),
      }
    }
    await Job.update({ changedAt: new Date('2026-01-02T03:04:05Z') }, { where: { id } })
    expect(await seen()).toEqual({ sequence: 0, at: '2026-01-02T03:04:05Z', status: 'CONFIRMED' })
    await owner('POST', `/api/jobs/${id}/cancel`, { revision })
    const after = await seen()
    expect(after).toMatchObject({ sequence: 1, status: 'CANCELLED' })
    expect(Date.parse(after.at)).toBeGreaterThan(Date.now() - 60_000)
  })
  it('says the first name of whom to ask for where the owner wants it so, and no more of the contact', async () => {
    const [entry] = await entriesAt(await pathOf(owner, ids.technician, true))
    expect(entry.description.split('\n').at(-1)).toBe('Ask for Zoë')
    // Ids are made of chance and may hold any three digits: the whole number is looked for, lines unfolded.
    expect((await fetched(await pathOf(owner, null, true))).body.replace(/\r\n /g, '')).not.toMatch(/Ray|555 0142/)
    expect((await fetched(await pathOf(owner, null))).body).not.toContain('Zoë')
  })
  it.each([
    ['Zoë Ray, 555', 'Zoë'],
    ["O'Neill", "O'Neill"],
    ['Анна Ивановна', 'Анна'],
    ['Ms Ray', undefined],
    ['Dr. Ray', undefined],
    ['555 0101', undefined],
    ['', undefined],
  ])('takes of the contact %j the name %j', (contact, name) => expect(firstNameIn(contact)).toBe(name))
})

describe('the address of a calendar', () => {
  it('is shown once and kept as its hash', async () => {
    const path = await pathOf(owner, null)
    const secret = path.split('/')[3]
    expect(secret).toMatch(/^[\w-]{43}$/)
    expect(JSON.stringify(await Calendar.findAll())).not.toContain(secret)
    expect((await owner('GET', '/api/calendars')).body).not.toContain(secret)
    await fetched(path)
    const list = (await owner('GET', '/api/calendars')).json() as { person: string | null; usedAt: string | null }[]
    expect(list.at(-1)).toMatchObject({ person: null, madeBy: 'Owner a', usedAt: expect.any(String) as string })
  })
  it('leads to nothing once it is taken back, and where it is made up', async () => {
    const { record, path } = (await make(owner, null)).json() as { record: { id: string }; path: string }
    expect((await fetched(path)).statusCode).toBe(200)
    expect((await (await signedIn(house.app, 'owner-b'))('DELETE', `/api/calendars/${record.id}`)).statusCode).toBe(404)
    expect((await technician('DELETE', `/api/calendars/${record.id}`)).statusCode).toBe(404)
    expect((await owner('DELETE', `/api/calendars/${record.id}`)).statusCode).toBe(204)
    for (const address of [path, '/api/calendars/x/visits.ics', `/api/calendars/${'a'.repeat(43)}/visits.ics`])
      expect((await fetched(address)).statusCode).toBe(404)
  })
  it('is made by owners for whomever, and by others for themselves without names', async () => {
    for (const [personId, showsContact] of [
      [null, false],
      [ids.owner, false],
      [ids.technician, true],
    ] as const) {
      const answer = await make(technician, personId, showsContact)
      expect([answer.statusCode, answer.json().code]).toEqual([403, 'not-allowed'])
    }
    const stranger = await make(owner, 999_999)
    expect([stranger.statusCode, stranger.json().lines[0].where]).toEqual([422, 'personId'])
    const own = (await technician('GET', '/api/calendars')).json() as { person: string }[]
    expect(new Set(own.map(({ person }) => person))).toEqual(new Set(['Technician a']))
  })
  it('ends with whoever made it, whose visits it shows, and with the right to show them', async () => {
    const [firmwide, own, named] = [await pathOf(owner, null), await pathOf(technician, ids.technician), await pathOf(owner, ids.technician, true)]
    const status = async () => Promise.all([firmwide, own, named].map(async (path) => (await fetched(path)).statusCode))
    expect(await status()).toEqual([200, 200, 200])
    await User.update({ role: 'technician' }, { where: { id: ids.owner } })
    expect(await status()).toEqual([404, 200, 404])
    await User.update({ role: 'owner' }, { where: { id: ids.owner } })
    await User.update({ endedAt: new Date() }, { where: { id: ids.technician } })
    expect(await status()).toEqual([200, 404, 404])
    await User.update({ endedAt: null }, { where: { id: ids.technician } })
  })
  it('stands in no log', async () => {
    const { entries } = (await owner('GET', '/api/audit')).json() as { entries: { what: string; about: string }[] }
    expect(entries.some(({ what, about }) => what === 'calendar-made' && about === 'the whole firm')).toBe(true)
    expect(JSON.stringify(entries)).not.toMatch(/[\w-]{43}/)
  })
})
