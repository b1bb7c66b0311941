// What becomes of the connection of whoever is turned down while a body is still coming?
import type { FastifyReply, FastifyRequest } from 'fastify'

/** So much of a body is still taken from whoever was turned down, bytes: their connection stays usable. */
const mostDrained = 300_000
/** So long whoever sends more has to read the answer, while what they send is thrown away, ms. */
const lingerMs = 500

/**
 * A short body is thrown away as it comes, and the connection goes on. Of a long one, or one that does not say how long it is, nobody waits for the
 * end: the answer says that the connection closes, and it does once the answer was read. Closed with unread data in it, as it would be by itself, it
 * would be torn down before.
 */
export function endConnection({ raw }: FastifyRequest, reply: FastifyReply): void {
  const { socket, headers } = raw
  const isShort = headers['transfer-encoding'] === undefined && Number(headers['content-length'] ?? 0) <= mostDrained
  if (isShort) return
  void reply.header('connection', 'close')
  socket.destroySoon = () => {
    socket.end()
    raw.resume()
    setTimeout(() => socket.destroy(), lingerMs).unref()
  }
}
