// What is due by visit: one line a site.
import type { DueVisits } from '@yastik/core/wire'
import { dayMs, utcDay } from '../days.ts'
import { DueDay, Job, Unit } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
let by: number
let firmId: number
beforeAll(async () => {
  house = await openHouse()
  const { firm, technician } = await addFirm('a')
  ;[by, firmId] = [technician.id, firm.id]
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'technician-b')
})
afterAll(() => house.close())

const inDays = (days: number) => utcDay(Date.now() + days * dayMs)
async function newSite(name: string, units: readonly string[]) {
  const site = { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const { id: siteId } = (await ask('POST', '/api/sites', { site, address: `1 ${name} Lane`, contact: '' })).json() as { id: string }
  const made = await Promise.all(
    units.map(async (unit) => (await ask('POST', `/api/sites/${siteId}/units`, { name: unit, family: 'wall-head', design: {} })).json() as Unit),
  )
  return { siteId, unitIds: made.map(({ id }) => id) }
}
const due = (siteId: string, unitId: string, what: DueDay['what'], days: number) =>
  DueDay.create({ siteId, unitId, what, firmId, dueOn: inDays(days), lowOn: inDays(days - 20), highOn: inDays(days + 20), family: 'wall-head' })
const dueWithin = async (weeks: 0 | 4 | 13, asked = ask) => (await asked('GET', `/api/due/visits?weeks=${weeks}`)).json() as DueVisits
const names = async (weeks: 0 | 4 | 13) => (await dueWithin(weeks)).entries.map(({ siteName }) => siteName)

describe('what is due by visit', () => {
  it('is a line a site, soonest first, with the units that are due by then, their worth counted once', async () => {
    const mill = await newSite('Mill', ['Loft', 'Hall', 'Porch'])
    const barn = await newSite('Barn', ['Stall'])
    await due(mill.siteId, mill.unitIds[0], 'light-clean', 5)
    await due(mill.siteId, mill.unitIds[0], 'deep-clean', 8)
    await due(mill.siteId, mill.unitIds[1], 'light-clean', 20)
    await due(mill.siteId, mill.unitIds[2], 'deep-clean', 80)
    await due(barn.siteId, barn.unitIds[0], 'pan-treatment', -3)
    const { entries, next } = await dueWithin(4)
    expect(next).toBeNull()
    expect(entries.map(({ siteName, dueOn, units }) => [siteName, dueOn, units.map(({ unitName }) => unitName)])).toEqual([
      ['Barn', inDays(-3), ['Stall']],
      ['Mill', inDays(5), ['Hall', 'Loft']],
    ])
    const [, { worth, address, units }] = entries
    expect(address).toBe('1 Mill Lane')
    expect(units[1].dues.map(({ what }) => what)).toEqual(['light-clean', 'deep-clean'])
    // A deep clean does the light one's work too.
    const single = (await ask('GET', '/api/due')).json().entries as { unitName: string; what: string; worth: number }[]
    const worthOf = (unit: string, kind: string) => single.find(({ unitName, what }) => unitName === unit && what === kind)?.worth ?? NaN
    expect(worth).toBeCloseTo(worthOf('Loft', 'deep-clean') + worthOf('Hall', 'light-clean'), 6)
    // Nobody pays for a pan treatment alone.
    expect(entries[0].worth).toBeNull()
    expect(await names(0)).toEqual(['Barn'])
    expect((await dueWithin(13)).entries[1].units).toHaveLength(3)
    expect((await dueWithin(13, other)).entries).toEqual([])
  })
  it('leaves filters to those who live there, and washes them along', async () => {
    const cot = await newSite('Cot', ['Nook'])
    await due(cot.siteId, cot.unitIds[0], 'filter', -10)
    expect(await names(4)).not.toContain('Cot')
    await due(cot.siteId, cot.unitIds[0], 'fine-filter', 2)
    const { entries } = await dueWithin(4)
    const own = entries.find(({ siteName }) => siteName === 'Cot')
    expect(own?.dueOn).toBe(inDays(2))
    expect(own?.units[0].dues.map(({ what }) => what)).toEqual(['filter', 'fine-filter'])
  })
  it('knows which of its units somebody is already going to, and who went last', async () => {
    const inn = await newSite('Inn', ['Bar', 'Snug'])
    for (const unitId of inn.unitIds) await due(inn.siteId, unitId, 'deep-clean', 1)
    const ofInn = async () => (await dueWithin(4)).entries.find(({ siteName }) => siteName === 'Inn')
    expect(await ofInn()).toMatchObject({ planned: [], lastCrewIds: [] })
    const plan = { siteId: inn.siteId, unitIds: [inn.unitIds[1]], onDate: inDays(3), crewIds: [by] }
    const { id: jobId } = (await ask('POST', '/api/jobs', plan)).json() as { id: string }
    expect(await ofInn()).toMatchObject({ planned: [{ jobId, onDate: inDays(3), unitIds: [inn.unitIds[1]] }], lastCrewIds: [by] })
    const single = (await ask('GET', '/api/due')).json().entries as { unitName: string; plannedOn: string | null }[]
    const plannedOf = (unit: string) => single.find(({ unitName }) => unitName === unit)?.plannedOn
    expect([plannedOf('Snug'), plannedOf('Bar')]).toEqual([inDays(3), null])
    // One that nobody made on its day is no plan any more, and neither is one that was cancelled.
    await Job.update({ onDate: inDays(-2) }, { where: { id: jobId } })
    expect(await ofInn()).toMatchObject({ planned: [] })
    await Job.update({ onDate: inDays(3), closed: true, cancelledAt: new Date() }, { where: { id: jobId } })
    expect(await ofInn()).toMatchObject({ planned: [], lastCrewIds: [] })
  })
  it('comes page by page, without a gap or a double', async () => {
    const many = await Promise.all(Array.from({ length: 55 }, (_, at) => newSite(`Row ${at}`, ['One'])))
    // Many on one day: the id decides.
    await Promise.all(many.map(({ siteId, unitIds }, at) => due(siteId, unitIds[0], 'deep-clean', at % 3)))
    const pages = [await dueWithin(4)]
    for (let next = pages[0].next; next; next = pages.at(-1)?.next ?? null)
      pages.push((await ask('GET', `/api/due/visits?weeks=4&after=${encodeURIComponent(next)}`)).json() as DueVisits)
    const all = pages.flatMap(({ entries }) => entries)
    expect(pages.length).toBe(2)
    expect(new Set(all.map(({ siteId }) => siteId)).size).toBe(all.length)
    expect(all.filter(({ siteName }) => siteName.startsWith('Row '))).toHaveLength(55)
    expect(all.map(({ dueOn }) => dueOn)).toEqual(all.map(({ dueOn }) => dueOn).sort())
  })
  it.each(['weeks=5', 'weeks=soon', '', 'weeks=4&after=nonsense'])('says so where it is asked %s', async (query) =>
    expect((await ask('GET', `/api/due/visits?${query}`)).statusCode).toBe(422),
  )
})
