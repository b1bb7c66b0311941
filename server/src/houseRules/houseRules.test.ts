import { dayIn, dayWords } from '@yastik/core/quantities'
import { v7 as newId } from 'uuid'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let by: number
let siteId: string
beforeAll(async () => {
  house = await openHouse()
  by = (await addFirm('a')).technician.id
  owner = await signedIn(house.app, 'owner-a')
  technician = await signedIn(house.app, 'technician-a')
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  siteId = (await technician('POST', '/api/sites', { site, address: '', contact: '' })).json().id
})
afterAll(() => house.close())

/** A whole run in which rinsing took so many minutes of ten planned. */
async function runWith(name: string, rinseMin: number): Promise<void> {
  const unitId = (await technician('POST', `/api/sites/${siteId}/units`, { name, family: 'wall-head', design: {} })).json().id as string
  const jobId = (await technician('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json().id as string
  const step = { id: 'rinse-coil', phase: 'rinse', title: 'Rinse', handsMin: 10, after: [], people: 1, equipment: [], cautions: [] }
  const startMs = Date.now() - 300 * 60_000
  const happenings: [number, object][] = [
    [0, { type: 'method-agreed', decisions: [], steps: [step] }],
    [1, { type: 'step-begun', stepId: step.id }],
    [1 + rinseMin, { type: 'step-done', stepId: step.id }],
    [2 + rinseMin, { type: 'handed-over', verdict: 'proved' }],
  ]
  const events = happenings.map(([atMin, happening]) => ({ id: newId(), atMs: startMs + atMin * 60_000, by, happening: { unitId, ...happening } }))
  expect((await technician('POST', `/api/jobs/${jobId}/events`, { events })).json().accepted).toHaveLength(events.length)
}

describe('step times from finished runs', () => {
  it('are what the runs say, outliers set aside, and change the rules only when the owner saves them', async () => {
    for (const [index, minutes] of [15, 16, 14, 15, 15, 60].entries()) await runWith(`Unit ${index}`, minutes)
    const { units, steps, people } = (await owner('GET', '/api/step-times')).json()
    // Five runs of one step say nothing of a person yet; one was set aside.
    expect(people).toEqual([{ id: by, name: 'Technician a', runs: 5, setAside: 1, pacePercent: 100 }])
    expect(units).toBe(6)
    expect(steps).toEqual([{ stepId: 'rinse-coil', title: 'Rinse', runs: 5, setAside: 1, factor: expect.closeTo(1.25, 1) }])
    const { rules, version } = (await owner('GET', '/api/house-rules')).json()
    expect(rules.stepTimes).toBeUndefined()
    const saved = await owner('PUT', '/api/house-rules', { rules: { ...rules, stepTimes: { 'rinse-coil': steps[0].factor } }, version })
    expect(saved.json().rules.stepTimes).toEqual({ 'rinse-coil': steps[0].factor })
  })
  it('are looked through by the owner alone, and hold within half and twice', async () => {
    expect((await technician('GET', '/api/step-times')).statusCode).toBe(403)
    const { rules, version } = (await owner('GET', '/api/house-rules')).json()
    expect((await owner('PUT', '/api/house-rules', { rules: { ...rules, stepTimes: { 'rinse-coil': 40 } }, version })).statusCode).toBe(422)
  })
})

describe('where the firm is', () => {
  const set = async (change: object) => {
    const { rules, version } = (await owner('GET', '/api/house-rules')).json()
    return owner('PUT', '/api/house-rules', { rules: { ...rules, ...change }, version })
  }
  const site = (agreedOn: string) => ({
    site: { name: 'Early Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    address: '',
    contact: '',
    reminders: { channel: 'text', to: '+00 555 0199', agreedOn },
  })
  // One of them has another day than UTC, at any hour.
  it.each(['Pacific/Kiritimati', 'Etc/GMT+12'])('days begin by its clocks: %s', async (timeZone) => {
    expect((await set({ timeZone })).statusCode).toBe(200)
    expect((await technician('GET', '/api/session')).json().place.timeZone).toBe(timeZone)
    const today = dayIn(Date.now(), timeZone)
    const tomorrow = dayIn(Date.now() + 86_400_000, timeZone)
    expect((await technician('POST', '/api/sites', site(today))).statusCode).toBe(201)
    const early = await technician('POST', '/api/sites', site(tomorrow))
    expect(early.statusCode).toBe(422)
    expect(early.json().lines).toMatchObject([
      { where: 'reminders.agreedOn', what: `${dayWords(tomorrow)} is in the future`, allowed: `${dayWords(today)} or before` },
    ])
  })
  it.each([
    ['timeZone', 'Middle/Nowhere', 'there is no such time zone'],
    ['currency', 'Taler', 'there is no such currency'],
  ])('%s is one that is known', async (name, value, what) => {
    const answer = await set({ [name]: value })
    expect(answer.statusCode).toBe(422)
    expect(answer.json().lines).toMatchObject([{ where: `rules.${name}`, what }])
  })
})
