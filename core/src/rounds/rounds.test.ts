import { asOnePlan, inEnglish } from '../tests/inEnglish.ts'
import fc from 'fast-check'
import { planJob } from '../plan/index.ts'
import { gradesWith } from '../upkeep/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { dayStops, inOrderOfDay, isLongDay, lateText, specialsOf, type DayVisit } from './index.ts'

const visit = (id: string, more: Partial<DayVisit> = {}): DayVisit => ({ id, siteId: id, crewIds: [1], startMin: null, leftMin: 60, ...more })
const nine = 9 * 60
const stop = (visits: DayVisit[], id: string, nowMin = -600) => dayStops(visits, nowMin).find((own) => own.id === id)!

describe('a day of visits', () => {
  it('begins at eight, and goes from site to site with the way between', () => {
    const stops = dayStops([visit('a'), visit('b')], -600)
    expect(stops).toMatchObject([
      { id: 'a', state: 'to-come', startMin: 480, endMin: 540 },
      { id: 'b', arriveMin: 560, startMin: 560, endMin: 620, lateMin: 0, isLate: false },
    ])
  })
  it('takes no way between two visits to one place', () => expect(stop([visit('a'), visit('b', { siteId: 'a' })], 'b').startMin).toBe(540))
  it('waits for a time that was said, and is at the door before it', () =>
    expect(stop([visit('a', { startMin: nine })], 'a')).toMatchObject({ arriveMin: 535, startMin: nine, endMin: 600 }))
  it('that is said for an early hour begins early', () => expect(stop([visit('a', { startMin: 390 })], 'a').startMin).toBe(390))
  it('goes by the times that were said, what has none comes last', () =>
    expect(inOrderOfDay([visit('none'), visit('late', { startMin: 800 }), visit('early', { startMin: 500 })]).map(({ id }) => id)).toEqual([
      'early',
      'late',
      'none',
    ]))
  it('is late where the visit before takes longer, and says so from ten minutes on', () => {
    const day = (leftMin: number) => [visit('a', { startMin: 480, leftMin }), visit('b', { startMin: nine })]
    expect(stop(day(49), 'b')).toMatchObject({ lateMin: 9, isLate: false })
    expect(stop(day(50), 'b')).toMatchObject({ startMin: 550, lateMin: 10, isLate: true })
  })
  it('goes on from now: what has not begun cannot begin before', () => {
    expect(stop([visit('a', { startMin: nine })], 'a', 600)).toMatchObject({ startMin: 600, lateMin: 60, isLate: true })
    expect(stop([visit('a', { beganMin: 480, leftMin: 30 })], 'a', 600)).toMatchObject({
      state: 'under-way',
      startMin: 480,
      endMin: 630,
      isLate: false,
    })
    const after = [visit('a', { beganMin: 480, endedMin: 560 }), visit('b')]
    expect(dayStops(after, 600)).toMatchObject([
      { state: 'done', endMin: 560 },
      { state: 'to-come', startMin: 600 },
    ])
  })
  it('is long from six in the evening on', () => expect([1080, 1081].map(isLongDay)).toEqual([false, true]))
  it('waits until all who go are free', () => {
    const visits = [visit('a', { leftMin: 100 }), visit('b', { crewIds: [2], leftMin: 10 }), visit('c', { crewIds: [1, 2] })]
    expect(stop(visits, 'c').startMin).toBe(600)
  })
  it('says nothing of what comes after a visit of which nobody can tell the end', () => {
    const visits = [visit('a', { leftMin: undefined }), visit('b'), visit('other', { crewIds: [2] })]
    expect(stop(visits, 'b')).toEqual({ id: 'b', state: 'to-come', lateMin: 0, isLate: false })
    expect(stop(visits, 'other').startMin).toBe(480)
  })
  it('has nobody at two places at once, whatever was planned', () => {
    const some = fc.record({
      crewIds: fc.uniqueArray(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 3 }),
      startMin: fc.option(fc.integer({ min: 0, max: 1439 })),
      leftMin: fc.integer({ min: 0, max: 300 }),
    })
    fc.assert(
      fc.property(fc.array(some, { maxLength: 12 }), fc.integer({ min: -1440, max: 1440 }), (planned, nowMin) => {
        const visits = planned.map((own, index) => visit(String(index), own))
        const stops = dayStops(visits, nowMin)
        expect(stops).toHaveLength(visits.length)
        for (const person of [1, 2, 3, 4]) {
          const own = stops.filter(({ id }) => visits[Number(id)].crewIds.includes(person))
          own.slice(1).forEach(({ startMin = 0 }, index) => expect(startMin).toBeGreaterThanOrEqual(own[index].endMin ?? 0))
        }
        for (const { id, startMin = 0 } of stops) expect(startMin).toBeGreaterThanOrEqual(Math.max(nowMin, visits[Number(id)].startMin ?? 0))
      }),
    )
  })
})

describe('what is special at a visit', () => {
  it('follows from the site and from what is done there', () => {
    const job = jobWith({ grades: gradesWith('wall-head', 3, ['dust']) })
    const [{ steps }] = asOnePlan(planJob(job)).units
    expect(specialsOf({ ...job.site, waterOnSite: true, foulDrainOnSite: true }, ['wall-head'], steps)).toContain('ladder')
    expect(specialsOf({ ...job.site, waterOnSite: false, foulDrainOnSite: true, sensitiveOccupants: true }, ['rv-rooftop'], [])).toEqual([
      'roof',
      'sensitive-people',
      'no-water',
    ])
  })
})

it('a customer who waits is told a time that will hold, and the one that was said', () => {
  const text = lateText({ firm: 'Fen Air', site: 'the Mill', saidMin: 780, expectedMin: 821, say: inEnglish })
  expect(text).toMatch(/^Fen Air: .*reach the Mill at about 13:45 instead of 13:00\./)
})
