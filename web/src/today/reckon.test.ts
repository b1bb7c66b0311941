import { dayIn, minuteIn } from '@yastik/core/quantities'
import type { JobCard } from '@yastik/core/wire'
import { minuteOn, visitOf, type Outlook } from './reckon.ts'

const clocks = { dayOf: (ms: number) => dayIn(ms, 'Europe/Vienna'), minuteOf: (ms: number) => minuteIn(ms, 'Europe/Vienna') }
const at = (text: string) => Date.parse(text)

describe('a moment on a day', () => {
  it.each([
    ['2027-03-01T08:00:00Z', 540],
    ['2027-02-28T22:30:00Z', -30],
    ['2027-03-01T23:30:00Z', 1470],
  ])('%s is minute %d', (text, minute) => expect(minuteOn('2027-03-01', at(text), clocks)).toBe(minute))
})

describe('a visit as it is reckoned', () => {
  const job = { id: 'a', siteId: 's', crewIds: [1], startMin: 600 } as unknown as JobCard
  const outlook = { beganAtMs: at('2027-03-01T08:00:00Z'), endedAtMs: null, leftMin: 40 } as unknown as Outlook
  it('has what is known of it, and nothing made up', () => {
    expect(visitOf(job, outlook, '2027-03-01', clocks)).toEqual({ id: 'a', siteId: 's', crewIds: [1], startMin: 600, beganMin: 540, leftMin: 40 })
    expect(visitOf(job, undefined, '2027-03-01', clocks)).toEqual({ id: 'a', siteId: 's', crewIds: [1], startMin: 600 })
  })
})
