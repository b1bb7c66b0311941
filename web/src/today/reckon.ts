// A visit and a clock as the reckoning of a day takes them: in minutes from midnight of that day, by the firm's clocks.
import type { DayVisit } from '@yastik/core/rounds'
import type { DayOutlook, JobCard } from '@yastik/core/wire'
import type { Place } from '../measures/usePlace.ts'

export type Outlook = DayOutlook['visits'][number]
type Clocks = Pick<Place, 'dayOf' | 'minuteOf'>
const dayMin = 1440

/** What was on a day before is before midnight; what is on a day after, beyond the next. */
export function minuteOn(day: string, atMs: number, { dayOf, minuteOf }: Clocks): number {
  const own = dayOf(atMs)
  return (own < day ? -dayMin : own > day ? dayMin : 0) + minuteOf(atMs)
}

export function visitOf(job: JobCard, outlook: Outlook | undefined, day: string, clocks: Clocks): DayVisit {
  const { beganAtMs = null, endedAtMs = null, leftMin = null } = outlook ?? {}
  return {
    id: job.id,
    siteId: job.siteId,
    crewIds: job.crewIds,
    startMin: job.startMin,
    ...(beganAtMs === null ? {} : { beganMin: minuteOn(day, beganAtMs, clocks) }),
    ...(endedAtMs === null ? {} : { endedMin: minuteOn(day, endedAtMs, clocks) }),
    ...(leftMin === null ? {} : { leftMin }),
  }
}
