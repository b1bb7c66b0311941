import { createHash } from 'node:crypto'
import { buildApp } from '../app.ts'
import { Session, User } from '../db/models.ts'
import { addFirm, openHouse, origin, password, signedIn, type TestHouse } from '../tests/database.ts'
import { sessionLimits } from './sessions.ts'
import { hashPassword, isOutdated, verifyPassword } from './passwords.ts'
import { networkOf } from './throttle.ts'

let house: TestHouse
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
})
afterAll(() => house.close())

const signIn = (name: string, secret: string, remoteAddress = '10.0.0.1') =>
  house.app.inject({
    method: 'POST',
    url: '/api/session',
    headers: { host: 'yastik.test', origin },
    payload: { signIn: name, password: secret },
    remoteAddress,
  })

describe('sign-in', () => {
  /** Time goes by for those who wait, without anybody waiting. */
  const goesBy = (ms: number) =>
    house.sequelize.query('UPDATE sign_in_tries SET free_at_ms = GREATEST(0, free_at_ms - :ms), tried_at_ms = tried_at_ms - :ms', {
      replacements: { ms },
    })
  it('opens a session with a cookie that scripts cannot read', async () => {
    const answer = await signIn('owner-a', password)
    expect(answer.statusCode).toBe(200)
    expect(answer.json()).toMatchObject({ name: 'Owner a', role: 'owner', firm: 'Firm a' })
    expect(answer.headers['set-cookie']).toMatch(/HttpOnly; SameSite=Strict/)
    const token = answer.cookies[0].value
    expect(await Session.count({ where: { tokenHash: token } })).toBe(0)
  })
  it('says the same of an unknown name as of a wrong password', async () => {
    const wrong = await signIn('owner-a', 'not this one', '10.0.0.2')
    const unknown = await signIn('nobody', password, '10.0.0.2')
    expect(wrong.statusCode).toBe(401)
    expect(unknown.json()).toEqual(wrong.json())
  })
  it('is slowed down ever more after ten wrong tries, for that account at that address alone', async () => {
    for (let tries = 0; tries < 10; tries++) expect((await signIn('owner-a', 'wrong', '10.0.0.3')).statusCode).toBe(401)
    const slowed = await signIn('owner-a', 'wrong', '10.0.0.3')
    expect(slowed.statusCode).toBe(429)
    expect(slowed.json().sentence).toBe('Too many tries. Wait a second.')
    // The right password waits as well: an answer would tell that it is right. Others at the address, and the person elsewhere, do not.
    expect((await signIn('owner-a', password, '10.0.0.3')).statusCode).toBe(429)
    expect((await signIn('OWNER-A ', 'wrong', '10.0.0.3')).statusCode).toBe(429)
    expect((await signIn('technician-a', password, '10.0.0.3')).statusCode).toBe(200)
    expect((await signIn('owner-a', password, '10.0.0.4')).statusCode).toBe(200)
    await goesBy(1100)
    expect((await signIn('owner-a', 'wrong', '10.0.0.3')).statusCode).toBe(401)
    expect((await signIn('owner-a', 'wrong', '10.0.0.3')).json().sentence).toBe('Too many tries. Wait 2 seconds.')
    await goesBy(2100)
    expect((await signIn('owner-a', password, '10.0.0.3')).statusCode).toBe(200)
    expect((await signIn('owner-a', 'wrong', '10.0.0.3')).statusCode).toBe(401)
  })
  it('counts all spellings of a name together, of somebody who is known and of nobody alike', async () => {
    for (const spellings of [
      ['owner-a', 'OWNER-A', 'Öwner-a', 'ówner-Á', ' owner-a ', 'ownér-a', 'OwNeR-a', 'ｏwner-a', 'owner-ª', 'owñer-a', 'owner-ā'],
      ['nobody', 'NOBODY', 'nóbody', 'NÖBODY', ' nobody ', 'nobodý', 'NoBoDy', 'ｎobody', 'nobodY', 'ñobody', 'nobōdy'],
    ]) {
      const address = `10.0.7.${spellings[0].length}`
      const answers = []
      for (const name of spellings) answers.push((await signIn(name, 'wrong', address)).statusCode)
      expect(answers).toEqual([...Array.from({ length: 10 }, () => 401), 429])
    }
  })
  it('counts a whole network of an IPv6 address, and an IPv4 address however it is written', async () => {
    for (let tries = 0; tries < 10; tries++) await signIn('owner-a', 'wrong', `2001:db8:1:2::${tries + 1}`)
    expect((await signIn('owner-a', 'wrong', '2001:db8:1:2:ffff::9')).statusCode).toBe(429)
    expect((await signIn('owner-a', 'wrong', '2001:db8:1:3::1')).statusCode).toBe(401)
    expect(['::ffff:192.0.2.7', '192.0.2.7', '::ffff:c000:207'].map(networkOf)).toEqual(['192.0.2.7', '192.0.2.7', '192.0.2.7'])
    expect(['fe80::1%eth0', 'fe80:0:0:0:1::', ''].map(networkOf)).toEqual(['fe80::/64', 'fe80::/64', ''])
  })
  it('lets no more through where many try at once', async () => {
    const answers = await Promise.all(Array.from({ length: 40 }, () => signIn('owner-a', 'wrong', '10.0.0.5')))
    expect(answers.filter(({ statusCode }) => statusCode === 401).length).toBeLessThanOrEqual(10)
    expect(answers.every(({ statusCode }) => statusCode === 401 || statusCode === 429)).toBe(true)
  })
  it('keeps nobody waiting because others sign in at the same moment', async () => {
    const names = Array.from({ length: 12 }, (_, at) => (at % 2 === 0 ? 'owner-a' : 'technician-a'))
    const answers = await Promise.all(names.map((name) => signIn(name, password, '10.0.0.12')))
    expect(answers.map(({ statusCode }) => statusCode)).toEqual(names.map(() => 200))
  })
  it('slows down who goes through account after account, and the right person behind the same router by seconds only', async () => {
    await signIn('nobody-0', 'wrong', '10.0.0.6')
    // As after a hundred of them: each costs its time.
    await house.sequelize.query('UPDATE sign_in_tries SET tries = 100 WHERE tries = 1 AND tried_at_ms = (SELECT MAX(tried_at_ms) FROM sign_in_tries)')
    const next = await Promise.all(Array.from({ length: 4 }, (_, at) => signIn(`nobody-${100 + at}`, 'wrong', '10.0.0.6')))
    const slowed = next.filter(({ statusCode }) => statusCode === 429)
    expect(slowed.length).toBeGreaterThanOrEqual(3)
    for (const answer of slowed) expect(answer.json().sentence).toMatch(/^Too many tries\. Wait (a second|[2-5] seconds)\.$/)
    await goesBy(5100)
    expect((await signIn('owner-a', password, '10.0.0.6')).statusCode).toBe(200)
  })
  it('keeps neither names nor addresses of tries, and forgets them', async () => {
    await signIn('owner-a', 'wrong', '10.0.0.8')
    const tries = async () => JSON.stringify(await house.sequelize.query('SELECT * FROM sign_in_tries'))
    expect(await tries()).not.toMatch(/owner-a|10\.0\.0/)
    await house.sequelize.query('UPDATE sign_in_tries SET tried_at_ms = tried_at_ms - 16 * 60000')
    await signIn('owner-a', password, '10.0.0.9')
    const [rows] = await house.sequelize.query('SELECT bucket FROM sign_in_tries')
    expect(rows).toHaveLength(1)
  })
  it('names what is missing', async () => {
    const answer = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin },
      payload: { signIn: 'owner-a' },
    })
    expect(answer.statusCode).toBe(422)
    expect(answer.json()).toMatchObject({
      sentence: 'Some of this is not right.',
      message: { key: 'fault.does-not-hold-up' },
      lines: [
        {
          where: 'password',
          what: 'this is missing',
          allowed: 'a string',
          messages: { what: { key: 'fault.schema.missing' }, allowed: { key: 'fault.schema.string' } },
        },
      ],
    })
  })
})

