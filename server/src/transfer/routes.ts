// The firm's data leaves, and comes in. Whatever leaves the house holds customers: owners alone take it out.
import { sayToPerson } from '../words.ts'
import { says } from '@yastik/core/words'
import { PassThrough, Readable } from 'node:stream'
import { Fault } from '@yastik/core/faults'
import { bundleMedia, endpoints, type BundleReceipt, type SiteImportLine, type SiteImportReceipt } from '@yastik/core/wire'
import type { FastifyInstance, FastifyReply } from 'fastify'
import { note, type Actor } from '../audit/doings.ts'
import { calendarOf } from '../calendars/entries.ts'
import type { Db } from '../db/database.ts'
import type { Photo, User } from '../db/models.ts'
import type { FileStore } from '../files/store.ts'
import { dayOf } from '../days.ts'
import { bodyOf } from '../http/errors.ts'
import { homeOf } from '../http/home.ts'
import { serverOf } from '../http/serve.ts'
import { keyOf } from '../photos/doings.ts'
import { lineOf } from '../threads/inLine.ts'
import { threadOf } from '../threads/inThread.ts'
import { databaseOf } from '../threads/ownDb.ts'
import { bundleOf } from './bundle.ts'
import type { BundleGiven } from './bundleThread.ts'
import { previewCalendar, takeCalendar } from './calendarImport.ts'
import type { Entry } from './calendarText.ts'
import type { CalendarGiven } from './calendarThread.ts'
import { importsOf, takeBack } from './imports.ts'
import { photographsOf } from './photographs.ts'
import type { SitesGiven } from './sitesThread.ts'
import { readingsTable, sitesTable } from './tables.ts'

/** Reading in a whole firm, or tens of thousands of sites: what takes longer is for backup and restore. */
const mostImportMs = 5 * 60_000
/** A calendar that takes longer is none that anybody keeps. */
const mostCalendarMs = 10_000
const readingCalendar = threadOf<CalendarGiven, { entries: Entry[]; take?: { setAside: number } }>(
  new URL('./calendarThread.js', import.meta.url),
  mostCalendarMs,
)
/** Files of a whole firm take minutes: calendars have a line of their own, and there is a thread for each of the two. */
const [filesInLine, calendarsInLine] = [lineOf(1), lineOf(1)]
const takingBundle = threadOf<BundleGiven, { receipt: Omit<BundleReceipt, 'photosWithoutPicture'>; photos: Pick<Photo, 'id' | 'kind'>[] }>(
  new URL('./bundleThread.js', import.meta.url),
  mostImportMs,
)
const takingSites = threadOf<SitesGiven, SiteImportReceipt, { rows: number; of: number }>(new URL('./sitesThread.js', import.meta.url), mostImportMs)

/** What was sent, as bytes that may be handed over to a thread. @throws Fault `wrong-media` where it is of another kind */
function sent(body: unknown, media: string): { bytes: Uint8Array } {
  if (!Buffer.isBuffer(body))
    throw new Fault('wrong-media', { lines: [{ where: 'content-type', what: says('fault.bundle.no-bundle'), allowed: media }] })
  // Handed over as it is; copied where it is a piece of something larger.
  const isWhole = body.byteOffset === 0 && body.buffer.byteLength === body.length
  return { bytes: isWhole ? new Uint8Array(body.buffer as ArrayBuffer) : new Uint8Array(body) }
}
/** Who does it, and on which database, as a thread can be told. */
const plainly = (db: Db, { id, firmId, name }: User, { address }: Actor) => ({
  database: databaseOf(db.sequelize),
  user: { firmId, name },
  actor: { user: { id, firmId, name }, address },
})

const asFile = (reply: FastifyReply, type: string, name: string) =>
  reply.header('content-type', type).header('content-disposition', `attachment; filename="${name}"`)
const csv = 'text/csv; charset=utf-8'

export const transferRoutes =
  (house: Db, files: FileStore) =>
  async (app: FastifyInstance): Promise<void> => {
    // As bytes: threads read them.
    app.addContentTypeParser(bundleMedia, { parseAs: 'buffer' }, (_, body, done) => done(null, body))
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
    // Read before anything is changed: that takes its time.
    serves(endpoints.takeVisits, async ({ db, user, firm, actor, request }) => {
      const given: CalendarGiven = { ...sent(request.body, 'application/json'), timeZone: firm.houseRules.timeZone }
      const { entries, take } = await calendarsInLine(firm.id, () => readingCalendar(given, [given.bytes.buffer as ArrayBuffer]))
      if (!take) return previewCalendar(db, entries, firm)
      return db.change(async (doing) => {
        const receipt = await takeCalendar(doing, entries, take.setAside, user, firm)
        await note(doing, actor, { what: 'imported', about: 'visits', after: receipt.taken ?? {} })
        return receipt
      })
    })

    serves(endpoints.imports, ({ db, firm }) => importsOf(db, firm.id))
    changes(endpoints.takeBack, ({ db, params, actor }) => takeBack(db, params.id, actor))

    // All of it in one transaction: where one row does not hold up, no row is kept.
    // The answer grows while rows are written: lines of JSON, the receipt or the fault last, each as soon as it is known.
    serves(endpoints.takeSites, ({ db, user, actor, request, reply }) => {
      const lines = new PassThrough()
      const say = (line: SiteImportLine) => void lines.write(`${JSON.stringify(line)}\n`)
      const given: SitesGiven = { ...sent(request.body, 'application/json'), ...plainly(db, user, actor) }
      filesInLine(user.firmId, () => takingSites(given, [given.bytes.buffer as ArrayBuffer], say))
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

    serves(endpoints.takeBundle, async ({ db, firm, user, actor, request }): Promise<BundleReceipt> => {
      const given: BundleGiven = { ...sent(request.body, bundleMedia), ...plainly(db, user, actor), firm: { id: firm.id } }
      const { receipt, photos } = await filesInLine(firm.id, () => takingBundle(given, [given.bytes.buffer as ArrayBuffer]))
      let photosWithoutPicture = 0
      for (const photo of photos) if ((await files.get(keyOf({ ...photo, firmId: firm.id }))) === undefined) photosWithoutPicture++
      return { ...receipt, photosWithoutPicture }
    })
  }
