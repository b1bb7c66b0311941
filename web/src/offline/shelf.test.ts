import 'fake-indexeddb/auto'
import { Fault } from '@yastik/core'
import { NoAnswer } from '../api/client.ts'
import { onThisDevice } from './database.ts'
import { askOrKept, clearShelf, fetchAhead } from './shelf.ts'

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

describe('the shelf', () => {
  it('gives what the server says, and without a signal what it said last', async () => {
    server = { '/api/today': ok(['first']) }
    expect(await askOrKept('/api/today')).toEqual({ answer: ['first'], kept: false })
    server = { '/api/today': ok(['second']) }
    await askOrKept('/api/today')
    server = {}
    expect(await askOrKept('/api/today')).toEqual({ answer: ['second'], kept: true })
  })
  it('has nothing where the server never answered', async () => {
    await expect(askOrKept('/api/jobs/none')).rejects.toBeInstanceOf(NoAnswer)
  })
  it('never hides what the server turns down behind an old answer', async () => {
    server = { '/api/today': { status: 401, body: { code: 'not-signed-in', sentence: 'Sign in first.', lines: [] } } }
    await expect(askOrKept('/api/today')).rejects.toBeInstanceOf(Fault)
  })
  it('fetches ahead until the signal goes, and throws nothing for that', async () => {
    server = { '/api/a': ok(1), '/api/c': ok(3) }
    await fetchAhead(['/api/a', '/api/b', '/api/c'])
    server = {}
    expect((await askOrKept('/api/a')).answer).toBe(1)
    await expect(askOrKept('/api/c')).rejects.toBeInstanceOf(NoAnswer)
  })
  it('is cleared of what is old, and of everything when somebody signs out', async () => {
    await (await onThisDevice()).put('shelf', { path: '/api/old', answer: 0, atMs: Date.now() - 15 * 86_400_000 })
    await clearShelf()
    await expect(askOrKept('/api/old')).rejects.toBeInstanceOf(NoAnswer)
    expect((await askOrKept('/api/a')).answer).toBe(1)
    await clearShelf(true)
    await expect(askOrKept('/api/a')).rejects.toBeInstanceOf(NoAnswer)
  })
})
