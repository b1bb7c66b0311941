// A calendar (iCalendar, RFC 5545) read entry by entry; what cannot be told for sure is said and not guessed. What it may hold is bounded before it is
// reckoned with: a zone that changes its clocks every second would take minutes.
import { says, type Message } from '@yastik/core/words'
import { doesNotHoldUp, Fault } from '@yastik/core/faults'
import { dayIn, isTimeZone, minuteIn, momentAt } from '@yastik/core/quantities'
import { daySchema, mostRevision, type CalendarRow } from '@yastik/core/wire'
import ICAL from 'ical.js'
import { groupBy } from '../db/groupBy.ts'

const mostEntries = 2000
export type RowFault = CalendarRow['faults'][number]

/** So many times a zone changes its clocks by a list, and so many rules it has for it. */
const mostChanges = 1000
const mostObservances = 100
/** Parts of a rule by which clocks are changed once or twice a year; others reckon by hours, minutes and seconds. */
const ruleParts = ['freq', 'until', 'count', 'interval', 'bymonth', 'bymonthday', 'byday', 'wkst']

/** An entry as far as it can be read. */
export interface Entry {
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
/** @throws Fault `does-not-hold-up` for what is no calendar, `broken-off` for one that ends in the middle. */
export function entriesOf(text: string, timeZone: string | undefined): Entry[] {
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
  for (const zone of calendar.getAllSubcomponents('vtimezone')) checkZone(zone)
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
    const numbered = Number(event.getFirstPropertyValue('sequence') ?? 0)
    const isCounted = Number.isInteger(numbered) && numbered >= 0 && numbered <= mostRevision
    if (!isCounted)
      faults.push({
        where: 'SEQUENCE',
        what: says('fault.schema.not-allowed', { value: text('sequence').slice(0, 40) }),
        allowed: says('fault.schema.bound', { is: 'most', figure: { n: mostRevision } }),
      })
    const sequence = isCounted ? numbered : 0
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

/** @throws Fault `does-not-hold-up` where a zone takes more reckoning than any clock of the world does */
function checkZone(zone: ICAL.Component): void {
  const observances = zone.getAllSubcomponents()
  const isYearly = (rule: unknown) =>
    rule instanceof ICAL.Recur && rule.freq === 'YEARLY' && Object.keys(rule.toJSON()).every((part) => ruleParts.includes(part))
  const rules = observances.flatMap((own) => own.getAllProperties('rrule').map((property) => property.getFirstValue() as unknown))
  const changes = observances.reduce(
    (sum, own) => sum + own.getAllProperties('rdate').reduce((all, property) => all + property.getValues().length, 0),
    0,
  )
  if (observances.length <= mostObservances && changes <= mostChanges && rules.every(isYearly)) return
  throw doesNotHoldUp('VTIMEZONE', says('fault.ics.zone-rule'), says('fault.ics.zone-rule-allowed'))
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
