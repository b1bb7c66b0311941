// Who did what, and which other programs get in: for owners.
import { z } from 'zod'
import { auditPageSchema, tokenFormSchema, tokenMadeSchema, tokenRecordSchema } from '../trust.ts'
import { endpoint, forPeople } from './endpoint.ts'
import { byId, paged } from './shared.ts'

export const trustEndpoints = {
  audit: endpoint({
    method: 'GET',
    path: '/api/audit',
    who: 'owner',
    says: 'Who did what that matters to trust, newest first, page by page.',
    query: paged,
    answer: auditPageSchema,
  }),
  auditTable: endpoint({
    method: 'GET',
    path: '/api/exports/audit.csv',
    who: 'owner',
    asksPassword: true,
    says: 'The same as a table, all of it.',
    gives: ['text/csv'],
  }),
  tokens: forPeople({
    method: 'GET',
    path: '/api/tokens',
    who: 'owner',
    says: 'Programs that get in by a token.',
    answer: z.array(tokenRecordSchema),
  }),
  makeToken: forPeople({
    method: 'POST',
    path: '/api/tokens',
    who: 'owner',
    asksPassword: true,
    says: 'Makes a token for a program; it is shown this once, and does what its maker may, within its scope.',
    body: tokenFormSchema,
    answer: tokenMadeSchema,
    status: 201,
  }),
  endToken: forPeople({ method: 'DELETE', path: '/api/tokens/:id', who: 'owner', says: 'Ends a token at once.', params: byId, status: 204 }),
} as const
