// Visits and due days for other people's calendars: iCalendar (RFC 5545), one UID per thing for as long as it lives.
import { momentAt } from '@yastik/core/quantities'
import ical, { ICalCalendarMethod, ICalEventBusyStatus, ICalEventStatus, ICalEventTransparency } from 'ical-generator'
import { DueDay, Job, JobUnit, type Firm } from '../db/models.ts'
import { groupBy } from '../db/groupBy.ts'
import { Op } from 'sequelize'
import { dayMs, dayOf } from '../days.ts'

/** Visits that were closed longer ago are left out. */
const keptDays = 90
/** Due days further off are no appointments yet. */
const aheadDays = 400
/** What a customer is visited for; filters are looked after by the customer. */
const visitedFor = ['deep-clean', 'light-clean', 'pan-treatment'] as const
const words: Record<(typeof visitedFor)[number], string> = {
  'deep-clean': 'Deep clean',
  'light-clean': 'Light clean',
  'pan-treatment': 'Pan treatment',
}

/** A whole day, as a date without time or zone: noon, so that no zone moves it. */
const wholeDay = (day: string) => new Date(`${day}T12:00:00Z`)

/** A time is a moment by the firm's clocks. Days have no time zone: a visit without a time is on its day wherever the calendar is read. */
const timeOf = ({ onDate, startMin }: Job, { houseRules }: Firm) =>
  startMin === null ? { start: wholeDay(onDate), allDay: true } : { start: new Date(momentAt(onDate, startMin, houseRules.timeZone)) }

/** Visits and due days of a firm. */
export async function calendarOf(firm: Firm, nowMs: number): Promise<string> {
  const jobs = await Job.findAll({
    where: { firmId: firm.id, onDate: { [Op.gte]: dayOf(nowMs - keptDays * dayMs, firm) } },
    include: ['site', { association: 'jobUnits', include: ['unit'] }],
    order: [
      ['onDate', 'ASC'],
      ['jobUnits', 'position', 'ASC'],
    ],
  })
  const dues = await DueDay.findAll({
    where: { firmId: firm.id, what: { [Op.in]: [...visitedFor] }, dueOn: { [Op.lte]: dayOf(nowMs + aheadDays * dayMs, firm) } },
    include: [{ association: 'unit', include: ['site'] }],
    order: [['dueOn', 'ASC']],
  })
  const dueUnitIds = [...new Set(dues.map(({ unitId }) => unitId))]
  const visits = groupBy(
    await JobUnit.findAll({ where: { unitId: { [Op.in]: dueUnitIds }, handedOverAt: { [Op.ne]: null } }, attributes: ['unitId'] }),
    ({ unitId }) => unitId,
  )
  const calendar = ical({ name: firm.name, prodId: { company: 'Yastik', product: 'Yastik', language: 'EN' }, method: ICalCalendarMethod.PUBLISH })
  for (const job of jobs) {
    const { site, jobUnits = [] } = job
    calendar.createEvent({
      id: `job-${job.id}@yastik`,
      sequence: job.revision,
      ...timeOf(job, firm),
      stamp: new Date(nowMs),
      summary: `${site?.name ?? ''}: ${jobUnits.map(({ unit }) => unit?.name ?? '').join(', ')}`,
      location: site?.form.address ?? '',
      description: job.closed && !job.cancelledAt ? 'Handed over.' : '',
      status: job.cancelledAt ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    })
  }
  for (const { unitId, unit, what, dueOn, lowOn, highOn } of dues) {
    if (!unit?.site) continue
    calendar.createEvent({
      id: `due-${unitId}-${what}@yastik`,
      // Each visit moves the day: the same UID, one step newer.
      sequence: visits.get(unitId)?.length ?? 0,
      start: wholeDay(dueOn),
      allDay: true,
      stamp: new Date(nowMs),
      summary: `Due: ${words[what as (typeof visitedFor)[number]]}, ${unit.name} (${unit.site.name})`,
      location: unit.site.form.address,
      description: lowOn && highOn ? `Between ${lowOn} and ${highOn}, by forecast.` : 'By rule.',
      status: ICalEventStatus.TENTATIVE,
      transparency: ICalEventTransparency.TRANSPARENT,
      busystatus: ICalEventBusyStatus.FREE,
    })
  }
  return calendar.toString()
}
