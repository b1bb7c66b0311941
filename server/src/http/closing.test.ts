import { connect, type AddressInfo, type Socket } from 'node:net'
import { buildApp } from '../app.ts'
import { addFirm, cookieOf, openHouse, signedIn, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let cookie: string
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  cookie = await cookieOf('technician-a', house.app)
})
afterAll(() => house.close())

const listening = async (graceMs: number) => {
  const app = await buildApp({ sequelize: house.sequelize, files: house.files, graceMs })
  await app.listen({ port: 0, host: '127.0.0.1' })
  return { app, port: (app.server.address() as AddressInfo).port }
}
/** A connection, what came on it, and when it was closed. */
const opened = (port: number) => {
  const socket: Socket = connect(port, '127.0.0.1')
  const seen = { text: '' }
  const closed = new Promise<number>((done) => {
    socket.on('data', (text) => (seen.text += text.toString()))
    socket.on('error', () => {})
    socket.on('close', () => done(Date.now()))
  })
  return { socket, seen, closed }
}
const site = JSON.stringify({ site: { name: 'Last', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
const head = (port: number) =>
  `POST /api/sites HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\norigin: http://127.0.0.1:${port}\r\ncookie: ${cookie}\r\n` +
  `content-type: application/json\r\ncontent-length: ${site.length}\r\n\r\n`
const soon = (ms: number) => new Promise((done) => setTimeout(done, ms))

it('what is under way is finished, idle connections are let go at once, and nothing new is taken', async () => {
  const { app, port } = await listening(15_000)
  const [idle, busy] = [opened(port), opened(port)]
  busy.socket.write(head(port) + site.slice(0, 20))
  await soon(200)
  const startedMs = Date.now()
  const ended = app.close()
  expect((await idle.closed) - startedMs).toBeLessThan(1000)
  await soon(1000)
  const late = opened(port)
  await late.closed
  expect(late.seen.text).toBe('')
  busy.socket.write(site.slice(20))
  await busy.closed
  expect(busy.seen.text).toMatch(/^HTTP\/1\.1 201/)
  await ended
  expect(Date.now() - startedMs).toBeLessThan(5000)
})
it('who does not come to an end is waited for no longer than that', async () => {
  const { app, port } = await listening(1000)
  const busy = opened(port)
  busy.socket.write(head(port) + site.slice(0, 20))
  await soon(200)
  const startedMs = Date.now()
  await app.close()
  expect((await busy.closed) - startedMs).toBeLessThan(3000)
  expect(busy.seen.text).not.toMatch(/^HTTP\/1\.1 20/)
})
it('whoever listens is told to come again at once, and is answered by another process', async () => {
  const ask = await signedIn(house.app, 'technician-a')
  const { id: siteId } = (await ask('POST', '/api/sites', JSON.parse(site))).json()
  const { id: unitId } = (await ask('POST', `/api/sites/${siteId}/units`, { name: 'Loft', family: 'wall-head', design: {} })).json()
  const { id: by } = (await ask('GET', '/api/session')).json()
  const { id: jobId } = (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json()
  const one = await listening(5000)
  const request = (port: number) => `GET /api/jobs/${jobId}/stream?after=0 HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\ncookie: ${cookie}\r\n\r\n`
  const first = opened(one.port)
  first.socket.write(request(one.port))
  await soon(400)
  expect(first.seen.text).toContain(': open')
  const startedMs = Date.now()
  const ended = one.app.close()
  expect((await first.closed) - startedMs).toBeLessThan(1000)
  expect(first.seen.text).toContain('retry: 200\n\n')
  await ended
  // What was committed meanwhile is there, wherever one asks.
  const happening = { type: 'note', unitId, text: 'meanwhile' }
  const events = [{ id: '0191a1b0-0000-7000-8000-00000000000a', atMs: Date.now(), by, happening }]
  expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).json().refused).toEqual([])
  const { app, port } = await listening(5000)
  const second = opened(port)
  second.socket.write(request(port))
  await soon(600)
  expect(second.seen.text).toContain('"text":"meanwhile"')
  await app.close()
})
