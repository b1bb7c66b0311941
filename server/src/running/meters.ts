// What does this process do, in figures that Prometheus gathers? Requests by route, the pool, streams, what waits to be sent, what is foretold.
import type { FastifyInstance } from 'fastify'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import type { Sequelize } from 'sequelize'
import type { Db } from '../db/database.ts'
import { streamsOf } from '../http/streams.ts'
import { figuresOf } from './queries.ts'

/** Upper ends of the classes of answer times, s. */
const buckets = [0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5]

/** The pool as the library keeps it; its types do not name it. */
interface Pool {
  readonly size: number
  readonly available: number
  readonly waiting: number
}
const poolOf = (sequelize: Sequelize): Pool => (sequelize.connectionManager as unknown as { readonly pool: Pool }).pool

/** Counts from now on. @returns the figures as they stand, as text */
export function meter(app: FastifyInstance, db: Db, sequelize: Sequelize): { readonly type: string; figures(): Promise<string> } {
  const registry = new Registry()
  const registers = [registry]
  collectDefaultMetrics({ register: registry })
  const answers = new Histogram({
    name: 'yastik_http_request_seconds',
    help: 'Time from the head of a request to the end of its answer, by route as it is declared',
    labelNames: ['method', 'route', 'status'] as const,
    buckets,
    registers,
  })
  app.addHook('onResponse', (request, reply, done) => {
    const route = request.is404 ? 'unknown' : (request.routeOptions.url ?? 'unknown')
    answers.observe({ method: request.method, route, status: String(reply.statusCode) }, reply.elapsedTime / 1000)
    done()
  })
  const gauge = (name: string, help: string, labelNames: readonly string[] = []) => new Gauge({ name, help, labelNames: [...labelNames], registers })
  const pool = gauge('yastik_db_pool_connections', 'Connections to the database by what they do', ['state'])
  const waiting = gauge('yastik_db_pool_waiting', 'Requests that wait for a connection to the database')
  const streams = gauge('yastik_streams_open', 'Streams that somebody listens to')
  const outbox = gauge('yastik_messages', 'Messages to customers that are not settled, by state', ['state'])
  const foretold = gauge('yastik_units_foretold', 'Units that something is known to fall due at')
  const overdue = gauge('yastik_units_overdue', 'Units at which something is overdue')
  return {
    type: registry.contentType,
    figures: async () => {
      const { size, available, waiting: queued } = poolOf(sequelize)
      pool.set({ state: 'busy' }, size - available)
      pool.set({ state: 'idle' }, available)
      waiting.set(queued)
      streams.set(streamsOf(app))
      const { messages, units } = await figuresOf(db)
      for (const { state, count } of messages) outbox.set({ state }, count)
      foretold.set(units.foretold)
      overdue.set(units.overdue)
      return registry.metrics()
    },
  }
}
