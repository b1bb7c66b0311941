// Which of what falls due does somebody come for, what is done then, and which day suits it?
import dayjs from 'dayjs'
import { dayAfter } from '../quantities/index.ts'
import { fromLeastToDeepest, type Due } from './due.ts'

/** What a visit is made for. Filters are washed by whoever lives there; where somebody comes anyway, they are washed along. */
export const visitKinds: readonly Due['what'][] = fromLeastToDeepest.filter((what) => what !== 'filter')

/** The cleaning that one visit does at a unit: a deep one does the light one's work too. */
export const cleaningOf = (dues: readonly Pick<Due, 'what'>[]): 'deep-clean' | 'light-clean' | undefined =>
  (['deep-clean', 'light-clean'] as const).find((kind) => dues.some(({ what }) => what === kind))

/** What one visit does at a unit: what a deeper work covers is not said beside it. */
export const workOf = (dues: readonly Pick<Due, 'what'>[]): Due['what'][] => {
  const cleaning = cleaningOf(dues)
  return dues.map(({ what }) => what).filter((what) => cleaning === undefined || what === cleaning || !(what === 'filter' || what === 'light-clean'))
}

export interface ToPlan {
  /** 2027-03-01 */
  readonly dueOn: string
  /** The first day of the cooling season, where the work is better done before it. */
  readonly before: string | null
  /** Days fit for a roof, soonest first; null where no roof is gone up, or nobody knows the weather. */
  readonly roofDays: readonly string[] | null
}

/**
 * The day that is offered for a visit: the first that is fit for a roof, else when it falls due or the day before cooling begins, whichever is
 * sooner; never before `tomorrow`, and Monday where that is a weekend.
 */
export function suitedDay({ dueOn, before, roofDays }: ToPlan, tomorrow: string): string {
  const fit = roofDays?.find((day) => day >= tomorrow)
  if (fit !== undefined) return fit
  const eve = before === null ? dueOn : daysLater(before, -1)
  const wanted = [dueOn, eve].reduce((sooner, day) => (day < sooner ? day : sooner))
  const day = wanted < tomorrow ? tomorrow : wanted
  return daysLater(day, untilWork[dayjs(day).day()])
}
/** Days until the next one that is no weekend, Sunday first. */
const untilWork = [1, 0, 0, 0, 0, 0, 2]
const daysLater = (day: string, days: number) => dayAfter(day, days / 7)
