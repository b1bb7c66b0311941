import { asOnePlan } from '../tests/inEnglish.ts'
import { houseRulesSchema } from '../method/index.ts'
import { planJob } from '../plan/index.ts'
import type { UnitState } from '../run/index.ts'
import { stateWith } from '../tests/photos.ts'
import { jobWith } from '../tests/jobs.ts'
import { gradesWith } from '../upkeep/index.ts'
import type { JobRecord } from '../wire/index.ts'
import { reportContent, type ReportContent } from './index.ts'
import { catalogue as english } from '../words/en/index.ts'

const id = (digit: number) => `00000000-0000-4000-8000-00000000000${digit}`
const grades = gradesWith('wall-head', 3, ['dust'])
const job = jobWith({ grades, complaints: ['smell'] })
const [plan] = asOnePlan(planJob(job)).units
const unit = {
  id: id(1),
  siteId: id(2),
  name: 'Bedroom head',
  family: 'wall-head' as const,
  design: job.units[0].design,
  version: 1,
  lastCleanedAt: null,
  retiredAt: null,
  platePhoto: null,
}

function record(customerUnits?: 'metric' | 'us'): JobRecord {
  return {
    id: id(3),
    onDate: '2027-03-01',
    revision: 0,
    cancelled: false,
    site: {
      id: id(2),
      version: 1,
      site: { ...job.site, name: 'Fern House' },
      address: '4 Quay Lane',
      contact: '',
      retiredAt: null,
      units: [unit],
      customerUnits,
    },
    unitIds: [unit.id],
    crew: [{ id: 1, name: 'Imre' }],
    people: [{ id: 1, name: 'Imre' }],
    houseRules: houseRulesSchema.parse({}),
    products: [],
    equipment: [],
    events: [],
    seq: 0,
  }
}
const done: Partial<UnitState> = {
  grades,
  agreed: { scope: 'strip-down', rinse: 'pump-wand' },
  readings: {
    before: { returnC: 25, returnRh: 0.5, supplyC: 17 },
    after: { returnC: 25, returnRh: 0.5, supplyC: 12, flowTest: { litres: 1, seconds: 30 } },
  },
}
const read = (more: Partial<UnitState> = {}, customerUnits?: 'metric' | 'us') =>
  reportContent({ firm: 'Quayside Cooling', record: record(customerUnits), unit, state: stateWith({ ...done, ...more }), plan, catalogue: english })
const section = ({ sections }: ReportContent, heading: string) => sections.find((entry) => entry.heading === heading)?.sentences

describe('a report on one unit', () => {
  it('says where, what, when and by whom', () => {
    expect(Object.fromEntries(read().facts.map(({ what, says }) => [what, says]))).toEqual({
      Place: 'Fern House, 4 Quay Lane',
      Unit: 'Bedroom head, wall head',
      Day: '1 Mar 2027',
      'Done by': 'Imre',
      Next: expect.stringMatching(/^(deep|light) clean|^pan treatment, about \d+ \w+ 20\d\d$/),
    })
  })
  it('gives figures in the units of the customer, not of who writes it', () => {
    const flow = 'The drain now takes 2 L/min.'
    expect(section(read(), 'What we found')).toContain(flow)
    expect(section(read({}, 'us'), 'What we found')).toContain('The drain now takes 0.5 gal/min.')
    const drop = (content: ReportContent) => content.readings.find(({ after }) => /[KF]$/.test(after))?.after
    expect(drop(read())).toMatch(/^13 ± [\d.]+ K$/)
    expect(drop(read({}, 'us'))).toMatch(/^23 ± [\d.]+ °F$/)
  })
  it('answers each complaint, and tells what was left out and what was not looked at', () => {
    const content = read({ grades: { coilFace: { grade: 3 } } })
    expect(section(content, 'What you told us')).toHaveLength(1)
    expect(section(content, 'Not reached, not clean, left out or still out')?.join(' ')).toMatch(/Not looked at: .*wheel/)
    expect(content.parts).toEqual([{ part: 'coil front', before: '3 mat', after: 'not looked at again' }])
  })
  it('says whom to call where the firm named somebody, and has its day and site in its name', () => {
    const called = { ...record(), houseRules: { callUs: '+00 555 01' } }
    const content = reportContent({ firm: 'Quayside Cooling', record: called, unit, state: stateWith(done), plan, catalogue: english })
    expect(content.facts).toContainEqual({ what: 'Questions', says: '+00 555 01' })
    expect(content.fileName).toBe('report Fern House Bedroom head 1 Mar 2027')
  })
  it('keeps names in any letters, and nothing that a folder stumbles over', () => {
    const named = { ...unit, name: 'Σάλα 3 / "east": ноль' }
    const content = reportContent({ firm: 'Quayside Cooling', record: record(), unit: named, state: stateWith(done), plan, catalogue: english })
    expect(content.fileName).toBe('report Fern House Σάλα 3 east ноль 1 Mar 2027')
  })
  it('is written on the paper of the customer’s country', () => expect([read().paper, read({}, 'us').paper]).toEqual(['A4', 'LETTER']))
  it('of work that was declined claims nothing', () => {
    const content = read({ agreed: { scope: 'decline' } })
    expect(content.verdict.stamp).toBe('Not cleaned')
    expect(content.readings).toEqual([])
    expect(section(content, 'Due next')).toBeUndefined()
    expect(content.facts.map(({ what }) => what)).not.toContain('Next')
    expect(section(content, 'Good to know')).toBeUndefined()
  })
  it('tells of choices that these rules no longer know', () => {
    expect(section(read({ agreed: { scope: 'of old', rinse: 'toString' } }), 'What we did')?.[0]).toBe('We cleaned it as agreed.')
  })
  it('has no heading without a sentence', () => {
    for (const { sentences } of read().sections) expect(sentences.length).toBeGreaterThan(0)
  })
})
