// A customer is erased on request; what was kept long enough goes by itself. Readings stay, without a name.
import { inEnglish } from '../words.ts'
import { says } from '@yastik/core/words'
import { plainAddress, type Retention } from '@yastik/core/wire'
import { isDeepStrictEqual } from 'node:util'
import { Op } from 'sequelize'
import { difference, note, type Actor } from '../audit/doings.ts'
import type { Db, Doing } from '../db/database.ts'
import { holdOwn } from '../db/find.ts'
import { Audit, Firm, Job, JobUnit, Message, Photo, Quote, Reply, Site, Stop, StoredEvent, Unit, UnitRun } from '../db/models.ts'
import { dayOf } from '../days.ts'
import type { FileStore } from '../files/store.ts'
import { keyOf, previewKeyOf } from '../photos/doings.ts'
import { checkVersion } from '../sites/doings.ts'
import { erasedWord, withoutNames, withoutWords } from './erasing.ts'
import { retentionOf } from './queries.ts'

/** Files go once the doing is committed: a record never speaks of a file that is not there. */
export const removeFiles = async (files: FileStore, photos: readonly Photo[]): Promise<void> => {
  for (const photo of photos) for (const key of [keyOf(photo), previewKeyOf(photo)]) await files.remove(key)
}

/** Their records, and the word of units that this is their nameplate. */
async function dropPhotos({ transaction }: Doing, photos: readonly Photo[]): Promise<void> {
  const ids = photos.map(({ id }) => id)
  await Unit.update({ platePhotoId: null, platePhotoJobId: null }, { where: { platePhotoId: ids }, transaction })
  await Photo.destroy({ where: { id: ids }, transaction })
}

async function dropMessages({ transaction }: Doing, ids: readonly string[]): Promise<void> {
  await Reply.destroy({ where: { messageId: [...ids] }, transaction })
  await Message.destroy({ where: { id: [...ids] }, transaction })
}

/** Forgets who ended being written to, but where another site of the firm has the address: there the word to stop stands. */
async function dropStops({ transaction }: Doing, { id, firmId }: Site, addresses: readonly string[]): Promise<void> {
  const others = await Site.findAll({ where: { firmId, id: { [Op.ne]: id } }, attributes: ['form'], transaction })
  const elsewhere = new Set(others.flatMap(({ form }) => (form.reminders ? plainAddress(form.reminders.to) : [])))
  const gone = addresses.map(plainAddress).filter((address) => !elsewhere.has(address))
  await Stop.destroy({ where: { firmId, address: gone }, transaction })
}

/** @returns photographs whose files are to go @throws Fault `not-there`, `changed-meanwhile` */
export async function eraseCustomer(db: Doing, siteId: string, version: number, actor: Actor): Promise<Photo[]> {
  const { transaction } = db
  const { firmId } = actor.user
  const site = await holdOwn(db, Site, 'site', siteId, firmId)
  checkVersion(site, version)
  const { reminders, access: _, ...form } = site.form
  const name = inEnglish(says('server.erased-customer', { id: siteId.slice(-6) }))
  const anonymous = { ...form, site: { ...form.site, name }, address: '', contact: '' }
  await site.update({ name, form: anonymous, version: version + 1, savedBy: actor.user.name }, { transaction })
  const jobIds = (await Job.findAll({ where: { siteId }, attributes: ['id'], transaction })).map(({ id }) => id)
  for (const stored of await StoredEvent.findAll({ where: { jobId: jobIds }, transaction })) {
    const happening = withoutWords(stored.happening)
    if (!isDeepStrictEqual(happening, stored.happening)) await stored.update({ happening }, { transaction })
  }
  await eraseUnits(db, siteId, actor)
  await eraseQuotes(db, siteId)
  await Job.update({ calendarUid: null }, { where: { siteId }, transaction })
  for (const seen of await JobUnit.findAll({ where: { jobId: jobIds }, transaction }))
    if (seen.seen)
      await seen.update({ seen: { ...seen.seen, parts: seen.seen.parts.map((part) => ({ ...part, item: erasedWord })) } }, { transaction })
  // What was kept of states holds the same words: it is made anew from the log.
  await UnitRun.destroy({ where: { jobId: jobIds }, transaction })
  const messages = await Message.findAll({ where: { siteId }, attributes: ['id', 'address'], transaction })
  await dropMessages(
    db,
    messages.map(({ id }) => id),
  )
  await dropStops(db, site, [...messages.map(({ address }) => address), ...(reminders ? [reminders.to] : [])])
  const photos = await Photo.findAll({ where: { jobId: jobIds }, transaction })
  await dropPhotos(db, photos)
  await note(db, actor, { what: 'customer-erased', about: `site ${siteId}`, after: { photographs: photos.length, messages: messages.length } })
  return photos
}

