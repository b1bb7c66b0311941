// The van's stock changes: a balance for each lot, and a ledger of what came and went, both in one transaction.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'
import { takeFrom } from '@yastik/core/products'
import type { UnitState } from '@yastik/core/run'
import type { StockForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import { v7 as newId } from 'uuid'
import type { Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { StockLot, StockMove, User, Firm, type Job } from '../db/models.ts'
import { dayOf } from '../days.ts'
import { lotOf } from './queries.ts'

/** Amounts are kept to the millilitre. */
const toMl = (litres: number) => Math.round(litres * 1000) / 1000

/**
 * Lots of some products, held until the transaction ends. The firm itself is held first: a lot that is not there yet cannot be held, and of several
 * that would make it at once all but one would be turned down.
 */
async function held({ transaction }: Doing, firmId: number, productIds: readonly string[]): Promise<Map<string, StockLot[]>> {
  await Firm.findByPk(firmId, { attributes: ['id'], lock: transaction.LOCK.UPDATE, transaction })
  return groupBy(
    await StockLot.findAll({
      where: { firmId, productId: { [Op.in]: [...productIds] } },
      order: [
        ['productId', 'ASC'],
        ['lot', 'ASC'],
      ],
      lock: transaction.LOCK.UPDATE,
      transaction,
    }),
    ({ productId }) => productId,
  )
}

/**
 * Notes what was bought, counted or thrown out.
 * @throws Fault `does-not-hold-up` for a product that is not the firm's, for throwing out more than a lot holds, for another date on a known lot.
 */
export async function noteMove(db: Doing, firm: Firm, user: User, form: Required<Pick<StockForm, 'lot'>> & StockForm): Promise<void> {
  const { transaction } = db
  const { productId, kind, litres, lot, labelDate } = form
  if (!firm.products.some(({ id }) => id === productId))
    throw doesNotHoldUp('productId', says('fault.stock.no-product', { id: productId }), says('fault.stock.no-product-allowed'))
  const known = (await held(db, firm.id, [productId])).get(productId)?.find((row) => row.lot === lot)
  if (known && labelDate && known.labelDate && known.labelDate !== labelDate)
    throw doesNotHoldUp(
      'labelDate',
      says('fault.stock.other-label', { lot: lot || says('fault.stock.no-number'), day: { day: known.labelDate } }),
      says('fault.stock.other-label-allowed'),
    )
  const there = known?.litres ?? 0
  if (kind === 'thrown-out' && litres > there)
    throw doesNotHoldUp(
      'litres',
      says('fault.stock.too-much', { amount: { L: litres }, left: { L: there } }),
      says('fault.stock.too-much-allowed', { left: { L: there } }),
    )
  const change = toMl(kind === 'counted' ? litres - there : kind === 'bought' ? litres : -litres)
  if (known) await known.update({ litres: toMl(there + change), ...(labelDate ? { labelDate } : {}) }, { transaction })
  else await StockLot.create({ firmId: firm.id, productId, lot, labelDate: labelDate ?? null, litres: change }, { transaction })
  await StockMove.create(
    { id: newId(), firmId: firm.id, productId, lot, kind, litres: change, movedAt: new Date(), movedBy: user.name },
    { transaction },
  )
}

const idLength = 36
const keyOf = (unitId: string, productId: string) => `${unitId} ${productId}`

/**
 * Brings the ledger in line with what a visit's log says was used: more is taken, what was undone goes back where it came from.
 * @param states of the units that it may have changed at
 */
export async function settleUse(db: Doing, job: Pick<Job, 'id' | 'firmId'>, states: ReadonlyMap<string, UnitState>): Promise<void> {
  const { transaction } = db
  const used = new Map<string, { litres: number; by: number; atMs: number }>()
  for (const [unitId, { used: own }] of states)
    for (const { productId, litres, by, atMs } of own) {
      const key = keyOf(unitId, productId)
      used.set(key, { litres: toMl((used.get(key)?.litres ?? 0) + litres), by, atMs })
    }
  const moves = await StockMove.findAll({
    where: { jobId: job.id, unitId: { [Op.in]: [...states.keys()] } },
    order: [['movedAt', 'ASC']],
    transaction,
  })
  const moved = groupBy(moves, ({ unitId, productId }) => keyOf(unitId ?? '', productId))
  const open = [...new Set([...used.keys(), ...moved.keys()])].flatMap((key) => {
    const already = (moved.get(key) ?? []).reduce((sum, { litres }) => sum - litres, 0)
    const more = toMl((used.get(key)?.litres ?? 0) - already)
    const [unitId, productId] = [key.slice(0, idLength), key.slice(idLength + 1)]
    return more === 0 ? [] : [{ key, unitId, productId, more }]
  })
  if (open.length === 0) return
  const lots = await held(db, job.firmId, [...new Set(open.map(({ productId }) => productId))])
  const firm = await Firm.findByPk(job.firmId, { rejectOnEmpty: true, transaction })
  const people = new Map((await User.findAll({ where: { firmId: job.firmId }, transaction })).map(({ id, name }) => [id, name]))
  const now = new Date()
  for (const { key, unitId, productId, more } of open) {
    const own = lots.get(productId) ?? []
    const last = used.get(key)
    const movedBy = people.get(last?.by ?? 0) ?? ''
    const movedAt = last && more > 0 ? new Date(last.atMs) : now
    const changes =
      more > 0
        ? takeFrom(own.map(lotOf), more, dayOf(now.getTime(), firm)).map(({ lot, litres }) => ({ lot, change: -litres }))
        : giveBack(moved.get(key) ?? [], -more)
    // Never counted: the visit's use is on record, and no balance changes.
    const noted = changes.length > 0 ? changes : [{ lot: '', change: -more }]
    for (const { lot, change } of noted) {
      const row = own.find((other) => other.lot === lot)
      if (row) await row.update({ litres: toMl(row.litres + change) }, { transaction })
      await StockMove.create(
        { id: newId(), firmId: job.firmId, productId, lot, kind: 'used', litres: toMl(change), jobId: job.id, unitId, movedAt, movedBy },
        { transaction },
      )
    }
  }
}

/** From the lots from which it came, the last first. */
function giveBack(moves: readonly StockMove[], litres: number): { lot: string; change: number }[] {
  const taken = new Map<string, number>()
  for (const { lot, litres: change } of moves) taken.set(lot, toMl((taken.get(lot) ?? 0) - change))
  let left = litres
  return [...taken].reverse().flatMap(([lot, there]) => {
    const change = toMl(Math.min(left, Math.max(0, there)))
    left = toMl(left - change)
    return change > 0 ? [{ lot, change }] : []
  })
}
