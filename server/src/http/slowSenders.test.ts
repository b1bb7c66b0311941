import { connect, type AddressInfo } from 'node:net'
import type { FastifyInstance } from 'fastify'
import { buildApp } from '../app.ts'
import { addFirm, cookieOf, openHouse, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let app: FastifyInstance
let port: number
let cookie: string
const patience = { lookEveryMs: 700, leastBytes: 700, headMs: 1500, wholeMs: 60_000, idleMs: 2000 }
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  cookie = await cookieOf('technician-a', house.app)
  app = await buildApp({ sequelize: house.sequelize, files: house.files, patience })
  await app.listen({ port: 0, host: '127.0.0.1' })
  port = (app.server.address() as AddressInfo).port
})
afterAll(async () => {
  await app.close()
  await house.close()
})

/** Sends a beginning, then a piece again and again; gives what was answered once the connection is closed, and after how long. */
const sent = (beginning: string, piece: string, everyMs: number, pieces = Infinity, end = '') =>
  new Promise<{ answer: string; ms: number }>((done) => {
    const startedMs = Date.now()
    const socket = connect(port, '127.0.0.1')
    let answer = ''
    let left = pieces
    socket.write(beginning)
    const timer = setInterval(() => {
      if (left-- > 0) socket.write(piece)
      else {
        socket.write(end)
        clearInterval(timer)
      }
    }, everyMs)
    socket.on('error', () => {})
    socket.on('data', (text) => (answer += text.toString()))
    socket.on('close', () => {
      clearInterval(timer)
      done({ answer, ms: Date.now() - startedMs })
    })
  })
const head = (line: string, length: number, more = '') =>
  `${line} HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\norigin: http://127.0.0.1:${port}\r\ncookie: ${cookie}\r\n` +
  `content-type: application/json\r\ncontent-length: ${length}\r\n${more}\r\n`

it('sixty who dribble a body are all cut, while others are served at once', async () => {
  let cut = 0
  const dribble = () => sent(`${head('POST /api/sites', 100_000)}{`, ' ', 100).finally(() => cut++)
  const dribbling = Promise.all(Array.from({ length: 60 }, dribble))
  const cutBy: number[] = []
  for (let round = 0; round < 10; round++) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/clock`, { headers: { cookie } })
    expect(answer.status).toBe(200)
    cutBy.push(cut)
    await new Promise((done) => setTimeout(done, 100))
  }
  // Whoever waits for them is answered after they are gone.
  expect(cutBy[0]).toBe(0)
  for (const { answer, ms } of await dribbling) {
    expect(answer).not.toMatch(/ 20\d /)
    expect(ms).toBeLessThan(5 * patience.lookEveryMs)
  }
})
it('a head that comes in drops is cut, and a connection on which nothing is asked', async () => {
  const dripped = await sent('POST /api/sites HTTP/1.1\r\nhost: x\r\n', 'x', 100)
  expect(dripped.ms).toBeLessThan(patience.headMs + 3 * patience.lookEveryMs)
  const kept = await sent(`GET /api/clock HTTP/1.1\r\nhost: x\r\ncookie: ${cookie}\r\n\r\n`, '', 100, 0)
  expect(kept.answer).toMatch(/^HTTP\/1\.1 200/)
  expect(kept.ms).toBeLessThan(patience.idleMs + 3 * patience.lookEveryMs)
})
it('a poor signal is waited for', async () => {
  const site = JSON.stringify({ site: { name: 'Far', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
  // Spaces before JSON mean nothing: three kilobytes a second, for three seconds.
  const [piece, pieces] = [' '.repeat(300), 30]
  const { answer, ms } = await sent(head('POST /api/sites', piece.length * pieces + site.length, 'connection: close\r\n'), piece, 100, pieces, site)
  expect(answer).toMatch(/^HTTP\/1\.1 201/)
  expect(ms).toBeGreaterThan(4 * patience.lookEveryMs)
})
