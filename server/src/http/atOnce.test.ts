// What is sent twenty times at the same moment is there once; what changes the same stock at the same moment waits its turn.
import type { LightMyRequestResponse } from 'fastify'
import { Job, Message, Quote, Site, StockLot } from '../db/models.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let siteId: string
let unitId: string
let me: number
const form = (name: string) => ({
  site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true },
  address: name,
  contact: '',
  reminders: { channel: 'mail', to: 'somebody9@example.com', agreedOn: '2026-01-10' },
})
beforeAll(async () => {
  house = await openHouse()
  const { firm } = await addFirm('a')
  await firm.update({
    products: [{ id: 'foam', name: 'Foam', class: 'self-rinsing-foam', label: { indoorSafe: true, aluminiumSafe: true, rinse: 'self-rinsing' } }],
  })
  owner = await signedIn(house.app, 'owner-a')
  siteId = (await owner('POST', '/api/sites', form('A site'))).json().id
  unitId = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Head', family: 'wall-head', design: {} })).json().id
  me = (await owner('GET', '/api/session')).json().id
})
afterAll(() => house.close())

const twenty = (send: () => Promise<LightMyRequestResponse>) => Promise.all(Array.from({ length: 20 }, send))
const statuses = (answers: LightMyRequestResponse[]) => [...new Set(answers.map(({ statusCode }) => statusCode))].sort()

it('a visit', async () => {
  const answers = await twenty(() => owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [me], startMin: 540 }))
  expect(statuses(answers)).toEqual([201])
  expect(new Set(answers.map((answer) => answer.json().id)).size).toBe(1)
  expect(await Job.count()).toBe(1)
  // Another time of the same day is another visit.
  expect((await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [me], startMin: 600 })).statusCode).toBe(201)
  expect(await Job.count()).toBe(2)
})
it('a quote', async () => {
  const answers = await twenty(() => owner('POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 3 }] }))
  expect(statuses(answers)).toEqual([201])
  expect(await Quote.count()).toBe(1)
  await owner('POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 4 }] })
  expect(await Quote.count()).toBe(2)
})
it('a reminder', async () => {
  const answers = await twenty(() => owner('POST', `/api/sites/${siteId}/reminder`, { body: 'It is time again.' }))
  expect(statuses(answers)).toEqual([201, 409])
  expect(await Message.count()).toBe(1)
})
it('an import of sites, and of a calendar', async () => {
  const before = await Site.count()
  await Promise.all([1, 2, 3].map(() => owner('POST', '/api/imports/sites', { sites: [{ form: form('Imported'), units: [] }] })))
  expect(await Site.count()).toBe(before + 1)
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'BEGIN:VEVENT', 'UID:once', `DTSTART;VALUE=DATE:${visitDay.replaceAll('-', '')}`]
    .concat(['SUMMARY:A site', 'END:VEVENT', 'END:VCALENDAR'])
    .join('\r\n')
  const visits = await Job.count()
  await Promise.all([1, 2, 3].map(() => owner('POST', '/api/imports/visits', { text, take: { setAside: 0 } })))
  expect(await Job.count()).toBe(visits + 1)
})
it('moves of a lot that is not there yet, forty at once: each counts', async () => {
  const answers = await Promise.all(
    Array.from({ length: 40 }, () => owner('POST', '/api/stock', { productId: 'foam', kind: 'bought', litres: 0.5, lot: 'new' })),
  )
  expect(answers.filter(({ statusCode }) => statusCode >= 300).map((answer) => answer.body)).toEqual([])
  expect((await StockLot.findOne({ where: { lot: 'new' }, rejectOnEmpty: true })).litres).toBeCloseTo(20)
})
it('an event that cannot be stored fails none of its batch', async () => {
  const { id: jobId } = (await Job.findOne({ rejectOnEmpty: true })).get()
  const note = (last: number, text: string) => ({
    id: `00000000-0000-7000-8000-${String(last).padStart(12, '0')}`,
    atMs: Date.now(),
    by: me,
    happening: { type: 'note', unitId, text },
  })
  const odd = { ...note(3, 'odd'), happening: { type: 'note', unitId: 'ünit', text: 'odd' } }
  const answer = await owner('POST', `/api/jobs/${jobId}/events`, { events: [note(1, 'one'), odd, note(2, 'two')] })
  expect(answer.statusCode).toBe(200)
  expect(answer.json()).toMatchObject({ accepted: [note(1, '').id, note(2, '').id], refused: [{ id: odd.id }] })
})
it.each(['99999999999999999999', '-1'])('an entry of a calendar with the number %s is a fault of that entry', async (sequence) => {
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'BEGIN:VEVENT', 'UID:numbered', `SEQUENCE:${sequence}`]
    .concat([`DTSTART;VALUE=DATE:${visitDay.replaceAll('-', '')}`, 'SUMMARY:A site', 'END:VEVENT', 'END:VCALENDAR'])
    .join('\r\n')
  const answer = await owner('POST', '/api/imports/visits', { text })
  expect([answer.statusCode, answer.json().rows?.[0]?.faults[0]?.where]).toEqual([200, 'SEQUENCE'])
})
