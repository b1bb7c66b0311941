// Sites and units as rows of a table: which columns there are, how a cell is read and written, and what a whole table says.
import { says } from '../words/index.ts'
import { z } from 'zod'
import { linesOf, type FaultLine } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { mostUnits } from '../plan/index.ts'
import { designSchema, familyNames, type Trait } from '../units/index.ts'
import { faultBodySchema } from './faults.ts'
import { plateSchema, type Plate, siteFormSchema, unitFormSchema, type SiteForm, type UnitForm } from './records.ts'

type Cell = string | number | boolean
interface Column {
  readonly name: string
  /** Where it stands in the form of a site or of a unit. */
  readonly of: 'site' | 'unit'
  readonly path: readonly string[]
  readonly schema: z.ZodType
}

const optional = (schema: z.ZodType): z.ZodType => (schema instanceof z.ZodOptional ? (schema.unwrap() as z.ZodType) : schema)
const siteShape = siteFormSchema.shape.site.shape
const inSite = (
  ['setting', 'surroundings', 'altitudeM', 'waterOnSite', 'foulDrainOnSite', 'sensitiveOccupants', 'electricityPricePerKwh', 'newUnitPrice'] as const
).map((name): Column => ({ name, of: 'site', path: ['site', name], schema: optional(siteShape[name]) }))
/** All columns, in the order in which a table is written; the names are those of the job file where it has one. */
export const siteTableColumns: readonly Column[] = [
  { name: 'site', of: 'site', path: ['site', 'name'], schema: siteShape.name },
  { name: 'address', of: 'site', path: ['address'], schema: siteFormSchema.shape.address },
  { name: 'contact', of: 'site', path: ['contact'], schema: siteFormSchema.shape.contact },
  { name: 'access', of: 'site', path: ['access'], schema: optional(siteFormSchema.shape.access) },
  ...inSite,
  { name: 'customerUnits', of: 'site', path: ['customerUnits'], schema: optional(siteFormSchema.shape.customerUnits) },
  { name: 'customerLanguage', of: 'site', path: ['customerLanguage'], schema: optional(siteFormSchema.shape.customerLanguage) },
  { name: 'unit', of: 'unit', path: ['name'], schema: unitFormSchema.shape.name },
  { name: 'family', of: 'unit', path: ['family'], schema: unitFormSchema.shape.family },
  ...(Object.keys(plateSchema.shape) as (keyof Plate)[]).map((name): Column => ({
    name,
    of: 'unit',
    path: [name],
    schema: optional(plateSchema.shape[name]),
  })),
  { name: 'hoursPerDay', of: 'unit', path: ['hoursPerDay'], schema: optional(unitFormSchema.shape.hoursPerDay) },
  ...(Object.keys(designSchema.shape) as Trait[]).map((name): Column => ({
    name,
    of: 'unit',
    path: ['design', name],
    schema: optional(designSchema.shape[name]),
  })),
]
/** Columns without which a row cannot be read. */
export const neededColumns = ['site'] as const
/** As what a site is taken of which nothing is said. */
export const usualSite = { setting: 'home', waterOnSite: true, foulDrainOnSite: true } as const
/** Headings that people write, by the column they mean; as a heading is compared, by its letters alone. */
const alsoCalled: Readonly<Record<string, readonly string[]>> = {
  site: ['name', 'customer', 'customername', 'client', 'clientname', 'company', 'place', 'sitename'],
  address: ['street', 'streetaddress', 'location', 'fulladdress'],
  contact: ['contactperson', 'contactname', 'phone', 'telephone', 'mobile', 'hours'],
  access: ['keys', 'wayin', 'notes', 'remarks', 'whattomind'],
  setting: ['building', 'buildingtype', 'kindofsite'],
  waterOnSite: ['water', 'tap'],
  foulDrainOnSite: ['fouldrain'],
  unit: ['unitname', 'room', 'appliance', 'indoorunit', 'head'],
  maker: ['brand', 'make', 'manufacturer'],
  model: ['modelnumber', 'modelno'],
  serialNumber: ['serial', 'serialno', 'sn'],
  supply: ['breaker', 'circuit', 'powersupply'],
  outdoorUnit: ['condenserunit', 'outdoor', 'outside'],
  volts: ['voltage'],
  family: ['type', 'unittype', 'kind', 'kindofunit'],
  hoursPerDay: ['hours a day', 'runs'].map((text) => text.replaceAll(' ', '')),
}
/** Names of choices as the application says them. */
const saidAs: Readonly<Record<string, string>> = { ...familyNames }
const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')

