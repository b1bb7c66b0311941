// How long will it take, and how sure is that? The minutes of steps, added up with their spread.
import type { Step } from '../procedure/index.ts'
import { estimate, round } from '../quantities/index.ts'

/** Hands-on minutes of all people together; four times in five it is between `low` and `high`. */
export interface MinutesBand {
  readonly hands: number
  readonly low: number
  readonly high: number
}

/** How much of what makes one step of a visit take longer makes the others take longer too: the same hands, the same access, the same heat. */
const shared = estimate(0.4, 'correlation of two steps of a visit')

/**
 * Sum of hands-on minutes, and its 80 % band. Steps vary together by `shared`: the variance of the sum is (1 − r)·Σσ² + r·(Σσ)², downwards and
 * upwards each by its own distances.
 */
export function spreadOf(steps: readonly Pick<Step, 'handsMin' | 'lowMin' | 'highMin' | 'people'>[]): MinutesBand {
  const by = (distance: (step: (typeof steps)[number]) => number) => {
    let [squares, sum] = [0, 0]
    for (const entry of steps) {
      const own = Math.max(0, distance(entry)) * entry.people
      squares += own * own
      sum += own
    }
    return Math.sqrt((1 - shared.value) * squares + shared.value * sum * sum)
  }
  const hands = steps.reduce((sum, { handsMin, people }) => sum + handsMin * people, 0)
  const down = by(({ handsMin, lowMin = handsMin }) => handsMin - lowMin)
  const up = by(({ handsMin, highMin = handsMin }) => highMin - handsMin)
  return { hands: round(hands, 1), low: round(hands - down), high: round(hands + up) }
}
