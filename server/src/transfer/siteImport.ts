// Many sites and units at once, in one transaction.
import { says } from '@yastik/core/words'
import { Fault } from '@yastik/core/faults'
import type { SiteImport, SiteImportReceipt } from '@yastik/core/wire'
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
    // One after the other: where the database gives a transaction up, a statement that was sent already would be kept by itself.
    for (let at = 0; at < rows.length; at += rowsAtOnce) {
      await Site.bulkCreate(
        rows.slice(at, at + rowsAtOnce).map(({ id, form }) => ({ id, ...by, name: form.site.name, form })),
        { transaction },
      )
      progress(Math.min(rows.length, at + rowsAtOnce), all)
    }
    for (let at = 0; at < units.length; at += rowsAtOnce) {
      await Unit.bulkCreate(units.slice(at, at + rowsAtOnce), { transaction })
      progress(rows.length + Math.min(units.length, at + rowsAtOnce), all)
    }
    const counts = { sites: rows.length, units: units.length }
    await Import.create({ id: importId, firmId: user.firmId, kind: 'sites', madeAt: new Date(), madeBy: user.name, counts }, { transaction })
    await note(doing, actor, { what: 'imported', about: 'sites', after: counts })
    return { importId, ...counts }
  })
}
