// How is said what falls due, when, and what is to be minded?
import { counted, dayWords } from '@yastik/core/quantities'
import { workOf, type Due } from '@yastik/core/upkeep'
import type { DueWorth, HoldReason } from '@yastik/core/wire'
import dayjs from 'dayjs'

export const dueNames: Record<Due['what'], string> = {
  filter: 'filters',
  'fine-filter': 'fine filter',
  'pan-treatment': 'pan treatment',
  'light-clean': 'light clean',
  'deep-clean': 'deep clean',
}
/** What is done on a visit for it. */
export const workWords = (dues: readonly Pick<Due, 'what'>[]): string =>
  workOf(dues)
    .map((what) => dueNames[what])
    .join(', ')
export const horizonWords: Record<DueWorth[number]['weeks'], string> = { 0: 'overdue', 4: 'within four weeks', 13: 'within a quarter' }
export const holdWords: Record<HoldReason, string> = { 'no-consent': 'not to be written to', stopped: 'ended it', lately: 'reminded lately' }

/** How far off a day is, told in weeks. @param today 2027-03-01 */
export function farWords(day: string, today: string): string {
  const weeks = Math.round(dayjs(day).diff(dayjs(today), 'day') / 7)
  return weeks < 0 ? `! ${counted(-weeks, 'week')} over` : weeks === 0 ? 'this week' : `in ${counted(weeks, 'week')}`
}
/** Between which months it falls due; a rule is no forecast. */
export const betweenWords = ({ lowOn, highOn }: { lowOn: string | null; highOn: string | null }): string =>
  lowOn === null || highOn === null ? 'by rule' : `${dayjs(lowOn).format('MMM YYYY')} – ${dayjs(highOn).format('MMM YYYY')}`
export const seasonWords = (before: string): string => `before ${dayjs(before).format('MMM YYYY')}, when cooling begins`

/** The first few days, in words; the rest is a count. */
export function roofWords(days: readonly string[]): string {
  if (days.length === 0) return 'roof: no fit day in the next ten'
  const shown = days.slice(0, 3).map((day) => dayWords(day))
  return `roof: ${shown.join(', ')}${days.length > 3 ? ` and ${days.length - 3} more` : ''}`
}
