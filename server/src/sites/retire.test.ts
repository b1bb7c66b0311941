// Sites and units that nobody goes to any more: out of what is due and planned, not out of the past.
import type { Found, SitePage, SiteRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { DueDay } from '../db/models.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let owner: Ask
let other: Ask
let by: number
beforeAll(async () => {
  house = await openHouse()
  by = (await addFirm('a')).technician.id
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  owner = await signedIn(house.app, 'owner-a')
  other = await signedIn(house.app, 'technician-b')
})
afterAll(() => house.close())

async function newSite(name: string, units: readonly string[]) {
  const site = { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const { id: siteId } = (await ask('POST', '/api/sites', { site, address: `1 ${name} Lane`, contact: '' })).json() as SiteRecord
  const unitIds: string[] = []
  for (const unit of units) {
    const made = await ask('POST', `/api/sites/${siteId}/units`, { name: unit, family: 'wall-head', design: { ratedCoolingKw: 3.5 } })
    unitIds.push((made.json() as { id: string }).id)
  }
  return { siteId, unitIds }
}
const plan = (siteId: string, unitIds: readonly string[]) => ask('POST', '/api/jobs', { siteId, unitIds, onDate: visitDay, crewIds: [by] })
async function handOver(siteId: string, unitId: string) {
  const { id: jobId } = (await plan(siteId, [unitId])).json() as { id: string }
  const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
  const happenings = [
    { type: 'grade-set', part: 'coilFace', grade: 3, kinds: [] },
    { type: 'method-agreed', decisions: [{ topic: 'scope', choice: 'strip-down', rule: 'r' }], steps: [step] },
    { type: 'step-done', stepId: 'isolate' },
    { type: 'handed-over', verdict: 'proved' },
  ]
  const events = happenings.map((happening, at) => ({ id: newId(), atMs: Date.now() + at, by, happening: { unitId, ...happening } }))
  expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).statusCode).toBe(200)
}
const retireUnit = (id: string, retired: boolean, asked = ask) => asked('POST', `/api/units/${id}/retire`, { retired })
const retireSite = (id: string, retired: boolean) => ask('POST', `/api/sites/${id}/retire`, { retired })
const dues = (unitId: string) => DueDay.count({ where: { unitId } })
const list = async (query: string) => ((await ask('GET', `/api/sites?${query}`)).json() as SitePage).entries.map(({ name }) => name)

describe('a unit', () => {
  it('that is retired falls due no more and is not planned, keeps its past, and comes back as it was', async () => {
    const { siteId, unitIds } = await newSite('Mill', ['Loft', 'Hall'])
    const [loft, hall] = unitIds
    await handOver(siteId, loft)
    const before = await dues(loft)
    expect(before).toBeGreaterThan(0)
    expect((await retireUnit(loft, true)).json()).toMatchObject({ name: 'Loft', retiredAt: expect.any(String) })
    expect(await dues(loft)).toBe(0)
    expect((await plan(siteId, [hall, loft])).json()).toMatchObject({ code: 'in-use', sentence: expect.stringContaining('Loft is retired') })
    expect((await plan(siteId, [hall])).statusCode).toBe(201)
    expect((await ask('GET', `/api/units/${loft}/life`)).json().entries).toHaveLength(1)
    // The list of sites counts what is in use.
    expect(((await ask('GET', '/api/sites?find=Mill')).json() as SitePage).entries[0].units).toEqual(['Hall'])
    expect((await retireUnit(loft, false)).json()).toMatchObject({ retiredAt: null })
    expect(await dues(loft)).toBe(before)
  })
  it('is not retired while somebody is going to it; another one of the site is', async () => {
    const { siteId, unitIds } = await newSite('Barn', ['Stall', 'Loft'])
    await plan(siteId, [unitIds[0]])
    expect((await retireUnit(unitIds[0], true)).json()).toMatchObject({ code: 'in-use', sentence: expect.stringMatching(/planned for \d/) })
    expect((await retireUnit(unitIds[1], true)).statusCode).toBe(200)
    expect((await retireSite(siteId, true)).statusCode).toBe(409)
  })
  it('is retired once, however often it is said, and not by another firm', async () => {
    const { unitIds } = await newSite('Shed', ['Only'])
    const first = (await retireUnit(unitIds[0], true)).json().retiredAt as string
    expect((await retireUnit(unitIds[0], true)).json().retiredAt).toBe(first)
    expect((await retireUnit(unitIds[0], false, other)).statusCode).toBe(404)
    const noted = (await owner('GET', '/api/audit')).json().entries.filter(({ about }: { about: string }) => about === `unit ${unitIds[0]}`)
    expect(noted).toHaveLength(1)
  })
})

describe('a site', () => {
  it('that is retired leaves the list, the due days and the plans, and is found last, as retired', async () => {
    const { siteId, unitIds } = await newSite('Zinnia House', ['Bay'])
    await newSite('Zinnia Mews', ['Nook'])
    await handOver(siteId, unitIds[0])
    expect((await retireSite(siteId, true)).json()).toMatchObject({ retiredAt: expect.any(String) })
    expect(await list('find=Zinnia')).toEqual(['Zinnia Mews'])
    expect(await list('find=Zinnia&retired=true')).toEqual(['Zinnia House'])
    expect(await dues(unitIds[0])).toBe(0)
    expect((await plan(siteId, unitIds)).json()).toMatchObject({ code: 'in-use' })
    const found = (await ask('GET', '/api/find?words=Zinnia')).json() as Found
    expect(found.sites.map(({ name, isRetired }) => [name, isRetired])).toEqual([
      ['Zinnia Mews', false],
      ['Zinnia House', true],
    ])
    expect((await retireSite(siteId, false)).json()).toMatchObject({ retiredAt: null })
    expect(await list('find=Zinnia')).toEqual(['Zinnia House', 'Zinnia Mews'])
    expect(await dues(unitIds[0])).toBeGreaterThan(0)
  })
  it('that was cancelled on does not get its visit back while it is retired', async () => {
    const { siteId, unitIds } = await newSite('Cot', ['Nook'])
    const job = (await plan(siteId, unitIds)).json() as { id: string; revision: number; onDate: string }
    const cancelled = (await ask('POST', `/api/jobs/${job.id}/cancel`, { revision: job.revision })).json() as { revision: number }
    await retireSite(siteId, true)
    const back = () => ask('PUT', `/api/jobs/${job.id}`, { onDate: job.onDate, crewIds: [by], revision: cancelled.revision })
    expect((await back()).json()).toMatchObject({ code: 'in-use' })
    await retireSite(siteId, false)
    expect((await back()).statusCode).toBe(200)
  })
  it.each([{}, { retired: 'yes' }, { retired: true, more: 1 }])('says so where it is told %j', async (body) => {
    const { siteId } = await newSite('Hut', ['One'])
    expect((await ask('POST', `/api/sites/${siteId}/retire`, body)).statusCode).toBe(422)
  })
})
