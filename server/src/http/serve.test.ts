import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { endpoints } from '@yastik/core/wire'
import fastify from 'fastify'
import { serializerCompiler } from 'fastify-type-provider-zod'
import { Site } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'
import { endpointsOf } from './audience.ts'
import { handleErrors } from './errors.ts'
import { readByTable, serverOf, writePlainly } from './serve.ts'

let house: TestHouse
let ask: Ask
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  ask = await signedIn(house.app, 'owner-a')
})
afterAll(() => house.close())

/** An app of one endpoint that answers what nobody may. */
async function answering(answer: unknown, compiler: typeof serializerCompiler | typeof writePlainly) {
  const app = fastify()
  handleErrors(app)
  app.setValidatorCompiler(readByTable)
  app.setSerializerCompiler(compiler)
  endpointsOf(app)
  serverOf(app, house.db).reads(endpoints.clock, () => answer as { nowMs: number })
  const { statusCode, body } = await app.inject('/api/clock')
  await app.close()
  return { statusCode, body }
}

describe('an answer', () => {
  it('is held against the table in tests: one that says more or other is a fault of ours', async () => {
    expect((await answering({ nowMs: 5 }, serializerCompiler)).body).toBe('{"nowMs":5}')
    expect((await answering({ nowMs: 5, password: 'x' }, serializerCompiler)).statusCode).toBe(500)
    expect((await answering({ nowMs: 'noon' }, serializerCompiler)).statusCode).toBe(500)
  })
  it('leaves plainly on a day of work', async () => {
    expect(await answering({ nowMs: 5 }, writePlainly)).toEqual({ statusCode: 200, body: '{"nowMs":5}' })
  })
})

describe('what is sent', () => {
  it('is read by the table: each fault at its field, a strange address names nothing', async () => {
    const body = await ask('POST', '/api/sites', { site: { name: '', setting: 'moon' }, more: 1 })
    expect(body.statusCode).toBe(422)
    expect(body.json().lines.map(({ where }: { where: string }) => where)).toEqual(
      expect.arrayContaining(['site.name', 'site.setting', 'site.waterOnSite', 'address', 'more']),
    )
    expect((await ask('GET', '/api/today?day=yesterday')).json()).toMatchObject({ code: 'does-not-hold-up', lines: [{ where: 'day' }] })
    expect((await ask('GET', '/api/today')).json()).toMatchObject({ lines: [{ where: 'day', what: 'this is missing' }] })
    for (const id of ['none', '%00', '☂', "' OR 1=1 --", '../../etc/passwd', 'a'.repeat(90)])
      expect((await ask('GET', `/api/sites/${encodeURIComponent(id)}`)).json()).toMatchObject({ code: 'not-there' })
    expect((await ask('POST', '/api/sites')).json()).toMatchObject({ code: 'does-not-hold-up' })
  })
})

describe('a doing', () => {
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true } as const
  const put = (id: string) => ({ id, firmId: 1, name: 'Mill', form: { site, address: '', contact: '' }, savedBy: 'x' })
  const id = '0191a1b0-0000-7000-8000-000000000001'
  const failed = (errno: number) =>
    house.sequelize.query('SIGNAL SQLSTATE VALUE :state SET MYSQL_ERRNO = :errno', { replacements: { state: '40001', errno } })

  it('leaves nothing where it fails', async () => {
    await expect(
      house.db.change(async ({ transaction }) => {
        await Site.create(put(id), { transaction })
        throw new Error('in the middle')
      }),
    ).rejects.toThrow('in the middle')
    expect(await Site.findByPk(id)).toBeNull()
  })
  it.each([1213, 1205, 1020, 1317])('that the database turns down for the sake of others (%d) is done again from its start', async (errno) => {
    let runs = 0
    await house.db.change(async ({ transaction }) => {
      await Site.upsert(put(id), { transaction })
      if (++runs < 3) await failed(errno)
    })
    expect(runs).toBe(3)
    expect(await Site.count({ where: { id } })).toBe(1)
    await Site.destroy({ where: { id } })
  })
  it('that is turned down to the last says that it may be sent again', async () => {
    await expect(house.db.change(() => failed(1213))).rejects.toMatchObject({ code: 'busy', status: 503 })
  })
  it('that fails by itself is not done again', async () => {
    let runs = 0
    const wrong = house.db.change(async () => {
      runs++
      await house.sequelize.query('SELECT nothing FROM nowhere')
    })
    await expect(wrong).rejects.toThrow('nowhere')
    expect(runs).toBe(1)
  })
  it('that two do at once leaves both: one waits, or is done again', async () => {
    await Site.create(put(id))
    const grow = () =>
      house.db.change(async ({ transaction }) => {
        const own = await Site.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
        await own.update({ version: own.version + 1 }, { transaction })
      })
    await Promise.all(Array.from({ length: 12 }, grow))
    expect((await Site.findByPk(id))?.version).toBe(13)
    await Site.destroy({ where: { id } })
  })
  it('that finds its id taken says so', async () => {
    await Site.create(put(id))
    await expect(house.db.change(({ transaction }) => Site.create(put(id), { transaction }))).rejects.toMatchObject({ code: 'in-use' })
    await Site.destroy({ where: { id } })
  })
})

describe('the description for other programs', () => {
  it('is an OpenAPI document by a judgement that is not ours, and what stands in docs', async () => {
    const document = (await ask('GET', '/api/openapi.json')).json() as { openapi: string; paths: Record<string, Record<string, unknown>> }
    const kept = join(__dirname, '../../../docs/formats/openapi.json')
    expect(JSON.parse(readFileSync(kept, 'utf8'))).toEqual(document)
    const judge = join(dirname(require.resolve('@seriousme/openapi-schema-validator')), 'bin/validate-api-cli.js')
    expect(document.openapi).toMatch(/^3\.1\./)
    expect(JSON.parse(execFileSync(process.execPath, [judge, kept], { encoding: 'utf8' }))).toEqual({ valid: true })
    const described = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    )
    const table = Object.values(endpoints).map(({ method, path }) => `${method} ${path.replace(/:(\w+)/g, '{$1}')}`)
    expect(described.sort()).toEqual(table.sort())
  })
})
