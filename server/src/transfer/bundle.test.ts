import { createHash } from 'node:crypto'
import type { Bundle } from '@yastik/core/wire'
import loadDemo from '@yastik/stand-ins/demo'
import { demoPassword } from '@yastik/stand-ins/demo/firm'
import { v7 as newId } from 'uuid'
import { DueDay, JobUnit, Photo, Site, StoredEvent, Unit } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let bundle: string
let stateThen: Awaited<ReturnType<typeof stateOf>>
let technicianGot: number[]
/** What lists show, without what differs by design: numbers of rows, people, and who saved. */
async function stateOf({ app }: TestHouse, name: string, password?: string) {
  const ask = await signedIn(app, name, password)
  const get = async (url: string) => (await ask('GET', url)).json()
  const due = await get('/api/due')
  const log = await get('/api/logbook')
  const ids = ((await get('/api/sites')).entries as { id: string }[]).map(({ id }) => id)
  const sites = await Promise.all(ids.map((id) => get(`/api/sites/${id}`)))
  return {
    due: due.entries,
    log: log.entries,
    sites: sites.map(({ version: _, units, ...site }: { version: number; units: object[] }) => ({
      ...site,
      units: units.map((unit) => ({ ...unit, version: undefined })),
    })),
    rules: (await get('/api/house-rules')).rules,
    products: (await get('/api/stores')).products,
    quotes: (await get('/api/quotes')).entries,
    messages: (await get('/api/messages')).entries,
    stock: (await get('/api/stock')).products,
    moves: (await get('/api/stock/moves')).entries,
    // Row by row, in the same order.
    readings: (await ask('GET', '/api/exports/readings.csv')).body.split('\r\n'),
  }
}
const send = (ask: Ask, text: string) => ask('POST', '/api/bundle', text, { 'content-type': 'application/vnd.yastik.bundle+json' })

