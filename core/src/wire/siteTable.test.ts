import { told } from '../tests/inEnglish.ts'
import { usualSite, cellsOf, guessColumn, readSiteTable, siteTableColumns } from './index.ts'

const headings = [
  'site',
  'address',
  'setting',
  'waterOnSite',
  'foulDrainOnSite',
  'surroundings',
  'unit',
  'family',
  'ratedCoolingKw',
  'faceSlantMm',
  'wheelRemovable',
]
const read = (...rows: string[][]) => {
  const { sites, faults } = readSiteTable(rows, headings.map(guessColumn))
  return { sites, faults: told(faults) }
}
const mill = ['Mill', '1 Weir Lane', 'home', 'yes', 'no', 'kitchen | pets', 'Loft', 'wall-head', '3,5', '210 180', 'true']

describe('sites and units as a table', () => {
  it('reads text, numbers with comma or point, yes and no, and several in one cell', () => {
    const { sites, faults } = read(mill)
    expect(faults).toEqual([])
    expect(sites).toEqual([
      {
        form: {
          address: '1 Weir Lane',
          contact: '',
          site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: false, surroundings: ['kitchen', 'pets'] },
        },
        units: [{ name: 'Loft', family: 'wall-head', design: { ratedCoolingKw: 3.5, faceSlantMm: [210, 180], wheelRemovable: true } }],
      },
    ])
  })
  it('puts units of the same site together, and takes sites without units and empty rows', () => {
    const other = [...mill.slice(0, 6), 'Attic', 'wall-head', '', '', '']
    const bare = ['Weir', '', 'office', '1', '0', '', '', '', '', '', '']
    const { sites, faults } = read(mill, other, ['', ' '], bare)
    expect(faults).toEqual([])
    expect(sites.map(({ form, units }) => [form.site.name, units.length])).toEqual([
      ['Mill', 2],
      ['Weir', 0],
    ])
  })
  it.each<[string, number, string, { where: string; what: string }]>([
    ['a word for a number', 8, 'much', { where: 'ratedCoolingKw', what: '"much" is not allowed' }],
    ['a number out of range', 8, '900', { where: 'ratedCoolingKw', what: '900 is not allowed' }],
    ['an unknown family', 7, 'chimney', { where: 'family', what: '"chimney" is not allowed' }],
    ['an unknown setting', 2, 'moon', { where: 'setting', what: '"moon" is not allowed' }],
    ['no name', 0, '', { where: 'site', what: 'this is missing' }],
    ['a unit without a family', 7, '', { where: 'family', what: 'this is missing' }],
  ])('says which row and column does not hold up: %s', (_, at, cell, says) => {
    const { sites, faults } = read(
      mill,
      mill.map((own, index) => (index === at ? cell : index === 6 ? 'Attic' : own)),
    )
    expect(sites[0].units).toHaveLength(1)
    expect(faults).toHaveLength(1)
    expect(faults[0]).toMatchObject({ row: 3, ...says })
    expect(faults[0].allowed).not.toBe('')
  })
  it('says where a unit is there twice, and where a site is described in two ways', () => {
    expect(read(mill, mill).faults).toEqual([{ row: 3, where: 'unit', what: '“Loft” appears twice at “Mill”', allowed: 'one name per unit' }])
    const wet = mill.map((cell, index) => (index === 4 ? 'yes' : index === 6 ? 'Attic' : cell))
    expect(read(mill, wet).faults).toEqual([expect.objectContaining({ row: 3, where: 'site', what: '“Mill” has other details in row 2' })])
  })
  it('writes what it reads', () => {
    const { sites } = read(mill)
    const row = [...cellsOf('site', sites[0].form), ...cellsOf('unit', sites[0].units[0])].map(String)
    expect(row).toHaveLength(siteTableColumns.length)
    expect(
      readSiteTable(
        [row],
        siteTableColumns.map(({ name }) => name),
      ),
    ).toEqual({ sites, faults: [] })
  })
  it('takes the apostrophe off that keeps a cell from being a formula', () => {
    expect(read(mill.map((cell, at) => (at === 1 ? "'+49 1" : cell))).sites[0].form.address).toBe('+49 1')
  })
  it('takes a plain list of customers: what is not said is as usual', () => {
    const plain = ['Customer', 'Street', 'Phone', 'Notes', 'Fax'].map(guessColumn)
    expect(plain).toEqual(['site', 'address', 'contact', 'access', undefined])
    expect(readSiteTable([['The Mill', '1 Weir Lane', '+00 555 01', 'key under the mat', '–']], plain)).toEqual({
      faults: [],
      sites: [
        {
          form: { address: '1 Weir Lane', contact: '+00 555 01', access: 'key under the mat', site: { name: 'The Mill', ...usualSite } },
          units: [],
        },
      ],
    })
  })
  it.each([
    ['family', 'Wall head', 'wall-head'],
    ['family', 'ROOF UNIT', 'rv-rooftop'],
    ['family', 'through wall', 'through-wall'],
    ['setting', 'Equipment room', 'equipment-room'],
  ])('understands the application’s own words: %s “%s”', (column, text, value) => {
    const at = headings.indexOf(column)
    const { sites, faults } = read(mill.map((cell, index) => (index === at ? text : cell)))
    expect(faults).toEqual([])
    expect(column === 'family' ? sites[0].units[0].family : sites[0].form.site.setting).toBe(value)
  })
  it('reads what stands on a nameplate, and writes it again', () => {
    const columns = ['site', 'unit', 'family', 'Brand', 'Model', 'Serial no.', 'Voltage'].map(guessColumn)
    const { sites, faults } = readSiteTable([['Mill', 'Loft', 'wall head', 'Norra', 'N-35', '007', '230']], columns)
    expect(faults).toEqual([])
    expect(sites[0].units).toEqual([
      { name: 'Loft', family: 'wall-head', design: { volts: 230 }, maker: 'Norra', model: 'N-35', serialNumber: '007' },
    ])
    expect(cellsOf('unit', sites[0].units[0])).toEqual(expect.arrayContaining(['Norra', 'N-35', '007', 230]))
  })
  it('knows its own headings before what people call others', () => {
    for (const { name } of siteTableColumns) expect(guessColumn(name)).toBe(name)
  })
  it('knows headings by their letters', () => {
    const headings = ['Rated cooling kW', 'Rated cooling', 'WATER_ON_SITE', 'Unit type', 'price', 'ra', '']
    expect(headings.map(guessColumn)).toEqual(['ratedCoolingKw', 'ratedCoolingKw', 'waterOnSite', 'family', undefined, undefined, undefined])
  })
  it('reads fifty thousand rows in a few seconds, and tells of each bad one', () => {
    const rows = Array.from({ length: 50_000 }, (_, index) =>
      mill.map((cell, at) => (at === 0 ? `Mill ${index}` : at === 8 && index % 1000 === 0 ? 'x' : cell)),
    )
    const { sites, faults } = read(...rows)
    expect([sites.length, faults.length]).toEqual([49_950, 50])
    expect(faults[1].row).toBe(1002)
  }, 60_000)
})

describe('a row', () => {
  it.each([
    ['one cell too many', ['Mill Row'], 1],
    ['two of them', ['a', 'b'], 2],
    ['none that says anything', ['', '  '], 0],
  ])('says what stands beyond the headings: %s', (_, beyond, count) => {
    const { sites, faults } = read([...mill, ...beyond])
    expect(faults).toHaveLength(count)
    expect(sites).toHaveLength(count === 0 ? 1 : 0)
    for (const [at, fault] of faults.entries())
      expect(fault).toEqual({
        ...{ row: 2, where: `cell ${headings.length + at + 1}`, what: `“${beyond[at]}” is past the last heading` },
        allowed: `${headings.length} cells, as many as there are headings`,
      })
  })
  it('of a 61st unit of one site is told of before anything is sent', () => {
    const { sites, faults } = read(...Array.from({ length: 61 }, (__, at) => mill.map((own, index) => (index === 6 ? `Room ${at}` : own))))
    expect(sites[0].units).toHaveLength(60)
    expect(faults).toEqual([{ row: 62, where: 'unit', what: '“Mill” has more units than a site may', allowed: 'at most 60' }])
  })
})
