// What customers are written: drafted, read and sent by the owner; what became of it, and what they answered.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Job, Site } from '../db/models.ts'
import { serverOf } from '../http/serve.ts'
import type { WeatherSource } from '../weather/source.ts'
import { queueMessage, retryMessage, withdrawMessage } from './doings.ts'
import { lateMessage, reminderFor } from './drafts.ts'
import { messagePage } from './queries.ts'

/** @param isSetUp whether somebody carries messages */
export const messageRoutes =
  (house: Db, weather: WeatherSource | undefined, isSetUp: boolean) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)

    reads(endpoints.draftReminder, async ({ db, params, firm }) =>
      reminderFor(db, firm, await findOwn(db, Site, 'site', params.id, firm.id), weather, Date.now()),
    )
    changes(endpoints.sendReminder, async ({ db, params, body, user, firm }) =>
      queueMessage(db, await findOwn(db, Site, 'site', params.id, firm.id), user, { kind: 'reminder', ...body }, isSetUp),
    )
    reads(endpoints.draftLate, async ({ db, params, query, firm }) =>
      lateMessage(db, firm, await findOwn(db, Job, 'job', params.id, firm.id, ['site']), query.startMin, Date.now()),
    )
    changes(endpoints.sendLate, async ({ db, params, body, user, firm }) => {
      const { siteId } = await findOwn(db, Job, 'job', params.id, firm.id)
      return queueMessage(db, await findOwn(db, Site, 'site', siteId, firm.id), user, { kind: 'late', ...body }, isSetUp)
    })
    reads(endpoints.messages, ({ db, query, firm }) => messagePage(db, firm.id, query.after))
    changes(endpoints.withdrawMessage, ({ db, params, firm }) => withdrawMessage(db, params.id, firm.id))
    changes(endpoints.retryMessage, ({ db, params, firm }) => retryMessage(db, params.id, firm.id))
  }
