import { existsSync, mkdirSync, utimesSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import type { AuditPage, CustomerData, MessageRecord } from '@yastik/core/wire'
import gateway from '@yastik/stand-ins/messages'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { Job, Audit, Message, Photo, Reply, Stop, StoredEvent } from '../db/models.ts'
import { dayMs } from '../days.ts'
import { runOutbox } from '../messages/outbox.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'
import { clearKept } from './doings.ts'

let house: TestHouse
let owner: Ask
let by: number
let firmId: number
beforeAll(async () => {
  house = await openHouse()
  const added = await addFirm('a')
  by = added.owner.id
  firmId = added.firm.id
  await addFirm('b')
  owner = await signedIn(house.app, 'owner-a')
})
afterAll(() => house.close())

/** A customer with a visit: photographed, signed for, noted, handed over, written to, who answered STOP. */
async function customer(onDate = visitDay, to = `+00 555 ${String(Math.floor(Math.random() * 900) + 100)}3`) {
  const site = { name: 'Aldwin Marsh', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const reminders = { channel: 'text', to, agreedOn: '2026-01-10' }
  const { id: siteId } = (
    await owner('POST', '/api/sites', { site, address: '9 Fen Row', contact: 'Aldwin, after six', access: 'Aldwin’s dog', reminders })
  ).json()
  const { id: unitId } = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json()
  const { id: jobId } = (await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json()
  await Job.update({ onDate }, { where: { id: jobId } })
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#777' } })
    .jpeg()
    .toBuffer()
  const [photoId, signature] = [newId(), newId()]
  for (const id of [photoId, signature])
    await owner('PUT', `/api/jobs/${jobId}/units/${unitId}/photos/${id}`, picture, { 'content-type': 'image/jpeg' })
  const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
  const happenings = [
    { type: 'grade-set', part: 'coilBack', grade: 3, kinds: ['dust'] },
    { type: 'photo-taken', photoId },
    { type: 'note', text: 'Aldwin keeps the key' },
    { type: 'reading-taken', when: 'before', readings: { returnC: 26, returnRh: 0.5, supplyC: 19, supplyRh: 0.7, airflowM3h: 400 } },
    { type: 'method-agreed', decisions: [{ topic: 'scope', choice: 'open-clean', rule: 'r' }], steps: [step] },
    { type: 'step-done', stepId: 'isolate' },
    { type: 'signed', photoId: signature, name: 'Aldwin Marsh' },
    { type: 'handed-over', verdict: 'proved', customerText: 'Dear Aldwin Marsh, it is clean.' },
  ].map((happening, at) => ({ id: newId(), atMs: Date.now() + at, by, happening: { ...happening, unitId } }))
  const stored = await owner('POST', `/api/jobs/${jobId}/events`, { events: happenings })
  expect(stored.json().refused).toEqual([])
  const message = (await owner('POST', `/api/sites/${siteId}/reminder`, { body: 'Dear Aldwin' })).json() as MessageRecord
  for (const afterMs of [0, 4000, 9000]) await runOutbox(house.db, gateway, Date.now() + afterMs)
  return { siteId, unitId, jobId, photoId, signature, message, reminders }
}
const fileOf = (photoId: string) => join(house.filesRoot, String(firmId), `${photoId}.jpeg`)

describe('what is kept of a customer', () => {
  it('comes out whole, for owners alone, and that is on record without a name', async () => {
    const { siteId, message, photoId, signature } = await customer()
    const answer = await owner('GET', `/api/sites/${siteId}/customer`)
    const data = answer.json() as CustomerData
    expect(answer.headers['content-disposition']).toContain('attachment')
    expect(data).toMatchObject({
      format: 'yastik.customer/1',
      site: { address: '9 Fen Row', contact: 'Aldwin, after six' },
      units: [{ name: 'Loft' }],
      visits: [{ units: [{ name: 'Loft', told: 'Dear Aldwin Marsh, it is clean.', signedBy: 'Aldwin Marsh', notes: ['Aldwin keeps the key'] }] }],
      messages: [{ id: message.id, replies: [{ text: 'STOP' }] }],
    })
    expect(data.photographs.map(({ id }) => id).sort()).toEqual([photoId, signature].sort())
    const [entry] = ((await owner('GET', '/api/audit')).json() as AuditPage).entries
    expect(entry).toMatchObject({ what: 'customer-taken-out', about: `site ${siteId}` })
  })
  it('is erased on request: nothing of it is left but readings, in no table and no file', async () => {
    const { siteId, unitId, jobId, photoId, signature, reminders } = await customer()
    const address = reminders.to.replace(/[^\d+]/g, '')
    expect(await Stop.count({ where: { address } })).toBe(1)
    expect((await owner('POST', `/api/sites/${siteId}/erase`, { version: 9 })).statusCode).toBe(409)
    expect(existsSync(fileOf(photoId))).toBe(true)
    const erased = (await owner('POST', `/api/sites/${siteId}/erase`, { version: 1 })).json()
    expect(erased).toMatchObject({ version: 2, address: '', contact: '', site: { name: expect.stringMatching(/^Erased customer [\da-f]{6}$/) } })
    expect(erased.reminders).toBeUndefined()
    expect([existsSync(fileOf(photoId)), existsSync(fileOf(signature))]).toEqual([false, false])
    expect(await Stop.count({ where: { address } })).toBe(0)
    const all = JSON.stringify([
      (await owner('GET', `/api/sites/${siteId}/customer`)).json(),
      (await owner('GET', `/api/jobs/${jobId}`)).json(),
      await StoredEvent.findAll({ where: { jobId } }),
      await Message.findAll({ where: { siteId } }),
    ])
    expect(all).not.toMatch(/Aldwin|Marsh|Fen Row|STOP/)
    // Readings and grades stay, and with them the forecast.
    const { visits, dues } = (await owner('GET', `/api/units/${unitId}/outlook`)).json()
    expect([visits.length, dues.length > 0]).toEqual([1, true])
    const { entries } = (await owner('GET', '/api/audit')).json() as AuditPage
    expect(entries.find(({ what }) => what === 'customer-erased')).toMatchObject({ about: `site ${siteId}`, after: { photographs: 2, messages: 1 } })
  })
  it('leaves no word of it in any table, whichever field it was written in', async () => {
    const word = 'quibblefrost'
    const site = { name: word, setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const reminders = { channel: 'mail', to: `${word}@example.com`, agreedOn: '2026-01-10' }
    const { id: siteId } = (await owner('POST', '/api/sites', { site, address: word, contact: word, access: word, reminders })).json()
    const plate = { maker: word, model: word, serialNumber: word }
    const unit = await owner('POST', `/api/sites/${siteId}/units`, { name: word, family: 'wall-head', design: {}, ...plate })
    expect([unit.statusCode, unit.body]).toEqual([201, expect.any(String)])
    const unitId: string = unit.json().id
    const visit = await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })
    expect([visit.statusCode, visit.json().lines]).toEqual([201, undefined])
    const jobId: string = visit.json().id
    await Job.update({ calendarUid: word }, { where: { id: jobId } })
    const quote = (await owner('POST', '/api/quotes', { siteId, units: [{ unitId, coilGrade: 3 }] })).json()
    const change = { offered: quote.offered, adjustments: [{ what: word, amount: -5 }], validUntil: quote.validUntil, version: quote.version }
    expect((await owner('PUT', `/api/quotes/${quote.id}`, change)).statusCode).toBe(200)
    await owner('POST', `/api/sites/${siteId}/reminder`, { body: word })
    const step = {
      id: 'isolate',
      phase: 'isolate',
      title: `${word} it`,
      handsMin: 1,
      after: [],
      people: 1,
      equipment: [],
      cautions: [`${word} here`],
    }
    const happenings = [
      { type: 'school-chosen', school: 'rinseSchool', value: 'rinse', because: word },
      { type: 'choice-made', topic: 'scope', choice: 'open-clean', because: word },
      { type: 'method-agreed', decisions: [{ topic: 'scope', choice: 'open-clean', rule: 'r' }], steps: [step] },
      { type: 'step-skipped', stepId: 'isolate', because: word },
      { type: 'paused', because: word },
      { type: 'resumed' },
      { type: 'step-done', stepId: 'isolate' },
      { type: 'wait-shortened', stepId: 'isolate', text: word },
      { type: 'photo-left-out', stepId: 'isolate', because: word },
      { type: 'part-noted', item: word, need: 'changed' },
      { type: 'note', text: word },
      { type: 'exception-written', item: 'cover', kind: 'screw', short: 1, text: word },
      { type: 'handed-over', verdict: 'partly', customerText: word },
    ].map((happening, at) => ({ id: newId(), atMs: Date.now() + at, by, happening: { ...happening, unitId } }))
    expect((await owner('POST', `/api/jobs/${jobId}/events`, { events: happenings })).json().refused).toEqual([])
    /** Tables and columns in which the word stands; the record of who did what is kept as short as the firm says. */
    const standsIn = async () => {
      const [columns] = await house.sequelize.query(
        `SELECT table_name AS t, column_name AS c FROM information_schema.columns
         WHERE table_schema = DATABASE() AND table_name <> 'audit' AND data_type IN ('char', 'varchar', 'text', 'longtext')`,
      )
      const found: string[] = []
      for (const { t, c } of columns as { t: string; c: string }[]) {
        const [[{ n }]] = (await house.sequelize.query(`SELECT COUNT(*) AS n FROM \`${t}\` WHERE \`${c}\` LIKE '%${word}%'`)) as [
          [{ n: number }],
          unknown,
        ]
        if (Number(n) > 0) found.push(`${t}.${c}`)
      }
      return found.sort()
    }
    expect(await standsIn()).toEqual([
      ...['events.happening', 'job_units.seen', 'jobs.calendar_uid', 'messages.address', 'messages.body', 'quotes.body'],
      ...['sites.form', 'sites.name', 'units.name', 'units.plate'],
    ])
    expect((await owner('POST', `/api/sites/${siteId}/erase`, { version: 1 })).statusCode).toBe(200)
    expect(await standsIn()).toEqual([])
  })
  it('who ended being written to stays so where another site has the address', async () => {
    const [one, other] = [await customer('2026-11-27', '+00 555 9903'), await customer('2026-11-27', '+00 555 99-03')]
    const stops = () => Stop.count({ where: { address: '+005559903' } })
    expect(other.message).toMatchObject({ code: 'in-use' })
    expect(await stops()).toBe(1)
    await owner('POST', `/api/sites/${one.siteId}/erase`, { version: 1 })
    expect(await stops()).toBe(1)
    await owner('POST', `/api/sites/${other.siteId}/erase`, { version: 1 })
    expect(await stops()).toBe(0)
  })
})

describe('how long things are kept', () => {
  const clear = () => clearKept(house.db, house.files, Date.now())
  it('is for good where nothing is said, and by months where something is', async () => {
    const [old, young] = [await customer('2024-03-01'), await customer()]
    await Message.update({ madeAt: new Date(Date.now() - 500 * dayMs) }, { where: { id: old.message.id } })
    await Audit.update({ at: new Date(Date.now() - 900 * dayMs) }, { where: { what: 'signed-in' } })
    await clear()
    expect(existsSync(fileOf(old.photoId))).toBe(true)
    for (const months of [0, 1.5, 300, 'a year'])
      expect((await owner('PUT', '/api/retention', { photographs: months, messages: null, audit: null })).json().lines[0].where).toBe('photographs')
    expect((await owner('PUT', '/api/retention', { photographs: 12, messages: 12, audit: 24 })).statusCode).toBe(200)
    await clear()
    expect([existsSync(fileOf(old.photoId)), existsSync(fileOf(young.photoId))]).toEqual([false, true])
    expect([await Photo.count({ where: { jobId: old.jobId } }), await Photo.count({ where: { jobId: young.jobId } })]).toEqual([0, 2])
    expect([await Message.count({ where: { id: old.message.id } }), await Reply.count({ where: { messageId: old.message.id } })]).toEqual([0, 0])
    expect(await Message.count({ where: { id: young.message.id } })).toBe(1)
    expect(await Audit.count({ where: { what: 'signed-in' } })).toBe(0)
    expect(((await owner('GET', '/api/audit')).json() as AuditPage).entries[0]).toMatchObject({
      what: 'cleared',
      by: '',
      after: { photographs: 2, messages: 1 },
    })
  })
  it('never keeps files that nobody speaks of, but those that may be on their way', async () => {
    const { photoId } = await customer()
    const files = [newId(), newId()].map(fileOf)
    const draft = `${fileOf(newId())}.0123456789ab.part`
    for (const path of [...files, draft]) {
      mkdirSync(dirname(path), { recursive: true })
      writeFileSync(path, 'bytes')
    }
    const before = new Date(Date.now() - 2 * dayMs)
    for (const path of [files[0], draft, fileOf(photoId)]) utimesSync(path, before, before)
    await clear()
    expect([files[0], files[1], draft, fileOf(photoId)].map((path) => existsSync(path))).toEqual([false, true, false, true])
  })
})