beforeAll(async () => {
  // Models belong to one database at a time: this instance is closed before the next opens.
  const from = await openHouse()
  try {
    await loadDemo(from.db)
    const owner = await signedIn(from.app, 'mira', demoPassword)
    const technician = await signedIn(from.app, 'imre', demoPassword)
    // One that nobody goes to any more, and a unit of another.
    const form = (name: string) => ({ site: { name, setting: 'workshop', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
    const [kiosk, stall] = [
      (await owner('POST', '/api/sites', form('Closed kiosk'))).json(),
      (await owner('POST', '/api/sites', form('Stall'))).json(),
    ]
    const { id: unitId } = (await owner('POST', `/api/sites/${stall.id}/units`, { name: 'Old head', family: 'wall-head', design: {} })).json()
    for (const url of [`/api/sites/${kiosk.id}/retire`, `/api/units/${unitId}/retire`])
      expect((await owner('POST', url, { retired: true })).statusCode).toBe(200)
    stateThen = await stateOf(from, 'mira', demoPassword)
    bundle = (await owner('GET', '/api/bundle')).body
    technicianGot = [(await technician('GET', '/api/bundle')).statusCode, (await send(technician, bundle)).statusCode]
  } finally {
    await from.close()
  }
}, 60_000)

describe('the firm’s data as one file', () => {
  it('reads back to the same state in an empty instance', async () => {
    const to = await openHouse()
    try {
      await addFirm('new')
      const owner = await signedIn(to.app, 'owner-new')
      const receipt = (await send(owner, bundle)).json()
      const { jobs, units, photos } = JSON.parse(bundle) as { jobs: { events: object[] }[]; units: object[]; photos: object[] }
      expect(receipt).toMatchObject({ jobs: jobs.length, units: units.length, photosWithoutPicture: photos.length })
      expect(receipt.events).toBe(jobs.reduce((sum, { events }) => sum + events.length, 0))
      expect(receipt.codes.map(({ signIn }: { signIn: string }) => signIn).sort()).toEqual(['imre', 'mira', 'sanna'])
      expect(await stateOf(to, 'owner-new')).toEqual(stateThen)
      expect(await StoredEvent.count()).toBe(receipt.events)
      // And out again: the same but for when, the name of the firm, and who is there.
      const again = JSON.parse((await owner('GET', '/api/bundle')).body)
      const before = JSON.parse(bundle)
      for (const part of ['sites', 'units'])
        expect(again[part].filter(({ retiredAt }: { retiredAt?: string }) => retiredAt !== undefined)).toHaveLength(1)
      for (const part of ['sites', 'units', 'photos']) expect(again[part]).toEqual(before[part])
      expect(again.jobs.map(({ id, events }: { id: string; events: { id: string }[] }) => [id, events.map((event) => event.id)])).toEqual(
        before.jobs.map(({ id, events }: { id: string; events: { id: string }[] }) => [id, events.map((event) => event.id)]),
      )
      // Nobody whose password was not set here can sign in.
      await expect(signedIn(to.app, 'imre', demoPassword)).rejects.toThrow('wrong-sign-in')
    } finally {
      await to.close()
    }
  }, 120_000)
  it('holds no password, and is for the owner alone', () => {
    expect(bundle).not.toContain('scrypt')
    expect(technicianGot).toEqual([403, 403])
  })
})

describe('bundles that do not hold up', () => {
  let empty: TestHouse
  let owner: Ask
  beforeAll(async () => {
    empty = await openHouse()
    await addFirm('empty')
    owner = await signedIn(empty.app, 'owner-empty')
  })
  afterAll(() => empty.close())
  const changed = (change: (content: { units: { siteId: string }[]; checksum?: string }) => void) => {
    const content = JSON.parse(bundle)
    change(content)
    return JSON.stringify(content)
  }
  /** Changed by a program that reckons the checksum anew. */
  const resealed = (change: (content: { firm: Bundle['firm'] }) => void) => {
    const { checksum: _, ...content } = JSON.parse(bundle) as Bundle
    change(content)
    return JSON.stringify({ ...content, checksum: createHash('sha256').update(JSON.stringify(content)).digest('hex') })
  }
  it.each<[string, () => string, string]>([
    ['cut off in the middle', () => bundle.slice(0, bundle.length / 2), 'broken-off'],
    ['of a newer version', () => bundle.replace('yastik.bundle/1', 'yastik.bundle/2'), 'newer-format'],
    [
      'changed by hand',
      () => changed(({ units }) => (units[0].siteId = units[0].siteId.replace(/.$/, (last) => (last === '0' ? '1' : '0')))),
      'changed-content',
    ],
    ['with another checksum', () => bundle.replace(/(?<="checksum":")./, (first) => (first === '0' ? '1' : '0')), 'changed-content'],
    ['with own words that cannot be said', () => resealed(({ firm }) => (firm.wording = { en: { 'letters.late': '{x}' } })), 'does-not-hold-up'],
    ['no JSON', () => 'name;town', 'not-json'],
    ['something else', () => '{"format":"yastik.job/1"}', 'does-not-hold-up'],
  ])('%s: said, and nothing is half-read', async (_, text, code) => {
    const sent = text()
    expect(sent).not.toBe(bundle)
    const answer = await send(owner, sent)
    expect(answer.json().code).toBe(code)
    for (const model of [Site, Unit, JobUnit, StoredEvent, Photo, DueDay]) expect(await (model as typeof Site).count()).toBe(0)
  })
  it('a checksum is that of the bytes before it, for programs that write numbers otherwise', () => {
    const [content, rest] = bundle.split(',"checksum":"')
    expect(createHash('sha256').update(`${content}}`, 'utf8').digest('hex')).toBe(rest.slice(0, 64))
    expect(rest.slice(64)).toBe('"}')
  })
  it('spaces and line ends do not change a checksum', async () => {
    const pretty = JSON.stringify(JSON.parse(bundle), null, 2)
    expect((await send(owner, pretty)).statusCode).toBe(200)
    // A second time the firm is not empty any more.
    expect((await send(owner, pretty)).json().code).toBe('in-use')
  }, 60_000)
  it('whose ids another firm has already are turned down whole, whichever they are', async () => {
    await addFirm('other')
    const other = await signedIn(empty.app, 'owner-other')
    const content = JSON.parse(bundle) as Bundle
    const own = (ids: readonly string[]) => new Map(ids.map((id) => [id, newId()]))
    const places = own([...content.sites, ...content.units].map(({ id }) => id))
    const kinds: Record<string, Map<string, string>> = {
      sites: new Map(),
      jobs: places,
      events: new Map([...places, ...own(content.jobs.map(({ id }) => id))]),
      quotes: new Map([...places, ...own(content.jobs.flatMap(({ id, events }) => [id, ...events.map((event) => event.id)]))]),
    }
    for (const [taken, anew] of Object.entries(kinds)) {
      // Nobody of the other firm comes along; all ids are new but those of one kind.
      const text = [...anew].reduce((all, [id, fresh]) => all.replaceAll(id, fresh), JSON.stringify({ ...content, checksum: undefined }))
      const changed = JSON.parse(text.replaceAll(/"signIn":"(\w+)"/g, `"signIn":"$1-${taken}"`)) as object
      const checksum = createHash('sha256').update(JSON.stringify(changed)).digest('hex')
      const answer = await send(other, JSON.stringify({ ...changed, checksum }))
      expect(`${taken} ${answer.statusCode} ${answer.json().code}`).toBe(`${taken} 409 in-use`)
      expect((await other('GET', '/api/sites')).json().entries).toEqual([])
      expect((await other('GET', '/api/people')).json()).toHaveLength(2)
    }
  }, 60_000)
})
