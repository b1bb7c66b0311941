/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { endpoints } from '@yastik/core/wire'
import { flushPromises, mount } from '@vue/test-utils'
import { defineComponent, h, ref, type Ref } from 'vue'
import { useAsked, useDoing, usePages, withServer } from './useServer.ts'

const page = (names: string[], next: string | null) => ({
  entries: names.map((name, index) => ({
    id: index,
    at: '2027-03-01T08:00:00.000Z',
    by: name,
    what: 'signed-in',
    about: '',
    from: '',
    before: null,
    after: null,
  })),
  next,
})
/** What the server says to each address, and how often it was asked. */
let answers: (address: string) => { status: number; body: unknown } | 'no answer'
const asked: string[] = []
beforeEach(() => {
  asked.length = 0
  global.fetch = (async (address: string) => {
    asked.push(address)
    const answer = answers(address)
    if (answer === 'no answer') throw new TypeError('no network')
    return { ok: answer.status < 400, status: answer.status, json: async () => answer.body } as Response
  }) as typeof fetch
})
/** Runs a composable as a view would. */
function onView<Own>(use: () => Own): Own {
  let own: Own | undefined
  const view = defineComponent(() => {
    own = use()
    return () => h('p')
  })
  mount(view, { global: { plugins: [{ install: (app) => void withServer(app) }] } })
  if (!own) throw new Error('the view was not set up')
  return own
}
const settle = async (ms = 0) => {
  await flushPromises()
  await new Promise((done) => setTimeout(done, ms))
  await flushPromises()
}
const fault = { code: 'not-allowed', sentence: 'Your role does not allow this.', lines: [] }

describe('what a view asks the server for', () => {
  it('is there once it is ready, and anew when another thing is asked for', async () => {
    answers = (address) => ({ status: 200, body: { ownersNeedSecondFactor: address.length > 0 } })
    const { said, ready, reload } = onView(() => useAsked(endpoints.security, () => ({})))
    expect(said.value).toBeUndefined()
    await ready()
    expect(said.value).toEqual({ ownersNeedSecondFactor: true })
    await reload()
    expect(asked).toHaveLength(2)
  })
  it('is what a change answered, without being asked again', async () => {
    answers = () => ({ status: 200, body: { ownersNeedSecondFactor: false } })
    const { said, ready, set } = onView(() => useAsked(endpoints.security, () => ({})))
    await ready()
    set({ ownersNeedSecondFactor: true })
    await settle()
    expect(said.value).toEqual({ ownersNeedSecondFactor: true })
    expect(asked).toHaveLength(1)
  })
  it('is tried again where nobody judged it, and then said to be missing', async () => {
    answers = () => 'no answer'
    const { error, ready } = onView(() => useAsked(endpoints.security, () => ({})))
    await ready()
    expect(asked).toHaveLength(3)
    expect(error.value).toMatchObject({ sentence: { key: 'fault.no-answer' } })
  })
  it('is not tried again where the server turned it down', async () => {
    answers = () => ({ status: 403, body: fault })
    const { error, ready } = onView(() => useAsked(endpoints.security, () => ({})))
    await ready()
    expect(asked).toHaveLength(1)
    expect(error.value).toMatchObject({ code: 'not-allowed' })
  })
  it('is not asked for while there is nothing to ask', async () => {
    answers = () => ({ status: 200, body: {} })
    const { ready } = onView(() => useAsked(endpoints.site, () => undefined))
    await ready()
    expect(asked).toEqual([])
  })
})

describe('a list that comes page by page', () => {
  it('goes on where it was, and starts anew when it is narrowed down', async () => {
    answers = (address) => ({ status: 200, body: address.includes('after=b') ? page(['c'], null) : page(['a', 'b'], 'b') })
    const find: Ref<string | undefined> = ref()
    const { entries, hasMore, more, ready } = onView(() => usePages(endpoints.audit, () => ({ find: find.value })))
    await ready()
    expect(entries.value.map(({ by }) => by)).toEqual(['a', 'b'])
    expect(hasMore.value).toBe(true)
    await more()
    expect(entries.value.map(({ by }) => by)).toEqual(['a', 'b', 'c'])
    expect(hasMore.value).toBe(false)
    find.value = 'x'
    await settle(20)
    expect(asked.at(-1)).toContain('find=x')
    expect(entries.value.map(({ by }) => by)).toEqual(['a', 'b'])
  })
})

describe('a change', () => {
  it('is busy while it is under way, and says whether it was done', async () => {
    const { busy, error, run } = useDoing()
    let finish = (): void => undefined
    const running = run(() => new Promise<void>((done) => (finish = done)))
    expect(busy.value).toBe(true)
    finish()
    expect(await running).toBe(true)
    expect(busy.value).toBe(false)
    expect(await run(() => Promise.reject(new Error('turned down')))).toBe(false)
    expect(error.value).toEqual(new Error('turned down'))
    expect(await run(async () => undefined)).toBe(true)
    expect(error.value).toBeUndefined()
  })
})
