import { endpoints, type PersonCode, type PersonRecord, type SessionRecord } from '@yastik/core/wire'
import { TOTP, URI } from 'otpauth'
import { Calendar, Session, Token, User } from '../db/models.ts'
import { addFirm, cookieOf, openHouse, origin, password, signedIn, streamAs, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let ids: { owner: number; technician: number }
beforeAll(async () => {
  house = await openHouse()
  await addFirm('b')
  await house.app.listen({ port: 0, host: '127.0.0.1' })
})
afterAll(() => house.close())
let firms = 0
let key = ''
/** Each test has a firm of its own. */
beforeEach(async () => {
  key = `p${firms++}`
  const added = await addFirm(key)
  ids = { owner: added.owner.id, technician: added.technician.id }
  owner = await signedIn(house.app, `owner-${key}`)
  technician = await signedIn(house.app, `technician-${key}`)
})

const form = (more: object = {}) => ({ name: 'Rana Quill', role: 'technician', trained: ['roof'], liftKg: 25, ...more })
const better = 'three herons over wet slate'
const enter = (path: string, payload: object, agent = '') =>
  house.app.inject({ method: 'POST', url: path, headers: { host: 'yastik.test', origin, 'user-agent': agent }, payload })
const signIn = (signInName: string, secret = password, code?: string) =>
  enter('/api/session', { signIn: signInName, password: secret, ...(code ? { code } : {}) })
const useCode = (signInName: string, code: string, next = better) => enter('/api/session/code', { signIn: signInName, code, password: next })
const linesOf = (answer: { json(): { lines: { where: string; what: string }[] } }) => answer.json().lines

describe('a person', () => {
  it('is added by an owner, sets a password by a code that counts once, and gets in', async () => {
    const added = (await owner('POST', '/api/people', { ...form(), signIn: `rana-${key}` })).json() as PersonCode
    expect(added.person).toMatchObject({
      name: 'Rana Quill',
      role: 'technician',
      trained: ['roof'],
      liftKg: 25,
      active: true,
      way: 'code',
      lastSeenAt: null,
    })
    expect(added.code).toMatch(/^([2-9A-Z]{4}-){3}[2-9A-Z]{4}$/)
    expect((await signIn(`rana-${key}`, better)).statusCode).toBe(401)
    expect(linesOf(await useCode(`rana-${key}`, added.code, 'Rana Quill 2026'))[0]).toMatchObject({
      where: 'password',
      what: 'this is easy to guess',
    })
    expect((await useCode(`rana-${key}`, 'AAAA-AAAA-AAAA-AAAA')).statusCode).toBe(401)
    // As it is read out: small letters, without dashes.
    expect((await useCode(`rana-${key}`, added.code.toLowerCase().replaceAll('-', ' '))).statusCode).toBe(200)
    expect((await useCode(`rana-${key}`, added.code)).statusCode).toBe(401)
    expect((await signIn(`rana-${key}`, better)).statusCode).toBe(200)
    const people = (await owner('GET', '/api/people')).json() as PersonRecord[]
    expect(people.find(({ id }) => id === added.person.id)).toMatchObject({ way: 'password', lastSeenAt: expect.any(String) })
  })
  it('has a name of their own to sign in by', async () => {
    const twice = await owner('POST', '/api/people', { ...form(), signIn: 'owner-b' })
    expect(twice.statusCode).toBe(409)
    expect(linesOf(twice)[0].where).toBe('signIn')
    expect((await owner('POST', '/api/people', { ...form(), signIn: 'two words' })).statusCode).toBe(422)
  })
  it('who gets in no more is out at once, streams too, and stays on record', async () => {
    const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const { id: siteId } = (await owner('POST', '/api/sites', { site, address: '', contact: '' })).json()
    const { id: unitId } = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json()
    const visit = { siteId, unitIds: [unitId], onDate: visitDay }
    const job = (await owner('POST', '/api/jobs', { ...visit, crewIds: [ids.technician] })).json()
    const heard = (async () => {
      for await (const _ of streamAs(`technician-${key}`, house.app, `/api/jobs/${job.id}/stream`)) continue
    })()
    // Until it is heard: by a session of its own.
    while ((await Session.count({ where: { userId: ids.technician } })) < 2) await new Promise((done) => setTimeout(done, 50))
    await new Promise((done) => setTimeout(done, 300))
    const out = await owner('PUT', `/api/people/${ids.technician}`, { name: 'Technician', role: 'technician', trained: [], active: false })
    expect(out.json()).toMatchObject({ active: false })
    expect((await technician('GET', '/api/today?day=2026-11-27')).statusCode).toBe(401)
    expect((await signIn(`technician-${key}`)).statusCode).toBe(401)
    await heard
    expect((await owner('GET', `/api/jobs/${job.id}`)).json().crew.map(({ name }: { name: string }) => name)).toEqual(['Technician'])
    expect((await owner('GET', '/api/crew')).json().map(({ id }: { id: number }) => id)).toEqual([ids.owner])
    expect(linesOf(await owner('POST', '/api/jobs', { ...visit, crewIds: [ids.technician] }))[0].where).toBe('crewIds')
    expect((await owner('POST', `/api/people/${ids.technician}/code`)).statusCode).toBe(409)
    await owner('PUT', `/api/people/${ids.technician}`, { name: 'Technician', role: 'technician', trained: [], active: true })
    expect((await signIn(`technician-${key}`)).statusCode).toBe(200)
  })
  it('whose role changes signs in anew', async () => {
    await owner('PUT', `/api/people/${ids.technician}`, { name: 'Technician', role: 'owner', trained: [], active: true })
    expect((await technician('GET', '/api/session')).statusCode).toBe(401)
    expect((await (await signedIn(house.app, `technician-${key}`))('GET', '/api/people')).statusCode).toBe(200)
  })
  it('who lost the password gets a code: the old one and all sessions are gone', async () => {
    const { code } = (await owner('POST', `/api/people/${ids.technician}/code`)).json() as PersonCode
    expect((await technician('GET', '/api/session')).statusCode).toBe(401)
    expect((await signIn(`technician-${key}`)).statusCode).toBe(401)
    expect((await useCode(`technician-${key}`, code)).statusCode).toBe(200)
  })
  it('gets in by no code that has run out', async () => {
    const { code } = (await owner('POST', `/api/people/${ids.technician}/code`)).json() as PersonCode
    await User.update({ codeUntil: new Date(Date.now() - 1) }, { where: { id: ids.technician } })
    expect((await useCode(`technician-${key}`, code)).statusCode).toBe(401)
  })
})

describe('the last owner', () => {
  const asOwner = (more: object) => owner('PUT', `/api/people/${ids.owner}`, { name: 'Owner', role: 'owner', trained: [], active: true, ...more })
  it('can neither leave nor become a technician', async () => {
    for (const answer of [await asOwner({ active: false }), await asOwner({ role: 'technician' })]) {
      expect(answer.statusCode).toBe(409)
      expect(answer.json().sentence).toContain('only owner')
    }
    expect((await owner('GET', '/api/people')).statusCode).toBe(200)
  })
  it('stays, where two take each other out at once', async () => {
    await owner('PUT', `/api/people/${ids.technician}`, { name: 'Second', role: 'owner', trained: [], active: true })
    const second = await signedIn(house.app, `technician-${key}`)
    const off = { role: 'owner', trained: [], active: false }
    await Promise.all([
      owner('PUT', `/api/people/${ids.technician}`, { name: 'Second', ...off }),
      second('PUT', `/api/people/${ids.owner}`, { name: 'Owner', ...off }),
    ])
    expect(await User.count({ where: { id: [ids.owner, ids.technician], endedAt: null } })).toBe(1)
  })
  it('stays, where two give each other a new way in at once', async () => {
    await owner('PUT', `/api/people/${ids.technician}`, { name: 'Second', role: 'owner', trained: [], active: true })
    const second = await signedIn(house.app, `technician-${key}`)
    await Promise.all([owner('POST', `/api/people/${ids.technician}/code`), second('POST', `/api/people/${ids.owner}/code`)])
    const left = await User.findAll({ where: { id: [ids.owner, ids.technician] } })
    expect(left.filter(({ passwordHash }) => passwordHash !== '')).toHaveLength(1)
  })
  it('cannot take their own password away', async () => {
    expect((await owner('POST', `/api/people/${ids.owner}/code`)).statusCode).toBe(409)
  })
})

describe('one’s own password', () => {
  const change = (next: string, own = password) => technician('PUT', '/api/session/password', { password: own, next })
  it('changes, and ends all other sessions', async () => {
    const elsewhere = await signedIn(house.app, `technician-${key}`)
    expect((await change(better)).statusCode).toBe(200)
    expect((await technician('GET', '/api/session')).statusCode).toBe(200)
    expect((await elsewhere('GET', '/api/session')).statusCode).toBe(401)
    expect([(await signIn(`technician-${key}`)).statusCode, (await signIn(`technician-${key}`, better)).statusCode]).toEqual([401, 200])
  })
  it('needs the old one', async () => {
    expect(linesOf(await change(better, 'not mine at all'))[0]).toMatchObject({ where: 'password' })
  })
  it.each(['password12345', 'qwertyuiop123', '111111111111', 'iloveyou12345', 'Technician2026', 'elevenchars'])('“%s” is none', async (weak) => {
    const answer = await change(weak)
    expect(answer.statusCode).toBe(422)
    expect(linesOf(answer)[0].where).toBe('next')
  })
})

describe('sessions', () => {
  it('are listed by device, and end one by one or all but this', async () => {
    const chrome = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/130.0.0.0 Safari/537.36'
    const other = await enter('/api/session', { signIn: `technician-${key}`, password }, chrome)
    const cookie = other.cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
    const list = async () => (await technician('GET', '/api/sessions')).json() as SessionRecord[]
    const there = (await list()).find(({ device }) => device === 'Chrome, Linux')
    expect(await list()).toHaveLength(2)
    expect((await list()).filter(({ isThis }) => isThis)).toHaveLength(1)
    expect((await owner('DELETE', `/api/sessions/${there?.id}`)).statusCode).toBe(404)
    expect((await technician('DELETE', `/api/sessions/${there?.id}`)).statusCode).toBe(204)
    expect((await house.app.inject({ url: '/api/session', headers: { host: 'yastik.test', cookie } })).statusCode).toBe(401)
    await cookieOf(`technician-${key}`, house.app)
    expect((await technician('DELETE', '/api/sessions')).statusCode).toBe(204)
    expect(await list()).toMatchObject([{ isThis: true }])
    expect(await Session.count({ where: { userId: ids.technician } })).toBe(1)
  })
})

describe('a second factor', () => {
  const begin = async () => (await technician('POST', '/api/session/second-factor', { password })).json() as { secret: string; uri: string }
  const device = (uri: string) => URI.parse(uri) as TOTP
  const confirm = (code: string) => technician('PUT', '/api/session/second-factor', { code })
  const at = (totp: TOTP, halfMinutes: number) => totp.generate({ timestamp: Date.now() + halfMinutes * 30_000 })

  it('counts once a code of it was entered; then no password alone gets in, no code twice, and each code for its loss once', async () => {
    const { uri } = await begin()
    expect((await signIn(`technician-${key}`)).statusCode).toBe(200)
    const totp = device(uri)
    expect(totp).toMatchObject({ issuer: 'Yastik', label: `technician-${key}`, digits: 6, period: 30 })
    expect(linesOf(await confirm('000000'))[0].where).toBe('code')
    const confirmed = await confirm(at(totp, -1))
    expect(confirmed.json()).toMatchObject({ me: { secondFactor: 'set' } })
    const { recoveryCodes } = confirmed.json() as { recoveryCodes: string[] }
    expect(new Set(recoveryCodes).size).toBe(10)
    expect((await signIn(`technician-${key}`)).json().code).toBe('second-factor')
    expect((await signIn(`technician-${key}`, 'wrong password', at(totp, 0))).json().code).toBe('wrong-sign-in')
    expect((await signIn(`technician-${key}`, password, at(totp, -1))).statusCode).toBe(401)
    const now = at(totp, 0)
    expect((await signIn(`technician-${key}`, password, now)).statusCode).toBe(200)
    expect((await signIn(`technician-${key}`, password, now)).statusCode).toBe(401)
    expect((await signIn(`technician-${key}`, password, recoveryCodes[3].toLowerCase())).statusCode).toBe(200)
    expect((await signIn(`technician-${key}`, password, recoveryCodes[3])).statusCode).toBe(401)
    expect(JSON.stringify(await house.sequelize.query('SELECT second_factor FROM users'))).not.toContain(recoveryCodes[0])
  })
  it('is not guessed: codes are counted as passwords are', async () => {
    await confirm(at(device((await begin()).uri), 0))
    // The password alone, which a guesser knows, clears nothing between guesses.
    for (let tries = 0; tries < 5; tries++) {
      expect((await signIn(`technician-${key}`, password, '000000')).statusCode).toBe(401)
      expect((await signIn(`technician-${key}`)).json().code).toBe('second-factor')
    }
    expect((await signIn(`technician-${key}`, password, '000000')).statusCode).toBe(429)
  })
  it('comes off with the password and a code of it or for its loss, and by an owner’s reset', async () => {
    const { uri: factorUri } = await begin()
    await confirm(at(device(factorUri), 0))
    expect((await technician('POST', '/api/session/second-factor', { password })).statusCode).toBe(409)
    const drop = (body: object) => technician('POST', '/api/session/second-factor/drop', body)
    expect((await drop({ password: 'wrong password', code: '000000' })).json().lines[0].where).toBe('password')
    expect((await drop({ password })).json().lines[0].where).toBe('code')
    expect((await drop({ password, code: '000000' })).json().lines[0].where).toBe('code')
    expect((await drop({ password, code: at(device(factorUri), 1) })).json()).toMatchObject({ secondFactor: 'unset' })
    // Codes are counted there as well, right as the password is.
    const { uri } = await begin()
    await confirm(at(device(uri), 1))
    for (let tries = 0; tries < 10; tries++) expect((await drop({ password, code: '000000' })).statusCode).toBe(422)
    expect((await drop({ password, code: '000000' })).statusCode).toBe(429)
    const { code } = (await owner('POST', `/api/people/${ids.technician}/code`)).json() as PersonCode
    await house.sequelize.query('DELETE FROM sign_in_tries')
    expect((await useCode(`technician-${key}`, code)).json()).toMatchObject({ secondFactor: 'unset' })
  })
  it('is asked of owners where the firm asks it: until then they do what technicians do', async () => {
    expect((await owner('PUT', '/api/security', { ownersNeedSecondFactor: true })).statusCode).toBe(200)
    expect((await owner('GET', '/api/session')).json()).toMatchObject({ secondFactor: 'needed' })
    const turnedDown = await owner('GET', '/api/people')
    expect([turnedDown.statusCode, turnedDown.json().sentence]).toEqual([403, expect.stringContaining('second factor')])
    expect((await owner('GET', '/api/stores')).statusCode).toBe(200)
    // What is theirs alone, and what leads to a factor, they may still change; nothing of the firm’s.
    expect((await owner('PUT', '/api/session/language', { language: 'en' })).statusCode).toBe(200)
    const site = { site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' }
    expect((await owner('POST', '/api/sites', site)).json().sentence).toContain('second factor')
    const { uri } = (await owner('POST', '/api/session/second-factor', { password })).json()
    expect((await owner('PUT', '/api/session/second-factor', { code: at(device(uri), 0) })).statusCode).toBe(200)
    expect((await owner('GET', '/api/people')).statusCode).toBe(200)
    expect((await technician('GET', '/api/session')).json()).toMatchObject({ secondFactor: 'unset' })
  })
})

describe('ways in', () => {
  const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  const makeToken = (ask: Ask) => ask('POST', '/api/tokens', { name: 'A program', scope: 'read', areas: ['visits'], endsOn: inDays(30) })
  const calendar = (ask: Ask, personId: number) => ask('POST', '/api/calendars', { personId, showsContact: false })
  it('end with a reset: tokens and calendars of whoever’s password is set anew', async () => {
    const second = (await owner('POST', '/api/people', { signIn: `second-${key}`, name: 'Second', role: 'owner', trained: [] })).json() as PersonCode
    await useCode(`second-${key}`, second.code)
    const other = await signedIn(house.app, `second-${key}`, better)
    expect((await makeToken(other)).statusCode).toBe(201)
    expect((await calendar(other, second.person.id)).statusCode).toBe(201)
    expect((await owner('POST', `/api/people/${second.person.id}/code`)).statusCode).toBe(201)
    expect([await Token.count({ where: { userId: second.person.id } }), await Calendar.count({ where: { userId: second.person.id } })]).toEqual([
      0, 0,
    ])
  })
  it('end with a changed password unless they are kept; a wrong password is on record', async () => {
    await makeToken(owner)
    const change = (body: object) => owner('PUT', '/api/session/password', body)
    expect((await change({ password: 'not this one', next: 'seven slow herons wait' })).statusCode).toBe(422)
    expect((await owner('GET', '/api/audit')).json().entries[0]).toMatchObject({ what: 'password-wrong' })
    expect((await change({ password, next: 'seven slow herons wait', keepsAccess: true })).statusCode).toBe(200)
    expect(await Token.count({ where: { userId: ids.owner } })).toBe(1)
    expect((await change({ password: 'seven slow herons wait', next: password })).statusCode).toBe(200)
    expect(await Token.count({ where: { userId: ids.owner } })).toBe(0)
  })
  it('names of people and firm are no passwords', async () => {
    const answer = await owner('PUT', '/api/session/password', { password, next: `Technician${key}` })
    expect(answer.json().lines[0].where).toBe('next')
  })
  it('ask for the password again before what leaves or lets others in, where it was not given lately', async () => {
    await Session.update({ confirmedAt: new Date(Date.now() - 11 * 60_000) }, { where: { userId: ids.owner } })
    for (const [method, path] of [
      ['GET', '/api/bundle'],
      ['GET', '/api/exports/sites.csv'],
      ['GET', '/api/session/confirmed'],
    ] as const)
      expect([path, (await owner(method, path)).json().code]).toEqual([path, 'confirm-password'])
    expect((await makeToken(owner)).json().code).toBe('confirm-password')
    expect((await owner('POST', '/api/session/confirm', { password: 'not this one' })).statusCode).toBe(422)
    expect((await makeToken(owner)).statusCode).toBe(403)
    expect((await owner('POST', '/api/session/confirm', { password })).statusCode).toBe(204)
    expect((await makeToken(owner)).statusCode).toBe(201)
    expect((await owner('GET', '/api/exports/sites.csv')).statusCode).toBe(200)
  })
})

describe('the table', () => {
  it('has nothing of passwords, secrets or codes in what it lists', () => {
    const shown = Object.keys(endpoints.people.answer.element.shape)
    expect(shown.sort()).toEqual(['active', 'id', 'lastSeenAt', 'liftKg', 'name', 'pacePercent', 'role', 'secondFactor', 'signIn', 'trained', 'way'])
  })
})
