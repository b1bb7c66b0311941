// Who is asking? Sessions live in the database; the browser holds a random token, the database only its hash.
import { createHash, randomBytes } from 'node:crypto'
import { Op, QueryTypes, type InferCreationAttributes, type Model, type ModelStatic } from 'sequelize'
import { Firm, Session, User } from '../db/models.ts'

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

/** Whose session it is, in one question: every request asks it. */
export async function whoIs(token: string | undefined): Promise<{ user: User; firm: Firm } | undefined> {
  if (!token) return undefined
  const [row] = await Session.sequelize!.query<{ user: UserRow; firm: FirmRow }>(
    `SELECT ${columnsOf(User, 'user', 'u')}, ${columnsOf(Firm, 'firm', 'f')} FROM sessions s JOIN users u ON u.id = s.user_id JOIN firms f ON f.id = u.firm_id
     WHERE s.token_hash = :hash AND s.expires_at > :now`,
    { replacements: { hash: hashOf(token), now: new Date() }, type: QueryTypes.SELECT, nest: true },
  )
  return row && { user: User.build(row.user, asStored), firm: Firm.build(row.firm, asStored) }
}
type UserRow = InferCreationAttributes<User>
type FirmRow = InferCreationAttributes<Firm>
const asStored = { isNewRecord: false, raw: true } as const
/** All columns of a model, each under its attribute's name within `under`. */
const columnsOf = (model: ModelStatic<Model>, under: string, table: string) =>
  Object.entries(model.getAttributes())
    .map(([name, { field }]) => `${table}.${field ?? name} AS \`${under}.${name}\``)
    .join(', ')
