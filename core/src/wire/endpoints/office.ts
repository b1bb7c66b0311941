// The office: quotes, messages to customers, and the stock.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'
import { messageDraftSchema, messageFormSchema, messagePageSchema, messageRecordSchema } from '../messages.ts'
import { quoteAcceptSchema, quoteChangeSchema, quoteFormSchema, quotePageSchema, quoteRecordSchema, quoteUnitsSchema } from '../quotes.ts'
import { daySchema } from '../records.ts'
import { dayLoadSchema, stockFormSchema, stockMovesSchema, stockRecordSchema } from '../stock.ts'
import { endpoint } from './endpoint.ts'
import { byId, mark, paged } from './shared.ts'

const ofQuote = { who: 'owner', params: byId, answer: quoteRecordSchema } as const

export const officeEndpoints = {
  quotes: endpoint({
    method: 'GET',
    path: '/api/quotes',
    who: 'owner',
    says: 'Quotes, newest first, page by page.',
    query: closed({ siteId: z.uuid().optional(), after: mark }),
    answer: quotePageSchema,
  }),
  makeQuote: endpoint({
    method: 'POST',
    path: '/api/quotes',
    who: 'owner',
    says: 'Reckons every way of doing the work at units of a site, with its price.',
    body: quoteFormSchema,
    answer: quoteRecordSchema,
    status: 201,
  }),
  quote: endpoint({ method: 'GET', path: '/api/quotes/:id', says: 'One quote, with what came of it.', ...ofQuote }),
  changeQuote: endpoint({
    method: 'PUT',
    path: '/api/quotes/:id',
    says: 'Changes what is offered, what is added or taken off, and until when it stands.',
    body: quoteChangeSchema,
    ...ofQuote,
  }),
  reckonQuote: endpoint({
    method: 'PUT',
    path: '/api/quotes/:id/units',
    says: 'Reckons a quote anew, for other grades or complaints.',
    body: quoteUnitsSchema,
    ...ofQuote,
  }),
  acceptQuote: endpoint({
    method: 'POST',
    path: '/api/quotes/:id/accept',
    says: 'Makes a visit of one way of a quote.',
    body: quoteAcceptSchema,
    ...ofQuote,
  }),
  declineQuote: endpoint({
    method: 'POST',
    path: '/api/quotes/:id/decline',
    says: 'Notes that the customer does not want it.',
    body: quoteAcceptSchema.pick({ version: true }),
    ...ofQuote,
  }),
  draftQuoteMessage: endpoint({
    method: 'GET',
    path: '/api/quotes/:id/message',
    who: 'owner',
    says: 'A quote as a message to its customer, as a draft.',
    params: byId,
    answer: messageDraftSchema,
  }),
  sendQuoteMessage: endpoint({
    method: 'POST',
    path: '/api/quotes/:id/message',
    who: 'owner',
    says: 'Sends a quote to its customer.',
    params: byId,
    body: messageFormSchema,
    answer: messageRecordSchema,
    status: 201,
  }),
  draftReminder: endpoint({
    method: 'GET',
    path: '/api/sites/:id/reminder',
    who: 'owner',
    says: 'A reminder of what falls due at a site, as a draft.',
    params: byId,
    answer: messageDraftSchema,
  }),
  sendReminder: endpoint({
    method: 'POST',
    path: '/api/sites/:id/reminder',
    who: 'owner',
    says: 'Reminds the customer of a site.',
    params: byId,
    body: messageFormSchema,
    answer: messageRecordSchema,
    status: 201,
  }),
  messages: endpoint({
    method: 'GET',
    path: '/api/messages',
    who: 'owner',
    says: 'Messages to customers, newest first, page by page.',
    query: paged,
    answer: messagePageSchema,
  }),
  withdrawMessage: endpoint({
    method: 'POST',
    path: '/api/messages/:id/withdraw',
    who: 'owner',
    says: 'Takes a message back that has not left.',
    params: byId,
    answer: messageRecordSchema,
  }),
  retryMessage: endpoint({
    method: 'POST',
    path: '/api/messages/:id/retry',
    who: 'owner',
    says: 'Sends a message again that failed.',
    params: byId,
    answer: messageRecordSchema,
  }),
  stock: endpoint({
    method: 'GET',
    path: '/api/stock',
    who: 'people',
    says: 'What is left of each product, and what to buy.',
    answer: stockRecordSchema,
  }),
  noteStock: endpoint({
    method: 'POST',
    path: '/api/stock',
    who: 'people',
    says: 'Notes what was bought, counted or thrown out.',
    body: stockFormSchema,
    answer: stockRecordSchema,
    status: 201,
  }),
  stockMoves: endpoint({
    method: 'GET',
    path: '/api/stock/moves',
    who: 'people',
    says: 'What came to the stock and went from it, newest first, page by page.',
    query: paged,
    answer: stockMovesSchema,
  }),
  dayLoad: endpoint({
    method: 'GET',
    path: '/api/load',
    who: 'people',
    says: 'What the van carries for the visits of a day.',
    query: closed({ day: daySchema }),
    answer: dayLoadSchema,
  }),
} as const
