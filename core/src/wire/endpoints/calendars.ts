// Calendars that other programs fetch by themselves: made, listed, taken back; and fetched by whoever has the address.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'
import { calendarFormSchema, calendarMadeSchema, calendarRecordSchema } from '../calendars.ts'
import { endpoint, forPeople } from './endpoint.ts'
import { byId } from './shared.ts'

export const calendarEndpoints = {
  calendars: forPeople({
    method: 'GET',
    path: '/api/calendars',
    who: 'people',
    says: 'Calendars that other programs fetch: all of the firm for owners, their own for others.',
    answer: z.array(calendarRecordSchema),
  }),
  makeCalendar: forPeople({
    method: 'POST',
    path: '/api/calendars',
    who: 'people',
    says: 'Makes a secret address of a calendar; it is shown this once. Owners make any, others one of their own visits.',
    body: calendarFormSchema,
    answer: calendarMadeSchema,
    status: 201,
  }),
  endCalendar: forPeople({
    method: 'DELETE',
    path: '/api/calendars/:id',
    who: 'people',
    says: 'Takes an address back: nothing is there any more.',
    params: byId,
    status: 204,
  }),
  fetchCalendar: endpoint({
    method: 'GET',
    path: '/api/calendars/:secret/visits.ics',
    who: 'anyone',
    says: 'Visits as a calendar, for whoever has its secret address.',
    params: closed({ secret: z.string().regex(/^[\w-]{43}$/) }),
    gives: ['text/calendar'],
  }),
} as const