describe('a session', () => {
  const tokenOf = async (name: string, app = house.app) => {
    const answer = await app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin },
      payload: { signIn: name, password },
      remoteAddress: '10.0.1.1',
    })
    return answer.cookies[0]
  }
  const stored = (token: string) => Session.findOne({ where: { tokenHash: createHash('sha256').update(token).digest('hex') }, rejectOnEmpty: true })
  const asked = async (token: string) =>
    (await house.app.inject({ url: '/api/session', headers: { host: 'yastik.test', cookie: `yastik_session=${token}` } })).statusCode
  it.each(['owner', 'technician'] as const)('of an %s ends when it was not used for long, and at the latest after its time', async (role) => {
    const { idleMs, wholeMs } = sessionLimits[role]
    const { value: token, maxAge } = await tokenOf(`${role}-a`)
    expect(maxAge).toBe(wholeMs / 1000)
    const session = await stored(token)
    expect(Math.abs(session.expiresAt.getTime() - Date.now() - wholeMs)).toBeLessThan(10_000)
    await session.update({ usedAt: new Date(Date.now() - idleMs + 60_000) })
    expect(await asked(token)).toBe(200)
    // Used now: it is not idle again.
    expect(Date.now() - (await stored(token)).usedAt.getTime()).toBeLessThan(10_000)
    await session.update({ usedAt: new Date(Date.now() - idleMs - 60_000) })
    expect(await asked(token)).toBe(401)
    await session.update({ usedAt: new Date(), expiresAt: new Date(Date.now() - 1000) })
    expect(await asked(token)).toBe(401)
  })
  it('has a cookie that is bound to the very host where there is TLS', async () => {
    const behind = await buildApp({ sequelize: house.sequelize, files: house.files, secureCookies: true })
    try {
      const cookie = await tokenOf('owner-a', behind)
      expect(cookie).toMatchObject({ name: '__Host-yastik_session', secure: true, httpOnly: true, sameSite: 'Strict', path: '/' })
      expect(cookie.domain).toBeUndefined()
      const asked = (name: string) => behind.inject({ url: '/api/session', headers: { host: 'yastik.test', cookie: `${name}=${cookie.value}` } })
      expect((await asked('__Host-yastik_session')).statusCode).toBe(200)
      expect((await asked('yastik_session')).statusCode).toBe(401)
    } finally {
      await behind.close()
    }
  })
})

