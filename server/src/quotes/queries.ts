// Quotes: as a list, and one with what came of it.
import { knownHouseRules } from '@yastik/core/method'
import { outcomeOf } from '@yastik/core/money'
import { visitId } from '@yastik/core/procedure'
import { emptyUnitState, stateOf } from '@yastik/core/run'
import { daySchema, type QuotePage, type QuoteRecord } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { findOwn } from '../db/find.ts'
import { Site, type Firm, type Quote } from '../db/models.ts'
import { markOf, pageLimit, pageOf, readMark } from '../db/paging.ts'
import { eventsOf } from '../events/queries.ts'

export async function quotePage(db: Db, firmId: number, { siteId, after }: { siteId?: string; after?: string }): Promise<QuotePage> {
  const [madeOn, lastId] = after === undefined ? [] : readMark(after, 2, ([day]) => daySchema.safeParse(day).success)
  const wheres = ['q.firm_id = :firmId', ...(siteId ? ['q.site_id = :siteId'] : []), ...(lastId ? ['(q.made_on, q.id) < (:madeOn, :lastId)'] : [])]
  const rows = await db.read<QuotePage['entries'][number]>(
    `SELECT STRAIGHT_JOIN q.id, q.site_id AS siteId, s.name AS siteName, q.state, DATE_FORMAT(q.made_on, '%Y-%m-%d') AS madeOn,
            DATE_FORMAT(q.valid_until, '%Y-%m-%d') AS validUntil, q.total, q.job_id AS jobId, q.units
     FROM quotes q JOIN sites s ON s.id = q.site_id WHERE ${wheres.join(' AND ')} ORDER BY q.made_on DESC, q.id DESC LIMIT ${pageLimit}`,
    { firmId, siteId, madeOn, lastId },
  )
  return pageOf(
    rows,
    ({ madeOn, id }) => markOf(madeOn, id),
    (row) => row,
  )
}

async function outcome(db: Db, quote: Quote, firm: Firm): Promise<QuoteRecord['outcome']> {
  const option = quote.body.options.find(({ key }) => key === quote.chosen)
  if (!quote.jobId || !option) return null
  const states = stateOf(await eventsOf(db, quote.jobId))
  const all = option.units.map(({ unitId }) => states[unitId] ?? emptyUnitState())
  const { [visitId]: visit } = states
  const productCost = option.units.flatMap(({ products }) => products).reduce((sum, { cost }) => sum + (cost ?? 0), 0)
  const priceOf = new Map(
    firm.products.flatMap(({ id, packLitres, pricePerPack }) => (packLitres && pricePerPack !== undefined ? [[id, pricePerPack / packLitres]] : [])),
  )
  return {
    ...outcomeOf(
      { total: quote.total, handsMin: option.handsMin, productCost, ...(option.waitingMin === undefined ? {} : { waitingMin: option.waitingMin }) },
      visit ? [...all, visit] : all,
      (id) => priceOf.get(id),
      knownHouseRules(firm.houseRules).hourCost,
    ),
    done: all.filter(({ handedOver }) => handedOver).length,
    units: all.length,
  }
}

export async function quoteRecord(db: Db, quote: Quote, firm: Firm): Promise<QuoteRecord> {
  const { id, siteId, state, madeOn, validUntil, version, total, body, chosen = null, jobId = null } = quote
  const { name } = await findOwn(db, Site, 'site', siteId, firm.id)
  const came = await outcome(db, quote, firm)
  return { id, siteId, siteName: name, state, madeOn, validUntil, version, total, ...body, chosen, jobId, outcome: came }
}
