// How many fasteners of a step came out or went back, as they are counted with a thumb, before they go on record?
import type { Step } from '@yastik/core/procedure'
import type { LedgerEntry, UnitState } from '@yastik/core/run'
import { computed, reactive, type ComputedRef, type Ref } from 'vue'
import type { UnitHappening } from '../job/useLog.ts'

type Fasteners = NonNullable<Step['fasteners']>[number]

export interface Counts {
  /** As it stands on the screen. */
  counted(fasteners: Fasteners): number
  set(fasteners: Fasteners, count: number): void
  /** How many of a kind came out of what is put back. */
  outOf(fasteners: Fasteners): number
  /** What is counted on the screen, for the gates. */
  readonly onScreen: ComputedRef<{ kind: string; count: number }[]>
  /** Fasteners that the count on the screen leaves out, as the ledger would have them. */
  readonly short: ComputedRef<LedgerEntry[]>
  /** Puts on record what differs from what is there. */
  record(): Promise<void>
  forget(): void
}

/** Counts are kept by step while one looks at another one. @param add puts on record what happened */
export function useCounts(state: Ref<UnitState>, step: () => Step, add: (happening: UnitHappening) => Promise<void>): Counts {
  const counts = reactive<Record<string, number>>({})
  const keyOf = (kind: string) => `${step().id}/${kind}`
  const entryOf = (kind: string) => state.value.ledger.find((entry) => entry.kind === kind && entry.item === (step().takesOff ?? step().putsBack))
  const counted = ({ kind, count }: Fasteners) => {
    const entry = entryOf(kind)
    // What goes back starts at none: nobody confirms what nobody counted.
    return counts[keyOf(kind)] ?? (step().takesOff ? (entry?.out ?? count) : (entry?.in ?? 0))
  }
  const fasteners = () => step().fasteners ?? []
  return {
    counted,
    set: ({ kind }, count) => (counts[keyOf(kind)] = count),
    outOf: ({ kind, count }) => entryOf(kind)?.out ?? count,
    onScreen: computed(() =>
      fasteners()
        .filter(({ kind }) => step().takesOff !== undefined || keyOf(kind) in counts)
        .map((own) => ({ kind: own.kind, count: counted(own) })),
    ),
    short: computed(() => {
      if (!step().putsBack) return []
      return fasteners().flatMap((own) => {
        const entry = entryOf(own.kind)
        const back = counted(own)
        return entry && back < entry.out && keyOf(own.kind) in counts ? [{ ...entry, in: back }] : []
      })
    }),
    async record() {
      const direction = step().takesOff ? 'out' : 'in'
      const { id: stepId } = step()
      for (const own of fasteners()) {
        const count = counted(own)
        const entry = entryOf(own.kind)
        if (entry?.[direction] !== count || (direction === 'out' ? !entry : !entry?.backCounted))
          await add({ type: 'fasteners-counted', stepId, kind: own.kind, count, direction })
      }
    },
    forget: () => {
      for (const key of Object.keys(counts)) delete counts[key]
    },
  }
}
