import 'fake-indexeddb/auto'
import { Fault } from '@yastik/core/faults'
import { endpoints, type JobRecord } from '@yastik/core/wire'
import { NoAnswer } from '../api/client.ts'
import { onThisDevice } from './database.ts'
import { askOrKept, clearShelf, fetchAhead, keptSince } from './shelf.ts'

/** What the server answers at each address; `undefined` is no signal. */
let server: Record<string, { status: number; body: unknown } | undefined> = {}
beforeAll(() => {
  global.fetch = ((path: string) => {
    const answer = server[path]
    if (!answer) return Promise.reject(new TypeError('no network'))
    return Promise.resolve(new Response(JSON.stringify(answer.body), { status: answer.status, headers: { 'content-type': 'application/json' } }))
  }) as typeof fetch
})
const ok = (body: unknown) => ({ status: 200, body })
const { clock, job } = endpoints
const path = '/api/clock'
const idOf = (last: number) => `0191a1b0-0000-7000-8000-00000000000${last}`
const record = (id: string): JobRecord => ({
  id,
  revision: 0,
  cancelled: false,
  onDate: '2026-11-27',
  site: {
    id: idOf(9),
    version: 1,
    site: { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true },
    address: '',
    contact: '',
    retiredAt: null,
    units: [],
  },
  unitIds: [],
  crew: [],
  people: [],
  houseRules: {},
  products: [],
  equipment: [],
  events: [],
  seq: 0,
})

describe('the shelf', () => {
  it('gives what the server says, and without a signal what it said last', async () => {
    server = { [path]: ok({ nowMs: 1 }) }
    expect(await askOrKept(clock)).toEqual({ answer: { nowMs: 1 }, kept: false })
    server = { [path]: ok({ nowMs: 2 }) }
    await askOrKept(clock)
    server = {}
    expect(await askOrKept(clock)).toEqual({ answer: { nowMs: 2 }, kept: true })
  })
  it('has nothing where the server never answered', async () => {
    await expect(askOrKept(job, { params: { id: idOf(0) } })).rejects.toBeInstanceOf(NoAnswer)
  })
  it('never hides what the server turns down behind an old answer', async () => {
    server = { [path]: { status: 401, body: { code: 'not-signed-in', sentence: 'Sign in first.', lines: [] } } }
    await expect(askOrKept(clock)).rejects.toMatchObject({ code: 'not-signed-in' })
  })
  it('says where an answer, or what was kept of one, is of another version, and shows nothing wrong', async () => {
    server = { [path]: ok({ time: 'noon' }) }
    await expect(askOrKept(clock)).rejects.toMatchObject({
      code: 'other-version',
      lines: [{ where: '/api/clock.nowMs' }, { where: '/api/clock.time' }],
    })
    server = {}
    await onThisDevice((database) => database.put('shelf', { path, answer: { time: 'noon' }, atMs: Date.now() }))
    await expect(askOrKept(clock)).rejects.toMatchObject({ sentence: { key: 'fault.device.kept-by-other' } })
  })
  it('hands out what was said not too long ago without asking anybody, and only what this page can read', async () => {
    await onThisDevice((database) => database.put('shelf', { path, answer: { nowMs: 7 }, atMs: 5000 }))
    server = {}
    expect(await keptSince(clock, {}, 5000)).toEqual({ nowMs: 7 })
    expect(await keptSince(clock, {}, 5001)).toBeUndefined()
    expect(await keptSince(job, { params: { id: idOf(8) } }, 0)).toBeUndefined()
    await onThisDevice((database) => database.put('shelf', { path, answer: { time: 'noon' }, atMs: 5000 }))
    expect(await keptSince(clock, {}, 0)).toBeUndefined()
  })
  it('fetches ahead until the signal goes, and throws nothing for that', async () => {
    const [first, second, third] = [1, 2, 3].map(idOf)
    server = { [`/api/jobs/${first}`]: ok(record(first)), [`/api/jobs/${third}`]: ok(record(third)) }
    await fetchAhead([first, second, third])
    const wording = { wording: { es: { 'letters.reminder.end': 'Llame.' } }, version: 2 }
    server = { [`/api/jobs/${first}`]: ok(record(first)), '/api/wording': ok(wording) }
    await fetchAhead([first])
    server = {}
    expect((await askOrKept(endpoints.wording)).answer).toEqual(wording)
    expect((await askOrKept(job, { params: { id: first } })).answer.id).toBe(first)
    await expect(askOrKept(job, { params: { id: third } })).rejects.toBeInstanceOf(NoAnswer)
  })
  it('is cleared of what is old, and of everything when somebody signs out', async () => {
    const kept = () => askOrKept(job, { params: { id: idOf(1) } })
    await onThisDevice((database) => database.put('shelf', { path, answer: { nowMs: 3 }, atMs: Date.now() - 15 * 86_400_000 }))
    await clearShelf()
    await expect(askOrKept(clock)).rejects.toBeInstanceOf(NoAnswer)
    expect((await kept()).answer.id).toBe(idOf(1))
    await clearShelf(true)
    await expect(kept()).rejects.toBeInstanceOf(NoAnswer)
  })
  it('turns what a server says without a shape of ours into a fault', async () => {
    server = { [path]: { status: 418, body: 'teapot' } }
    await expect(askOrKept(clock)).rejects.toBeInstanceOf(Fault)
  })
})