describe('units of measure', () => {
  it('are a person’s own, metric until they choose, and only what there is', async () => {
    const [owner, technician] = [await signedIn(house.app, 'owner-a'), await signedIn(house.app, 'technician-a')]
    const metric = { temperature: '°C', volume: 'L', airflow: 'm³/h', power: 'kW' }
    expect((await owner('GET', '/api/session')).json().measures).toEqual(metric)
    expect((await owner('PUT', '/api/session/measures', { ...metric, temperature: '°F' })).json().measures.temperature).toBe('°F')
    expect((await owner('GET', '/api/session')).json().measures).toEqual({ ...metric, temperature: '°F' })
    expect((await technician('GET', '/api/session')).json().measures).toEqual(metric)
    const wrong = await owner('PUT', '/api/session/measures', { ...metric, power: 'horses' })
    expect([wrong.statusCode, wrong.json().lines[0].where]).toEqual([422, 'power'])
  })
})

describe('the language', () => {
  it('is a person’s own, that of the device until they choose, and only what there is', async () => {
    const [owner, technician] = [await signedIn(house.app, 'owner-a'), await signedIn(house.app, 'technician-a')]
    expect((await owner('GET', '/api/session')).json().language).toBeNull()
    expect((await owner('PUT', '/api/session/language', { language: 'es' })).json().language).toBe('es')
    expect((await owner('GET', '/api/session')).json().language).toBe('es')
    expect((await technician('GET', '/api/session')).json().language).toBeNull()
    const wrong = await owner('PUT', '/api/session/language', { language: 'xx' })
    expect([wrong.statusCode, wrong.json().lines[0]]).toMatchObject([422, { where: 'language', allowed: '"en", "es"' }])
  })
})

