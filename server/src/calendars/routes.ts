// Calendars that other programs fetch by themselves.
import { sayToPerson } from '../words.ts'
import { Fault } from '@yastik/core/faults'
import { endpoints } from '@yastik/core/wire'
import type { FastifyInstance } from 'fastify'
import type { Db } from '../db/database.ts'
import { homeOf } from '../http/home.ts'
import { serverOf } from '../http/serve.ts'
import { endCalendar, makeCalendar } from './doings.ts'
import { calendarOf } from './entries.ts'
import { calendarAt, calendarsOf } from './queries.ts'

export const calendarRoutes =
  (house: Db) =>
  async (app: FastifyInstance): Promise<void> => {
    const { reads, changes, serves } = serverOf(app, house)
    reads(endpoints.calendars, ({ db, user }) => calendarsOf(db, user))
    changes(endpoints.makeCalendar, ({ db, body, user, actor }) => makeCalendar(db, body, user, actor))
    changes(endpoints.endCalendar, ({ db, params, user, actor }) => endCalendar(db, params.id, user, actor))
    serves(endpoints.fetchCalendar, async ({ params, request, reply }) => {
      const own = await calendarAt(params.secret)
      if (!own) throw new Fault('not-there')
      const { firm, calendar } = own
      const { personId, showsContact, person, user } = calendar
      const say = await sayToPerson(person ?? user, firm)
      return reply
        .header('content-type', 'text/calendar; charset=utf-8')
        .header('content-disposition', 'inline; filename="visits.ics"')
        .send(await calendarOf(firm, Date.now(), { home: homeOf(request), showsContact, say, ...(personId === null ? {} : { personId }) }))
    })
  }
