// Can two photographs of one part be compared? Both show the same plates, from about as near.
import { estimate } from '../../quantities/index.ts'
import { says, type Message } from '../../words/index.ts'
import type { PhotoMeasured } from './analyse.ts'
import type { Surface } from './surface.ts'

/** Plates between the corners may differ by so much: corners are set by hand. */
const samePlates = estimate(0.06, 'share of the plates')
/** One photograph shows the plates so many times as large as the other: small soil is seen on one alone. */
const sameDistance = estimate(1.5, 'ratio of the pitches on the pictures')

type Shown = Pick<PhotoMeasured, 'plates' | 'pitchPx'>

/** What has to be said before two photographs of a part are compared; nothing where they go together. */
export function pairNotes(before: Shown, after: Shown, surface: Surface): Message[] {
  const notes: Message[] = []
  const [most, fewest] = [Math.max(before.plates, after.plates), Math.min(before.plates, after.plates)]
  if (most > fewest * (1 + samePlates.value) && most - fewest > 1)
    notes.push(says('proof.photo.other-piece', { surface, before: { n: Math.round(before.plates) }, now: { n: Math.round(after.plates) } }))
  const ratio = after.pitchPx / before.pitchPx
  if (ratio > sameDistance.value || ratio < 1 / sameDistance.value)
    notes.push(
      says('proof.photo.farther', {
        which: ratio > 1 ? 'before' : 'now',
        surface,
        before: { n: Math.round(before.pitchPx) },
        now: { n: Math.round(after.pitchPx) },
      }),
    )
  return notes
}