describe('every other route', () => {
  it.each([
    ['GET', '/api/session'],
    ['PUT', '/api/session/measures'],
    ['PUT', '/api/session/language'],
    ['GET', '/api/today?day=2026-05-01'],
    ['GET', '/api/sites'],
    ['POST', '/api/sites'],
    ['GET', '/api/logbook'],
    ['GET', '/api/house-rules'],
    ['PUT', '/api/house-rules'],
    ['POST', '/api/jobs/x/events'],
  ] as const)('%s %s needs a session', async (method, url) => {
    expect((await house.app.inject({ method, url, headers: { host: 'yastik.test', origin } })).statusCode).toBe(401)
  })
  it('takes no writes from elsewhere', async () => {
    const answer = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin: 'http://elsewhere.test' },
      payload: {},
    })
    expect(answer.statusCode).toBe(403)
    expect((await house.app.inject({ method: 'POST', url: '/api/session', headers: { host: 'yastik.test' }, payload: {} })).statusCode).toBe(403)
  })
  it.each(['null', 'not a url', 'http://yastik.test.elsewhere.test'])('takes no writes from the origin “%s”', async (strange) => {
    const answer = await house.app.inject({ method: 'POST', url: '/api/session', headers: { host: 'yastik.test', origin: strange }, payload: {} })
    expect(answer.statusCode).toBe(403)
    expect(answer.json().code).toBe('wrong-origin')
  })
  it.each<[string, false | number, string, string | undefined, number]>([
    ['http, and nobody in front', false, 'http', undefined, 401],
    ['https, and nobody who says that there is TLS', false, 'https', undefined, 403],
    ['https, and somebody who is not trusted says so', false, 'https', 'https', 403],
    ['https, and the proxy says so', 1, 'https', 'https', 401],
    ['http, and the proxy says that there is TLS', 1, 'http', 'https', 403],
    ['https, and the proxy says nothing', 1, 'https', undefined, 403],
  ])('takes writes from pages of %s, or does not', async (_name, trustProxy, scheme, said, status) => {
    const behind = await buildApp({ sequelize: house.sequelize, files: house.files, trustProxy })
    try {
      const answer = await behind.inject({
        method: 'POST',
        url: '/api/session',
        headers: { host: 'yastik.test', origin: `${scheme}://yastik.test`, ...(said ? { 'x-forwarded-proto': said } : {}) },
        payload: { signIn: 'nobody', password: 'wrong' },
        remoteAddress: '10.9.9.8',
      })
      expect(answer.statusCode).toBe(status)
    } finally {
      await behind.close()
    }
  })
  it.each<[string, false | number | string[], string, string]>([
    ['one proxy: the last address that it named', 1, '198.51.100.9, 192.0.2.1', '198.51.100.8, 192.0.2.1'],
    ['proxies by address', ['10.9.9.0/24'], '198.51.100.9, 192.0.2.1', '198.51.100.8, 192.0.2.1'],
    ['no proxy: whoever is connected, whatever they say', false, '192.0.2.1', '192.0.2.2'],
    ['proxies elsewhere: whoever is connected', ['10.8.0.0/16'], '192.0.2.1', '192.0.2.2'],
  ])('counts tries by %s', async (_name, trustProxy, one, madeUp) => {
    const behind = await buildApp({ sequelize: house.sequelize, files: house.files, trustProxy })
    try {
      const from = (caller: string) =>
        behind.inject({
          method: 'POST',
          url: '/api/session',
          headers: { host: 'yastik.test', origin, 'x-forwarded-for': caller },
          payload: { signIn: 'owner-a', password: 'wrong' },
          remoteAddress: '10.9.9.9',
        })
      await house.sequelize.query('DELETE FROM sign_in_tries')
      for (let tries = 0; tries < 10; tries++) await from(one)
      expect((await from(one)).statusCode).toBe(429)
      // An address that the caller put before does not make them another one.
      expect((await from(madeUp)).statusCode).toBe(429)
      if (trustProxy === 1) expect((await from('192.0.2.3')).statusCode).toBe(401)
    } finally {
      await behind.close()
    }
  })
  it('checks roles on the server', async () => {
    const technician = await signedIn(house.app, 'technician-a')
    const answer = await technician('PUT', '/api/house-rules', { rules: { rinseSchool: 'dry' }, version: 1 })
    expect(answer.statusCode).toBe(403)
    const owner = await signedIn(house.app, 'owner-a')
    expect((await owner('PUT', '/api/house-rules', { rules: { rinseSchool: 'dry' }, version: 1 })).json()).toEqual({
      rules: { rinseSchool: 'dry' },
      version: 2,
    })
    expect((await owner('PUT', '/api/house-rules', { rules: { rinseSchool: 'rinse' }, version: 1 })).statusCode).toBe(409)
    expect((await technician('GET', '/api/house-rules')).json()).toEqual({ rules: { rinseSchool: 'dry' }, version: 2 })
  })
  it('ends with signing out', async () => {
    const ask = await signedIn(house.app, 'technician-a')
    expect((await ask('GET', '/api/session')).statusCode).toBe(200)
    expect((await ask('DELETE', '/api/session')).statusCode).toBe(204)
    expect((await ask('GET', '/api/session')).statusCode).toBe(401)
  })
  it('sends security headers', async () => {
    const { headers } = await house.app.inject({ method: 'GET', url: '/api/session' })
    expect(headers['content-security-policy']).toContain("script-src 'self'")
    expect(headers['x-content-type-options']).toBe('nosniff')
  })
  it.each([
    ['no JSON', { 'content-type': 'application/json' }, '{"signIn":', 400, 'not-json'],
    ['a kind that is not taken', { 'content-type': 'text/csv' }, 'a;b', 415, 'wrong-media'],
    ['10 MB', { 'content-type': 'application/json' }, `"${'x'.repeat(10_000_000)}"`, 413, 'too-large'],
  ])('turns down %s', async (_, headers, payload, status, code) => {
    const answer = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin, ...headers },
      payload,
      remoteAddress: '10.0.0.9',
    })
    expect(answer.statusCode).toBe(status)
    expect(answer.json()).toMatchObject({ code })
  })
})

