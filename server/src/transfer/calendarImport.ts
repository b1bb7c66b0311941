// Visits from somebody's calendar (iCalendar, RFC 5545): read entry by entry; what cannot be told for sure is said and not guessed.
import { says, type Message } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import { mostUnits } from '@yastik/core/plan'
import { dayIn, isTimeZone, minuteIn, momentAt } from '@yastik/core/quantities'
import { daySchema, type CalendarReceipt, type CalendarRow } from '@yastik/core/wire'
import ICAL from 'ical.js'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import type { Db, Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Import, Job, Site, Unit, type Firm, type User } from '../db/models.ts'
import type { VisitBefore } from '../db/trustModels.ts'
import { cancelJob, makeJob, moveJob } from '../jobs/doings.ts'

const mostEntries = 2000
type RowFault = CalendarRow['faults'][number]

/** An entry as far as it can be read. */
interface Entry {
  readonly uid: string
  readonly summary: string
  readonly location: string
  readonly sequence: number
  readonly isCancelled: boolean
  readonly day: string | null
  /** Minutes from midnight; null where it is on the whole day. */
  readonly startMin: number | null
  readonly faults: RowFault[]
}
interface Known {
  readonly byId: ReadonlyMap<string, Job>
  readonly byUid: ReadonlyMap<string, Job>
  readonly sites: readonly Site[]
  readonly units: ReadonlyMap<string, Unit[]>
}
interface Wish extends CalendarRow {
  readonly job?: Job
  readonly uid: string
  readonly sequence: number
  readonly startMin: number | null
}

/** @throws Fault `does-not-hold-up` for what is no calendar, `broken-off` for one that ends in the middle. */
function entriesOf(text: string, timeZone: string | undefined): Entry[] {
  if (!/^\uFEFF?BEGIN:VCALENDAR/i.test(text.trimStart()))
    throw doesNotHoldUp(says('fault.ics.file'), says('fault.ics.no-calendar'), says('fault.ics.no-calendar-allowed'))
  if (!/END:VCALENDAR\s*$/i.test(text)) throw new Fault('broken-off')
  let calendar: ICAL.Component
  try {
    calendar = new ICAL.Component(ICAL.parse(text.replace(/^\uFEFF/, '')) as never)
  } catch (error) {
    const what = error instanceof Error ? error.message : String(error)
    throw doesNotHoldUp(says('fault.ics.file'), what.slice(0, 200), says('fault.ics.form'))
  }
  const events = calendar.getAllSubcomponents('vevent')
  if (events.length > mostEntries)
    throw doesNotHoldUp(
      says('fault.ics.file'),
      says('fault.schema.entries', { count: events.length }),
      says('fault.schema.bound', { is: 'most', figure: { n: mostEntries } }),
    )
  const zones = new Set(calendar.getAllSubcomponents('vtimezone').map((zone) => String(zone.getFirstPropertyValue('tzid'))))
  const uids = groupBy(events, (event) => String(event.getFirstPropertyValue('uid')))
  return events.map((event) => {
    const text = (name: string) => String(event.getFirstPropertyValue(name) ?? '').trim()
    const faults: RowFault[] = []
    const uid = text('uid')
    if (uid === '') faults.push({ where: 'UID', what: says('fault.schema.missing'), allowed: says('fault.ics.id-allowed') })
    else if ((uids.get(uid)?.length ?? 0) > 1)
      faults.push({ where: 'UID', what: says('fault.ics.twice', { uid: uid.slice(0, 80) }), allowed: says('fault.ics.twice-allowed') })
    for (const name of ['rrule', 'rdate', 'recurrence-id'])
      if (event.hasProperty(name))
        faults.push({ where: name.toUpperCase(), what: says('fault.ics.repeats'), allowed: says('fault.ics.repeats-allowed') })
    const { day, startMin = null, fault } = beginOf(event.getFirstProperty('dtstart'), zones, timeZone)
    if (fault) faults.push(fault)
    const sequence = Number(event.getFirstPropertyValue('sequence') ?? 0)
    return {
      uid,
      summary: text('summary'),
      location: text('location'),
      sequence,
      isCancelled: text('status').toUpperCase() === 'CANCELLED',
      day,
      startMin,
      faults,
    }
  })
}

