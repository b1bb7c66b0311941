// Visits from somebody's calendar: what each entry would do here, and what it does.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import { mostUnits } from '@yastik/core/plan'
import type { CalendarReceipt, CalendarRow } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import type { Db, Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Firm, Import, Job, Site, Unit, type User } from '../db/models.ts'
import type { VisitBefore } from '../db/trustModels.ts'
import type { Entry } from './calendarText.ts'
import { cancelJob, makeJob, moveJob } from '../jobs/doings.ts'

interface Known {
  readonly byId: ReadonlyMap<string, Job>
  readonly byUid: ReadonlyMap<string, Job>
  readonly sites: ReadonlyMap<string, Site>
  /** Sites by how an entry may name them: by their name, and by their address. */
  readonly byName: ReadonlyMap<string, readonly Site[]>
  readonly byAddress: ReadonlyMap<string, readonly Site[]>
  readonly units: ReadonlyMap<string, Unit[]>
}
interface Wish extends CalendarRow {
  readonly job?: Job
  readonly uid: string
  readonly sequence: number
  readonly startMin: number | null
}

const plain = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ')

/** Sites that an entry names: by its place, by its title, or by what stands before a colon in its title. */
function namedBy({ location, summary }: Entry, byName: Known['byName'], byAddress: Known['byAddress']): readonly Site[] {
  const [place, title] = [plain(location), plain(summary)]
  const heads = [...title.matchAll(/:/g)].slice(0, 20).map(({ index }) => title.slice(0, index))
  const named = [place, title, ...heads].flatMap((name) => byName.get(name) ?? [])
  return [...new Set([...named, ...(place === '' ? [] : (byAddress.get(place) ?? []))])]
}

/** What an entry would do here. */
function wishOf(entry: Entry, row: number, { byId, byUid, sites, byName, byAddress, units }: Known): Wish {
  const { uid, summary, day, startMin, isCancelled, sequence } = entry
  const faults = [...entry.faults]
  const wish = (action: CalendarRow['action'], site?: Site, job?: Job): Wish => ({
    row,
    uid,
    sequence,
    startMin,
    summary: summary.slice(0, 200),
    day,
    action: faults.length > 0 ? null : action,
    siteId: site?.id ?? null,
    siteName: site?.name ?? null,
    faults,
    ...(job ? { job } : {}),
  })
  if (/^due-.*@yastik$/.test(uid)) {
    faults.length = 0
    return wish('due-day')
  }
  const own = /^job-(.+)@yastik$/.exec(uid)?.[1]
  const job = own === undefined ? byUid.get(uid) : byId.get(own)
  if (job) {
    const site = sites.get(job.siteId)
    if (sequence < job.revision) return wish('nothing', site, job)
    if (isCancelled) return wish(job.cancelledAt ? 'nothing' : 'cancel', site, job)
    const keepsTime = startMin === null || startMin === job.startMin
    if (job.onDate === day && keepsTime && !job.cancelledAt) return wish('nothing', site, job)
    if (job.closed && !job.cancelledAt) faults.push({ where: 'DTSTART', what: says('fault.visits.its-day-stands'), allowed: job.onDate })
    return wish('move', site, job)
  }
  if (own !== undefined) {
    faults.push({ where: 'UID', what: says('fault.ics.no-visit'), allowed: says('fault.ics.no-visit-allowed') })
    return wish(null)
  }
  if (isCancelled) return wish('nothing')
  const found = namedBy(entry, byName, byAddress)
  if (found.length !== 1)
    faults.push(
      found.length === 0
        ? {
            where: 'LOCATION',
            what: says('fault.ics.no-site', { name: (entry.location || summary).slice(0, 80) }),
            allowed: says('fault.ics.no-site-allowed'),
          }
        : { where: 'LOCATION', what: says('fault.ics.many-sites', { count: found.length }), allowed: says('fault.ics.many-sites-allowed') },
    )
  else {
    const count = units.get(found[0].id)?.length ?? 0
    if (count === 0 || count > mostUnits)
      faults.push({ where: 'LOCATION', what: says('fault.ics.units', { count }), allowed: says('fault.ics.units-allowed', { most: mostUnits }) })
  }
  return wish('plan', found.length === 1 ? found[0] : undefined)
}

