// The stores are saved. How much is left of a product is the stock's.
import { Fault } from '@yastik/core/faults'
import type { StoresRecord } from '@yastik/core/wire'
import { differenceOf, note, type Actor } from '../audit/doings.ts'
import type { Doing } from '../db/database.ts'
import { Firm, type User } from '../db/models.ts'
import { noteMove } from '../stock/doings.ts'

/** @returns the firm as it is now @throws Fault `changed-meanwhile` over another version than the one that was seen */
export async function saveStores(db: Doing, { id }: Firm, user: User, { products, equipment, version }: StoresRecord, actor: Actor): Promise<Firm> {
  const { transaction } = db
  const firm = await Firm.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
  if (firm.storesVersion !== version) throw new Fault('changed-meanwhile')
  const known = new Set(firm.products.map((product) => product.id))
  // How much there is stands in the stock: a label that is saved does not count the van anew.
  const labels = products.map(({ inStockLitres: _, ...product }) => product)
  const [was, is] = [
    [...firm.products, ...firm.equipment],
    [...labels, ...equipment],
  ]
  await note(db, actor, { what: 'labels-changed', ...differenceOf(was, is) })
  await firm.update({ products: labels, equipment, storesVersion: version + 1 }, { transaction })
  for (const { id: productId, inStockLitres } of products)
    if (inStockLitres !== undefined && !known.has(productId))
      await noteMove(db, firm, user, { productId, kind: 'counted', litres: inStockLitres, lot: '' })
  return firm
}
