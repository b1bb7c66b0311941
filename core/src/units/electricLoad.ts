// Does the supply carry the unit? Load on the breaker and voltage drop along a cord: figures only, the local code decides.
import { estimate, published } from '../quantities/index.ts'

/** Continuous load on a breaker, at most. */
export const continuousShare = estimate(0.8, 'share of the breaker')
/** Drop along a cord from which on motors start badly. */
export const mostDropShare = estimate(0.03, 'share of the voltage')
const copperOhmMm2M = published(0.0175, 'Ω mm²/m', 'resistivity of copper conductors at 20 °C, as cords are made')

export interface Supply {
  readonly amps: number
  readonly volts: number
  readonly breakerAmps: number
  /** Cross-section of each conductor and length of the cord, where there is one. */
  readonly cord?: { readonly mm2: number; readonly lengthM: number }
}

export interface ElectricLoad {
  /** Share of the breaker that the unit takes all the time. */
  readonly loadShare: number
  readonly carries: boolean
  readonly dropV: number
  readonly dropShare: number
  readonly dropsTooMuch: boolean
}

/**
 * Load = amps / breaker; drop = 2 · length · ρ · amps / cross-section (there and back).
 * @throws RangeError where a figure is not above zero.
 */
export function electricLoad({ amps, volts, breakerAmps, cord }: Supply): ElectricLoad {
  for (const [name, value] of Object.entries({ amps, volts, breakerAmps, ...cord }))
    if (!(value > 0)) throw new RangeError(`${name} ${value} is not above zero`)
  const loadShare = amps / breakerAmps
  const dropV = cord ? (2 * cord.lengthM * copperOhmMm2M.value * amps) / cord.mm2 : 0
  const dropShare = dropV / volts
  return { loadShare, carries: loadShare <= continuousShare.value, dropV, dropShare, dropsTooMuch: dropShare > mostDropShare.value }
}
