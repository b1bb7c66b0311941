import 'fake-indexeddb/auto'
import type { JobEvent } from '@yastik/core'
import { forget, keep, waiting } from './outbox.ts'

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
  it('forgets what was sent, and nothing else', async () => {
    await forget(['a', 'unknown'])
    expect((await waiting('one')).map(({ id }) => id)).toEqual(['b'])
    expect(await waiting('two')).toHaveLength(1)
  })
})
