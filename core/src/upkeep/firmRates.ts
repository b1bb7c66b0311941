// How fast do units foul in this firm's part of the world? Learned from all of them at once, and lent to each.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { estimate } from '../quantities/index.ts'
import { ratios } from './history.ts'

export const firmRatesSchema = closed({
  /** By how much units foul faster than surroundings and use alone say, as the logarithm of the ratio. */
  shift: z.number(),
  /** How much units differ among themselves: standard deviation of that logarithm. */
  spread: z.number(),
  /** Units that have taught it. */
  units: z.int(),
})
export type FirmRates = z.infer<typeof firmRatesSchema>

/** Starting point of the rates, and how much history it takes to move it. */
const believed = { shift: estimate(0, 'logarithm'), spread: estimate(0.45, 'logarithm') }
const sureness = { shift: 0.5, spread: 0.6 }
export const ratesAtFirst: FirmRates = { shift: believed.shift.value, spread: believed.spread.value, units: 0 }

const shifts = Array.from({ length: 41 }, (_, at) => -1 + at * 0.05)
const spreads = [0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.6, 0.7, 0.85, 1]

/** {@link ratios} as numbers that are read fast. */
const ratioGrid = Float64Array.from(ratios)

/** Weights of {@link ratios} before a unit has told anything of itself, summing to one. */
export function priorWeights({ shift, spread }: Pick<FirmRates, 'shift' | 'spread'>): Float64Array {
  const weights = ratioGrid.map((ratio) => Math.exp(-(((ratio - shift) / spread) ** 2) / 2))
  const sum = weights.reduce((all, weight) => all + weight, 0)
  return weights.map((weight) => weight / sum)
}

/**
 * The shift and spread that make all that was found likeliest, held towards what is believed at first (empirical Bayes: marginal likelihood
 * over a grid; H. Robbins, 1956). Units without two visits teach nothing.
 * @param evidences per unit, as `evidenceOf` gives them
 */
export function learnRates(evidences: readonly Float64Array[]): FirmRates {
  const telling = evidences.filter((evidence) => evidence.some((value) => value !== 0))
  if (telling.length === 0) return ratesAtFirst
  // Per unit as plain chances around its own best, so that nothing underflows; one after the other, which is read fastest.
  const chances = new Float64Array(telling.length * ratios.length)
  for (const [unit, evidence] of telling.entries()) {
    const best = Math.max(...evidence)
    for (let at = 0; at < ratios.length; at++) chances[unit * ratios.length + at] = Math.exp(evidence[at] - best)
  }
  let best = { ...ratesAtFirst, value: -Infinity }
  for (const shift of shifts)
    for (const spread of spreads) {
      const value =
        lnLikelihood(priorWeights({ shift, spread }), chances) -
        ((shift - believed.shift.value) / sureness.shift) ** 2 / 2 -
        (Math.log(spread / believed.spread.value) / sureness.spread) ** 2 / 2
      if (value > best.value) best = { shift, spread, units: telling.length, value }
    }
  return { shift: best.shift, spread: best.spread, units: best.units }
}

/** Logarithm of how likely what all units showed is, under these weights. @param chances per unit and ratio, unit after unit */
function lnLikelihood(weights: Float64Array, chances: Float64Array): number {
  const ratioCount = weights.length
  let ln = 0
  for (let unit = 0; unit < chances.length; unit += ratioCount) {
    let sum = 0
    for (let at = 0; at < ratioCount; at++) sum += weights[at] * chances[unit + at]
    ln += Math.log(sum)
  }
  return ln
}
