import { createHash } from 'node:crypto'
import { connect, type AddressInfo, type Socket } from 'node:net'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { endpoints as allEndpoints } from '@yastik/core/wire'
import fastify from 'fastify'
import { v7 as newId } from 'uuid'
import { buildApp } from '../app.ts'
import { Session } from '../db/models.ts'
import { addFirm, openHouse, origin, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'
import { endpointsOf, type Declared } from './audience.ts'

let house: TestHouse
let endpoints: readonly Declared[]
let technician: Ask
let stranger: Ask
let stale: string
/** Ids of things of the first firm, by the place of the parameter. */
let idIn: (url: string, name: string) => string
const onDate = visitDay
const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
const unit = { name: 'Loft', family: 'wall-head', design: {} }

beforeAll(async () => {
  house = await openHouse()
  endpoints = house.app.endpoints()
  const { technician: person } = await addFirm('a')
  await addFirm('b')
  technician = await signedIn(house.app, 'technician-a')
  const owner = await signedIn(house.app, 'owner-a')
  stranger = await signedIn(house.app, 'owner-b')
  const siteId = (await owner('POST', '/api/sites', { site, address: '', contact: '' })).json().id
  const unitId = (await owner('POST', `/api/sites/${siteId}/units`, unit)).json().id
  const jobId = (await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate, crewIds: [person.id] })).json().id
  const quote = await owner('POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 3 }] })
  expect(quote.statusCode).toBe(201)
  const ids: Record<string, string> = {
    sites: siteId,
    units: unitId,
    jobs: jobId,
    quotes: quote.json().id,
    messages: newId(),
    photos: newId(),
    sessions: newId(),
    people: String(person.id),
  }
  idIn = (url, name) => (name === 'unitId' ? unitId : name === 'photoId' ? newId() : ids[url.split('/')[2]])
  const signIn = await house.app.inject({
    method: 'POST',
    url: '/api/session',
    headers: { host: 'yastik.test', origin },
    payload: { signIn: 'owner-a', password: 'a long enough password' },
  })
  stale = signIn.cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
  const tokenHash = createHash('sha256').update(signIn.cookies[0].value).digest('hex')
  expect(await Session.update({ expiresAt: new Date(Date.now() - 1000) }, { where: { tokenHash } })).toEqual([1])
})
afterAll(() => house.close())

const filled = (url: string) => url.replace(/:(\w+)/g, (_, name: string) => idIn(url, name))
/** What an address asks besides, where it asks for something. */
const asking: Record<string, string> = { '/api/jobs/:id/late': '?startMin=600', '/api/jobs/:id/units/:unitId/instruments/camera': '?part=coilFace' }
const ask = (method: string, url: string, headers: Record<string, string> = {}, payload?: object) =>
  house.app.inject({
    method: method as 'GET',
    url,
    headers: { host: 'yastik.test', origin, ...headers },
    ...(payload && method !== 'GET' && method !== 'HEAD' ? { payload } : {}),
  })
const isClosed = ({ audience }: Declared) => audience !== 'anyone'
const closedOnes = () => endpoints.filter(isClosed)

