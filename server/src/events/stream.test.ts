import { v7 as newId } from 'uuid'
import { StoredEvent, Unit } from '../db/models.ts'
import { addFirm, cookieOf, openHouse, signedIn, streamAs, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let base: string
let ask: Ask
let jobId: string
let unitId: string
let by: number
beforeAll(async () => {
  house = await openHouse()
  const { technician, firm } = await addFirm('a')
  await addFirm('b')
  by = technician.id
  ask = await signedIn(house.app, 'technician-a')
  const site = (
    await ask('POST', '/api/sites', { site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
  ).json()
  unitId = (await ask('POST', `/api/sites/${site.id}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json().id
  jobId = (await ask('POST', '/api/jobs', { siteId: site.id, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json().id
  expect(await Unit.count({ where: { firmId: firm.id } })).toBe(1)
  base = await house.app.listen({ port: 0, host: '127.0.0.1' })
})
afterAll(() => house.close())

const graded = (part: string) => ({ id: newId(), atMs: Date.now(), by, happening: { type: 'grade-set', unitId, part, grade: 2, kinds: [] } })
const store = (...events: object[]) => ask('POST', `/api/jobs/${jobId}/events`, { events })

/** Listens until `count` events came; returns their ids and the number of the last. */
async function listen(after: number, count: number, header?: string): Promise<{ ids: string[]; seq: number }> {
  const ids: string[] = []
  for await (const { data, id } of streamAs(
    'technician-a',
    house.app,
    `/api/jobs/${jobId}/stream?after=${after}`,
    header ? { 'last-event-id': header } : {},
  )) {
    ids.push(...(JSON.parse(data) as { events: { id: string }[] }).events.map((event) => event.id))
    if (ids.length >= count) return { ids, seq: Number(id) }
  }
  throw new Error('the stream ended')
}

describe('the stream of a job', () => {
  it('says what was stored since, within two seconds, each event once', async () => {
    const first = graded('wheel')
    await store(first)
    const { seq, events } = (await ask('GET', `/api/jobs/${jobId}`)).json()
    expect(events.at(-1).id).toBe(first.id)
    const heard = listen(seq, 2)
    const [second, third] = [graded('pan'), graded('filter')]
    const sentMs = Date.now()
    await store(second)
    await store(third, second)
    expect((await heard).ids).toEqual([second.id, third.id])
    expect(Date.now() - sentMs).toBeLessThan(5000)
  })
  it('goes on where it was after a break: the number in the header wins', async () => {
    const { seq } = (await ask('GET', `/api/jobs/${jobId}`)).json()
    const missed = graded('outlet')
    await store(missed)
    const { ids, seq: now } = await listen(0, 1, String(seq))
    expect(ids).toEqual([missed.id])
    expect(now).toBeGreaterThan(seq)
  })
  it('answers who asks for its head alone, and does not keep them waiting', async () => {
    const head = await fetch(`${base}/api/jobs/${jobId}/stream`, { method: 'HEAD', headers: { cookie: await cookieOf('technician-a', house.app) } })
    expect([head.status, head.headers.get('content-type'), await head.text()]).toEqual([200, 'text/event-stream', ''])
  })
  it('counts events within the job, in the order in which they were committed, however many write at once', async () => {
    const before = (await ask('GET', `/api/jobs/${jobId}`)).json().seq as number
    const batches = Array.from({ length: 12 }, () => [graded('wheel'), graded('pan')])
    const answers = await Promise.all(batches.map((events) => store(...events)))
    expect(answers.map(({ statusCode }) => statusCode)).toEqual(batches.map(() => 200))
    const { events, seq } = (await ask('GET', `/api/jobs/${jobId}`)).json()
    expect([seq, events.length]).toEqual([before + 24, before + 24])
    const places = (await StoredEvent.findAll({ where: { jobId }, order: [['place', 'ASC']] })).map(({ place }) => place)
    expect(places).toEqual(Array.from({ length: before + 24 }, (_, at) => at + 1))
    const { ids } = await listen(before, 24)
    expect(ids).toEqual(events.slice(before).map(({ id }: { id: string }) => id))
  })
  it('tells all of it to who counts otherwise, as pages of an earlier version do', async () => {
    const { seq } = (await ask('GET', `/api/jobs/${jobId}`)).json()
    expect((await listen(0, seq, '98765')).ids).toHaveLength(seq)
  })
  it('is closed to strangers, and asks for a number that is one', async () => {
    const path = `${base}/api/jobs/${jobId}/stream`
    expect((await fetch(path)).status).toBe(401)
    expect((await fetch(path, { headers: { cookie: await cookieOf('owner-b', house.app) } })).status).toBe(404)
    const odd = await fetch(`${path}?after=yesterday`, { headers: { cookie: await cookieOf('technician-a', house.app) } })
    expect(await odd.json()).toMatchObject({ code: 'does-not-hold-up', lines: [{ where: 'after', allowed: 'a number' }] })
  })
})
