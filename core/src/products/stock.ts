// What is left of a product, lot by lot: what may still be used, which lot is used first, and what has to be bought?
import { estimate, round } from '../quantities/index.ts'
import type { Product } from './product.ts'

export interface Lot {
  /** As printed on the pack; empty where nobody noted one. */
  readonly lot: string
  /** Last day on which it may be used, as 2027-03-01, where the label names one. */
  readonly labelDate?: string
  /** Below zero where more was used than was there: it wants counting. */
  readonly litres: number
}

export const isPast = ({ labelDate }: Pick<Lot, 'labelDate'>, today: string): boolean => labelDate !== undefined && labelDate < today

/** Litres that may be used today: lots past their date do not count. */
export const usableLitres = (lots: readonly Lot[], today: string): number =>
  round(
    lots.filter((lot) => !isPast(lot, today)).reduce((sum, { litres }) => sum + litres, 0),
    3,
  )

/** The order in which lots are used: the one whose date comes first, then those without a date; past ones only when nothing else is left. */
const inUse = (lots: readonly Lot[], today: string): Lot[] =>
  [...lots].sort(
    (one, other) =>
      Number(isPast(one, today)) - Number(isPast(other, today)) ||
      (one.labelDate ?? '9999').localeCompare(other.labelDate ?? '9999') ||
      one.lot.localeCompare(other.lot),
  )

/** From which lots so many litres come. What is beyond all lots is put down to the last one, which then stands below zero. */
export function takeFrom(lots: readonly Lot[], litres: number, today: string): { lot: string; litres: number }[] {
  const order = inUse(lots, today)
  let left = litres
  const taken: { lot: string; litres: number }[] = []
  order.forEach(({ lot, litres: there }, index) => {
    const here = index === order.length - 1 ? left : Math.min(left, Math.max(0, there))
    if (here > 0) taken.push({ lot, litres: round(here, 3) })
    left = round(left - here, 6)
  })
  return taken
}

/** What is bought lasts for so long, and one more week is kept in hand. */
export const purchaseWeeks = estimate(2, 'weeks')
export const reserveWeeks = estimate(1, 'weeks')

export interface Purchase {
  readonly litres: number
  /** Whole packs, where the size of a pack is known. */
  readonly packs?: number
  readonly cost?: number
}
/**
 * What to buy of a product, so that the visits that are planned, or else what is usually used, can be done; undefined for nothing.
 * @param plannedL litres in the plans of the coming {@link purchaseWeeks}
 * @param weeklyL litres that are usually used in a week
 */
export function purchaseOf(
  { packLitres, pricePerPack }: Pick<Product, 'packLitres' | 'pricePerPack'>,
  usableL: number,
  plannedL: number,
  weeklyL: number,
): Purchase | undefined {
  const missing = Math.max(plannedL, weeklyL * purchaseWeeks.value) + weeklyL * reserveWeeks.value - usableL
  if (missing <= 0) return undefined
  if (!packLitres) return { litres: round(missing, 3) }
  const packs = Math.ceil(round(missing / packLitres, 6))
  return { litres: round(packs * packLitres, 3), packs, ...(pricePerPack === undefined ? {} : { cost: round(packs * pricePerPack, 2) }) }
}
