// Can two photographs of one part be compared? Both show the same plates, from about as near.
import { estimate } from '../../quantities/index.ts'
import type { PhotoMeasured } from './analyse.ts'
import type { Surface } from './surface.ts'

/** Plates between the corners may differ by so much: corners are set by hand. */
const samePlates = estimate(0.06, 'share of the plates')
/** One photograph shows the plates so many times as large as the other: small soil is seen on one alone. */
const sameDistance = estimate(1.5, 'ratio of the pitches on the pictures')

type Shown = Pick<PhotoMeasured, 'plates' | 'pitchPx'>

/** What has to be said before two photographs of a part are compared, in sentences; none where they go together. */
export function pairNotes(before: Shown, after: Shown, surface: Surface): string[] {
  const notes: string[] = []
  const [most, fewest] = [Math.max(before.plates, after.plates), Math.min(before.plates, after.plates)]
  if (most > fewest * (1 + samePlates.value) && most - fewest > 1)
    notes.push(
      `Between the corners there are about ${Math.round(before.plates)} ${surface} before and ${Math.round(after.plates)} now: ` +
        'that is not the same piece. Set the corners of one of them again.',
    )
  const ratio = after.pitchPx / before.pitchPx
  if (ratio > sameDistance.value || ratio < 1 / sameDistance.value)
    notes.push(
      `The photograph ${ratio > 1 ? 'before' : 'now'} was taken from farther away (${surface} ${before.pitchPx.toFixed(0)} px apart before, ` +
        `${after.pitchPx.toFixed(0)} now): it may miss soil that the other shows.`,
    )
  return notes
}
