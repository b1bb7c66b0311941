// What came in at once is taken back, but for what something happened to since.
import { told } from '../tests/inEnglish.ts'
import type { CalendarReceipt, ImportRecord, SiteRecord, TakenBack } from '@yastik/core/wire'
import { Job, Site, Unit } from '../db/models.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
let by: number
beforeAll(async () => {
  house = await openHouse()
  by = (await addFirm('a')).technician.id
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
})
afterAll(() => house.close())

const form = (name: string) => ({ site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: `${name} Lane`, contact: '' })
const unit = (name: string) => ({ name, family: 'wall-head', design: {} })
async function takeSites(...names: string[]): Promise<string> {
  const sites = names.map((name) => ({ form: form(name), units: [unit('One'), unit('Two')] }))
  const lines = (await ask('POST', '/api/imports/sites', { sites })).body.trim().split('\n')
  return (JSON.parse(lines.at(-1) ?? '') as { receipt: { importId: string } }).receipt.importId
}
const siteBy = async (name: string): Promise<SiteRecord> => {
  const { entries } = (await ask('GET', `/api/sites?find=${name}`)).json() as { entries: { id: string }[] }
  return (await ask('GET', `/api/sites/${entries[0].id}`)).json() as SiteRecord
}
const back = async (id: string, asked = ask) => asked('POST', `/api/imports/${id}/take-back`)
const imports = async () => (await ask('GET', '/api/imports')).json() as ImportRecord[]

describe('sites that came from a table', () => {
  it('go with their units, once, as if they had not come; and can come again', async () => {
    const id = await takeSites('Ash', 'Elm')
    const [newest] = await imports()
    expect(newest).toMatchObject({ id, kind: 'sites', counts: { sites: 2, units: 4 }, madeBy: 'Technician a', takenBackAt: null })
    expect((await back(id, other)).statusCode).toBe(404)
    expect((await back(id)).json()).toEqual({ takenBack: 2, kept: [], keptInAll: 0 })
    expect([await Site.count({ where: { importId: id } }), await Unit.count({ where: { importId: id } })]).toEqual([0, 0])
    expect((await back(id)).statusCode).toBe(409)
    expect((await imports())[0].takenBackAt).not.toBeNull()
    expect(await takeSites('Ash', 'Elm')).not.toBe(id)
  })
  it('stay where something happened to them since, each with its reason', async () => {
    const names = ['Visited', 'Saved', 'Unit saved', 'Unit added', 'Retired', 'Untouched']
    const id = await takeSites(...names)
    const visited = await siteBy('Visited')
    await ask('POST', '/api/jobs', { siteId: visited.id, unitIds: [visited.units[0].id], onDate: visitDay, crewIds: [by] })
    const saved = await siteBy('Saved')
    await ask('PUT', `/api/sites/${saved.id}`, { ...form('Saved'), contact: 'Ring twice', version: saved.version })
    const [first] = (await siteBy('Unit saved')).units
    await ask('PUT', `/api/units/${first.id}`, { ...unit('One'), hoursPerDay: 9, version: first.version })
    await ask('POST', `/api/sites/${(await siteBy('Unit added')).id}/units`, unit('Three'))
    await ask('POST', `/api/sites/${(await siteBy('Retired')).id}/retire`, { retired: true })
    const { takenBack, kept, keptInAll } = (await back(id)).json() as TakenBack
    expect([takenBack, keptInAll]).toEqual([1, 5])
    expect(Object.fromEntries(told(kept).map(({ what, because }) => [what, because]))).toEqual({
      Visited: 'a visit is planned or was made there',
      Saved: 'somebody has changed it since',
      'Unit saved': 'somebody has changed it since',
      'Unit added': 'somebody has changed it since',
      Retired: 'somebody has changed it since',
    })
    expect(await Site.count({ where: { name: names } })).toBe(5)
    expect((await siteBy('Visited')).units).toHaveLength(2)
  })
})

