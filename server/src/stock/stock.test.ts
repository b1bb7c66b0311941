import { builtInProducts, builtInVan } from '@yastik/core/products'
import type { DayLoad, StockRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { StockLot } from '../db/models.ts'
import { dayMs, utcDay } from '../days.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let other: Ask
let me: number
let firmId: number
let siteId: string
const product = builtInProducts.find(({ packLitres, pricePerPack }) => packLitres && pricePerPack)!
beforeAll(async () => {
  house = await openHouse()
  const { firm, technician: person } = await addFirm('a')
  await firm.update({ products: builtInProducts.map(({ inStockLitres: _, ...label }) => label), equipment: [...builtInVan] })
  ;[me, firmId] = [person.id, firm.id]
  await addFirm('b')
  ;[owner, technician, other] = await Promise.all(['owner-a', 'technician-a', 'owner-b'].map((name) => signedIn(house.app, name)))
  const site = { name: 'Meadow', setting: 'home', waterOnSite: false, foulDrainOnSite: true }
  siteId = (await owner('POST', '/api/sites', { site, address: '', contact: '' })).json().id
})
afterAll(() => house.close())
beforeEach(() => StockLot.destroy({ where: {} }))

const note = (kind: string, litres: number, more: object = {}) => technician('POST', '/api/stock', { productId: product.id, kind, litres, ...more })
const stock = async () => ((await technician('GET', '/api/stock')).json() as StockRecord).products.find(({ productId }) => productId === product.id)!
const inStores = async () =>
  (await technician('GET', '/api/stores')).json().products.find(({ id }: { id: string }) => id === product.id).inStockLitres
const newUnit = async (name: string) =>
  (await owner('POST', `/api/sites/${siteId}/units`, { name, family: 'wall-head', design: { wheelRemovable: true, coilLiftable: true } })).json()
    .id as string
const [soon, next] = [150, 151].map((days) => utcDay(Date.now() + days * dayMs))
const newJob = async (unitIds: string[], onDate: string) =>
  (await owner('POST', '/api/jobs', { siteId, unitIds, onDate, crewIds: [me] })).json().id as string
const use = (jobId: string, unitId: string, happenings: object[]) => {
  const events = happenings.map((happening, index) => ({ id: newId(), atMs: Date.now() - 5000 + index, by: me, happening: { unitId, ...happening } }))
  return technician('POST', `/api/jobs/${jobId}/events`, { events }).then((answer) => {
    expect(answer.json().refused).toEqual([])
    return events
  })
}
const used = (litres: number, stepId = 'mix-agent') => ({ type: 'product-used', stepId, productId: product.id, litres })
const lots = async () => Object.fromEntries((await StockLot.findAll({ where: { firmId } })).map(({ lot, litres }) => [lot, litres]))

describe('two at the same lot at once', () => {
  it('count a new one, and one that is there: each is on record, and the balance is that of the later', async () => {
    for (const litres of [4, 6]) {
      const answers = await Promise.all([note('counted', litres, { lot: 'N1' }), note('counted', litres + 1, { lot: 'N1' })])
      expect(answers.map(({ statusCode }) => statusCode)).toEqual([201, 201])
      expect([litres, litres + 1]).toContain((await lots()).N1)
    }
    const bought = await Promise.all(Array.from({ length: 6 }, () => note('bought', 1, { lot: 'N2' })))
    expect(bought.map(({ statusCode }) => statusCode)).toEqual(bought.map(() => 201))
    expect((await lots()).N2).toBe(6)
    const { entries } = (await technician('GET', '/api/stock/moves')).json() as { entries: { lot: string; litres: number }[] }
    const sum = (lot: string) => entries.filter((entry) => entry.lot === lot).reduce((all, { litres }) => all + litres, 0)
    expect([sum('N1'), sum('N2')]).toEqual([(await lots()).N1, 6])
  })
})

describe('the ledger', () => {
  it('knows nothing before a count, then what was bought, counted and thrown out, by lot', async () => {
    expect((await stock()).usableL).toBeNull()
    expect(await inStores()).toBeUndefined()
    await note('bought', 5, { lot: 'A1', labelDate: '2027-09-30' })
    await note('bought', 5, { lot: 'OLD', labelDate: '2026-01-31' })
    expect(await stock()).toMatchObject({
      usableL: 5,
      lots: [expect.objectContaining({ lot: 'OLD', past: true }), expect.objectContaining({ lot: 'A1', past: false })],
    })
    expect(await inStores()).toBe(5)
    await note('counted', 4.2, { lot: 'A1' })
    await note('thrown-out', 5, { lot: 'OLD' })
    expect(await lots()).toEqual({ A1: 4.2, OLD: 0 })
    const moves = (await technician('GET', '/api/stock/moves')).json().entries.slice(0, 4)
    expect(moves.map(({ kind, litres }: { kind: string; litres: number }) => [kind, litres])).toEqual([
      ['thrown-out', -5],
      ['counted', -0.8],
      ['bought', 5],
      ['bought', 5],
    ])
  })
  it('turns down what cannot be, and keeps what was', async () => {
    await note('bought', 2, { lot: 'A1', labelDate: '2027-09-30' })
    const cases: [Promise<{ statusCode: number; json: () => { lines: { where: string }[] } }>, string][] = [
      [note('thrown-out', 3, { lot: 'A1' }), 'litres'],
      [note('bought', 1, { lot: 'A1', labelDate: '2028-01-01' }), 'labelDate'],
      [note('bought', -1), 'litres'],
      [note('bought', 1, { labelDate: '2027-02-30' }), 'labelDate'],
      [technician('POST', '/api/stock', { productId: 'nothing', kind: 'bought', litres: 1 }), 'productId'],
      [note('used', 1), 'kind'],
    ]
    for (const [asked, where] of cases) {
      const answer = await asked
      expect([answer.statusCode, answer.json().lines[0].where]).toEqual([422, where])
    }
    expect(await lots()).toEqual({ A1: 2 })
    expect((await other('GET', '/api/stock')).json().products).toEqual([])
  })
  it('is not counted anew by somebody who saves a label they opened before', async () => {
    await note('bought', 5)
    const seen = (await owner('GET', '/api/stores')).json()
    await note('counted', 3)
    expect((await owner('PUT', '/api/stores', seen)).statusCode).toBe(200)
    expect(await inStores()).toBe(3)
  })
})

describe('what runs used', () => {
  it('leaves the lot whose date comes first, and comes back when it is undone or said anew', async () => {
    await note('bought', 1, { lot: 'SOON', labelDate: '2027-01-31' })
    await note('bought', 5, { lot: 'LATE', labelDate: '2028-01-31' })
    const unit = await newUnit('Loft')
    const jobId = await newJob([unit], visitDay)
    const [event] = await use(jobId, unit, [used(1.5)])
    expect(await lots()).toEqual({ SOON: 0, LATE: 4.5 })
    // Sent again it does nothing; the last word at the step counts.
    await technician('POST', `/api/jobs/${jobId}/events`, { events: [event] })
    expect(await lots()).toEqual({ SOON: 0, LATE: 4.5 })
    const [second] = await use(jobId, unit, [used(1.2)])
    expect(await lots()).toEqual({ SOON: 0, LATE: 4.8 })
    await use(jobId, unit, [{ type: 'undone', eventId: second.id }])
    expect(await lots()).toEqual({ SOON: 0, LATE: 4.5 })
    await use(jobId, unit, [{ type: 'undone', eventId: event.id }])
    expect(await lots()).toEqual({ SOON: 1, LATE: 5 })
  })
  it('by two visits at once is not lost', async () => {
    await note('counted', 10)
    const pairs = await Promise.all(
      ['North', 'South', 'East', 'West'].map(async (name) => {
        const unit = await newUnit(name)
        return [await newJob([unit], visitDay), unit] as const
      }),
    )
    await Promise.all(pairs.map(([jobId, unit]) => use(jobId, unit, [used(0.5)])))
    expect(await lots()).toEqual({ '': 8 })
    expect((await stock()).weeklyL).toBeGreaterThan(0)
  })
})

describe('the load', () => {
  it('adds up the plans of all visits of a day, says how each unit was taken, and what is short', async () => {
    const [seen, unseen] = [await newUnit('Seen'), await newUnit('Unseen')]
    const jobId = await newJob([seen], soon)
    await newJob([unseen], soon)
    await newJob([seen], next)
    await use(jobId, seen, [{ type: 'grade-set', part: 'coilFace', grade: 2, kinds: [] }])
    const load = (await technician('GET', `/api/load?day=${soon}`)).json() as DayLoad
    expect(load.visits.flatMap(({ units }) => units.map(({ name, source }) => [name, source]))).toEqual([
      ['Seen', 'looked-over'],
      ['Unseen', 'supposed'],
    ])
    // One crew goes to both: it takes all of it.
    const [crew, ...others] = load.crews
    expect(others).toEqual([])
    expect(crew.jobIds).toEqual(load.visits.map(({ jobId: own }) => own))
    expect(crew.items).toEqual(load.items.map(({ item, quantity, unit, why, sites }) => ({ item, quantity, unit, why, sites })))
    const name = (await stock()).name
    const agents = load.items.filter(({ unit }) => unit === 'L')
    expect(agents.map(({ item }) => item)).toContainEqual({ key: 'plan.loadFor.clean-water' })
    for (const id of agents.map(({ item }) => builtInProducts.find((label) => label.name === item)?.id))
      if (id) await technician('POST', '/api/stock', { productId: id, kind: 'counted', litres: 0.01 })
    const short = (await technician('GET', `/api/load?day=${soon}`)).json() as DayLoad
    expect(short.items.some(({ short: missing }) => (missing ?? 0) > 0)).toBe(true)
    expect(name).toBe(product.name)
    expect((await technician('GET', '/api/load?day=someday')).statusCode).toBe(422)
    expect(((await other('GET', `/api/load?day=${soon}`)).json() as DayLoad).items).toEqual([])
  })
  it('is split by crew: each takes what its own visits need, and of tools as many as all of them together', async () => {
    const day = utcDay(Date.now() + 9 * dayMs)
    const plan = (unitIds: string[], crewIds: number[]) => technician('POST', '/api/jobs', { siteId, unitIds, onDate: day, crewIds })
    const [one, two, three] = [await newUnit('One'), await newUnit('Two'), await newUnit('Three')]
    const [me, boss] = ((await technician('GET', '/api/crew')).json() as { id: number; name: string }[]).map(({ id }) => id)
    await plan([one], [me])
    await plan([two], [me, boss])
    await plan([three], [boss, me])
    const { crews, items, visits } = (await technician('GET', `/api/load?day=${day}`)).json() as DayLoad
    expect(crews.map(({ jobIds }) => jobIds.length)).toEqual([1, 2])
    expect(crews.map(({ crew }) => crew.length)).toEqual([1, 2])
    expect(crews.flatMap(({ jobIds }) => jobIds).sort()).toEqual(visits.map(({ jobId }) => jobId).sort())
    const litres = (of: DayLoad['crews'][number]['items']) => of.filter(({ unit }) => unit === 'L').reduce((sum, { quantity }) => sum + quantity, 0)
    expect(litres(items)).toBeGreaterThan(0)
    // Water is rounded up for each van by itself.
    const apart = crews.reduce((sum, own) => sum + litres(own.items), 0)
    expect(apart).toBeGreaterThan(litres(items) - 0.01)
    expect(apart).toBeLessThan(litres(items) + crews.length)
    for (const { items: own } of crews) for (const item of own) expect(item).not.toHaveProperty('short')
  })
  it('of the coming fortnight says what to buy, in packs', async () => {
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10)
    const unit = await newUnit('Coming')
    const jobId = await newJob([unit], tomorrow)
    const step = { id: 'mix-agent', phase: 'apply', title: 'Mix', handsMin: 4, after: [], people: 1, equipment: [], cautions: [] }
    const uses = [{ productId: product.id, name: product.name, litres: product.packLitres! * 1.5 }]
    await use(jobId, unit, [{ type: 'method-agreed', decisions: [], steps: [{ ...step, uses }] }])
    await note('counted', 0)
    const { plannedL, buy } = await stock()
    expect(plannedL).toBeCloseTo(product.packLitres! * 1.5, 3)
    expect(buy!.packs).toBeGreaterThanOrEqual(2)
    expect(buy!.cost).toBeCloseTo(buy!.packs! * product.pricePerPack!, 2)
  })
  it('of a visit at which somebody is at work is planned anew every ten seconds, behind whoever asks, and before they are told what is older', async () => {
    const tomorrow = utcDay(Date.now() + dayMs)
    const unit = await newUnit('At work')
    const before = (await stock()).plannedL
    const jobId = await newJob([unit], tomorrow)
    const planned = async () => Math.round(((await stock()).plannedL - before) * 1000) / 1000
    const agreed = (litres: number) => {
      const step = { id: 'mix-agent', phase: 'apply', title: 'Mix', handsMin: 4, after: [], people: 1, equipment: [], cautions: [] }
      const uses = [{ productId: product.id, name: product.name, litres }]
      return use(jobId, unit, [{ type: 'method-agreed', decisions: [], steps: [{ ...step, uses }] }])
    }
    const real = performance.now.bind(performance)
    let laterMs = 0
    const clock = jest.spyOn(performance, 'now').mockImplementation(() => real() + laterMs)
    try {
      await planned()
      await agreed(3)
      expect(await planned()).toBe(3)
      await agreed(4)
      expect(await planned()).toBe(3)
      laterMs += 11_000
      expect(await planned()).toBe(3)
      for (let looks = 0; looks < 100 && (await planned()) !== 4; looks++) await new Promise((done) => setTimeout(done, 20))
      expect(await planned()).toBe(4)
      await agreed(5)
      laterMs += 21_000
      expect(await planned()).toBe(5)
    } finally {
      clock.mockRestore()
    }
  })
})
