import { v7 as newId } from 'uuid'
import type { Step } from '@yastik/core/procedure'
import { emptyUnitState, type Happening } from '@yastik/core/run'
import { JobUnit, StoredEvent, UnitRun } from '../db/models.ts'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let ask: Ask
let me: number
let jobId: string
let [one, other] = ['', '']
type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never
const step: Step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
let atMs = Date.now() - 3_600_000
const event = (unitId: string, happening: Bare, at = (atMs += 1000)) => ({ id: newId(), atMs: at, by: me, happening: { ...happening, unitId } })
const send = async (...events: object[]) => {
  const answer = await ask('POST', `/api/jobs/${jobId}/events`, { events })
  expect(answer.json()).toMatchObject({ refused: [] })
}
const row = async (unitId: string) => (await JobUnit.findOne({ where: { jobId, unitId } }))!
/** Every statement that is asked meanwhile. */
async function statementsOf(work: () => Promise<void>): Promise<string[]> {
  const said: string[] = []
  const { options } = house.sequelize as unknown as { options: { logging: false | ((sql: string) => void) } }
  options.logging = (sql) => void said.push(sql)
  await work()
  options.logging = false
  return said
}
beforeAll(async () => {
  house = await openHouse()
  me = (await addFirm('a')).technician.id
  ask = await signedIn(house.app, 'technician-a')
  const site = { site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' }
  const siteId = (await ask('POST', '/api/sites', site)).json().id as string
  const unit = async (name: string) =>
    (await ask('POST', `/api/sites/${siteId}/units`, { name, family: 'wall-head', design: {} })).json().id as string
  ;[one, other] = [await unit('One'), await unit('Other')]
  jobId = (await ask('POST', '/api/jobs', { siteId, unitIds: [one, other], onDate: visitDay, crewIds: [me] })).json().id
})
afterAll(() => house.close())

describe('what lists show of a job', () => {
  it('is kept up without reading its log', async () => {
    await send(event(one, { type: 'grade-set', part: 'coilFace', grade: 2, kinds: ['dust'] }))
    const said = await statementsOf(async () => {
      await send(event(one, { type: 'grade-set', part: 'wheel', grade: 4, kinds: [] }))
      await send(event(one, { type: 'note', text: 'as it is' }), event(one, { type: 'grade-set', part: 'coilBack', grade: 3, kinds: [] }))
    })
    // Each batch: begun, the job held, into the log, job and state, committed; besides the summary where it changed, and who asks.
    expect(said.length).toBeGreaterThanOrEqual(12)
    expect(said.length).toBeLessThanOrEqual(14)
    expect(said.filter((sql) => /SELECT .*happening.* FROM events/.test(sql))).toEqual([])
    expect(await row(one)).toMatchObject({ worstGrade: 4, coilGrade: 4, soilKinds: 'dust', stage: 'method' })
    expect(await row(other)).toMatchObject({ worstGrade: null })
  })
  it('knows its steps by the event that agreed them', async () => {
    await send(event(one, { type: 'method-agreed', decisions: [{ topic: 'scope', choice: 'open-clean', rule: 'r' }], steps: [step] }))
    await send(event(one, { type: 'step-done', stepId: 'isolate' }))
    expect(await row(one)).toMatchObject({ done: 1, steps: 1 })
    const { carried } = (await UnitRun.findOne({ where: { jobId, unitId: one } }))!
    expect(carried).not.toContain('Isolate')
  })
  it('takes back what is undone, and puts in its place what comes late', async () => {
    const wrong = event(one, { type: 'grade-set', part: 'pan', grade: 1, kinds: ['grease'] })
    await send(wrong)
    expect((await row(one)).soilKinds).toBe('dust,grease')
    await send(event(one, { type: 'undone', eventId: wrong.id }))
    expect((await row(one)).soilKinds).toBe('dust')
    // Earlier than what is known of the wheel: it changes nothing any more.
    await send(event(one, { type: 'grade-set', part: 'wheel', grade: 1, kinds: [] }, atMs - 3_000_000))
    expect(await row(one)).toMatchObject({ worstGrade: 4 })
    // An undoing that is here before what it undoes.
    const late = event(other, { type: 'grade-set', part: 'wheel', grade: 3, kinds: [] })
    await send(event(other, { type: 'undone', eventId: late.id }))
    await send(late)
    expect(await row(other)).toMatchObject({ worstGrade: null })
  })
  it('of what an earlier version kept, or nobody, is read from the log', async () => {
    await UnitRun.update(
      { carried: JSON.stringify({ version: 0, state: emptyUnitState(), last: { atMs: 0, id: '' }, takenBack: [], undoes: [] }) },
      { where: { jobId, unitId: one } },
    )
    await send(event(one, { type: 'note', text: 'more' }))
    expect(await row(one)).toMatchObject({ worstGrade: 4, done: 1 })
    await UnitRun.destroy({ where: { jobId } })
    await send(event(one, { type: 'note', text: 'more again' }))
    expect(await row(one)).toMatchObject({ worstGrade: 4, done: 1 })
  })
  it('is kept no longer once the unit is handed over, and right if more is said of it', async () => {
    await send(event(one, { type: 'handed-over', verdict: 'proved' }))
    expect(await row(one)).toMatchObject({ stage: 'handed-over', verdict: 'proved' })
    expect(await UnitRun.count({ where: { jobId, unitId: one } })).toBe(0)
    await send(event(one, { type: 'grade-set', part: 'wheel', grade: 0, kinds: [], when: 'after' }))
    expect(await row(one)).toMatchObject({ stage: 'handed-over', worstGrade: 4 })
    expect(await StoredEvent.count({ where: { jobId } })).toBeGreaterThan(10)
  })
})
