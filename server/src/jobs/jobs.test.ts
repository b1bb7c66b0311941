import type { Sentence } from '@yastik/core/words'
import { told } from '../tests/inEnglish.ts'
import { families } from '@yastik/core/units'
import { v7 as newId } from 'uuid'
import { Firm, Job, JobUnit, StoredEvent, Unit } from '../db/models.ts'
import { ownerFrom } from '../config.ts'
import { connect } from '../db/connection.ts'
import { migrator } from '../db/migrate.ts'
import { demoPassword, demoPeople } from '@yastik/stand-ins/demo/firm'
import loadDemo from '@yastik/stand-ins/demo'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse, visitDay } from '../tests/database.ts'

// The demo is walked step by step through the real planner.
jest.setTimeout(60_000)
let house: TestHouse
let ask: Ask
let other: Ask
let me: number
let colleague: number
beforeAll(async () => {
  house = await openHouse()
  const { owner, technician } = await addFirm('a')
  await addFirm('b')
  ;[me, colleague] = [technician.id, owner.id]
  ask = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
})
afterAll(() => house.close())

const day = visitDay
async function newJob(units = 1) {
  const site = (
    await ask('POST', '/api/sites', { site: { name: 'Place', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
  ).json()
  const unitIds: string[] = []
  for (let index = 0; index < units; index++)
    unitIds.push((await ask('POST', `/api/sites/${site.id}/units`, { name: `Unit ${index}`, family: 'wall-head', design: {} })).json().id)
  const job = (await ask('POST', '/api/jobs', { siteId: site.id, unitIds, onDate: day, crewIds: [me] })).json()
  return { site, unitIds, job }
}
const graded = (unitId: string, grade: number, more: object = {}) => ({
  id: newId(),
  atMs: Date.now(),
  by: me,
  happening: { type: 'grade-set', unitId, part: 'wheel', grade, kinds: [] },
  ...more,
})
const send = (jobId: string, events: unknown[]) => ask('POST', `/api/jobs/${jobId}/events`, { events })
const stored = (jobId: string) => StoredEvent.count({ where: { jobId } })

describe('jobs', () => {
  it('are made, shown on their day, and fetched whole', async () => {
    const { job, unitIds, site } = await newJob(2)
    expect(job).toMatchObject({
      siteName: 'Place',
      onDate: day,
      crew: ['Technician a'],
      units: [{ unitId: unitIds[0], stage: 'look-over' }, { unitId: unitIds[1] }],
    })
    const today = (await ask('GET', `/api/today?day=${day}`)).json().today
    expect(today.map(({ id }: { id: string }) => id)).toContain(job.id)
    expect((await ask('GET', `/api/jobs/${job.id}`)).json()).toMatchObject({
      site: { id: site.id },
      unitIds,
      crew: [{ id: me, name: 'Technician a' }],
      events: [],
    })
  })
  it('need a real day, units of the site, and people of the firm', async () => {
    const { site, unitIds } = await newJob()
    const form = { siteId: site.id, unitIds, onDate: day, crewIds: [me] }
    expect((await ask('POST', '/api/jobs', { ...form, onDate: '2026-02-30' })).json().lines[0].where).toBe('onDate')
    expect((await ask('POST', '/api/jobs', { ...form, unitIds: [newId()] })).json().lines[0].where).toBe('unitIds')
    expect((await ask('POST', '/api/jobs', { ...form, crewIds: [999_999] })).json().lines[0].where).toBe('crewIds')
    expect((await ask('GET', '/api/today?day=tomorrow')).statusCode).toBe(422)
    expect(await Job.count({ where: { siteId: site.id } })).toBe(1)
  })
  it('of another firm are not there', async () => {
    const { job, unitIds } = await newJob()
    expect((await other('GET', `/api/jobs/${job.id}`)).statusCode).toBe(404)
    expect((await other('POST', `/api/jobs/${job.id}/events`, { events: [graded(unitIds[0], 1)] })).statusCode).toBe(404)
    expect(await stored(job.id)).toBe(0)
  })
})

describe('events', () => {
  it('are stored once, however often they are sent', async () => {
    const { job, unitIds } = await newJob()
    const events = [graded(unitIds[0], 2), graded(unitIds[0], 3)]
    const first = (await send(job.id, events)).json()
    const again = (await send(job.id, [...events, events[0]])).json()
    expect(first).toEqual({ accepted: events.map(({ id }) => id), refused: [] })
    expect(again).toEqual(first)
    expect(await stored(job.id)).toBe(2)
    expect((await ask('GET', `/api/jobs/${job.id}`)).json().events).toEqual(events)
  })
  it('of a batch half wrong: the good ones are taken, the others come back with a reason each', async () => {
    const { job, unitIds } = await newJob()
    const good = graded(unitIds[0], 1)
    const wrong = [
      graded(unitIds[0], 7),
      graded(unitIds[0], 1, { by: colleague }),
      graded(unitIds[0], 1, { atMs: Date.now() + 3_600_000 }),
      graded(newId(), 1),
      { id: 'x' },
      'text',
    ]
    const { accepted, refused } = (await send(job.id, [wrong[0], good, ...wrong.slice(1)])).json()
    expect(accepted).toEqual([good.id])
    const reasons = refused.map(({ because }: { because: Sentence }) => told(because))
    expect(reasons).toHaveLength(6)
    expect(reasons[0]).toBe('events[0].happening.grade: 7 is not allowed; allowed: 0, 1, 2, 3, 4')
    expect(reasons[1]).toMatch(/events\[2\]\.by: \d+ is not you/)
    expect(reasons[2]).toMatch(/future/)
    expect(reasons[3]).toMatch(/is not a unit of this job/)
    expect(await stored(job.id)).toBe(1)
  })
  it('keep how far the clock of the device was off, and count by ours', async () => {
    const { job, unitIds } = await newJob()
    const hour = 3_600_000
    const fast = graded(unitIds[0], 2, { atMs: Date.now() + hour, aheadMs: hour })
    const slow = graded(unitIds[0], 3, { atMs: Date.now() - hour, aheadMs: -hour - 20 * 60_000 })
    const { accepted, refused } = (await send(job.id, [fast, slow])).json()
    expect(accepted).toEqual([fast.id])
    expect(told(refused[0].because)).toMatch(/future/)
    expect((await ask('GET', `/api/jobs/${job.id}`)).json().events).toEqual([fast])
    const asked = Date.now()
    const { nowMs } = (await ask('GET', '/api/clock')).json()
    expect(nowMs).toBeGreaterThanOrEqual(asked)
    expect(nowMs).toBeLessThanOrEqual(Date.now())
  })
  it('that only the owner may write come back from anybody else', async () => {
    const { job, unitIds } = await newJob()
    const owner = await signedIn(house.app, 'owner-a')
    const happening = {
      type: 'exception-written',
      unitId: unitIds[0],
      item: 'front cover',
      kind: 'cover screw',
      short: 1,
      text: 'a new one on Friday',
    }
    const { accepted, refused } = (await send(job.id, [graded(unitIds[0], 1, { happening })])).json()
    expect([accepted, told(refused[0].because)]).toEqual([[], 'events[0].happening.type: only the owner may allow missing parts'])
    const events = [graded(unitIds[0], 1, { by: colleague, happening })]
    expect((await owner('POST', `/api/jobs/${job.id}/events`, { events })).json().accepted).toHaveLength(1)
  })
  it('give steps only to people of the crew', async () => {
    const { job, unitIds } = await newJob()
    const give = (to: number | null) => graded(unitIds[0], 1, { happening: { type: 'step-given', unitId: unitIds[0], stepId: 'off-cover', to } })
    const { accepted, refused } = (await send(job.id, [give(me), give(null), give(colleague)])).json()
    expect(accepted).toHaveLength(2)
    expect(told(refused[0].because)).toMatch(/is not in the crew of this job; allowed: /)
  })
  it('whose id belongs to another job are turned down', async () => {
    const [one, two] = [await newJob(), await newJob()]
    const event = graded(one.unitIds[0], 2)
    await send(one.job.id, [event])
    const { accepted, refused } = (await send(two.job.id, [{ ...event, happening: { ...event.happening, unitId: two.unitIds[0] } }])).json()
    expect(accepted).toEqual([])
    expect(told(refused[0].because)).toMatch(/another job/)
  })
  it('known, another job’s and new are told apart in one batch, and the log goes on by the new alone', async () => {
    const [one, two] = [await newJob(), await newJob()]
    const [known, others, first, second] = [1, 2, 3, 4].map((grade, at) => graded(one.unitIds[0], grade, { atMs: 1_700_000_000_000 + at }))
    await send(one.job.id, [known])
    await send(two.job.id, [{ ...others, happening: { ...others.happening, unitId: two.unitIds[0] } }])
    const { accepted, refused } = (await send(one.job.id, [first, known, others, second, first])).json()
    expect(accepted).toEqual([first.id, known.id, second.id])
    expect(refused.map(({ id }: { id: string }) => id)).toEqual([others.id])
    const log = await StoredEvent.findAll({ where: { jobId: one.job.id }, order: [['place', 'ASC']] })
    expect(log.map(({ id, place }) => [id, place])).toEqual([known, first, second].map(({ id }, at) => [id, at + 1]))
    expect((await Job.findByPk(one.job.id))?.logLength).toBe(3)
  })
  it('sent by several at once all arrive, and the summary is of all of them', async () => {
    const { job, unitIds } = await newJob()
    const batches = [1, 2, 3, 4].map((grade, index) => [graded(unitIds[0], grade, { atMs: 1_700_000_000_000 + index })])
    await Promise.all(batches.map((batch) => send(job.id, batch)))
    expect(await stored(job.id)).toBe(4)
    expect(await JobUnit.findOne({ where: { jobId: job.id } })).toMatchObject({ worstGrade: 4, stage: 'method' })
  })
  it('need a batch of 1 to 1000', async () => {
    const { job } = await newJob()
    expect((await send(job.id, [])).json().lines[0]).toMatchObject({ where: 'events', what: 'there are 0 entries', allowed: 'at least 1 entry' })
    expect((await ask('POST', `/api/jobs/${job.id}/events`, { events: 'all' })).statusCode).toBe(422)
  })
})

describe('the logbook', () => {
  it('pages without a gap or a double, and keeps to the firm and to a unit', async () => {
    const { site, unitIds } = await newJob()
    for (let index = 0; index < 63; index++) {
      const job = await Job.create({ id: newId(), firmId: (await Unit.findByPk(unitIds[0]))!.firmId, siteId: site.id, onDate: day, crewIds: [me] })
      await JobUnit.create({
        jobId: job.id,
        unitId: unitIds[0],
        firmId: job.firmId,
        position: 0,
        stage: 'handed-over',
        verdict: 'proved',
        handedOverAt: new Date(1_700_000_000_000 + Math.floor(index / 3) * 1000),
        handedOverBy: me,
        scope: 'open-clean',
      })
    }
    const first = (await ask('GET', '/api/logbook')).json()
    const second = (await ask('GET', `/api/logbook?after=${encodeURIComponent(first.next)}`)).json()
    expect([first.entries.length, second.entries.length, second.next]).toEqual([50, 13, null])
    expect(new Set([...first.entries, ...second.entries].map(({ jobId }: { jobId: string }) => jobId)).size).toBe(63)
    expect((await other('GET', '/api/logbook')).json().entries).toEqual([])
    expect((await ask('GET', `/api/units/${unitIds[0]}/life`)).json().entries).toHaveLength(50)
    expect((await other('GET', `/api/units/${unitIds[0]}/life`)).statusCode).toBe(404)
    expect((await ask('GET', '/api/logbook?after=nonsense')).statusCode).toBe(422)
  })
  it('is filtered by site or unit, family, soil, technician and verdict, and never by what a filter smuggles in', async () => {
    const { job, unitIds } = await newJob()
    const at = Date.now()
    const step = { id: 'isolate', phase: 'isolate', title: 'Isolate', handsMin: 1, after: [], people: 1, equipment: [], cautions: [] }
    const happenings = [
      { type: 'grade-set', part: 'coilFace', grade: 2, kinds: ['pollen', 'dust'] },
      { type: 'method-agreed', decisions: [], steps: [step] },
      { type: 'step-done', stepId: step.id },
      { type: 'handed-over', verdict: 'not-proved' },
    ]
    await send(
      job.id,
      happenings.map((happening, index) => ({ id: newId(), atMs: at + index, by: me, happening: { unitId: unitIds[0], ...happening } })),
    )
    const found = async (query: string) => (await ask('GET', `/api/logbook?${query}`)).json().entries as { jobId: string; verdict: string }[]
    const { name } = (await Unit.findByPk(unitIds[0]))!
    for (const query of [
      'soil=pollen',
      'verdict=not-proved',
      `by=${me}&soil=dust`,
      `find=${encodeURIComponent(name.slice(1, 4))}&verdict=not-proved`,
      'family=wall-head&soil=pollen',
    ])
      expect([query, (await found(query)).map(({ jobId }) => jobId)]).toEqual([query, [job.id]])
    for (const query of ['soil=salt', 'family=window', 'by=999999', 'find=%25nowhere', `find=${encodeURIComponent("' OR 1=1 -- ")}`])
      expect(await found(query)).toEqual([])
    expect((await found('verdict=proved')).every(({ verdict }) => verdict === 'proved')).toBe(true)
    for (const query of ['family=chimney', 'verdict=perhaps', 'colour=red']) expect((await ask('GET', `/api/logbook?${query}`)).statusCode).toBe(422)
  })
})

describe('the demo', () => {
  it('loads into an empty database only, with every past visit handed over, and can be taken down again', async () => {
    const empty = await openHouse()
    try {
      expect(await loadDemo(empty.db)).toBe(true)
      expect(await loadDemo(empty.db)).toBe(false)
      expect(await Firm.count()).toBe(1)
      const past = await Job.findAll({ where: { closed: true } })
      expect(past.length).toBeGreaterThanOrEqual(10)
      const open = await JobUnit.findAll({ where: { handedOverAt: null } })
      const stages = open.map(({ stage }) => stage)
      expect(['at-the-unit', 'look-over', 'method'].filter((stage) => !stages.includes(stage))).toEqual([])
      for (const family of families) expect(await Unit.count({ where: { family } })).toBeGreaterThanOrEqual(2)
      const session = await empty.app.inject({
        method: 'POST',
        url: '/api/session',
        headers: { host: 'h', origin: 'http://h' },
        payload: { signIn: demoPeople[0].signIn, password: demoPassword },
      })
      expect(session.statusCode).toBe(200)
      // The app itself may not: it reads and writes rows alone.
      await expect(migrator(empty.sequelize).down({ to: 0 })).rejects.toThrow('denied to user')
      const owner = connect({ ...ownerFrom(process.env), name: empty.name })
      await migrator(owner).down({ to: 0 })
      const [tables] = await owner.query('SHOW TABLES')
      await owner.close()
      expect(tables).toHaveLength(3)
    } finally {
      await empty.close()
    }
  })
})
