// How does a phone see what another one did? Fresh events of a job over server-sent events, looked up in the database, so that any app process may serve any phone.
import { Fault, type StreamMessage } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Op } from 'sequelize'
import { people } from '../auth/audience.ts'
import { Job, StoredEvent } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'
import { openStream } from '../streams.ts'
import { eventOf } from './events.ts'

/** Between two looks; two phones see each other within two seconds. */
const lookEveryMs = 800
const mostAtOnce = 500

/** Number of the last event that the browser has seen: on a reconnection its own header, before that the address. */
function seenBefore(header: string | string[] | undefined, asked: string | undefined): number {
  const text = typeof header === 'string' ? header : (asked ?? '0')
  const seen = Number(text)
  if (!Number.isSafeInteger(seen) || seen < 0)
    throw new Fault('does-not-hold-up', { lines: [{ where: 'after', what: `“${text}” is no number of an event`, allowed: 'a whole number from 0' }] })
  return seen
}

export async function streamRoutes(app: FastifyInstance): Promise<void> {
  app.get<{ Params: { id: string }; Querystring: { after?: string } }>('/api/jobs/:id/stream', people, async (request, reply) => {
    const job = await findOwn(Job, 'job', request.params.id, request.user.firmId)
    let seen = seenBefore(request.headers['last-event-id'], request.query.after)
    openStream(request, reply, {
      everyMs: lookEveryMs,
      next: async () => {
        const fresh = await StoredEvent.findAll({ where: { jobId: job.id, seq: { [Op.gt]: seen } }, order: [['seq', 'ASC']], limit: mostAtOnce })
        if (fresh.length === 0) return undefined
        seen = Number(fresh[fresh.length - 1].seq)
        const message: StreamMessage = { events: fresh.map(eventOf) }
        return `id: ${seen}\ndata: ${JSON.stringify(message)}\n\n`
      },
    })
    return reply
  })
}
