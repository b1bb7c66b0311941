import type { MessageRecord } from '@yastik/core/wire'
import simulated from '@yastik/stand-ins/messages'
import { v7 as newId } from 'uuid'
import { DueDay, Message, Reply, Stop } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'
import { GatewayRefusal, type MessageGateway } from './gateway.ts'
import { runOutbox } from './outbox.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let other: Ask
let firmId: number
beforeAll(async () => {
  house = await openHouse()
  const { firm } = await addFirm('a')
  firmId = firm.id
  await addFirm('b')
  ;[owner, technician, other] = await Promise.all(['owner-a', 'technician-a', 'owner-b'].map((name) => signedIn(house.app, name)))
})
afterAll(() => house.close())
beforeEach(async () => {
  await Reply.destroy({ where: {} })
  await Message.destroy({ where: {} })
})

const form = (to?: string, agreedOn = '2026-01-10') => ({
  site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
  address: '',
  contact: '',
  ...(to ? { reminders: { channel: to.includes('@') ? 'mail' : 'text', to, agreedOn } } : {}),
})
const newSite = async (to?: string, agreedOn?: string) =>
  (await owner('POST', '/api/sites', form(to, agreedOn))).json() as { id: string; version: number }
const send = (siteId: string, body = 'Your units are due.') => owner('POST', `/api/sites/${siteId}/reminder`, { body })
const sent = async (siteId: string) => (await send(siteId)).json() as MessageRecord
const stateOf = async ({ id }: { id: string }) => (await Message.findByPk(id))!
const run = (afterMs: number, gateway: MessageGateway = simulated) => runOutbox(house.db, gateway, Date.now() + afterMs)

describe('consent', () => {
  it('is needed, and an address has to be one', async () => {
    const silent = await newSite()
    const refused = await send(silent.id)
    expect([refused.statusCode, refused.json().code]).toEqual([409, 'in-use'])
    expect(await Message.count()).toBe(0)
    for (const to of ['12', 'call me', 'nobody@', 'a@b']) expect((await owner('POST', '/api/sites', form(to))).statusCode).toBe(422)
    expect((await owner('GET', `/api/sites/${silent.id}/reminder`)).json()).toMatchObject({ hold: 'no-consent', to: null })
  })
  it('that ends while a message waits keeps the message back', async () => {
    const site = await newSite('+00 555 0108')
    const message = await sent(site.id)
    expect((await owner('PUT', `/api/sites/${site.id}`, { ...form(), version: site.version })).statusCode).toBe(200)
    await run(0)
    expect(await stateOf(message)).toMatchObject({ state: 'withheld', because: expect.stringContaining('consent') })
  })
  it('is ended by STOP for every site of that address, and given anew only on a later day', async () => {
    const [one, two] = [await newSite('+00 555 0103'), await newSite('+00 (555) 01-03')]
    const message = await sent(one.id)
    const waiting = await Message.create({
      ...(await stateOf(message)).get({ plain: true }),
      id: newId(),
      siteId: two.id,
      address: '+00-555-0103',
      nextAt: new Date(Date.now() + 20_000),
    })
    await run(0)
    expect((await stateOf(message)).state).toBe('sent')
    await run(8000)
    expect((await stateOf(message)).state).toBe('delivered')
    expect((await owner('GET', '/api/messages')).json().entries.find(({ id }: { id: string }) => id === message.id).replies).toEqual([
      expect.objectContaining({ text: 'STOP' }),
    ])
    // What was written before it came is not sent after it.
    await run(30_000)
    expect((await stateOf(waiting)).state).toBe('withheld')
    expect((await send(one.id)).json().sentence).toContain('asked for no more messages')
    const today = new Date().toISOString().slice(0, 10)
    expect((await owner('PUT', `/api/sites/${one.id}`, { ...form('+00 555 0103', today), version: one.version })).statusCode).toBe(200)
    expect((await send(one.id)).statusCode).toBe(409)
    const tomorrow = { ...form('+00 555 0103', '2099-01-01'), version: one.version + 1 }
    expect((await owner('PUT', `/api/sites/${one.id}`, tomorrow)).json().lines[0].where).toBe('reminders.agreedOn')
    await Stop.update({ stoppedOn: '2026-11-01' }, { where: { firmId } })
    expect((await owner('GET', `/api/sites/${one.id}/reminder`)).json().hold).not.toBe('stopped')
    await Stop.destroy({ where: { firmId } })
  })
})