describe('visits that came from a calendar', () => {
  const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  const entry = (uid: string, on: string, ...more: string[]) =>
    ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261101T000000Z', `DTSTART;VALUE=DATE:${on.replaceAll('-', '')}`, ...more, 'END:VEVENT'].join('\r\n')
  const send = async (...entries: string[]) => {
    const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//', ...entries, 'END:VCALENDAR', ''].join('\r\n')
    return (await ask('POST', '/api/imports/visits', { text, take: { setAside: 0 } })).json() as CalendarReceipt & { importId: string }
  }
  const jobOf = async (uid: string) => (await Job.findOne({ where: { calendarUid: uid } }))!

  it('are as they were before: planned ones go, moved and cancelled ones stand where they stood', async () => {
    await takeSites('Birch')
    await send(entry('moves', day(5), 'LOCATION:Birch'), entry('ends', day(6), 'LOCATION:Birch'))
    const { importId, taken } = await send(
      entry('comes', day(7), 'LOCATION:Birch'),
      entry('moves', day(9), 'LOCATION:Birch', 'SEQUENCE:3'),
      entry('ends', day(6), 'LOCATION:Birch', 'SEQUENCE:2', 'STATUS:CANCELLED'),
    )
    expect(taken).toEqual({ planned: 1, moved: 1, cancelled: 1 })
    const ended = await jobOf('ends')
    expect(ended.closed).toBe(true)
    expect((await back(importId)).json()).toEqual({ takenBack: 3, kept: [], keptInAll: 0 })
    expect(await Job.count({ where: { calendarUid: 'comes' } })).toBe(0)
    expect(await jobOf('moves')).toMatchObject({ onDate: day(5), closed: false })
    expect(await jobOf('ends')).toMatchObject({ onDate: day(6), closed: false, cancelledAt: null })
    // Who looked at it while it was cancelled has seen another one.
    expect((await jobOf('ends')).revision).toBeGreaterThan(ended.revision)
  })
  it('stay where they are handed over, on the day on which they were', async () => {
    await takeSites('Dogwood')
    await send(entry('done', day(5), 'LOCATION:Dogwood'))
    const { importId } = await send(entry('done', day(3), 'LOCATION:Dogwood', 'SEQUENCE:4'))
    await Job.update({ closed: true }, { where: { calendarUid: 'done' } })
    expect(told((await back(importId)).json())).toMatchObject({ takenBack: 0, kept: [{ because: 'it has been handed over' }] })
    expect(await jobOf('done')).toMatchObject({ onDate: day(3), closed: true })
  })
  it('stay where somebody moved them since, or work has begun', async () => {
    await takeSites('Cedar')
    const { importId } = await send(
      entry('moved', day(4), 'LOCATION:Cedar'),
      entry('begun', day(5), 'LOCATION:Cedar'),
      entry('idle', day(6), 'LOCATION:Cedar'),
    )
    const moved = await jobOf('moved')
    await ask('PUT', `/api/jobs/${moved.id}`, { onDate: day(8), crewIds: [by], revision: moved.revision })
    const begun = await jobOf('begun')
    const [{ id: unitId }] = (await siteBy('Cedar')).units
    const event = { id: crypto.randomUUID(), atMs: Date.now(), by, happening: { unitId, type: 'grade-set', part: 'coilFace', grade: 2, kinds: [] } }
    await ask('POST', `/api/jobs/${begun.id}/events`, { events: [event] })
    const { takenBack, kept } = (await back(importId)).json() as TakenBack
    expect(takenBack).toBe(1)
    expect(
      told(kept)
        .map(({ because }) => because)
        .sort(),
    ).toEqual(['somebody has moved or cancelled it since', 'work has started there'])
    expect(await Job.count({ where: { calendarUid: ['moved', 'begun', 'idle'] } })).toBe(2)
  })
})
