// A table of sites and units is read here, beside the page: its letters, its dialect, its columns, and row by row what it says.
import { guessColumn, readSiteTable, type RowFault, type SiteImport } from '@yastik/core/wire'
import papa from 'papaparse'
import { decodeTable, type Decoded } from './decode.ts'

export interface TableOpened {
  readonly headings: string[]
  /** Our column for each of theirs, as far as their headings say. */
  readonly mapping: (string | undefined)[]
  readonly delimiter: string
  readonly encoding: Decoded['encoding']
  readonly rows: number
  readonly first: string[][]
}
export interface TableRead {
  readonly sites: SiteImport['sites']
  readonly units: number
  readonly faultyRows: number
  readonly faults: RowFault[]
}
export type TableAsked = { asking: number; file: Blob } | { asking: number; mapping: (string | undefined)[] }
export type TableAnswer = { asking: number } & (TableOpened | TableRead | { failed: string })

/** Rows that are shown before anything is taken in; and faults that are listed one by one. */
const shownRows = 6
const shownFaults = 200

let rows: string[][] = []

async function open(file: Blob): Promise<TableOpened | { failed: string }> {
  const { text, encoding } = decodeTable(new Uint8Array(await file.arrayBuffer()))
  if (text.includes('\0')) return { failed: 'This is no table of text: it holds bytes that no text has. Save it as CSV first.' }
  // Empty rows are kept, so that rows are numbered as a spreadsheet does.
  const { data, meta } = papa.parse<string[]>(text)
  while (data.at(-1)?.every((cell) => cell.trim() === '')) data.pop()
  const [headings, ...rest] = data
  if (!headings || headings.length < 2 || rest.length === 0)
    return { failed: 'No table can be made out: a first row with headings, rows below it, and commas, semicolons or tabs between the cells.' }
  rows = rest
  return { headings, mapping: headings.map(guessColumn), delimiter: meta.delimiter, encoding, rows: rest.length, first: rest.slice(0, shownRows) }
}

function read(mapping: (string | undefined)[]): TableRead {
  const { sites, faults } = readSiteTable(rows, mapping)
  return {
    sites,
    units: sites.reduce((sum, { units }) => sum + units.length, 0),
    faultyRows: new Set(faults.map(({ row }) => row)).size,
    faults: faults.slice(0, shownFaults),
  }
}

self.onmessage = async ({ data }: MessageEvent<TableAsked>) => {
  const answer = 'file' in data ? await open(data.file) : read(data.mapping)
  self.postMessage({ asking: data.asking, ...answer } satisfies TableAnswer)
}
