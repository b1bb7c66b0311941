import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { FastifyInstance } from 'fastify'
import { buildApp } from './app.ts'
import { migrations } from './db/migrations.ts'
import { migrator } from './db/migrate.ts'
import { openHouse, type TestHouse } from './tests/database.ts'

let house: TestHouse
let app: FastifyInstance
const webRoot = mkdtempSync(join(tmpdir(), 'yastik-web-'))
beforeAll(async () => {
  mkdirSync(join(webRoot, 'assets'))
  writeFileSync(join(webRoot, 'index.html'), '<title>the sheet</title>')
  writeFileSync(join(webRoot, 'assets', 'view-1a2b.js'), 'export {}')
  house = await openHouse()
  app = await buildApp({ sequelize: house.sequelize, files: house.files, webRoot, secureCookies: true })
})
afterAll(async () => {
  await app.close()
  await house.close()
  rmSync(webRoot, { recursive: true, force: true })
})

describe('the pages', () => {
  it.each(['/', '/sites', '/jobs/a/b/method', '/logbook?unit=1'])('are served at %s, for the interface finds its own way', async (url) => {
    const answer = await app.inject({ url })
    expect(answer.statusCode).toBe(200)
    expect(answer.body).toContain('the sheet')
  })
  it('have assets that never change under their name, and are asked for again under their own', async () => {
    expect((await app.inject({ url: '/assets/view-1a2b.js' })).headers['cache-control']).toMatch(/immutable/)
    expect((await app.inject({ url: '/index.html' })).headers['cache-control']).not.toMatch(/immutable/)
  })
  it.each(['/assets/none.js', '/api/nothing', '/../package.json'])('do not answer for %s', async (url) => {
    const answer = await app.inject({ url })
    expect([401, 404]).toContain(answer.statusCode)
    expect(answer.body).not.toContain('the sheet')
  })
  it('are sent with HSTS where cookies are for TLS only', async () => {
    expect((await app.inject({ url: '/' })).headers['strict-transport-security']).toMatch(/max-age/)
    expect((await house.app.inject({ url: '/api/session' })).headers['strict-transport-security']).toBeUndefined()
  })
  it('ask for nothing of the device, and take styles and scripts from here alone', async () => {
    const { headers } = await app.inject({ url: '/' })
    expect(headers['permissions-policy']).toContain('geolocation=()')
    expect(headers['content-security-policy']).not.toContain('unsafe')
  })
  it('may not be framed', async () => expect((await app.inject({ url: '/' })).headers['content-security-policy']).toContain("frame-ancestors 'none'"))
})

describe('migrations', () => {
  it('have all run, and run again do nothing', async () => {
    const runner = migrator(house.sequelize)
    expect(await runner.pending()).toEqual([])
    expect((await runner.executed()).map(({ name }) => name)).toEqual(migrations.map(({ name }) => name))
    expect(await runner.up()).toEqual([])
  })
})
