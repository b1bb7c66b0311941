// People of a firm, as its owners see them.
import type { PersonRecord } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { User } from '../db/models.ts'

export const personRecord = (user: User): PersonRecord => ({
  id: user.id,
  name: user.name,
  signIn: user.signIn,
  role: user.role,
  trained: user.trained,
  ...(user.liftKg === null ? {} : { liftKg: user.liftKg }),
  ...(user.pacePercent === null ? {} : { pacePercent: user.pacePercent }),
  active: user.endedAt === null,
  way:
    user.codeHash !== null && user.codeUntil !== null && user.codeUntil.getTime() > Date.now()
      ? 'code'
      : user.passwordHash === ''
        ? 'none'
        : 'password',
  secondFactor: user.secondFactor?.isSet ?? false,
  lastSeenAt: user.lastSeenAt?.toISOString() ?? null,
})

export const peopleOf = async ({ transaction }: Db, firmId: number): Promise<PersonRecord[]> =>
  (await User.findAll({ where: { firmId }, order: [['name', 'ASC']], transaction })).map(personRecord)
