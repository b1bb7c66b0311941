/** @jest-environment jsdom */
import type { Step } from '@yastik/core/procedure'
import { emptyUnitState, type LedgerEntry, type UnitState } from '@yastik/core/run'
import { ref } from 'vue'
import type { UnitHappening } from '../job/useLog.ts'
import { useCounts } from './useCounts.ts'

const screws = { kind: 'cover screw', count: 3 }
const stepOf = (part: Partial<Step>) => ({ id: 'on-cover', fasteners: [screws], ...part }) as Step
const entry = (part: Partial<LedgerEntry> = {}) =>
  ({ item: 'front cover', kind: 'cover screw', out: 2, in: 0, slot: 'tray 1', takenAt: 'off-cover', ...part }) as LedgerEntry

function counting(step: Step, ledger: LedgerEntry[] = []) {
  const state = ref<UnitState>({ ...emptyUnitState(), ledger })
  const current = ref(step)
  const said: UnitHappening[] = []
  const counts = useCounts(
    state,
    () => current.value,
    async (happening) => void said.push(happening),
  )
  return { counts, said, state, current }
}

describe('counting with a thumb', () => {
  it('begins with what is expected where something comes off, with none where it goes back', () => {
    expect(counting(stepOf({ id: 'off-cover', takesOff: 'front cover' })).counts.counted(screws)).toBe(3)
    expect(counting(stepOf({ putsBack: 'front cover' }), [entry()]).counts.counted(screws)).toBe(0)
  })
  it('goes back to what came out, not to what was expected', () => {
    expect(counting(stepOf({ putsBack: 'front cover' }), [entry({ out: 2 })]).counts.outOf(screws)).toBe(2)
  })
  it('says what is missing once somebody counted, and not before', () => {
    const { counts } = counting(stepOf({ putsBack: 'front cover' }), [entry({ out: 2 })])
    expect(counts.short.value).toEqual([])
    counts.set(screws, 1)
    expect(counts.short.value).toMatchObject([{ kind: 'cover screw', out: 2, in: 1 }])
    counts.set(screws, 2)
    expect(counts.short.value).toEqual([])
  })
  it('puts on record what differs from it, in the direction of the step', async () => {
    const { counts, said } = counting(stepOf({ id: 'off-cover', takesOff: 'front cover' }), [entry({ out: 3 })])
    await counts.record()
    expect(said).toEqual([])
    counts.set(screws, 4)
    await counts.record()
    expect(said).toEqual([{ type: 'fasteners-counted', stepId: 'off-cover', kind: 'cover screw', count: 4, direction: 'out' }])
  })
  it('puts a count of none on record too: nobody knows it otherwise', async () => {
    const { counts, said } = counting(stepOf({ putsBack: 'front cover' }), [entry({ in: 0 })])
    counts.set(screws, 0)
    await counts.record()
    expect(said).toMatchObject([{ count: 0, direction: 'in' }])
  })
  it('keeps the count of a step while another one is looked at', () => {
    const { counts, current } = counting(stepOf({ id: 'off-cover', takesOff: 'front cover' }))
    counts.set(screws, 1)
    current.value = stepOf({ id: 'off-pan', takesOff: 'drain pan' })
    expect(counts.counted(screws)).toBe(3)
    current.value = stepOf({ id: 'off-cover', takesOff: 'front cover' })
    expect(counts.counted(screws)).toBe(1)
    counts.forget()
    expect(counts.counted(screws)).toBe(3)
  })
})