describe('passwords', () => {
  it('are salted: the same one twice has two hashes, and both fit', async () => {
    const [one, two] = [await hashPassword('word'), await hashPassword('word')]
    expect(one).not.toBe(two)
    expect(await verifyPassword('word', one)).toBe(true)
    expect(await verifyPassword('word', two)).toBe(true)
    expect(await verifyPassword('Word', one)).toBe(false)
    for (const strange of [
      'no hash at all',
      '',
      'scrypt$0$8$1$AAAA$AAAA',
      `scrypt$${2 ** 30}$8$1$AAAA$AAAA`,
      `${one}$more`,
      one.replace('scrypt', 'plain'),
    ])
      expect(await verifyPassword('word', strange)).toBe(false)
  })
  it('are checked at the cost at which they were hashed, and hashed anew at today’s when somebody signs in', async () => {
    const cheap = await hashPassword(password, { N: 2 ** 12, r: 8, p: 1 })
    expect([isOutdated(cheap), isOutdated(await hashPassword(password))]).toEqual([true, false])
    const person = await User.findOne({ where: { signIn: 'technician-a' }, rejectOnEmpty: true })
    await person.update({ passwordHash: cheap })
    expect((await signIn('technician-a', 'not this one', '10.0.0.7')).statusCode).toBe(401)
    expect((await person.reload()).passwordHash).toBe(cheap)
    expect((await signIn('technician-a', password, '10.0.0.7')).statusCode).toBe(200)
    expect(isOutdated((await person.reload()).passwordHash)).toBe(false)
    expect((await signIn('technician-a', password, '10.0.0.7')).statusCode).toBe(200)
  })
})
