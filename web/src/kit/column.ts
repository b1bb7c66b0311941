// What is a column of a ledger?
export interface Column<Row> {
  /** Names the slot that draws its cells. */
  readonly key: string
  /** Its heading; empty over doings. */
  readonly says: string
  /** A figure: set to the right. */
  readonly number?: boolean
  /** Never broken over lines: a moment, a name. */
  readonly oneLine?: boolean
  /** By what rows are put in order when its heading is tapped; undefined goes last, whichever way. */
  readonly sort?: (row: Row) => string | number | undefined
  /** Left out where nothing of it is known. */
  readonly hidden?: boolean
}

export interface Order {
  readonly key: string
  readonly down: boolean
}

/** Rows in the order that was tapped; as they came where none was. */
export function ordered<Row>(rows: readonly Row[], columns: readonly Column<Row>[], order: Order | undefined): readonly Row[] {
  const by = columns.find(({ key }) => key === order?.key)?.sort
  if (!order || !by) return rows
  const turn = order.down ? -1 : 1
  return [...rows].sort((one, other) => {
    const [a, b] = [by(one), by(other)]
    if (a === undefined || b === undefined) return a === b ? 0 : a === undefined ? 1 : -1
    return turn * (typeof a === 'number' && typeof b === 'number' ? a - b : String(a).localeCompare(String(b)))
  })
}
