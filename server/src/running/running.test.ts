// Health, readiness and figures, and the lines of the access log.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildApp } from '../app.ts'
import { configFrom } from '../config.ts'
import { migrationNames } from '../db/migrations.ts'
import { DueDay, Message } from '../db/models.ts'
import { folderStore } from '../files/folderStore.ts'
import { addFirm, openHouse, origin, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

const token = 'a word for the gatherer of figures'
let house: TestHouse
let app: Awaited<ReturnType<typeof buildApp>>
let ask: Ask
let logged: Record<string, unknown>[]
const webRoot = mkdtempSync(join(tmpdir(), 'yastik-web-'))
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  logged = []
  writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>Yastik</title>')
  app = await buildApp({
    sequelize: house.sequelize,
    files: house.files,
    webRoot,
    metricsToken: token,
    log: 'access',
    logTo: { write: (line) => void logged.push(JSON.parse(line) as Record<string, unknown>) },
  })
  ask = await signedIn(app, 'owner-a')
})
afterAll(async () => {
  await app.close()
  await house.close()
  rmSync(webRoot, { recursive: true, force: true })
})
const get = (url: string, headers: Record<string, string> = {}) => app.inject({ method: 'GET', url, headers })

describe('a process', () => {
  it('says that it lives, and that it may be sent work', async () => {
    expect((await get('/health')).json()).toEqual({ alive: true })
    const ready = await get('/ready')
    expect(ready.statusCode).toBe(200)
    expect(ready.json()).toEqual({ ready: true, database: 'ok', migrations: 'ok', files: 'ok' })
    expect(ready.headers['cache-control']).toBe('no-store')
  })
  it('is not sent work while a migration is missing', async () => {
    const last = migrationNames.at(-1) ?? ''
    await house.sequelize.query('DELETE FROM migrations WHERE name = ?', { replacements: [last] })
    const ready = await get('/ready')
    expect([ready.statusCode, ready.json().migrations]).toEqual([503, '1 have not run'])
    await house.sequelize.query('INSERT INTO migrations (name) VALUES (?)', { replacements: [last] })
    expect((await get('/ready')).statusCode).toBe(200)
  })
  it('is not sent work while nothing can be kept, or no database answers; it lives all the same', async () => {
    const file = join(webRoot, 'no folder')
    writeFileSync(file, '')
    const closed = await buildApp({ sequelize: house.sequelize, files: folderStore(join(file, 'below')) })
    const { statusCode, ...answer } = await closed.inject({ method: 'GET', url: '/ready' })
    expect([statusCode, answer.json()]).toEqual([503, { ready: false, database: 'ok', migrations: 'ok', files: 'nothing can be kept' }])
    await closed.close()
    const failing = jest.spyOn(house.sequelize, 'query').mockRejectedValue(new Error('gone'))
    const without = await get('/ready')
    failing.mockRestore()
    expect([without.statusCode, without.json()]).toEqual([
      503,
      { ready: false, database: 'it does not answer', migrations: 'not known', files: 'ok' },
    ])
    expect((await get('/health')).statusCode).toBe(200)
  })
})

