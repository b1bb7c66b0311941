// Visits and due days for other people's calendars: iCalendar (RFC 5545), one UID per thing for as long as it lives.
import { standardVisitMinutes, standardWork } from '@yastik/core/plan'
import { momentAt } from '@yastik/core/quantities'
import { familyName } from '@yastik/core/units'
import { cleaningOf } from '@yastik/core/upkeep'
import { says, type Message, type Say } from '@yastik/core/words'
import ical, { ICalCalendarMethod, ICalEventBusyStatus, ICalEventStatus, ICalEventTransparency, type ICalCalendar } from 'ical-generator'
import { Op } from 'sequelize'
import { dayMs, dayOf } from '../days.ts'
import { groupBy } from '../db/groupBy.ts'
import { DueDay, Job, JobUnit, Quote, User, type Firm, type Unit } from '../db/models.ts'

/** Visits that were closed longer ago are left out. */
const keptDays = 90
/** Due days further off are no appointments yet. */
const aheadDays = 400
/** What falls due within so many days of a visit is what it is made for. */
const soonDays = 28
/** So often a calendar asks again by itself, s. */
const askAgainS = 3600
/** Ends are told in steps of so many minutes. */
const roundedMin = 15
/** What a customer is visited for; filters are looked after by the customer. */
const visitedFor = ['deep-clean', 'light-clean', 'pan-treatment'] as const
type VisitedFor = (typeof visitedFor)[number]
const workName = (what: VisitedFor): Message => says(`server.calendar.${what}`)

export interface CalendarView {
  /** Where the interface is: each entry leads to what it is about. */
  readonly home: string
  /** Whose visits; without it all of the firm. */
  readonly personId?: number
  /** Whether it says the first name of whom to ask for. */
  readonly showsContact?: boolean
  /** Whether it says what falls due as well. */
  readonly showsDues?: boolean
  /** In the language of whoever reads it. */
  readonly say: Say
}

/** Visits of a firm, or of one of its people, and what falls due where that is asked for. */
export async function calendarOf(firm: Firm, nowMs: number, view: CalendarView): Promise<string> {
  const calendar = ical({ name: firm.name, prodId: { company: 'Yastik', product: 'Yastik', language: 'EN' }, ttl: askAgainS })
  calendar.method(ICalCalendarMethod.PUBLISH)
  await addVisits(calendar, firm, nowMs, view)
  if (view.showsDues) await addDues(calendar, firm, nowMs, view)
  return calendar.toString()
}

/** A whole day, as a date without time or zone: noon, so that no zone moves it. */
const wholeDay = (day: string) => new Date(`${day}T12:00:00Z`)

/** A time is a moment by the firm's clocks. Days have no time zone: a visit without a time is on its day wherever the calendar is read. */
function timeOf({ onDate, startMin }: Job, minutes: () => number, { houseRules }: Firm) {
  if (startMin === null) return { start: wholeDay(onDate), allDay: true }
  const startMs = momentAt(onDate, startMin, houseRules.timeZone)
  return { start: new Date(startMs), end: new Date(startMs + Math.max(roundedMin, minutes()) * 60_000) }
}

async function addVisits(calendar: ICalCalendar, firm: Firm, nowMs: number, { home, personId, showsContact, say }: CalendarView): Promise<void> {
  const all = await Job.findAll({
    where: { firmId: firm.id, onDate: { [Op.gte]: dayOf(nowMs - keptDays * dayMs, firm) } },
    include: ['site', { association: 'jobUnits', include: ['unit'] }],
    order: [
      ['onDate', 'ASC'],
      ['jobUnits', 'position', 'ASC'],
    ],
  })
  const jobs = all.filter(({ crewIds }) => personId === undefined || crewIds.includes(personId))
  const names = new Map((await User.findAll({ where: { firmId: firm.id }, attributes: ['id', 'name'] })).map(({ id, name }) => [id, name]))
  const workOf = await workAt(jobs, firm)
  for (const job of jobs) {
    const { site, jobUnits = [], crewIds } = job
    const units = jobUnits.flatMap(({ unit }) => unit ?? [])
    const { what, minutes } = workOf(job, units)
    const firstName = showsContact ? firstNameIn(site?.form.contact ?? '') : undefined
    calendar.createEvent({
      id: `job-${job.id}@yastik`,
      sequence: job.revision,
      ...timeOf(job, minutes, firm),
      stamp: new Date(nowMs),
      lastModified: job.changedAt,
      url: units[0] ? `${home}/jobs/${job.id}/${units[0].id}/look-over` : home,
      summary: `${site?.name ?? ''}: ${units.map(({ name }) => name).join(', ')}`,
      location: site?.form.address ?? '',
      description: [
        job.closed && !job.cancelledAt ? says('server.calendar.handed-over') : what,
        ...units.map(({ name, family }) => says('server.calendar.unit', { unit: name, family: familyName(family) })),
        says('server.calendar.with', { people: { comma: crewIds.map((id) => names.get(id) ?? '') } }),
        ...(firstName ? [says('server.calendar.ask-for', { name: firstName })] : []),
      ]
        .map(say)
        .join('\n'),
      status: job.cancelledAt ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    })
  }
}

