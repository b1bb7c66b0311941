// Whoever is turned down goes on asking on the same connection, or is told that it closes.
import { connect, type Socket } from 'node:net'
import type { AddressInfo } from 'node:net'
import { openHouse, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let port: number
beforeAll(async () => {
  house = await openHouse()
  await house.app.listen({ port: 0, host: '127.0.0.1' })
  port = (house.app.server.address() as AddressInfo).port
})
afterAll(() => house.close())

/** Heads of the answers on a connection, as they come, until it is closed or there are so many. */
const headsOn = (socket: Socket, count: number): Promise<string[]> =>
  new Promise((resolve, reject) => {
    let text = ''
    const heads = () => text.match(/HTTP\/1\.1 \d{3}[^]*?\r\n\r\n/g) ?? []
    socket.on('data', (part) => {
      text += String(part)
      if (heads().length >= count) resolve(heads())
    })
    socket.on('close', () => resolve(heads()))
    socket.on('error', reject)
  })
const post = (length: number) =>
  `POST /api/sites HTTP/1.1\r\nhost: yastik.test\r\norigin: http://yastik.test\r\ncontent-type: application/json\r\ncontent-length: ${length}\r\n\r\n`
const get = 'GET /api/session HTTP/1.1\r\nhost: yastik.test\r\n\r\n'

it('with a short body: the next request on the connection is answered, sixty times of sixty', async () => {
  const body = JSON.stringify({ name: 'x'.repeat(20_000) })
  const all = await Promise.all(
    Array.from({ length: 60 }, async () => {
      const socket = connect(port, '127.0.0.1')
      socket.write(post(body.length) + body + get)
      const heads = await headsOn(socket, 2)
      socket.destroy()
      return heads.map((head) => head.slice(9, 12))
    }),
  )
  expect(all.filter((heads) => heads.join() !== '401,401')).toEqual([])
})
it('with a long body: the answer says that the connection closes, is read in full, and it closes', async () => {
  const socket = connect(port, '127.0.0.1')
  socket.write(post(50_000_000))
  const sending = setInterval(() => socket.writable && socket.write('x'.repeat(10_000)), 5)
  const closed = new Promise((done) => socket.once('close', done))
  const [head] = await headsOn(socket, 1)
  expect(head).toMatch(/^HTTP\/1\.1 401/)
  expect(head).toMatch(/connection: close/i)
  await closed
  clearInterval(sending)
})
