// May this product be used on this coil, at this site? Only what its label allows.
import { estimate } from '../quantities/index.ts'
import { className, type Product, type ProductClass } from './product.ts'
import { says, type Message } from '../words/index.ts'

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
  readonly because: Message[]
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
): Message[] {
  const breathed = way !== 'outdoors'
  const against: Message[] = []
  const check = (fails: boolean, because: Message) => fails && against.push(says('products.reasonsAgainst.text', { name, because }))
  check(breathed && neverOnBreathedAir.includes(kind), says('products.reasonsAgainst.never-goes-side-whose', { product: className(kind) }))
  check(!breathed && neverOnFins.includes(kind), says('products.reasonsAgainst.never-goes-fins', { product: className(kind) }))
  check(breathed && !label.indoorSafe, says('products.reasonsAgainst.label-does-allow-indoor'))
  check(way === 'unrinsed' && label.rinse === 'required', says('products.reasonsAgainst.label-asks-rinse-none'))
  check(!label.aluminiumSafe, says('products.reasonsAgainst.label-does-allow-aluminium'))
  check(use.coatedFins && label.coatedFinsSafe !== true, says('products.reasonsAgainst.label-does-allow-coated'))
  check(
    breathed && label.pH !== undefined && !within(label.pH, breathedPh.least.value, breathedPh.most.value),
    says('products.reasonsAgainst.ph-side-whose-air', {
      from: { n: label.pH?.[0] ?? 0 },
      to: { n: label.pH?.[1] ?? 0 },
      least: { n: breathedPh.least.value },
      most: { n: breathedPh.most.value },
    }),
  )
  check(
    use.neutralOnly && kind !== 'pan-treatment' && !within(label.pH, neutralPh.least.value, neutralPh.most.value),
    says('products.reasonsAgainst.ph-coated-corroded-fins', { least: { n: neutralPh.least.value }, most: { n: neutralPh.most.value } }),
  )
  check(breathed && use.foodArea && label.foodAreaAllowed !== true, says('products.reasonsAgainst.label-does-allow-food'))
  check(breathed && use.sensitiveOccupants && label.fragranced === true, says('products.reasonsAgainst.fragranced-people-here-sensitive'))
  check(household === true && !use.householdAllowed, says('products.reasonsAgainst.house-rules-keep-trade'))
  check(
    household === true && !within(label.pH, householdPh.least.value, householdPh.most.value),
    says('products.reasonsAgainst.household-detergent-must-keep'),
  )
  check(inStockLitres !== undefined && inStockLitres <= 0, says('products.reasonsAgainst.none-stock'))
  return against
}

/** The product of a class that may be used in this way: household ones first where house rules allow them, unscented before scented. */
export function pickProduct(products: readonly Product[], kind: ProductClass, use: UseConditions, way: UseWay = 'rinsed'): Picked {
  const rank = ({ household, label }: Product) => (use.householdAllowed && household ? 0 : 2) + (label.fragranced ? 1 : 0)
  const ofClass = products.filter((product) => product.class === kind).sort((a, b) => rank(a) - rank(b))
  if (ofClass.length === 0) return { because: [says('products.pickProduct.van', { product: className(kind) })] }
  const against = ofClass.map((product) => reasonsAgainst(product, use, way))
  const index = against.findIndex((reasons) => reasons.length === 0)
  return index >= 0 ? { product: ofClass[index], because: [] } : { because: against.flat() }
}
