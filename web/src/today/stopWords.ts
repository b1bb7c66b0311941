// How is said when a visit is?
import type { DayStop } from '@yastik/core/rounds'
import { clockWords, durationWords } from '@yastik/core/quantities'
import type { JobCard } from '@yastik/core/wire'
import { t } from '../words/words.ts'

/** From when to when, as far as anybody can tell: 09:00–11:35, from 09:00. */
export function spanWords({ startMin, endMin }: Pick<DayStop, 'startMin' | 'endMin'>): string {
  if (startMin === undefined) return t('screen.today.no-telling-when')
  return endMin === undefined ? t('screen.today.from', { startMin: clockWords(startMin) }) : `${clockWords(startMin)}–${clockWords(endMin)}`
}

/** Where it stands, in a sentence. @param leftMin that are left of it, minutes */
export function standWords({ startMin }: Pick<JobCard, 'startMin'>, stop: DayStop, leftMin: number | null | undefined): string {
  const length = typeof leftMin === 'number' ? durationWords(leftMin) : undefined
  switch (stop.state) {
    case 'done':
      return t('screen.today.handed-over-done')
    case 'under-way':
      return length ? t('screen.today.under-way-left', { left: length }) : t('screen.today.under-way')
    case 'to-come':
      return [
        startMin === null ? t('screen.today.no-time-said') : t('screen.today.said-for', { time: clockWords(startMin) }),
        ...(stop.arriveMin === undefined ? [] : [t('screen.today.there-at', { time: clockWords(stop.arriveMin) })]),
        ...(length ? [t('screen.today.about', { length })] : []),
      ].join(', ')
  }
}
