// Sites and their units.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { serverOf } from '../http/serve.ts'
import { makeSite, makeUnits, retireSite, retireUnit, saveSite, saveUnit } from './doings.ts'
import { fullSite, sitePage } from './queries.ts'
import { unitRecord } from './records.ts'

export const siteRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)

    reads(endpoints.sites, ({ db, query, user }) => sitePage(db, user.firmId, query))
    reads(endpoints.site, ({ db, params, user }) => fullSite(db, params.id, user.firmId))

    changes(endpoints.makeSite, async ({ db, body, user, firm }) => fullSite(db, await makeSite(db, body, user, firm), user.firmId))
    changes(endpoints.saveSite, async ({ db, params, body, user, firm }) => {
      await saveSite(db, params.id, body, user, firm)
      return fullSite(db, params.id, user.firmId)
    })
    changes(endpoints.makeUnit, async ({ db, params, body, user }) => {
      const [unit] = await makeUnits(db, params.id, [body], user)
      return unitRecord(await unit.reload({ transaction: db.transaction }))
    })
    changes(endpoints.makeAlikeUnits, async ({ db, params, body: { names, ...alike }, user }) => {
      await makeUnits(
        db,
        params.id,
        names.map((name) => ({ name, ...alike })),
        user,
      )
      return fullSite(db, params.id, user.firmId)
    })
    changes(endpoints.retireSite, async ({ db, params, body, user, actor }) => {
      await retireSite(db, params.id, body.retired, actor)
      return fullSite(db, params.id, user.firmId)
    })
    changes(endpoints.retireUnit, async ({ db, params, body, actor }) => unitRecord(await retireUnit(db, params.id, body.retired, actor)))
    changes(endpoints.saveUnit, async ({ db, params, body, user }) => unitRecord(await saveUnit(db, params.id, body, user)))
  }
