// Sign in, sign out, who am I; and what whoever is in needs to know of the server itself.
import { endpoints, metric, type Me } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import type { Firm, User } from '../db/models.ts'
import { serverOf } from '../http/serve.ts'
import { closeSession, setMeasures, signIn } from './doings.ts'
import { cookieName } from './sessions.ts'

/** @param secure whether cookies are for TLS only @param instruments whether any are connected here */
export function authRoutes(db: Db, secure: boolean, instruments: boolean) {
  const meOf = (user: User, firm: Firm): Me => ({
    id: user.id,
    name: user.name,
    role: user.role,
    firm: firm.name,
    measures: user.measures ?? metric,
    instruments,
  })
  const cookie = cookieName(secure)
  return async (app: FastifyInstance): Promise<void> => {
    const { reads, changes, serves } = serverOf(app, db)

    serves(endpoints.signIn, async ({ body, request, reply }): Promise<Me> => {
      const { user, firm, token, maxAge } = await signIn(db, body, request.ip)
      reply.setCookie(cookie, token, { path: '/', httpOnly: true, sameSite: 'strict', secure, maxAge })
      return meOf(user, firm)
    })

    serves(endpoints.signOut, async ({ request, reply }) => {
      await db.change((doing) => closeSession(doing, request.cookies[cookie] ?? ''))
      return reply.clearCookie(cookie, { path: '/', secure }).send()
    })

    changes(endpoints.setMeasures, async ({ db: doing, body, user, firm }) => {
      await setMeasures(doing, user, body)
      return { ...meOf(user, firm), measures: body }
    })

    reads(endpoints.whoAmI, ({ user, firm }) => meOf(user, firm))
    reads(endpoints.clock, () => ({ nowMs: Date.now() }))
    reads(endpoints.openapi, () => ({ ...app.swagger() }))
  }
}