/** What is done on a visit, and about how long that takes: as it was quoted, or by what falls due about then. */
async function workAt(jobs: readonly Job[], firm: Firm) {
  const quotes = await Quote.findAll({ where: { jobId: { [Op.in]: jobs.map(({ id }) => id) } }, attributes: ['jobId', 'chosen', 'body'] })
  const quoted = new Map(quotes.map(({ jobId, chosen, body }) => [jobId, body.options.find(({ key }) => key === chosen)]))
  const unitIds = [...new Set(jobs.flatMap(({ jobUnits = [] }) => jobUnits.map(({ unitId }) => unitId)))]
  const dues = groupBy(await DueDay.findAll({ where: { firmId: firm.id, unitId: { [Op.in]: unitIds } } }), ({ unitId }) => unitId)
  const usual = new Map<string, ReturnType<typeof standardWork>>()
  const usualOf = ({ family }: Unit, what: 'deep-clean' | 'light-clean') => {
    const key = `${family} ${what}`
    const known = usual.get(key) ?? standardWork(family, what, firm.houseRules, firm.products, firm.equipment)
    usual.set(key, known)
    return known
  }
  return ({ id, onDate }: Job, units: readonly Unit[]) => {
    const until = new Date(Date.parse(onDate) + soonDays * dayMs).toISOString().slice(0, 10)
    const cleanings = units.map((unit) => cleaningOf((dues.get(unit.id) ?? []).filter(({ dueOn }) => dueOn <= until)))
    const option = quoted.get(id)
    const deepest = cleanings.includes('deep-clean') ? 'deep-clean' : cleanings.find((cleaning) => cleaning !== undefined)
    return {
      what: option ? option.name : deepest ? workName(deepest) : says('server.calendar.cleaning'),
      minutes: () => {
        const onSite =
          option?.onSiteMin?.usual ?? option?.handsMin ?? standardVisitMinutes(units.map((unit, at) => usualOf(unit, cleanings[at] ?? 'light-clean')))
        return Math.ceil(onSite / roundedMin) * roundedMin
      },
    }
  }
}

/** Said before a name that is no first one. */
const titles = /^(mr|mrs|ms|miss|dr|prof|herr|frau|sr|sra|señora?|monsieur|madame|mme)\b\.?/iu
/** How somebody is called among friends, where the contact begins with it; a title is followed by no first name. */
export function firstNameIn(contact: string): string | undefined {
  const said = contact.trim()
  return titles.test(said) ? undefined : /^\p{L}[\p{L}\p{M}'’-]*/u.exec(said)?.[0]
}

async function addDues(calendar: ICalCalendar, firm: Firm, nowMs: number, { home, say }: CalendarView): Promise<void> {
  const dues = await DueDay.findAll({
    where: { firmId: firm.id, what: { [Op.in]: [...visitedFor] }, dueOn: { [Op.lte]: dayOf(nowMs + aheadDays * dayMs, firm) } },
    include: [{ association: 'unit', include: ['site'] }],
    order: [['dueOn', 'ASC']],
  })
  const unitIds = [...new Set(dues.map(({ unitId }) => unitId))]
  const visits = groupBy(
    await JobUnit.findAll({ where: { unitId: { [Op.in]: unitIds }, handedOverAt: { [Op.ne]: null } }, attributes: ['unitId', 'handedOverAt'] }),
    ({ unitId }) => unitId,
  )
  for (const { unitId, unit, what, dueOn, lowOn, highOn } of dues) {
    if (!unit?.site) continue
    const moved = (visits.get(unitId) ?? []).flatMap(({ handedOverAt }) => handedOverAt?.getTime() ?? [])
    calendar.createEvent({
      id: `due-${unitId}-${what}@yastik`,
      // Each visit moves the day: the same UID, one step newer.
      sequence: moved.length,
      start: wholeDay(dueOn),
      allDay: true,
      stamp: new Date(nowMs),
      ...(moved.length > 0 ? { lastModified: new Date(Math.max(...moved)) } : {}),
      url: `${home}/sites/${unit.siteId}`,
      summary: say(says('server.calendar.due', { work: workName(what as VisitedFor), unit: unit.name, site: unit.site.name })),
      location: unit.site.form.address,
      description: [
        says('server.calendar.unit', { unit: unit.name, family: familyName(unit.family) }),
        lowOn && highOn ? says('server.calendar.between', { low: { day: lowOn }, high: { day: highOn } }) : says('server.calendar.by-rule'),
      ]
        .map(say)
        .join('\n'),
      status: ICalEventStatus.TENTATIVE,
      transparency: ICalEventTransparency.TRANSPARENT,
      busystatus: ICalEventBusyStatus.FREE,
    })
  }
}