describe('every endpoint', () => {
  /** For whoever runs the house: outside the table, and they name nobody. */
  const ofTheHouse = ['/health', '/ready']
  it('is of the table, and only signing in, whether it runs, and calendars by their secret address are for anyone', () => {
    const named = (own: { method: string; url: string; audience?: string }) => `${own.method} ${own.url} ${own.audience}`
    const table = Object.values(allEndpoints).map(({ method, path: url, who: audience }) => named({ method, url, audience }))
    expect(
      endpoints
        .filter(({ method, url }) => method !== 'HEAD' && !ofTheHouse.includes(url))
        .map(named)
        .sort(),
    ).toEqual(table.sort())
    expect(endpoints.length).toBeGreaterThan(60)
    const open = endpoints.filter((own) => !isClosed(own) && own.method !== 'HEAD').map(({ method, url }) => `${method} ${url}`)
    const bySecret = 'GET /api/calendars/:secret/visits.ics'
    expect([...open].sort()).toEqual([...ofTheHouse.map((url) => `GET ${url}`), bySecret, 'POST /api/session', 'POST /api/session/code'].sort())
  })
  it('turns down who is not signed in, whose session has run out, and who made one up', async () => {
    for (const { method, url } of closedOnes())
      for (const cookie of ['', stale, 'yastik_session=made-up', `${stale}; yastik_session=x`]) {
        const answer = await ask(method, filled(url), cookie ? { cookie } : {}, { any: 'thing' })
        expect(`${method} ${url} ${answer.statusCode}`).toBe(`${method} ${url} 401`)
      }
  })
  it('turns them down however the address is written', async () => {
    const ways: readonly ((url: string) => string)[] = [
      (url) => url.replace('/api', '/%61pi'),
      (url) => url.replace('/api', '/%61%70%69'),
      (url) => url.replace('/api/', '/api%2F'),
      (url) => `/${url}`,
      (url) => url.replace('/api/', '/api//'),
      (url) => `${url}/`,
      (url) => `${url}.`,
      (url) => `http://yastik.test${url}`,
      (url) => url.replace('/api', '/API'),
      (url) => `/pages/..${url}`,
      (url) => `/./${url.slice(1)}`,
      (url) => `${url};v=1`,
      (url) => `${url}?a=/api/session`,
    ]
    for (const { method, url } of closedOnes())
      for (const way of ways) {
        const written = way(filled(url))
        const answer = await ask(method, written, {}, {})
        expect([401, 404]).toContain(answer.statusCode)
        // The body is a sentence, never data.
        if (method !== 'HEAD') expect(Object.keys(answer.json()).sort()).toEqual(['code', 'lines', 'message', 'sentence'])
      }
  })
  it('answers no other method', async () => {
    for (const url of new Set(closedOnes().map((own) => own.url)))
      for (const method of ['OPTIONS', 'PATCH', 'TRACE', 'PROPFIND', 'HEAD']) {
        const declared = endpoints.some((own) => own.url === url && own.method === method)
        const answer = await ask(method, filled(url))
        expect(`${method} ${url} ${[401, 404].includes(answer.statusCode)}`).toBe(`${method} ${url} true`)
        if (!declared) expect(answer.statusCode).not.toBe(200)
      }
  })
  it('takes no writes from pages of another origin, with whatever session', async () => {
    const signedInAs = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin },
      payload: { signIn: 'owner-a', password: 'a long enough password' },
    })
    const cookie = signedInAs.cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
    for (const { method, url } of endpoints.filter((own) => own.method !== 'GET' && own.method !== 'HEAD'))
      for (const wrong of ['https://elsewhere.test', 'http://yastik.test.elsewhere.test', 'null', '']) {
        const answer = await ask(method, filled(url), { cookie, origin: wrong }, {})
        expect(`${method} ${url} ${wrong} ${answer.statusCode}`).toBe(`${method} ${url} ${wrong} 403`)
      }
  })
  it('of owners turns down a technician', async () => {
    for (const { method, url } of endpoints.filter(({ audience, method }) => audience === 'owner' && method !== 'HEAD')) {
      const answer = await technician(method as 'GET', filled(url), method === 'GET' ? undefined : {})
      expect(`${method} ${url} ${answer.statusCode}`).toBe(`${method} ${url} 403`)
    }
  })
  it('that names a thing of one firm says to another that it is not there', async () => {
    const bodies: Record<string, object> = {
      'PUT /api/jobs/:id/units/:unitId/photos/:photoId': Buffer.from('no picture'),
      'PUT /api/jobs/:id': { onDate, crewIds: [1], revision: 0 },
      'POST /api/jobs/:id/cancel': { revision: 0 },
      'POST /api/jobs/:id/late': { body: 'hello' },
      'POST /api/jobs/:id/events': { events: [{ id: newId(), atMs: 1, by: 1, happening: { type: 'note', unitId: newId(), text: 'hello' } }] },
      'PUT /api/people/:id': { name: 'Other', role: 'technician', trained: [], active: true },
      'PUT /api/sites/:id': { site, address: '', contact: '', version: 1 },
      'POST /api/sites/:id/erase': { version: 1 },
      'POST /api/sites/:id/units': unit,
      'POST /api/sites/:id/alike-units': { names: ['101', '102'], family: 'wall-head', design: {} },
      'PUT /api/units/:id': { ...unit, version: 1 },
      'PUT /api/quotes/:id': { offered: ['thorough'], adjustments: [], validUntil: onDate, version: 1 },
      'PUT /api/quotes/:id/units': { units: [{ unitId: newId(), coilGrade: 3 }], version: 1 },
      'POST /api/quotes/:id/message': { body: 'hello' },
      'POST /api/quotes/:id/accept': { option: 'thorough', onDate, crewIds: [1], version: 1 },
      'POST /api/quotes/:id/decline': { version: 1 },
      'POST /api/sites/:id/reminder': { body: 'hello' },
      'POST /api/sites/:id/retire': { retired: true },
      'POST /api/units/:id/retire': { retired: true },
    }
    const foreign = endpoints.filter(({ url, method }) => url.includes(':') && method !== 'HEAD')
    expect(foreign.length).toBeGreaterThan(25)
    for (const { method, url } of foreign) {
      const answer = await stranger(
        method as 'GET',
        filled(url) + (asking[url] ?? ''),
        method === 'GET' ? undefined : (bodies[`${method} ${url}`] ?? {}),
        url.includes('/photos/') ? { 'content-type': 'image/png' } : {},
      )
      expect(`${method} ${url} ${answer.statusCode}`).toBe(`${method} ${url} 404`)
    }
  })
})

