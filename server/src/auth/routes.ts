// Sign in, sign out, who am I; one's own password, second factor and sessions; and what whoever is in needs to know of the server itself.
import { stored } from '@yastik/core/wire'
import type { HouseRules } from '@yastik/core/method'
import { metric } from '@yastik/core/quantities'
import { endpoints, type Me } from '@yastik/core/wire'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { note } from '../audit/doings.ts'
import type { Db } from '../db/database.ts'
import type { Firm, User } from '../db/models.ts'
import { addressOf } from '../http/guard.ts'
import { serverOf } from '../http/serve.ts'
import {
  beginSecondFactor,
  changePassword,
  confirmPassword,
  confirmSecondFactor,
  dropSecondFactor,
  endSession,
  endSessions,
  setLanguage,
  setMeasures,
  signIn,
  useCode,
  type From,
  type SignedIn,
} from './doings.ts'
import { sessionsOf } from './queries.ts'
import { secondFactorOf } from './secondFactor.ts'
import { cookieName } from './sessions.ts'

const placeOf = ({ timeZone, currency, taxShare }: HouseRules): Me['place'] => ({ timeZone, currency, taxShare })
const fromOf = (request: FastifyRequest): From => ({ address: addressOf(request), agent: request.headers['user-agent'] ?? '' })

/** @param secure whether cookies are for TLS only @param instruments whether any are connected here */
export function authRoutes(house: Db, secure: boolean, instruments: boolean) {
  const meOf = (user: User, firm: Firm): Me => ({
    id: user.id,
    name: user.name,
    role: user.role,
    firm: firm.name,
    place: placeOf(firm.houseRules),
    measures: user.measures ?? metric,
    language: user.language ?? null,
    instruments,
    secondFactor: secondFactorOf(user, firm),
  })
  const cookie = cookieName(secure)
  /** The browser holds the session from now on. */
  const letIn = (reply: FastifyReply, { user, firm, token, maxAge }: SignedIn): Me => {
    reply.setCookie(cookie, token, { path: '/', httpOnly: true, sameSite: 'strict', secure, maxAge })
    return meOf(user, firm)
  }
  return async (app: FastifyInstance): Promise<void> => {
    const { reads, changes, serves } = serverOf(app, house)

    reads(endpoints.whoAmI, ({ user, firm }) => meOf(user, firm))
    reads(endpoints.clock, () => ({ nowMs: Date.now() }))
    reads(endpoints.openapi, () => ({ ...app.swagger() }))
    reads(endpoints.sessions, ({ db, user, sessionId }) => sessionsOf(db, user, sessionId))

    // Passwords are hashed before anything is changed: that takes its time.
    serves(endpoints.signIn, async ({ db, body, request, reply }) => letIn(reply, await signIn(db, body, fromOf(request))))
    serves(endpoints.useCode, async ({ db, body, request, reply }) => letIn(reply, await useCode(db, body, fromOf(request))))
    serves(endpoints.changePassword, async ({ db, body, user, firm, sessionId, request }) => {
      await changePassword(db, user, firm, body, sessionId, fromOf(request))
      return meOf(user, firm)
    })
    serves(endpoints.confirmPassword, async ({ db, body, user, sessionId, request, reply }) => {
      await confirmPassword(db, user, body.password, sessionId, fromOf(request))
      return reply.send()
    })
    reads(endpoints.isConfirmed, async () => undefined)
    serves(endpoints.beginSecondFactor, ({ db, body, user, request }) => beginSecondFactor(db, user, body.password, fromOf(request)))
    serves(endpoints.dropSecondFactor, async ({ db, body, user, firm, request }) =>
      meOf(await dropSecondFactor(db, user, body, fromOf(request)), firm),
    )
    serves(endpoints.signOut, async ({ db, user, sessionId, reply }) => {
      await db.change((doing) => endSession(doing, user.id, sessionId))
      return reply.clearCookie(cookie, { path: '/', secure }).send()
    })

    changes(endpoints.confirmSecondFactor, async ({ db, body, actor, firm }) => {
      const { user: own, recoveryCodes } = await confirmSecondFactor(db, actor, body.code)
      return { me: meOf(own, firm), recoveryCodes }
    })
    changes(endpoints.endSession, async ({ db, params, user, actor }) => {
      await endSession(db, user.id, params.id)
      await note(db, actor, { what: 'sessions-ended', about: stored.oneSession })
    })
    changes(endpoints.endSessions, async ({ db, user, sessionId, actor }) => {
      await endSessions(db, user.id, sessionId)
      await note(db, actor, { what: 'sessions-ended', about: stored.otherSessions })
    })
    changes(endpoints.setMeasures, async ({ db, body, user, firm }) => {
      await setMeasures(db, user, body)
      return { ...meOf(user, firm), measures: body }
    })
    changes(endpoints.setLanguage, async ({ db, body, user, firm }) => {
      await setLanguage(db, user, body.language)
      return { ...meOf(user, firm), language: body.language }
    })
  }
}
