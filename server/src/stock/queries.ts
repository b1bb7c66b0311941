// What is left of each product, what came and went, and what to buy.
import { isPast, purchaseOf, purchaseWeeks, usableLitres, type Lot, type Product } from '@yastik/core/products'
import type { StockMoves, StockRecord } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import type { Firm, StockLot } from '../db/models.ts'
import { momentMark, pageLimit, pageOf, readMomentMark } from '../db/paging.ts'
import { dayMs, dayOf } from '../days.ts'
import { plannedLitres } from './planned.ts'

/** Of late: what is usually used is the mean of so many weeks. */
const lateWeeks = 8

export const lotOf = ({ lot, labelDate, litres }: Pick<StockLot, 'lot' | 'litres'> & { labelDate?: string | null }): Lot => ({
  lot,
  litres,
  ...(labelDate ? { labelDate } : {}),
})

/** Lots of a firm's products, by product. */
const lotsOf = async (db: Db, firmId: number): Promise<Map<string, Lot[]>> => {
  const rows = await db.read<{ productId: string; lot: string; labelDate: string | null; litres: number }>(
    `SELECT product_id AS productId, lot, DATE_FORMAT(label_date, '%Y-%m-%d') AS labelDate, litres FROM stock_lots WHERE firm_id = :firmId`,
    { firmId },
  )
  return new Map([...groupBy(rows, ({ productId }) => productId)].map(([id, lots]) => [id, lots.map(lotOf)]))
}

/** The firm's products with what may be used of each today; nothing is said of those that were never counted. */
export async function productsOf(db: Db, firm: Firm, nowMs = Date.now()): Promise<Product[]> {
  const lots = await lotsOf(db, firm.id)
  return firm.products.map(({ inStockLitres: _, ...product }) => {
    const own = lots.get(product.id)
    return own ? { ...product, inStockLitres: Math.max(0, usableLitres(own, dayOf(nowMs, firm))) } : product
  })
}

export async function stockRecord(db: Db, firm: Firm, nowMs: number): Promise<StockRecord> {
  const today = dayOf(nowMs, firm)
  const [lots, planned, used] = await Promise.all([
    lotsOf(db, firm.id),
    plannedLitres(db, firm, today, dayOf(nowMs + purchaseWeeks.value * 7 * dayMs, firm), nowMs),
    db.read<{ productId: string; litres: number }>(
      `SELECT product_id AS productId, -SUM(litres) AS litres FROM stock_moves WHERE firm_id = :firmId AND kind = 'used' AND moved_at >= :since GROUP BY product_id`,
      { firmId: firm.id, since: new Date(nowMs - lateWeeks * 7 * dayMs) },
    ),
  ])
  const usedOf = new Map(used.map(({ productId, litres }) => [productId, Number(litres)]))
  const round = (litres: number) => Math.round(litres * 1000) / 1000
  return {
    products: firm.products.map((product) => {
      const own = lots.get(product.id)
      const usableL = own ? usableLitres(own, today) : null
      const weeklyL = round((usedOf.get(product.id) ?? 0) / lateWeeks)
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

type MoveRow = Omit<StockMoves['entries'][number], 'at' | 'name' | 'job'> & {
  readonly at: Date
  readonly jobId: string | null
  readonly unitId: string | null
  readonly siteName: string | null
}

export async function stockMoves(db: Db, firm: Firm, after: string | undefined): Promise<StockMoves> {
  const mark = readMomentMark(after)
  const rows = await db.read<MoveRow>(
    `SELECT STRAIGHT_JOIN m.id, m.moved_at AS at, m.product_id AS productId, m.kind, m.litres, m.lot, m.moved_by AS \`by\`, m.job_id AS jobId,
            m.unit_id AS unitId, s.name AS siteName
     FROM stock_moves m LEFT JOIN jobs j ON j.id = m.job_id LEFT JOIN sites s ON s.id = j.site_id
     WHERE m.firm_id = :firmId AND ${mark ? '(m.moved_at, m.id) < (:at, :id)' : 'TRUE'} ORDER BY m.moved_at DESC, m.id DESC LIMIT ${pageLimit}`,
    { firmId: firm.id, ...mark },
  )
  const nameOf = new Map(firm.products.map(({ id, name }) => [id, name]))
  return pageOf(
    rows,
    ({ at, id }) => momentMark(at, id),
    ({ id, at, productId, kind, litres, lot, by, jobId, unitId, siteName }) => ({
      id,
      at: at.toISOString(),
      productId,
      name: nameOf.get(productId) ?? productId,
      kind,
      litres,
      lot,
      by,
      job: jobId && unitId ? { id: jobId, unitId, siteName: siteName ?? '' } : null,
    }),
  )
}
