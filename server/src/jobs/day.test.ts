import { dayWords } from '@yastik/core/quantities'
import type { DayOutlook } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { dayMs, utcDay } from '../days.ts'
import { Job } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
let me: number
beforeAll(async () => {
  house = await openHouse()
  me = (await addFirm('a')).technician.id
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
})
afterAll(() => house.close())

const day = '2026-05-31'
const later = utcDay(Date.now() + 3 * dayMs)
/** @param onDate on which it is, whether that is past or not */
async function newJob(units = 1, onDate = day) {
  const form = { name: 'Place', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const site = (await ask('POST', '/api/sites', { site: form, address: '', contact: '' })).json()
  const unitIds: string[] = []
  for (let index = 0; index < units; index++)
    unitIds.push((await ask('POST', `/api/sites/${site.id}/units`, { name: `Unit ${index}`, family: 'wall-head', design: {} })).json().id)
  const job = (await ask('POST', '/api/jobs', { siteId: site.id, unitIds, onDate: visitDay, crewIds: [me] })).json()
  await Job.update({ onDate }, { where: { id: job.id } })
  return { unitIds, job }
}
const send = (jobId: string, events: unknown[]) => ask('POST', `/api/jobs/${jobId}/events`, { events })

describe('the day of a visit', () => {
  const form = async () => {
    const { unitIds, job } = await newJob(1, visitDay)
    return { siteId: job.siteId as string, unitIds, crewIds: [me] }
  }
  it.each([
    ['yesterday', -1, 'is in the past'],
    ['years ahead', 800, 'is too far in the future'],
  ])('is none that is %s', async (_, days, what) => {
    const onDate = utcDay(Date.now() + days * dayMs)
    const answer = await ask('POST', '/api/jobs', { ...(await form()), onDate })
    expect([answer.statusCode, answer.json().lines[0]]).toMatchObject([422, { where: 'onDate', what: `${dayWords(onDate)} ${what}` }])
  })
  it.each(['1999-12-31', '2100-01-01'])('is in our time: not %s', async (onDate) => {
    expect((await ask('POST', '/api/jobs', { ...(await form()), onDate })).json().lines[0]).toMatchObject({
      where: 'onDate',
      what: 'this date is too far away',
    })
  })
  it('that is over may be given to others, and is moved to no other day that is over', async () => {
    const { job } = await newJob()
    const change = (onDate: string) => ask('PUT', `/api/jobs/${job.id}`, { onDate, crewIds: [me], revision: 0 })
    expect((await change('2026-05-30')).statusCode).toBe(422)
    expect((await change(day)).statusCode).toBe(200)
  })
})

describe('the time of a visit', () => {
  const move = (job: { id: string }, change: object) => ask('PUT', `/api/jobs/${job.id}`, { onDate: visitDay, crewIds: [me], revision: 0, ...change })
  it('is said, stays where nothing is said of it, and is taken away', async () => {
    const { job } = await newJob(1, visitDay)
    expect(job.startMin).toBeNull()
    expect((await move(job, { startMin: 545 })).json()).toMatchObject({ startMin: 545, revision: 1 })
    expect((await move(job, { onDate: later, revision: 1 })).json()).toMatchObject({ startMin: 545, onDate: later })
    expect((await move(job, { startMin: null, revision: 2 })).json().startMin).toBeNull()
  })
  it.each([1440, -1, 9.5])('is one of the day: not %d', async (startMin) => {
    const { job } = await newJob()
    expect((await move(job, { startMin })).json().lines[0].where).toBe('startMin')
  })
  it('of a visit that was cancelled is still seen on its day, and can be taken back', async () => {
    const { job } = await newJob(1, visitDay)
    await ask('POST', `/api/jobs/${job.id}/cancel`, { revision: 0 })
    const seen = async () => (await ask('GET', `/api/today?day=${visitDay}`)).json().today.find(({ id }: { id: string }) => id === job.id)
    expect(await seen()).toMatchObject({ cancelled: true })
    expect((await ask('GET', `/api/jobs/${job.id}`)).json()).toMatchObject({ cancelled: true, revision: 1 })
    await move(job, { revision: 1 })
    expect(await seen()).toMatchObject({ cancelled: false, revision: 2 })
    expect((await ask('GET', `/api/jobs/${job.id}`)).json().cancelled).toBe(false)
  })
})

describe('how a day will go', () => {
  type Visit = DayOutlook['visits'][number]
  const outlookOf = async (jobId: string, on = day): Promise<Visit | undefined> =>
    ((await ask('GET', `/api/day?day=${on}`)).json() as DayOutlook).visits.find((visit) => visit.jobId === jobId)
  it('is told before anybody looked: by forecast, with what is special, and what each does first', async () => {
    const { job, unitIds } = await newJob(2)
    const visit = await outlookOf(job.id)
    expect(visit).toMatchObject({ beganAtMs: null, endedAtMs: null, unseen: 2, special: expect.arrayContaining(['ladder']) })
    expect(visit?.leftMin).toBeGreaterThan(60)
    expect(visit?.next).toMatchObject([
      { userId: me, unitId: expect.stringMatching(unitIds.join('|')), title: { key: expect.stringMatching(/^procedure\./) } },
    ])
  })
  it('says when work began by the clocks of that day, and less is left the more is done', async () => {
    const { job, unitIds } = await newJob()
    const [unitId] = unitIds
    const morningMs = Date.parse(`${day}T08:00:00Z`)
    // What was said the day before, with a quote, is no work.
    const told = {
      id: newId(),
      by: me,
      atMs: morningMs - 86_400_000,
      happening: { type: 'complaint-set', unitId, complaint: 'smell', present: true },
    }
    await send(job.id, [told])
    const before = await outlookOf(job.id)
    expect(before?.beganAtMs).toBeNull()
    const step = (id: string, after: string[]) => ({
      ...{ id, phase: 'rinse', title: id, handsMin: 40, after, people: 1, equipment: [], cautions: [] },
    })
    const steps = [step('first', []), step('second', ['first'])]
    const at = (minute: number, happening: object) => ({
      id: newId(),
      atMs: morningMs + minute * 60_000,
      by: me,
      happening: { unitId, ...happening },
    })
    await send(job.id, [at(0, { type: 'method-agreed', decisions: [], steps })])
    const agreed = await outlookOf(job.id)
    expect(agreed).toMatchObject({ beganAtMs: morningMs, endedAtMs: null, next: [{ title: 'first' }] })
    await send(job.id, [at(5, { type: 'step-begun', stepId: 'first' }), at(45, { type: 'step-done', stepId: 'first' })])
    const half = await outlookOf(job.id)
    expect(half?.leftMin).toBe((agreed?.leftMin ?? 0) - 40)
    expect(half?.next).toMatchObject([{ title: 'second' }])
    await send(job.id, [at(46, { type: 'step-begun', stepId: 'second' }), at(86, { type: 'step-done', stepId: 'second' })])
    await send(job.id, [at(90, { type: 'handed-over', verdict: 'partly' })])
    expect(await outlookOf(job.id)).toMatchObject({ leftMin: 0, endedAtMs: morningMs + 90 * 60_000, next: [] })
  })
  it('says what a site has not, and that somebody goes up', async () => {
    const form = { name: 'Roof', setting: 'home', waterOnSite: false, foulDrainOnSite: false }
    const site = (await ask('POST', '/api/sites', { site: form, address: '', contact: '' })).json()
    const unitId = (await ask('POST', `/api/sites/${site.id}/units`, { name: 'Roof unit', family: 'rv-rooftop', design: {} })).json().id
    const { id } = (await ask('POST', '/api/jobs', { siteId: site.id, unitIds: [unitId], onDate: visitDay, crewIds: [me] })).json()
    expect((await outlookOf(id, visitDay))?.special).toEqual(expect.arrayContaining(['roof', 'no-water', 'no-drain']))
  })
  it('says nothing of what was cancelled, nor of another firm', async () => {
    const { job } = await newJob()
    expect(await outlookOf(job.id)).toBeDefined()
    await ask('POST', `/api/jobs/${job.id}/cancel`, { revision: 0 })
    expect(await outlookOf(job.id)).toBeUndefined()
    expect((await other('GET', `/api/day?day=${day}`)).json().visits).toEqual([])
  })
})

describe('a customer who waits', () => {
  const ofCustomer = async (reminders?: object) => {
    const site = { name: 'The Waiting Room', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const { id: siteId } = (await ask('POST', '/api/sites', { site, address: '', contact: '', ...(reminders ? { reminders } : {}) })).json()
    const { id: unitId } = (await ask('POST', `/api/sites/${siteId}/units`, { name: 'Head', family: 'wall-head', design: {} })).json()
    return (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [me], startMin: 780 })).json().id as string
  }
  it('is told a new time by a draft, which goes nowhere without consent or a gateway', async () => {
    const jobId = await ofCustomer()
    const draft = (await ask('GET', `/api/jobs/${jobId}/late?startMin=821`)).json()
    expect(draft).toMatchObject({ hold: 'no-consent', body: expect.stringContaining('The Waiting Room at about 13:45 instead of 13:00') })
    expect((await ask('POST', `/api/jobs/${jobId}/late`, { body: draft.body })).statusCode).toBe(409)
    const told = await ofCustomer({ channel: 'text', to: '+00 555 0177', agreedOn: '2026-01-01' })
    expect((await ask('GET', `/api/jobs/${told}/late?startMin=821`)).json()).toMatchObject({ hold: null, to: '+00 555 0177' })
  })
  it('was given no time: nobody waits', async () => {
    const { job } = await newJob()
    expect((await ask('GET', `/api/jobs/${job.id}/late?startMin=821`)).statusCode).toBe(409)
    expect((await ask('GET', `/api/jobs/${job.id}/late?startMin=1500`)).statusCode).toBe(422)
  })
})