async function wishes({ transaction }: Db, entries: readonly Entry[], { id: firmId }: Firm): Promise<{ rows: Wish[]; units: Known['units'] }> {
  const ids = entries.flatMap(({ uid }) => /^job-([\da-f-]{36})@yastik$/.exec(uid)?.[1] ?? [])
  const uids = entries.map(({ uid }) => uid)
  const jobs = await Job.findAll({ where: { firmId, [Op.or]: [{ id: { [Op.in]: ids } }, { calendarUid: { [Op.in]: uids } }] }, transaction })
  const sites = await Site.findAll({ where: { firmId, retiredAt: null }, transaction })
  const units = groupBy(await Unit.findAll({ where: { firmId, retiredAt: null }, order: [['name', 'ASC']], transaction }), ({ siteId }) => siteId)
  const known: Known = {
    byId: new Map(jobs.map((job) => [job.id, job])),
    byUid: new Map(jobs.flatMap((job) => (job.calendarUid ? [[job.calendarUid, job] as const] : []))),
    sites: new Map(sites.map((site) => [site.id, site])),
    byName: groupBy(sites, ({ name }) => plain(name)),
    byAddress: groupBy(sites, ({ form }) => plain(form.address)),
    units,
  }
  return { rows: entries.map((entry, index) => wishOf(entry, index + 1, known)), units }
}

const shown = ({ job: _, uid: __, sequence: ___, startMin: ____, ...row }: Wish): CalendarRow => row

/** What a calendar would do here, entry by entry; nothing is changed. */
export const previewCalendar = async (db: Db, entries: readonly Entry[], firm: Firm): Promise<CalendarReceipt> => ({
  rows: (await wishes(db, entries, firm)).rows.map(shown),
  taken: null,
  importId: null,
})

/**
 * Plans, moves and cancels as the calendar says.
 * @throws Fault `does-not-hold-up` where rows are faulty that nobody has seen and set aside; nothing is changed then.
 */
export async function takeCalendar(db: Doing, entries: readonly Entry[], setAside: number, user: User, firm: Firm): Promise<CalendarReceipt> {
  // Held, so that of a calendar that is sent twice at once the other finds its visits here already.
  await Firm.findByPk(firm.id, { attributes: ['id'], lock: db.transaction.LOCK.UPDATE, transaction: db.transaction })
  const { rows, units } = await wishes(db, entries, firm)
  const faulty = rows.filter(({ faults }) => faults.length > 0)
  if (faulty.length !== setAside)
    throw new Fault('does-not-hold-up', {
      lines: faulty
        .slice(0, 100)
        .flatMap(({ row, faults }) => faults.map(({ where, what, allowed }) => ({ where: says('fault.ics.entry', { row, where }), what, allowed }))),
    })
  const taken = { planned: 0, moved: 0, cancelled: 0 }
  const before: VisitBefore[] = []
  const wasOf = ({ onDate, startMin, cancelledAt }: Job) => ({ onDate, startMin, isCancelled: cancelledAt !== null })
  for (const { action, day, startMin, siteId, job, uid, sequence } of rows) {
    const was = job ? wasOf(job) : null
    if (action === 'plan' && siteId && day) {
      const unitIds = (units.get(siteId) ?? []).map(({ id }) => id)
      const { id: jobId, revision } = await makeJob(
        db,
        { siteId, unitIds, onDate: day, startMin, crewIds: [user.id], calendarUid: uid.slice(0, 255) },
        user.firmId,
      )
      before.push({ jobId, revision, was: null })
      taken.planned++
    } else if (action === 'move' && job && day) {
      const { revision } = await moveJob(db, job.id, { onDate: day, ...(startMin === null ? {} : { startMin }), sequence }, user.firmId)
      before.push({ jobId: job.id, revision, was })
      taken.moved++
    } else if (action === 'cancel' && job) {
      const { revision } = await cancelJob(db, job.id, { sequence }, user.firmId)
      before.push({ jobId: job.id, revision, was })
      taken.cancelled++
    }
  }
  const importId = newId()
  await Import.create(
    { id: importId, firmId: user.firmId, kind: 'visits', madeAt: new Date(), madeBy: user.name, counts: taken, beforeIt: before },
    { transaction: db.transaction },
  )
  return { rows: rows.map(shown), taken, importId }
}
