// What has to be in the van for a whole day, and what of it is not there?
import { equipmentName, type Equipment } from '../products/index.ts'
import { round } from '../quantities/index.ts'
import { itemId, kitFor, type KitItem, type KitUnit } from './kit.ts'
import { says, type Sentence } from '../words/index.ts'

export interface LoadVisit {
  readonly site: string
  readonly waterOnSite: boolean
  readonly units: readonly (KitUnit & { readonly waterL: number })[]
}
export interface LoadItem extends KitItem {
  /** Sites that need it. */
  readonly sites: string[]
  /** What the van has of it, where that is counted. */
  readonly has?: number
  readonly short?: number
}

/**
 * Everything that the visits of a day need, once for the whole van: tools as many as the visit that needs most, products and small parts added
 * up, and water for sites without a tap.
 * @param products what may be used of each product, litres; undefined where it is not counted
 */
export function loadFor(
  visits: readonly LoadVisit[],
  equipment: readonly Equipment[],
  products: readonly { id: string; name: string; usableL?: number }[],
): LoadItem[] {
  const nameOf = new Map(products.map(({ id, name }) => [id, name]))
  const productName = (id: string) => nameOf.get(id) ?? id
  const own = visits.map(({ site, units }) => ({ site, items: new Set(kitFor(units, productName).map(({ item }) => itemId(item))) }))
  const all = kitFor(
    visits.flatMap(({ units }) => units),
    productName,
  )
  const dry = visits.filter(({ waterOnSite }) => !waterOnSite)
  const waterL = dry.reduce((sum, { units }) => sum + units.reduce((own, unit) => own + unit.waterL, 0), 0)
  const water: LoadItem[] =
    waterL > 0
      ? [
          {
            item: says('plan.loadFor.clean-water'),
            quantity: Math.ceil(waterL),
            unit: 'L',
            why: says('plan.loadFor.tap-site'),
            sites: dry.map(({ site }) => site),
          },
        ]
      : []
  return [
    ...all.map((item) => {
      const sites = own.filter(({ items }) => items.has(itemId(item.item))).map(({ site }) => site)
      const has = countOf(item.item, equipment, products)
      return { ...item, sites, ...(has === undefined ? {} : { has, ...(has < item.quantity ? { short: round(item.quantity - has, 3) } : {}) }) }
    }),
    ...water,
  ]
}

function countOf(item: Sentence, equipment: readonly Equipment[], products: readonly { name: string; usableL?: number }[]): number | undefined {
  const product = products.find(({ name }) => name === item)
  if (product) return product.usableL
  const own = equipment.filter(({ kind }) => equipmentName(kind).key === itemId(item))
  return own.length > 0 ? own.reduce((sum, { count }) => sum + count, 0) : undefined
}
