import { usualRegion } from '@yastik/core/proof'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { DueDay, Firm, Job, JobUnit, Unit } from '../db/models.ts'
import { learnWhereNew } from './doings.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let owner: Ask
let other: Ask
let by: number
let firmId: number
let siteId: string
beforeAll(async () => {
  house = await openHouse()
  const { firm, technician } = await addFirm('a')
  ;[by, firmId] = [technician.id, firm.id]
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  owner = await signedIn(house.app, 'owner-a')
  other = await signedIn(house.app, 'technician-b')
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  siteId = (await ask('POST', '/api/sites', { site, address: '', contact: '' })).json().id
})
afterAll(() => house.close())

const newUnit = async (name: string) =>
  (await ask('POST', `/api/sites/${siteId}/units`, { name, family: 'wall-head', design: { ratedCoolingKw: 3.5, ratedAirflowM3h: 600 } })).json() as {
    id: string
    version: number
  }
interface Measured {
  readonly when: 'before' | 'after'
  readonly coveredShare: number
  readonly off: number
}
/** Keeps a photograph of the coil, and says what was read off it. */
async function photographed(jobId: string, unitId: string, { when, coveredShare, off }: Measured): Promise<object[]> {
  const photoId = newId()
  const picture = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#345' } })
    .png()
    .toBuffer()
  const sent = await ask('PUT', `/api/jobs/${jobId}/units/${unitId}/photos/${photoId}`, picture, { 'content-type': 'image/png' })
  expect(sent.statusCode).toBe(200)
  const measure = { region: usualRegion, coveredShare, low: coveredShare - off, high: coveredShare + off }
  return [
    { type: 'photo-taken', photoId, of: { part: 'coilFace', when } },
    { type: 'photo-measured', photoId, measure },
  ]
}
/** A whole visit through the log: looked over, agreed, handed over, so many days ago. */
async function visit(unitId: string, daysAgo: number, grade: number, scope = 'strip-down', photos: readonly Measured[] = []): Promise<string> {
  const jobId = (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json().id as string
  const atMs = Date.now() - daysAgo * 86_400_000
  const shown = (await Promise.all(photos.map((photo) => photographed(jobId, unitId, photo)))).flat()
  const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
  const happenings = [
    { type: 'grade-set', part: 'coilFace', grade, kinds: [] },
    ...shown,
    { type: 'grade-set', part: 'filter', grade: 4, kinds: [] },
    { type: 'finding-set', finding: 'bent-fins', present: true },
    { type: 'part-noted', item: 'gasket', need: 'to-order' },
    { type: 'part-noted', item: 'gasket', need: 'changed' },
    { type: 'reading-taken', when: 'before', readings: { returnC: 26, returnRh: 0.5, supplyC: 19, supplyRh: 0.7, airflowM3h: 400 } },
    { type: 'method-agreed', decisions: [{ topic: 'scope', choice: scope, rule: 'r' }], steps: [step] },
    { type: 'step-done', stepId: 'isolate' },
    { type: 'handed-over', verdict: 'proved' },
  ]
  const events = happenings.map((happening, index) => ({ id: newId(), atMs: atMs + index, by, happening: { unitId, ...happening } }))
  expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).json().accepted).toHaveLength(events.length)
  return jobId
}
const duesOf = async (unitId: string) => Object.fromEntries((await DueDay.findAll({ where: { unitId } })).map((due) => [due.what, due]))