/** Units keep what they are; how they are called and what stands on their nameplates goes. */
async function eraseUnits({ transaction }: Doing, siteId: string, { user }: Actor): Promise<void> {
  const units = await Unit.findAll({ where: { siteId }, order: [['id', 'ASC']], transaction })
  for (const [at, unit] of units.entries()) {
    const name = inEnglish(says('server.erased-unit', { number: at + 1 }))
    await unit.update({ name, plate: null, version: unit.version + 1, savedBy: user.name }, { transaction })
  }
}

/** Prices stay; names of units, and what was written beside a price, go. */
async function eraseQuotes({ transaction }: Doing, siteId: string): Promise<void> {
  for (const quote of await Quote.findAll({ where: { siteId }, transaction })) {
    const named = new Set(quote.body.units.map(({ name }) => name))
    const body = withoutNames(quote.body, named)
    await quote.update({ body: { ...body, adjustments: body.adjustments.map((own) => ({ ...own, what: erasedWord })) } }, { transaction })
  }
}

export async function saveRetention(db: Doing, firm: Firm, retention: Retention, actor: Actor): Promise<Retention> {
  await Firm.update({ retention }, { where: { id: firm.id }, transaction: db.transaction })
  await note(db, actor, { what: 'retention-changed', ...difference(retentionOf(firm), retention) })
  return retention
}

/** The day so many months before. */
function monthsBefore(nowMs: number, months: number): Date {
  const day = new Date(nowMs)
  day.setUTCMonth(day.getUTCMonth() - months)
  return day
}

/** Clears what a firm keeps no longer. @returns how much of each */
async function clearFirm(db: Db, files: FileStore, firm: Firm, nowMs: number): Promise<void> {
  const { photographs, messages, audit } = retentionOf(firm)
  const gone = await db.change(async (doing) => {
    const { transaction } = doing
    const photos =
      photographs === null
        ? []
        : await Photo.findAll({
            where: { firmId: firm.id },
            include: [{ association: 'job', where: { onDate: { [Op.lt]: dayOf(monthsBefore(nowMs, photographs).getTime(), firm) } } }],
            transaction,
          })
    await dropPhotos(doing, photos)
    const old =
      messages === null
        ? []
        : await Message.findAll({ where: { firmId: firm.id, madeAt: { [Op.lt]: monthsBefore(nowMs, messages) } }, attributes: ['id'], transaction })
    await dropMessages(
      doing,
      old.map(({ id }) => id),
    )
    const entries = audit === null ? 0 : await Audit.destroy({ where: { firmId: firm.id, at: { [Op.lt]: monthsBefore(nowMs, audit) } }, transaction })
    const counts = { photographs: photos.length, messages: old.length, audit: entries }
    if (Object.values(counts).some((count) => count > 0))
      await note(doing, { user: { id: 0, firmId: firm.id, name: '' }, address: '' }, { what: 'cleared', after: counts })
    return photos
  })
  await removeFiles(files, gone)
}

/** A file that nobody speaks of may belong to a photograph that is being sent: it goes after this. */
const orphanMs = 24 * 3_600_000

/** Takes away files of photographs that are on no record, and drafts that were left. @returns how many */
async function clearOrphans(files: FileStore, nowMs: number): Promise<number> {
  let cleared = 0
  for await (const { key, writtenMs } of files.list()) {
    if (nowMs - writtenMs < orphanMs) continue
    const id = /^\d+\/([\da-f-]{36})[.-]/i.exec(key)?.[1]
    const isDraft = key.endsWith('.part')
    if (id === undefined || (!isDraft && (await Photo.count({ where: { id } })) > 0)) continue
    await files.remove(key)
    cleared++
  }
  return cleared
}

/** Clears what is kept no longer, in all firms. */
export async function clearKept(db: Db, files: FileStore, nowMs: number): Promise<void> {
  for (const firm of await Firm.findAll({ where: { retention: { [Op.ne]: null } } })) await clearFirm(db, files, firm, nowMs)
  await clearOrphans(files, nowMs)
}

/** Runs it every so often until stopped. */
export function keepClearing(db: Db, files: FileStore, everyMs: number, failed: (error: unknown) => void): () => void {
  const timer = setInterval(() => void clearKept(db, files, Date.now()).catch(failed), everyMs)
  timer.unref()
  return () => clearInterval(timer)
}
