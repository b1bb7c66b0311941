// The weights of the network of wheels as text, and the network that they make.
import type { Layer, PlateNet } from './plateNet.ts'
import type { Spread } from './seen.ts'

/** A layer as it is kept: {@link digits} of base 36 a weight, the middle for 0, and what one step is worth for each channel out. */
export interface KeptLayer extends Omit<Layer, 'weights' | 'bias'> {
  readonly steps: readonly number[]
  readonly bias: readonly number[]
  readonly weights: string
}
const digits = 2
/** Weights are kept as so many steps either way. */
export const mostSteps = (36 ** digits - 2) / 2

/** How blades are read: the network, and how far off the share is then. */
export interface NetReading {
  readonly net: PlateNet<KeptLayer>
  readonly spread: Spread
}

const layerOf = ({ weights, steps, bias, ...shape }: KeptLayer): Layer => ({
  ...shape,
  weights: Float32Array.from(
    { length: weights.length / digits },
    (_, at) => (parseInt(weights.slice(at * digits, (at + 1) * digits), 36) - mostSteps) * steps[at % shape.out],
  ),
  bias: Float32Array.from(bias),
})

/** The network whose weights were kept so. */
export const netOf = ({ dilated, fine, half, block, whole, wholeAgain, out }: PlateNet<KeptLayer>): PlateNet => ({
  fine: layerOf(fine),
  half: layerOf(half),
  block: layerOf(block),
  whole: layerOf(whole),
  dilated: dilated.map(layerOf),
  wholeAgain: layerOf(wholeAgain),
  out: layerOf(out),
})
