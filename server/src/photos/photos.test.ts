import { told } from '../tests/inEnglish.ts'
import { readdirSync } from 'node:fs'
import { request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { Photo } from '../db/models.ts'
import { addFirm, openHouse, origin, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let other: Ask
let jobId: string
let unitId: string
let me: number
beforeAll(async () => {
  house = await openHouse()
  const { technician } = await addFirm('a')
  await addFirm('b')
  me = technician.id
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'technician-b')
  const site = { name: 'Place', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const { id: siteId } = (await ask('POST', '/api/sites', { site, address: '', contact: '' })).json()
  unitId = (await ask('POST', `/api/sites/${siteId}/units`, { name: 'Unit', family: 'wall-head', design: {} })).json().id
  jobId = (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [me] })).json().id
})
afterAll(() => house.close())

const blank = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#345' } })
const put = (body: Buffer, { id = newId(), unit = unitId, type = 'image/jpeg', by = ask } = {}) =>
  by('PUT', `/api/jobs/${jobId}/units/${unit}/photos/${id}`, body, { 'content-type': type })
const taken = (photoId: string) => ({
  id: newId(),
  atMs: Date.now(),
  by: me,
  happening: { type: 'photo-taken', unitId, photoId, stepId: 'off-cover' },
})
/** Names of all files that lie in the store. */
const files = (): string[] =>
  readdirSync(house.filesRoot, { recursive: true, withFileTypes: true }).flatMap((entry) => (entry.isFile() ? entry.name : []))
const whatOf = (answer: { json(): { lines: { what: string }[] } }) => answer.json().lines[0].what

