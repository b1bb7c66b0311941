import type { Region } from '@yastik/core/lookover'
import { measurePhoto, type InstrumentReading } from '@yastik/core/proof'
import { instrumentMessageSchema } from '@yastik/core/wire'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import { buildApp } from '../app.ts'
import { addFirm, openHouse, signedIn, streamAs, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let by: number
let path: string
let unitId: string
let jobId: string
beforeAll(async () => {
  house = await openHouse()
  by = (await addFirm('a')).technician.id
  await addFirm('b')
  ask = await signedIn(house.app, 'technician-a')
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  const { id: siteId } = (await ask('POST', '/api/sites', { site, address: '', contact: '' })).json()
  unitId = (await ask('POST', `/api/sites/${siteId}/units`, { name: 'Loft', family: 'wall-head', design: { ratedAirflowM3h: 600 } })).json().id
  jobId = (await ask('POST', '/api/jobs', { siteId, unitIds: [unitId], onDate: visitDay, crewIds: [by] })).json().id
  path = `/api/jobs/${jobId}/units/${unitId}/instruments`
  await house.app.listen({ port: 0, host: '127.0.0.1' })
})
afterAll(() => house.close())

/** Listens for so many messages; the readings of the last one. */
async function listen(messages: number): Promise<InstrumentReading[]> {
  let last: InstrumentReading[] = []
  let count = 0
  for await (const { data } of streamAs('technician-a', house.app, path)) {
    last = instrumentMessageSchema.parse(JSON.parse(data)).readings
    if (++count >= messages) break
  }
  return last
}
const valueOf = (readings: readonly InstrumentReading[], quantity: InstrumentReading['quantity']) =>
  readings.find((reading) => reading.quantity === quantity)!.value

describe('the stream of instruments', () => {
  it('says every quantity with its unit’s tolerance, and the airflow rises once the vane is held there', async () => {
    const first = await listen(1)
    expect(new Set(first.map(({ quantity }) => quantity)).size).toBe(8)
    expect(valueOf(first, 'airflowM3h')).toBeLessThan(100)
    expect(valueOf(await listen(10), 'airflowM3h')).toBeGreaterThan(150)
  }, 20_000)
  it('follows the run: a unit that was isolated moves no air', async () => {
    const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
    const event = (happening: object) => ({ id: newId(), atMs: Date.now(), by, happening: { unitId, ...happening } })
    const events = [event({ type: 'method-agreed', decisions: [], steps: [step] }), event({ type: 'step-done', stepId: 'isolate' })]
    expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).json().accepted).toHaveLength(2)
    const readings = await listen(10)
    expect(valueOf(readings, 'airflowM3h')).toBeLessThan(10)
    expect(valueOf(readings, 'amps')).toBeLessThan(0.1)
  }, 20_000)
  it('has a camera that sees what is there: less soil once the coil was rinsed, and nothing where there are no fins', async () => {
    const coveredOf = async () => {
      const answer = await ask('GET', `${path}/camera?part=coilFace`)
      expect(answer.headers['content-type']).toBe('image/jpeg')
      const { data, info } = await sharp(answer.rawPayload).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
      const most = { left: 0.15, right: 0.85 }
      const region = [
        { x: most.left, y: most.left },
        { x: most.right, y: most.left },
        { x: most.right, y: most.right },
        { x: most.left, y: most.right },
      ] as Region
      return measurePhoto({ width: info.width, height: info.height, data }, region, 'fins').coveredShare
    }
    const before = await coveredOf()
    const step = { id: 'rinse-coil', phase: 'rinse', title: 'Rinse', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
    const happenings = [
      { type: 'method-agreed', decisions: [], steps: [step] },
      { type: 'step-done', stepId: 'rinse-coil' },
    ]
    const events = happenings.map((happening, index) => ({ id: newId(), atMs: Date.now() + index, by, happening: { unitId, ...happening } }))
    expect((await ask('POST', `/api/jobs/${jobId}/events`, { events })).json().accepted).toHaveLength(2)
    expect(await coveredOf()).toBeLessThan(Math.min(0.05, before))
    expect((await ask('GET', `${path}/camera?part=pan`)).json().lines[0]).toMatchObject({ where: 'part', what: 'the camera does not reach “pan”' })
  }, 60_000)
  it('is for the firm alone, and for nobody who is not signed in', async () => {
    const other = await signedIn(house.app, 'technician-b')
    expect((await other('GET', path)).statusCode).toBe(404)
    expect((await house.app.inject({ method: 'GET', url: path })).statusCode).toBe(401)
  })
  it('is not there where no instruments are connected', async () => {
    const bare = await buildApp({ sequelize: house.sequelize, files: house.files })
    try {
      const own = await signedIn(bare, 'technician-a')
      expect((await own('GET', path)).json().lines[0]).toMatchObject({ what: 'no instrument is connected here', allowed: 'readings by hand' })
    } finally {
      await bare.close()
    }
  })
})
