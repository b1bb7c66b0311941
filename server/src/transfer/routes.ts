// The firm's data leaves, and comes in: for its owner.
import { PassThrough, Readable } from 'node:stream'
import { calendarImportSchema, Fault, readBy, siteImportSchema, type CalendarReceipt, type SiteImportLine } from '@yastik/core'
import type { FastifyInstance, FastifyReply } from 'fastify'
import type { Sequelize } from 'sequelize'
import { owner, people } from '../auth/audience.ts'
import type { FileStore } from '../files/store.ts'
import { keyOf } from '../photos/routes.ts'
import { faultBodyOf } from '../errors.ts'
import { bundleOf, readBundle, takeIn } from './bundle.ts'
import { calendarOf } from './calendar.ts'
import { previewCalendar, takeCalendar } from './calendarImport.ts'
import { photographsOf } from './photographs.ts'
import { takeInSites } from './siteImport.ts'
import { readingsTable, sitesTable } from './tables.ts'
import { dayOf } from '../days.ts'

/** Largest bundle that is read in by a browser, bytes; larger ones are for backup and restore. */
const largestBundle = 64_000_000

/** Room for a calendar as JSON, bytes. */
const bodyOfText = 8_000_000

export function transferRoutes(sequelize: Sequelize, files: FileStore) {
  return async (app: FastifyInstance): Promise<void> => {
    // As text: it is hashed before it is believed.
    app.addContentTypeParser('application/vnd.yastik.bundle+json', { parseAs: 'string', bodyLimit: largestBundle }, (_, body, done) =>
      done(null, body),
    )

    const asFile = (reply: FastifyReply, type: string, name: string) =>
      reply.header('content-type', type).header('content-disposition', `attachment; filename="${name}"`).header('cache-control', 'no-store')

    // Whatever leaves the house holds customers: owners alone take it out.
    app.get('/api/bundle', owner, async ({ firm }, reply) => {
      const madeAt = new Date()
      return asFile(reply, 'application/json', `yastik-${dayOf(madeAt.getTime())}.json`).send(Readable.from(bundleOf(firm, madeAt)))
    })

    app.get('/api/exports/sites.csv', owner, ({ firm }, reply) =>
      asFile(reply, 'text/csv; charset=utf-8', 'sites.csv').send(Readable.from(sitesTable(firm))),
    )
    app.get('/api/exports/readings.csv', owner, ({ firm }, reply) =>
      asFile(reply, 'text/csv; charset=utf-8', 'readings.csv').send(Readable.from(readingsTable(firm))),
    )
    app.get('/api/exports/visits.ics', owner, async ({ firm }, reply) =>
      asFile(reply, 'text/calendar; charset=utf-8', 'visits.ics').send(await calendarOf(firm, Date.now())),
    )
    app.get('/api/exports/photographs.zip', owner, async ({ firm }, reply) =>
      asFile(reply, 'application/zip', 'photographs.zip').send(await photographsOf(firm, files)),
    )

    // First without `take`: what it would do. Then with it.
    app.post('/api/imports/visits', { ...people, bodyLimit: bodyOfText }, async ({ body, user }): Promise<CalendarReceipt> => {
      const { text, take } = readBy(calendarImportSchema, body)
      return take ? takeCalendar(sequelize, text, take.setAside, user) : previewCalendar(text, user)
    })

    // All of it in one transaction: where one row does not hold up, no row is kept.
    // The answer grows while rows are written: lines of JSON, the receipt or the fault last. Not compressed, so that each line leaves at once.
    app.post('/api/imports/sites', { ...people, bodyLimit: largestBundle, compress: false }, ({ body, user, log }, reply) => {
      const { sites } = readBy(siteImportSchema, body)
      const lines = new PassThrough()
      const say = (line: SiteImportLine) => void lines.write(`${JSON.stringify(line)}\n`)
      takeInSites(sequelize, user, sites, (rows, of) => say({ rows, of }))
        .then(
          (receipt) => say({ receipt }),
          (error: Error) => {
            const fault = faultBodyOf(error)
            if (fault.code === 'internal') log.error(error)
            say({ fault })
          },
        )
        .finally(() => lines.end())
      return reply.header('content-type', 'application/x-ndjson').send(lines)
    })

    app.post('/api/bundle', { ...owner, bodyLimit: largestBundle }, async ({ firm, body }) => {
      if (typeof body !== 'string')
        throw new Fault('wrong-media', {
          lines: [{ where: 'content-type', what: 'this is no bundle', allowed: 'application/vnd.yastik.bundle+json' }],
        })
      return takeIn(sequelize, firm, readBundle(body), async (photo) => (await files.get(keyOf({ ...photo, firmId: firm.id }))) !== undefined)
    })
  }
}
