// Wait, run a fan, or come again? From the minutes that parts take to dry.
import { estimate } from '../quantities/index.ts'

/** So long people wait on site. */
const waitsMin = estimate(45, 'min')
/** So long a fan is left to run while one does something else. */
const fanRunsMin = estimate(120, 'min')
/** No power for so long after an electrical part was wet. */
export const electricsDryH = estimate(24, 'h')

/** @param minutes by part, each by its quickest way at hand. */
export function dryingAdvice(minutes: readonly number[]): { readonly longestMin: number; readonly advice: string } {
  const longestMin = Math.max(0, ...minutes)
  const electrics = `Where anything electrical got wet, no power for ${electricsDryH.value} hours.`
  if (longestMin === 0) return { longestMin, advice: 'Nothing has to dry.' }
  if (longestMin <= waitsMin.value) return { longestMin, advice: `Dry in about ${Math.ceil(longestMin)} min: wait for it, then power. ${electrics}` }
  if (longestMin <= fanRunsMin.value)
    return { longestMin, advice: `About ${Math.ceil(longestMin)} min: a fan on it while you work elsewhere, then power. ${electrics}` }
  return { longestMin, advice: `About ${Math.ceil(longestMin)} min even with a fan: leave it open and power it on a second visit. ${electrics}` }
}
