// The firm's data leaves, and comes in. Whatever leaves the house holds customers: owners alone take it out.
import { sayToPerson } from '../words.ts'
import { says } from '@yastik/core/words'
import { PassThrough, Readable } from 'node:stream'
import { Fault } from '@yastik/core/faults'
import { bundleMedia, endpoints, type BundleReceipt, type SiteImportLine } from '@yastik/core/wire'
import type { FastifyInstance, FastifyReply } from 'fastify'
import { note, type Actor } from '../audit/doings.ts'
import { calendarOf } from '../calendars/entries.ts'
import type { Db } from '../db/database.ts'
import type { FileStore } from '../files/store.ts'
import { dayOf } from '../days.ts'
import { bodyOf } from '../http/errors.ts'
import { homeOf } from '../http/home.ts'
import { serverOf } from '../http/serve.ts'
import { keyOf } from '../photos/doings.ts'
import { bundleOf, readBundle, takeIn } from './bundle.ts'
import { previewCalendar, takeCalendar } from './calendarImport.ts'
import { importsOf, takeBack } from './imports.ts'
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

    /** On record before the first of it leaves. */
    const exported = (db: Db, actor: Actor, about: string) => note(db, actor, { what: 'exported', about })
    serves(endpoints.bundle, async ({ db, actor, firm, reply }) => {
      await exported(db, actor, 'bundle')
      const madeAt = new Date()
      return asFile(reply, 'application/json', `yastik-${dayOf(madeAt.getTime(), firm)}.json`).send(Readable.from(bundleOf(firm, madeAt)))
    })
    serves(endpoints.sitesTable, async ({ db, actor, firm, reply }) => {
      await exported(db, actor, 'sites.csv')
      return asFile(reply, csv, 'sites.csv').send(Readable.from(sitesTable(firm)))
    })
    serves(endpoints.readingsTable, async ({ db, actor, firm, reply }) => {
      await exported(db, actor, 'readings.csv')
      return asFile(reply, csv, 'readings.csv').send(Readable.from(readingsTable(firm)))
    })
    serves(endpoints.calendar, async ({ db, actor, user, firm, request, reply }) => {
      await exported(db, actor, 'visits.ics')
      return asFile(reply, 'text/calendar; charset=utf-8', 'visits.ics').send(
        await calendarOf(firm, Date.now(), { home: homeOf(request), showsDues: true, say: await sayToPerson(user, firm) }),
      )
    })
    serves(endpoints.photographs, async ({ db, actor, firm, reply }) => {
      await exported(db, actor, 'photographs.zip')
      return asFile(reply, 'application/zip', 'photographs.zip').send(await photographsOf(db, firm, files))
    })

    // First without `take`: what it would do. Then with it.
    changes(endpoints.takeVisits, async ({ db, body: { text, take }, user, firm, actor }) => {
      if (!take) return previewCalendar(db, text, firm)
      const receipt = await takeCalendar(db, text, take.setAside, user, firm)
      await note(db, actor, { what: 'imported', about: 'visits', after: receipt.taken ?? {} })
      return receipt
    })

    serves(endpoints.imports, ({ db, firm }) => importsOf(db, firm.id))
    changes(endpoints.takeBack, ({ db, params, actor }) => takeBack(db, params.id, actor))

    // All of it in one transaction: where one row does not hold up, no row is kept.
    // The answer grows while rows are written: lines of JSON, the receipt or the fault last, each as soon as it is known.
    serves(endpoints.takeSites, ({ db, body, user, actor, request, reply }) => {
      const lines = new PassThrough()
      const say = (line: SiteImportLine) => void lines.write(`${JSON.stringify(line)}\n`)
      takeInSites(db, user, actor, body.sites, (rows, of) => say({ rows, of }))
        .then(
          (receipt) => say({ receipt }),
          (error: Error) => {
            const fault = bodyOf(error)
            if (fault.code === 'internal') request.log.error(error)
            say({ fault })
          },
        )
        .finally(() => lines.end())
      return reply.header('content-type', 'application/x-ndjson').send(lines)
    })

    serves(endpoints.takeBundle, ({ db, firm, actor, request }): Promise<BundleReceipt> => {
      if (typeof request.body !== 'string')
        throw new Fault('wrong-media', { lines: [{ where: 'content-type', what: says('fault.bundle.no-bundle'), allowed: bundleMedia }] })
      const bundle = readBundle(request.body)
      const hasPicture = async (photo: { id: string; kind: 'jpeg' | 'png' | 'webp' }) =>
        (await files.get(keyOf({ ...photo, firmId: firm.id }))) !== undefined
      return db.change(async (doing) => {
        const receipt = await takeIn(doing, firm, bundle, hasPicture)
        const { codes: _, ...counts } = receipt
        await note(doing, actor, { what: 'imported', about: 'bundle', after: counts })
        return receipt
      })
    })
  }
