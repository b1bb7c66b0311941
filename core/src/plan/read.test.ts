import { Fault, faultLine } from '../faults/index.ts'
import { inEnglish } from '../tests/inEnglish.ts'
import { readJobFile } from './read.ts'
import { jobWith } from '../tests/jobs.ts'

function faultsOf(text: string): { code: string; lines: string[] } {
  try {
    readJobFile(text)
  } catch (error) {
    if (error instanceof Fault) return { code: error.code, lines: error.lines.map((line) => inEnglish(faultLine(line))) }
    throw error
  }
  throw new Error('this was read without a fault')
}
/** The text of a good job with other values at the given places; `undefined` takes the field away. */
function changed(...changes: [place: string, value: unknown][]): string {
  const job: unknown = JSON.parse(JSON.stringify(jobWith()))
  for (const [place, value] of changes) {
    const keys = place.split('.')
    const last = keys.pop()!
    const holder = keys.reduce((at, key) => (at as Record<string, unknown>)[key], job) as Record<string, unknown>
    holder[last] = value
  }
  return JSON.stringify(job)
}
const unit = jobWith().units[0]

describe('a job file', () => {
  it('is read when it holds up', () => expect(readJobFile(JSON.stringify(jobWith())).units).toHaveLength(1))

  it('is read with a byte order mark too', () => expect(readJobFile(`\uFEFF${JSON.stringify(jobWith())}`).units).toHaveLength(1))

  it.each<[string, string, unknown, string]>([
    ['a wrong grade', 'units.0.grades.wheel.grade', 7, 'units[0].grades.wheel.grade: 7 is not allowed; allowed: 0, 1, 2, 3, 4'],
    [
      'an unknown soil kind',
      'units.0.grades.wheel.kinds',
      ['mud'],
      'units[0].grades.wheel.kinds[0]: "mud" is not allowed; allowed: "dust", "lint-hair"',
    ],
    ['no units', 'units', [], 'units: there are 0 entries; allowed: at least 1 entry'],
    [
      '61 units',
      'units',
      Array.from({ length: 61 }, (_, index) => ({ ...unit, id: String(index) })),
      'units: there are 61 entries; allowed: at most 60 entries',
    ],
    ['humidity in percent', 'site.outdoorAir.relativeHumidity', 65, 'site.outdoorAir.relativeHumidity: 65 is not allowed; allowed: at most 1'],
    ['an altitude below every shore', 'site.altitudeM', -9000, 'site.altitudeM: -9000 is not allowed; allowed: at least -450'],
    ['a missing field', 'site.waterOnSite', undefined, 'site.waterOnSite: this is missing; allowed: true or false'],
    [
      'a flow test of no time',
      'units.0.readings',
      { returnC: 25, returnRh: 0.5, supplyC: 12, flowTest: { litres: 1, seconds: 0 } },
      'units[0].readings.flowTest.seconds: 0 is not allowed; allowed: more than 0',
    ],
    ['a part that the family has not', 'units.0.grades.basePan', { grade: 1 }, 'units[0].grades.basePan: wall head: no such part'],
    ['the same id twice', 'units', [unit, unit], 'units[1].id: “head” is used twice'],
    ['"none" beside a complaint', 'units.0.complaints', ['none', 'smell'], 'units[0].complaints: “none” together with other complaints'],
    ['slants without a width', 'units.0.design.faceSlantMm', [200], 'units[0].design.faceWidthMm: slant heights without a width'],
    ['another format', 'format', 'yastik.job/2', 'format: "yastik.job/2" is not allowed; allowed: "yastik.job/1"'],
    [
      'a pH range upside down',
      'products',
      [{ id: 'p', name: 'P', class: 'mild-detergent', label: { pH: [9, 6], indoorSafe: true, aluminiumSafe: true, rinse: 'none' } }],
      'products[0].label.pH: the first number is above the second',
    ],
  ])('with %s is turned down with place, value and range', (_, place, value, line) => {
    const { code, lines } = faultsOf(changed([place, value]))
    expect(code).toBe('does-not-hold-up')
    expect(lines.join('\n')).toContain(line)
  })
  it('with an unknown trait is turned down with the known ones', () => {
    const { lines } = faultsOf(changed(['units.0.design.colour', 'white']))
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatch(/^units\[0\]\.design\.colour: there is no field of this name; allowed: ratedCoolingKw, .*panRemovable/)
  })
  it('reports every fault, not only the first', () => {
    const { lines } = faultsOf(changed(['units.0.grades.wheel.grade', 9], ['crew', []]))
    expect(lines).toHaveLength(2)
  })
  it('that is no JSON, holds NaN, or is far too large says so', () => {
    expect(faultsOf('{ "format": ')).toMatchObject({ code: 'not-json' })
    expect(faultsOf('{"altitudeM": NaN}').lines[0]).toMatch(/not JSON.*allowed: JSON text/)
    expect(faultsOf(changed(['site.altitudeM', 0]).replace('"altitudeM":0', '"altitudeM":1e999')).lines.join()).toContain('site.altitudeM')
    expect(faultsOf('x'.repeat(10_000_000))).toMatchObject({
      code: 'too-large',
      lines: ['the whole file: there are 10,000,000 characters; allowed: at most 2,000,000 characters'],
    })
  })
})
