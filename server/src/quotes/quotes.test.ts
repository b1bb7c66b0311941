import { builtInProducts, builtInVan } from '@yastik/core/products'
import type { Happening } from '@yastik/core/run'
import type { QuoteRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { Job, JobUnit, Quote } from '../db/models.ts'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let other: Ask
let ownerId: number
let siteId: string
const units: string[] = []
beforeAll(async () => {
  house = await openHouse()
  const { firm, owner: person } = await addFirm('a')
  await firm.update({ products: [...builtInProducts], equipment: [...builtInVan] })
  ownerId = person.id
  await addFirm('b')
  ;[owner, technician, other] = await Promise.all(['owner-a', 'technician-a', 'owner-b'].map((name) => signedIn(house.app, name)))
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  siteId = (await owner('POST', '/api/sites', { site, address: '', contact: '' })).json().id
  for (const name of ['Loft', 'Attic']) {
    const design = { ratedCoolingKw: 3.5, ratedAirflowM3h: 600, wheelRemovable: true, coilLiftable: true, panRemovable: true }
    units.push((await owner('POST', `/api/sites/${siteId}/units`, { name, family: 'wall-head', design })).json().id)
  }
})
afterAll(() => house.close())

const make = async (form: object = { units: units.map((unitId) => ({ unitId, coilGrade: 3 })) }) =>
  (await owner('POST', '/api/quotes', { siteId, ...form })).json() as QuoteRecord
const answer = (quote: QuoteRecord, option: string) => ({ option, onDate: visitDay, crewIds: [ownerId], version: quote.version })
const log = async (jobId: string, unitId: string, happenings: object[]) => {
  const events = happenings.map((happening, index) => ({
    id: newId(),
    atMs: Date.now() - 60 * 60_000 + index,
    by: ownerId,
    happening: { unitId, ...happening },
  }))
  expect((await owner('POST', `/api/jobs/${jobId}/events`, { events })).json().refused).toEqual([])
}

describe('a quote', () => {
  it('takes the grade that is said, seen, forecast or supposed, and says which', async () => {
    const seen = (await owner('POST', '/api/jobs', { siteId, unitIds: [units[0]], onDate: visitDay, crewIds: [ownerId] })).json().id
    await log(seen, units[0], [{ type: 'grade-set', part: 'wheel', grade: 4, kinds: [] }])
    const past = await Job.create({ id: newId(), firmId: (await Job.findByPk(seen))!.firmId, siteId, onDate: '2025-11-01', crewIds: [ownerId] })
    const handedOverAt = new Date(Date.now() - 365 * 86_400_000)
    const row = { jobId: past.id, unitId: units[1], firmId: past.firmId, position: 0, stage: 'handed-over', handedOverAt, scope: 'strip-down' }
    await JobUnit.create({ ...row, coilGrade: 3, leftIndex: 0.1 })
    const found = await make({ units: [{ unitId: units[0] }, { unitId: units[1] }] })
    expect(found.units).toEqual([
      expect.objectContaining({ coilGrade: 4, source: 'looked-over' }),
      expect.objectContaining({ coilGrade: 1, source: 'forecast' }),
    ])
    expect((await make({ units: [{ unitId: units[0], coilGrade: 1 }] })).units[0]).toMatchObject({ coilGrade: 1, source: 'said' })
    const fresh = (await owner('POST', `/api/sites/${siteId}/units`, { name: 'Porch', family: 'wall-head', design: {} })).json().id
    expect((await make({ units: [{ unitId: fresh }] })).units[0]).toMatchObject({ coilGrade: 3, source: 'supposed' })
  })
  it('offers what the owner leaves in it, with what is added or taken off, over the version that was seen', async () => {
    const quote = await make()
    const change = { offered: ['light'], adjustments: [{ what: 'first visit', amount: -20 }], validUntil: '2027-01-31', version: quote.version }
    const changed = (await owner('PUT', `/api/quotes/${quote.id}`, change)).json() as QuoteRecord
    const light = quote.options.find(({ key }) => key === 'light')!
    expect(changed.total).toBeCloseTo(light.total - 20, 2)
    expect((await owner('PUT', `/api/quotes/${quote.id}`, change)).json().code).toBe('changed-meanwhile')
    expect(
      (await owner('PUT', `/api/quotes/${quote.id}`, { ...change, offered: ['magic'], version: changed.version })).json().lines[0],
    ).toMatchObject({
      where: 'offered',
      allowed: expect.stringContaining('light'),
    })
    // What is not offered any more cannot be accepted.
    expect((await owner('POST', `/api/quotes/${quote.id}/accept`, answer(changed, 'usual'))).statusCode).toBe(422)
    expect((await owner('GET', `/api/quotes/${quote.id}`)).json()).toMatchObject({ state: 'open', jobId: null })
  })
  it('becomes one visit that goes the way that was accepted', async () => {
    const quote = await make({
      units: [
        { unitId: units[0], coilGrade: 2, complaints: ['smell'] },
        { unitId: units[1], coilGrade: 1 },
      ],
    })
    const before = await Job.count()
    const twice = await Promise.all([1, 2].map(() => owner('POST', `/api/quotes/${quote.id}/accept`, answer(quote, 'light'))))
    expect(twice.map(({ statusCode }) => statusCode).sort()).toEqual([200, 409])
    expect(await Job.count()).toBe(before + 1)
    const accepted = (await owner('GET', `/api/quotes/${quote.id}`)).json() as QuoteRecord
    const job = (await technician('GET', `/api/jobs/${accepted.jobId}`)).json()
    expect(job.quoted).toEqual({ quoteId: quote.id, name: quote.options.find(({ key }) => key === 'light')!.name, total: accepted.total })
    const said = (job.events as { happening: Happening }[]).map(({ happening }) => happening).filter(({ unitId }) => unitId === units[0])
    expect(said).toEqual([
      expect.objectContaining({ type: 'complaint-set', complaint: 'smell' }),
      expect.objectContaining({ type: 'choice-made', topic: 'scope', choice: 'clean-in-place', because: expect.stringContaining('as quoted') }),
    ])
  })
  it('looks back on what was really used and taken', async () => {
    const quote = await make({ units: [{ unitId: units[0], coilGrade: 3 }] })
    const { jobId } = (await owner('POST', `/api/quotes/${quote.id}/accept`, answer(quote, 'usual'))).json() as QuoteRecord
    const step = { id: 'mix-agent', phase: 'apply', title: 'Mix', handsMin: 10, after: [], people: 1, equipment: [], cautions: [] }
    const [product] = builtInProducts.filter(({ pricePerPack, packLitres }) => pricePerPack && packLitres)
    await log(jobId!, units[0], [{ type: 'method-agreed', decisions: [], steps: [step] }])
    const atMs = Date.now() - 40 * 60_000
    const steps = [
      { id: newId(), atMs, happening: { type: 'step-begun', stepId: 'mix-agent' } },
      { id: newId(), atMs: atMs + 25 * 60_000, happening: { type: 'product-used', stepId: 'mix-agent', productId: product.id, litres: 2 } },
      { id: newId(), atMs: atMs + 25 * 60_000 + 1, happening: { type: 'step-done', stepId: 'mix-agent' } },
    ].map((event) => ({ ...event, by: ownerId, happening: { unitId: units[0], ...event.happening } }))
    await owner('POST', `/api/jobs/${jobId}/events`, { events: steps })
    const { outcome, total } = (await owner('GET', `/api/quotes/${quote.id}`)).json() as QuoteRecord
    expect(outcome).toMatchObject({ realMin: 25, measuredShare: 1, done: 0, units: 1, total })
    const cost = (2 * product.pricePerPack!) / product.packLitres!
    expect(outcome!.realProduct).toBeCloseTo(cost, 2)
    expect(outcome!.realMargin).toBeCloseTo(total - (25 / 60) * 30 - cost, 2)
  })
  it('that has run out, or was declined, is not accepted', async () => {
    const quote = await make()
    await Quote.update({ validUntil: '2026-01-01' }, { where: { id: quote.id } })
    const late = quote
    expect((await owner('POST', `/api/quotes/${quote.id}/accept`, answer(late, 'usual'))).json().sentence).toContain('1 Jan 2026')
    expect((await owner('POST', `/api/quotes/${quote.id}/decline`, { version: late.version })).json().state).toBe('declined')
    expect((await owner('POST', `/api/quotes/${quote.id}/accept`, answer(late, 'usual'))).statusCode).toBe(409)
  })
  it.each([
    ['until a day that is past', { validUntil: '2026-01-01' }, 'validUntil'],
    ['for years', { validUntil: '2090-01-01' }, 'validUntil'],
    ['for less than nothing', { adjustments: [{ what: 'a gift', amount: -9999 }] }, 'adjustments.0.amount'],
  ])('does not stand %s', async (_, change, where) => {
    const quote = await make()
    const whole = { offered: ['usual'], adjustments: [], validUntil: quote.validUntil, version: quote.version, ...change }
    const answer = await owner('PUT', `/api/quotes/${quote.id}`, whole)
    expect([answer.statusCode, answer.json().lines[0].where]).toEqual([422, where])
  })
  it('is the owner’s, and the firm’s own', async () => {
    const quote = await make()
    expect((await technician('GET', '/api/quotes')).statusCode).toBe(403)
    expect((await other('GET', `/api/quotes/${quote.id}`)).statusCode).toBe(404)
    expect((await other('POST', `/api/quotes/${quote.id}/accept`, answer(quote, 'usual'))).statusCode).toBe(404)
    expect((await other('POST', '/api/quotes', { siteId, units: [{ unitId: units[0] }] })).statusCode).toBe(404)
    expect((await owner('POST', '/api/quotes', { siteId, units: [{ unitId: newId() }] })).json().lines[0].where).toBe('units[0].unitId')
  })
  it('is listed newest first, page by page', async () => {
    const like = (await Quote.findOne({ where: { siteId } }))!.get({ plain: true })
    await Quote.bulkCreate(Array.from({ length: 48 }, () => ({ ...like, id: newId(), jobId: null })))
    const first = (await owner('GET', '/api/quotes')).json()
    const second = (await owner('GET', `/api/quotes?after=${encodeURIComponent(first.next)}`)).json()
    const ids = [...first.entries, ...second.entries].map(({ id }: { id: string }) => id)
    expect(first.entries).toHaveLength(50)
    expect(ids.length).toBeGreaterThan(50)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toEqual([...ids].sort().reverse())
    expect((await owner('GET', '/api/quotes?after=nonsense')).statusCode).toBe(422)
  })
})