/** The choice that a word means: as it is written in the format, or as the application says it; undefined where it is none of them. */
function choiceOf(text: string, schema: z.ZodType): unknown {
  if (!(schema instanceof z.ZodLiteral)) return undefined
  return [...schema.values].find((value) => [String(value), saidAs[String(value)] ?? ''].some((word) => word !== '' && bare(word) === bare(text)))
}
const elementOf = (schema: z.ZodType) => (schema instanceof z.ZodArray ? (schema.element as z.ZodType) : undefined)

const words = new Map<string, boolean>([
  ['yes', true],
  ['y', true],
  ['x', true],
  ['true', true],
  ['1', true],
  ['no', false],
  ['n', false],
  ['false', false],
  ['0', false],
])
const numberOf = (text: string) => (/^[-+]?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : undefined)

/** What cells of a column were read as, by their text: most texts of a large table come again and again. */
type ReadCells = Map<string, ReturnType<typeof readCell>>
/** So many texts of a column are remembered. */
const mostRemembered = 500
function readAgain(text: string, column: Column, read: ReadCells): ReturnType<typeof readCell> {
  const known = read.get(text) ?? readCell(text, column)
  if (read.size < mostRemembered) read.set(text, known)
  return known
}

/** What a cell may mean: as text, number, yes or no, or several of them with spaces or bars between. The first that the column takes counts. */
function readCell(text: string, { schema }: Column): { value: unknown } | { issues: z.core.$ZodIssue[]; tried: unknown } {
  const asText = schema.safeParse(text)
  if (asText.success) return { value: asText.data }
  const several = text.split(/[\s|]+/).filter(Boolean)
  const own = elementOf(schema)
  const chosen = own && text.split(/[|,;]+/).map((part) => choiceOf(part, own))
  const candidates: unknown[] = [choiceOf(text, schema), numberOf(text), words.get(text.toLowerCase()), several, several.map(numberOf), chosen]
  for (const candidate of candidates) {
    if (candidate === undefined) continue
    const result = schema.safeParse(candidate)
    if (result.success) return { value: result.data }
  }
  // Said of what comes nearest: a number where it is one.
  const tried = numberOf(text) ?? text
  return { issues: schema.safeParse(tried).error?.issues ?? [], tried }
}

const valueAt = (form: object, path: readonly string[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key], form)

/** The cells of a form, in the order of the columns. */
export const cellsOf = (of: 'site' | 'unit', form: SiteForm | UnitForm): Cell[] =>
  siteTableColumns
    .filter((column) => column.of === of)
    .map(({ path }) => {
      const value = valueAt(form, path)
      if (value === undefined || value === null) return ''
      if (typeof value === 'boolean') return value ? 'yes' : 'no'
      return Array.isArray(value) ? value.join(' ') : (value as Cell)
    })

/** What is taken in at once, at most: sites, units of one of them, and bytes as JSON. */
export const siteImportMost = { sites: 50_000, units: mostUnits, bytes: 32_000_000 } as const
export const siteImportSchema = closed({
  sites: z
    .array(closed({ form: siteFormSchema, units: z.array(unitFormSchema).max(siteImportMost.units) }))
    .min(1)
    .max(siteImportMost.sites),
})
export type SiteImport = z.infer<typeof siteImportSchema>
/** With the id by which it can be taken back. */
export const siteImportReceiptSchema = closed({ importId: z.uuid(), sites: z.int(), units: z.int() })
export type SiteImportReceipt = z.infer<typeof siteImportReceiptSchema>
/** What the answer to an import says while it grows. */
export const siteImportLineSchema = z.union([
  closed({ rows: z.int(), of: z.int() }),
  closed({ receipt: siteImportReceiptSchema }),
  closed({ fault: faultBodySchema }),
])
export type SiteImportLine = z.infer<typeof siteImportLineSchema>

/** One thing wrong in a table: `row` counts as a spreadsheet does, the heading being row 1. */
export interface RowFault extends FaultLine {
  readonly row: number
}
export interface SiteTable extends SiteImport {
  readonly faults: readonly RowFault[]
}

/** So much of a cell is said back. */
const shownOfCell = 40

/**
 * Reads a table. Rows with a fault are told of and left out; the rest is grouped by the site's name and address.
 * @param rows cells as text, without the heading
 * @param mapping which column of ours each column of the table is; undefined leaves it aside
 */
