import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { parse } from 'csv-parse/sync'
import ICAL from 'ical.js'
import sharp from 'sharp'
import { guessColumn, jsonSchemas, readSiteTable, type PhotographList, type SiteRecord } from '@yastik/core/wire'
import { momentAt } from '@yastik/core/quantities'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import yauzl from 'yauzl'
import { DueDay, Job, Site } from '../db/models.ts'
import { demoPassword, demoPlace } from '@yastik/stand-ins/demo/firm'
import loadDemo from '@yastik/stand-ins/demo'
import { openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
beforeAll(async () => {
  house = await openHouse()
  await loadDemo(house.db)
  owner = await signedIn(house.app, 'mira', demoPassword)
  technician = await signedIn(house.app, 'imre', demoPassword)
  await owner('GET', '/api/due')
}, 60_000)
afterAll(() => house.close())
const rowsOf = async (url: string) => {
  const { body, headers } = await owner('GET', url)
  expect(headers['content-type']).toContain('text/csv')
  expect(body.startsWith('\uFEFF')).toBe(true)
  // Strictly: every row has as many cells as the first.
  return parse(body, { bom: true, relax_column_count: false }) as string[][]
}
/** Everything in a zip, by name. */
const unzipped = (bytes: Buffer) =>
  new Promise<Map<string, Buffer>>((resolve, reject) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error)
      const files = new Map<string, Buffer>()
      zip.on('end', () => resolve(files)).on('error', reject)
      zip.on('entry', (entry: yauzl.Entry) =>
        zip.openReadStream(entry, (failed, stream) => {
          if (failed) return reject(failed)
          const parts: Buffer[] = []
          stream.on('data', (part: Buffer) => parts.push(part)).on('end', () => (files.set(entry.fileName, Buffer.concat(parts)), zip.readEntry()))
        }),
      )
      zip.readEntry()
    }),
  )

describe('sites and units as CSV', () => {
  it('reads back as what is stored', async () => {
    const [headings, ...rows] = await rowsOf('/api/exports/sites.csv')
    const { sites, faults } = readSiteTable(rows, headings.map(guessColumn))
    expect(faults).toEqual([])
    const ids = ((await owner('GET', '/api/sites')).json().entries as { id: string }[]).map(({ id }) => id)
    const stored = await Promise.all(ids.map(async (id) => (await owner('GET', `/api/sites/${id}`)).json() as SiteRecord))
    expect(sites.map(({ form, units }) => [form.site, units.map(({ design }) => design)])).toEqual(
      // Weather is of a day, not of a table.
      stored.map(({ site: { outdoorAir: _, ...site }, units }) => [site, units.map(({ design }) => design)]),
    )
  })
  it('never starts a cell with a formula', async () => {
    const site = { name: '=HYPERLINK("x")', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const id = (await owner('POST', '/api/sites', { site, address: '+49 1', contact: '@SUM(A1)' })).json().id as string
    const row = (await rowsOf('/api/exports/sites.csv')).find(([name]) => name.includes('HYPERLINK'))!
    expect(row.slice(0, 3)).toEqual([`'=HYPERLINK("x")`, "'+49 1", "'@SUM(A1)"])
    await Site.destroy({ where: { id } })
  })
  it('is taken in whole, or not at all', async () => {
    const form = (name: string) => ({ address: '', contact: '', site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true } })
    const unit = { name: 'Loft', family: 'wall-head', design: {} }
    const before = await Site.count()
    const good = [
      { form: form('New one'), units: [unit] },
      { form: form('New two'), units: [] },
    ]
    const said = (await technician('POST', '/api/imports/sites', { sites: good })).body.trim().split('\n')
    // How far it is, and last what was taken in.
    expect(said.map((line) => JSON.parse(line) as object)).toEqual([
      { rows: 2, of: 3 },
      { rows: 3, of: 3 },
      { receipt: { importId: expect.any(String) as string, sites: 2, units: 1 } },
    ])
    expect(await Site.count()).toBe(before + 2)
    const double = await technician('POST', '/api/imports/sites', {
      sites: [
        { form: form('New three'), units: [] },
        { form: form('new ONE'), units: [] },
      ],
    })
    expect(JSON.parse(double.body)).toMatchObject({ fault: { code: 'in-use', lines: [{ what: '“new ONE” already exists' }] } })
    const bad = await technician('POST', '/api/imports/sites', { sites: [{ form: form('New four'), units: [{ ...unit, family: 'chimney' }] }] })
    expect(JSON.parse(bad.body).fault.lines[0].where).toBe('sites[0].units[0].family')
    expect(await Site.count()).toBe(before + 2)
  })
})

describe('readings as CSV', () => {
  it('has a row for each that was taken', async () => {
    const [headings, ...rows] = await rowsOf('/api/exports/readings.csv')
    const at = (name: string) => headings.indexOf(name)
    expect(rows.length).toBeGreaterThan(20)
    for (const row of rows) {
      expect(['before', 'after']).toContain(row[at('when')])
      expect(Number(row[at('returnC')])).toBeGreaterThan(10)
      expect(new Date(row[at('takenAt')]).getTime()).toBeGreaterThan(0)
    }
  })
})

