// What is there of each product, what came and went, and which visits are to come.
import { usableLitres, type Lot, type Product } from '@yastik/core/products'
import type { StockMoves } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import type { Firm, StockLot } from '../db/models.ts'
import { momentMark, pageLimit, pageOf, readMomentMark } from '../db/paging.ts'
import { dayOf } from '../days.ts'

export const lotOf = ({ lot, labelDate, litres }: Pick<StockLot, 'lot' | 'litres'> & { labelDate?: string | null }): Lot => ({
  lot,
  litres,
  ...(labelDate ? { labelDate } : {}),
})

/** Lots of a firm's products, by product. */
export const lotsOf = async (db: Db, firmId: number): Promise<Map<string, Lot[]>> => {
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

/** What visits used of each product since a moment, L. */
export async function usedSince(db: Db, firmId: number, since: Date): Promise<Map<string, number>> {
  const rows = await db.read<{ productId: string; litres: number }>(
    `SELECT product_id AS productId, -SUM(litres) AS litres FROM stock_moves
     WHERE firm_id = :firmId AND kind = 'used' AND moved_at >= :since GROUP BY product_id`,
    { firmId, since },
  )
  return new Map(rows.map(({ productId, litres }) => [productId, Number(litres)]))
}

export interface PlanVersion {
  readonly id: string
  readonly revision: number
  readonly logLength: number
  readonly siteVersion: number
  /** Of its units that are not handed over: their versions, and when each was cleaned last. */
  readonly units: string | null
}
/** Open visits of some days, with all that may change what they take. */
export const planVersions = (db: Db, firmId: number, from: string, to: string): Promise<PlanVersion[]> =>
  db.read<PlanVersion>(
    `SELECT j.id, j.revision, j.log_length AS logLength, s.version AS siteVersion,
            GROUP_CONCAT(CONCAT(u.id, ' ', u.version, ' ', COALESCE(u.last_cleaned_at, '')) ORDER BY ju.position SEPARATOR ',') AS units
     FROM jobs j JOIN sites s ON s.id = j.site_id JOIN job_units ju ON ju.job_id = j.id AND ju.handed_over_at IS NULL
     JOIN units u ON u.id = ju.unit_id
     WHERE j.firm_id = :firmId AND j.closed = 0 AND j.on_date BETWEEN :from AND :to GROUP BY j.id, j.revision, j.log_length, s.version`,
    { firmId, from, to },
  )

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
