import 'fake-indexeddb/auto'
import type { JobEvent } from '@yastik/core/run'
import { openDB } from 'idb'
import { keptIfRoom, onThisDevice } from './database.ts'
import { keep, waiting } from './outbox.ts'

const note = (id: string): JobEvent => ({ id, atMs: 1000, by: 1, happening: { type: 'note', unitId: 'u', text: id } })
const full = () => new DOMException('no room', 'QuotaExceededError')

describe('the browser’s own database', () => {
  it('is opened anew where its handle was closed meanwhile, and nothing is lost', async () => {
    await keep('job', note('first'))
    await onThisDevice(async (database) => database.close())
    await keep('job', note('second'))
    expect((await waiting('job')).map(({ id }) => id)).toEqual(['first', 'second'])
  })
  it('with no room for what cannot be fetched again gives up what can, and does it once more', async () => {
    await onThisDevice(async (database) => {
      await database.put('shelf', { path: '/api/today', answer: [], atMs: 0 })
      const photo = { jobId: 'job', unitId: 'u', preview: new Blob(['p']), atMs: 0 }
      await database.put('photos', { ...photo, photoId: 'sent' })
      await database.put('photos', { ...photo, photoId: 'waits', whole: new Blob(['w']) })
    })
    let tries = 0
    await onThisDevice(async (database) => {
      if (++tries === 1) throw full()
      await database.put('waiting', { jobId: 'job', event: note('third') })
    })
    const left = await onThisDevice(async (database) => [await database.getAllKeys('shelf'), await database.getAllKeys('photos')])
    expect(left).toEqual([[], ['waits']])
    expect((await waiting('job')).map(({ id }) => id)).toEqual(['first', 'second', 'third'])
  })
  it('says where there is no room at all; what can be fetched again is then not kept, and no fault', async () => {
    const never = () => Promise.reject(full())
    await expect(onThisDevice(never)).rejects.toMatchObject({ code: 'device-full', sentence: { key: 'fault.device-full' } })
    await expect(keptIfRoom(never)).resolves.toBeUndefined()
  })
  it('makes way for a newer version in another tab, and says so here', async () => {
    const newer = await openDB('yastik', 99)
    await expect(waiting('job')).rejects.toMatchObject({ code: 'other-version', sentence: { key: 'fault.device.newer' } })
    await expect(keep('job', note('fourth'))).rejects.toMatchObject({ code: 'other-version' })
    newer.close()
  })
  it('passes on what is a fault of ours', async () => {
    await expect(keptIfRoom(() => Promise.reject(new TypeError('ours')))).rejects.toThrow()
  })
})
