import 'fake-indexeddb/auto'
import type { JobEvent } from '@yastik/core/run'
import { metric } from '@yastik/core/quantities'
import { sayIn } from '@yastik/core/words'
import { catalogue as english } from '@yastik/core/words/en'

const inEnglish = sayIn(english, { measures: metric })

/** A server whose clock is three seconds behind this device's; it notes what it is sent and answers as `judge` says. */
const sent: { path: string; ids: string[]; aheadMs: (number | undefined)[] }[] = []
let judge: (path: string) => { status: number; body: unknown } | undefined = () => undefined
const picture = '0191a1b0-0000-7000-8000-000000000001'
const kept = new Map<string, string>()
beforeAll(() => {
  global.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as Storage
  global.fetch = (async (path: string, { body }: RequestInit = {}) => {
    const own = judge(path)
    if (own) return new Response(JSON.stringify(own.body), { status: own.status, headers: { 'content-type': 'application/json' } })
    if (path === '/api/clock') return Response.json({ nowMs: Date.now() - 3000 })
    if (path.includes('/photos/')) {
      sent.push({ path, ids: [], aheadMs: [] })
      return Response.json({ id: picture, unitId: picture, width: 1, height: 1, bytes: 1 })
    }
    const { events } = JSON.parse(String(body)) as { events: JobEvent[] }
    sent.push({ path, ids: events.map(({ id }) => id), aheadMs: events.map(({ aheadMs }) => aheadMs) })
    return Response.json({ accepted: events.map(({ id }) => id), refused: [] })
  }) as typeof fetch
})
beforeEach(() => {
  sent.length = 0
  judge = () => undefined
})

const event = (id: string, happening: JobEvent['happening'], by = 1): JobEvent => ({ id, atMs: 1000, by, happening })
const note = (id: string, by = 1) => event(id, { type: 'note', unitId: 'u', text: id }, by)
const photo = (id: string, photoId: string) => event(id, { type: 'photo-taken', unitId: 'u', photoId })
async function rooms() {
  const [{ keep, waiting }, { onThisDevice }, { sendAll }, { NoAnswer }] = await Promise.all([
    import('./outbox.ts'),
    import('./database.ts'),
    import('./send.ts'),
    import('../api/client.ts'),
  ])
  const keepPicture = async (photoId: string, jobId: string) =>
    void (await onThisDevice((database) =>
      database.put('photos', { photoId, jobId, unitId: 'u', preview: new Blob(['p']), whole: new Blob(['w']), atMs: 0 }),
    ))
  const pictureHere = async (photoId: string) => onThisDevice((database) => database.get('photos', photoId))
  return { keep, waiting, sendAll, NoAnswer, keepPicture, pictureHere }
}

describe('sending what waits', () => {
  it('measures the clock first, sends steps before pictures, and each picture before the event that speaks of it', async () => {
    const { keep, waiting, sendAll, keepPicture, pictureHere } = await rooms()
    await keepPicture('p1', 'job')
    await keep('job', photo('b', 'p1'))
    await keep('job', note('a'))
    expect(await sendAll('job', 1)).toEqual([])
    expect(sent.map(({ path, ids }) => [path.split('/').at(-1), ids])).toEqual([
      ['events', ['a']],
      ['p1', []],
      ['events', ['b']],
    ])
    for (const ahead of sent.flatMap(({ aheadMs }) => aheadMs)) expect(Math.abs(ahead! - 3000)).toBeLessThan(200)
    expect(await waiting('job')).toEqual([])
    expect((await pictureHere('p1'))!.whole).toBeUndefined()
  })
  it('leaves what is somebody else’s', async () => {
    const { keep, waiting, sendAll } = await rooms()
    await keep('shared', note('mine'))
    await keep('shared', note('theirs', 2))
    await sendAll('shared', 1)
    expect((await waiting('shared')).map(({ id }) => id)).toEqual(['theirs'])
  })
  it('drops a picture that is turned down, with its event, and says why', async () => {
    const { keep, waiting, sendAll, keepPicture, pictureHere } = await rooms()
    const lines = [{ where: 'the photograph', what: 'it breaks off in the middle', allowed: 'a whole one' }]
    judge = (path) =>
      path.includes('/photos/') ? { status: 422, body: { code: 'not-a-photo', sentence: 'This is no photograph.', lines } } : undefined
    await keepPicture('p2', 'bad')
    await keep('bad', photo('c', 'p2'))
    const gone: string[] = []
    const reasons = await sendAll('bad', 1, { stamped: () => undefined, turnedDown: (ids) => void gone.push(...ids), keep: async () => undefined })
    expect(reasons.map(inEnglish)).toEqual(['This is no photograph. The photograph: it breaks off in the middle; allowed: a whole one.'])
    expect([gone, await waiting('bad'), await pictureHere('p2')]).toEqual([['c'], [], undefined])
  })
  it('keeps everything where nobody judged it: no signal, a database that is away, somebody signed out', async () => {
    const { keep, waiting, sendAll, keepPicture } = await rooms()
    await keepPicture('p3', 'later')
    await keep('later', photo('d', 'p3'))
    for (const [status, code] of [
      [503, 'database-away'],
      [401, 'not-signed-in'],
      [500, 'internal'],
      [502, 'other-version'],
    ] as const) {
      judge = (path) => (path === '/api/clock' ? undefined : { status, body: { code, sentence: 'Not now.', lines: [] } })
      await expect(sendAll('later', 1)).rejects.toMatchObject({ code, sentence: 'Not now.' })
    }
    // A page that somebody on the way puts in: it is no answer of the server's.
    judge = (path) => (path === '/api/clock' ? undefined : { status: 200, body: 'Welcome to the guest network' })
    await expect(sendAll('later', 1)).rejects.toMatchObject({ code: 'other-version' })
    expect((await waiting('later')).map(({ id }) => id)).toEqual(['d'])
    judge = () => undefined
    expect(await sendAll('later', 1)).toEqual([])
  })
})
