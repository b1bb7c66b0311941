import { openHouse, type TestHouse } from '../tests/database.ts'
import { sharing } from './sharing.ts'

/** An answer that is given when one says so. */
function held<Answer>() {
  let give: (answer: Answer) => void = () => undefined
  const answer = new Promise<Answer>((done) => (give = done))
  return { answer, give }
}

describe('many who ask the very same', () => {
  it('are answered by one asking for as long as it waits for its turn, and anew once it is sent', async () => {
    const shared = sharing(1)
    const first = held<string>()
    let asked = 0
    const count = () => Promise.resolve(`count ${++asked}`)
    const ahead = shared('ahead', () => first.answer)
    const [one, two, other] = [shared('count', count), shared('count', count), shared('other', count)]
    first.give('ahead')
    expect(await Promise.all([ahead, one, two, other])).toEqual(['ahead', 'count 1', 'count 1', 'count 2'])
    const sent = held<string>()
    const early = shared('count', () => sent.answer)
    await new Promise(setImmediate)
    const late = shared('count', count)
    sent.give('as it was')
    expect(await Promise.all([early, late])).toEqual(['as it was', 'count 3'])
  })
  it('hear all of a failure, which is not kept', async () => {
    const shared = sharing(1)
    const fail = () => Promise.reject(new Error('gone'))
    const both = await Promise.allSettled([shared('key', fail), shared('key', fail)])
    expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected'])
    expect(await shared('key', () => Promise.resolve('back'))).toBe('back')
  })
  it('are no more at a time than there are connections', async () => {
    const shared = sharing(3)
    let [now, most] = [0, 0]
    const ask = async () => {
      most = Math.max(most, ++now)
      await new Promise((done) => setTimeout(done, 5))
      now--
    }
    await Promise.all(Array.from({ length: 20 }, (_, key) => shared(String(key), ask)))
    expect(most).toBe(3)
  })
})

describe('what is read of the database', () => {
  let house: TestHouse
  beforeAll(async () => {
    house = await openHouse()
  })
  afterAll(() => house.close())
  const bucket = 'read by many'
  const tries = async () => {
    const [row] = await house.db.read<{ tries: number }>('SELECT tries FROM sign_in_tries WHERE bucket = :bucket', { bucket })
    return row.tries
  }

  it('has what was committed before one asked, however many ask the same meanwhile', async () => {
    await house.db.write('INSERT INTO sign_in_tries (bucket, tries, tried_at_ms, free_at_ms, taker) VALUES (:bucket, 0, 0, 0, :bucket)', { bucket })
    let going = true
    const others = Promise.all(
      Array.from({ length: 40 }, async () => {
        while (going) await tries()
      }),
    )
    for (let turn = 1; turn <= 200; turn++) {
      await house.db.write('UPDATE sign_in_tries SET tries = :turn WHERE bucket = :bucket', { bucket, turn })
      expect(await tries()).toBe(turn)
    }
    going = false
    await others
  })
  it('is told apart by its values', async () => {
    const ask = (value: string | number) => house.db.read<{ value: string | number }>('SELECT :value AS value', { value })
    const answers = await Promise.all(['one', 'one', 'two', 1, '1'].map(ask))
    expect(answers.map(([{ value }]) => value)).toEqual(['one', 'one', 'two', 1, '1'])
  })
  it('can be changed by nobody who was given it, but in its order', async () => {
    const ask = () => house.db.read<{ n: number }>('SELECT 1 AS n UNION SELECT 2', {})
    const [one, other] = await Promise.all([ask(), ask()])
    one.reverse()
    expect(other.map(({ n }) => Number(n))).toEqual([1, 2])
    expect(() => (other[0].n = 3)).toThrow(TypeError)
  })
})
