// May this product be used on this coil, at this site? Only what its label allows.
import { estimate } from '../quantities/index.ts'
import type { Product, ProductClass } from './product.ts'

/** pH that coated (hydrophilic or epoxy) and corroded fins stand. */
export const neutralPh = { least: estimate(6, 'pH'), most: estimate(8.5, 'pH') }
/** pH of anything on the side whose air is breathed, whatever class its label claims. */
export const breathedPh = { least: estimate(4, 'pH'), most: estimate(10, 'pH') }
/** pH of a household detergent that may go on a coil. */
export const householdPh = { least: estimate(6, 'pH'), most: estimate(9, 'pH') }

/** What the place and the part ask of a product. */
export interface UseConditions {
  readonly neutralOnly: boolean
  readonly coatedFins: boolean
  readonly foodArea: boolean
  readonly sensitiveOccupants: boolean
  /** Whether house rules let household detergents on a coil; where they do, they come first in their class. */
  readonly householdAllowed: boolean
}

/** On the breathed-air coil with a rinse after it or without one, or on the outdoor side. */
export type UseWay = 'rinsed' | 'unrinsed' | 'outdoors'

/** The product that may be used, or why none of its class may. */
export interface Picked {
  readonly product?: Product
  readonly because: string[]
}

const neverOnBreathedAir: readonly ProductClass[] = ['alkaline-degreaser', 'acid-cleaner', 'chlorine-cleaner', 'outdoor-foam']

const within = (range: readonly [number, number] | undefined, least: number, most: number) =>
  range !== undefined && range[0] >= least && range[1] <= most

const neverOnFins: readonly ProductClass[] = ['acid-cleaner', 'chlorine-cleaner']

/** Every reason why the product may not be used in this way; empty means that it may. */
export function reasonsAgainst(
  { class: kind, household, label, name, inStockLitres }: Product,
  use: UseConditions,
  way: UseWay = 'rinsed',
): string[] {
  const breathed = way !== 'outdoors'
  const against: string[] = []
  const check = (fails: boolean, because: string) => fails && against.push(`${name}: ${because}`)
  check(breathed && neverOnBreathedAir.includes(kind), `${kind.replaceAll('-', ' ')} never goes on the side whose air is breathed`)
  check(!breathed && neverOnFins.includes(kind), `${kind.replaceAll('-', ' ')} never goes on fins`)
  check(breathed && !label.indoorSafe, 'its label does not allow indoor use')
  check(way === 'unrinsed' && label.rinse === 'required', 'its label asks for a rinse, and there is none')
  check(!label.aluminiumSafe, 'its label does not allow aluminium')
  check(use.coatedFins && label.coatedFinsSafe !== true, 'its label does not allow coated fins')
  check(
    breathed && label.pH !== undefined && !within(label.pH, breathedPh.least.value, breathedPh.most.value),
    `pH ${label.pH?.join(' to ')}: on the side whose air is breathed nothing below pH ${breathedPh.least.value} or above ${breathedPh.most.value}`,
  )
  check(
    use.neutralOnly && kind !== 'pan-treatment' && !within(label.pH, neutralPh.least.value, neutralPh.most.value),
    `only pH ${neutralPh.least.value} to ${neutralPh.most.value} on coated or corroded fins`,
  )
  check(breathed && use.foodArea && label.foodAreaAllowed !== true, 'its label does not allow food areas')
  check(breathed && use.sensitiveOccupants && label.fragranced === true, 'it is fragranced, and people here are sensitive')
  check(household === true && !use.householdAllowed, 'house rules keep to trade agents')
  check(household === true && !within(label.pH, householdPh.least.value, householdPh.most.value), 'a household detergent must keep to pH 6 to 9')
  check(inStockLitres !== undefined && inStockLitres <= 0, 'none is in stock')
  return against
}

/** The product of a class that may be used in this way: household ones first where house rules allow them, unscented before scented. */
export function pickProduct(products: readonly Product[], kind: ProductClass, use: UseConditions, way: UseWay = 'rinsed'): Picked {
  const rank = ({ household, label }: Product) => (use.householdAllowed && household ? 0 : 2) + (label.fragranced ? 1 : 0)
  const ofClass = products.filter((product) => product.class === kind).sort((a, b) => rank(a) - rank(b))
  if (ofClass.length === 0) return { because: [`no ${kind.replaceAll('-', ' ')} in the van`] }
  const against = ofClass.map((product) => reasonsAgainst(product, use, way))
  const index = against.findIndex((reasons) => reasons.length === 0)
  return index >= 0 ? { product: ofClass[index], because: [] } : { because: against.flat() }
}