describe('the outbox', () => {
  it('sends each message once, with the way to end it, whichever process is first', async () => {
    const site = await newSite('+00 555 0108')
    await sent(site.id)
    const bodies: string[] = []
    const gateway: MessageGateway = {
      ...simulated,
      send: async (message, nowMs) => {
        bodies.push(message.body)
        return simulated.send(message, nowMs)
      },
    }
    await Promise.all([run(0, gateway), run(0, gateway), run(0, gateway)])
    expect(bodies).toHaveLength(1)
    expect(bodies[0]).toMatch(/Answer STOP and we will not write again\.$/)
    await run(60, gateway)
    expect(bodies).toHaveLength(1)
  })
  it('tries again while the gateway is away, less and less often, and gives up in the end', async () => {
    const message = await sent((await newSite('+00 555 0101')).id)
    await run(0)
    expect(await stateOf(message)).toMatchObject({ state: 'waiting', tries: 1, because: 'the message gateway does not answer' })
    await run(16_000)
    expect((await stateOf(message)).state).toBe('sent')
    const dead = await sent((await newSite('+00 555 0105')).id)
    const away: MessageGateway = { ...simulated, send: () => Promise.reject(new Error('no line')) }
    const times: number[] = []
    for (let tries = 0; tries < 9; tries++) {
      const { nextAt } = await stateOf(dead)
      times.push(nextAt.getTime())
      await runOutbox(house.db, away, nextAt.getTime())
    }
    expect(await stateOf(dead)).toMatchObject({ state: 'failed', because: 'no line', tries: 9 })
    const gaps = times.slice(1).map((time, at) => time - times[at])
    expect(gaps).toEqual([...gaps].sort((a, b) => a - b))
    expect(gaps.at(-1)! / 3_600_000).toBeLessThanOrEqual(8)
  })
  it('does not try again what is refused, until somebody says so', async () => {
    const message = await sent((await newSite('+00 555 0110')).id)
    await run(0)
    expect(await stateOf(message)).toMatchObject({ state: 'failed', because: 'nobody has this address' })
    await run(3_600_000)
    expect((await stateOf(message)).tries).toBe(1)
    expect((await owner('POST', `/api/messages/${message.id}/retry`)).json().state).toBe('waiting')
    await expect(simulated.send({ id: message.id, channel: 'text', to: '+00 555 0110', body: '' }, 0)).rejects.toBeInstanceOf(GatewayRefusal)
  })
  it('says what failed on the way, and takes back only what still waits', async () => {
    const message = await sent((await newSite('guest2@mill.example')).id)
    await run(0)
    await run(5000)
    expect(await stateOf(message)).toMatchObject({ state: 'failed', because: expect.stringContaining('could not be delivered') })
    const taken = await sent((await newSite('+00 555 0108')).id)
    expect((await owner('POST', `/api/messages/${taken.id}/withdraw`)).json().state).toBe('withdrawn')
    await run(0)
    expect((await stateOf(taken)).state).toBe('withdrawn')
    expect((await owner('POST', `/api/messages/${taken.id}/withdraw`)).statusCode).toBe(409)
  })
})

describe('a reminder', () => {
  it('is drafted from what is due at the site, and says what was found', async () => {
    const site = await newSite('+00 555 0109')
    const unit = (await owner('POST', `/api/sites/${site.id}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json()
    const dueOn = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10)
    await DueDay.bulkCreate([
      { unitId: unit.id, siteId: site.id, firmId, what: 'deep-clean', dueOn, lowOn: null, highOn: null },
      { unitId: unit.id, siteId: site.id, firmId, what: 'filter', dueOn: '2026-01-01', lowOn: null, highOn: null },
    ])
    const draft = (await owner('GET', `/api/sites/${site.id}/reminder`)).json()
    expect(draft).toMatchObject({ hold: null, to: '+00 555 0109', body: expect.stringContaining('Loft is due in about') })
    expect(draft.body).not.toContain('filters')
    expect((await sent(site.id)).state).toBe('waiting')
    const entry = (await owner('GET', '/api/due')).json().entries.find(({ what }: { what: string }) => what === 'deep-clean')
    expect(entry).toMatchObject({ hold: 'lately', reminded: { state: 'waiting' }, worth: expect.any(Number) })
    expect(entry.worth).toBeGreaterThan(50)
    // Not twice within a fortnight.
    expect((await send(site.id)).json().sentence).toContain('within the last')
  })
  it('is the owner’s, of the firm’s own sites, and has a text', async () => {
    const site = await newSite('+00 555 0107')
    expect((await technician('GET', '/api/messages')).statusCode).toBe(403)
    expect((await technician('POST', `/api/sites/${site.id}/reminder`, { body: 'x' })).statusCode).toBe(403)
    expect((await other('GET', `/api/sites/${site.id}/reminder`)).statusCode).toBe(404)
    expect((await send(site.id, '  ')).statusCode).toBe(422)
    expect((await send(site.id, 'x'.repeat(1201))).statusCode).toBe(422)
    expect((await other('GET', '/api/messages')).json().entries).toEqual([])
  })
})
