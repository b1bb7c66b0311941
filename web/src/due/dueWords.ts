// How is said what falls due, when, and what is to be minded?
import { workOf, type Due } from '@yastik/core/upkeep'
import dayjs from 'dayjs'
import { dayWords, monthWords } from '../words/when.ts'
import { t } from '../words/words.ts'

/** What is done on a visit for it. */
export const workWords = (dues: readonly Pick<Due, 'what'>[]): string =>
  workOf(dues)
    .map((what) => t(`names.due.${what}`))
    .join(', ')

/** How far off a day is, told in weeks. @param today 2027-03-01 */
export function farWords(day: string, today: string): string {
  const weeks = Math.round(dayjs(day).diff(dayjs(today), 'day') / 7)
  if (weeks === 0) return t('screen.logbook.this-week')
  return weeks < 0 ? t('screen.logbook.weeks-over', { weeks: -weeks }) : t('screen.logbook.in-weeks', { weeks })
}
/** Between which months it falls due; a rule is no forecast. */
export const betweenWords = ({ lowOn, highOn }: { lowOn: string | null; highOn: string | null }): string =>
  lowOn === null || highOn === null ? t('screen.logbook.by-rule') : `${monthWords(lowOn)} – ${monthWords(highOn)}`
export const seasonWords = (before: string): string => t('screen.logbook.before-season', { month: monthWords(before) })

/** The first few days, in words; the rest is a count. */
export function roofWords(days: readonly string[]): string {
  if (days.length === 0) return t('screen.logbook.roof-no-fit-day')
  const shown = days
    .slice(0, 3)
    .map((day) => dayWords(day))
    .join(', ')
  return days.length > 3 ? t('screen.logbook.roof-more', { days: shown, more: days.length - 3 }) : t('screen.logbook.roof', { days: shown })
}
