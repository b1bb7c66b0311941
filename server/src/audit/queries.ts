// What is on record, newest first; and all of it as a table.
import { Op } from 'sequelize'
import type { AuditEntry, AuditPage } from '@yastik/core/wire'
import { csvOf } from '../csv.ts'
import type { Db } from '../db/database.ts'
import { Audit } from '../db/models.ts'
import { markOf, pageLimit, pageOf, readMark } from '../db/paging.ts'

const entryOf = ({ id, at, byName, address, what, about, before, after }: Audit): AuditEntry => ({
  id: Number(id),
  at: at.toISOString(),
  by: byName,
  from: address,
  what,
  about,
  before,
  after,
})
const newest = (firmId: number, before: number | undefined, limit: number, { transaction }: { readonly transaction?: Db['transaction'] }) =>
  Audit.findAll({
    where: { firmId, ...(before === undefined ? {} : { id: { [Op.lt]: before } }) },
    order: [['id', 'DESC']],
    limit,
    transaction,
  })

export async function auditPage(db: Db, firmId: number, after: string | undefined): Promise<AuditPage> {
  const [mark] = after === undefined ? [] : readMark(after, 1, ([id]) => /^\d{1,15}$/.test(id))
  const rows = await newest(firmId, mark === undefined ? undefined : Number(mark), pageLimit, db)
  return pageOf(rows, ({ id }) => markOf(Number(id)), entryOf)
}

const rowsAtOnce = 1000
const columns = ['at', 'by', 'from', 'what', 'about', 'before', 'after'] as const

/** CSV (RFC 4180) in UTF-8 with a byte order mark; no cell starts a formula. */
export async function* auditTable(firmId: number): AsyncGenerator<string> {
  yield `\uFEFF${columns.join(',')}\r\n`
  for (let before: number | undefined; ;) {
    const rows = await newest(firmId, before, rowsAtOnce, {})
    const last = rows.at(-1)
    if (!last) return
    const cells = rows
      .map(entryOf)
      .map((entry) => columns.map((name) => (typeof entry[name] === 'string' ? entry[name] : JSON.stringify(entry[name]))))
    yield `${csvOf(cells)}\r\n`
    before = Number(last.id)
  }
}
