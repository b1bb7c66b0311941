// Which cells does the text of a table hold? By its separator, and line by line again where a quotation mark went astray.
import type { RowFault } from '@yastik/core/wire'
import { says, type Message } from '@yastik/core/words'
import papa from 'papaparse'

export interface Parsed {
  /** Cells row by row, the headings first. A line that could not be made out is a row without cells. */
  readonly rows: string[][]
  readonly delimiter: string
  /** What could not be made out, by row as a spreadsheet counts. */
  readonly faults: RowFault[]
}

/** A first line that says nothing but which sign stands between the cells, as spreadsheets write it. */
const saidSeparator = /^"?sep=(\t|[^\r\n"])"?(?:\r\n|\n|\r)/i
const lineEnd = /\r\n|\n|\r/

/** What is wrong with a row as it was read; undefined where nothing is. */
function astray(cells: readonly string[], errors: readonly papa.ParseError[], delimiter: string, columns: number): Message | undefined {
  if (errors.some(({ code }) => code === 'MissingQuotes')) return says('fault.table.quote-open')
  if (errors.some(({ type }) => type === 'Quotes')) return says('fault.table.quote-inside')
  // A cell may run over several lines; that a whole row lies in one is no chance.
  const swallows = cells.some((cell) =>
    cell
      .split(lineEnd)
      .slice(1)
      .some((line) => line.split(delimiter).length >= columns),
  )
  return swallows && columns > 1 ? says('fault.table.swallows') : undefined
}

/**
 * Reads the text of a table. Where a quotation mark goes astray, its line is told of and left out; what follows is read as if it were not there.
 * Rows that are empty are kept, so that rows are counted as a spreadsheet does.
 */
export function parseTable(whole: string): Parsed {
  const said = saidSeparator.exec(whole)
  const text = said ? whole.slice(said[0].length) : whole
  const delimiter = said?.[1] ?? papa.parse(text, { preview: 10 }).meta.delimiter
  const rows: string[][] = []
  const faults: RowFault[] = []
  let columns = 0
  let from = 0
  while (from < text.length) {
    let end = from
    let wrong: Message | undefined
    papa.parse<string[]>(text.slice(from), {
      delimiter,
      step: ({ data, errors, meta }, parser) => {
        if (columns === 0) columns = data.length
        wrong = astray(data, errors, delimiter, columns)
        if (wrong !== undefined) return parser.abort()
        rows.push(data)
        end = from + meta.cursor
      },
    })
    if (wrong === undefined) break
    const broken = lineEnd.exec(text.slice(end))
    rows.push([])
    faults.push({ row: rows.length, where: says('fault.table.line'), what: wrong, allowed: says('fault.table.quotes') })
    from = broken ? end + broken.index + broken[0].length : text.length
  }
  while (rows.at(-1)?.every((cell) => cell.trim() === '') && faults.at(-1)?.row !== rows.length) rows.pop()
  return { rows, delimiter, faults }
}
