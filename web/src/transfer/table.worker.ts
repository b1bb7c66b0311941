// A table of sites and units is read here, beside the page: its letters, its dialect, its columns, and row by row what it says.
import { guessColumn, readSiteTable, siteImportMost, type RowFault, type SiteImport } from '@yastik/core/wire'
import { says, type Message, type Sentence } from '@yastik/core/words'
import { decodeTable, type Decoded } from './decode.ts'
import { parseTable } from './parseTable.ts'

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
  /** Why it is more than is taken in at once; empty where it is not. */
  readonly tooMuch: Sentence
}
export type TableAsked = { asking: number; file: Blob } | { asking: number; mapping: (string | undefined)[] }
export type TableAnswer = { asking: number } & (TableOpened | TableRead | { failed: Message })

/** Rows that are shown before anything is taken in; and faults that are listed one by one. */
const shownRows = 6
const shownFaults = 200

let rows: string[][] = []
/** Rows that could not be made out. */
let astray: RowFault[] = []

async function open(file: Blob): Promise<TableOpened | { failed: Message }> {
  const { text, encoding } = decodeTable(new Uint8Array(await file.arrayBuffer()))
  if (text.includes('\0')) return { failed: says('fault.table.no-text') }
  const { rows: all, delimiter, faults } = parseTable(text)
  const [headings, ...rest] = all
  if (!headings || headings.length < 2 || rest.length === 0) return { failed: says('fault.table.none') }
  ;[rows, astray] = [rest, faults]
  return { headings, mapping: headings.map(guessColumn), delimiter, encoding, rows: rest.length, first: rest.slice(0, shownRows) }
}

function read(mapping: (string | undefined)[]): TableRead {
  const { sites, faults } = readSiteTable(rows, mapping)
  const all = [...astray, ...faults].sort((a, b) => a.row - b.row)
  return {
    sites,
    units: sites.reduce((sum, { units }) => sum + units.length, 0),
    faultyRows: new Set(all.map(({ row }) => row)).size,
    faults: all.slice(0, shownFaults),
    tooMuch: tooMuchOf(sites),
  }
}

function tooMuchOf(sites: SiteImport['sites']): Sentence {
  const most = siteImportMost
  if (sites.length > most.sites) return says('fault.table.too-many-sites', { sites: sites.length, most: most.sites })
  const bytes = new Blob([JSON.stringify({ sites })]).size
  const megabytes = (size: number) => ({ n: Math.ceil(size / 1e6) })
  return bytes > most.bytes ? says('fault.table.too-large', { mb: megabytes(bytes), most: megabytes(most.bytes) }) : ''
}

self.onmessage = async ({ data }: MessageEvent<TableAsked>) => {
  const answer = 'file' in data ? await open(data.file) : read(data.mapping)
  self.postMessage({ asking: data.asking, ...answer } satisfies TableAnswer)
}
