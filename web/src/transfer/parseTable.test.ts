import { parseTable } from './parseTable.ts'

const header = 'site,address,unit'
const lines = (count: number, of: (at: number) => string = (at) => `Site ${at},Lane ${at},Loft`) => Array.from({ length: count }, (_, at) => of(at))
const table = (rows: readonly string[], end = '\n') => [header, ...rows].join(end)

describe('the text of a table', () => {
  it.each([',', ';', '\t', '|'])('is read with %j between its cells', (delimiter) => {
    const { rows, delimiter: read } = parseTable(table(lines(3)).replaceAll(',', delimiter))
    expect(read).toBe(delimiter)
    expect(rows[3]).toEqual(['Site 2', 'Lane 2', 'Loft'])
  })
  it.each([
    ['sep=;\n', ';'],
    ['sep=;\r\n', ';'],
    ['"sep=;"\n', ';'],
    ['SEP=\t\n', '\t'],
    ['sep=|\r', '|'],
  ])('says its separator by a first line %j, which is no row', (first, delimiter) => {
    // Commas that are more frequent than what stands between the cells.
    const { rows, faults } = parseTable(first + ['site|address', 'A, B, C and D, the|Lane 1, 2, 3'].join('\n').replaceAll('|', delimiter))
    expect(rows).toEqual([
      ['site', 'address'],
      ['A, B, C and D, the', 'Lane 1, 2, 3'],
    ])
    expect(faults).toEqual([])
  })
  it('keeps quotation marks, separators and line ends that stand in a cell as they should', () => {
    const { rows, faults } = parseTable(table(['"The ""Anchor"", Ltd","Lane 1\nback door",Loft', 'Pipe 12" wide,Lane 2,Loft']))
    expect(rows.slice(1)).toEqual([
      ['The "Anchor", Ltd', 'Lane 1\nback door', 'Loft'],
      ['Pipe 12" wide', 'Lane 2', 'Loft'],
    ])
    expect(faults).toEqual([])
  })
})

// Wherever one goes astray, one row is told of, and none of the others is lost.
describe('a quotation mark astray', () => {
  const count = 300
  const strays: [string, (cell: string) => string][] = [
    ['opens a cell', (cell) => `"${cell}`],
    ['opens a cell after a blank', (cell) => ` "${cell}`],
    ['stands after a closed one', (cell) => `"${cell}" x`],
    ['is one too many', (cell) => `""${cell}"`],
    ['stands at the end', (cell) => `${cell}"`],
  ]
  const places = [0, 1, 150, count - 2, count - 1]
  it.each(strays.flatMap(([what, stray]) => places.flatMap((at) => ['\n', '\r\n', '\r'].map((end) => [what, at, end, stray] as const))))(
    '%s in row %i (%j) loses no other row',
    (_, at, end, stray) => {
      const { rows, faults } = parseTable(
        table(
          lines(count, (row) => `${row === at ? stray(`Site ${row}`) : `Site ${row}`},Lane ${row},Loft`),
          end,
        ),
      )
      expect(rows).toHaveLength(count + 1)
      const lost = rows.slice(1).flatMap((cells, row) => (cells[1] === `Lane ${row}` && cells[2] === 'Loft' ? [] : [row]))
      expect(lost.filter((row) => row !== at)).toEqual([])
      // Left out or read with the mark in it: but never without a word.
      expect(faults.map(({ row }) => row)).toEqual(lost.map((row) => row + 2))
      if (faults.length > 0) expect(faults[0].what).toMatchObject({ key: expect.stringMatching(/^fault\.table\./) })
    },
  )
  it('is told of where another one happens to close it rows below', () => {
    const rows = lines(20)
    rows[4] = '"Site 4,Lane 4,Loft'
    rows[9] = 'Site 9,Lane 9,Loft"'
    const { rows: read, faults } = parseTable(table(rows))
    expect(faults.map(({ row }) => row)).toEqual([6])
    expect(read).toHaveLength(21)
    expect(read[6]).toEqual(['Site 5', 'Lane 5', 'Loft'])
  })
  it('costs no more time the more there are', () => {
    const { faults, rows } = parseTable(table(lines(2000, (at) => `${at % 2 === 0 ? '"' : ''}Site ${at},Lane ${at},Loft`)))
    expect(rows).toHaveLength(2001)
    expect(faults).toHaveLength(1000)
  })
})
