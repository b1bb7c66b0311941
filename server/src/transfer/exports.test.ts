import ICAL from 'ical.js'
import papa from 'papaparse'
import sharp from 'sharp'
import { guessColumn, readSiteTable, type SiteRecord } from '@yastik/core/wire'
import { momentAt } from '@yastik/core/quantities'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import yauzl from 'yauzl'
import { DueDay, Job, Site, Unit } from '../db/models.ts'
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
  return papa.parse<string[]>(body.slice(1), { skipEmptyLines: true }).data
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
    expect(JSON.parse(double.body)).toMatchObject({ fault: { code: 'in-use', lines: [{ what: '“new ONE” is here already' }] } })
    const bad = await technician('POST', '/api/imports/sites', { sites: [{ form: form('New four'), units: [{ ...unit, family: 'chimney' }] }] })
    expect(bad.json().lines[0].where).toBe('sites[0].units[0].family')
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
  it('come in a zip with a list, for the owner alone', async () => {
    const unit = (await Unit.findOne())!
    const me = (await technician('GET', '/api/session')).json().id as number
    const jobId = (await technician('POST', '/api/jobs', { siteId: unit.siteId, unitIds: [unit.id], onDate: visitDay, crewIds: [me] })).json()
      .id as string
    const photoId = newId()
    const picture = await sharp({ create: { width: 80, height: 60, channels: 3, background: '#777' } })
      .png()
      .toBuffer()
    expect(
      (await technician('PUT', `/api/jobs/${jobId}/units/${unit.id}/photos/${photoId}`, picture, { 'content-type': 'image/png' })).statusCode,
    ).toBe(200)
    const happening = { type: 'photo-taken', unitId: unit.id, photoId, of: { part: 'coilFace', when: 'before' } }
    await technician('POST', `/api/jobs/${jobId}/events`, { events: [{ id: newId(), atMs: Date.now(), by: me, happening }] })
    const files = await unzipped((await owner('GET', '/api/exports/photographs.zip')).rawPayload)
    const list = JSON.parse(files.get('manifest.json')!.toString()).photographs as { file: string; of: object; unit: string }[]
    expect(list).toEqual([expect.objectContaining({ file: `photographs/${photoId}.png`, of: happening.of, unit: unit.name })])
    expect((await sharp(files.get(list[0].file)).metadata()).width).toBe(80)
    for (const name of ['photographs.zip', 'sites.csv', 'readings.csv', 'visits.ics'])
      expect((await technician('GET', `/api/exports/${name}`)).statusCode).toBe(403)
  })
})
