import 'fake-indexeddb/auto'
import type { JobEvent } from '@yastik/core/run'
import { countWaiting, forget, jobsWaiting, keep, stamp, waiting } from './outbox.ts'

const event = (id: string, atMs: number): JobEvent => ({
  id,
  atMs,
  by: 1,
  happening: { type: 'grade-set', unitId: 'u', part: 'wheel', grade: 2, kinds: [] },
})

describe('the outbox', () => {
  it('keeps events by job, in the order in which they happened', async () => {
    await keep('one', event('b', 2))
    await keep('one', event('a', 1))
    await keep('two', event('c', 3))
    expect((await waiting('one')).map(({ id }) => id)).toEqual(['a', 'b'])
    expect((await waiting('two')).map(({ id }) => id)).toEqual(['c'])
    expect(await waiting('three')).toEqual([])
  })
  it('keeps the same event once', async () => {
    await keep('one', event('a', 1))
    expect(await waiting('one')).toHaveLength(2)
  })
  it('orders events of the same moment by id, as the state does', async () => {
    await keep('same', event('z', 5))
    await keep('same', event('y', 5))
    expect((await waiting('same')).map(({ id }) => id)).toEqual(['y', 'z'])
  })
  it('writes how far the clock is off on what does not say so yet, and on nothing else', async () => {
    await keep('clock', { ...event('k', 10), aheadMs: 7 })
    await keep('clock', event('l', 8))
    await stamp('clock', 4)
    // By the server's time: 8 − 4 comes after 10 − 7.
    expect((await waiting('clock')).map(({ id, aheadMs }) => [id, aheadMs])).toEqual([
      ['k', 7],
      ['l', 4],
    ])
    expect((await waiting('one')).every(({ aheadMs }) => aheadMs === undefined)).toBe(true)
  })
  it('knows of which jobs something of a person waits, and keeps people apart', async () => {
    await keep('theirs', { ...event('m', 1), by: 2 })
    expect(await jobsWaiting(2)).toEqual(['theirs'])
    expect((await jobsWaiting(1)).sort()).toEqual(['clock', 'one', 'same', 'two'])
    expect([await countWaiting(1), await countWaiting(2), await countWaiting(3)]).toEqual([7, 1, 0])
  })
  it('forgets what was sent, and nothing else', async () => {
    await forget(['a', 'unknown'])
    expect((await waiting('one')).map(({ id }) => id)).toEqual(['b'])
    expect(await waiting('two')).toHaveLength(1)
  })
})
