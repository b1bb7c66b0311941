// How does a phone see what another one did? Fresh events of a job over server-sent events, looked up in the database, so that any app process may serve any phone.
import type { ServerResponse } from 'node:http'
import { Fault, type StreamMessage } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import { Op } from 'sequelize'
import { Job, StoredEvent } from '../db/models.ts'
import { findOwn } from '../sites/routes.ts'
import { eventOf } from './events.ts'

/** Between two looks; two phones see each other within two seconds. */
const lookEveryMs = 800
/** Sign of life through proxies that cut silent connections. */
const silenceMs = 15_000
/** A stream ends after this long; the browser asks anew, and its session is checked again. */
const longestMs = 10 * 60_000
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
  const open = new Set<ServerResponse>()
  app.addHook('preClose', () => {
    for (const response of open) response.end()
  })

  app.get<{ Params: { id: string }; Querystring: { after?: string } }>('/api/jobs/:id/stream', async (request, reply) => {
    const job = await findOwn(Job, 'job', request.params.id, request.user.firmId)
    let seen = seenBefore(request.headers['last-event-id'], request.query.after)
    const headers = { ...reply.getHeaders(), 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
    reply.hijack()
    const response = reply.raw
    response.writeHead(200, headers as Record<string, string>)
    response.write(': open\n\n')
    open.add(response)
    const startedMs = Date.now()
    let spokeMs = startedMs
    let timer: NodeJS.Timeout | undefined
    response.once('close', () => {
      clearTimeout(timer)
      open.delete(response)
    })
    const say = (text: string) => {
      response.write(text)
      spokeMs = Date.now()
    }
    const look = async () => {
      const fresh = await StoredEvent.findAll({ where: { jobId: job.id, seq: { [Op.gt]: seen } }, order: [['seq', 'ASC']], limit: mostAtOnce })
      if (response.writableEnded) return
      if (fresh.length > 0) {
        seen = Number(fresh[fresh.length - 1].seq)
        const message: StreamMessage = { events: fresh.map(eventOf) }
        say(`id: ${seen}\ndata: ${JSON.stringify(message)}\n\n`)
      } else if (Date.now() - spokeMs > silenceMs) say(': still here\n\n')
      if (Date.now() - startedMs > longestMs) response.end()
      else timer = setTimeout(again, lookEveryMs)
    }
    const again = () =>
      void look().catch((error: unknown) => {
        // The browser asks anew by itself; by then the database may answer again.
        request.log.warn(`a stream ends: ${error instanceof Error ? error.message : String(error)}`)
        response.end()
      })
    again()
  })
}
