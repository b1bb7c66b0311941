// Who is asking? Sessions live in the database; the browser holds a random token, the database only its hash.
import { createHash, randomBytes } from 'node:crypto'
import { Fault } from '@yastik/core'
import type { FastifyInstance, FastifyRequest } from 'fastify'
import { Op } from 'sequelize'
import { Firm, Session, User } from '../db/models.ts'

declare module 'fastify' {
  interface FastifyRequest {
    /** The signed-in person; set on every route but sign-in. */
    user: User
    firm: Firm
  }
  interface FastifyContextConfig {
    /** Open to people who are not signed in. */
    open?: boolean
    /** Only for this role. */
    role?: 'owner'
  }
}

export const cookieName = 'yastik_session'
const sessionDays = 14

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** Opens a session and returns its token; sessions that have run out are cleared on the way. */
export async function openSession(userId: number): Promise<string> {
  const token = randomBytes(32).toString('base64url')
  await Session.destroy({ where: { expiresAt: { [Op.lt]: new Date() } } })
  await Session.create({ tokenHash: hashOf(token), userId, expiresAt: new Date(Date.now() + sessionDays * 86_400_000) })
  return token
}

export const closeSession = async (token: string): Promise<void> => void (await Session.destroy({ where: { tokenHash: hashOf(token) } }))

async function userOf(token: string | undefined): Promise<User | undefined> {
  if (!token) return undefined
  const session = await Session.findOne({ where: { tokenHash: hashOf(token), expiresAt: { [Op.gt]: new Date() } } })
  return session ? ((await User.findByPk(session.userId)) ?? undefined) : undefined
}

/** Writes are taken only from pages of this very origin. */
function checkOrigin(request: FastifyRequest): void {
  if (request.method === 'GET' || request.method === 'HEAD') return
  const origin = request.headers.origin
  if (origin && URL.canParse(origin) && new URL(origin).host === request.host) return
  throw new Fault('wrong-origin')
}

/** Every route under /api needs a session, unless it says that it is open. */
export function guard(app: FastifyInstance): void {
  app.decorateRequest('user')
  app.decorateRequest('firm')
  app.addHook('onRequest', async (request) => {
    if (!request.url.startsWith('/api/')) return
    checkOrigin(request)
    const { open, role } = request.routeOptions.config
    if (open) return
    const user = await userOf(request.cookies[cookieName])
    if (!user) throw new Fault('not-signed-in')
    const firm = await Firm.findByPk(user.firmId)
    if (!firm) throw new Fault('not-signed-in')
    if (role && user.role !== role) throw new Fault('not-allowed', { sentence: `Only the ${role} may do this.` })
    request.user = user
    request.firm = firm
  })
}
