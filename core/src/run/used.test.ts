import { stateOf, unitStateOf, type Happening, type JobEvent } from './index.ts'

type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never
const events = (...happenings: Bare[]): JobEvent[] =>
  happenings.map((happening, index) => ({
    id: `00000000-0000-4000-8000-${String(index + 1).padStart(12, '0')}`,
    atMs: 1000 + index,
    by: 1,
    happening: { ...happening, unitId: 'head' } as Happening,
  }))
const used = (stepId: string, productId: string, litres: number): Bare => ({ type: 'product-used', stepId, productId, litres })

describe('what was used', () => {
  const log = events(used('mix-agent', 'foam', 0.3), used('wash-wheel', 'foam', 0.2), used('mix-agent', 'foam', 0.5), used('mix-agent', 'mild', 0.1))
  it('is the last word at each step for each product', () =>
    expect(unitStateOf(log, 'head').used.map(({ stepId, productId, litres }) => [stepId, productId, litres])).toEqual([
      ['wash-wheel', 'foam', 0.2],
      ['mix-agent', 'foam', 0.5],
      ['mix-agent', 'mild', 0.1],
    ]))
  it('is the same in whatever order and however often it arrives, and goes when it is undone', () => {
    expect(stateOf([...log].reverse().concat(log))).toEqual(stateOf(log))
    const undone = events({ type: 'undone', eventId: log[2].id }).map((event) => ({ ...event, id: log[3].id.replace(/.$/, '9'), atMs: 2000 }))
    expect(unitStateOf([...log, ...undone], 'head').used[0]).toMatchObject({ stepId: 'mix-agent', productId: 'foam', litres: 0.3 })
  })
})

describe('parts besides soil', () => {
  it('are changed or ordered by the last word, or taken back', () => {
    const note = (item: string, need: 'changed' | 'to-order' | null): Bare => ({ type: 'part-noted', item, need })
    const log = events(note('gasket', 'to-order'), note('filter clip', 'changed'), note('gasket', 'changed'), note('filter clip', null))
    expect(unitStateOf(log, 'head').partsNoted).toEqual([{ item: 'gasket', need: 'changed' }])
  })
})
