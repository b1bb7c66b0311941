// How is said when a visit is?
import type { DayStop } from '@yastik/core/rounds'
import { clockWords, durationWords } from '@yastik/core/quantities'
import type { JobCard } from '@yastik/core/wire'

/** From when to when, as far as anybody can tell: 09:00–11:35, from 09:00. */
export function spanWords({ startMin, endMin }: Pick<DayStop, 'startMin' | 'endMin'>): string {
  if (startMin === undefined) return 'no telling when'
  return endMin === undefined ? `from ${clockWords(startMin)}` : `${clockWords(startMin)}–${clockWords(endMin)}`
}

/** Where it stands, in a sentence. @param leftMin that are left of it, minutes */
export function standWords({ startMin }: Pick<JobCard, 'startMin'>, stop: DayStop, leftMin: number | null | undefined): string {
  const length = typeof leftMin === 'number' ? `about ${durationWords(leftMin)}` : undefined
  switch (stop.state) {
    case 'done':
      return 'handed over'
    case 'under-way':
      return length ? `under way, ${length} left` : 'under way'
    case 'to-come': {
      const said = startMin === null ? 'no time said' : `said for ${clockWords(startMin)}`
      const there = stop.arriveMin === undefined ? '' : `, there at ${clockWords(stop.arriveMin)}`
      return `${said}${there}${length ? `, ${length}` : ''}`
    }
  }
}