describe('figures', () => {
  it('are for whoever brings the word alone, and not there where none was agreed on', async () => {
    expect((await get('/metrics')).statusCode).toBe(401)
    expect((await get('/metrics', { authorization: `Bearer ${token.slice(0, -1)}x` })).statusCode).toBe(401)
    expect((await ask('GET', '/metrics')).statusCode).toBe(401)
    expect((await house.app.inject({ method: 'GET', url: '/metrics', headers: { authorization: `Bearer ${token}` } })).statusCode).toBe(404)
  })
  it('count requests by route, and say what the pool, the streams, the messages and the forecasts do', async () => {
    const form = { site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' }
    const { id: siteId } = (await ask('POST', '/api/sites', form)).json() as { id: string }
    const unit = { name: 'Loft', family: 'wall-head', design: {} }
    const { id: unitId } = (await ask('POST', `/api/sites/${siteId}/units`, unit)).json() as { id: string }
    const firmId = 1
    await DueDay.create({ unitId, siteId, firmId, what: 'deep-clean', dueOn: '2026-01-01', lowOn: null, highOn: null })
    const message = { firmId, siteId, kind: 'reminder', channel: 'text', address: '+00 555 0199', body: 'hello', madeBy: 'Mira' } as const
    await Message.create({ id: siteId, ...message, nextAt: new Date(), madeAt: new Date(), changedAt: new Date() })
    await ask('GET', `/api/sites/${siteId}`)
    await get('/nowhere')
    const answer = await get('/metrics', { authorization: `Bearer ${token}` })
    expect(answer.headers['content-type']).toContain('text/plain')
    const figure = (line: string) => Number(new RegExp(`^${line.replace(/[{}"/:.]/g, '\\$&')} (.*)$`, 'm').exec(answer.body)?.[1])
    expect(figure('yastik_http_request_seconds_count{method="GET",route="/api/sites/:id",status="200"}')).toBeGreaterThan(0)
    expect(figure('yastik_http_request_seconds_count{method="GET",route="unknown",status="404"}')).toBe(1)
    expect(figure('yastik_db_pool_connections{state="idle"}')).toBeGreaterThanOrEqual(0)
    expect([figure('yastik_streams_open'), figure('yastik_messages{state="waiting"}')]).toEqual([0, 1])
    expect([figure('yastik_units_foretold'), figure('yastik_units_overdue')]).toEqual([1, 1])
    // No address of a thing, and nobody's.
    expect(answer.body).not.toMatch(/[\da-f]{8}-[\da-f]{4}|555 0199|Mira/)
  })
})

describe('the log', () => {
  it('has a line an answer: its route, status and time, by an id that the answer carries; nobody and nothing is named', async () => {
    logged.length = 0
    const answer = await ask('GET', '/api/sites?find=Lindqvist')
    const id = answer.headers['x-request-id']
    expect(id).toMatch(/^[\da-f-]{36}$/)
    expect(logged).toEqual([expect.objectContaining({ reqId: id, method: 'GET', route: '/api/sites', status: 200, ms: expect.any(Number) })])
    expect(JSON.stringify(logged)).not.toMatch(/Lindqvist|owner-a|yastik.test/)
  })
  it('takes the id of a proxy, where it is one', async () => {
    expect((await get('/health', { 'x-request-id': 'from-the-proxy-1' })).headers['x-request-id']).toBe('from-the-proxy-1')
    for (const odd of ['short', 'with spaces in it', 'x'.repeat(65)])
      expect((await get('/health', { 'x-request-id': odd })).headers['x-request-id']).not.toBe(odd)
  })
  it.each([
    ['YASTIK_LOG', 'all', 'YASTIK_LOG is all; allowed: faults or access'],
    ['YASTIK_METRICS_TOKEN', 'short', 'YASTIK_METRICS_TOKEN has 5 characters; allowed: 16 or more'],
  ])('is set by the environment, and says so where %s is %s', (name, value, says) => {
    const env = { YASTIK_PORT: '0', YASTIK_DB_PORT: '3306', YASTIK_DB_USER: 'u', YASTIK_DB_PASSWORD: 'p', YASTIK_DB_NAME: 'n', YASTIK_FILES: '/f' }
    expect(configFrom(env).log).toBe('access')
    expect(() => configFrom({ ...env, [name]: value })).toThrow(says)
  })
})

describe('an address', () => {
  it.each([
    ['/', 200],
    ['/sites', 200],
    ['/sites/17', 200],
    ['/jobs/1/2/method?from=today', 200],
    ['/admin', 404],
    ['/jobs/1/2', 404],
    ['/.env', 404],
    ['/wp-login.php', 404],
    ['/api/nowhere', 404],
  ])('%s answers %d', async (url, status) => expect((await get(url)).statusCode).toBe(status))
  it('that is none of the interface’s shows it all the same, so that a person reads what is wrong', async () => {
    expect((await get('/admin')).body).toContain('<title>Yastik</title>')
    expect((await app.inject({ method: 'POST', url: '/admin', headers: { origin, host: new URL(origin).host } })).statusCode).toBe(404)
  })
})
