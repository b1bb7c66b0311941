// How is the crew's day asked for? The worker behind one function, for as long as a view is open.
import type { CrewDay, UnitSteps } from '@yastik/core/crew'
import { Fault } from '@yastik/core/faults'
import type { Equipment } from '@yastik/core/products'
import { crewOfPlan, type CrewRecord } from '@yastik/core/wire'
import { onBeforeUnmount } from 'vue'
import type { CrewDayAnswer, CrewDayAsked } from './crewDay.worker.ts'

/** @param whole what is called with the day once it is known whole, with what would shorten it */
export type AskDay = (
  units: readonly UnitSteps[],
  crew: readonly CrewRecord[],
  equipment: readonly Equipment[],
  whole?: (day: CrewDay) => void,
) => Promise<CrewDay>

/** @returns a function that computes a day aside, who does what when first; it rejects with the Fault `no-schedule` where no order keeps all limits. */
export function useCrewDay(): AskDay {
  const worker = new Worker(new URL('./crewDay.worker.ts', import.meta.url), { type: 'module' })
  const open = new Map<number, { done: (day: CrewDay) => void; failed: (error: Fault) => void; whole?: (day: CrewDay) => void }>()
  let asking = 0
  worker.onmessage = ({ data }: MessageEvent<CrewDayAnswer>) => {
    const asked = open.get(data.asking)
    if (!('day' in data && data.day.gains === undefined)) open.delete(data.asking)
    if ('day' in data) {
      // Said once more, it changes nothing for who waited for the first.
      asked?.done(data.day)
      if (data.day.gains) asked?.whole?.(data.day)
    } else asked?.failed(new Fault('no-schedule', { sentence: data.sentence, lines: data.lines }))
  }
  onBeforeUnmount(() => worker.terminate())
  return (units, crew, equipment, whole) =>
    new Promise((done, failed) => {
      open.set(++asking, { done, failed, ...(whole ? { whole } : {}) })
      const asked = { asking, units, crew: crewOfPlan(crew), equipment }
      // What is reactive cannot be sent to a worker: a plain copy.
      worker.postMessage(JSON.parse(JSON.stringify(asked)) as CrewDayAsked)
    })
}
