// Who gets in? Decided by the route that matched, never by how its address was written, and before anything of a body is read.
import { says, type Message } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { LRUCache } from 'lru-cache'
import type { FastifyContextConfig, FastifyInstance, FastifyRequest } from 'fastify'
import type { Firm, User } from '../db/models.ts'
import { holds, whoComes } from '../tokens/queries.ts'
import { note, type Actor } from '../audit/doings.ts'
import { doorkeeper, isOpen, type Doorkeeper } from '../auth/queries.ts'
import { secondFactorOf } from '../auth/secondFactor.ts'
import { cookieName } from '../auth/sessions.ts'
import { endConnection } from './endConnection.ts'
import { homeOf } from './home.ts'
import type { Db } from '../db/database.ts'
import type { HasRoom } from '../running/room.ts'

declare module 'fastify' {
  interface FastifyRequest {
    /** The signed-in person; set on every route that is not for anyone. */
    user: User
    firm: Firm
    /** Of the session by which they are in. */
    sessionId: string
    /** Who it is, for what is put on record. */
    actor: Actor
    /** Whether they are still in. */
    stillIn(): Promise<boolean>
  }
}

const isReading = ({ method }: FastifyRequest): boolean => method === 'GET' || method === 'HEAD'

/** Writes are taken only from pages of this very origin; that there is TLS before it, only a trusted proxy can say. */
function checkOrigin(request: FastifyRequest): void {
  if (isReading(request)) return
  const { origin } = request.headers
  const own = homeOf(request)
  if (origin && URL.canParse(origin) && URL.canParse(own) && new URL(origin).origin === new URL(own).origin) return
  throw new Fault('wrong-origin')
}

/** Every route is closed but to the audience that it declares. @param secure whether cookies are for TLS only */
export function guard(app: FastifyInstance, db: Db, secure: boolean, hasRoom: HasRoom): void {
  app.decorateRequest('user')
  app.decorateRequest('firm')
  app.decorateRequest('sessionId')
  app.decorateRequest('actor')
  app.decorateRequest('stillIn')
  const whoseSession = doorkeeper(db, hasRoom)
  app.addHook('onRequest', async (request, reply) => {
    try {
      await letIn(request, db, whoseSession, cookieName(secure))
      if (!isReading(request) && !(await hasRoom())) throw new Fault('disk-full')
    } catch (error) {
      endConnection(request, reply)
      throw error
    }
  })
}

/** Where a call comes from; nobody knows any more where whoever called has gone. */
export const addressOf = ({ ip }: { readonly ip?: string }): string => ip ?? ''

/** Who calls: a person with a session, or a program with a token. */
interface Caller {
  readonly user: User
  readonly firm: Firm
  /** Of a person's session; empty for programs. */
  readonly sessionId: string
  readonly actor: Actor
  /** Asked now and then by what goes on for long. */
  stillIn(): Promise<boolean>
  /** When they gave their password last; programs have none. */
  readonly confirmedAt?: Date | null
  /** Why this call is not for them, where it is not. */
  refusal(config: FastifyContextConfig, isReading: boolean): Message | undefined
}

/** What a firm asks of its owners holds for whatever only they may do, and for whatever they change. */
function refusalFor(user: User, firm: Firm, { audience, withoutFactor }: FastifyContextConfig, reads: boolean): Message | undefined {
  if (audience === undefined) return says('fault.call.nobody')
  if (audience === 'owner' && user.role !== 'owner') return says('fault.call.owner')
  const isAsked = audience === 'owner' || (!reads && withoutFactor !== true)
  return isAsked && secondFactorOf(user, firm) === 'needed' ? says('fault.call.second-factor') : undefined
}

async function person(request: FastifyRequest, whoseSession: Doorkeeper, cookie: string): Promise<Caller | undefined> {
  const who = await whoseSession(request.cookies[cookie])
  if (!who) return undefined
  const { user, firm, sessionId } = who
  return {
    ...who,
    actor: { user, address: addressOf(request) },
    stillIn: () => isOpen(sessionId),
    refusal: (config, reads) => refusalFor(user, firm, config, reads),
  }
}

async function program(request: FastifyRequest, token: string): Promise<Caller | undefined> {
  const who = await whoComes(token)
  if (!who) return undefined
  const { user, firm, scope, areas, tokenId, name } = who
  return {
    user,
    firm,
    sessionId: '',
    actor: { user: { id: user.id, firmId: user.firmId, name: `${user.name}, ${name}`.slice(0, 120) }, address: addressOf(request) },
    stillIn: () => holds(tokenId),
    refusal: (config, reads) =>
      config.onlyPeople
        ? says('fault.call.people')
        : scope === 'read' && !reads
          ? says('fault.call.read-only')
          : config.area !== undefined && !areas.includes(config.area)
            ? says('fault.call.other-area')
            : refusalFor(user, firm, config, reads),
  }
}

/** What a program brings; a browser never sends it by itself, so that it needs no origin. */
const bearerOf = ({ headers }: FastifyRequest): string | undefined => /^Bearer ([\w-]{20,200})$/.exec(headers.authorization ?? '')?.[1]

/** So long a password that was given counts, ms. */
const confirmedForMs = 10 * 60_000
const isLately = (at: Date | null | undefined): boolean => at instanceof Date && Date.now() - at.getTime() < confirmedForMs

/** Refusals that are on record already: who tries the same again and again fills no record of it. */
const refused = new LRUCache<string, true>({ max: 5000, ttl: 10 * 60_000 })
async function noteRefusal(db: Db, actor: Actor, about: string): Promise<void> {
  const key = `${actor.user.id} ${actor.user.name} ${actor.address} ${about}`
  if (refused.has(key)) return
  refused.set(key, true)
  await note(db, actor, { what: 'refused', about })
}

async function letIn(request: FastifyRequest, db: Db, whoseSession: Doorkeeper, cookie: string): Promise<void> {
  const token = bearerOf(request)
  if (token === undefined) checkOrigin(request)
  // What matches nothing has no body that anybody would read.
  if (request.is404) {
    if (isReading(request)) return
    throw new Fault('not-there')
  }
  const { config, url } = request.routeOptions
  if (config.audience === 'anyone') {
    if (token !== undefined) checkOrigin(request)
    return
  }
  const who = await (token === undefined ? person(request, whoseSession, cookie) : program(request, token))
  if (!who) throw new Fault('not-signed-in')
  const sentence = who.refusal(config, isReading(request))
  if (sentence !== undefined) {
    await noteRefusal(db, who.actor, `${request.method} ${url ?? ''}`)
    throw new Fault('not-allowed', { sentence })
  }
  if (config.asksPassword && token === undefined && !isLately(who.confirmedAt)) throw new Fault('confirm-password')
  request.user = who.user
  request.firm = who.firm
  request.sessionId = who.sessionId
  request.actor = who.actor
  request.stillIn = who.stillIn
}
