// How fast do units foul in this firm's part of the world? Learned from all of them at once, and lent to each.
import { believed, ratesAtFirst, type FirmRates } from './firmRates.ts'
import { ratios } from './history.ts'

/** How much history it takes to move what is believed at first. */
const sureness = { shift: 0.5, spread: 0.6 }

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
