// Many sites and units at once, in one transaction.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import type { SiteImport, SiteImportReceipt } from '@yastik/core/wire'
import pLimit from 'p-limit'
import { v7 as newId } from 'uuid'
import { note, type Actor } from '../audit/doings.ts'
import type { Db } from '../db/database.ts'
import { Firm, Import, Site, Unit, type User } from '../db/models.ts'
import { unitValues } from '../sites/records.ts'

/** Rows that are written in one statement. */
const rowsAtOnce = 1000
const keyOf = ({ site, address }: { site: { name: string }; address: string }) => `${site.name.toLowerCase()}\n${address.toLowerCase()}`

/** Who reads it in. */
export type Importer = Pick<User, 'firmId' | 'name'>

/** @throws Fault `in-use`, naming sites of this name and address that are here already; nothing is kept then. */
export function takeInSites(
  db: Db,
  user: Importer,
  actor: Actor,
  sites: SiteImport['sites'],
  progress: (rows: number, of: number) => void = () => undefined,
): Promise<SiteImportReceipt> {
  return db.change(async (doing) => {
    const { transaction } = doing
    // Held, so that of a table that is sent twice at once one is taken, and the other finds its sites here already.
    await Firm.findByPk(user.firmId, { attributes: ['id'], lock: transaction.LOCK.UPDATE, transaction })
    const here = new Set((await Site.findAll({ where: { firmId: user.firmId }, transaction })).map(({ form }) => keyOf(form)))
    const double = sites.filter(({ form }) => here.has(keyOf(form)))
    if (double.length > 0)
      throw new Fault('in-use', {
        lines: double.slice(0, 100).map(({ form }) => ({
          where: 'site',
          what: says('fault.table.here-already', { site: form.site.name }),
          allowed: says('fault.table.here-already-allowed'),
        })),
      })
    const importId = newId()
    const by = { firmId: user.firmId, savedBy: user.name, importId }
    const rows = sites.map(({ form, units }) => ({ id: newId(), form, units }))
    const units = rows.flatMap(({ id, units: own }) => own.map((form) => ({ id: newId(), siteId: id, ...by, ...unitValues(form) })))
    const all = rows.length + units.length
    let written = 0
    /** Writes all of them, some at a time: the next are made ready while the database is still at work on those before. */
    const write = <Row>(of: readonly Row[], some: (rows: readonly Row[]) => Promise<unknown>) => {
      const twoAtATime = pLimit(2)
      const batches = Array.from({ length: Math.ceil(of.length / rowsAtOnce) }, (_, at) => of.slice(at * rowsAtOnce, (at + 1) * rowsAtOnce))
      return Promise.all(
        batches.map((batch) =>
          twoAtATime(async () => {
            await some(batch)
            written += batch.length
            progress(written, all)
          }),
        ),
      )
    }
    await write(rows, (some) =>
      Site.bulkCreate(
        some.map(({ id, form }) => ({ id, ...by, name: form.site.name, form })),
        { transaction },
      ),
    )
    await write(units, (some) => Unit.bulkCreate([...some], { transaction }))
    const counts = { sites: rows.length, units: units.length }
    await Import.create({ id: importId, firmId: user.firmId, kind: 'sites', madeAt: new Date(), madeBy: user.name, counts }, { transaction })
    await note(doing, actor, { what: 'imported', about: 'sites', after: counts })
    return { importId, ...counts }
  })
}
