// How much product and how much water?
import { estimate, round, roundUpTo } from '../quantities/index.ts'
import type { Product } from './product.ts'

/** Solution spread per square metre and pass. */
export const spreadRateLM2 = estimate(0.6, 'L/m² per pass')
/** A sprayer is filled in steps of this. */
export const sprayerStepL = estimate(0.25, 'L')

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

/**
 * Product and water for `areaM2` m² in `passes` passes at 1:`dilution` (one part product, n parts water).
 * Solution = area × passes × spread rate, rounded up to the sprayer; cost in the firm's money where the pack has a price.
 * @throws RangeError when the dilution is outside the label.
 */
export function mix(product: Product, areaM2: number, passes: number, dilution: number): Mix {
  const [least, most] = product.label.dilution ?? [0, 0]
  if (dilution < least || dilution > most)
    throw new RangeError(`${product.name}: dilution 1:${dilution} is outside the label's 1:${least} to 1:${most}`)
  const solutionL = roundUpTo(areaM2 * passes * spreadRateLM2.value, sprayerStepL.value)
  const productL = solutionL / (1 + dilution)
  const perLitre = product.pricePerPack !== undefined && product.packLitres ? product.pricePerPack / product.packLitres : undefined
  return {
    dilution,
    productL: round(productL, 3),
    waterL: round(solutionL - productL, 3),
    ...(perLitre === undefined ? {} : { cost: round(perLitre * productL, 2) }),
  }
}
