// People of the firm, for its owners.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { addPerson, resetPerson, savePerson, saveSecurity } from './doings.ts'
import { peopleOf } from './queries.ts'

export const peopleRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)
    reads(endpoints.people, ({ db, firm }) => peopleOf(db, firm.id))
    changes(endpoints.addPerson, ({ db, body, actor }) => addPerson(db, body, actor))
    changes(endpoints.savePerson, ({ db, params, body, actor }) => savePerson(db, params.id, body, actor))
    changes(endpoints.resetPerson, ({ db, params, actor }) => resetPerson(db, params.id, actor))
    reads(endpoints.security, ({ firm }) => ({ ownersNeedSecondFactor: firm.ownersNeedSecondFactor }))
    changes(endpoints.saveSecurity, ({ db, body, firm, actor }) => saveSecurity(db, firm, body, actor))
  }
