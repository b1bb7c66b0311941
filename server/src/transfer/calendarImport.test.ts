import { told } from '../tests/inEnglish.ts'
import type { CalendarReceipt, JobCard } from '@yastik/core/wire'
import { Job, JobUnit } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let owner: Ask
let other: Ask
let me: number
let siteId: string
let unitId: string
/** The days below are ahead. */
const notFaked = [
  'setTimeout',
  'clearTimeout',
  'setInterval',
  'clearInterval',
  'setImmediate',
  'clearImmediate',
  'nextTick',
  'queueMicrotask',
  'hrtime',
  'performance',
] as const
beforeAll(async () => {
  jest.useFakeTimers({ now: Date.parse('2026-11-27T10:00:00Z'), doNotFake: [...notFaked] })
  house = await openHouse()
  me = (await addFirm('a')).technician.id
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  owner = await signedIn(house.app, 'owner-a')
  other = await signedIn(house.app, 'owner-b')
  // Clocks of firm a are ahead of UTC; firm b has named none.
  await owner('PUT', '/api/house-rules', { rules: { timeZone: 'Europe/Vienna' }, version: 1 })
  const form = (name: string, address: string) => ({
    site: { name, setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    address,
    contact: '',
  })
  siteId = (await ask('POST', '/api/sites', form('Mill', '4 Alder Rise'))).json().id
  unitId = (await ask('POST', `/api/sites/${siteId}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json().id
  await ask('POST', '/api/sites', form('Empty', '5 Alder Rise'))
})
afterAll(() => house.close())

const event = (uid: string, ...lines: string[]) => ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'].join('\r\n')
const calendar = (...events: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//', ...events, 'END:VCALENDAR', ''].join('\r\n')
/** Two and a half hours ahead of UTC all year; known by no other name. */
const ownZone = [
  ...['BEGIN:VTIMEZONE', 'TZID:Firm Clock', 'BEGIN:STANDARD', 'DTSTART:19700101T000000', 'TZOFFSETFROM:+0230', 'TZOFFSETTO:+0230', 'END:STANDARD'],
  'END:VTIMEZONE',
].join('\r\n')
const send = async (text: string, setAside?: number) => {
  const answer = await ask('POST', '/api/imports/visits', { text, ...(setAside === undefined ? {} : { take: { setAside } }) })
  return { status: answer.statusCode, ...(answer.json() as CalendarReceipt & { code?: string; lines?: { where: string; what: string }[] }) }
}
const row = async (...lines: string[]) => told((await send(calendar(event('one', ...lines)))).rows[0])
const newJob = async (onDate: string) => (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate, crewIds: [me] })).json() as JobCard

describe('a calendar', () => {
  it.each<[string, string[], string, number | null]>([
    ['a whole day at a site of that address', ['DTSTART;VALUE=DATE:20270304', 'LOCATION:4 alder  rise'], '2027-03-04', null],
    ['a time by the firm’s own clocks', ['DTSTART;TZID=Europe/Vienna:20270304T083000', 'LOCATION:Mill'], '2027-03-04', 510],
    ['a time in UTC, the site first in the summary', ['DTSTART:20270304T090000Z', 'SUMMARY:Mill: Loft'], '2027-03-04', 600],
    ['one in UTC in summer', ['DTSTART:20270704T090000Z', 'LOCATION:Mill'], '2027-07-04', 660],
    ['one in UTC that is the next day here', ['DTSTART:20270304T233000Z', 'LOCATION:Mill'], '2027-03-05', 30],
    ['one of a zone far ahead, the day before here', ['DTSTART;TZID=Pacific/Auckland:20270304T003000', 'LOCATION:Mill'], '2027-03-03', 750],
    ['one of a zone behind', ['DTSTART;TZID=America/Bogota:20270304T200000', 'LOCATION:Mill'], '2027-03-05', 120],
    ['one of a zone that the file describes', ['DTSTART;TZID=Firm Clock:20270304T090000', 'LOCATION:Mill'], '2027-03-04', 450],
  ])('plans %s', async (_, lines, day, startMin) => {
    const text = calendar(...(lines[0].includes('Firm Clock') ? [ownZone] : []), event(`at ${lines[0]}`, ...lines))
    expect((await send(text)).rows[0]).toMatchObject({ action: 'plan', siteName: 'Mill', day, faults: [] })
    expect((await send(text, 0)).taken).toMatchObject({ planned: 1 })
    expect((await Job.findOne({ where: { calendarUid: `at ${lines[0]}` } }))!).toMatchObject({ onDate: day, startMin })
  })
  it('with times is not taken by a firm that has named no time zone: nobody can tell what they are there', async () => {
    const asked = async (...lines: string[]) =>
      told(((await other('POST', '/api/imports/visits', { text: calendar(event('one', ...lines)) })).json() as CalendarReceipt).rows[0].faults)
    for (const start of ['DTSTART:20270304T090000Z', 'DTSTART;TZID=Europe/Vienna:20270304T083000'])
      expect(await asked(start, 'LOCATION:Mill')).toContainEqual({
        where: 'DTSTART',
        what: expect.stringContaining('this firm has set no time zone') as string,
        allowed: 'a whole day; or set it under House rules',
      })
    expect((await asked('DTSTART;VALUE=DATE:20270304', 'LOCATION:Mill')).map(({ where }) => where)).toEqual(['LOCATION'])
  })
  it.each<[string, string[], string, string]>([
    ['repetition', ['DTSTART;VALUE=DATE:20270304', 'RRULE:FREQ=YEARLY', 'LOCATION:Mill'], 'RRULE', 'repeats'],
    ['a time without a zone', ['DTSTART:20270304T090000', 'LOCATION:Mill'], 'DTSTART', 'no time zone'],
    ['an unknown zone', ['DTSTART;TZID=Middle/Nowhere:20270304T090000', 'LOCATION:Mill'], 'DTSTART', 'unknown time zone'],
    ['a day that does not exist', ['DTSTART;VALUE=DATE:20270230', 'LOCATION:Mill'], 'DTSTART', '2027-02-30 does not exist'],
    ['no day', ['LOCATION:Mill'], 'DTSTART', 'missing'],
    ['a place that nobody knows', ['DTSTART;VALUE=DATE:20270304', 'LOCATION:The moon'], 'LOCATION', 'The moon'],
    ['a site without units', ['DTSTART;VALUE=DATE:20270304', 'LOCATION:Empty'], 'LOCATION', '0 units'],
  ])('says of %s what is wrong, row by row', async (_, lines, where, what) =>
    expect(await row(...lines)).toMatchObject({ action: null, faults: [{ where, what: expect.stringContaining(what) }] }),
  )
  it.each([
    ['no calendar', 'name,day\nMill,2027-03-04', 'does-not-hold-up'],
    ['one that ends in the middle', calendar(event('one', 'DTSTART;VALUE=DATE:20270304')).slice(0, 120), 'broken-off'],
    ['entries that do not close', calendar('BEGIN:VEVENT'), 'does-not-hold-up'],
  ])('that is %s is turned down as a whole', async (_, text, code) =>
    expect(await send(text)).toMatchObject({ status: code === 'broken-off' ? 400 : 422, code }),
  )

  it('is taken in as a whole, or not at all before its faults are set aside', async () => {
    const text = calendar(event('good', 'DTSTART;VALUE=DATE:20270501', 'LOCATION:Mill'), event('bad', 'DTSTART:20270502T090000', 'LOCATION:Mill'))
    const before = await Job.count()
    expect(await send(text, 0)).toMatchObject({ status: 422, lines: [{ where: 'entry 2, DTSTART' }] })
    expect(await Job.count()).toBe(before)
    expect((await send(text, 1)).taken).toEqual({ planned: 1, moved: 0, cancelled: 0 })
    expect(await JobUnit.count({ where: { jobId: (await Job.findOne({ where: { calendarUid: 'good' } }))!.id } })).toBe(1)
    // Read again, it is here as it says.
    expect((await send(text, 1)).taken).toEqual({ planned: 0, moved: 0, cancelled: 0 })
  })
  it('moves and cancels the visits that came from it, by their own ids, and not by older news', async () => {
    const entry = (sequence: number, ...more: string[]) => calendar(event('moving', `SEQUENCE:${sequence}`, 'LOCATION:Mill', ...more))
    await send(entry(0, 'DTSTART;VALUE=DATE:20270601'), 0)
    expect((await send(entry(3, 'DTSTART;VALUE=DATE:20270608'), 0)).taken).toMatchObject({ moved: 1 })
    const job = (await Job.findOne({ where: { calendarUid: 'moving' } }))!
    expect([job.onDate, job.revision]).toEqual(['2027-06-08', 3])
    expect((await send(entry(1, 'DTSTART;VALUE=DATE:20270601'))).rows[0].action).toBe('nothing')
    expect((await send(entry(4, 'STATUS:CANCELLED', 'DTSTART;VALUE=DATE:20270608'), 0)).taken).toMatchObject({ cancelled: 1 })
    expect((await job.reload()).cancelledAt).not.toBeNull()
  })
  it('of our own reads back: nothing new, a moved day moves, a due day is no visit', async () => {
    const job = await newJob('2027-07-01')
    const text = (await owner('GET', '/api/exports/visits.ics')).body
    expect(new Set((await send(text)).rows.map(({ action }) => action))).toEqual(new Set(['nothing']))
    expect((await send(text.replace('20270701', '20270702'), 0)).taken).toEqual({ planned: 0, moved: 1, cancelled: 0 })
    expect((await Job.findByPk(job.id))!.onDate).toBe('2027-07-02')
    expect((await send(calendar(event('due-x-deep-clean@yastik', 'RRULE:FREQ=YEARLY')))).rows[0]).toMatchObject({ action: 'due-day', faults: [] })
    expect(JSON.stringify(told((await other('POST', '/api/imports/visits', { text })).json().rows[0].faults))).toContain('does not exist here')
  })
})

describe('a visit', () => {
  const move = (job: { id: string; revision: number }, onDate: string) =>
    ask('PUT', `/api/jobs/${job.id}`, { onDate, crewIds: [me], revision: job.revision })
  it('is moved over the revision that was seen, cancelled, and planned again; calendars are told each time', async () => {
    const job = await newJob('2027-08-01')
    const moved = (await move(job, '2027-08-05')).json() as JobCard
    expect(moved).toMatchObject({ onDate: '2027-08-05', revision: 1 })
    expect((await move(job, '2027-08-09')).json().code).toBe('changed-meanwhile')
    expect((await ask('POST', `/api/jobs/${job.id}/cancel`, { revision: 1 })).json()).toMatchObject({ cancelled: true, revision: 2 })
    const entry = async () =>
      /BEGIN:VEVENT(?:(?!END:VEVENT)[\s\S])*UID:job-ID[\s\S]*?END:VEVENT/.exec(
        (await owner('GET', '/api/exports/visits.ics')).body.replaceAll(job.id, 'ID'),
      )![0]
    expect(await entry()).toMatch(/SEQUENCE:2[\s\S]*STATUS:CANCELLED/)
    const today = (await ask('GET', '/api/today?day=2027-08-05')).json() as { today: JobCard[] }
    expect(today.today.find(({ id }) => id === job.id)).toMatchObject({ cancelled: true })
    expect((await move({ id: job.id, revision: 2 }, '2027-08-20')).json()).toMatchObject({ cancelled: false, revision: 3 })
    expect(await entry()).toMatch(/SEQUENCE:3[\s\S]*STATUS:CONFIRMED/)
  })
  it('on which work has begun is not cancelled, and one that is handed over is not moved', async () => {
    const job = await newJob('2027-09-01')
    await JobUnit.update({ done: 1 }, { where: { jobId: job.id } })
    expect((await ask('POST', `/api/jobs/${job.id}/cancel`, { revision: 0 })).json().sentence).toContain('Work has started')
    await Job.update({ closed: true }, { where: { id: job.id } })
    expect((await move(job, '2027-09-02')).json().sentence).toContain('handed over')
    expect((await other('PUT', `/api/jobs/${job.id}`, { onDate: '2027-09-02', crewIds: [1], revision: 0 })).statusCode).toBe(404)
  })
})
