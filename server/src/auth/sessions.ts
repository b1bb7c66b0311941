// Who is asking? Sessions live in the database; the browser holds a random token, the database only its hash.
import { createHash, randomBytes } from 'node:crypto'
import { Op, QueryTypes, type InferCreationAttributes, type Model, type ModelStatic } from 'sequelize'
import { Firm, Session, User } from '../db/models.ts'

type Role = User['role']
const dayMs = 86_400_000
/** How long a session lasts without being used, and at most. Owners reach everything; technicians are off for a week, and then have no signal. */
export const sessionLimits: Readonly<Record<Role, { readonly idleMs: number; readonly wholeMs: number }>> = {
  owner: { idleMs: 3 * dayMs, wholeMs: 14 * dayMs },
  technician: { idleMs: 10 * dayMs, wholeMs: 30 * dayMs },
}
/** That a session is used is noted no more often than this. */
const notedEveryMs = 5 * 60_000

/** Under TLS a browser takes a cookie of this name from this very host alone, for all of it, and only over TLS. */
export const cookieName = (secure: boolean): string => (secure ? '__Host-yastik_session' : 'yastik_session')

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** Opens a session and returns its token; sessions that have run out are cleared on the way. */
export async function openSession(user: Pick<User, 'id' | 'role'>): Promise<string> {
  const token = randomBytes(32).toString('base64url')
  const now = Date.now()
  const { wholeMs } = sessionLimits[user.role]
  await Session.destroy({ where: { expiresAt: { [Op.lt]: new Date(now) } } })
  await Session.create({ tokenHash: hashOf(token), userId: user.id, usedAt: new Date(now), expiresAt: new Date(now + wholeMs) })
  return token
}

export const closeSession = async (token: string): Promise<void> => void (await Session.destroy({ where: { tokenHash: hashOf(token) } }))

/** Whose session it is, in one question: every request asks it. */
export async function whoIs(token: string | undefined): Promise<{ user: User; firm: Firm } | undefined> {
  if (!token) return undefined
  const [tokenHash, now] = [hashOf(token), Date.now()]
  const [row] = await Session.sequelize!.query<{ usedAt: Date; user: UserRow; firm: FirmRow }>(
    `SELECT s.used_at AS usedAt, ${columnsOf(User, 'user', 'u')}, ${columnsOf(Firm, 'firm', 'f')}
     FROM sessions s JOIN users u ON u.id = s.user_id JOIN firms f ON f.id = u.firm_id WHERE s.token_hash = :tokenHash AND s.expires_at > :now`,
    { replacements: { tokenHash, now: new Date(now) }, type: QueryTypes.SELECT, nest: true },
  )
  if (!row) return undefined
  const user = User.build(row.user, asStored)
  const idleMs = now - row.usedAt.getTime()
  if (idleMs > sessionLimits[user.role].idleMs) return undefined
  if (idleMs > notedEveryMs) await Session.update({ usedAt: new Date(now) }, { where: { tokenHash } })
  return { user, firm: Firm.build(row.firm, asStored) }
}
type UserRow = InferCreationAttributes<User>
type FirmRow = InferCreationAttributes<Firm>
const asStored = { isNewRecord: false, raw: true } as const
/** All columns of a model, each under its attribute's name within `under`. */
const columnsOf = (model: ModelStatic<Model>, under: string, table: string) =>
  Object.entries(model.getAttributes())
    .map(([name, { field }]) => `${table}.${field ?? name} AS \`${under}.${name}\``)
    .join(', ')
