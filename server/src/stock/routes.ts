// Stock: what is left, what came and went, what to buy, and what a day needs. Everybody notes what they see; it is on record who did.
import {
  daySchema,
  isPast,
  purchaseOf,
  purchaseWeeks,
  readBy,
  stockFormSchema,
  usableLitres,
  type DayLoad,
  type StockMoves,
  type StockRecord,
} from '@yastik/core'
import type { FastifyInstance } from 'fastify'
import type { Sequelize } from 'sequelize'
import { people } from '../auth/audience.ts'
import type { Firm } from '../db/models.ts'
import { read } from '../db/read.ts'
import { dayLoad, plannedVisits } from './load.ts'
import { lotsOf, noteMove, productsOf } from './ledger.ts'
import { dayMs, dayOf } from '../days.ts'
import { markOf, readMomentMark } from '../db/pageMark.ts'

const pageSize = 50
/** Of late: what is usually used is the mean of so many weeks. */
const lateWeeks = 8

type MoveRow = Omit<StockMoves['entries'][number], 'at' | 'name' | 'job'> & {
  readonly at: Date
  readonly jobId: string | null
  readonly unitId: string | null
  readonly siteName: string | null
}

export function stockRoutes(sequelize: Sequelize) {
  async function record(firm: Firm, nowMs: number): Promise<StockRecord> {
    const today = dayOf(nowMs)
    const [lots, visits, used] = await Promise.all([
      lotsOf(firm.id),
      plannedVisits(firm, today, dayOf(nowMs + purchaseWeeks.value * 7 * dayMs), nowMs),
      read<{ productId: string; litres: number }>(
        `SELECT product_id AS productId, -SUM(litres) AS litres FROM stock_moves WHERE firm_id = :firmId AND kind = 'used' AND moved_at >= :since GROUP BY product_id`,
        { firmId: firm.id, since: new Date(nowMs - lateWeeks * 7 * dayMs) },
      ),
    ])
    const usedOf = new Map(used.map(({ productId, litres }) => [productId, Number(litres)]))
    const planned = new Map<string, number>()
    for (const { load } of visits)
      for (const { mixes } of load.units)
        for (const { productId, productL } of mixes) planned.set(productId, (planned.get(productId) ?? 0) + productL)
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

  return async (app: FastifyInstance): Promise<void> => {
    app.get('/api/stock', people, ({ firm }) => record(firm, Date.now()))

    app.post('/api/stock', people, async ({ body, firm, user }, reply) => {
      const form = readBy(stockFormSchema, body)
      await sequelize.transaction((transaction) => noteMove(firm, user, form, transaction))
      return reply.status(201).send(await record(firm, Date.now()))
    })

    app.get<{ Querystring: { after?: string } }>('/api/stock/moves', people, async ({ query, firm }): Promise<StockMoves> => {
      const mark = readMomentMark(query.after)
      const rows = await read<MoveRow>(
        `SELECT STRAIGHT_JOIN m.id, m.moved_at AS at, m.product_id AS productId, m.kind, m.litres, m.lot, m.moved_by AS \`by\`, m.job_id AS jobId, m.unit_id AS unitId, s.name AS siteName
         FROM stock_moves m LEFT JOIN jobs j ON j.id = m.job_id LEFT JOIN sites s ON s.id = j.site_id
         WHERE m.firm_id = :firmId AND ${mark ? '(m.moved_at, m.id) < (:at, :id)' : 'TRUE'} ORDER BY m.moved_at DESC, m.id DESC LIMIT ${pageSize + 1}`,
        { firmId: firm.id, ...mark },
      )
      const page = rows.slice(0, pageSize)
      const nameOf = new Map(firm.products.map(({ id, name }) => [id, name]))
      const last = page.at(-1)
      return {
        entries: page.map(({ id, at, productId, kind, litres, lot, by, jobId, unitId, siteName }) => ({
          id,
          at: at.toISOString(),
          productId,
          name: nameOf.get(productId) ?? productId,
          kind,
          litres,
          lot,
          by,
          job: jobId && unitId ? { id: jobId, unitId, siteName: siteName ?? '' } : null,
        })),
        next: rows.length > pageSize && last ? markOf(last.at.toISOString(), last.id) : null,
      }
    })

    app.get<{ Querystring: { day?: string } }>('/api/load', people, async ({ query, firm }): Promise<DayLoad> => {
      const day = readBy(daySchema, query.day, 'day')
      const products = (await productsOf(firm)).map(({ id, name, inStockLitres }) => ({
        id,
        name,
        ...(inStockLitres === undefined ? {} : { usableL: inStockLitres }),
      }))
      return dayLoad(firm, day, products, Date.now())
    })
  }
}
