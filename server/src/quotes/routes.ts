// Quotes, for the owner, who answers for the price.
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Quote, Site } from '../db/models.ts'
import { serverOf } from '../http/serve.ts'
import { quoteMessage } from '../messages/drafts.ts'
import { acceptQuote, changeQuote, declineQuote, makeQuote, reckonQuote, sendQuote } from './doings.ts'
import { quotePage, quoteRecord } from './queries.ts'

/** @param canSend whether somebody carries messages */
export const quoteRoutes =
  (house: Db, canSend: boolean) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes } = serverOf(app, house)

    reads(endpoints.quotes, ({ db, query, firm }) => quotePage(db, firm.id, query))
    reads(endpoints.quote, async ({ db, params, firm }) => quoteRecord(db, await findOwn(db, Quote, 'quote', params.id, firm.id), firm))

    changes(endpoints.makeQuote, async ({ db, body, firm, user }) => quoteRecord(db, await makeQuote(db, body, firm, user), firm))
    changes(endpoints.changeQuote, async ({ db, params, body, firm, user }) =>
      quoteRecord(db, await changeQuote(db, params.id, body, firm, user), firm),
    )
    changes(endpoints.reckonQuote, async ({ db, params, body, firm, user }) =>
      quoteRecord(db, await reckonQuote(db, params.id, body, firm, user), firm),
    )
    changes(endpoints.acceptQuote, async ({ db, params, body, firm, user }) =>
      quoteRecord(db, await acceptQuote(db, params.id, body, firm, user), firm),
    )
    changes(endpoints.declineQuote, async ({ db, params, body, firm, user }) =>
      quoteRecord(db, await declineQuote(db, params.id, body.version, firm, user), firm),
    )

    reads(endpoints.draftQuoteMessage, async ({ db, params, firm }) => {
      const quote = await findOwn(db, Quote, 'quote', params.id, firm.id)
      return quoteMessage(db, firm, quote, await findOwn(db, Site, 'site', quote.siteId, firm.id), Date.now())
    })
    changes(endpoints.sendQuoteMessage, ({ db, params, body, firm, user }) => sendQuote(db, params.id, body.body, firm, user, canSend))
  }