describe('every answer', () => {
  it('is kept by nobody, unless it says so', async () => {
    for (const { method, url } of endpoints.filter((own) => own.method === 'GET')) {
      expect((await ask(method, filled(url))).headers['cache-control']).toBe('no-store')
      // Those that never end say it in their head: see the tests of the streams.
      if (!/\/(stream|instruments)$/.test(url)) expect((await technician('GET', filled(url))).headers['cache-control']).toMatch(/^(no-store|private)/)
    }
  })
})

describe('a route', () => {
  it('without a declared audience keeps the server from starting', async () => {
    const app = fastify()
    endpointsOf(app)
    app.get('/api/forgotten', () => 'everything')
    app.get('/api/known', { config: { audience: 'people' } }, () => 'something')
    await expect(app.ready()).rejects.toThrow('no audience is declared for GET /api/forgotten')
    await app.close()
  })
})

describe('the pages beside the interface', () => {
  it('give nothing of the data away however an address is written', async () => {
    const webRoot = mkdtempSync(join(tmpdir(), 'yastik-guard-'))
    writeFileSync(join(webRoot, 'index.html'), '<title>the sheet</title>')
    const app = await buildApp({ sequelize: house.sequelize, files: house.files, webRoot })
    try {
      for (const url of [
        '/api/sites',
        '/%61pi/sites',
        '//api/sites',
        '/api/../package.json',
        '/..%2f..%2fpackage.json',
        '/%2e%2e/%2e%2e/etc/passwd',
      ]) {
        const answer = await app.inject({ url, headers: { host: 'yastik.test' } })
        if (answer.statusCode === 200) expect(answer.body).toBe('<title>the sheet</title>')
        else expect(`${url} ${answer.statusCode}`).toMatch(/ 40[0134]$/)
      }
    } finally {
      await app.close()
      rmSync(webRoot, { recursive: true, force: true })
    }
  })
})

describe('a body of somebody who is turned down', () => {
  /** Sends the head of a large request, then as much as is taken; gives what was answered, what was taken, and how long it took. */
  const flooded = (port: number, head: string) =>
    new Promise<{ answer: string; sentMb: number; ms: number }>((done) => {
      const socket: Socket = connect(port, '127.0.0.1')
      const startedMs = Date.now()
      let answer = ''
      let taken = 0
      const block = 'x'.repeat(256 * 1024)
      const piece = Buffer.from(head.includes('chunked') ? `${block.length.toString(16)}\r\n${block}\r\n` : block)
      const more = () => {
        if (socket.destroyed || taken >= 60_000_000) return
        taken += piece.length
        if (socket.write(piece)) setImmediate(more)
        else socket.once('drain', more)
      }
      socket.on('data', (text) => (answer += text.toString()))
      socket.on('error', () => {})
      socket.on('close', () => done({ answer, sentMb: (socket.bytesWritten - head.length) / 1e6, ms: Date.now() - startedMs }))
      socket.write(head, more)
    })

  it('is not read: 60 MB are cut off at once, whatever they are sent to', async () => {
    await house.app.listen({ port: 0, host: '127.0.0.1' })
    const { port } = house.app.server.address() as AddressInfo
    const head = (line: string, more = '') =>
      `${line} HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\norigin: http://127.0.0.1:${port}\r\ncontent-type: application/json\r\n${more}\r\n`
    const length = 'content-length: 60000000\r\n'
    const heads: [string, number][] = [
      [head(`PUT ${filled('/api/jobs/:id/units/:unitId/photos/:photoId')}`, length), 401],
      [head('POST /api/bundle', length), 401],
      [head('POST /api/sites', length), 401],
      [head('POST /%61pi/sites', length), 401],
      [head('POST /api/nothing', length), 404],
      [head('POST /', length), 404],
      [head('POST /api/sites', 'transfer-encoding: chunked\r\n'), 401],
      [head('POST /api/sites', length).replace(/origin: [^\r]*/, 'origin: http://elsewhere.test'), 403],
    ]
    for (const [text, status] of heads) {
      const { answer, sentMb, ms } = await flooded(port, text)
      expect(answer.slice(0, 12)).toBe(`HTTP/1.1 ${status}`)
      // What the machine itself keeps on the way is not read by anybody.
      expect(sentMb).toBeLessThan(20)
      expect(ms).toBeLessThan(5000)
    }
  })
})