describe('what is due', () => {
  it('is known once a unit was handed over: by its coil and wheel, not by its filter', async () => {
    const unit = await newUnit('Loft')
    expect(await duesOf(unit.id)).toEqual({})
    await visit(unit.id, 10, 3)
    const dues = await duesOf(unit.id)
    expect(Object.keys(dues).sort()).toEqual(['deep-clean', 'filter', 'light-clean'])
    expect(dues['deep-clean'].lowOn! < dues['deep-clean'].dueOn && dues['deep-clean'].dueOn < dues['deep-clean'].highOn!).toBe(true)
    expect(dues.filter.dueOn < dues['deep-clean'].dueOn).toBe(true)
    const { coilGrade, leftIndex } = (await JobUnit.findOne({ where: { unitId: unit.id } }))!
    expect([coilGrade, leftIndex]).toEqual([3, 0.1])
  })
  it('comes sooner once the unit was found choked again, and once it runs all day', async () => {
    const unit = await newUnit('Attic')
    await visit(unit.id, 400, 2)
    await visit(unit.id, 200, 1)
    const slow = (await duesOf(unit.id))['deep-clean'].dueOn
    const twin = await newUnit('Cellar')
    await visit(twin.id, 400, 2)
    await visit(twin.id, 200, 4)
    const fast = (await duesOf(twin.id))['deep-clean'].dueOn
    expect(fast < slow).toBe(true)
    const form = { name: 'Attic', family: 'wall-head', design: { ratedCoolingKw: 3.5, ratedAirflowM3h: 600 }, hoursPerDay: 24, version: unit.version }
    expect((await ask('PUT', `/api/units/${unit.id}`, form)).statusCode).toBe(200)
    expect((await duesOf(unit.id))['deep-clean'].dueOn < slow).toBe(true)
  })
  it('is listed soonest first, by kind and by day, without a gap or a double, and to the firm alone', async () => {
    const all = (await ask('GET', '/api/due')).json()
    const days = all.entries.map(({ dueOn }: { dueOn: string }) => dueOn)
    expect(days).toEqual([...days].sort())
    expect(all.next).toBeNull()
    const deep = (await ask('GET', '/api/due?what=deep-clean')).json().entries
    expect(deep).toHaveLength(3)
    expect((await ask('GET', `/api/due?until=${days[0]}`)).json().entries.length).toBeLessThan(days.length)
    expect((await other('GET', '/api/due')).json().entries).toEqual([])
    for (const query of ['until=soon', 'what=nothing', 'after=nonsense']) expect((await ask('GET', `/api/due?${query}`)).statusCode).toBe(422)
  })
  it('pages where there is much', async () => {
    const units = await Promise.all(Array.from({ length: 60 }, (_, index) => newUnit(`Row ${index}`)))
    await DueDay.bulkCreate(
      units.flatMap(({ id }) =>
        (['filter', 'deep-clean'] as const).map((what) => ({ unitId: id, siteId, what, firmId, dueOn: '2027-01-01', lowOn: null, highOn: null })),
      ),
    )
    const first = (await ask('GET', '/api/due?until=2027-01-01')).json()
    const pages = [first]
    while (pages.at(-1).next) pages.push((await ask('GET', `/api/due?until=2027-01-01&after=${encodeURIComponent(pages.at(-1).next)}`)).json())
    const keys = pages.flatMap(({ entries }) => entries).map(({ unitId, what }: { unitId: string; what: string }) => unitId + what)
    expect(new Set(keys).size).toBe(keys.length)
    expect(first.entries).toHaveLength(50)
    expect(keys.length).toBeGreaterThanOrEqual(120)
  })
  it('knows how sure a photograph made the grades, and what it showed afterwards', async () => {
    const unit = await newUnit('Studio')
    await visit(unit.id, 20, 3, 'strip-down', [
      { when: 'before', coveredShare: 0.64, off: 0.08 },
      { when: 'after', coveredShare: 0.2, off: 0.02 },
    ])
    const { coilGrade, coilChances, leftIndex } = (await JobUnit.findOne({ where: { unitId: unit.id } }))!
    expect(coilGrade).toBe(3)
    const chances = coilChances!.split(' ').map(Number)
    expect(chances[4]).toBeGreaterThan(0.05)
    expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 2)
    expect(leftIndex).toBeCloseTo(2, 2)
    const outlook = (await ask('GET', `/api/units/${unit.id}/outlook`)).json()
    expect(outlook.visits[0]).toMatchObject({ found: 3, chances })
    // Left with a coat on it, it is due far sooner than one that was washed bare.
    const bare = await newUnit('Studio, back')
    await visit(bare.id, 20, 3)
    expect((await duesOf(unit.id))['deep-clean'].dueOn < (await duesOf(bare.id))['deep-clean'].dueOn).toBe(true)
  })
  it('gives the device what a unit’s forecast rests on', async () => {
    const unit = await newUnit('Porch')
    const jobId = await visit(unit.id, 30, 4, 'open-clean')
    const outlook = (await ask('GET', `/api/units/${unit.id}/outlook`)).json()
    expect(outlook.visits).toEqual([expect.objectContaining({ jobId, found: 4, left: 0.15 })])
    expect(outlook.visits[0].seen).toEqual({
      grades: { coilFace: 4, filter: 4 },
      findings: ['bent-fins'],
      parts: [{ item: 'gasket', need: 'changed' }],
      cooling: { beforeKw: expect.any(Number), cleanBeforeKw: expect.any(Number) },
    })
    const { beforeKw, cleanBeforeKw } = outlook.visits[0].seen.cooling
    expect(beforeKw).toBeLessThan(cleanBeforeKw)
    expect(outlook.dues.length).toBeGreaterThan(0)
    expect((await other('GET', `/api/units/${unit.id}/outlook`)).statusCode).toBe(404)
  })
  it('takes what others did before as evidence, where it was before the firm’s own visits, and never as a visit', async () => {
    const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
    const cleaned = async (name: string, days: number) => {
      const form = { name, family: 'wall-head', design: { ratedCoolingKw: 3.5, ratedAirflowM3h: 600 }, othersCleanedOn: daysAgo(days) }
      const { id } = (await ask('POST', `/api/sites/${siteId}/units`, form)).json() as { id: string }
      await visit(id, 20, 2)
      return id
    }
    const [fast, slow, after] = [await cleaned('Cellar', 200), await cleaned('Shed', 2000), await cleaned('Stair', 5)]
    const plain = await newUnit('Hatch')
    await visit(plain.id, 20, 2)
    const deepOn = async (id: string) => (await duesOf(id))['deep-clean'].dueOn
    expect((await deepOn(fast)) < (await deepOn(slow))).toBe(true)
    expect(await deepOn(after)).toBe(await deepOn(plain.id))
    expect((await ask('GET', `/api/units/${fast}/outlook`)).json().visits).toHaveLength(1)
    const bad = { name: 'Nook', family: 'wall-head', design: {}, othersCleanedOn: 'last spring' }
    expect((await ask('POST', `/api/sites/${siteId}/units`, bad)).json().lines[0].where).toBe('othersCleanedOn')
  })
})

