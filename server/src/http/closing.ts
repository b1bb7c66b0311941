// How does the server end? Nothing new is taken, streams are ended, what is under way is finished; connections on which nothing runs are let go.
import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Socket } from 'node:net'
import type { FastifyInstance } from 'fastify'

/** So long answers under way are waited for when the server ends, ms. */
export const usualGraceMs = 30_000

export function closeInGoodTime(app: FastifyInstance, graceMs: number): void {
  /** Requests under way on each connection: browsers keep some on which they never asked anything. */
  const underWay = new Map<Socket, number>()
  let closing = false
  app.server.on('connection', (socket: Socket) => {
    underWay.set(socket, 0)
    socket.once('close', () => underWay.delete(socket))
  })
  app.server.on('request', ({ socket }: IncomingMessage, response: ServerResponse) => {
    underWay.set(socket, (underWay.get(socket) ?? 0) + 1)
    response.once('close', () => {
      const left = (underWay.get(socket) ?? 1) - 1
      if (!underWay.has(socket)) return
      underWay.set(socket, left)
      if (closing && left === 0) socket.end()
    })
  })
  app.addHook('preClose', (done) => {
    closing = true
    for (const [socket, count] of underWay) if (count === 0) socket.destroy()
    setTimeout(() => app.server.closeAllConnections(), graceMs).unref()
    done()
  })
}
