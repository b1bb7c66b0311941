// The firm's data leaves, and comes in. Whatever leaves the house holds customers: owners alone take it out.
import { PassThrough, Readable } from 'node:stream'
import { bundleMedia, endpoints, Fault, type BundleReceipt, type SiteImportLine } from '@yastik/core'
import type { FastifyInstance, FastifyReply } from 'fastify'
import type { Db } from '../db/database.ts'
import type { FileStore } from '../files/store.ts'
import { dayOf } from '../days.ts'
import { faultBodyOf } from '../http/errors.ts'
import { serverOf } from '../http/serve.ts'
import { keyOf } from '../photos/doings.ts'
import { bundleOf, readBundle, takeIn } from './bundle.ts'
import { calendarOf } from './calendar.ts'
import { previewCalendar, takeCalendar } from './calendarImport.ts'
import { photographsOf } from './photographs.ts'
import { takeInSites } from './siteImport.ts'
import { readingsTable, sitesTable } from './tables.ts'

const asFile = (reply: FastifyReply, type: string, name: string) =>
  reply.header('content-type', type).header('content-disposition', `attachment; filename="${name}"`)
const csv = 'text/csv; charset=utf-8'

export const transferRoutes =
  (house: Db, files: FileStore) =>
  async (app: FastifyInstance): Promise<void> => {
    // As text: it is hashed before it is believed.
    app.addContentTypeParser(bundleMedia, { parseAs: 'string' }, (_, body, done) => done(null, body))
    const { changes, serves } = serverOf(app, house)

    serves(endpoints.bundle, ({ firm, reply }) => {
      const madeAt = new Date()
      return asFile(reply, 'application/json', `yastik-${dayOf(madeAt.getTime())}.json`).send(Readable.from(bundleOf(firm, madeAt)))
    })
    serves(endpoints.sitesTable, ({ firm, reply }) => asFile(reply, csv, 'sites.csv').send(Readable.from(sitesTable(firm))))
    serves(endpoints.readingsTable, ({ firm, reply }) => asFile(reply, csv, 'readings.csv').send(Readable.from(readingsTable(firm))))
    serves(endpoints.calendar, async ({ firm, reply }) =>
      asFile(reply, 'text/calendar; charset=utf-8', 'visits.ics').send(await calendarOf(firm, Date.now())),
    )
    serves(endpoints.photographs, async ({ db, firm, reply }) =>
      asFile(reply, 'application/zip', 'photographs.zip').send(await photographsOf(db, firm, files)),
    )

    // First without `take`: what it would do. Then with it.
    changes(endpoints.takeVisits, async ({ db, body: { text, take }, user }) =>
      take ? takeCalendar(db, text, take.setAside, user) : previewCalendar(db, text, user),
    )

    // All of it in one transaction: where one row does not hold up, no row is kept.
    // The answer grows while rows are written: lines of JSON, the receipt or the fault last, each as soon as it is known.
    serves(endpoints.takeSites, ({ db, body, user, request, reply }) => {
      const lines = new PassThrough()
      const say = (line: SiteImportLine) => void lines.write(`${JSON.stringify(line)}\n`)
      takeInSites(db, user, body.sites, (rows, of) => say({ rows, of }))
        .then(
          (receipt) => say({ receipt }),
          (error: Error) => {
            const fault = faultBodyOf(error)
            if (fault.code === 'internal') request.log.error(error)
            say({ fault })
          },
        )
        .finally(() => lines.end())
      return reply.header('content-type', 'application/x-ndjson').send(lines)
    })

    serves(endpoints.takeBundle, ({ db, firm, request }): Promise<BundleReceipt> => {
      if (typeof request.body !== 'string')
        throw new Fault('wrong-media', { lines: [{ where: 'content-type', what: 'this is no bundle', allowed: bundleMedia }] })
      const bundle = readBundle(request.body)
      return db.change((doing) => takeIn(doing, firm, bundle, async (photo) => (await files.get(keyOf({ ...photo, firmId: firm.id }))) !== undefined))
    })
  }