describe('the firm’s own rates', () => {
  it('are learned once there is something to learn from, and never by looking', async () => {
    await Firm.update({ foulingRates: null }, { where: { id: firmId } })
    for (const url of ['/api/due', '/api/due/visits?weeks=4', '/api/due/worth']) expect((await ask('GET', url)).statusCode).toBe(200)
    expect((await Firm.findByPk(firmId))?.foulingRates).toBeNull()
    await learnWhereNew(house.db)
    expect((await Firm.findByPk(firmId))?.foulingRates).toMatchObject({ units: expect.any(Number) })
    // Nobody who has handed nothing over has learned anything.
    expect(await Firm.count({ where: { foulingRates: null } })).toBe(1)
  })
  it('are learned from all units on the owner’s word, and change the days', async () => {
    const units = await Promise.all(Array.from({ length: 12 }, (_, index) => newUnit(`Dusty ${index}`)))
    for (const { id } of units)
      for (const daysAgo of [500, 250, 5]) {
        const job = await Job.create({ id: newId(), firmId, siteId, onDate: '2026-01-01', crewIds: [by] })
        await JobUnit.create({
          jobId: job.id,
          unitId: id,
          firmId,
          position: 0,
          stage: 'handed-over',
          handedOverAt: new Date(Date.now() - daysAgo * 86_400_000),
          handedOverBy: by,
          scope: 'strip-down',
          coilGrade: 4,
          leftIndex: 0.1,
        })
      }
    expect((await ask('POST', '/api/due/learn')).statusCode).toBe(403)
    const before = (await duesOf((await Unit.findOne({ where: { name: 'Loft' } }))!.id))['deep-clean'].dueOn
    const rates = (await owner('POST', '/api/due/learn')).json()
    expect(rates.shift).toBeGreaterThan(0.3)
    expect(rates.units).toBeGreaterThanOrEqual(12)
    expect((await Firm.findByPk(firmId))!.foulingRates).toEqual(rates)
    expect((await duesOf((await Unit.findOne({ where: { name: 'Loft' } }))!.id))['deep-clean'].dueOn < before).toBe(true)
    expect(Object.keys(await duesOf(units[0].id))).toContain('deep-clean')
  })
})
