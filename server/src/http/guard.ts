// Who gets in? Decided by the route that matched, never by how its address was written, and before anything of a body is read.
import { Fault } from '@yastik/core'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import type { Firm, User } from '../db/models.ts'
import { whoIs } from '../auth/queries.ts'
import { secondFactorOf } from '../auth/secondFactor.ts'
import { cookieName } from '../auth/sessions.ts'
import type { Db } from '../db/database.ts'

declare module 'fastify' {
  interface FastifyRequest {
    /** The signed-in person; set on every route that is not for anyone. */
    user: User
    firm: Firm
    /** Of the session by which they are in. */
    sessionId: string
  }
}

const isReading = ({ method }: FastifyRequest): boolean => method === 'GET' || method === 'HEAD'

/** Writes are taken only from pages of this very origin; that there is TLS before it, only a trusted proxy can say. */
function checkOrigin(request: FastifyRequest): void {
  if (isReading(request)) return
  const { origin } = request.headers
  const own = `${request.protocol}://${request.host}`
  if (origin && URL.canParse(origin) && URL.canParse(own) && new URL(origin).origin === new URL(own).origin) return
  throw new Fault('wrong-origin')
}

/** So long whoever was turned down has to read the answer, while nothing more is read of what they send. */
const lingerMs = 500

/**
 * Ends the connection behind the answer where a body is still coming: nobody who is turned down is listened to. Not by the header, at which the
 * connection would be torn down before the answer is read.
 */
function cutOff({ raw }: FastifyRequest, reply: FastifyReply): void {
  const comes = raw.headers['transfer-encoding'] !== undefined || (raw.headers['content-length'] ?? '0') !== '0'
  if (!comes) return
  reply.raw.once('finish', () => {
    if (raw.complete) return
    raw.socket.pause()
    raw.socket.end()
    setTimeout(() => raw.socket.destroy(), lingerMs).unref()
  })
}

/** Every route is closed but to the audience that it declares. @param secure whether cookies are for TLS only */
export function guard(app: FastifyInstance, db: Db, secure: boolean): void {
  app.decorateRequest('user')
  app.decorateRequest('firm')
  app.decorateRequest('sessionId')
  app.addHook('onRequest', async (request, reply) => {
    try {
      await letIn(request, db, cookieName(secure))
    } catch (error) {
      cutOff(request, reply)
      throw error
    }
  })
}

const factorFirst = 'Your firm asks its owners for a second factor. Set one up first: under your name.'

async function letIn(request: FastifyRequest, db: Db, cookie: string): Promise<void> {
  checkOrigin(request)
  // What matches nothing has no body that anybody would read.
  if (request.is404) {
    if (isReading(request)) return
    throw new Fault('not-there')
  }
  const { audience } = request.routeOptions.config
  if (audience === 'anyone') return
  const who = await whoIs(db, request.cookies[cookie])
  if (!who) throw new Fault('not-signed-in')
  if (audience === 'owner' && who.user.role !== 'owner') throw new Fault('not-allowed', { sentence: 'Only the owner may do this.' })
  if (audience === undefined) throw new Fault('not-allowed')
  if (audience === 'owner' && secondFactorOf(who.user, who.firm) === 'needed') throw new Fault('not-allowed', { sentence: factorFirst })
  request.user = who.user
  request.firm = who.firm
  request.sessionId = who.sessionId
}
