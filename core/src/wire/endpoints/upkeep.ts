// What falls due: by unit, by visit, and what a forecast rests on.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'
import { dueKinds, firmRatesSchema } from '../../upkeep/index.ts'
import { dueHorizons, duePageSchema, dueVisitsSchema, dueWorthSchema, unitOutlookSchema } from '../due.ts'
import { daySchema } from '../records.ts'
import { endpoint } from './endpoint.ts'
import { byId, mark } from './shared.ts'

export const upkeepEndpoints = {
  due: endpoint({
    method: 'GET',
    path: '/api/due',
    who: 'people',
    says: 'What falls due, soonest first, page by page.',
    query: closed({ until: daySchema.optional(), what: z.literal(dueKinds).optional(), after: mark }),
    answer: duePageSchema,
  }),
  dueVisits: endpoint({
    method: 'GET',
    path: '/api/due/visits',
    who: 'people',
    says: 'What falls due by visit: a site each with what is due there so many weeks ahead, soonest first, page by page.',
    query: closed({ weeks: z.coerce.number().pipe(z.literal(dueHorizons)), after: mark }),
    answer: dueVisitsSchema,
  }),
  dueWorth: endpoint({
    method: 'GET',
    path: '/api/due/worth',
    who: 'people',
    says: 'How many cleanings fall due by when, and what they are worth.',
    answer: dueWorthSchema,
  }),
  learn: endpoint({
    method: 'POST',
    path: '/api/due/learn',
    who: 'owner',
    says: 'Learns the firm’s rates of fouling anew, and reckons all due days by them.',
    answer: firmRatesSchema,
  }),
  unitOutlook: endpoint({
    method: 'GET',
    path: '/api/units/:id/outlook',
    who: 'people',
    says: 'What the forecast of a unit rests on.',
    params: byId,
    answer: unitOutlookSchema,
  }),
} as const
