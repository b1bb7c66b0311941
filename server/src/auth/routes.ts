// Sign in, sign out, who am I.
import { Fault, measuresSchema, metric, readBy, signInSchema, type Me } from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize } from 'sequelize'
import { anyone, people } from './audience.ts'
import { Firm, User } from '../db/models.ts'
import { hashPassword, isOutdated, verifyPassword } from './passwords.ts'
import { giveBack, takeTry } from './throttle.ts'
import { closeSession, cookieName, openSession, sessionLimits } from './sessions.ts'

export function authRoutes(sequelize: Sequelize, secure: boolean, instruments: boolean) {
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
    // Somebody unknown costs as long as somebody known.
    const decoy = await hashPassword('nobody has this password')

    app.post('/api/session', anyone, async (request, reply) => {
      const { signIn, password } = readBy(signInSchema, request.body)
      await takeTry(sequelize, signIn, request.ip)
      const user = await User.findOne({ where: { signIn } })
      const fits = await verifyPassword(password, user?.passwordHash ?? decoy)
      const firm = user && (await Firm.findByPk(user.firmId))
      if (!user || !firm || !fits) throw new Fault('wrong-sign-in')
      await giveBack(sequelize, signIn, request.ip)
      if (isOutdated(user.passwordHash)) await user.update({ passwordHash: await hashPassword(password) })
      const maxAge = sessionLimits[user.role].wholeMs / 1000
      reply.setCookie(cookie, await openSession(user), { path: '/', httpOnly: true, sameSite: 'strict', secure, maxAge })
      return meOf(user, firm)
    })

    app.delete('/api/session', people, async (request, reply) => {
      await closeSession(request.cookies[cookie] ?? '')
      reply.clearCookie(cookie, { path: '/', secure })
      return reply.status(204).send()
    })

    app.put('/api/session/measures', people, async ({ user, firm, body }) =>
      meOf(await user.update({ measures: readBy(measuresSchema, body) }), firm),
    )

    app.get('/api/session', people, async (request) => meOf(request.user, request.firm))
  }
}
