import { lineOf } from './inLine.ts'

/** Work that is done when it is told to be, and how much of it is under way. */
function works() {
  const ends: (() => void)[] = []
  const state = { under: 0, most: 0 }
  const work = async () => {
    state.under++
    state.most = Math.max(state.most, state.under)
    await new Promise<void>((end) => ends.push(end))
    state.under--
  }
  return { work, state, endOne: () => ends.shift()?.() }
}
const turn = () => new Promise((done) => setImmediate(done))

it('does one thing of each firm at a time, and so many of all of them', async () => {
  const line = lineOf(2)
  const { work, state, endOne } = works()
  const all = Promise.all([1, 1, 2, 3].map((firm) => line(firm, work)))
  await turn()
  // One of the first firm and one of the second: the third waits for either of them.
  expect(state.under).toBe(2)
  for (let left = 4; left > 0; left--) {
    endOne()
    await turn()
  }
  await all
  expect(state.most).toBe(2)
})
it('turns down what of one firm waits beyond count, and of no other', async () => {
  const line = lineOf(1, 2)
  const { work, endOne } = works()
  const begun = [line(1, work), line(1, work), line(1, work)]
  await expect(line(1, work)).rejects.toMatchObject({ code: 'too-often' })
  const other = line(2, work)
  for (let left = 4; left > 0; left--) {
    endOne()
    await turn()
  }
  await Promise.all([...begun, other])
})
it('goes on after work that failed', async () => {
  const line = lineOf(1)
  await expect(line(1, () => Promise.reject(new Error('failed')))).rejects.toThrow('failed')
  await expect(line(1, () => Promise.resolve('done'))).resolves.toBe('done')
})
