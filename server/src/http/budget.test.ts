// Nobody holds up the house: what is sent is bounded before it is looked at, what takes long is turned down or done elsewhere, and a full disk is said.
import sharp from 'sharp'
import { buildApp } from '../app.ts'
import { addFirm, openHouse, origin, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  owner = await signedIn(house.app, 'owner-a')
})
afterAll(() => house.close())

const site = { site: { name: 'A site', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' }
const nested = (depth: number): unknown => (depth === 0 ? 1 : [nested(depth - 1)])

it('takes a few kB from whoever has not signed in', async () => {
  const body = Object.fromEntries(Array.from({ length: 300_000 }, (_, at) => [`key${at}`, 1]))
  const answer = await house.app.inject({ method: 'POST', url: '/api/session', headers: { host: 'yastik.test', origin }, payload: body })
  expect([answer.statusCode, answer.json().code]).toEqual([413, 'too-large'])
  expect(answer.body.length).toBeLessThan(2000)
})

it.each([
  ['values beyond count', { ...site, more: Array.from({ length: 70_000 }, () => 0) }, '/api/stores'],
  [
    'names beyond count in one object',
    { ...site, more: Object.fromEntries(Array.from({ length: 2001 }, (_, at) => [`key${at}`, 1])) },
    '/api/stores',
  ],
  ['values too deep within one another', { ...site, more: nested(60) }, '/api/stores'],
])('turns down %s before any of it is looked at', async (_, body, path) => {
  const answer = await owner('PUT', path, body)
  expect([answer.statusCode, answer.json().lines]).toMatchObject([
    413,
    [{ where: 'the body', allowed: 'at most 60000 values, nested 40 deep, 2000 names in one object, texts of 2.5 MB' }],
  ])
})

it('says the first hundred lines, and how many more there are', async () => {
  const answer = await owner('POST', '/api/sites', { ...site, ...Object.fromEntries(Array.from({ length: 1500 }, (_, at) => [`key${at}`, 1])) })
  const { lines } = answer.json() as { lines: { where: string; what: string }[] }
  expect([answer.statusCode, lines.length]).toEqual([422, 101])
  expect(lines.at(-1)).toMatchObject({ where: 'further on', what: '1,400 more errors' })
})

it('turns down a list that is too long without looking at what is in it', async () => {
  const events = Array.from({ length: 40_000 }, () => 0)
  const answer = await owner('POST', '/api/jobs/00000000-0000-7000-8000-000000000000/events', { events })
  expect([answer.statusCode, answer.json().lines]).toMatchObject([422, [{ where: 'events', what: 'there are 40,000 entries' }]])
  expect(answer.json().lines).toHaveLength(1)
})

const zone = (...rules: string[]) =>
  [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'BEGIN:VTIMEZONE', 'TZID:Odd'],
    ...['BEGIN:STANDARD', 'DTSTART:16010101T000000', 'TZOFFSETFROM:+0100', 'TZOFFSETTO:+0000', ...rules, 'END:STANDARD', 'END:VTIMEZONE'],
    ...['BEGIN:VEVENT', 'UID:one', 'DTSTART;TZID=Odd:20270301T080000', 'SUMMARY:A site', 'END:VEVENT', 'END:VCALENDAR'],
  ].join('\r\n')

it.each([
  ['every second', ['RRULE:FREQ=SECONDLY']],
  ['at every second of a year', ['RRULE:FREQ=YEARLY;BYHOUR=0,1,2;BYMINUTE=0,1,2;BYSECOND=0,1,2']],
  ['by a list without end', [`RDATE:${Array.from({ length: 1500 }, () => '20200101T000000').join(',')}`]],
])('reckons with no zone that changes its clocks %s', async (_, rules) => {
  const answer = await owner('POST', '/api/imports/visits', { text: zone(...rules) })
  expect([answer.statusCode, answer.json().lines[0].where]).toEqual([422, 'VTIMEZONE'])
})
it('reckons with zones as clocks have them', async () => {
  const answer = await owner('POST', '/api/imports/visits', { text: zone('RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU') })
  expect(answer.statusCode).toBe(200)
})

it('takes no file of another kind where a body of fields is asked for', async () => {
  const answer = await owner('POST', '/api/imports/visits', Buffer.from('{"text":"x"}'), { 'content-type': 'application/vnd.yastik.bundle+json' })
  expect([answer.statusCode, answer.json().code]).toEqual([415, 'wrong-media'])
})

it('turns down a text without an end in a file of the firm, before it is taken apart', async () => {
  const bundle = (name: string) => Buffer.from(JSON.stringify({ format: 'yastik.bundle/1', firm: { name } }))
  const send = (body: Buffer) => owner('POST', '/api/bundle', body, { 'content-type': 'application/vnd.yastik.bundle+json' })
  const long = await send(bundle('a'.repeat(1_000_100)))
  expect([long.statusCode, long.json().code]).toEqual([413, 'too-large'])
  expect(long.json().lines[0].allowed).toContain('texts of 1 MB')
  // What is just within is taken apart, and told of by its schema.
  expect((await send(bundle('a'.repeat(999_000)))).statusCode).toBe(422)
})

it('turns down a picture that is a strip', async () => {
  const { id: siteId } = (await owner('POST', '/api/sites', site)).json()
  const { id: unitId } = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Head', family: 'wall-head', design: {} })).json()
  const me = (await owner('GET', '/api/session')).json()
  const onDate = new Date().toISOString().slice(0, 10)
  const { id: jobId } = (await owner('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate, crewIds: [me.id] })).json()
  const strip = await sharp({ create: { width: 1, height: 20_000, channels: 3, background: 'black' } })
    .png()
    .toBuffer()
  const path = `/api/jobs/${jobId}/units/${unitId}/photos/00000000-0000-7000-8000-000000000001`
  const answer = await owner('PUT', path, strip, { 'content-type': 'image/png' })
  expect([answer.statusCode, answer.json().lines[0].what]).toEqual([422, 'it is 1 by 20000 pixels'])
})

it('takes nothing while the disk is full, says so at once, lets everything be read, and goes on by itself', async () => {
  let isRoomy = true
  const app = await buildApp({ sequelize: house.sequelize, files: house.files, hasRoom: () => Promise.resolve(isRoomy) })
  try {
    const ask = await signedIn(app, 'owner-a')
    isRoomy = false
    const refused = await ask('POST', '/api/sites', { ...site, site: { ...site.site, name: 'Another site' } })
    expect([refused.statusCode, refused.json()]).toMatchObject([
      503,
      { code: 'disk-full', sentence: expect.stringContaining('The server’s disk is full') },
    ])
    expect((await ask('GET', '/api/sites')).statusCode).toBe(200)
    isRoomy = true
    expect((await ask('POST', '/api/sites', { ...site, site: { ...site.site, name: 'Another site' } })).statusCode).toBe(201)
  } finally {
    await app.close()
  }
})
