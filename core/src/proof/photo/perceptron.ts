// A small network that weighs features against each other: one layer of tanh units, and one number out.
import type { Spread } from './seen.ts'

const { exp, tanh } = Math

/** Weights, unit by unit. Features are brought to mean 0 and deviation 1 first. */
export interface Perceptron {
  readonly mean: readonly number[]
  readonly deviation: readonly number[]
  /** A row per unit: its bias, then a weight per feature. */
  readonly units: readonly (readonly number[])[]
  /** The bias, then a weight per unit. */
  readonly out: readonly number[]
}

/** What the network says of each row of `features`, 0..1. Source: C. M. Bishop, “Pattern Recognition and Machine Learning” (2006), 5.1. */
export function weighed({ mean, deviation, units, out }: Perceptron, features: Float32Array): Float32Array {
  const wide = mean.length
  const rows = features.length / wide
  const answers = new Float32Array(rows)
  const own = new Float64Array(wide)
  // One array for all weights: there are thousands of rows.
  const flat = Float64Array.from(units.flat())
  for (let row = 0; row < rows; row++) {
    for (let at = 0; at < wide; at++) own[at] = (features[row * wide + at] - mean[at]) / deviation[at]
    let sum = out[0]
    for (let unit = 0; unit < units.length; unit++) {
      const from = unit * (wide + 1)
      let inner = flat[from]
      for (let at = 0; at < wide; at++) inner += flat[from + 1 + at] * own[at]
      sum += out[unit + 1] * tanh(inner)
    }
    answers[row] = 1 / (1 + exp(-sum))
  }
  return answers
}

/** How fins are read: three looks, each knowing what the one before said, and how far off the share is then. */
export interface LooksReading {
  readonly looks: readonly Perceptron[]
  /** Tells what lies before a part, a hand or a tool, from what covers it; knows what the last look but one said. */
  readonly hides: Perceptron
  readonly spread: Spread
}
