// Who is asking, and how often was it tried?
import type { SessionRecord } from '@yastik/core/wire'
import { Op, type InferCreationAttributes, type Model, type ModelStatic } from 'sequelize'
import type { Db } from '../db/database.ts'
import { Firm, Session, User } from '../db/models.ts'
import { together } from '../db/together.ts'
import type { HasRoom } from '../running/room.ts'
import { hashOf, notedEveryMs, sessionLimits } from './sessions.ts'

type UserRow = InferCreationAttributes<User>
type FirmRow = InferCreationAttributes<Firm>
const asStored = { isNewRecord: false, raw: true } as const
/** All columns of a model, each under its attribute's name within `under`. */
const columnsOf = (model: ModelStatic<Model>, under: string, table: string) =>
  Object.entries(model.getAttributes())
    .map(([name, { field }]) => `${table}.${field ?? name} AS \`${under}.${name}\``)
    .join(', ')

/** Who is in, and by which session. */
export interface WhoIs {
  readonly user: User
  readonly firm: Firm
  readonly sessionId: string
  /** When the password was given last in this session. */
  readonly confirmedAt: Date | null
}

interface SessionRow {
  /** Hash of its token. */
  readonly id: string
  readonly sessionId: string
  readonly usedAt: Date
  readonly expiresAt: Date
  readonly confirmedAt: Date | null
  readonly user: UserRow
  readonly firm: FirmRow
}
/** Sessions by the hash of their token, each with its person, who gets in, and the firm. */
const sessionsBy = (db: Db, hashes: readonly string[]): Promise<SessionRow[]> =>
  db.readNested<SessionRow>(
    `SELECT s.token_hash AS id, s.id AS sessionId, s.used_at AS usedAt, s.expires_at AS expiresAt, s.confirmed_at AS confirmedAt, ${columnsOf(User, 'user', 'u')}, ${columnsOf(Firm, 'firm', 'f')}
     FROM sessions s JOIN users u ON u.id = s.user_id JOIN firms f ON f.id = u.firm_id WHERE s.token_hash IN (:hashes) AND u.ended_at IS NULL`,
    { hashes },
  )

/** Finds whose session it is: every request asks it, and those that come at the same time ask together. */
export type Doorkeeper = (token: string | undefined) => Promise<WhoIs | undefined>

/** Nobody’s where its person gets in no more. */
export function doorkeeper(db: Db, hasRoom: HasRoom): Doorkeeper {
  const sessionOf = together((hashes) => sessionsBy(db, hashes), 0)
  return async (token) => {
    if (!token) return undefined
    const [tokenHash, now] = [hashOf(token), Date.now()]
    const row = await sessionOf(tokenHash)
    return row && row.expiresAt.getTime() > now ? whoIs(row, now, hasRoom) : undefined
  }
}

async function whoIs(row: SessionRow, now: number, hasRoom: HasRoom): Promise<WhoIs | undefined> {
  const user = User.build({ ...row.user }, asStored)
  const idleMs = now - row.usedAt.getTime()
  if (idleMs > sessionLimits[user.role].idleMs) return undefined
  if (idleMs > notedEveryMs && (await hasRoom())) {
    await Session.update({ usedAt: new Date(now) }, { where: { id: row.sessionId } })
    await User.update({ lastSeenAt: new Date(now) }, { where: { id: user.id } })
  }
  return { user, firm: Firm.build({ ...row.firm }, asStored), sessionId: row.sessionId, confirmedAt: row.confirmedAt }
}

/** So long whoever listens waits for others who do, ms. */
const listenersWaitMs = 50

const openSession = together((ids) => Session.findAll({ where: { id: [...ids] }, attributes: ['id'], raw: true }), listenersWaitMs)
/** Whether a session is still open: streams that were opened by it go on asking. */
export const isOpen = async (sessionId: string): Promise<boolean> => (await openSession(sessionId)) !== undefined

