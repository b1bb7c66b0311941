// Wait, run a fan, or come again? From the minutes that parts take to dry.
import { estimate } from '../quantities/index.ts'
import { says, type Message } from '../words/index.ts'

/** So long people wait on site. */
const waitsMin = estimate(45, 'min')
/** So long a fan is left to run while one does something else. */
const fanRunsMin = estimate(120, 'min')
/** No power for so long after an electrical part was wet. */
export const electricsDryH = estimate(24, 'h')

/** @param minutes by part, each by its quickest way at hand. */
export function dryingAdvice(minutes: readonly number[]): { readonly longestMin: number; readonly advice: Message } {
  const longestMin = Math.max(0, ...minutes)
  const about = { minutes: { min: Math.ceil(longestMin) }, hours: { h: electricsDryH.value } }
  if (longestMin === 0) return { longestMin, advice: says('wash.drying.nothing') }
  if (longestMin <= waitsMin.value) return { longestMin, advice: says('wash.drying.wait', about) }
  if (longestMin <= fanRunsMin.value) return { longestMin, advice: says('wash.drying.fan', about) }
  return { longestMin, advice: says('wash.drying.second-visit', about) }
}
