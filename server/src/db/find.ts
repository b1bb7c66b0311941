// One thing of a firm by its id, or the fault that it is not there.
import { Fault } from '@yastik/core/faults'
import type { Includeable, Model, ModelStatic, WhereOptions } from 'sequelize'
import type { Db, Doing } from './database.ts'

export const notThere = (what: string, id: string): Fault =>
  new Fault('not-there', { lines: [{ where: 'id', what: `there is no ${what} ${id}`, allowed: `the id of a ${what} of your firm` }] })

const ofFirm = <M extends Model>(id: string, firmId: number) => ({ id, firmId }) as unknown as WhereOptions<M>

/** @throws Fault `not-there` */
export async function findOwn<M extends Model>(
  db: Db,
  model: ModelStatic<M>,
  what: string,
  id: string,
  firmId: number,
  include: Includeable[] = [],
): Promise<M> {
  const row = await model.findOne({ where: ofFirm<M>(id, firmId), include, transaction: db.transaction })
  if (!row) throw notThere(what, id)
  return row
}

/** The same, held until the doing ends, so that two come one after the other. @throws Fault `not-there` */
export async function holdOwn<M extends Model>(db: Doing, model: ModelStatic<M>, what: string, id: string, firmId: number): Promise<M> {
  const row = await model.findOne({ where: ofFirm<M>(id, firmId), transaction: db.transaction, lock: db.transaction.LOCK.UPDATE })
  if (!row) throw notThere(what, id)
  return row
}