export function readSiteTable(rows: readonly (readonly string[])[], mapping: readonly (string | undefined)[]): SiteTable {
  const columns = mapping.map((name) => siteTableColumns.find((column) => column.name === name))
  const readBefore = columns.map((): ReadCells => new Map())
  const faults: RowFault[] = []
  const sites = new Map<string, SiteTable['sites'][number] & { row: number }>()
  rows.forEach((cells, index) => {
    const row = index + 2
    if (cells.every((cell) => cell.trim() === '')) return
    const wrong: RowFault[] = cells.slice(mapping.length).flatMap((cell, beyond) =>
      cell.trim() === ''
        ? []
        : [
            {
              row,
              where: says('fault.table.cell', { cell: mapping.length + beyond + 1 }),
              what: says('fault.table.beyond', { cell: cell.trim().slice(0, shownOfCell) }),
              allowed: says('fault.table.beyond-allowed', { cells: mapping.length }),
            },
          ],
    )
    const forms = {
      site: { address: '', contact: '', site: { ...usualSite } } as Record<string, unknown>,
      unit: { design: {} } as Record<string, unknown>,
    }
    let hasUnit = false
    columns.forEach((column, at) => {
      // An apostrophe before what would be a formula was put there when the table was written.
      const text = (cells[at]?.trim() ?? '').replace(/^'(?=[=+\-@＝＋－＠])/, '')
      if (!column || text === '') return
      const read = readAgain(text, column, readBefore[at])
      if ('issues' in read) {
        wrong.push(...linesOf(read.issues, read.tried, column.name).map((line) => ({ ...line, row })))
        return
      }
      if (column.of === 'unit') hasUnit = true
      const into = column.path.slice(0, -1).reduce<Record<string, unknown>>((form, key) => form[key] as Record<string, unknown>, forms[column.of])
      into[column.path.at(-1)!] = read.value
    })
    // What was said of a cell need not be said again of the whole row.
    const said = new Set(wrong.map(({ where }) => where))
    const check = <T>(schema: z.ZodType<T>, form: unknown, of: 'site' | 'unit'): T | undefined => {
      const result = schema.safeParse(form)
      if (result.success) return result.data
      for (const line of linesOf(result.error.issues, form)) {
        const name = siteTableColumns.find((column) => column.of === of && column.path.join('.') === line.where)?.name ?? line.where
        if (!said.has(name)) wrong.push({ ...line, where: name, row })
      }
      return undefined
    }
    const site = check(siteFormSchema, forms.site, 'site')
    const unit = hasUnit ? check(unitFormSchema, forms.unit, 'unit') : undefined
    if (wrong.length > 0 || !site) {
      faults.push(...wrong)
      return
    }
    const key = `${site.site.name.toLowerCase()}\n${site.address.toLowerCase()}`
    const known = sites.get(key)
    if (known && JSON.stringify(known.form) !== JSON.stringify(site)) {
      faults.push({
        row,
        where: 'site',
        what: says('fault.table.otherwise', { site: site.site.name, row: known.row }),
        allowed: says('fault.table.otherwise-allowed'),
      })
      return
    }
    const entry = known ?? { form: site, units: [], row }
    if (unit && entry.units.some(({ name }) => name.toLowerCase() === unit.name.toLowerCase())) {
      faults.push({
        row,
        where: 'unit',
        what: says('fault.table.unit-twice', { unit: unit.name, site: site.site.name }),
        allowed: says('fault.twice.name-allowed'),
      })
      return
    }
    if (unit && entry.units.length === siteImportMost.units) {
      faults.push({
        row,
        where: 'unit',
        what: says('fault.table.too-many-units', { site: site.site.name }),
        allowed: says('fault.schema.bound', { is: 'most', figure: { n: siteImportMost.units } }),
      })
      return
    }
    if (unit) entry.units.push(unit)
    sites.set(key, entry)
  })
  return { sites: [...sites.values()].map(({ form, units }) => ({ form, units })), faults }
}

/** Fewer letters begin too many words. */
const leastLetters = 6
/** Which column of ours a heading most likely is: by its letters alone, or by what people call it. */
export function guessColumn(heading: string): string | undefined {
  const said = bare(heading)
  if (said === '') return undefined
  // A name of ours goes before what people call it.
  const known = siteTableColumns.find(({ name }) => bare(name) === said) ?? siteTableColumns.find(({ name }) => alsoCalled[name]?.includes(said))
  if (known) return known.name
  // Without its unit, where that leaves no doubt.
  const begins = said.length < leastLetters ? [] : siteTableColumns.filter(({ name }) => bare(name).startsWith(said))
  return begins.length === 1 ? begins[0].name : undefined
}
