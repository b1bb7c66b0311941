// Who sends by drops is not waited for: others need the connection. A telephone with a poor signal is slow, but not that slow.
import type { FastifyInstance } from 'fastify'

/** How long somebody may take. */
export interface Patience {
  /** Between two looks at what of a body has come, ms. */
  readonly lookEveryMs: number
  /** Less than this from look to look is dribbling, bytes. */
  readonly leastBytes: number
  /** For the head of a request, and for all of it, ms. */
  readonly headMs: number
  readonly wholeMs: number
  /** For the next request on a connection that is kept, ms: longer than a proxy keeps it. */
  readonly idleMs: number
}

/** 1 kB/s at the least; half an hour for the largest archive at 35 kB/s. */
export const usualPatience: Patience = { lookEveryMs: 5000, leastBytes: 5000, headMs: 10_000, wholeMs: 30 * 60_000, idleMs: 72_000 }

/** The same as options of the HTTP server. */
export const serverTimes = ({ lookEveryMs, headMs, wholeMs, idleMs }: Patience) => ({
  requestTimeout: wholeMs,
  keepAliveTimeout: idleMs,
  http: { headersTimeout: headMs, connectionsCheckingInterval: lookEveryMs },
})

/** Ends requests whose body comes in drops. */
export function endSlowSenders(app: FastifyInstance, { lookEveryMs, leastBytes }: Patience): void {
  app.addHook('onRequest', ({ raw }, _reply, done) => {
    const { socket, headers } = raw
    // What has no body has come already.
    if (headers['transfer-encoding'] === undefined && headers['content-length'] === undefined) return done()
    let [before, wasPaused] = [socket.bytesRead, false]
    const timer = setInterval(() => {
      if (raw.complete) return clearInterval(timer)
      const came = socket.bytesRead - before
      before = socket.bytesRead
      // Where the server itself is behind with reading, nobody dribbles.
      const isPaused = raw.isPaused() || raw.readableLength > 0
      if (came < leastBytes && !isPaused && !wasPaused) socket.destroy()
      wasPaused = isPaused
    }, lookEveryMs).unref()
    raw.once('close', () => clearInterval(timer))
    done()
  })
}