describe('visits and due days as iCalendar', () => {
  const calendar = async () => {
    const answer = await owner('GET', '/api/exports/visits.ics')
    expect(answer.headers['content-type']).toContain('text/calendar')
    return new ICAL.Component(ICAL.parse(answer.body) as never).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
  }
  it('is read by another package: whole days, each with an id that stays', async () => {
    const [first, second] = [await calendar(), await calendar()]
    expect(first.length).toBeGreaterThan(5)
    expect(new Set(first.map(({ uid }) => uid)).size).toBe(first.length)
    expect(second.map(({ uid }) => uid)).toEqual(first.map(({ uid }) => uid))
    // Whole days, but for visits of which a time was said.
    expect(first.filter(({ startDate }) => startDate.isDate).length).toBeGreaterThan(first.length / 2)
    const timed = await Job.findAll({ where: { startMin: { [Op.ne]: null } } })
    expect(timed.length).toBeGreaterThan(0)
    for (const { id, onDate, startMin } of timed) {
      const entry = first.find(({ uid }) => uid === `job-${id}@yastik`)
      expect(entry?.startDate.toJSDate().getTime()).toBe(momentAt(onDate, startMin ?? 0, demoPlace.timeZone))
    }
    expect(first.some(({ summary }) => /Due: Deep clean/.test(summary))).toBe(true)
  })
  it('says a day that moved under the same id', async () => {
    const due = (await DueDay.findOne({ where: { what: 'deep-clean' } }))!
    const day = new Date(Date.now() + 100 * 86_400_000).toISOString().slice(0, 10)
    await due.update({ dueOn: day })
    const event = (await calendar()).find(({ uid }) => uid === `due-${due.unitId}-deep-clean@yastik`)!
    expect(event.startDate.toString()).toBe(day)
    expect(event.sequence).toBeGreaterThan(0)
  })
})

describe('photographs as files', () => {
  const letters = 'Ольга, Ελένη, 東京, 김민준, สมชาย, محمد, Đặng 🜁'
  it('come in a zip with a list that others read by its schema: photographs and signatures, with names in any letters', async () => {
    const form = { setting: 'home', waterOnSite: true, foulDrainOnSite: true }
    const siteId = (await owner('POST', '/api/sites', { site: { ...form, name: letters }, address: '', contact: '' })).json().id as string
    const unitId = (await owner('POST', `/api/sites/${siteId}/units`, { name: `北側 ${letters}`, family: 'wall-head', design: {} })).json()
      .id as string
    const me = (await technician('GET', '/api/session')).json().id as number
    const jobId = (await technician('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [me] })).json().id as string
    const [photoId, plateId, signatureId] = [newId(), newId(), newId()]
    const pictures = {
      [photoId]: { format: 'png' as const, width: 80 },
      [plateId]: { format: 'jpeg' as const, width: 96 },
      [signatureId]: { format: 'png' as const, width: 120 },
    }
    for (const [id, { format, width }] of Object.entries(pictures)) {
      const picture = await sharp({ create: { width, height: 60, channels: 3, background: '#777' } })
        .toFormat(format)
        .toBuffer()
      const sent = await technician('PUT', `/api/jobs/${jobId}/units/${unitId}/photos/${id}`, picture, { 'content-type': `image/${format}` })
      expect(sent.statusCode).toBe(200)
    }
    const of = { part: 'coilFace', when: 'before' }
    const corner = (x: number, y: number) => ({ x, y })
    const region = [corner(0.1, 0.1), corner(0.9, 0.1), corner(0.9, 0.9), corner(0.1, 0.9)]
    const measure = { region, coveredShare: 0.4, low: 0.35, high: 0.45 }
    const happenings = [
      { type: 'photo-taken', unitId, photoId, of },
      { type: 'photo-measured', unitId, photoId, measure },
      { type: 'photo-taken', unitId, photoId: plateId, plate: true },
      { type: 'signed', unitId, photoId: signatureId, name: 'Ольга 東京' },
    ]
    const events = happenings.map((happening) => ({ id: newId(), atMs: Date.now(), by: me, happening }))
    expect((await technician('POST', `/api/jobs/${jobId}/events`, { events })).json().refused).toEqual([])
    const files = await unzipped((await owner('GET', '/api/exports/photographs.zip')).rawPayload)
    const list: unknown = JSON.parse(files.get('manifest.json')!.toString('utf8'))
    const fits = addFormats(new Ajv2020()).compile(jsonSchemas()['photographs.schema.json'])
    fits(list)
    expect(fits.errors).toBeNull()
    const own = (list as PhotographList).photographs.filter((entry) => entry.jobId === jobId)
    const named = { unit: `北側 ${letters}`, site: letters }
    expect(own).toHaveLength(3)
    expect(own).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ ...named, photoId, file: `photographs/${photoId}.png`, of, measure }),
        expect.objectContaining({ ...named, photoId: plateId, file: `photographs/${plateId}.jpg`, nameplate: true }),
        expect.objectContaining({ ...named, photoId: signatureId, file: `photographs/${signatureId}.png`, signedBy: 'Ольга 東京' }),
      ]),
    )
    for (const { photoId: id, file, width } of own) {
      const seen = await sharp(files.get(file!)).metadata()
      expect([seen.width, seen.format]).toEqual([width, pictures[id].format])
    }
    for (const name of ['photographs.zip', 'sites.csv', 'readings.csv', 'visits.ics'])
      expect((await technician('GET', `/api/exports/${name}`)).statusCode).toBe(403)
    // The same names in tables and calendars, as others read them.
    expect((await rowsOf('/api/exports/sites.csv')).some(([site]) => site === letters)).toBe(true)
    const calendar = new ICAL.Component(ICAL.parse((await owner('GET', '/api/exports/visits.ics')).body) as never)
    const entries = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
    expect(entries.find(({ uid }) => uid === `job-${jobId}@yastik`)?.summary).toBe(`${letters}: 北側 ${letters}`)
  })
})
