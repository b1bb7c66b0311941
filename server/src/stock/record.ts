// What is left of each product, what is usually used, what the coming visits take, and what to buy.
import { isPast, purchaseOf, purchaseWeeks, usableLitres } from '@yastik/core/products'
import type { StockRecord } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { dayMs, dayOf } from '../days.ts'
import type { Firm } from '../db/models.ts'
import { plannedLitres } from './planned.ts'
import { lotsOf, usedSince } from './queries.ts'

/** Of late: what is usually used is the mean of so many weeks. */
const lateWeeks = 8

export async function stockRecord(db: Db, firm: Firm, nowMs: number): Promise<StockRecord> {
  const today = dayOf(nowMs, firm)
  const [lots, planned, used] = await Promise.all([
    lotsOf(db, firm.id),
    plannedLitres(db, firm, today, dayOf(nowMs + purchaseWeeks.value * 7 * dayMs, firm), nowMs),
    usedSince(db, firm.id, new Date(nowMs - lateWeeks * 7 * dayMs)),
  ])
  const round = (litres: number) => Math.round(litres * 1000) / 1000
  return {
    products: firm.products.map((product) => {
      const own = lots.get(product.id)
      const usableL = own ? usableLitres(own, today) : null
      const weeklyL = round((used.get(product.id) ?? 0) / lateWeeks)
      const plannedL = round(planned.get(product.id) ?? 0)
      return {
        productId: product.id,
        name: product.name,
        usableL,
        lots: (own ?? [])
          .filter(({ litres }) => litres !== 0)
          .map((lot) => ({ ...lot, past: isPast(lot, today) }))
          .sort((one, other) => (one.labelDate ?? '9999').localeCompare(other.labelDate ?? '9999')),
        weeklyL,
        plannedL,
        buy: usableL === null ? null : (purchaseOf(product, usableL, plannedL, weeklyL) ?? null),
      }
    }),
  }
}
