// What happens on a job: taken in batch by batch, and told to others over server-sent events, looked up in the database, so that any app process
// may serve any phone.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'
import { endpoints, type StreamMessage } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { together } from '../db/together.ts'
import { Job } from '../db/models.ts'
import { serverOf } from '../http/serve.ts'
import { openStream } from '../http/streams.ts'
import { storeEach } from './doings.ts'
import { eventOf, eventsAfter, logLengths } from './queries.ts'

/** Between two looks; two phones see each other within two seconds. */
const lookEveryMs = 800
const mostAtOnce = 500
/** So long whoever looks waits for others who do: a thousand who listen ask a dozen questions a second. */
const joinMs = 50

/** Place of the last event that the browser has seen, by its own header on a reconnection. */
function seenBefore(header: string | string[] | undefined): number | undefined {
  if (typeof header !== 'string') return undefined
  const seen = Number(header)
  if (!Number.isSafeInteger(seen) || seen < 0)
    throw doesNotHoldUp('last-event-id', says('fault.call.no-number', { said: header.slice(0, 40) }), says('fault.call.no-number-allowed'))
  return seen
}

export const eventRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { serves } = serverOf(app, house)
    const lengthOf = together((ids) => logLengths(house, ids), joinMs)

    serves(endpoints.storeEvents, ({ db, params, body, user }) => storeEach(db, params.id, user, body.events))

    serves(endpoints.jobStream, async ({ db, params, query, user, request, reply }) => {
      const job = await findOwn(db, Job, 'job', params.id, user.firmId)
      const said = seenBefore(request.headers['last-event-id']) ?? query.after ?? 0
      // Who counts otherwise, as pages of an earlier version did, hears all of it: what is known already does nothing.
      let seen = said > job.logLength ? 0 : said
      openStream(request, reply, {
        everyMs: lookEveryMs,
        next: async () => {
          if (((await lengthOf(job.id))?.logLength ?? 0) <= seen) return undefined
          const fresh = await eventsAfter(job.id, seen, mostAtOnce)
          const last = fresh.at(-1)
          if (!last) return undefined
          seen = last.place
          const message: StreamMessage = { events: fresh.map(eventOf) }
          return `id: ${seen}\ndata: ${JSON.stringify(message)}\n\n`
        },
      })
      return reply
    })
  }