interface Begin {
  readonly day: string | null
  readonly startMin?: number
  readonly fault?: RowFault
}
/**
 * The day and time at which an entry begins, by the firm's clocks: a time in UTC or another zone is converted. Where a zone is missing, the entry's
 * or the firm's, the time could lie on either of two days.
 */
function beginOf(start: ICAL.Property | null, zones: ReadonlySet<string>, timeZone: string | undefined): Begin {
  const refuse = (what: Message, allowed: Message) => ({ day: null, fault: { where: 'DTSTART', what, allowed } })
  if (!start) return refuse(says('fault.schema.missing'), says('fault.ics.a-day'))
  // As it is written: a day that does not exist must not become the one after.
  const [, parameters, type, written] = start.toJSON() as [string, { tzid?: string }, string, string]
  const [day, time = ''] = String(written).split('T')
  if (!daySchema.safeParse(day).success) return refuse(says('fault.ics.no-such-day', { day }), says('fault.ics.no-such-day-allowed'))
  if (type === 'date') return { day }
  const zone = String(written).endsWith('Z') ? 'UTC' : parameters.tzid
  if (!zone) return refuse(says('fault.ics.no-zone', { time: String(written) }), says('fault.ics.no-zone-allowed'))
  if (!zones.has(zone) && !isTimeZone(zone))
    return refuse(says('fault.ics.unknown-zone', { zone: zone.slice(0, 60) }), says('fault.ics.unknown-zone-allowed'))
  const startMin = Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))
  if (zone === timeZone) return { day, startMin }
  if (timeZone === undefined) return refuse(says('fault.ics.no-own-zone', { time: String(written), zone }), says('fault.ics.no-own-zone-allowed'))
  // What the file says of a zone goes before what is known of its name.
  const value: unknown = start.getFirstValue()
  const atMs = zones.has(zone) && value instanceof ICAL.Time ? value.toUnixTime() * 1000 : momentAt(day, startMin, zone)
  return { day: dayIn(atMs, timeZone), startMin: minuteIn(atMs, timeZone) }
}

const plain = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ')

/** What an entry would do here. */
function wishOf(entry: Entry, row: number, { byId, byUid, sites, units }: Known): Wish {
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
    const site = sites.find(({ id }) => id === job.siteId)
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
  const [place, title] = [plain(entry.location), plain(summary)]
  const found = sites.filter(({ name, form }) => {
    const [own, address] = [plain(name), plain(form.address)]
    return own === place || own === title || title.startsWith(`${own}:`) || (address !== '' && address === place)
  })
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

async function wishes({ transaction }: Db, text: string, { id: firmId, houseRules }: Firm): Promise<{ rows: Wish[]; units: Known['units'] }> {
  const entries = entriesOf(text, houseRules.timeZone)
  const ids = entries.flatMap(({ uid }) => /^job-([\da-f-]{36})@yastik$/.exec(uid)?.[1] ?? [])
  const uids = entries.map(({ uid }) => uid)
  const jobs = await Job.findAll({ where: { firmId, [Op.or]: [{ id: { [Op.in]: ids } }, { calendarUid: { [Op.in]: uids } }] }, transaction })
  const sites = await Site.findAll({ where: { firmId, retiredAt: null }, transaction })
  const units = groupBy(await Unit.findAll({ where: { firmId, retiredAt: null }, order: [['name', 'ASC']], transaction }), ({ siteId }) => siteId)
  const known: Known = {
    byId: new Map(jobs.map((job) => [job.id, job])),
    byUid: new Map(jobs.flatMap((job) => (job.calendarUid ? [[job.calendarUid, job] as const] : []))),
    sites,
    units,
  }
  return { rows: entries.map((entry, index) => wishOf(entry, index + 1, known)), units }
}

const shown = ({ job: _, uid: __, sequence: ___, startMin: ____, ...row }: Wish): CalendarRow => row

/** What a calendar would do here, entry by entry; nothing is changed. */
export const previewCalendar = async (db: Db, text: string, firm: Firm): Promise<CalendarReceipt> => ({
  rows: (await wishes(db, text, firm)).rows.map(shown),
  taken: null,
  importId: null,
})

/**
 * Plans, moves and cancels as the calendar says.
 * @throws Fault `does-not-hold-up` where rows are faulty that nobody has seen and set aside; nothing is changed then.
 */
export async function takeCalendar(db: Doing, text: string, setAside: number, user: User, firm: Firm): Promise<CalendarReceipt> {
  const { rows, units } = await wishes(db, text, firm)
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
