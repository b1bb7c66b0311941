/** The device's clock is `setAheadMs` ahead of the server's; the server answers after `answersAfterMs`, and `meanwhile` happens before it does. */
let setAheadMs = 0
let answersAfterMs = 0
let meanwhile = () => {}
let asked = 0
const realNow = Date.now
const kept = new Map<string, string>()
beforeAll(() => {
  global.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as Storage
  Date.now = () => realNow() + setAheadMs
  global.fetch = (async () => {
    asked++
    const nowMs = realNow()
    meanwhile()
    await new Promise((resolve) => setTimeout(resolve, answersAfterMs))
    return Response.json({ nowMs })
  }) as typeof fetch
})
afterAll(() => void (Date.now = realNow))
beforeEach(() => {
  ;[setAheadMs, answersAfterMs, asked] = [0, 0, 0]
  meanwhile = () => {}
})

describe('how far the device’s clock is off', () => {
  it('is measured, kept, and taken off', async () => {
    const { measureClock, serverNow } = await import('./clock.ts')
    setAheadMs = 90_000
    expect(Math.abs((await measureClock()) - 90_000)).toBeLessThan(100)
    expect(Math.abs(serverNow() - realNow())).toBeLessThan(100)
    expect(Math.abs(Number(kept.get('yastik-clock-ahead-ms')) - 90_000)).toBeLessThan(100)
  })
  it('is not taken from an answer that took long, where a quicker one said nearly the same', async () => {
    const { measureClock } = await import('./clock.ts')
    setAheadMs = 90_000
    const close = await measureClock()
    answersAfterMs = 400
    expect(await measureClock()).toBe(close)
  })
  it('is asked again where the clock was set between asking and answer', async () => {
    const { measureClock, serverNow } = await import('./clock.ts')
    meanwhile = () => {
      if (asked === 1) setAheadMs = 600_000
    }
    expect(Math.abs((await measureClock()) - 600_000)).toBeLessThan(100)
    expect(asked).toBe(2)
    expect(Math.abs(serverNow() - realNow())).toBeLessThan(100)
  })
})
