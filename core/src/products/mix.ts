// How much product and how much water?
import { clamp, estimate, round, roundUpTo } from '../quantities/index.ts'
import type { Product } from './product.ts'

/** Solution spread per square metre and pass. */
export const spreadRateLM2 = estimate(0.6, 'L/m² per pass')
/** A sprayer is filled in steps of this. */
export const sprayerStepL = estimate(0.25, 'L')

/** What a measuring cup shows. */
export const cupL = estimate(0.005, 'L')
/** Cups of product that are tried until water by the cup keeps the label's dilution. */
const mostCups = 400

export interface Mix {
  /** Parts of water per part of product; 0 is ready to use. */
  readonly dilution: number
  readonly productL: number
  readonly waterL: number
  readonly cost?: number
}

/** Dilution within the label: the strongest for heavy soil (grade ≥ 3), else the weakest. 0 without a figure on the label. */
export function dilutionFor(product: Product, heavy: boolean): number {
  const [least, most] = product.label.dilution ?? [0, 0]
  return heavy ? least : most
}

/** At least `solutionL` as a cup measures it: whole cups of both, within the label whatever the rounding does. */
function byTheCup(solutionL: number, dilution: number, [least, most]: readonly [number, number]): { productL: number; waterL: number } {
  const cup = cupL.value
  if (dilution === 0) return { productL: roundUpTo(solutionL, cup), waterL: 0 }
  const first = Math.max(1, Math.ceil(solutionL / (1 + dilution) / cup - 1e-9))
  for (let cups = first; cups < first + mostCups; cups++) {
    const [fewest, mostWater] = [Math.ceil(cups * least - 1e-9), Math.floor(cups * most + 1e-9)]
    const water = clamp(Math.round(cups * dilution), fewest, mostWater)
    if (fewest <= mostWater && (cups + water) * cup >= solutionL - 1e-9) return { productL: cups * cup, waterL: water * cup }
  }
  return { productL: first * cup, waterL: first * cup * dilution }
}

/** A dose of so many litres of product with the water that its label asks for, both by the cup. */
export function doseOf(product: Product, productL: number): Omit<Mix, 'cost'> {
  const [least, most] = product.label.dilution ?? [0, 0]
  const cups = Math.round(productL / cupL.value)
  const water = clamp(Math.round(cups * least), Math.ceil(cups * least - 1e-9), Math.floor(cups * most + 1e-9))
  return { dilution: least, productL, waterL: round(water * cupL.value, 3) }
}

/**
 * Product and water for `areaM2` m² in `passes` passes at 1:`dilution` (one part product, n parts water).
 * Solution = area × passes × spread rate, rounded up to the sprayer, both parts to what a measuring cup shows; cost in the firm's money where the pack has a price.
 * @throws RangeError when the dilution is outside the label.
 */
export function mix(product: Product, areaM2: number, passes: number, dilution: number): Mix {
  const [least, most] = product.label.dilution ?? [0, 0]
  if (dilution < least || dilution > most)
    throw new RangeError(`${product.name}: dilution 1:${dilution} is outside the label's 1:${least} to 1:${most}`)
  const solutionL = Math.max(sprayerStepL.value, roundUpTo(areaM2 * passes * spreadRateLM2.value, sprayerStepL.value))
  const { productL, waterL } = byTheCup(solutionL, dilution, [least, most])
  const perLitre = product.pricePerPack !== undefined && product.packLitres ? product.pricePerPack / product.packLitres : undefined
  return {
    dilution,
    productL: round(productL, 3),
    waterL: round(waterL, 3),
    ...(perLitre === undefined ? {} : { cost: round(perLitre * productL, 2) }),
  }
}