/** Where a person is signed in, used last first. */
export async function sessionsOf({ transaction }: Db, user: User, sessionId: string): Promise<SessionRecord[]> {
  const now = Date.now()
  const usedSince = new Date(now - sessionLimits[user.role].idleMs)
  const rows = await Session.findAll({
    where: { userId: user.id, expiresAt: { [Op.gt]: new Date(now) }, usedAt: { [Op.gt]: usedSince } },
    order: [['usedAt', 'DESC']],
    transaction,
  })
  return rows.map(({ id, device, madeAt, usedAt }) => ({
    id,
    device,
    madeAt: madeAt.toISOString(),
    usedAt: usedAt.toISOString(),
    isThis: id === sessionId,
  }))
}

/** Tries are counted by this of somebody who is known. */
export const keyOf = ({ id }: Pick<User, 'id'>): string => `person ${id}`

/**
 * A person by the name that they sign in by, and what their tries are counted by. The database takes many spellings of a name for the same: of a
 * name that nobody has they count together as well, so that nobody learns from it who is known.
 */
export async function personBy(db: Db, signIn: string): Promise<{ known: User | null; key: string }> {
  const known = await User.findOne({ where: { signIn } })
  if (known) return { known, key: keyOf(known) }
  const [row] = await db.read<{ spelt: string }>('SELECT HEX(WEIGHT_STRING(RTRIM(:signIn) COLLATE utf8mb4_unicode_ci)) AS spelt', { signIn })
  return { known, key: `name ${row.spelt}` }
}

/** What a guesser of somebody's password tries first: how the people of the firm are called and sign in, and the firm's name. */
export async function namesOfFirm({ transaction }: Db, firmId: number): Promise<string[]> {
  const firm = await Firm.findByPk(firmId, { attributes: ['name'], transaction })
  const people = await User.findAll({ where: { firmId }, attributes: ['name', 'signIn'], limit: 500, transaction })
  return [...(firm ? [firm.name] : []), ...people.flatMap(({ name, signIn }) => [name, signIn])]
}

/** How many tries of a bucket cost nothing, and how long the longest wait is. */
export interface Limit {
  readonly free: number
  readonly mostS: number
}

/**
 * Takes a try of a bucket. While tries are free nobody waits, whichever clock is ahead; then one of any number at once gets the turn.
 * @returns whose turn it is, and until when it is nobody else's
 */
export async function turnOf(
  db: Db,
  bucket: string,
  { free, mostS }: Limit,
  taker: string,
  now: number,
): Promise<{ taker: string; freeAtMs: number }> {
  // One statement: between two of them somebody else could take the turn. Assignments go from left to right, each with what the ones before it left.
  const [row] = await db.changing<{ taker: string; freeAtMs: number | bigint }>(
    `INSERT INTO sign_in_tries (bucket, tries, tried_at_ms, free_at_ms, taker) VALUES (:bucket, 1, :now, 0, :taker)
     ON DUPLICATE KEY UPDATE taker = IF(free_at_ms <= :now, :taker, taker), tries = IF(taker = :taker, tries + 1, tries),
       tried_at_ms = :now, free_at_ms = IF(taker = :taker AND tries >= :free, :now + 1000 * LEAST(:mostS, POW(2, LEAST(20, tries - :free))), free_at_ms)
     RETURNING taker, free_at_ms AS freeAtMs`,
    { bucket, now, taker, free, mostS },
  )
  return { taker: row.taker, freeAtMs: Number(row.freeAtMs) }
}
export const forgetTries = (db: Db, before: number): Promise<void> => db.write('DELETE FROM sign_in_tries WHERE tried_at_ms < :before', { before })
export const forgetBucket = (db: Db, bucket: string): Promise<void> => db.write('DELETE FROM sign_in_tries WHERE bucket = :bucket', { bucket })
export const giveTryBack = (db: Db, bucket: string): Promise<void> =>
  db.write('UPDATE sign_in_tries SET tries = GREATEST(0, tries - 1) WHERE bucket = :bucket', { bucket })
