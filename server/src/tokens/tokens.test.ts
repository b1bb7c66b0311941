import { endpoints, type Endpoint } from '@yastik/core/wire'
import { Token } from '../db/models.ts'
import { dayMs, utcDay } from '../days.ts'
import { addFirm, openHouse, origin, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let ownerId: number
beforeAll(async () => {
  house = await openHouse()
  ownerId = (await addFirm('a')).owner.id
  await addFirm('b')
  owner = await signedIn(house.app, 'owner-a')
})
afterAll(() => house.close())
const inDays = (days: number) => utcDay(Date.now() + days * dayMs)
const make = (form: object = {}) =>
  owner('POST', '/api/tokens', {
    name: 'The bookkeeper',
    scope: 'read',
    areas: ['visits', 'sites', 'logbook', 'exports', 'office'],
    endsOn: inDays(30),
    ...form,
  })
const tokenOf = async (form: object = {}) => (await make(form)).json() as { token: string; record: { id: string } }
const by =
  (token: string) =>
  (method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string, payload?: object, headers: object = {}) =>
    house.app.inject({ method, url, headers: { authorization: `Bearer ${token}`, host: 'yastik.test', ...headers }, ...(payload ? { payload } : {}) })
const site = { site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' }

describe('a token', () => {
  it('is shown once, kept as its hash, and reads what its maker may', async () => {
    const { token, record } = await tokenOf()
    expect(JSON.stringify((await owner('GET', '/api/tokens')).json())).not.toContain(token)
    expect(JSON.stringify(await Token.findAll())).not.toContain(token)
    expect((await by(token)('GET', '/api/quotes')).statusCode).toBe(200)
    expect((await owner('GET', '/api/tokens')).json()).toEqual(
      expect.arrayContaining([expect.objectContaining({ id: record.id, name: 'The bookkeeper', madeBy: 'Owner a', usedAt: expect.any(String) })]),
    )
  })
  it('that may read only changes nothing; one that may write does, from no page at all', async () => {
    const [read, write] = [(await tokenOf()).token, (await tokenOf({ scope: 'write' })).token]
    const turnedDown = await by(read)('POST', '/api/sites', site)
    expect([turnedDown.statusCode, turnedDown.json().sentence]).toEqual([403, 'This token can only read.'])
    expect((await by(write)('POST', '/api/sites', site)).statusCode).toBe(201)
    const { entries } = (await owner('GET', '/api/audit')).json()
    expect(entries[0]).toMatchObject({ what: 'refused', by: 'Owner a, The bookkeeper', about: 'POST /api/sites' })
  })
  it('reaches the areas that it was made for, and no other', async () => {
    const ask = by((await tokenOf({ scope: 'write', areas: ['sites'] })).token)
    expect((await ask('GET', '/api/sites')).statusCode).toBe(200)
    for (const path of ['/api/today?day=2026-05-01', '/api/logbook', '/api/exports/sites.csv', '/api/bundle', '/api/stock', '/api/quotes'])
      expect([path, (await ask('GET', path)).json().sentence]).toEqual([path, 'This token has no access to that: it was made for other areas.'])
    expect((await make({ areas: [] })).json().lines[0].where).toBe('areas')
  })
  it('opens nothing that is for people', async () => {
    const ask = by((await tokenOf({ scope: 'write' })).token)
    const forPeople = (Object.values(endpoints) as Endpoint[]).filter(({ onlyPeople, who }) => onlyPeople && who !== 'anyone')
    expect(forPeople.length).toBeGreaterThan(15)
    for (const { method, path } of forPeople) {
      const answer = await ask(method, path.replace(/:\w+/, '0191a1b0-0000-7000-8000-000000000001'), method === 'GET' ? undefined : {})
      expect(`${method} ${path} ${answer.statusCode}`).toBe(`${method} ${path} 403`)
    }
  })
  it('ends on its day, when it is taken back, and with its maker', async () => {
    const status = async (token: string) => (await by(token)('GET', '/api/sites')).statusCode
    const { token, record } = await tokenOf()
    await Token.update({ endsOn: inDays(-1) }, { where: { id: record.id } })
    expect(await status(token)).toBe(401)
    const second = await tokenOf()
    expect(await status(second.token)).toBe(200)
    expect((await owner('DELETE', `/api/tokens/${second.record.id}`)).statusCode).toBe(204)
    expect(await status(second.token)).toBe(401)
    const added = (await owner('POST', '/api/people', { name: 'Other', role: 'owner', trained: [], signIn: 'other-a' })).json()
    const enter = { method: 'POST' as const, url: '/api/session/code', headers: { host: 'yastik.test', origin } }
    await house.app.inject({ ...enter, payload: { signIn: 'other-a', code: added.code, password: 'three herons over wet slate' } })
    const third = await tokenOf()
    const other = await signedIn(house.app, 'other-a', 'three herons over wet slate')
    const out = { name: 'Owner a', role: 'owner', trained: [], active: false }
    expect((await other('PUT', `/api/people/${ownerId}`, out)).statusCode).toBe(200)
    expect(await status(third.token)).toBe(401)
    await other('PUT', `/api/people/${ownerId}`, { ...out, active: true })
    owner = await signedIn(house.app, 'owner-a')
  })
  it('holds a year at most, from today on', async () => {
    for (const endsOn of [inDays(-1), inDays(400), '2026-02-30']) {
      const answer = await make({ endsOn })
      expect([answer.statusCode, answer.json().lines[0].where]).toEqual([422, 'endsOn'])
    }
  })
  it('that is made up, of another firm, or written in another way gets nothing', async () => {
    const other = await signedIn(house.app, 'owner-b')
    const { record } = await tokenOf()
    expect((await other('DELETE', `/api/tokens/${record.id}`)).statusCode).toBe(404)
    for (const authorization of ['Bearer yastik_made-up-made-up-made-up', 'Bearer ', 'Basic eDp5', `Token ${record.id}`])
      expect((await house.app.inject({ url: '/api/sites', headers: { authorization, host: 'yastik.test' } })).statusCode).toBe(401)
  })
  it('signs nobody in from elsewhere', async () => {
    const { token } = await tokenOf({ scope: 'write' })
    const answer = await by(token)('POST', '/api/session', { signIn: 'owner-a', password: 'x' }, { origin: 'https://elsewhere.test' })
    expect(answer.statusCode).toBe(403)
  })
})
