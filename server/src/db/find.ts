// One thing of a firm by its id, or the fault that it is not there.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import type { Includeable, Model, ModelStatic, WhereOptions } from 'sequelize'
import type { Db, Doing } from './database.ts'

/** What there is one of by its id. */
type RecordName = 'site' | 'unit' | 'job' | 'person' | 'quote' | 'message' | 'import' | 'token' | 'calendar' | 'photograph'

export function notThere(of: RecordName, id: string): Fault {
  const what = says(`fault.record.${of}`)
  return new Fault('not-there', {
    lines: [{ where: 'id', what: says('fault.call.none', { what, id }), allowed: says('fault.call.none-allowed', { what }) }],
  })
}

const ofFirm = <M extends Model>(id: string, firmId: number) => ({ id, firmId }) as unknown as WhereOptions<M>

/** @throws Fault `not-there` */
export async function findOwn<M extends Model>(
  db: Db,
  model: ModelStatic<M>,
  what: RecordName,
  id: string,
  firmId: number,
  include: Includeable[] = [],
): Promise<M> {
  const row = await model.findOne({ where: ofFirm<M>(id, firmId), include, transaction: db.transaction })
  if (!row) throw notThere(what, id)
  return row
}

/** The same, held until the doing ends, so that two come one after the other. @throws Fault `not-there` */
export async function holdOwn<M extends Model>(db: Doing, model: ModelStatic<M>, what: RecordName, id: string, firmId: number): Promise<M> {
  const row = await model.findOne({ where: ofFirm<M>(id, firmId), transaction: db.transaction, lock: db.transaction.LOCK.UPDATE })
  if (!row) throw notThere(what, id)
  return row
}