describe('a photograph', () => {
  it('is kept upright and without what tells where and with what it was taken', async () => {
    const sent = await blank(400, 200)
      .withExif({ IFD0: { Make: 'Camera maker' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    const before = await sharp(sent).metadata()
    expect(before.orientation).toBe(6)
    expect(before.exif!.toString('latin1')).toMatch(/Camera maker/)
    const id = newId()
    const answer = await put(sent, { id })
    expect(answer.statusCode).toBe(200)
    expect(answer.json()).toMatchObject({ id, unitId, width: 200, height: 400 })
    const kept = await ask('GET', `/api/photos/${id}`)
    expect(kept.headers['content-type']).toBe('image/jpeg')
    const after = await sharp(kept.rawPayload).metadata()
    expect([after.width, after.height, after.exif, after.xmp, after.iptc]).toEqual([200, 400, undefined, undefined, undefined])
    expect(kept.rawPayload.toString('latin1')).not.toMatch(/Camera maker|GPS/)
    const small = await ask('GET', `/api/photos/${id}?size=small`)
    expect((await sharp(small.rawPayload).metadata()).format).toBe('webp')
    expect(small.rawPayload.length).toBeLessThan(sent.length * 10)
  })
  it('sent twice is one; another one under the same id is turned down', async () => {
    const [id, one, two] = [newId(), await blank(60, 60).png().toBuffer(), await blank(61, 60).png().toBuffer()]
    expect((await put(one, { id })).statusCode).toBe(200)
    const again = await put(one, { id })
    expect([again.statusCode, again.json().id]).toEqual([200, id])
    expect((await put(two, { id })).json().code).toBe('in-use')
    const at = newId()
    const both = await Promise.all([put(one, { id: at }), put(one, { id: at })])
    expect(both.map(({ statusCode }) => statusCode)).toEqual([200, 200])
    for (const answer of both) expect(answer.json()).toMatchObject({ id: at, width: 60 })
    expect(await Photo.count({ where: { id } })).toBe(1)
    expect((await sharp((await ask('GET', `/api/photos/${id}`)).rawPayload).metadata()).width).toBe(60)
  })
  it('of a false type, too large or broken off is turned down in words, and nothing of it is kept', async () => {
    const [count, lying] = [await Photo.count(), files().length]
    const picture = await sharp({
      create: { width: 800, height: 800, channels: 3, background: '#345', noise: { type: 'gaussian', mean: 90, sigma: 50 } },
    })
      .jpeg()
      .toBuffer()
    expect(whatOf(await put(Buffer.alloc(0)))).toBe('it is empty')
    expect(whatOf(await put(Buffer.from('only a text, renamed')))).toBe('this is not a picture, whatever its name says')
    expect(whatOf(await put(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')))).toBe('this is a picture of type svg')
    expect(whatOf(await put(picture.subarray(0, picture.length >> 1)))).toBe('it breaks off in the middle')
    expect(whatOf(await put(await blank(8000, 6250).png().toBuffer()))).toBe('it has more than 40 megapixels')
    expect((await put(Buffer.alloc(26_000_000))).json().code).toBe('too-large')
    expect((await put(picture, { type: 'text/plain' })).json().code).toBe('wrong-media')
    expect((await put(picture, { id: 'me' })).json().lines[0].where).toBe('photoId')
    expect((await put(picture, { unit: newId() })).statusCode).toBe(404)
    expect([await Photo.count(), files().length]).toEqual([count, lying])
  })
  it('whose sending breaks off in the middle leaves nothing behind', async () => {
    const port = await house.app.listen({ port: 0, host: '127.0.0.1' }).then(() => (house.app.server.address() as AddressInfo).port)
    const signIn = await house.app.inject({
      method: 'POST',
      url: '/api/session',
      headers: { host: 'yastik.test', origin },
      payload: { signIn: 'technician-a', password: 'a long enough password' },
    })
    const cookie = signIn.cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
    const [count, lying, picture] = [await Photo.count(), files().length, await blank(900, 900).png().toBuffer()]
    await new Promise<void>((resolve) => {
      const sending = request({
        port,
        host: '127.0.0.1',
        method: 'PUT',
        path: `/api/jobs/${jobId}/units/${unitId}/photos/${newId()}`,
        headers: { host: 'yastik.test', origin, cookie, 'content-type': 'image/png', 'content-length': picture.length },
      })
      sending.once('error', () => resolve())
      sending.write(picture.subarray(0, 100), () => sending.destroy(new Error('the signal went')))
    })
    // The server is still there, and answers.
    expect((await ask('GET', '/api/clock')).json().nowMs).toBeGreaterThan(0)
    expect([await Photo.count(), files().length]).toEqual([count, lying])
  })
  it('is there for the firm alone, and for nobody who is not signed in', async () => {
    const id = newId()
    const picture = await blank(50, 50).webp().toBuffer()
    expect((await put(picture, { by: other })).statusCode).toBe(404)
    await put(picture, { id })
    expect((await other('GET', `/api/photos/${id}`)).statusCode).toBe(404)
    expect((await house.app.inject({ method: 'GET', url: `/api/photos/${id}` })).statusCode).toBe(401)
  })
  it('has to be there before the log speaks of it', async () => {
    const id = newId()
    const event = taken(id)
    const send = () => ask('POST', `/api/jobs/${jobId}/events`, { events: [event] }).then((answer) => answer.json())
    expect(told((await send()).refused[0])).toEqual({ id: event.id, because: 'the photo of this event was not sent before it' })
    await put(await blank(50, 50).jpeg().toBuffer(), { id })
    expect(await send()).toEqual({ accepted: [event.id], refused: [] })
  })
  it('of the nameplate is the unit’s from then on: the last that was taken, and none once it is undone', async () => {
    const record = async () => (await ask('GET', `/api/jobs/${jobId}`)).json().site.units[0]
    const send = async (...happenings: object[]) => {
      const events = happenings.map((happening) => ({ id: newId(), atMs: Date.now(), by: me, happening: { unitId, ...happening } }))
      expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).json().refused).toEqual([])
      return events.map(({ id }) => id)
    }
    const [first, second] = [newId(), newId()]
    for (const id of [first, second]) await put(await blank(60, 40).jpeg().toBuffer(), { id })
    expect(await record()).toMatchObject({ platePhoto: null })
    const [one] = await send({ type: 'photo-taken', photoId: first, plate: true })
    expect(await record()).toMatchObject({ platePhoto: { photoId: first, jobId } })
    const [two] = await send({ type: 'photo-taken', photoId: second, plate: true })
    expect(await record()).toMatchObject({ platePhoto: { photoId: second, jobId } })
    await send({ type: 'undone', eventId: two })
    expect(await record()).toMatchObject({ platePhoto: { photoId: first, jobId } })
    await send({ type: 'undone', eventId: one })
    expect(await record()).toMatchObject({ platePhoto: null })
    // Of a customer that is erased nothing stays, and the unit does not speak of it.
    await send({ type: 'photo-taken', photoId: second, plate: true })
    const { siteId } = await record()
    const owner = await signedIn(house.app, 'owner-a')
    const { version } = (await ask('GET', `/api/sites/${siteId}`)).json()
    expect((await owner('POST', `/api/sites/${siteId}/erase`, { version })).statusCode).toBe(200)
    expect((await ask('GET', `/api/sites/${siteId}`)).json().units[0]).toMatchObject({ platePhoto: null })
  })
  it('lies in two files, the whole and the preview, under the firm', async () => {
    const id = newId()
    await put(await blank(50, 50).jpeg().toBuffer(), { id })
    expect(
      files()
        .filter((name) => name.startsWith(id))
        .sort(),
    ).toEqual([`${id}-small.webp`, `${id}.jpeg`])
    expect(readdirSync(join(house.filesRoot))).toHaveLength(1)
  })
})
